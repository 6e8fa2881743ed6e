import { partedWays, pathTo } from '../network/ways';
import type { AnalysisContext } from './context';

/** What comes through a wire of a ring of returns once another of it is open. */
export interface RoundReturn {
  /** The most, A. */
  amps: number;
  /** The loads whose current can come. */
  loadIds: readonly string[];
}

export interface ReturnRings {
  /** By node of the return tree, for the wire that leads home from it. */
  ways: ReadonlyMap<number, RoundReturn>;
  /** By the wire that closes a ring and is in no tree, with the two nodes it joins. */
  closing: ReadonlyMap<string, RoundReturn & { ends: readonly [number, number] }>;
}

const NONE: ReturnRings = { ways: new Map(), closing: new Map() };

/**
 * Two ways home share a current while both are sound, and nobody notices when one no longer is: each must carry all by itself. A ring of
 * two ways from where they part, the way of the tree on either side: with one open right at the top everything on that side comes round.
 * Rings that hang together are each taken alone.
 */
export function returnRings({ wiring: { return: tree, rings }, hanging, returns }: AnalysisContext): ReturnRings {
  const found = rings.filter(({ side }) => side === 'return');
  if (found.length === 0) return NONE;
  const ways = new Map<number, RoundReturn>();
  const closing = new Map<string, RoundReturn & { ends: readonly [number, number] }>();
  const amps = (at: number | undefined) => (at === undefined ? 0 : returns.demand[at]!.peakA);
  for (const { wireId, ends } of found) {
    const sides = partedWays(tree, ends);
    const tops = sides.map((way) => way.at(-1));
    const loadIds = [...hanging.loads].flatMap(([id, { minus }]) => (minus !== undefined && pathTo(tree, minus).some((at) => tops.includes(at)) ? [id] : [])); // prettier-ignore
    sides.forEach((way, side) => {
      const other = amps(tops[1 - side]);
      for (const at of way) {
        // Open on the other side, that comes too; open above on this one, what joins above comes down and round.
        const most = Math.max(amps(at) + other, amps(tops[side]) - amps(at));
        if (most > (ways.get(at)?.amps ?? 0)) ways.set(at, { amps: most, loadIds });
      }
    });
    if (wireId !== null) closing.set(wireId, { amps: Math.max(...tops.map(amps)), loadIds, ends });
  }
  return { ways, closing };
}
