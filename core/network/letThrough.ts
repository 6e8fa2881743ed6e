/** A load as its current gets home: the fuse next ahead of it, what it draws, and the group of which only one runs at once. */
export interface GuardedLoad {
  fuseId: string | null;
  amps: number;
  exclusiveGroup: string | null;
}

/** The fuses and breakers of a design as they stand behind each other. */
export interface FuseChain {
  ratingOf(fuseId: string): number;
  /** The one next ahead; null for the first. */
  aheadOf(fuseId: string): string | null;
}

/** What may flow for as long as no fuse opens, A. */
export interface LetThrough {
  amps: number;
  /** The one fuse that alone holds it to that; null where several add up. */
  limitedBy: string | null;
}

/**
 * The most that a set of loads can send home together without any fuse opening: every fuse next ahead of one may pass its rating, for a
 * fault may lie anywhere behind it, and a fuse ahead of several holds their sum to its own rating. Of fuses whose loads here all exclude
 * each other only the largest counts. A load behind no fuse counts with its draw. Source: Kirchhoff's current law on the tree of fuses.
 */
export function letThrough(loads: Iterable<GuardedLoad>, chain: FuseChain): LetThrough {
  const top: Behind = { groups: new Set(), fuses: new Set() };
  const behind = new Map<string, Behind>();
  const known = (fuseId: string): Behind => {
    let entry = behind.get(fuseId);
    if (entry) return entry;
    behind.set(fuseId, (entry = { groups: new Set(), fuses: new Set() }));
    const ahead = chain.aheadOf(fuseId);
    (ahead === null ? top : known(ahead)).fuses.add(fuseId);
    return entry;
  };
  const unguarded = new Passing();
  for (const { fuseId, amps, exclusiveGroup } of loads) {
    if (fuseId === null) unguarded.add(amps, exclusiveGroup);
    else known(fuseId).groups.add(exclusiveGroup);
  }
  const passing = (fuseId: string): Passing => {
    const { groups, fuses } = behind.get(fuseId)!;
    const ratingA = chain.ratingOf(fuseId);
    const sum = Passing.ofAll(Array.from(fuses, passing));
    // A fault straight behind it may send all of its rating home.
    if (groups.size > 0) sum.add(ratingA, groups.size === 1 ? [...groups][0]! : null);
    return sum.heldTo(ratingA, fuseId);
  };
  const sum = Passing.ofAll([...Array.from(top.fuses, passing), unguarded]);
  return { amps: sum.amps, limitedBy: sum.limitedBy };
}

/** What stands next behind a fuse: loads, by the groups they are of, and other fuses. */
interface Behind {
  groups: Set<string | null>;
  fuses: Set<string>;
}

const NO_GROUPS = new Map<string, number>();

/** Currents that add up, and groups of which only the largest counts. */
class Passing {
  private always = 0;
  private groups = NO_GROUPS;
  limitedBy: string | null = null;

  static ofAll(parts: readonly Passing[]): Passing {
    const sum = new Passing();
    const some = parts.filter(({ amps }) => amps > 0);
    for (const { always, groups } of some) {
      sum.always += always;
      for (const [group, amps] of groups) sum.add(amps, group);
    }
    if (some.length === 1) sum.limitedBy = some[0]!.limitedBy;
    return sum;
  }

  get amps(): number {
    let sum = this.always;
    for (const amps of this.groups.values()) sum += amps;
    return sum;
  }

  add(amps: number, group: string | null): void {
    if (group === null) this.always += amps;
    else {
      if (this.groups === NO_GROUPS) this.groups = new Map();
      this.groups.set(group, Math.max(this.groups.get(group) ?? 0, amps));
    }
  }

  /** As much of it as a fuse passes. */
  heldTo(ratingA: number, fuseId: string): Passing {
    if (this.amps < ratingA) return this;
    const held = new Passing();
    const only = this.always === 0 && this.groups.size === 1 ? [...this.groups.keys()][0]! : null;
    held.add(ratingA, only);
    held.limitedBy = fuseId;
    return held;
  }
}
