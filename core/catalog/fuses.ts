import type { ProtectionFamily, TapLeg } from './vocabulary';

/**
 * Standard ratings in amperes by family, ascending. Source: blade ISO 8820-3; the rest from memory of trade ranges.
 * Colours of the larger families differ by maker, so only blade fuses carry one.
 */
export const RATINGS_A: Record<ProtectionFamily, readonly number[]> = {
  blade: [1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30, 35, 40],
  largeBlade: [20, 30, 40, 50, 60, 70, 80, 100],
  boltDown: [30, 40, 50, 60, 70, 80, 100, 125, 150, 200],
  mega: [60, 80, 100, 125, 150, 175, 200, 225, 250, 300, 350, 400, 450, 500],
  terminalMount: [30, 40, 50, 60, 75, 80, 100, 125, 150, 175, 200, 225, 250, 300],
  classT: [110, 125, 150, 175, 200, 225, 250, 300, 350, 400],
  glass: [1, 2, 3, 5, 7.5, 10, 15, 20, 25, 30, 35, 40, 50, 60, 80],
  breaker: [5, 10, 15, 20, 25, 30, 40, 50, 60, 80, 100, 120, 150, 200],
};

/** A fuse tap by the clip its common leg is in. */
export const TAP_WORDS: Record<TapLeg, string> = { supply: 'tap, live clip', load: 'tap, load’s clip' };

export const FAMILY_NAMES: Record<ProtectionFamily, string> = {
  blade: 'Blade fuse',
  largeBlade: 'Large blade fuse',
  boltDown: 'Bolt-down fuse',
  mega: 'Mega fuse',
  terminalMount: 'Terminal-mount fuse',
  classT: 'Class T fuse',
  glass: 'Glass fuse',
  breaker: 'Thermal breaker',
};

/** Blade colours by rating. Source: ISO 8820-3, 35 A from memory. */
export const BLADE_COLOURS: Record<number, string> = {
  1: 'black',
  2: 'grey',
  3: 'violet',
  4: 'pink',
  5: 'tan',
  7.5: 'brown',
  10: 'red',
  15: 'blue',
  20: 'yellow',
  25: 'clear',
  30: 'green',
  35: 'blue-green',
  40: 'orange',
};

/** A family's name inside a sentence. */
export function familyWords(family: ProtectionFamily): string {
  const name = FAMILY_NAMES[family];
  return name.charAt(0).toLowerCase() + name.slice(1);
}

/** Every rating one can buy in some family, ascending, for a question that names no family. */
export const ANY_RATING_A: readonly number[] = [...new Set(Object.values(RATINGS_A).flat())].sort((a, b) => a - b);

/** Cold resistance of blade fuses, milliohm by rating. From memory of makers' tables. */
const BLADE_MILLIOHM: readonly (readonly [number, number])[] = [
  [5, 17.9],
  [7.5, 10.9],
  [10, 7.7],
  [15, 4.8],
  [20, 3.4],
  [25, 2.5],
  [30, 2],
  [40, 1.4],
];
/** What a fuse of another family drops at its rating, volts. From memory: 0.05 to 0.1. */
const RATED_DROP_V = 0.07;

/** Resistance of a fuse or breaker when cold, ohm. */
export function fuseOhm(family: ProtectionFamily, ratingA: number): number {
  if (family !== 'blade') return RATED_DROP_V / ratingA;
  const at = BLADE_MILLIOHM.findIndex(([rating]) => rating >= ratingA);
  const [highA, high] = BLADE_MILLIOHM.at(at)!;
  if (at <= 0) return ((high / 1000) * highA) / ratingA;
  const [lowA, low] = BLADE_MILLIOHM[at - 1]!;
  const share = Math.log(ratingA / lowA) / Math.log(highA / lowA);
  return (low * Math.pow(high / low, share)) / 1000;
}
