import type { Judged } from '../bench/judge';
import type { RuleFigures } from './figures';

/** How bad: a fault can burn or not work and must be put right; a caution should be; a note is worth knowing. */
export type Severity = 'fault' | 'caution' | 'note';

const RANK: Record<Severity, number> = { fault: 0, caution: 1, note: 2 };

/** 0 for the worst. */
export function severityRank(severity: Severity): number {
  return RANK[severity];
}

export type Rule = keyof RuleFigures;

/** Something a rule found: plain data. wording.ts puts it into words, remedies.ts into changes. */
export interface FindingOf<R extends Rule> {
  rule: R;
  severity: Severity;
  /** The records it is about, the one to look at first in front. */
  subjects: string[];
  /** The circuit it belongs to, if any. */
  circuitId: string | null;
  /** The figures behind it. */
  numbers: RuleFigures[R];
  /** The wish it is about and what became of it, where it is about one. */
  judged?: Judged;
}

/** Known by its rule, and with it its figures. */
export type Finding = { [R in Rule]: FindingOf<R> }[Rule];

/** A finding, held to the figures of its rule. */
export function finding<R extends Rule>(
  rule: R,
  severity: Severity,
  subjects: string[],
  numbers: RuleFigures[R],
  circuitId: string | null = null,
): Finding {
  // Which of the rules it is only the caller knows.
  return { rule, severity, subjects, circuitId, numbers } satisfies FindingOf<R> as unknown as Finding;
}

export type SourceRule = Extract<Rule, `${'solar' | 'alternator' | 'charger' | 'battery'}.${string}` | 'relay.chargeOver'>;
export type FeedRule = Extract<Rule, `feed.${string}`>;
/** The first word of a rule’s name: what it is about. */
export type RuleFamily = Rule extends `${infer First}.${string}` ? First : never;
/** Fuses in a chain, and contacts. */
export type CoordinationRule =
  | Extract<
      Rule,
      `contact.${string}` | `joint.${string}` | 'relay.bareCoil' | 'ground.crowded' | 'return.thinnerThanFeed' | 'wire.spoiltFirst'
    >
  | Extract<Rule, 'fuse.cannotBreak' | 'fuse.backedUp' | 'fuse.voltage' | 'fuse.neverClears' | 'fuse.slowToClear' | 'fuse.opensAtStart'>
  | Extract<Rule, 'fuse.aheadOpensFirst' | 'fuse.notSelective' | 'fuse.partlySelective'>;
/** What is taken from the vehicle's own wiring. */
export type WorkRule = Extract<Rule, `work.${string}`>;
/** How it is built and tested: what was done out of its order, and what was read. */
export type BuildRule = Extract<Rule, `build.${string}`>;
/** The wiring as drawn: shorts, rings, missing returns. */
export type WiringRule = Extract<Rule, `wiring.${string}`>;
/** What switches the wrong way. */
export type SwitchingRule = Extract<Rule, `switching.${string}`>;
/** Wires as they are coloured, numbered and ended. */
export type HarnessRule = Extract<Rule, `harness.${string}`>;
/** What loads shall do. */
export type WishRule = Extract<Rule, `wish.${string}`>;
export type VehicleRule = Extract<Rule, `vehicle.${string}`>;
/** What the controls can bring about, and what two ways reach. */
export type ReachRule = Extract<Rule, `reach.${string}`>;
export type RigRule = Extract<Rule, `rig.${string}`>;

/** What is wrong where: by circuit where there is one, since the same fault may name another of its wires after a change. */
export function whereKey({ rule, circuitId, subjects }: Finding): string {
  return `${rule} ${circuitId ?? subjects[0]}`;
}

/** Names a finding among all of a design's. Two passages of one stretch may each have theirs: those have a place. */
export function findingKey({ rule, subjects, numbers }: Finding): string {
  return [`${rule}:${subjects.join(',')}`, ...('place' in numbers ? [numbers.place] : [])].join('@');
}
