import type { PlanPoint } from '../design/schema';

/** A point in the vehicle, millimetres: x towards the rear, y towards the right, z up. */
export interface Point {
  xMm: number;
  yMm: number;
  zMm: number;
}

/** Straight distance in plan, mm. */
export function planDistance(a: PlanPoint, b: PlanPoint): number {
  return Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm);
}

/** Straight distance, mm. */
export function distance(a: Point, b: Point): number {
  return Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm, a.zMm - b.zMm);
}

/** Whether a point in plan lies inside an outline, its edge counting as inside. Even-odd rule. */
export function isInside({ xMm, yMm }: PlanPoint, outline: readonly PlanPoint[]): boolean {
  let inside = false;
  for (let at = 0, before = outline.length - 1; at < outline.length; before = at++) {
    const a = outline[at]!;
    const b = outline[before]!;
    if (isOnEdge(xMm, yMm, a, b)) return true;
    if (a.yMm > yMm !== b.yMm > yMm && xMm < ((b.xMm - a.xMm) * (yMm - a.yMm)) / (b.yMm - a.yMm) + a.xMm) inside = !inside;
  }
  return inside;
}

function isOnEdge(x: number, y: number, a: PlanPoint, b: PlanPoint): boolean {
  const along = Math.hypot(b.xMm - a.xMm, b.yMm - a.yMm);
  const detour = Math.hypot(x - a.xMm, y - a.yMm) + Math.hypot(x - b.xMm, y - b.yMm);
  return detour - along < 1e-6 * (1 + along);
}
