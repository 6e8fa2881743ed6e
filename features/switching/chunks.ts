import type { LoadAnswer } from '@/core/bench/bench';
import { answerWord } from '@/core/wording/benchWords';
import { litOf } from './LoadShape';

/** So many rows are drawn, or left alone, together: what is out of sight costs nothing, and where nothing changed nobody asks row by row. */
const ROWS = 16;

/** A list in parts of a few rows, in its order. */
export function inChunks<T>(list: readonly T[]): T[][] {
  return Array.from({ length: Math.ceil(list.length / ROWS) }, (_, at) => list.slice(at * ROWS, (at + 1) * ROWS));
}

/** Whether a load is drawn as before and called the same. */
export function isDrawnAlike(one: LoadAnswer | undefined, other: LoadAnswer | undefined): boolean {
  if (one === other) return true;
  if (!one || !other || one.state !== other.state || one.blinks !== other.blinks) return false;
  return litOf(one).level === litOf(other).level && answerWord(one) === answerWord(other);
}
