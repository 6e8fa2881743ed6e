import type { Place } from '@/core/design/schema';
import type { Point } from '@/core/rig/geometry';

/** A place in the hand: drawn and measured where it is, while the design waits for the hand to rest. */
export interface Held {
  id: string;
  to: Point;
}

/** The place where the hand has it; itself when it is not held. */
export function withHeld(place: Place, held: Held | null): Place {
  return held?.id === place.id ? { ...place, xMm: held.to.xMm, yMm: held.to.yMm, zMm: held.to.zMm } : place;
}
