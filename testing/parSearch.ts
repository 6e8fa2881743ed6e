/** Something that may be wrong: how likely, what mends it, and what each measurement would fall into. */
export interface Suspected {
  share: number;
  repair: string;
  /** A class of readings a measurement, by its place: two of one class cannot be told apart by it. */
  reads: readonly number[];
}

/**
 * The fewest measurements, in the mean, that any way of choosing them needs until one repair is left, found by trying every one after every
 * answer. What no measurement tells apart needs none.
 */
export function fewestMeasurements(suspects: readonly Suspected[]): number {
  const known = new Map<string, number>();
  const count = suspects[0]?.reads.length ?? 0;
  const best = (left: readonly number[]): number => {
    if (new Set(left.map((at) => suspects[at]!.repair)).size < 2) return 0;
    const key = left.join();
    const before = known.get(key);
    if (before !== undefined) return before;
    const whole = left.reduce((sum, at) => sum + suspects[at]!.share, 0);
    let least = Infinity;
    const tried = new Set<string>();
    for (let measure = 0; measure < count; measure++) {
      const parts = new Map<number, number[]>();
      for (const at of left) {
        const read = suspects[at]!.reads[measure]!;
        parts.set(read, [...(parts.get(read) ?? []), at]);
      }
      if (parts.size < 2) continue;
      const split = Array.from(parts.values(), (part) => part.join()).sort().join(';'); // prettier-ignore
      if (tried.has(split)) continue;
      tried.add(split);
      let cost = 1;
      for (const part of parts.values()) {
        if (cost >= least) break;
        cost += (part.reduce((sum, at) => sum + suspects[at]!.share, 0) / whole) * best(part);
      }
      least = Math.min(least, cost);
    }
    const found = least === Infinity ? 0 : least;
    known.set(key, found);
    return found;
  };
  return best(suspects.map((_, at) => at));
}

/** Readings in classes: those closer together than a meter tells are one. */
export function classesOf(values: readonly number[], spread: (value: number) => number): number[] {
  const order = values.map((value, at) => ({ value, at })).sort((a, b) => a.value - b.value);
  const classes = new Array<number>(values.length).fill(0);
  let now = 0;
  order.forEach(({ value, at }, place) => {
    const before = order[place - 1];
    if (before && value - before.value > 3 * spread(value)) now++;
    classes[at] = now;
  });
  return classes;
}
