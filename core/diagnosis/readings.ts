import { recordsOf, type Design } from '../design/design';
import type { ReadingRecord } from '../design/schema';
import { measurementKey, type Measurement } from './diagnose';
import type { Moved } from './foresee';

/**
 * What a reading would have been at another voltage of the battery: everything in a circuit goes up and down with it, near enough for a
 * verdict.
 */
export function atBattery({ what, value, batteryV }: ReadingRecord, otherV: number | null): number {
  // Nobody looks which way round a clamp is.
  const read = what.kind === 'amps' ? Math.abs(value) : value;
  return batteryV === null || batteryV === 0 || otherV === null ? read : (read * otherV) / batteryV;
}

/** The unit a measurement reads in. */
export const unitOf = ({ kind }: Measurement) => (kind === 'volts' ? 'V' : 'A');

/** What was moved, as one text. */
const movesKey = (moved: readonly Moved[]) =>
  moved.map(({ mover, position }) => `${mover.kind === 'device' ? mover.deviceId : 'vehicle'} ${mover.control} ${position}`).join(', ');

/** A point and what was moved before: of two readings of one such the later says how it is now. */
export function pointKey({ what, moved }: { what: Measurement; moved: readonly Moved[] }): string {
  return `${measurementKey(what)} with ${movesKey(moved)}`;
}

/** All readings as they were taken, the oldest first; of one day as they were written down. */
export function readingsInOrder(design: Design): ReadingRecord[] {
  return recordsOf(design, 'reading').sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0));
}

/** The last reading of every point in every state; what was read there before is history. */
export function lastReadings(design: Design): ReadingRecord[] {
  return [...new Map(readingsInOrder(design).map((reading) => [pointKey(reading), reading])).values()];
}

/** The last reading taken of a point in a state; null where none was. */
export function readingOf(design: Design, what: Measurement, moved: readonly Moved[]): ReadingRecord | null {
  const key = pointKey({ what, moved });
  return readingsInOrder(design).findLast((one) => pointKey(one) === key) ?? null;
}

/** Readings of one state at one voltage of the battery: one solving of the network. */
export interface Moment {
  moved: ReadingRecord['moved'];
  batteryV: number | null;
  readings: ReadingRecord[];
}

export function momentsOf(readings: readonly ReadingRecord[]): Moment[] {
  const moments = new Map<string, Moment>();
  for (const reading of readings) {
    const { moved, batteryV } = reading;
    const key = `${batteryV} ${movesKey(moved)}`;
    const moment = moments.get(key) ?? { moved, batteryV, readings: [] };
    moment.readings.push(reading);
    moments.set(key, moment);
  }
  return [...moments.values()];
}
