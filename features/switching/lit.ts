import type { LoadAnswer } from '@/core/bench/bench';
import { answerWord } from '@/core/wording/benchWords';

/** How a load is lit. */
export type Lit = Pick<LoadAnswer, 'state' | 'level'> & { blinks?: LoadAnswer['blinks'] | undefined };

/** How far it is lit, as it is drawn: finer differences nobody sees. */
export function litOf({ state, level, blinks }: LoadAnswer): Lit {
  return { state, level: Math.round(level * 50) / 50, blinks };
}

/** Whether a load is drawn as before and called the same. */
export function isDrawnAlike(one: LoadAnswer | undefined, other: LoadAnswer | undefined): boolean {
  if (one === other) return true;
  return one !== undefined && other !== undefined && litOf(one).level === litOf(other).level && answerWord(one) === answerWord(other);
}
