import type { ConductorSize } from './conductorSizes';
import type { WireColour } from './wireColours';

/** Cables as they are sold, by their cores' colours. */
export const CABLE_MAKES = ['twin', 'twinYellow', 'twinMains', 'three', 'four', 'five', 'seven'] as const;
export type CableMake = (typeof CABLE_MAKES)[number];

/**
 * Colours of the cores, from core 1 on. Twin: common practice; with a yellow return for small craft: ABYC E-11; brown and blue: flexible
 * mains cable, IEC 60445, looks like mains wherever it lies; seven: trailer cable, ISO 1724 (left, fog, ground, right, right tail, stop,
 * left tail). All from memory; makers of three to five cores differ, so each core may be given another colour.
 */
const CORES: Record<CableMake, readonly WireColour[]> = {
  twin: ['RD', 'BK'],
  twinYellow: ['RD', 'YE'],
  twinMains: ['BN', 'BU'],
  three: ['RD', 'BK', 'WH'],
  four: ['RD', 'BK', 'WH', 'GN'],
  five: ['RD', 'BK', 'WH', 'GN', 'YE'],
  seven: ['YE', 'BU', 'WH', 'GN', 'BN', 'RD', 'BK'],
};

/** The cores of a cable as it is sold, all of one size. */
export function coresOf(make: CableMake, conductor: ConductorSize): { conductor: ConductorSize; colour: WireColour }[] {
  return CORES[make].map((colour) => ({ conductor, colour }));
}
