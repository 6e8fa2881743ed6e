import type { Rig, Route } from '../design/schema';
import { planDistance, type Point } from './geometry';

/** A stretch's length and where it comes from. */
export interface RouteLength {
  /** What counts, mm: measured where it was, planned where not. */
  mm: number;
  measured: boolean;
  /** What the plan says, mm: level run, rise and allowance. Null without a plan. */
  plannedMm: number | null;
  levelMm: number;
  riseMm: number;
  allowanceMm: number;
  /** Loops left at hinges, so that no opening stretches the cable. */
  loopsMm: number;
  /** The least that lies along it at all, mm: straight from bend to bend, and its loops. */
  leastMm: number;
}

/** Cable in the loop over a hinge, mm. Common practice: a loop of ten cable diameters and the door's own travel. */
export const HINGE_LOOP_MM = 150;

/**
 * The length of a stretch from one place to the other. In the plan cable runs level between bends and climbs square, so level run and rise
 * are added, the rig's allowance for bends and sagging on top, and a loop for every hinge. A measured length is taken as it is. Source:
 * common practice.
 */
export function routeLength(route: Route, from: Point, to: Point, rig: Pick<Rig, 'allowancePercent'>): RouteLength {
  const points = [from, ...route.bends, to];
  let levelMm = 0;
  let riseMm = 0;
  let straightMm = 0;
  for (let at = 1; at < points.length; at++) {
    const level = planDistance(points[at - 1]!, points[at]!);
    const rise = Math.abs(points[at]!.zMm - points[at - 1]!.zMm);
    levelMm += level;
    riseMm += rise;
    straightMm += Math.hypot(level, rise);
  }
  const allowanceMm = ((levelMm + riseMm) * rig.allowancePercent) / 100;
  const loopsMm = route.passes.filter(({ what }) => what === 'hinge').length * HINGE_LOOP_MM;
  const plannedMm = levelMm + riseMm + allowanceMm + loopsMm;
  const leastMm = straightMm + loopsMm;
  return {
    mm: route.measuredMm ?? plannedMm,
    measured: route.measuredMm !== null,
    plannedMm,
    levelMm,
    riseMm,
    allowanceMm,
    loopsMm,
    leastMm,
  };
}

/** Shares and lengths past which a measured stretch and the plan say too different things. */
const FAR_SHARE = 0.25;
const FAR_MM = 300;

/** Whether a measured length and the planned one are so far apart that one of them is likely wrong. */
export function disagrees(measuredMm: number, plannedMm: number): boolean {
  return Math.abs(measuredMm - plannedMm) > Math.max(FAR_MM, FAR_SHARE * Math.max(measuredMm, plannedMm));
}
