import type { Chain } from './chains';
import { Elimination } from './elimination';
import type { MergedNodes } from './mergedNodes';
import type { Netlist } from './netlist';
import { minimumDegree } from './ordering';

/** What a network is solved for: one voltage for each group of merged nodes that is neither inside a chain nor the reference. */
export interface Unknowns {
  count: number;
  /** Unknown of each node, -1 inside a chain. The reference's is the last, `count`, held fixed. */
  of: Int32Array;
  system: Elimination;
  /** Place of a branch's conductance in the system, -1 where it touches the reference or both ends are one. */
  placeOf(a: number, b: number): number;
}

/** Numbers the unknowns in the order they are eliminated in; those that laws hang on come last, since they change at every step. */
export function orderUnknowns(
  { nodes, elements, reference }: Netlist,
  { group, groupCount }: MergedNodes,
  chains: readonly Chain[],
): Unknowns {
  const isInner = new Uint8Array(groupCount);
  for (const { inner } of chains) for (const node of inner) isInner[group[node]!] = 1;
  const number = new Int32Array(groupCount).fill(-1);
  let count = 0;
  for (let at = 0; at < groupCount; at++) if (isInner[at] === 0 && at !== group[reference]) number[at] = count++;
  const numberOf = (node: number) => number[group[node]!]!;
  const varying = new Uint8Array(count);
  const edges: [number, number][] = [];
  const join = ({ a, b }: { a: number; b: number }) => {
    if (numberOf(a) >= 0 && numberOf(b) >= 0) edges.push([numberOf(a), numberOf(b)]);
  };
  chains.forEach(join);
  for (const element of elements) {
    if (element.kind !== 'law' && element.kind !== 'duty') continue;
    join(element);
    if (element.kind === 'law') for (const end of [numberOf(element.a), numberOf(element.b)]) if (end >= 0) varying[end] = 1;
  }
  const system = new Elimination(minimumDegree(count, edges, (unknown) => varying[unknown] === 0));
  const of = Int32Array.from(nodes, (_, node) => {
    if (group[node] === group[reference]) return count;
    return isInner[group[node]!] === 1 ? -1 : system.order.step[numberOf(node)]!;
  });
  const placeOf = (a: number, b: number) => (a === count || b === count || a === b ? -1 : system.placeOf(a, b));
  return { count, of, system, placeOf };
}
