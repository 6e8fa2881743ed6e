/** Why a network has no answer. Every problem names the nodes or elements it is about; the words for a person are made from it. */
export type NetworkProblem =
  /** Nodes that no current can reach or leave: their voltage is not fixed by anything. */
  | { code: 'floating'; nodes: string[] }
  /** Voltage sources that close a ring of their own, so that nothing limits or shares the current in it. */
  | { code: 'sourceLoop'; elements: string[] }
  /** A value no real part has: not finite, or a resistance that is not positive. */
  | { code: 'impossibleValue'; elements: string[] }
  /** The nonlinear elements did not come to rest; the one named was farthest from it. */
  | { code: 'noConvergence'; elements: string[]; nodes: string[] };

const SAYS: Record<NetworkProblem['code'], string> = {
  floating: 'no path to the reference',
  sourceLoop: 'voltage sources in a ring with nothing between them',
  impossibleValue: 'a value no real part has',
  noConvergence: 'the network did not come to rest',
};

export class NetworkError extends Error {
  constructor(readonly problem: NetworkProblem) {
    const named = 'nodes' in problem && problem.code === 'floating' ? problem.nodes : 'elements' in problem ? problem.elements : [];
    super(`${SAYS[problem.code]}: ${named.slice(0, 12).join(', ')}${named.length > 12 ? ` and ${named.length - 12} more` : ''}`);
    this.name = 'NetworkError';
  }
}
