import { batteryOhmRange, restV } from '../catalog/chemistries';
import { INTERRUPTING } from '../catalog/interrupting';
import { RATINGS_A } from '../catalog/fuses';
import type { Battery } from '../design/schema';
import type { ProtectionFamily } from '../design/vocabulary';

/** Families for a main protection, the dearest last. */
const MAIN_FAMILIES: readonly ProtectionFamily[] = ['mega', 'terminalMount', 'classT'];

/**
 * Greatest current of a dead short across a bank's terminals, A: new, full, at its lowest resistance. Batteries in series add volts
 * and ohms alike, so it is the same at 24 V.
 */
export function bankShortA(battery: Pick<Battery, 'chemistry' | 'capacityAh' | 'count' | 'internalMilliohm'>): number {
  return restV(battery.chemistry, 100) / batteryOhmRange(battery).least;
}

/** The plainest family that breaks a current, the one that breaks most where none does. */
export function familyThatBreaks(amps: number, families: readonly ProtectionFamily[] = MAIN_FAMILIES): ProtectionFamily {
  return families.find((family) => INTERRUPTING[family].breaksA >= amps) ?? families.at(-1)!;
}

/** The smallest rating a family comes in from an amperage up; the family's largest where it ends before. */
export function ratingFrom(family: ProtectionFamily, leastA: number): number {
  return RATINGS_A[family].find((rating) => rating >= leastA) ?? RATINGS_A[family].at(-1)!;
}
