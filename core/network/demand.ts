/** The currents a set of loads can ask for, amperes. */
export interface Demand {
  /** Every load added up. */
  connectedA: number;
  /** Loads that run for hours. */
  continuousA: number;
  /** The most that can flow at once: of loads that exclude each other only the largest counts. */
  peakA: number;
}

export interface DemandLoad {
  amps: number;
  continuous: boolean;
  exclusiveGroup: string | null;
}

/** Adds loads up as they are found along a tree of wires, keeping groups of mutually exclusive loads apart. */
export class DemandSum {
  connectedA = 0;
  private alwaysA = 0;
  private alwaysContinuousA = 0;
  private groups: Map<string, { peakA: number; continuousA: number }> | null = null;

  addLoad({ amps, continuous, exclusiveGroup }: DemandLoad): void {
    this.connectedA += amps;
    if (exclusiveGroup === null) {
      this.alwaysA += amps;
      if (continuous) this.alwaysContinuousA += amps;
    } else this.addToGroup(exclusiveGroup, amps, continuous ? amps : 0);
  }

  addSum(other: DemandSum): void {
    this.connectedA += other.connectedA;
    this.alwaysA += other.alwaysA;
    this.alwaysContinuousA += other.alwaysContinuousA;
    other.groups?.forEach(({ peakA, continuousA }, group) => this.addToGroup(group, peakA, continuousA));
  }

  get peakA(): number {
    let sum = this.alwaysA;
    this.groups?.forEach(({ peakA }) => (sum += peakA));
    return sum;
  }

  get continuousA(): number {
    let sum = this.alwaysContinuousA;
    this.groups?.forEach(({ continuousA }) => (sum += continuousA));
    return sum;
  }

  demand(): Demand {
    return { connectedA: this.connectedA, continuousA: this.continuousA, peakA: this.peakA };
  }

  private addToGroup(group: string, peakA: number, continuousA: number): void {
    this.groups ??= new Map();
    const known = this.groups.get(group);
    if (!known) this.groups.set(group, { peakA, continuousA });
    else this.groups.set(group, { peakA: Math.max(known.peakA, peakA), continuousA: Math.max(known.continuousA, continuousA) });
  }
}

export function demandOf(loads: Iterable<DemandLoad>): Demand {
  const sum = new DemandSum();
  for (const load of loads) sum.addLoad(load);
  return sum.demand();
}
