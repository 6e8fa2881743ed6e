import type { MergedNodes } from './mergedNodes';
import type { NetElement, Netlist } from './netlist';

/**
 * Resistances end to end between two places count as one: a wire, a fuse, a wire and a switch make one branch, and the
 * nodes between them no unknowns. What is between is worked out again once the ends are known.
 */
export interface Chain {
  /** Nodes at its ends. */
  a: number;
  b: number;
  /** Elements from `a` to `b`, and whether each runs that way. */
  links: { element: number; forward: boolean }[];
  /** Nodes between the links. */
  inner: number[];
}

export function isPlainOhm(element: NetElement): boolean {
  return element.kind === 'resistor' || element.kind === 'switch';
}

/** Every plain resistance of a network in chains, as long as they come. */
export function foldChains({ nodes, elements, reference }: Netlist, { reached }: MergedNodes): Chain[] {
  const kept = keptNodes(nodes.length, elements, reference, reached);
  const at: number[][] = nodes.map(() => []);
  elements.forEach((element, index) => {
    if (!isPlainOhm(element)) return;
    at[element.a]!.push(index);
    if (element.b !== element.a) at[element.b]!.push(index);
  });
  const isInner = (node: number) => kept[node] === 0 && at[node]!.length === 2;
  const used = new Uint8Array(elements.length);
  const chains: Chain[] = [];
  const follow = (from: number, first: number) => {
    const chain: Chain = { a: from, b: from, links: [], inner: [] };
    for (let node = from, index = first; ;) {
      const element = elements[index]!;
      used[index] = 1;
      const forward = element.a === node;
      chain.links.push({ element: index, forward });
      chain.b = forward ? element.b : element.a;
      node = chain.b;
      const next = isInner(node) ? at[node]!.find((other) => used[other] === 0) : undefined;
      if (next === undefined) return chain;
      chain.inner.push(node);
      index = next;
    }
  };
  for (let node = 0; node < nodes.length; node++) {
    if (isInner(node)) continue;
    for (const index of at[node]!) if (used[index] === 0) chains.push(follow(node, index));
  }
  // What is left are rings of inner nodes with nothing else on them.
  elements.forEach((element, index) => {
    if (isPlainOhm(element) && used[index] === 0) chains.push(follow(element.a, index));
  });
  return chains;
}

/** Marks the nodes something other than a resistance touches or looks at. */
function keptNodes(count: number, elements: readonly NetElement[], reference: number, reached: MergedNodes['reached']): Uint8Array {
  const kept = new Uint8Array(count);
  kept[reference] = 1;
  for (const { node, from } of reached) kept[node] = kept[from] = 1;
  for (const element of elements) {
    if (element.kind === 'duty') kept[element.common] = 1;
    if (element.kind === 'switch') kept[element.plus] = kept[element.minus] = 1;
    if (!isPlainOhm(element)) kept[element.a] = kept[element.b] = 1;
  }
  return kept;
}
