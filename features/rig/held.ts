import { createContext } from 'react';
import type { Place } from '@/core/design/schema';
import type { Point } from '@/core/rig/geometry';

/** A place in the hand: drawn and measured where it is, while the design waits for the hand to rest. */
export interface Held {
  id: string;
  to: Point;
}

/** What is held, for the sheet that shows it: the drawing beneath is not made anew when the hand moves. */
export const HeldContext = createContext<Held | null>(null);

/** The place where the hand has it; itself when it is not held. */
export function withHeld(place: Place, held: Held | null): Place {
  return held?.id === place.id ? { ...place, xMm: held.to.xMm, yMm: held.to.yMm, zMm: held.to.zMm } : place;
}
