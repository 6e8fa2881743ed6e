import { awgOf, metricOf, type ConductorSize } from './conductorSizes';
import { CLASS5_MILLIOHM_PER_M, ROAD_MILLIOHM_PER_M, SMALL_CRAFT_CIRCULAR_MILS } from './resistance';
import type { ConductorStandard } from './vocabulary';

/** What real cable and its ends resist. */

/** Annealed copper at 20 C, ohm mm2 per metre. Source: IEC 60028. */
export const COPPER_RESISTIVITY_20C = 1 / 58;
/** Change of copper's resistance per kelvin from 20 C. Source: IEC 60028. */
export const COPPER_ALPHA = 0.00393;
/** One circular mil in mm2: a circle one thousandth of an inch across. */
export const MM2_PER_CIRCULAR_MIL = (Math.PI / 4) * 0.0254 ** 2;
/** The multiplier on a conductor's 20 C resistance at a temperature in C. Source: IEC 60028. */
export function copperTemperatureFactor(celsius: number): number {
  return 1 + COPPER_ALPHA * (celsius - 20);
}

/** Resistance in ohm per metre of pure copper of an area in mm2 at a temperature in C. Source: IEC 60028. */
export function copperOhmPerM(areaInMm2: number, celsius: number): number {
  return (COPPER_RESISTIVITY_20C / areaInMm2) * copperTemperatureFactor(celsius);
}

/**
 * The greatest resistance real cable of this size may have, ohm per metre of one conductor, at a temperature in C.
 * Metric sizes: IEC 60228 class 5, or ISO 6722 under the road-vehicle standard. American sizes: copper on the least area
 * that ABYC E-11 allows, which is below the nominal one.
 */
export function cableOhmPerM(size: ConductorSize, standard: ConductorStandard, celsius: number): number {
  const awg = awgOf(size);
  if (awg) return copperOhmPerM(SMALL_CRAFT_CIRCULAR_MILS[awg] * MM2_PER_CIRCULAR_MIL, celsius);
  const table = standard === 'road-vehicle' ? ROAD_MILLIOHM_PER_M : CLASS5_MILLIOHM_PER_M;
  return (table[metricOf(size)!] / 1000) * copperTemperatureFactor(celsius);
}

/**
 * What the two ends of a wire add to its resistance, ohm: nothing unless the design allows for it. A good crimp on a tight screw has
 * 0.2 to 0.5 milliohm. Common practice.
 */
export function endsOhmOf({ endMilliohm = 0 }: { endMilliohm?: number | undefined }): number {
  return (2 * endMilliohm) / 1000;
}
