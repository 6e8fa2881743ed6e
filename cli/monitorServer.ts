import { createServer, type Server, type Socket } from 'node:net';
import { MONITOR_GREETING, writeMonitorLine } from '../core/formats/monitorLine';
import type { MonitorReading } from '../core/energy/monitored';

interface MonitorOptions {
  port: number;
  /** Minutes of the monitor's clock a minute of ours. */
  speed: number;
}

/** How often readings go out at most, ms; between two, several are sent at once. */
const TICK_MS = 100;
/** More listeners than these are turned away. */
const MOST_LISTENERS = 8;

/**
 * A simulated battery monitor on this machine: sends the greeting and then a reading a line to whoever connects, see
 * docs/formats.md. All listeners hear the same readings, from where the monitor's clock stands.
 */
export function serveMonitor(feed: Iterator<MonitorReading>, { port, speed }: MonitorOptions): Server {
  const listeners = new Set<Socket>();
  const server = createServer((socket) => {
    socket.on('error', () => socket.destroy());
    socket.on('close', () => listeners.delete(socket));
    // A monitor only speaks: what it is told is read and dropped.
    socket.resume();
    socket.write(`${MONITOR_GREETING}\n`);
    listeners.add(socket);
  });
  server.maxConnections = MOST_LISTENERS;
  let owed = 1;
  let before = Date.now();
  const timer = setInterval(() => {
    const now = Date.now();
    owed += ((now - before) / 60_000) * speed;
    before = now;
    for (; owed >= 1; owed -= 1) {
      const next = feed.next();
      if (next.done) return;
      const line = `${writeMonitorLine(next.value)}\n`;
      for (const socket of listeners) socket.write(line);
    }
  }, TICK_MS);
  server.on('close', () => clearInterval(timer));
  return server.listen(port, '127.0.0.1');
}

/** Minutes since 1970 as the clock on the wall reads now. */
export function wallMinutes(): number {
  const now = new Date();
  return Math.floor(now.getTime() / 60_000) - now.getTimezoneOffset();
}
