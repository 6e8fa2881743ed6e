import type { Finding } from '../analysis/finding';
import { findInNetwork } from '../analysis/rules/networkRules';
import type { Analysis } from '../analysis/types';

/**
 * Findings a design has more and fewer of than another one, notes left out. What only the solved network shows counts too, on both sides.
 */
export function whatItBrings(before: Analysis, after: Analysis): { brought: Finding[]; ended: number } {
  return broughtBy([...before.findings, ...findInNetwork(before)], [...after.findings, ...findInNetwork(after)]);
}

/** The same of findings that are known. */
export function broughtBy(before: readonly Finding[], after: readonly Finding[]): { brought: Finding[]; ended: number } {
  const [now, next] = [before, after].map((found) => found.filter(({ severity }) => severity !== 'note'));
  const keyed = (finding: Finding) => `${finding.rule} ${finding.circuitId ?? finding.subjects[0]}`;
  const [known, later] = [now, next].map((found) => new Set(found!.map(keyed)));
  return {
    brought: next!.filter((finding) => !known!.has(keyed(finding))),
    ended: now!.filter((finding) => !later!.has(keyed(finding))).length,
  };
}
