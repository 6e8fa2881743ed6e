import { deviceOf, type Design } from '../design/design';
import { pointKey, readingsInOrder } from '../diagnosis/readings';
import type { ReadingRecord } from '../design/schema';
import { plusDays } from '../units/days';

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
  for (const reading of readingsInOrder(design)) {
    if (reading.batteryV === null || !isAcrossLoad(design, reading)) continue;
    const key = pointKey(reading);
    series.set(key, [...(series.get(key) ?? []), reading]);
  }
  return [...series.values()].flatMap((readings): Aged[] => {
    const [first, last] = [readings[0]!, readings.at(-1)!];
    if (last.on < plusDays(first.on, APART_DAYS)) return [];
    const lost = ({ batteryV, value }: ReadingRecord) => batteryV! - value;
    const [then, now] = [lost(first), lost(last)];
    return now - then >= LEAST_V && now >= TIMES * then ? [{ first, last, lostV: [then, now] }] : [];
  });
}

function isAcrossLoad(design: Design, { what }: ReadingRecord): boolean {
  if (what.kind !== 'volts') return false;
  return deviceOf(design, what.at.deviceId, 'load') !== null && what.at.terminal === 'plus' && what.to?.deviceId === what.at.deviceId;
}
