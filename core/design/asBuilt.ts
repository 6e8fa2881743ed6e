import type { WorkState } from '../catalog/vocabulary';
import { sameRecord, type Change } from './change';
import { deviceOf, makeDesign, type Design } from './design';
import { referencesOf } from './references';
import type { DesignRecord, Device, Protection, Wire } from './schema';

/** What of a design is looked at: what it is to be, or what is in the vehicle today. */
export type DesignView = 'planned' | 'now';

/** How far a device or wire has come. */
export type Progress = WorkState | 'planned';

/** What is in each view: a fitted thing in both, one that was taken out in neither. */
const SHOWS: Record<DesignView, readonly Progress[]> = { planned: ['planned', 'fitted'], now: ['fitted', 'temporary'] };

/** A device or a wire: what can be fitted. */
export type Fitting = Device | Wire;

export function isFitting(record: DesignRecord): record is Fitting {
  return record.type === 'device' || record.type === 'wire';
}

export function progressOf({ work }: Fitting): Progress {
  return work?.state ?? 'planned';
}

/** Whether it is part of the plan: neither there for now nor taken out. */
export function isInPlan(fitting: Fitting): boolean {
  return SHOWS.planned.includes(progressOf(fitting));
}

/**
 * The design as one view shows it. Whatever hangs on something that is not in it goes along: its wires, a fuse in a block's slot, a lamp's
 * further functions, a circuit without its fuse. As it is now, a fuse has the rating that is in its holder. The same design where nothing
 * is left out or other.
 */
export function seenAs(design: Design, view: DesignView): Design {
  const shown = SHOWS[view];
  const isOut = (record: DesignRecord) => isFitting(record) && !shown.includes(progressOf(record));
  if (view === 'planned' && !Array.from(design.records.values()).some(isOut)) return design;
  const records = new Map(design.records);
  for (const record of design.records.values()) {
    if (isOut(record)) records.delete(record.id);
    else if (view === 'now' && isFuse(record)) records.set(record.id, asFitted(record));
  }
  while (leaveOutHanging(design, records));
  return { records };
}

/** Leaves out records that refer to one left out before. Whether it found any. */
function leaveOutHanging({ records: all }: Design, records: Map<string, DesignRecord>): boolean {
  const before = records.size;
  for (const record of records.values()) {
    if (referencesOf(record).some(({ id }) => all.has(id) && !records.has(id))) records.delete(record.id);
  }
  return records.size < before;
}

/** What an edit is made from: all of the design, so that nothing out of sight is in the way, with the values that the view shows. */
export function editedIn(design: Design, view: DesignView): Design {
  if (view === 'planned') return design;
  return makeDesign(Array.from(design.records.values(), (record) => (isFuse(record) ? asFitted(record) : record)));
}

const isFuse = (record: DesignRecord): record is Protection => record.type === 'device' && record.kind === 'protection';

/**
 * A change made while looking at one view, as it is stored: what is added to what is there now is there, and another fuse there is another
 * one in its holder, not in the plan. As planned nothing is other.
 */
export function asStored(design: Design, change: Change, view: DesignView): Change {
  if (view === 'planned') return change;
  const fuseOf = (id: string) => deviceOf(design, id, 'protection');
  return {
    added: change.added.map((record) => (isFitting(record) && !record.work ? { ...record, work: { state: 'fitted' } } : record)),
    updated: change.updated.map(({ from, to }) => {
      const stored = fuseOf(from.id);
      return stored ? inHolder(stored, from as Protection, to as Protection) : { from, to };
    }),
    removed: change.removed.map((record) => {
      const stored = fuseOf(record.id);
      return stored && sameRecord(record, asFitted(stored)) ? stored : record;
    }),
  };
}

/** A fuse as it is now: with the rating that is in its holder. */
function asFitted(fuse: Protection): Protection {
  return fuse.fittedA === undefined ? fuse : { ...fuse, ratingA: fuse.fittedA };
}

/** The planned rating stays; the one that is asked for is what the holder gets. */
function inHolder(stored: Protection, from: Protection, to: Protection): Change['updated'][number] {
  const { fittedA, ...others } = to;
  const heldA = to.ratingA === from.ratingA ? fittedA : to.ratingA;
  const isOther = heldA !== undefined && heldA !== stored.ratingA;
  return {
    from: sameRecord(from, asFitted(stored)) ? stored : from,
    to: { ...others, ratingA: stored.ratingA, ...(isOther && { fittedA: heldA }) },
  };
}

/** How many devices and wires have come how far. */
export function countProgress(design: Design): Record<Progress, number> {
  const counts: Record<Progress, number> = { planned: 0, fitted: 0, temporary: 0, removed: 0 };
  for (const record of design.records.values()) if (isFitting(record)) counts[progressOf(record)] += 1;
  return counts;
}

/** Fields that bring a device or wire to a state; what was said of one that is temporary or taken out goes with it. */
export function progressFields({ work }: Fitting, progress: Progress): Pick<Fitting, 'work'> | { work: undefined } {
  if (progress === 'planned') return { work: undefined };
  if (progress === 'fitted') return { work: { state: progress } };
  return { work: { ...work, state: progress } };
}
