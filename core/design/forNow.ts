import { isFitting } from './asBuilt';
import type { Design } from './design';
import type { DesignRecord } from './schema';

/** Something done for now, that has to be come back to. */
export interface ForNow {
  id: string;
  /** Why it is so, where somebody said it. */
  why: string | null;
  /** The day to come back to it. */
  due: string | null;
  /** In a fuse's holder in place of the planned one, A; null for anything else. */
  fittedA: number | null;
  /** A joint in place that does not last, by how it is made; null for anything else. */
  made: 'twist' | 'tap' | null;
}

/**
 * What was done for now: things in place that are no part of the plan, fuses other than the planned ones, a test fuse left in among them,
 * and joints twisted or tapped.
 */
export function doneForNow(design: Design): ForNow[] {
  const found: ForNow[] = [];
  // Every record at every key press: no list for each.
  for (const record of design.records.values()) {
    if (!isFitting(record)) continue;
    const { id, work } = record;
    const [why, due, made] = [work?.why ?? null, work?.due ?? null, jointForNow(record)];
    if (work?.state === 'temporary' || made !== null) found.push({ id, why, due, fittedA: null, made });
    if (record.type === 'device' && record.kind === 'protection' && record.fittedA !== undefined)
      found.push({ id, why: null, due: null, fittedA: record.fittedA, made: null });
  }
  return found;
}

/** How a joint in place is made, where that does not last. Common practice: a twist and a tap are for the evening. */
export function jointForNow(record: DesignRecord): ForNow['made'] {
  if (record.type !== 'device' || record.kind !== 'splice' || record.work?.state !== 'fitted') return null;
  return record.made === 'twist' || record.made === 'tap' ? record.made : null;
}
