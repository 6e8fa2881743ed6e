import { recordsOf, type Design } from '../design/design';
import { measurementKey } from '../diagnosis/diagnose';
import type { Device, ReadingRecord } from '../design/schema';

/** A point that loses more than it once did. */
export interface Aged {
  first: ReadingRecord;
  last: ReadingRecord;
  /** Of the battery's volts lost on the way there and back, then and now, V. */
  lostV: [then: number, now: number];
}

/** How much more must be lost before it is a joint that goes bad and not the meter: by half, and a tenth of a volt. Common practice. */
const TIMES = 1.5;
const LEAST_V = 0.1;
/** Apart at least, days: two readings of one afternoon tell nothing of age. */
const APART_DAYS = 14;

/** Loads whose volts, read the same way with the battery's beside, have fallen since they were first read. */
export function agedReadings(design: Design): Aged[] {
  const series = new Map<string, ReadingRecord[]>();
  for (const reading of recordsOf(design, 'reading')) {
    if (reading.what.kind !== 'volts' || reading.batteryV === null || !isAcrossLoad(design, reading)) continue;
    const key = `${measurementKey(reading.what)} ${JSON.stringify(reading.moved)}`;
    series.set(key, [...(series.get(key) ?? []), reading]);
  }
  return [...series.values()].flatMap((readings): Aged[] => {
    const [first, ...later] = [...readings].sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0));
    const last = later.at(-1);
    if (!first || !last || Date.parse(last.on) - Date.parse(first.on) < APART_DAYS * 86_400_000) return [];
    const lost = ({ batteryV, value }: ReadingRecord) => batteryV! - value;
    const [then, now] = [lost(first), lost(last)];
    return now - then >= LEAST_V && now >= TIMES * then ? [{ first, last, lostV: [then, now] }] : [];
  });
}

function isAcrossLoad(design: Design, { what }: ReadingRecord): boolean {
  if (what.kind !== 'volts') return false;
  const device = design.records.get(what.at.deviceId) as Device | undefined;
  return device?.kind === 'load' && what.at.terminal === 'plus' && what.to?.deviceId === what.at.deviceId;
}
