import { analyse } from '../../analysis/analyse';
import type { Analysis } from '../../analysis/types';
import { areaMm2, type ConductorSize } from '../../catalog/conductorSizes';
import { applyUnchecked, updateRecords } from '../../design/change';
import { sizesLike } from '../../sizing/conductorChoice';
import { findingsOf, neighbourWatch } from '../propose';

/** One wire being tried a size thinner. */
interface Turn {
  circuitId: string;
  wireIds: string[];
  at: number;
}

/**
 * Thins circuits wire by wire for as long as every rule is kept: the longest wire of each circuit first, a size at a time, all circuits at
 * once, since they meet only in shared cables. Greedy, so near the least rather than surely it; never worse than what it starts from.
 */
export function thinned(start: Analysis, circuitIds: readonly string[]): Analysis {
  const turns = start.circuits
    .filter(({ id }) => circuitIds.includes(id))
    .map((circuit): Turn => {
      const metres = (id: string) => start.wires.get(id)?.wire.lengthMm ?? 0;
      const wireIds = [...circuit.supplyWireIds, ...circuit.returnWireIds].sort((a, b) => metres(b) - metres(a));
      return { circuitId: circuit.id, wireIds, at: 0 };
    });
  const { conductorStandard } = start.index.settings;
  const thinner = (size: ConductorSize) => sizesLike(conductorStandard, size).findLast((candidate) => areaMm2(candidate) < areaMm2(size));
  const withSizes = (from: Analysis, tries: readonly { id: string; size: ConductorSize }[]) =>
    analyse(applyUnchecked(from.design, updateRecords(from.design, tries.map(({ id, size }) => ({ id, set: { conductor: size } })))), from); // prettier-ignore
  const neighbours = neighbourWatch(start, circuitIds);
  let now = start;
  for (;;) {
    const tries = turns.flatMap((turn) => {
      for (; turn.at < turn.wireIds.length; turn.at++) {
        const id = turn.wireIds[turn.at]!;
        const size = thinner(now.wires.get(id)!.wire.conductor);
        if (size) return [{ turn, id, size }];
      }
      return [];
    });
    if (tries.length === 0) return now;
    const tried = withSizes(now, tries);
    const harm = neighbours(tried).length > 0;
    const kept = tries.filter(({ turn }) => {
      const broken = harm || findingsOf(tried, turn.circuitId).length > 0;
      if (broken) turn.at += 1;
      return !broken;
    });
    if (kept.length > 0) now = kept.length === tries.length ? tried : withSizes(now, kept);
  }
}
