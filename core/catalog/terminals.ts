import type { StudSize } from './vocabulary';
import { areaMm2, type ConductorSize } from './conductorSizes';

/** An insulated crimp terminal by its colour. */
export type TerminalColour = 'red' | 'blue' | 'yellow';

/** Ranges in mm² by colour: red 22 to 16 AWG, blue 16 to 14, yellow 12 to 10. Source: trade standard, from memory. */
const RANGES: readonly (readonly [TerminalColour, least: number, most: number])[] = [
  ['red', 0.32, 1.5],
  ['blue', 1.5, 2.63],
  ['yellow', 3.3, 6.64],
];

/**
 * What a conductor is ended with: an insulated terminal of a colour, a lug with its own die above 10 AWG or 6 mm², or nothing that
 * fits: 3 mm² falls between blue and yellow. Where two colours take a size, the smaller. Source: trade standard, from memory.
 */
export function terminalFor(size: ConductorSize): TerminalColour | 'lug' | 'none' {
  const area = areaMm2(size);
  const fits = RANGES.find(([, least, most]) => area >= least * 0.995 && area <= most);
  if (fits) return fits[0];
  return area > RANGES.at(-1)![2] ? 'lug' : 'none';
}

/** The inch screw next to a metric stud; M12 takes one of 1/2 with play. Source: trade standard, from memory. */
export const STUD_INCHES: Record<StudSize, string> = { M4: '#8', M5: '#10', M6: '1/4', M8: '5/16', M10: '3/8', M12: '1/2' };

/** A stud with its inch screw, as one asks for it in a shop. */
export function studWords(stud: StudSize): string {
  const inch = STUD_INCHES[stud];
  return `${stud} (${inch.startsWith('#') ? inch : `${inch} in`})`;
}

/**
 * The smallest stud that ring lugs of a conductor are made for, by the area from which it holds, mm². Source: makers' ranges of copper tube
 * lugs, from memory.
 */
const LEAST_STUD: readonly (readonly [fromMm2: number, stud: StudSize])[] = [
  [0, 'M4'],
  [9.9, 'M5'],
  [24.9, 'M6'],
  [49.9, 'M8'],
  [119.9, 'M10'],
];

/**
 * The smallest stud a ring lug of this conductor comes for. A thinner stud would have to be bushed, and the ring's palm is wider than its
 * seat.
 */
export function leastStud(size: ConductorSize): StudSize {
  return LEAST_STUD.findLast(([from]) => areaMm2(size) >= from)![1];
}

/** Pull a crimp stands for a minute, pounds, by American gauge. Source: ABYC E-11, from memory. */
export const PULL_LBF: Readonly<Record<string, number>> = {
  18: 10,
  16: 15,
  14: 30,
  12: 35,
  10: 40,
  8: 45,
  6: 50,
  4: 70,
  2: 90,
  1: 100,
  '1/0': 125,
  '2/0': 150,
  '3/0': 175,
  '4/0': 225,
};

/** The same for any conductor, N: of the largest gauge no bigger than it; null below the table. */
export function pullN(size: ConductorSize): number | null {
  const area = areaMm2(size) * 1.0005;
  const gauge = Object.entries(PULL_LBF)
    .map(([awg, lbf]) => ({ mm2: areaMm2(`awg:${awg}` as ConductorSize), lbf }))
    .filter(({ mm2 }) => mm2 <= area)
    .sort((a, b) => b.mm2 - a.mm2)[0];
  return gauge ? gauge.lbf * 4.44822 : null;
}
