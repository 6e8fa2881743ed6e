import { areaMm2, awgOf, metricOf, type ConductorSize } from '../catalog/conductorSizes';
import { CLASS5_MILLIOHM_PER_M, NEC_OHM_PER_1000_FT, ROAD_MILLIOHM_PER_M, SMALL_CRAFT_CIRCULAR_MILS } from '../catalog/resistance';
import type { Settings } from '../design/schema';
import type { ConductorStandard } from '../catalog/vocabulary';

/** Annealed copper at 20 C, ohm mm2 per metre. Source: IEC 60028. */
export const COPPER_RESISTIVITY_20C = 1 / 58;
/** Change of copper's resistance per kelvin from 20 C. Source: IEC 60028. */
export const COPPER_ALPHA = 0.00393;
/** One circular mil in mm2: a circle one thousandth of an inch across. */
export const MM2_PER_CIRCULAR_MIL = (Math.PI / 4) * 0.0254 ** 2;
/** Volts dropped per ampere and foot on one circular mil. Source: ABYC E-11, from memory. */
const US_SMALL_CRAFT_K = 10.75;
/** Volts dropped per ampere and metre on one mm2. Source: ISO 10133 / 13297, from memory; it is copper at 8 C on the full area. */
const ISO_SMALL_CRAFT_K = 0.0164;
const METRES_PER_FOOT = 0.3048;
/** Temperature of NEC chapter 9, table 8. */
const NEC_C = 75;

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
 * Volts per ampere and metre of conductor that the standard's own drop formula gives: ABYC E-11's CM = K I L / E with
 * K 10.75, ISO 10133's E = 0.0164 I L / S, or NEC chapter 9's resistances at 75 C. Null where the standard has none.
 */
export function formulaOhmPerM(size: ConductorSize, standard: ConductorStandard): number | null {
  switch (standard) {
    case 'us-small-craft':
      return US_SMALL_CRAFT_K / circularMils(size) / METRES_PER_FOOT;
    case 'iso-small-craft':
      return ISO_SMALL_CRAFT_K / areaMm2(size);
    case 'us-recreational':
      return necOhmPerM(size);
    case 'road-vehicle':
      return null;
  }
}

/** Whether a standard says how drop is worked out. */
export function hasFormula(standard: ConductorStandard): boolean {
  return standard !== 'road-vehicle';
}

function necOhmPerM(size: ConductorSize): number {
  const awg = awgOf(size);
  return awg ? NEC_OHM_PER_1000_FT[awg] / 1000 / METRES_PER_FOOT : copperOhmPerM(areaMm2(size), NEC_C);
}

/** How a design reckons the resistance of its wires. */
export interface DropBasis {
  standard: ConductorStandard;
  /** `conservative`: the larger of the standard's formula and the real cable. `formula`: the standard's formula where it has one. */
  basis: 'conservative' | 'formula';
  conductorC: number;
}

/** Ohm per metre of conductor used for judging drop. */
export function designOhmPerM(size: ConductorSize, { standard, basis, conductorC }: DropBasis): number {
  const formula = formulaOhmPerM(size, standard);
  if (formula !== null && basis === 'formula') return formula;
  return Math.max(formula ?? 0, cableOhmPerM(size, standard, conductorC));
}

/** Circular mils of a size: the least allowed for American small-craft cable, the plain conversion for metric cable. */
export function circularMils(size: ConductorSize): number {
  const awg = awgOf(size);
  return awg ? SMALL_CRAFT_CIRCULAR_MILS[awg] : areaMm2(size) / MM2_PER_CIRCULAR_MIL;
}

/**
 * What the two ends of a wire add to its resistance, ohm: nothing unless the design allows for it. A good crimp on a tight screw has
 * 0.2 to 0.5 milliohm. Common practice.
 */
export function endsOhmOf({ endMilliohm = 0 }: Pick<Settings, 'endMilliohm'>): number {
  return (2 * endMilliohm) / 1000;
}
