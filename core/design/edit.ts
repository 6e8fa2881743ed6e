import { sameRecord, withFields, type Change, type FieldsOf, type RecordFields } from './change';
import type { Design } from './design';
import { DesignError } from './problems';
import { referencesOf } from './references';
import type { DesignRecord, RecordType } from './schema';

/** Kinds of record that are nothing without what they refer to. */
const GOES_ALONG: ReadonlySet<RecordType> = new Set(['wish', 'panelPart', 'lead', 'reading', 'photo', 'option', 'drawn']);
/** Kinds of record that take those along. */
const TAKES_ALONG: ReadonlySet<RecordType> = new Set(['device', 'panel', 'wire', 'event', 'choice', 'circuit']);

/** Collects several steps against a design into one Change, letting each step see the ones before it. */
export class Edit {
  private readonly now: Map<string, DesignRecord>;

  constructor(private readonly before: Design) {
    this.now = new Map(before.records);
  }

  /** The design with the steps so far. */
  get design(): Design {
    return { records: this.now };
  }

  add<T extends DesignRecord>(record: T): T {
    if (this.now.has(record.id)) throw new DesignError([{ code: 'duplicateId', id: record.id }]);
    this.now.set(record.id, record);
    return record;
  }

  /**
   * Sets fields of a record: of one at hand those of its kind, by its id any that some record has. @throws DesignError when it is not
   * there.
   */
  set<R extends DesignRecord>(record: R, fields: FieldsOf<NoInfer<R>>): void;
  set(id: string, fields: RecordFields): void;
  set(which: string | DesignRecord, fields: RecordFields): void {
    const id = typeof which === 'string' ? which : which.id;
    const record = this.now.get(id);
    if (!record) throw new DesignError([{ code: 'missingRecord', id }]);
    this.now.set(id, withFields(record, fields));
  }

  /**
   * Removes a record, and with a device what was wished of it or by it, its leads, what was read at it and its position on a panel; with a
   * wire what was read in it; with a panel all its positions; with a line of the logbook its photos; with a choice its options; with a
   * device or circuit where a hand put it in the diagram. What was of a cable or a kit is by itself then.
   */
  remove(id: string): void {
    const record = this.now.get(id);
    this.now.delete(id);
    if (record?.type === 'cable' || record?.type === 'kit') this.partFrom(id);
    if (!record || !TAKES_ALONG.has(record.type)) return;
    for (const other of this.now.values()) {
      if (GOES_ALONG.has(other.type) && referencesOf(other).some((reference) => reference.id === id)) this.now.delete(other.id);
    }
  }

  private partFrom(id: string): void {
    for (const other of this.now.values()) {
      if (other.type === 'wire' && other.core?.cableId === id) this.set(other.id, { core: undefined });
      if ((other.type === 'wire' || other.type === 'device') && other.kitId === id) this.set(other.id, { kitId: undefined });
    }
  }

  /** What the steps come to. */
  get change(): Change {
    const change: Change = { added: [], updated: [], removed: [] };
    for (const [id, from] of this.before.records) {
      const to = this.now.get(id);
      if (!to) change.removed.push(from);
      else if (to !== from && !sameRecord(from, to)) change.updated.push({ from, to });
    }
    for (const [id, record] of this.now) {
      if (!this.before.records.has(id)) change.added.push(record);
    }
    return change;
  }
}

/** The change that makes one design of another. */
export function between(from: Design, to: Design): Change {
  return {
    added: Array.from(to.records.values()).filter(({ id }) => !from.records.has(id)),
    updated: Array.from(from.records.values()).flatMap((before) => {
      const after = to.records.get(before.id);
      return after && !sameRecord(before, after) ? [{ from: before, to: after }] : [];
    }),
    removed: Array.from(from.records.values()).filter(({ id }) => !to.records.has(id)),
  };
}
