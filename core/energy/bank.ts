import { batteryOhmRange, CHARGE_FACTS, chargedAndCutOutV, restV } from '../catalog/chemistries';
import type { Battery } from '../design/schema';
import { bankFacts } from './battery';

/** A battery bank as the simulation sees it: ampere hours, volts, ohms. */
export interface Bank {
  capacityAh: number;
  /** Share of capacity that may be used. */
  usableDepth: number;
  ratedA: number;
  peukertExponent: number;
  ohm: number;
  /** Share of the ampere hours put in that stay. */
  chargeEfficiency: number;
  /** The most it takes while far from full, and the charge share from which it takes less and less. */
  acceptanceA: number;
  taperFrom: number;
  absorptionV: number;
  /** Share of its charge it loses in a day by itself. */
  selfDischargePerDay: number;
  /** Below this it must not be charged, °C; null: no such limit. */
  coldC: number | null;
  cutOutV: number;
  restartV: number;
  /** Rested volts at evenly spaced charges from empty to full, and the energy stored up to each, Wh. */
  restV: Float64Array;
  storedWh: Float64Array;
}

/** Points between empty and full that the rested voltage is known at. */
const POINTS = 400;

/**
 * A bank's figures, the design's own wherever it gives any. `nominalV` 24 puts two in series. Source of the defaults: catalog/chemistries.
 */
export function bankOf(battery: Battery, nominalV = 12): Bank {
  const facts = bankFacts(battery);
  const charge = CHARGE_FACTS[battery.chemistry];
  const inSeries = nominalV / 12;
  const capacityAh = facts.capacityAh;
  const curve = restCurve(battery.chemistry);
  const rest = new Float64Array(POINTS + 1);
  const stored = new Float64Array(POINTS + 1);
  for (let at = 0; at <= POINTS; at++) {
    rest[at] = curve[at]! * inSeries;
    if (at > 0) stored[at] = stored[at - 1]! + (((rest[at - 1]! + rest[at]!) / 2) * capacityAh) / POINTS;
  }
  const { absorptionV, cutOutV } = chargedAndCutOutV(battery, nominalV);
  return {
    capacityAh,
    usableDepth: facts.usableDepth,
    ratedA: capacityAh / facts.rateH,
    peukertExponent: facts.peukertExponent,
    ohm: batteryOhmRange(battery).usual * inSeries,
    chargeEfficiency: charge.efficiency,
    acceptanceA: battery.chargeLimitA ?? charge.acceptanceC * capacityAh,
    taperFrom: charge.taperFrom,
    absorptionV,
    selfDischargePerDay: (battery.selfDischargePercent ?? charge.selfDischargePercentMonth) / 100 / 30,
    coldC: charge.coldChargeC !== null && !battery.heated ? charge.coldChargeC : null,
    cutOutV,
    restartV: Math.max(battery.restartV ?? charge.restartV * inSeries, cutOutV),
    restV: rest,
    storedWh: stored,
  };
}

const REST_CURVES = new Map<Battery['chemistry'], Float64Array>();

/** Rested volts of 12 V of a chemistry at evenly spaced charges. */
function restCurve(chemistry: Battery['chemistry']): Float64Array {
  let curve = REST_CURVES.get(chemistry);
  if (!curve)
    REST_CURVES.set(chemistry, (curve = Float64Array.from({ length: POINTS + 1 }, (_, at) => restV(chemistry, (100 * at) / POINTS))));
  return curve;
}

/** Energy stored at a charge, Wh: the area under the rested voltage, exactly, on straight lines between its points. */
export function storedWh(bank: Bank, chargeAh: number): number {
  readCurve(bank, chargeAh, READING, 0, 1);
  return READING[0]!;
}

/** Stored energy and rested volts at once into slots of a typed array: for loops that may not make anything. */
export function readCurve(bank: Bank, chargeAh: number, into: Float64Array, storedAt: number, restAt: number): void {
  const { capacityAh, restV: rest, storedWh: stored } = bank;
  const place = (chargeAh / capacityAh) * POINTS;
  const at = place >= POINTS ? POINTS - 1 : place <= 0 ? 0 : place | 0;
  const part = place - at;
  const low = rest[at]!;
  const rise = (rest[at + 1]! - low) * part;
  into[storedAt] = stored[at]! + ((low + rise / 2) * part * capacityAh) / POINTS;
  into[restAt] = low + rise;
}

/** Rested volts at a charge. */
export function restedV(bank: Bank, chargeAh: number): number {
  readCurve(bank, chargeAh, READING, 0, 1);
  return READING[1]!;
}

const READING = new Float64Array(2);

/**
 * The most a bank takes at a charge, A: all it accepts until the taper begins, from there in proportion to what is missing, so
 * that the last part comes in ever more slowly. Common practice: the current at constant voltage decays exponentially.
 */
export function acceptedA({ capacityAh, acceptanceA, taperFrom }: Bank, chargeAh: number): number {
  const missing = 1 - chargeAh / capacityAh;
  return missing >= 1 - taperFrom ? acceptanceA : (acceptanceA * Math.max(0, missing)) / (1 - taperFrom);
}

/**
 * Hours a full bank gives a steady current, A, down to its usable depth; what is drawn faster than it is rated for takes more charge, by
 * Peukert. Null where nothing is drawn.
 */
export function hoursAt({ capacityAh, usableDepth, ratedA, peukertExponent }: Bank, amps: number): number | null {
  if (amps <= NOTHING_A) return null;
  const perA = amps > ratedA ? (amps / ratedA) ** (peukertExponent - 1) : 1;
  return (capacityAh * usableDepth) / (amps * perA);
}

/** What insulation lets through, A. */
const NOTHING_A = 1e-4;
