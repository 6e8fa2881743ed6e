import type { Finding, Rule } from '../analysis/finding';
import type { CircuitAnalysis } from '../analysis/types';
import { areaMm2, type ConductorSize } from '../catalog/conductorSizes';
import type { Change } from '../design/change';
import { recordOf, type Design } from '../design/design';
import { Edit } from '../design/edit';
import type { ProposalGovernor } from './proposal';

/** The thickest conductor a yellow terminal takes, mm²: least drop is not sought beyond it where rules do not ask for more. */
export const YELLOW_MM2 = 6;

/** Rules a conductor and a fuse can break or keep, each with what it governs by. */
export const GOVERNED: Partial<Record<Rule, ProposalGovernor>> = {
  'wire.overloaded': 'ampacity',
  'wire.tooSmallForStandard': 'ampacity',
  'wire.belowMinimum': 'minimum',
  'fuse.aboveConductor': 'fuse',
  'return.thinnerThanFuse': 'fuse',
  'return.sharedThin': 'fuse',
  'lead.belowFuses': 'fuse',
  'return.thinnerThanFeed': 'fuse',
  'fuse.belowLoad': 'fuse',
  'fuse.continuousLoad': 'fuse',
  'slot.overRating': 'fuse',
  'slot.doubledUp': 'fuse',
  'fuse.aboveDevice': 'fuse',
  'drop.overTarget': 'drop',
  'drop.realCable': 'drop',
  'drop.starved': 'drop',
  'fuse.neverClears': 'clearing',
  'fuse.slowToClear': 'clearing',
  'wire.spoiltFirst': 'clearing',
  'fuse.opensAtStart': 'start',
  'fuse.aheadOpensFirst': 'selectivity',
  'fuse.notSelective': 'selectivity',
};

export interface Candidate {
  conductor: ConductorSize;
  ratingA: number;
  value: number;
}

/** A circuit on its way to the least pair of one conductor and one fuse that breaks no rule: what may still be tried, the best first. */
export interface Search {
  circuit: CircuitAnalysis;
  candidates: Candidate[];
  at: number;
  /** Pairs that would break a rule with one that was tried. */
  passedOver: Set<number>;
  /** Why each conductor was refused, by the fuse tried on it. */
  refused: Map<ConductorSize, Map<number, ProposalGovernor>>;
  /** Runs through wires of another that is being sized too: what refuses one of its pairs may be the other’s doing. */
  entwined: boolean;
  /** Whether it keeps every rule as it is, though it may lose too much as wired: then nothing but a better pair takes its place. */
  keepsRules: boolean;
  /** As it is, when that keeps its target as wired too: what must be beaten. */
  asItIs: number | null;
  /** Pairs that broke nothing but the drop. */
  onlyDrop: number[];
  /** The first pair that kept every rule but lost too much in fuses, contacts and joints. */
  byFormula: number | null;
}

export const wiresOf = ({ supplyWireIds, returnWireIds }: CircuitAnalysis) => [...supplyWireIds, ...returnWireIds];

/** How many of some circuits run through each of their wires. */
export function countUsers(circuits: readonly CircuitAnalysis[]): Map<string, number> {
  const users = new Map<string, number>();
  for (const circuit of circuits) for (const id of new Set(wiresOf(circuit))) users.set(id, (users.get(id) ?? 0) + 1);
  return users;
}

/** Which other fuses on the same conductor would break a rule with the one tried. */
type OthersRefused = 'none' | 'larger' | 'all';

/** On to the next pair that may do. Those with one conductor stand next to each other, since they are worth the same. */
export function refuse(search: Search, governor: ProposalGovernor, also: OthersRefused): void {
  const { candidates, passedOver, refused, at } = search;
  const { conductor, ratingA } = candidates[at]!;
  const known = refused.get(conductor) ?? new Map<number, ProposalGovernor>();
  refused.set(conductor, known.set(ratingA, governor));
  for (let other = at + 1; also !== 'none' && candidates[other]?.conductor === conductor; other++) {
    const rating = candidates[other]!.ratingA;
    if (also === 'larger' && rating < ratingA) continue;
    known.set(rating, governor);
    passedOver.add(other);
  }
  do search.at += 1;
  while (passedOver.has(search.at));
}

