import type { Design } from '../design/design';
import { nameOf } from '../design/names';
import { ownersOf, type NetworkProblem } from '../network/networkError';

export const NETWORK_WORDS: Record<NetworkProblem['code'], string> = {
  floating: 'no path to the reference',
  sourceLoop: 'voltage sources in a ring with nothing between them',
  impossibleValue: 'a value no real part has',
  noConvergence: 'the network did not come to rest',
};

/** Names told before the rest are only counted. */
const MOST_NAMES = 12;

/** Why a network has no answer, and what of it is to blame: parts by their names in a design, or as the netlist calls them. */
export function networkWords(problem: NetworkProblem, design?: Design): string {
  const named = design ? ownersOf(problem).map((id) => nameOf(design, id)) : problem.code === 'floating' ? problem.nodes : problem.elements;
  const more = named.length > MOST_NAMES ? ` and ${named.length - MOST_NAMES} more` : '';
  return `${NETWORK_WORDS[problem.code]}: ${named.slice(0, MOST_NAMES).join(', ')}${more}`;
}
