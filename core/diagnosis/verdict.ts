import type { Expected } from './expect';

/** Whether a reading is as it should be: within what is expected, a little out, or plainly out. */
export type Verdict = 'pass' | 'doubtful' | 'fail';

/** Out by less than the whole width of what is expected may still be the battery's voltage read at another moment. Common practice. */
const DOUBTFUL_WIDTHS = 1;

export function verdictOf(value: number, { low, high }: Pick<Expected, 'low' | 'high'>): Verdict {
  if (value >= low && value <= high) return 'pass';
  const off = value < low ? low - value : value - high;
  return off <= DOUBTFUL_WIDTHS * (high - low) ? 'doubtful' : 'fail';
}
