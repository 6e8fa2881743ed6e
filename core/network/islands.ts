import { INSULATION_OHM } from '../devices/kind';
import type { Netlist } from './netlist';

/**
 * Which nodes hang together by more than insulation, a number for each: what is cut off on all sides floats, and a meter, which is ten
 * megohm, brings it to where its other lead is. Common practice.
 * @param ohmOf of a resistor at the moment
 */
export function islandsOf({ nodes, elements }: Netlist, ohmOf: (element: number) => number): Int32Array {
  const parent = Int32Array.from(nodes, (_, at) => at);
  const rootOf = (node: number): number => {
    let at = node;
    while (parent[at] !== at) at = parent[at] = parent[parent[at]!]!;
    return at;
  };
  elements.forEach(({ kind, a, b }, at) => {
    if (kind === 'resistor' && ohmOf(at) >= INSULATION_OHM) return;
    parent[rootOf(a)] = rootOf(b);
  });
  return Int32Array.from(nodes, (_, at) => rootOf(at));
}
