/** A tree by its nodes, each after its parent; the root's parent is negative. */
interface Tree {
  nodes: readonly { parent: number }[];
}

/** Positions from the root down to a node. */
export function pathTo(tree: Tree, at: number): number[] {
  const path: number[] = [];
  for (let step = at; step >= 0; step = tree.nodes[step]!.parent) path.push(step);
  return path.reverse();
}

/** Of two nodes each one's way up to where the two meet, itself first and where they meet not among them. */
export function partedWays(tree: Tree, [one, other]: readonly [number, number]): [number[], number[]] {
  const [a, b] = [pathTo(tree, one), pathTo(tree, other)];
  let common = 0;
  while (a[common] !== undefined && a[common] === b[common]) common += 1;
  return [a.slice(common).reverse(), b.slice(common).reverse()];
}
