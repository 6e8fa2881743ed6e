/** The currents a set of loads can ask for, amperes. */
export interface Demand {
  /** Every load added up. */
  connectedA: number;
  /** Loads that run for hours. */
  continuousA: number;
  /** The most that can flow at once: of sides that exclude each other only the largest counts. */
  peakA: number;
}

export interface DemandLoad {
  amps: number;
  continuous: boolean;
  /** Where it stands among loads that exclude each other; null where the wiring excludes nothing. */
  side: Side | null;
}

/** One side of a choice: what is on one side runs together, never with what is on another of the same choice. */
export interface Side {
  choice: string;
  side: string;
}

type Sides = Map<string, { amps: number; continuousA: number }>;

/** Adds loads up as they are found along a tree of wires, keeping the sides of choices apart. */
export class DemandSum {
  connectedA = 0;
  private alwaysA = 0;
  private alwaysContinuousA = 0;
  private choices: Map<string, Sides> | null = null;

  addLoad({ amps, continuous, side }: DemandLoad): void {
    this.connectedA += amps;
    if (side === null) {
      this.alwaysA += amps;
      if (continuous) this.alwaysContinuousA += amps;
    } else this.addToSide(side.choice, side.side, amps, continuous ? amps : 0);
  }

  addSum(other: DemandSum): void {
    this.connectedA += other.connectedA;
    this.alwaysA += other.alwaysA;
    this.alwaysContinuousA += other.alwaysContinuousA;
    other.choices?.forEach((sides, choice) =>
      sides.forEach(({ amps, continuousA }, side) => this.addToSide(choice, side, amps, continuousA)),
    );
  }

  get peakA(): number {
    let sum = this.alwaysA;
    this.choices?.forEach((sides) => (sum += most(sides, 'amps')));
    return sum;
  }

  get continuousA(): number {
    let sum = this.alwaysContinuousA;
    this.choices?.forEach((sides) => (sum += most(sides, 'continuousA')));
    return sum;
  }

  demand(): Demand {
    return { connectedA: this.connectedA, continuousA: this.continuousA, peakA: this.peakA };
  }

  private addToSide(choice: string, side: string, amps: number, continuousA: number): void {
    this.choices ??= new Map();
    const sides = this.choices.get(choice) ?? new Map<string, { amps: number; continuousA: number }>();
    this.choices.set(choice, sides);
    const known = sides.get(side);
    sides.set(side, { amps: (known?.amps ?? 0) + amps, continuousA: (known?.continuousA ?? 0) + continuousA });
  }
}

function most(sides: Sides, of: 'amps' | 'continuousA'): number {
  let largest = 0;
  for (const side of sides.values()) largest = Math.max(largest, side[of]);
  return largest;
}

export function demandOf(loads: Iterable<DemandLoad>): Demand {
  const sum = new DemandSum();
  for (const load of loads) sum.addLoad(load);
  return sum.demand();
}
