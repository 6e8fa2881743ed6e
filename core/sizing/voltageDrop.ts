import { cableOhmPerM, copperOhmPerM, MM2_PER_CIRCULAR_MIL } from '../catalog/cable';
import { areaMm2, awgOf, type ConductorSize } from '../catalog/conductorSizes';
import { NEC_OHM_PER_1000_FT, SMALL_CRAFT_CIRCULAR_MILS } from '../catalog/resistance';
import type { ConductorStandard } from '../catalog/vocabulary';

/** Volts dropped per ampere and foot on one circular mil. Source: ABYC E-11, from memory. */
const US_SMALL_CRAFT_K = 10.75;
/** Volts dropped per ampere and metre on one mm2. Source: ISO 10133 / 13297, from memory; it is copper at 8 C on the full area. */
const ISO_SMALL_CRAFT_K = 0.0164;
const METRES_PER_FOOT = 0.3048;
/** Temperature of NEC chapter 9, table 8. */
const NEC_C = 75;

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
