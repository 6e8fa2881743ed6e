import type { ColourSchool } from '../catalog/vocabulary';
import type { WireColour } from '../catalog/wireColours';
import type { WireDuty, WireRole } from './wireRoles';

/** The plain colours a wire may have in each school by what it does, the usual one first; further wires get stripes on these. */
export type School = Record<WireDuty, readonly WireColour[]> & {
  /** What the others of a school never use for a live wire, since there it is a return. */
  returns: readonly WireColour[];
  lamps?: readonly WireColour[];
  motors?: readonly WireColour[];
};

/**
 * The schools. By pole: red and black, common practice. Small craft: ABYC E-11 and ISO 10133, with the return yellow, which keeps it apart
 * from the black of alternating current; lights dark blue, pumps brown, other outlets orange. Road vehicles: DIN 72551, 30 red, 15 black,
 * lamps grey, 31 brown. Heavy trucks: SAE J560, ground white, marker lamps brown, the rest of its lamp colours. All from memory.
 */
export const SCHOOLS: Record<ColourSchool, School> = {
  pole: { live: ['RD'], keyed: ['RD'], switched: ['RD'], signal: ['VT', 'BU'], return: ['BK'], returns: ['BK'] },
  smallCraft: {
    ...{ live: ['RD'], keyed: ['VT'], switched: ['OG'], signal: ['GY', 'PK'], return: ['YE'], returns: ['YE', 'BK'] },
    ...{ lamps: ['BU'], motors: ['BN'] },
  },
  road: {
    ...{ live: ['RD'], keyed: ['BK'], switched: ['GN', 'WH'], signal: ['VT', 'BU'], return: ['BN'], returns: ['BN'] },
    ...{ lamps: ['GY', 'YE'], motors: ['GN'] },
  },
  truck: {
    ...{ live: ['RD'], keyed: ['OG'], switched: ['BU', 'GN'], signal: ['VT', 'GY'], return: ['WH'], returns: ['WH'] },
    ...{ lamps: ['BN', 'BK', 'YE'], motors: ['BU'] },
  },
};

/**
 * What a colour says against what a wire does: that it is live where it takes current home, that it is a return where it is live. Null
 * where it says neither.
 */
export function poleOf(school: ColourSchool, colour: WireColour, { duty }: WireRole): 'live' | 'return' | null {
  const { live, keyed, returns, lamps } = SCHOOLS[school];
  if (duty === 'return') return [...live, ...keyed].includes(colour) ? 'live' : null;
  const isLampColour = lamps?.includes(colour) === true;
  return returns.includes(colour) && !SCHOOLS[school][duty].includes(colour) && !isLampColour ? 'return' : null;
}
