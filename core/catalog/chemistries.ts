import type { Chemistry } from '../design/vocabulary';

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
  const points = REST_V[chemistry];
  const above = points.findIndex(([charge]) => charge >= chargePercent);
  if (above < 0) return points.at(-1)![1];
  if (above === 0) return points[0]![1];
  const [lowCharge, lowV] = points[above - 1]!;
  const [highCharge, highV] = points[above]!;
  return lowV + ((highV - lowV) * (chargePercent - lowCharge)) / (highCharge - lowCharge);
}

/** Internal milliohms of 100 Ah at 12 V, the middle of the usual range; lithium with its protection. From memory. */
const MILLIOHM_PER_100_AH: Record<Chemistry, number> = { flooded: 7.5, agm: 4, gel: 5, lithium: 8 };

/** Internal resistance of a 12 V battery or bank of that capacity, ohm. */
export function batteryOhm(chemistry: Chemistry, capacityAh: number): number {
  return (MILLIOHM_PER_100_AH[chemistry] / 1000) * (100 / capacityAh);
}
