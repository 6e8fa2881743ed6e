/** A step from one node to another, nodes by name. */
export interface OhmStep<Via> {
  to: string;
  ohm: number;
  via: Via;
}

/**
 * Of every node that can be reached from a root the last step of the way of least resistance to it. Source: Dijkstra 1959.
 * Of steps of one resistance the first listed.
 */
export function leastOhmSteps<Via>(
  root: string,
  stepsFrom: (node: string) => readonly OhmStep<Via>[],
): Map<string, { from: string; via: Via }> {
  const best = new Map<string, { from: string; via: Via }>();
  const open = new Map<string, { ohm: number; last: { from: string; via: Via } | null }>([[root, { ohm: 0, last: null }]]);
  const done = new Set<string>();
  while (open.size > 0) {
    let [here, least] = [root, Infinity];
    for (const [node, { ohm }] of open) if (ohm < least) [here, least] = [node, ohm];
    const { last } = open.get(here)!;
    open.delete(here);
    done.add(here);
    if (last) best.set(here, last);
    for (const { to, ohm, via } of stepsFrom(here)) {
      if (done.has(to) || (open.get(to)?.ohm ?? Infinity) <= least + ohm) continue;
      open.set(to, { ohm: least + ohm, last: { from: here, via } });
    }
  }
  return best;
}
