import type { ProtectionFamily } from './vocabulary';

/** Least and longest opening time at one multiple of the rating, seconds. */
type Gate = readonly [multiple: number, leastS: number, longestS: number];

/** Blade: ISO 8820-3's gates as remembered. Glass fuses are taken as these. */
const BLADE: readonly Gate[] = [
  [1.1, 360_000, 3_600_000],
  [1.35, 0.75, 600],
  [1.6, 0.25, 50],
  [2, 0.15, 5],
  [3.5, 0.04, 0.5],
  [6, 0.02, 0.1],
];
/** Large blade, from memory. Thermal breakers are taken as these. */
const LARGE: readonly Gate[] = [
  [1.1, 360_000, 3_600_000],
  [1.35, 60, 900],
  [2, 2, 60],
  [3.5, 0.2, 7],
  [6, 0.04, 1],
];
/**
 * Class T: slow in overload, and fast in a short, which it cuts off before the current has reached its height: within half a cycle of mains
 * from some twenty times its rating. From memory of makers' curves in general, least surely of all.
 */
const CLASS_T: readonly Gate[] = [
  [1.1, 360_000, 3_600_000],
  [1.35, 60, 3600],
  [2, 10, 300],
  [3.5, 0.5, 20],
  [5, 0.08, 2],
  [10, 0.004, 0.05],
  [20, 0.0005, 0.008],
];
/** Bolted strips of the mega kind, from memory. The other bolted families are taken as these. */
const BOLTED: readonly Gate[] = [
  [1.1, 360_000, 3_600_000],
  [1.35, 120, 1800],
  [2, 1, 15],
  [3.5, 0.3, 5],
  [6, 0.1, 1],
];

const GATES: Record<ProtectionFamily, readonly Gate[]> = {
  blade: BLADE,
  largeBlade: LARGE,
  breaker: LARGE,
  boltDown: BOLTED,
  mega: BOLTED,
  terminalMount: BOLTED,
  classT: CLASS_T,
  glass: BLADE,
};

/**
 * Seconds until a fuse or breaker opens at a multiple of its rating, by the middle of its gates (their geometric mean) on
 * straight lines between their logarithms. Infinite under 110 %. Past the last gate the heat that melts it is what counts,
 * so the time falls with the square of the current.
 */
export function openingTimeS(family: ProtectionFamily, multiple: number): number {
  return timeBy(GATES[family], multiple, ([, least, longest]) => Math.sqrt(least * longest));
}

/** The soonest and the latest it may open, by its gates. */
export function openingBandS(family: ProtectionFamily, multiple: number): [number, number] {
  return [timeBy(GATES[family], multiple, ([, least]) => least), timeBy(GATES[family], multiple, ([, , longest]) => longest)];
}

/**
 * Longest fault the adiabatic limit of a conductor speaks of, and the longest a feeder's may last, s. Source: IEC 60364-4-41 and -43, from
 * memory.
 */
export const LONGEST_FAULT_S = 5;

/** Where a family's gates have corners, and what follows from them. */
interface Corners {
  /** Multiples of the rating, ascending. */
  multiples: readonly number[];
  /** The multiple from which it is sure to end a fault within the longest allowed. */
  endsFrom: number;
  /** Most heat let through in a fault it surely ends so, as current squared times time of a 1 A fuse, A²s. */
  letThrough: number;
}

const CORNERS = new Map(Object.values(GATES).map((gates) => [gates, cornersOf(gates)]));

function cornersOf(gates: readonly Gate[]): Corners {
  const longestAt = (multiple: number) => timeBy(gates, multiple, ([, , longest]) => longest);
  const at = gates.findIndex(([, , longest]) => longest <= LONGEST_FAULT_S);
  const [high, low] = [gates[at]!, gates[at - 1]!];
  const share = Math.log(low[2] / LONGEST_FAULT_S) / Math.log(low[2] / high[2]);
  const endsFrom = low[0] * (high[0] / low[0]) ** share;
  const multiples = gates.map(([multiple]) => multiple);
  // Time and current are straight lines on logarithmic scales, so their product is greatest at a corner.
  const ended = [endsFrom, ...multiples.filter((multiple) => multiple > endsFrom)];
  return { multiples, endsFrom, letThrough: Math.max(...ended.map((multiple) => multiple ** 2 * longestAt(multiple))) };
}

/** The multiples of the rating that a family's gates stand at, ascending. */
export function gateMultiples(family: ProtectionFamily): readonly number[] {
  return CORNERS.get(GATES[family])!.multiples;
}

/** The multiple of its rating from which a fuse surely ends a fault within 5 s. */
export function endsFaultFrom(family: ProtectionFamily): number {
  return CORNERS.get(GATES[family])!.endsFrom;
}

/** The most heat a fuse lets through in a fault it surely ends within 5 s: current squared times time, A²s. */
export function letThroughA2s(family: ProtectionFamily, ratingA: number): number {
  return CORNERS.get(GATES[family])!.letThrough * ratingA ** 2;
}

function timeBy(gates: readonly Gate[], multiple: number, secondsOf: (gate: Gate) => number): number {
  if (!(multiple >= gates[0]![0])) return Infinity;
  const last = gates.at(-1)!;
  if (multiple >= last[0]) return secondsOf(last) * Math.pow(last[0] / multiple, 2);
  const above = gates.findIndex(([at]) => at > multiple);
  const low = gates[above - 1]!;
  const high = gates[above]!;
  const share = Math.log(multiple / low[0]) / Math.log(high[0] / low[0]);
  return Math.exp(Math.log(secondsOf(low)) * (1 - share) + Math.log(secondsOf(high)) * share);
}
