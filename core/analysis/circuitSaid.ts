import type { Protection } from '../design/schema';
import type { CircuitSaid } from '../diagnosis/blows';
import type { Analysis } from './types';

/** What the sums say of a fuse that blows: how near the loads come to what is in the holder now, and whether a start opens it. */
export function circuitSaid({ circuits, findings }: Analysis, { id, ratingA, fittedA }: Protection): CircuitSaid {
  const circuit = circuits.find(({ protectionId }) => protectionId === id);
  return {
    drawnShare: (circuit?.peakA ?? 0) / (fittedA ?? ratingA),
    startOpens: findings.some(({ rule, subjects }) => rule === 'fuse.opensAtStart' && subjects.includes(id)),
  };
}
