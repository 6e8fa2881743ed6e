import { batteryOhmRange, restV } from '../catalog/chemistries';
import { breaksAt } from '../catalog/interrupting';
import { RATINGS_A } from '../catalog/fuses';
import type { Battery } from '../design/schema';
import type { ProtectionFamily } from '../catalog/vocabulary';
import { clearingS, type Rated } from './coordination';

/** Families for a main protection, the dearest last. */
const MAIN_FAMILIES: readonly ProtectionFamily[] = ['mega', 'terminalMount', 'classT'];

/**
 * Greatest current of a dead short across a bank's terminals, A: new, full, at its lowest resistance. Batteries in series add volts
 * and ohms alike, so it is the same at 24 V.
 */
export function bankShortA(battery: Pick<Battery, 'chemistry' | 'capacityAh' | 'count' | 'internalMilliohm'>): number {
  return restV(battery.chemistry, 100) / batteryOhmRange(battery).least;
}

/** The plainest family that breaks a current at a system's nominal voltage, the one that breaks most where none does. */
export function familyThatBreaks(amps: number, nominalV: number): ProtectionFamily {
  return MAIN_FAMILIES.find((family) => breaksAt(family, nominalV) >= amps) ?? MAIN_FAMILIES.at(-1)!;
}

/**
 * A fuse ahead that is sure to have ended a dead short within this saves one that cannot break it, s: half a cycle of mains, as
 * current-limiting fuses do. Common practice.
 */
const SAVES_WITHIN_S = 0.01;
/**
 * Up to here a small fuse is taken to hold together until the one ahead has opened, A. Common practice: a blade bursts at several
 * kiloamperes.
 */
const BURSTS_FROM_A = 2000;

/** Whether a fuse ahead ends a dead short before a small fuse behind it, which cannot break that short itself, bursts. */
export function savesSmallFuse(ahead: Rated, atA: number): boolean {
  return atA <= BURSTS_FROM_A || clearingS(ahead, atA).longestS <= SAVES_WITHIN_S;
}

/**
 * The family for a main fuse on a bank: one that breaks its dead short, and where that is several kiloamperes, soon enough to save small
 * fuses behind it.
 */
export function mainFamilyFor(shortA: number, nominalV: number): ProtectionFamily {
  return shortA > BURSTS_FROM_A ? 'classT' : familyThatBreaks(shortA, nominalV);
}

/** The smallest rating a family comes in from an amperage up; the family's largest where it ends before. */
export function ratingFrom(family: ProtectionFamily, leastA: number): number {
  return RATINGS_A[family].find((rating) => rating >= leastA) ?? RATINGS_A[family].at(-1)!;
}
