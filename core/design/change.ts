import type { Design } from './design';
import { kindOf } from '../devices';
import { DesignError, type Problem } from './problems';
import { checkAround } from './references';
import type { DesignRecord } from './schema';

/**
 * The only way a design alters: plain data that says what is added, what goes from one value to another, and what is
 * removed. It carries the old values, so it can be inverted, and so it can tell when it was made against something else.
 */
export interface Change {
  added: DesignRecord[];
  updated: { from: DesignRecord; to: DesignRecord }[];
  removed: DesignRecord[];
}

export const NO_CHANGE: Change = { added: [], updated: [], removed: [] };

export function isEmpty(change: Change): boolean {
  return change.added.length + change.updated.length + change.removed.length === 0;
}

/** The ids a change touches. */
export function touchedIds(change: Change): string[] {
  return [
    ...change.added.map((record) => record.id),
    ...change.updated.map(({ from }) => from.id),
    ...change.removed.map((record) => record.id),
  ];
}

/**
 * The design after the change. The design before it must be whole; the result then is.
 * @throws DesignError with every problem: a record that is already there, gone, or differs from what the change expects
 *   (`duplicateId`, `missingRecord`, `staleRecord`), and every broken reference the result would have.
 */
export function applyChange(design: Design, change: Change): Design {
  const result = applyUnchecked(design, change);
  const reshaped = new Set(change.removed.map(({ id }) => id));
  for (const { from, to } of change.updated) if (shapeOf(from) !== shapeOf(to)) reshaped.add(from.id);
  const problems = checkAround(result, [...change.added, ...change.updated.map(({ to }) => to)], reshaped);
  if (problems.length > 0) throw new DesignError(problems);
  return result;
}

/**
 * As applyChange but without checking references: for changes the store has already accepted, and for the one a user is
 * in the middle of typing.
 * @throws DesignError when a record does not stand as the change expects.
 */
export function applyUnchecked(design: Design, change: Change): Design {
  const records = new Map(design.records);
  const problems: Problem[] = [];
  for (const record of change.removed) {
    if (expect(records, record, problems)) records.delete(record.id);
  }
  for (const { from, to } of change.updated) {
    if (!expect(records, from, problems)) continue;
    if (from.id !== to.id || from.type !== to.type || deviceKindOf(from) !== deviceKindOf(to))
      problems.push({ code: 'typeChanged', id: from.id });
    records.set(from.id, to);
  }
  for (const record of change.added) {
    if (records.has(record.id)) problems.push({ code: 'duplicateId', id: record.id });
    records.set(record.id, record);
  }
  if (problems.length > 0) throw new DesignError(problems);
  return { records };
}

/** The change that takes the result of `change` back to where it came from. */
export function invertChange(change: Change): Change {
  return {
    added: change.removed,
    updated: change.updated.map(({ from, to }) => ({ from: to, to: from })),
    removed: change.added,
  };
}

/** One change with the effect of `first` and then `second`. */
export function composeChanges(first: Change, second: Change): Change {
  const before = new Map<string, DesignRecord | null>();
  const after = new Map<string, DesignRecord | null>();
  for (const change of [first, second]) {
    for (const { id, from, to } of steps(change)) {
      if (!before.has(id)) before.set(id, from);
      after.set(id, to);
    }
  }
  const composed: Change = { added: [], updated: [], removed: [] };
  for (const [id, from] of before) {
    const to = after.get(id)!;
    if (from && to) {
      if (!sameRecord(from, to)) composed.updated.push({ from, to });
    } else if (to) composed.added.push(to);
    else if (from) composed.removed.push(from);
  }
  return composed;
}

/** Fields that some kind of record has, each with a value that kind may have. Undefined takes an optional one away. */
export type RecordFields = FieldsOf<DesignRecord>;

/** Fields of one kind of record. */
export type FieldsOf<R> = R extends DesignRecord ? { [K in keyof Omit<R, 'id' | 'type' | 'kind'>]?: R[K] | undefined } : never;

/** What an update sets of a record, held to the fields of its kind. */
export interface Update {
  id: string;
  set: RecordFields;
}

/** An update of a record at hand: fields of other kinds do not compile. */
export function setting<R extends DesignRecord>({ id }: R, set: FieldsOf<NoInfer<R>>): Update {
  return { id, set };
}

/** A change that sets fields of records as they stand in the design. Records that would stay the same are left out. */
export function updateRecords(design: Design, updates: readonly Update[]): Change {
  const updated: Change['updated'] = [];
  for (const { id, set } of updates) {
    const from = design.records.get(id);
    if (!from) throw new DesignError([{ code: 'missingRecord', id }]);
    const to = withFields(from, set);
    if (!sameRecord(from, to)) updated.push({ from, to });
  }
  return { added: [], updated, removed: [] };
}

/** A record with some fields set; one set to undefined is taken away, as it would be in a file. */
export function withFields(record: DesignRecord, fields: RecordFields): DesignRecord {
  const set = Object.entries({ ...record, ...fields }).filter(([, value]) => value !== undefined);
  return Object.fromEntries(set) as DesignRecord;
}

/** Whether two records hold the same values, whatever the order of their fields. */
export function sameRecord(a: unknown, b: unknown): boolean {
  // Nought with a sign is nought.
  if (a === b || Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Array.isArray(a) !== Array.isArray(b)) return false;
  const keys = Object.keys(a);
  if (keys.length !== Object.keys(b).length) return false;
  return keys.every((key) => Object.hasOwn(b, key) && sameRecord((a as Record<string, unknown>)[key], (b as Record<string, unknown>)[key]));
}

/** Names of the fields in which two states of a record differ. */
export function changedFields(from: DesignRecord, to: DesignRecord): string[] {
  return Array.from(new Set([...Object.keys(from), ...Object.keys(to)])).filter(
    (field) => !sameRecord((from as Record<string, unknown>)[field], (to as Record<string, unknown>)[field]),
  );
}

function expect(records: Map<string, DesignRecord>, wanted: DesignRecord, problems: Problem[]): boolean {
  const found = records.get(wanted.id);
  if (!found) problems.push({ code: 'missingRecord', id: wanted.id });
  else if (!sameRecord(found, wanted)) problems.push({ code: 'staleRecord', id: wanted.id });
  else return true;
  return false;
}

/** What others can rely on: a device's terminals, slots and what is worked on it, a panel's positions, a cable's cores. */
function shapeOf(record: DesignRecord): string {
  if (record.type === 'panel') return String(record.columns * record.rows);
  if (record.type === 'cable') return String(record.cores.length);
  if (record.type !== 'device') return record.type;
  const { terminals, controls } = kindOf(record);
  const slots = record.kind === 'fuseBlock' ? record.slots : '';
  const isFunction = record.kind === 'load' && record.partOf !== undefined;
  return [...terminals(record), ...Object.keys(controls?.(record) ?? {}), slots, isFunction].join();
}

function deviceKindOf(record: DesignRecord): string | undefined {
  return record.type === 'device' ? record.kind : undefined;
}

function* steps(change: Change): Generator<{ id: string; from: DesignRecord | null; to: DesignRecord | null }> {
  for (const record of change.removed) yield { id: record.id, from: record, to: null };
  for (const { from, to } of change.updated) yield { id: from.id, from, to };
  for (const record of change.added) yield { id: record.id, from: null, to: record };
}
