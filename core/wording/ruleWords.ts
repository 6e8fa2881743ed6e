import type { Moved, RuleFigures } from '../analysis/figures';
import type { Rule } from '../analysis/finding';
import type { ConductorSize } from '../catalog/conductorSizes';
import type { TerminalRef } from '../design/schema';

/** Figures of that kind among a rule's. */
type Key<F, V> = { [K in keyof F]: F[K] extends V | null ? K : never }[keyof F];

/** What a rule’s words are told from: names and figures of its finding, each in its unit. */
export interface Teller<F> {
  /** Name of the subject in that place. */
  name(place?: number): string;
  /** The figures as they are. */
  figures: F;
  amps(key: Key<F, number>): string;
  rating(key: Key<F, number>): string;
  volts(key: Key<F, number>): string;
  percent(key: Key<F, number>): string;
  length(key: Key<F, number>): string;
  hours(key: Key<F, number>): string;
  watts(key: Key<F, number>): string;
  ampHours(key: Key<F, number>): string;
  conductor(key: Key<F, ConductorSize>): string;
  /** Millimetres as such: holes, depths and diameters. */
  mm(key: Key<F, number>): string;
  /** Terminals one after another. */
  path(key: Key<F, readonly TerminalRef[]>): string;
  /** Controls moved from their rest, one after another. */
  positions(key: Key<F, readonly Moved[]>): string;
  /** What was wished, and what became of it by what acts. */
  wish(): { says: string; outcome: string };
}

/** What a rule says of what it found. */
export interface RuleWords<F> {
  title: string;
  message: (say: Teller<F>) => string;
  why: string;
}

/** The words of some rules, each told from its own figures. */
export type WordsOf<R extends Rule> = { [K in R]: RuleWords<RuleFigures[K]> };
