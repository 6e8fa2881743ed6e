import type { Design } from '../design/design';
import { recordsOf } from '../design/design';
import type { ReadingRecord } from '../design/schema';
import { sameRecord } from '../design/change';
import { measurementKey, type Measurement } from './diagnose';
import type { Expected } from './expect';
import type { Moved } from './foresee';

/** Whether a reading is as it should be: within what is expected, a little out, or plainly out. */
export type Verdict = 'pass' | 'doubtful' | 'fail';

/** Out by less than the whole width of what is expected may still be the battery's voltage read at another moment. Common practice. */
const DOUBTFUL_WIDTHS = 1;

export function verdictOf(value: number, { low, high }: Pick<Expected, 'low' | 'high'>): Verdict {
  if (value >= low && value <= high) return 'pass';
  const off = value < low ? low - value : value - high;
  return off <= DOUBTFUL_WIDTHS * (high - low) ? 'doubtful' : 'fail';
}

/** What a reading would have been at another voltage of the battery: everything in a circuit goes up and down with it, near enough for a verdict. */
export function atBattery({ what, value, batteryV }: ReadingRecord, otherV: number | null): number {
  // Nobody looks which way round a clamp is.
  const read = what.kind === 'amps' ? Math.abs(value) : value;
  return batteryV === null || batteryV === 0 || otherV === null ? read : (read * otherV) / batteryV;
}

/** The last reading taken of a point in a state; null where none was. */
export function readingOf(design: Design, what: Measurement, moved: readonly Moved[]): ReadingRecord | null {
  const key = measurementKey(what);
  return recordsOf(design, 'reading').findLast((one) => measurementKey(one.what) === key && sameRecord(one.moved, moved)) ?? null;
}
