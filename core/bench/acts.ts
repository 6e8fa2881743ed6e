import { listUpTo } from '../units/schema';
import { MOST_ACTS } from '../catalog/vocabulary';
import { act, type BenchAct } from '../design/actSchema';
import type { Design } from '../design/design';
import { subjectOf } from './faults';

/** Acts as they stand in a link. */
export function writeActs(acts: readonly BenchAct[]): string {
  return encodeURIComponent(JSON.stringify(acts.slice(-MOST_ACTS)));
}

/** Acts out of a link; null for anything else. */
export function readActs(text: string): BenchAct[] | null {
  try {
    const read = listUpTo(act, MOST_ACTS).safeParse(JSON.parse(decodeURIComponent(text)));
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}

/** How many acts are about what a design no longer has: they do nothing. */
export function actsOnGone({ records }: Design, acts: readonly BenchAct[]): number {
  return acts.filter((one) => {
    const subject =
      one.kind === 'move' ? (one.mover.kind === 'device' ? one.mover.deviceId : null) : 'fault' in one ? subjectOf(one.fault) : null;
    return subject !== null && !records.has(subject);
  }).length;
}
