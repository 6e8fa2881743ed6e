import type { OhmBranches } from './branches';

/**
 * Where an ampere fed into a node goes: to which unknowns in which shares, and, inside a chain, what is between it and the chain's ends.
 */
export interface Placed {
  shares: readonly { unknown: number; share: number }[];
  within: { chain: number; toA: number; toB: number } | null;
}

/** @param unknown of each node, -1 inside a chain */
export function placed(node: number, unknown: Int32Array, ohms: OhmBranches): Placed {
  const own = unknown[node]!;
  if (own >= 0) return { shares: [{ unknown: own, share: 1 }], within: null };
  const chain = ohms.chains.findIndex(({ inner }) => inner.includes(node));
  const { a, b, links, inner } = ohms.chains[chain]!;
  const toA = links.slice(0, inner.indexOf(node) + 1).reduce((sum, { element }) => sum + ohms.ohm[element]!, 0);
  const toB = links.slice(inner.indexOf(node) + 1).reduce((sum, { element }) => sum + ohms.ohm[element]!, 0);
  const ofA = toB / (toA + toB);
  return { shares: [{ unknown: unknown[a]!, share: ofA }, { unknown: unknown[b]!, share: 1 - ofA }], within: { chain, toA, toB } }; // prettier-ignore
}

/** What one ampere into one node of a chain and out of another moves between them beyond what its ends move, ohm. */
export function withinChain({ within: one }: Placed, { within: other }: Placed): number {
  const own = (at: Placed['within']) => (at ? (at.toA * at.toB) / (at.toA + at.toB) : 0);
  const shared = one && other && one.chain === other.chain ? (Math.min(one.toA, other.toA) * Math.min(one.toB, other.toB)) / (one.toA + one.toB) : 0; // prettier-ignore
  return own(one) + own(other) - 2 * shared;
}
