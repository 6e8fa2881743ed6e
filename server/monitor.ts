import { connect } from 'node:net';
import { MONITOR_GREETING, MOST_LINE_CHARACTERS, parseMonitorLine } from '@/core/formats/monitorLine';
import type { MonitorReading } from '@/core/energy/monitored';

/** What a live monitor says, as it reaches the page. */
export type MonitorNews = { reading: MonitorReading } | { trouble: string };

/** Where battery monitors speak unless MONITOR says otherwise; the address is the operator's to set, never the visitor's. */
const USUAL_ADDRESS = '127.0.0.1:7412';
/** A monitor that stays silent for longer is taken to be gone, ms. */
const SILENCE_MS = 90_000;
/** Lines that cannot be read one after another before the line is given up. */
const MOST_UNREADABLE = 20;

function monitorAddress(): { host: string; port: number; text: string } | null {
  const text = process.env.MONITOR ?? USUAL_ADDRESS;
  const match = /^([A-Za-z0-9.-]+):(\d{1,5})$/.exec(text);
  return match ? { host: match[1]!, port: Number(match[2]), text } : null;
}

/** Listens to the monitor until told to leave, and tells each reading and at last what ended it. */
export function listenToMonitor(tell: (news: MonitorNews) => void, end: () => void, left: AbortSignal): void {
  const address = monitorAddress();
  if (!address) {
    tell({ trouble: 'the MONITOR setting of the server is no host:port' });
    return end();
  }
  const socket = connect({ host: address.host, port: address.port });
  let rest = '';
  let greeted = false;
  let unreadable = 0;
  let trouble: string | null = null;
  const giveUp = (why: string) => {
    trouble ??= why;
    socket.destroy();
  };
  const line = (text: string) => {
    if (!greeted) {
      greeted = text.trim() === MONITOR_GREETING;
      if (!greeted) giveUp(`what answers at ${address.text} is no battery monitor that speaks “${MONITOR_GREETING}”`);
      return;
    }
    const reading = parseMonitorLine(text);
    unreadable = reading ? 0 : unreadable + 1;
    if (reading) tell({ reading });
    else if (unreadable >= MOST_UNREADABLE) giveUp('the monitor sends lines that cannot be read');
  };
  socket.setEncoding('utf8');
  socket.setTimeout(SILENCE_MS, () => giveUp('the monitor has fallen silent'));
  socket.on('data', (chunk: string) => {
    const lines = (rest + chunk).split('\n');
    rest = lines.pop()!;
    if (rest.length > MOST_LINE_CHARACTERS) return giveUp('the monitor sends lines that are too long');
    for (const text of lines) if (trouble === null) line(text);
  });
  socket.on('error', () => giveUp(`nothing answers at ${address.text}`));
  socket.on('close', () => {
    if (!left.aborted) tell({ trouble: trouble ?? 'the monitor has hung up' });
    end();
  });
  left.addEventListener('abort', () => socket.destroy(), { once: true });
}
