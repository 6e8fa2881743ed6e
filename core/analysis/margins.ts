import { acceptableMultiple } from '../sizing/coordination';
import { CONTINUOUS_FACTOR } from '../sizing/fuse';
import type { Analysis, CircuitAnalysis } from './types';

/** How much of one limit of a circuit is used, 1 and more being past it. */
export interface Margin {
  limit: 'ampacity' | 'fuseByWire' | 'continuous' | 'drop' | 'endClearing' | 'breaking';
  share: number;
  /** What is used and what there is, in the limit's own unit. */
  used: number;
  of: number;
  unit: 'A' | '%' | 'x';
}

/** Every limit of a circuit that can be put in a number, the tightest first. */
export function marginsOf({ protections }: Pick<Analysis, 'protections'>, circuit: CircuitAnalysis): Margin[] {
  const { ampacity, peakA, continuousA, ratingA, dropPercent, targetPercent, worstLoadId } = circuit;
  const guard = protections.get(circuit.protectionId);
  const margins: Margin[] = [];
  const add = (limit: Margin['limit'], used: number, of: number, unit: Margin['unit'], share = used / of) => {
    if (of > 0) margins.push({ limit, share, used, of, unit });
  };
  if (worstLoadId === null) return margins;
  if (ampacity) {
    add('ampacity', peakA, ampacity.amps, 'A');
    add('fuseByWire', ratingA, ampacity.amps, 'A');
  }
  add('continuous', continuousA * CONTINUOUS_FACTOR, ratingA, 'A');
  add('drop', dropPercent, targetPercent, '%');
  if (guard?.endA) {
    const multiple = guard.endA / ratingA;
    add('endClearing', acceptableMultiple(guard.fuse.family), multiple, 'x');
  }
  if (guard) {
    // What the chain breaks: a small fuse may lean on the one ahead.
    let breaksA = 0;
    for (let link = protections.get(guard.id); link; link = protections.get(link.upstreamId ?? '')) {
      breaksA = Math.max(breaksA, link.breaksA);
    }
    add('breaking', guard.atA, breaksA, 'A');
  }
  return margins.sort((a, b) => b.share - a.share);
}
