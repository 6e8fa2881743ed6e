import type { Judged } from '../../bench/judge';
import { isGiven } from '../../bench/usualWishes';
import type { Finding, Severity } from '../finding';
import type { Analysis } from '../types';

/** Wishes that the wiring breaks, and those of which nothing can be said yet. */
export function findWishes({ loads }: Analysis, wishes: readonly Judged[]): Finding[] {
  return wishes.flatMap((judged): Finding[] => {
    const { wish, verdict } = judged;
    const severity = severityOf(judged);
    if (verdict === 'kept' || severity === null) return [];
    const circuitId = loads.get(wish.loadId)?.circuitId ?? null;
    return [{ rule: `wish.${verdict}`, severity, subjects: [wish.loadId], circuitId, numbers: { place: wish.id }, judged }];
  });
}

/**
 * One's own wish that is broken does not work; what is given for safety should be kept; what is open is worth knowing, where somebody
 * asked.
 */
function severityOf({ wish, verdict }: Judged): Severity | null {
  if (verdict === 'broken') return isGiven(wish) ? 'caution' : 'fault';
  return isGiven(wish) ? null : 'note';
}
