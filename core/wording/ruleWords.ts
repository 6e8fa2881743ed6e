/** What a rule's words are told from: names and figures of its finding, each in its unit. */
export interface Teller {
  /** Name of the subject in that place. */
  name(place?: number): string;
  amps(key: string): string;
  rating(key: string): string;
  volts(key: string): string;
  percent(key: string): string;
  length(key: string): string;
  hours(key: string): string;
  watts(key: string): string;
  ampHours(key: string): string;
  conductor(): string;
  /** Millimetres as such: holes, depths and diameters. */
  mm(key: string): string;
  raw(key: string): string;
  /** Terminals one after another. */
  path(key: string): string;
  /** Controls moved from their rest, one after another. */
  positions(key: string): string;
  /** What was wished, and what became of it by what acts. */
  wish(): { says: string; outcome: string };
}

/** What a rule says of what it found. */
export interface RuleWords {
  title: string;
  message: (say: Teller) => string;
  why: string;
}
