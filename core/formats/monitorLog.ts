import { cutText, isTooLong, MOST_TYPED } from '../units/text';
import Papa from 'papaparse';
import { dayOf, type MonitorLog } from '../energy/monitored';
import { Faults, type FileFault } from './fileFault';

/** Which columns hold what, and which way the file counts. */
export interface LogMapping {
  time: number;
  volts: number;
  amps: number;
  /** Whether the file writes what leaves the battery as negative, as most monitors do. */
  outIsNegative: boolean;
}

export type LogReading =
  { ok: true; log: MonitorLog; mapping: LogMapping; headings: string[] } | { ok: false; problems: FileFault[]; headings: string[] };

export const MOST_LOG_BYTES = 8_000_000;
const HEADINGS: Record<'time' | 'volts' | 'amps', readonly string[]> = {
  time: ['time', 'timestamp', 'date', 'datetime', 'datum', 'when'],
  volts: ['volts', 'voltage', 'v', 'batteryvoltage', 'u', 'battv'],
  amps: ['amps', 'current', 'a', 'i', 'batterycurrent', 'ampere', 'batti'],
};

/** Reads a monitor's CSV, by the mapping given or by its headings. All of it or nothing; every fault by its row. */
export function readMonitorLog(text: string, given: Partial<LogMapping> = {}): LogReading {
  if (text.length > MOST_LOG_BYTES) return { ok: false, problems: [{ code: 'bytes', most: MOST_LOG_BYTES }], headings: [] };
  const { data } = Papa.parse<string[]>(text.replace(/^\ufeff/, '').trim(), { skipEmptyLines: 'greedy' });
  const [headings = [], ...rows] = data;
  const plain = headings.map((cell) =>
    cutText(cell, MOST_TYPED)
      .toLowerCase()
      .replace(/\(.*?\)|\[.*?\]|[^a-z]/g, ''),
  );
  const find = (what: 'time' | 'volts' | 'amps') => given[what] ?? plain.findIndex((name) => HEADINGS[what].includes(name));
  const [time, volts, amps] = [find('time'), find('volts'), find('amps')];
  const missing = [time < 0 && 'time', volts < 0 && 'volts', amps < 0 && 'amps'].filter((name) => name !== false);
  if (missing.length > 0) return { ok: false, problems: [{ code: 'noColumn', row: 1, headings: missing, choose: [] }], headings };
  if (rows.length < 2) return { ok: false, problems: [{ code: 'headingAlone', of: 'monitor' }], headings };
  const log: MonitorLog = {
    fromDay: '',
    atMin: new Float64Array(rows.length),
    volts: new Float64Array(rows.length),
    amps: new Float64Array(rows.length),
  };
  const faults = new Faults();
  let before = -Infinity;
  let midnight = 0;
  rows.forEach((cells, at) => {
    const row = at + 2;
    const when = readWhen(cells[time] ?? '');
    if (when === null) return faults.add({ code: 'noTime', row, said: (cells[time] ?? '').slice(0, 30), like: '2025-06-01 18:30:00' });
    if (at === 0) {
      midnight = Math.floor(when / 1440) * 1440;
      log.fromDay = dayOf(midnight);
    }
    if (when <= before) return faults.add({ code: 'notLater', row });
    before = when;
    log.atMin[at] = when - midnight;
    const [v, a] = [figure(cells[volts]), figure(cells[amps])];
    if (!(v >= 0 && v <= 80)) return faults.add({ code: 'reading', row, what: 'volts', value: finite(v), most: 80 });
    if (!(Math.abs(a) <= 2000)) return faults.add({ code: 'reading', row, what: 'amps', value: finite(a), most: 2000 });
    log.volts[at] = v;
    log.amps[at] = a;
  });
  if (faults.any) return { ok: false, problems: faults.told, headings };
  const outIsNegative = given.outIsNegative ?? nightMean(log) < 0;
  if (outIsNegative) log.amps.forEach((value, at) => (log.amps[at] = -value));
  return { ok: true, log, mapping: { time, volts, amps, outIsNegative }, headings };
}

/** Mean current between ten at night and five, when nothing but loads can flow; of the whole log where it has no night. */
function nightMean({ atMin, amps }: MonitorLog): number {
  let [sum, count] = [0, 0];
  atMin.forEach((minute, at) => {
    const hour = (minute % 1440) / 60;
    if (hour >= 22 || hour < 5) [sum, count] = [sum + amps[at]!, count + 1];
  });
  return count > 0 ? sum / count : amps.reduce((total, value) => total + value, 0) / amps.length;
}

/** Minutes since the epoch of a local date and time. */
function readWhen(text: string): number | null {
  if (isTooLong(text)) return null;
  const match = /^\s*(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})[T ]+(\d{1,2}):(\d{2})(?::(\d{2}(?:\.\d+)?))?\s*(?:Z|[+-]\d{2}:?\d{2})?\s*$/.exec(
    text,
  );
  if (!match) return null;
  const [year, month, day, hour, minute] = match.slice(1, 6).map(Number) as [number, number, number, number, number];
  if (month > 12 || day > 31 || hour > 23 || minute > 59) return null;
  return Date.UTC(year, month - 1, day, hour, minute) / 60_000 + Number(match[6] ?? 0) / 60;
}

function figure(text = ''): number {
  const match = isTooLong(text) ? null : /^\s*([-+\u2212]?[\d.,]+)\s*[a-z]{0,3}\s*$/i.exec(text);
  return match ? Number(match[1]!.replace('\u2212', '-').replace(/^([-+]?\d+),(\d+)$/, '$1.$2')) : NaN;
}

function finite(value: number): number | null {
  return Number.isFinite(value) ? value : null;
}
