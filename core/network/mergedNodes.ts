import { NetworkError } from './networkError';
import type { Netlist, VoltageSource } from './netlist';

/**
 * Nodes tied together by ideal voltage sources count as one unknown, each standing a known number of volts over it. That
 * leaves only conductances to solve for, which is what makes the matrix symmetric and safe to factorise without pivoting.
 */
export interface MergedNodes {
  /** Group of each node, numbered from 0. */
  group: Int32Array;
  groupCount: number;
  /** Sources in the order that reaches every node of a group from its first, each with the node it reaches. */
  reached: { element: number; node: number; from: number; sign: 1 | -1 }[];
}

/** @throws NetworkError `sourceLoop` when sources close a ring. */
export function mergeNodes({ nodes, elements, reference }: Netlist): MergedNodes {
  const at: { element: number; far: number; sign: 1 | -1 }[][] = nodes.map(() => []);
  elements.forEach((element, index) => {
    if (element.kind !== 'voltage') return;
    at[element.a]!.push({ element: index, far: element.b, sign: -1 });
    at[element.b]!.push({ element: index, far: element.a, sign: 1 });
  });
  const group = new Int32Array(nodes.length).fill(-1);
  const reached: MergedNodes['reached'] = [];
  const used = new Set<number>();
  let groupCount = 0;
  const grow = (first: number) => {
    group[first] = groupCount;
    const queue = [first];
    for (const node of queue) {
      for (const { element, far, sign } of at[node]!) {
        if (used.has(element)) continue;
        if (group[far]! >= 0)
          throw new NetworkError({ code: 'sourceLoop', elements: ringOf(elements[element] as VoltageSource, reached, elements) });
        used.add(element);
        group[far] = groupCount;
        reached.push({ element, node: far, from: node, sign });
        queue.push(far);
      }
    }
    groupCount++;
  };
  grow(reference);
  for (let node = 0; node < nodes.length; node++) if (group[node]! < 0) grow(node);
  return { group, groupCount, reached };
}

/** The sources of the ring that one more source closes. */
function ringOf(closing: VoltageSource, reached: MergedNodes['reached'], elements: Netlist['elements']): string[] {
  const parent = new Map(reached.map((step) => [step.node, step]));
  const up = (node: number) => {
    const path: number[] = [];
    for (let step = parent.get(node); step; step = parent.get(step.from)) path.push(step.element);
    return path;
  };
  const one = up(closing.a);
  const other = new Set(up(closing.b));
  const ring = [...one.filter((element) => !other.has(element)), ...[...other].filter((element) => !one.includes(element))];
  return [closing.name, ...ring.map((element) => elements[element]!.name)];
}
