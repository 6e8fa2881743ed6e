import { changedFields, sameRecord, type Change } from '@/core/design/change';
import type { Design } from '@/core/design/design';
import type { DesignRecord } from '@/core/design/schema';

/**
 * A change made on records that have moved on, made again where it touches nothing the others touched: field by field. What already stands
 * as it wants it, as after an answer that got lost, is left out. Null where both changed the same thing to different ends.
 */
export function rebased(design: Design, { added, updated, removed }: Change): Change | null {
  const again: Change = { added: [], updated: [], removed: [] };
  for (const { from, to } of updated) {
    const now = design.records.get(from.id);
    const fields = now && mergedFields(now, from, to);
    if (!now || !fields) return null;
    if (Object.keys(fields).length > 0) again.updated.push({ from: now, to: withFields(now, fields) });
  }
  for (const record of removed) {
    const now = design.records.get(record.id);
    if (now && !sameRecord(now, record)) return null;
    if (now) again.removed.push(now);
  }
  for (const record of added) {
    const now = design.records.get(record.id);
    if (now && !sameRecord(now, record)) return null;
    if (!now) again.added.push(record);
  }
  return again;
}

/**
 * Fields changed from one record to another and still to be changed in a third; null where that has another value of its own in one of
 * them.
 */
function mergedFields(now: DesignRecord, from: DesignRecord, to: DesignRecord): Record<string, unknown> | null {
  const fields: Record<string, unknown> = {};
  for (const field of changedFields(from, to)) {
    if (sameRecord(valueOf(now, field), valueOf(to, field))) continue;
    if (!sameRecord(valueOf(now, field), valueOf(from, field))) return null;
    fields[field] = valueOf(to, field);
  }
  return fields;
}

/** The same edit made again on the records as they stand: my new values win, field by field where I changed them. */
export function ontoCurrent(design: Design, { added, updated, removed }: Change): Change {
  const redone: Change = { added: [], updated: [], removed: [] };
  for (const { from, to } of updated) {
    const now = design.records.get(from.id);
    if (!now) redone.added.push(to);
    else {
      const mine = Object.fromEntries(changedFields(from, to).map((field) => [field, valueOf(to, field)]));
      redone.updated.push({ from: now, to: withFields(now, mine) });
    }
  }
  for (const record of removed) {
    const now = design.records.get(record.id);
    if (now) redone.removed.push(now);
  }
  for (const record of added) {
    if (!design.records.has(record.id)) redone.added.push(record);
  }
  return redone;
}

/** A record with some fields set; one set to nothing is taken out. */
function withFields(record: DesignRecord, fields: Record<string, unknown>): DesignRecord {
  return Object.fromEntries(Object.entries({ ...record, ...fields }).filter(([, value]) => value !== undefined)) as DesignRecord;
}

function valueOf(record: DesignRecord, field: string): unknown {
  return (record as Record<string, unknown>)[field];
}