/** Rules that a conductor breaks whatever fuse stands before it. */
const WHATEVER_THE_FUSE: ReadonlySet<Rule> = new Set(['wire.overloaded', 'wire.tooSmallForStandard', 'wire.belowMinimum']);
/** Rules that a fuse too large for its conductor breaks, and every larger one with it. */
const TOO_LARGE: ReadonlySet<Rule> = new Set(['fuse.aboveConductor', 'return.thinnerThanFuse', 'fuse.neverClears', 'wire.spoiltFirst']);

/** What a pair is refused for, and what else with it. */
export function refusalBy(broken: readonly Finding[], entwined: boolean): { governor: ProposalGovernor; also: OthersRefused } {
  const governor = governorBy(broken[0]!);
  if (broken.every((finding) => isDrop(finding) || WHATEVER_THE_FUSE.has(finding.rule))) return { governor, also: 'all' };
  if (entwined) return { governor, also: 'none' };
  const byConductor = broken.find(({ rule }) => WHATEVER_THE_FUSE.has(rule));
  if (byConductor) return { governor: governorBy(byConductor), also: 'all' };
  return { governor, also: broken.some(({ rule }) => TOO_LARGE.has(rule)) ? 'larger' : 'none' };
}

export function governorBy({ rule }: Finding): ProposalGovernor {
  return GOVERNED[rule] ?? 'fuse';
}

export function isDrop({ rule }: Pick<Finding, 'rule'>): boolean {
  return GOVERNED[rule] === 'drop';
}

/**
 * For a circuit that no pair keeps within every rule, and that breaks more than its drop now: the pair that breaks nothing else, the
 * thickest that usual terminals take, so that what can burn is mended all the same. Null where there is none, or nothing but the drop is
 * wrong.
 */
export function allButDrop({ candidates, onlyDrop }: Search, broken: readonly Finding[]): number | null {
  if (broken.every(isDrop)) return null;
  const ascending = [...onlyDrop].sort((a, b) => areaMm2(candidates[a]!.conductor) - areaMm2(candidates[b]!.conductor));
  return ascending.findLast((at) => areaMm2(candidates[at]!.conductor) <= YELLOW_MM2 * 1.001) ?? ascending[0] ?? null;
}

/** Why nothing thinner would do: what refused the next thinner conductor with the fuse chosen, or with the smallest one tried on it. */
export function governorOf({ candidates, at, refused }: Search): ProposalGovernor {
  const chosen = candidates[Math.min(at, candidates.length - 1)];
  const thinner = Array.from(refused.keys())
    .filter((size) => !chosen || areaMm2(size) < areaMm2(chosen.conductor))
    .sort((a, b) => areaMm2(b) - areaMm2(a))[0];
  if (!thinner) return 'smallest';
  const byRating = refused.get(thinner)!;
  return byRating.get(chosen?.ratingA ?? NaN) ?? byRating.get(Math.min(...byRating.keys()))!;
}

/**
 * The sizes all of them stand at. A wire that several run through has that of the one that asks for most, one that stays as it is among
 * them.
 */
export function changeFor(design: Design, searches: readonly Search[]): Change {
  const edit = new Edit(design);
  const asked = new Map<string, ConductorSize>();
  for (const { circuit, candidates, at } of searches) {
    const chosen = candidates[at];
    if (chosen) edit.set(circuit.protectionId, { ratingA: chosen.ratingA });
    for (const id of wiresOf(circuit)) {
      const conductor = chosen?.conductor ?? recordOf(design, id, 'wire')!.conductor;
      const other = asked.get(id);
      if (!other || areaMm2(conductor) > areaMm2(other)) asked.set(id, conductor);
    }
  }
  for (const [id, conductor] of asked) if (recordOf(design, id, 'wire')!.conductor !== conductor) edit.set(id, { conductor });
  return edit.change;
}
