import type { Answer, LoadAnswer } from './bench';

/** A load that does something else than before. */
export interface LoadChange {
  id: string;
  from: LoadAnswer;
  to: LoadAnswer;
}

/** A change of its share of power that a person sees. Common practice. */
export const SEEN_SHARE = 0.04;

/** What one act changed: loads that went on, off or to another level. */
export function changedLoads(before: Answer, after: Answer): LoadChange[] {
  const were = new Map(before.loads.map((load) => [load.id, load]));
  return after.loads.flatMap((to) => {
    const from = were.get(to.id);
    if (!from || (from.state === to.state && Math.abs(from.level - to.level) < SEEN_SHARE)) return [];
    return [{ id: to.id, from, to }];
  });
}
