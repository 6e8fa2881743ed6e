import type { MonitorReading } from '../energy/monitored';

/** What a monitor says first: the protocol and its version. */
export const MONITOR_GREETING = 'battery-monitor 1';
/** No line of the protocol is longer. */
export const MOST_LINE_CHARACTERS = 120;

const LINE = /^(\d{4})-(\d{2})-(\d{2})T(\d{2}):(\d{2}):(\d{2}) (-?\d{1,2}(?:\.\d+)?) V (-?\d{1,4}(?:\.\d+)?) A$/;

/** Reads a line such as `2025-06-01T18:30:00 12.84 V -3.20 A`; null when it is none. */
export function parseMonitorLine(line: string): MonitorReading | null {
  const match = LINE.exec(line.trim());
  if (!match) return null;
  const [year, month, day, hour, minute, second, volts, amps] = match.slice(1).map(Number) as [number, number, number, number, number, number, number, number]; // prettier-ignore
  if (month < 1 || month > 12 || day < 1 || day > 31 || hour > 23 || minute > 59 || second > 59) return null;
  if (volts < 0 || volts > 80 || Math.abs(amps) > 2000) return null;
  return { atMin: Date.UTC(year, month - 1, day, hour, minute, second) / 60_000, volts, amps: amps === 0 ? 0 : -amps };
}

export function writeMonitorLine({ atMin, volts, amps }: MonitorReading): string {
  const time = new Date(Math.round(atMin * 60) * 1000).toISOString().slice(0, 19);
  return `${time} ${volts.toFixed(2)} V ${(amps === 0 ? 0 : -amps).toFixed(2)} A`;
}
