/** Why a network has no answer. Every problem names the nodes or elements it is about; `wording/networkWords.ts` says it. */
export type NetworkProblem =
  /** Nodes that no current can reach or leave: their voltage is not fixed by anything. */
  | { code: 'floating'; nodes: string[] }
  /** Voltage sources that close a ring of their own, so that nothing limits or shares the current in it. */
  | { code: 'sourceLoop'; elements: string[] }
  /** A value no real part has: not finite, or a resistance that is not positive. */
  | { code: 'impossibleValue'; elements: string[] }
  /** The nonlinear elements did not come to rest; the one named was farthest from it. */
  | { code: 'noConvergence'; elements: string[]; nodes: string[] };

export class NetworkError extends Error {
  constructor(readonly problem: NetworkProblem) {
    super(problem.code);
    this.name = 'NetworkError';
  }
}

/** Records whose nodes and elements a problem names, each once, in its order. */
export function ownersOf(problem: NetworkProblem): string[] {
  const names = [...('nodes' in problem ? problem.nodes : []), ...('elements' in problem ? problem.elements : [])];
  return [...new Set(names.map((name) => name.split(/[/.]/)[0]!))];
}
