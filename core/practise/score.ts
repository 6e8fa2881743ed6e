import type { Entry, Unsafe } from './told';
import type { Way } from './bestWay';

/** How a hunt was gone about, beside the way the finder goes. */
export interface Score {
  acts: number;
  parActs: number;
  minutes: number;
  parMinutes: number;
  /** Named and taken apart for nothing. */
  wrongNames: number;
  unsafe: readonly { what: Unsafe; times: number }[];
  /** Fuses that went. */
  blown: number;
  /** Of 100. */
  points: number;
}

/** Taken off: for an act beyond the finder's, a part taken apart for nothing, a fuse, something that could hurt. Our own measure. */
const OFF = { act: 2, mostForActs: 40, wrongName: 10, blown: 5, unsafe: 15 } as const;

export function scoreOf(entries: readonly Entry[], way: Way): Score {
  const wrongNames = entries.filter(({ told }) => told.some((one) => one.kind === 'mended' && !one.isRight)).length;
  const blown = entries.reduce((sum, one) => sum + one.blown.length, 0);
  const counts = new Map<Unsafe, number>();
  for (const what of entries.flatMap(({ unsafe }) => unsafe)) counts.set(what, (counts.get(what) ?? 0) + 1);
  const unsafe = Array.from(counts, ([what, times]) => ({ what, times }));
  const beyond = Math.min(OFF.mostForActs, OFF.act * Math.max(0, entries.length - way.steps.length));
  const risks = unsafe.filter(({ what }) => what !== 'fuseBlown').reduce((sum, { times }) => sum + times, 0);
  const points = Math.max(0, 100 - beyond - OFF.wrongName * wrongNames - OFF.blown * blown - OFF.unsafe * risks);
  const minutes = entries.reduce((sum, one) => sum + one.minutes, 0);
  return { acts: entries.length, parActs: way.steps.length, minutes, parMinutes: way.minutes, wrongNames, unsafe, blown, points };
}
