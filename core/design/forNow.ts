import { isFitting } from './asBuilt';
import type { Design } from './design';

/** Something done for now, that has to be come back to. */
export interface ForNow {
  id: string;
  /** Why it is so, where somebody said it. */
  why: string | null;
  /** The day to come back to it. */
  due: string | null;
  /** In a fuse's holder in place of the planned one, A; null for what is there and no part of the plan. */
  fittedA: number | null;
}

/** What was done for now: things in place that are no part of the plan, and fuses other than the planned ones, a test fuse left in among them. */
export function doneForNow(design: Design): ForNow[] {
  const found: ForNow[] = [];
  // Every record at every key press: no list for each.
  for (const record of design.records.values()) {
    if (!isFitting(record)) continue;
    const { id, work } = record;
    if (work?.state === 'temporary') found.push({ id, why: work.why ?? null, due: work.due ?? null, fittedA: null });
    if (record.type === 'device' && record.kind === 'protection' && record.fittedA !== undefined)
      found.push({ id, why: null, due: null, fittedA: record.fittedA });
  }
  return found;
}
