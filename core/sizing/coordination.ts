import { endsFaultFrom, gateMultiples, letThroughA2s, LONGEST_FAULT_S, openingBandS } from '../catalog/fuseTimes';
import type { ProtectionFamily } from '../catalog/vocabulary';

/** Fuses and breakers against each other, against the conductor they guard and against what a load takes as it starts. */

export interface Rated {
  family: ProtectionFamily;
  ratingA: number;
}

/** Soonest and latest opening at a current, s. Infinite where it never opens. Source: catalog/fuseTimes. */
export function clearingS({ family, ratingA }: Rated, amps: number): { leastS: number; longestS: number } {
  const [leastS, longestS] = openingBandS(family, amps / ratingA);
  return { leastS, longestS };
}

/** Overload from which two fuses are compared: below it both take minutes, and which is first hardly matters. */
const FROM_MULTIPLE = 1.35;

/**
 * Current up to which a fuse surely opens before the one ahead of it, A, as far as a fault can drive it: while the latest it may open comes
 * before the soonest the other may. `mostA` when that holds all the way; 0 when it never does. The gates are straight lines between their
 * corners on logarithmic scales, so looking at every corner of both finds where they first meet.
 */
export function selectiveToA(downstream: Rated, upstream: Rated, mostA: number): number {
  const fromA = downstream.ratingA * FROM_MULTIPLE;
  if (mostA <= fromA) return mostA;
  const corners = new Set([fromA, mostA]);
  for (const { family, ratingA } of [downstream, upstream]) {
    for (const multiple of gateMultiples(family)) {
      const amps = multiple * ratingA;
      if (amps > fromA && amps < mostA) corners.add(amps);
      // Under its first gate a fuse never opens: what is just below is a corner too.
      if (multiple === gateMultiples(family)[0] && amps * 0.999 > fromA && amps * 0.999 < mostA) corners.add(amps * 0.999);
    }
  }
  const marginAt = (amps: number) => Math.log(clearingS(upstream, amps).leastS) - Math.log(clearingS(downstream, amps).longestS);
  let before: { amps: number; margin: number } | null = null;
  for (const amps of [...corners].sort((a, b) => a - b)) {
    const margin = marginAt(amps);
    if (!(margin > 0)) {
      if (!before || !Number.isFinite(before.margin)) return before?.amps ?? 0;
      const share = before.margin / (before.margin - margin);
      return Math.exp(Math.log(before.amps) * (1 - share) + Math.log(amps) * share);
    }
    before = { amps, margin };
  }
  return mostA;
}

/** k of the adiabatic limit, A √s/mm²: PVC 115, cross-linked 143. Source: IEC 60364-4-43, from memory. */
export function adiabaticK(insulationC: number): number {
  return insulationC >= 90 ? 143 : 115;
}

/**
 * Seconds a conductor stands a fault before its insulation is spoilt, all heat staying in it: t = k² S² / I². Holds up to about
 * 5 s; beyond, heat leaves it and the limit is on the safe side. Source: IEC 60364-4-43, from memory.
 */
export function damageS(areaMm2: number, insulationC: number, amps: number): number {
  return (adiabaticK(insulationC) * areaMm2) ** 2 / amps ** 2;
}

/**
 * Longest share of the conductor's endurance that a fuse uses up between two fault currents: its latest opening over the
 * conductor's limit. Above 1 the conductor is spoilt before the fuse is sure to have opened. Only faults that the fuse ends within
 * 5 s count, as the limit holds no longer; slower ones are the clearing rule's.
 */
export function heatShare(fuse: Rated, areaMm2: number, insulationC: number, leastA: number, mostA: number): number {
  // Nothing it lets through can spoil this one: the usual case, told without looking closer.
  if (letThroughA2s(fuse.family, fuse.ratingA) <= (adiabaticK(insulationC) * areaMm2) ** 2) return 0;
  let worst = 0;
  const corners = [
    leastA,
    mostA,
    ...[endsFaultFrom(fuse.family), ...gateMultiples(fuse.family)].map((multiple) => multiple * fuse.ratingA),
  ];
  for (const amps of corners) {
    if (amps < leastA || amps > mostA) continue;
    const { longestS } = clearingS(fuse, amps);
    if (longestS > LONGEST_FAULT_S * (1 + 1e-9)) continue;
    worst = Math.max(worst, longestS / damageS(areaMm2, insulationC, amps));
  }
  return worst;
}

/** Families that practice's multiples are meant for. */
const SMALL = new Set<ProtectionFamily>(['blade', 'glass']);

/**
 * Multiple of its rating from which a fuse ends a short at the far end acceptably: 3.5 for blades, half a second (common practice);
 * for larger ones, which guard feeders, what their gates end within 5 s (IEC 60364-4-41, from memory).
 */
export function acceptableMultiple(family: ProtectionFamily): number {
  return SMALL.has(family) ? 3.5 : endsFaultFrom(family);
}

/** How a short at the far end of a run is cleared. Common practice for blades: 6 times the rating is good, 3.5 acceptable, 2 the floor. */
export function endVerdict({ family, ratingA }: Rated, endA: number): 'good' | 'acceptable' | 'slow' | 'never' {
  const multiple = endA / ratingA;
  if (multiple >= 6) return 'good';
  if (multiple >= acceptableMultiple(family)) return 'acceptable';
  return multiple >= 2 ? 'slow' : 'never';
}
