/**
 * The order in which unknowns are eliminated, and what each elimination touches.
 * Minimum degree: always the unknown with the fewest neighbours next. On a tree it fills in nothing, and a wiring system is
 * nearly a tree. Source: W. F. Tinney and J. W. Walker, Proc. IEEE 55 (1967), 1801.
 */
export interface EliminationOrder {
  /** Unknown eliminated at each step. */
  order: Int32Array;
  /** Step at which each unknown goes. */
  step: Int32Array;
  /** Later steps each step is joined to, ascending, when its turn comes. */
  joined: number[][];
  /** Steps before this one belong to unknowns marked steady; their part of the work need not be repeated. */
  steadySteps: number;
}

/** Orders `count` unknowns joined by `edges` (pairs). Steady ones of at most two neighbours go first: they are links of a chain. */
export function minimumDegree(
  count: number,
  edges: Iterable<readonly [number, number]>,
  isSteady: (unknown: number) => boolean,
): EliminationOrder {
  const neighbours: Set<number>[] = Array.from({ length: count }, () => new Set());
  for (const [a, b] of edges) {
    if (a === b) continue;
    neighbours[a]!.add(b);
    neighbours[b]!.add(a);
  }
  const order = new Int32Array(count);
  const step = new Int32Array(count).fill(-1);
  const touched: number[][] = [];
  let done = 0;
  const eliminate = (unknown: number) => {
    const around = Array.from(neighbours[unknown]!);
    for (const near of around) {
      const set = neighbours[near]!;
      set.delete(unknown);
      for (const other of around) if (other !== near) set.add(other);
    }
    order[done] = unknown;
    step[unknown] = done++;
    touched.push(around);
    return around;
  };

  const chain = Array.from({ length: count }, (_, unknown) => unknown).filter(isSteady);
  for (let at = 0; at < chain.length; at++) {
    const unknown = chain[at]!;
    if (step[unknown]! >= 0 || neighbours[unknown]!.size > 2) continue;
    for (const near of eliminate(unknown)) if (step[near]! < 0 && isSteady(near) && neighbours[near]!.size <= 2) chain.push(near);
  }
  const steadySteps = done;

  const byDegree: number[][] = [];
  const queue = (unknown: number) => (byDegree[neighbours[unknown]!.size] ??= []).push(unknown);
  for (let unknown = 0; unknown < count; unknown++) if (step[unknown]! < 0) queue(unknown);
  for (let degree = 0; done < count;) {
    const unknown = byDegree[degree]?.pop();
    if (unknown === undefined) degree++;
    else if (step[unknown]! < 0 && neighbours[unknown]!.size === degree) {
      const around = eliminate(unknown);
      around.forEach(queue);
      degree = Math.max(0, degree - 1);
    }
  }
  const joined = touched.map((around) => around.map((unknown) => step[unknown]!).sort((a, b) => a - b));
  return { order, step, joined, steadySteps };
}
