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
