import type { Chemistry } from './vocabulary';

/** What a battery chemistry gives when a design does not say otherwise. */
export interface ChemistryFacts {
  label: string;
  /** Share of capacity that may be used in daily cycling, percent. */
  usableDepthPercent: number;
  /** Peukert exponent; the conservative end of the usual range. */
  peukertExponent: number;
  /** Open-circuit volts of a full, rested 12 V battery. */
  restedFullV: number;
}

/** Source: battery trade tables (usable depth, rested volts) and usual Peukert ranges by construction; all from memory. */
export const CHEMISTRY_FACTS: Record<Chemistry, ChemistryFacts> = {
  flooded: { label: 'Flooded lead-acid', usableDepthPercent: 50, peukertExponent: 1.25, restedFullV: 12.65 },
  agm: { label: 'Glass-mat (AGM)', usableDepthPercent: 50, peukertExponent: 1.12, restedFullV: 12.8 },
  gel: { label: 'Gel', usableDepthPercent: 50, peukertExponent: 1.18, restedFullV: 12.8 },
  lithium: { label: 'Lithium iron phosphate', usableDepthPercent: 80, peukertExponent: 1.04, restedFullV: 13.5 },
};

/**
 * Rested open-circuit volts of a 12 V battery by charge in percent, ascending. Source: battery trade council's table for
 * flooded cells; the others from memory.
 */
const REST_V: Record<Chemistry, readonly (readonly [number, number])[]> = {
  flooded: [
    [0, 11.89],
    [25, 12.06],
    [50, 12.24],
    [75, 12.45],
    [100, 12.65],
  ],
  agm: [
    [0, 11.8],
    [25, 12],
    [50, 12.3],
    [75, 12.6],
    [100, 12.8],
  ],
  gel: [
    [0, 11.8],
    [25, 12],
    [50, 12.3],
    [75, 12.6],
    [100, 12.8],
  ],
  lithium: [
    [0, 11],
    [10, 12.7],
    [25, 13],
    [50, 13.15],
    [75, 13.26],
    [100, 13.5],
  ],
};

/** Rested volts of a 12 V battery at a charge in percent, on straight lines between the table's points. */
export function restV(chemistry: Chemistry, chargePercent: number): number {
  return between(REST_V[chemistry], chargePercent);
}

/** Internal milliohms of 100 Ah at 12 V, the middle of the usual range; lithium with its protection. From memory. */
const MILLIOHM_PER_100_AH: Record<Chemistry, number> = { flooded: 7.5, agm: 4, gel: 5, lithium: 8 };

/**
 * The low ends, for what a dead short is reckoned with where too much current is the danger: flooded by starter batteries (3 to 6),
 * glass-mat by thin-plate ones (2 to 2.5), since a design does not say which it has; gel 3; lithium with its protection 4 to 12. From
 * memory.
 */
const LEAST_MILLIOHM_PER_100_AH: Record<Chemistry, number> = { flooded: 3, agm: 2, gel: 3, lithium: 4 };
/** And how much higher than the middle the high ends lie, where too little current is. */
const WORN_FACTOR = 1.5;

/** Internal resistance a bank may have, ohm at 12 V: least when new, as one usually is, most when worn. */
export interface OhmRange {
  least: number;
  usual: number;
  most: number;
}

/**
 * A bank's internal resistance by its kind and size; its own figure, if it has one, stands for all three. The one source for the network,
 * the days simulated, idling and short circuits. Batteries in series add up: times nominal volts over 12.
 */
export function batteryOhmRange({ chemistry, capacityAh, count, internalMilliohm }: BatteryOfKind): OhmRange {
  if (internalMilliohm !== undefined) {
    const own = internalMilliohm / 1000 / count;
    return { least: own, usual: own, most: own };
  }
  const per100Ah = 100 / (capacityAh * count) / 1000;
  const usual = MILLIOHM_PER_100_AH[chemistry] * per100Ah;
  return { least: LEAST_MILLIOHM_PER_100_AH[chemistry] * per100Ah, usual, most: usual * WORN_FACTOR };
}

interface BatteryOfKind {
  chemistry: Chemistry;
  capacityAh: number;
  count: number;
  internalMilliohm?: number | undefined;
}

/** How a chemistry charges and stands. */
export interface ChargeFacts {
  /** The most it takes as a multiple of its capacity in ampere hours. */
  acceptanceC: number;
  taperFrom: number;
  absorptionV: number;
  floatV: number;
  /** Share of ampere hours put in that come out again. */
  efficiency: number;
  selfDischargePercentMonth: number;
  coldChargeC: number | null;
  hotC: number;
  cutOutV: number;
  restartV: number;
}

