import type { Design } from '../../design/design';

/** A question with its answers, one of them right, each wrong one a mistake that people make. */
export interface Question {
  asks: string;
  /** What is drawn beside it. */
  board?: Design;
  /** What is read or known, in rows under one another. */
  table?: { head: readonly string[]; rows: readonly (readonly string[])[] };
  options: readonly Option[];
  /** How the right one is come by. */
  explains: string;
}

export interface Option {
  says: string;
  isRight: boolean;
  /** Of a wrong one: what was done to come to it. */
  why: string;
}

/** A wrong answer and the mistake behind it. */
export type Wrong = readonly [says: string, why: string];
export type Random = () => number;
/** Makes a question from a stream of numbers; null where what was drawn makes none. */
export type Generator = (random: Random) => Question | null;

/** A question needs so many wrong answers at least. */
const LEAST_WRONG = 2;
const MOST_WRONG = 3;

export const pick = <T>(random: Random, list: readonly T[]): T => list[Math.floor(random() * list.length)]!;

export function shuffled<T>(random: Random, list: readonly T[]): T[] {
  const left = [...list];
  return list.map(() => left.splice(Math.floor(random() * left.length), 1)[0]!);
}

/** A whole number from one to another. */
export const whole = (random: Random, from: number, to: number) => from + Math.floor(random() * (to - from + 1));

/** Puts a question together; null where too few answers differ from the right one and from one another. */
export function ask(
  random: Random,
  asks: string,
  right: string,
  wrongs: readonly Wrong[],
  explains: string,
  more: Pick<Question, 'board' | 'table'> = {},
): Question | null {
  const others = wrongs.filter(([says], at) => says !== right && wrongs.findIndex((one) => one[0] === says) === at).slice(0, MOST_WRONG);
  if (others.length < LEAST_WRONG) return null;
  const options = [{ says: right, isRight: true, why: '' }, ...others.map(([says, why]): Option => ({ says, isRight: false, why }))];
  const isLettered = options.every(({ says }) => /^[A-E]$/.test(says));
  const ordered = isLettered ? options.sort((a, b) => (a.says < b.says ? -1 : 1)) : shuffled(random, options);
  return { asks, ...more, options: ordered, explains };
}
