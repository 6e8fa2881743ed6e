import type { ConductorSize } from '../catalog/conductorSizes';
import type { Change } from '../design/change';
import type { Prices } from './prices';
import type { Done } from './prepare';

/** What a proposal makes least of. */
export const MEASURES = ['cost', 'weight', 'drop'] as const;
export type Measure = (typeof MEASURES)[number];

export interface ProposalQuestion {
  /** The circuits to size; null: all of them. */
  circuitIds: readonly string[] | null;
  measure: Measure;
  prices: Prices;
}

/** What held a circuit from being smaller still. */
export type ProposalGovernor = 'minimum' | 'ampacity' | 'fuse' | 'drop' | 'clearing' | 'start' | 'selectivity' | 'asItIs' | 'smallest';

/** One circuit before and after. */
export interface ProposedCircuit {
  circuitId: string;
  /** What it is called; a circuit only now proposed is in no design yet. */
  name: string;
  before: Sized;
  after: Sized;
  governedBy: ProposalGovernor;
  /** No size and fuse keep every rule: it stays as it is, or gets what keeps all of them but its drop where it broke more than that. */
  stuck: boolean;
}

export interface Sized {
  conductor: ConductorSize | null;
  ratingA: number;
  dropPercent: number;
  cost: number;
  /** Copper of its own wires, kg. */
  weightKg: number;
}

export interface Proposal {
  change: Change;
  circuits: ProposedCircuit[];
  /**
   * What is done besides: circuits made, slots given, shared cables and main protection put right, trunks brought down; and what was left
   * alone, and why.
   */
  first: Done[];
  /** Sum of the measure over the circuits looked at, before and after: money, kg, or percent of drop. */
  before: number;
  after: number;
}