/**
 * Acceptance, absorption and float voltage, charge efficiency and charging temperatures: the careful middle of the usual
 * ranges. Taper, self-discharge, cut-out and restart: common practice. All from memory.
 */
export const CHARGE_FACTS: Record<Chemistry, ChargeFacts> = {
  flooded: {
    acceptanceC: 0.15,
    taperFrom: 0.8,
    absorptionV: 14.6,
    floatV: 13.5,
    efficiency: 0.82,
    selfDischargePercentMonth: 6,
    coldChargeC: null,
    hotC: 50,
    cutOutV: 10.8,
    restartV: 12.4,
  },
  agm: {
    acceptanceC: 0.25,
    taperFrom: 0.85,
    absorptionV: 14.5,
    floatV: 13.6,
    efficiency: 0.92,
    selfDischargePercentMonth: 3,
    coldChargeC: null,
    hotC: 45,
    cutOutV: 10.8,
    restartV: 12.4,
  },
  gel: {
    acceptanceC: 0.2,
    taperFrom: 0.85,
    absorptionV: 14.2,
    floatV: 13.6,
    efficiency: 0.92,
    selfDischargePercentMonth: 3,
    coldChargeC: null,
    hotC: 45,
    cutOutV: 10.8,
    restartV: 12.4,
  },
  lithium: {
    acceptanceC: 0.4,
    taperFrom: 0.95,
    absorptionV: 14.4,
    floatV: 13.5,
    efficiency: 0.99,
    selfDischargePercentMonth: 3,
    coldChargeC: 0,
    hotC: 45,
    cutOutV: 11,
    restartV: 12.8,
  },
};

/** Volts a house battery is driven to on charge, and at which a cut-out takes everything off: its own where it has any. */
export function chargedAndCutOutV(battery: ChargedBattery, nominalV: number): { absorptionV: number; cutOutV: number } {
  const { absorptionV, cutOutV } = CHARGE_FACTS[battery.chemistry];
  const inSeries = nominalV / 12;
  return { absorptionV: battery.absorptionV ?? absorptionV * inSeries, cutOutV: battery.cutOutV ?? cutOutV * inSeries };
}

interface ChargedBattery {
  chemistry: Chemistry;
  absorptionV?: number | undefined;
  cutOutV?: number | undefined;
}

/** Capacity of lead-acid against temperature, share of that at 25 °C. Source: battery trade tables, from memory. */
const LEAD_CAPACITY: readonly (readonly [celsius: number, share: number])[] = [
  [-20, 0.58],
  [-10, 0.73],
  [0, 0.83],
  [10, 0.91],
  [25, 1],
  [40, 1.06],
];

/**
 * The same of lithium iron phosphate: 0.80 to 0.90 at 0 °C, 0.65 to 0.80 at −10, 0.50 to 0.70 at −20, the middle of each. From memory;
 * makers differ more than with lead.
 */
const LITHIUM_CAPACITY: readonly (readonly [celsius: number, share: number])[] = [
  [-20, 0.6],
  [-10, 0.725],
  [0, 0.85],
  [25, 1],
];

/** Share of its capacity a battery gives at a temperature, °C, of that at 25 °C. */
export function capacityShare(chemistry: Chemistry, celsius: number): number {
  return between(chemistry === 'lithium' ? LITHIUM_CAPACITY : LEAD_CAPACITY, celsius);
}

/**
 * State of charge from a rested voltage, percent, with the band that the meter's error and the spread between batteries of
 * one kind leave: half a tenth of a volt in all. Honest for lithium only near its ends, where the curve is steep. Common practice.
 */
export function chargeFromRest(chemistry: Chemistry, volts: number, errorV = 0.05): { percent: number; low: number; high: number } {
  const at = (v: number) => between(REST_V[chemistry].map(([charge, rest]) => [rest, charge] as const), v); // prettier-ignore
  return { percent: at(volts), low: at(volts - errorV), high: at(volts + errorV) };
}

/** A table read on straight lines between its points, held at its ends. */
function between(points: readonly (readonly [number, number])[], x: number): number {
  const above = points.findIndex(([at]) => at >= x);
  if (above < 0) return points.at(-1)![1];
  if (above === 0) return points[0]![1];
  const [lowX, lowY] = points[above - 1]!;
  const [highX, highY] = points[above]!;
  return lowY + ((highY - lowY) * (x - lowX)) / (highX - lowX);
}
