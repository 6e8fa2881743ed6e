import { copyPhotos } from './photos';
import { and, count, desc, eq, inArray, isNotNull, isNull, lt, or } from 'drizzle-orm';
import { applyChange, updateRecords, type Change } from '@/core/design/change';
import { makeDesign, settingsOf } from '@/core/design/design';
import { newId } from '@/core/design/ids';
import type { DesignRecord } from '@/core/design/schema';
import { SCHEMA_VERSION, SETTINGS_ID, type Vehicle } from '@/core/catalog/vocabulary';
import { cutText } from '@/core/units/text';
import type { Database } from '@/db/database';
import * as table from '@/db/schema';
import { analysed } from './analysed';
import { commit } from './commit';
import { NotFound } from './errors';
import { isWhollyJudged, judgeAside } from './judge';
import { readDesign, summaryOf } from './stored';
import { forget, oneWriterAtATime, remember, store } from './store';

/** One line of the list of designs. */
export interface DesignSummary {
  id: string;
  name: string;
  vehicle: Vehicle;
  updatedAt: number;
  deletedAt: number | null;
  circuits: number;
  worstDropPercent: number | null;
  dailyWh: number;
  runtimeH: number | null;
  /** Loads nobody has said any hours of: with some, a day and a runtime are bounds. */
  withoutHours: number;
  faults: number;
  cautions: number;
  /** Whether that is all there is to find. */
  isWhollyJudged: boolean;
  /** Whether the rest is being looked for: asked for again a little later, more is known. */
  isBeingJudged: boolean;
}

/** Which part of the list: designs whose names hold a text, so many, after the last one seen. */
export interface ListPart {
  deleted?: boolean;
  find?: string;
  after?: string;
  most?: number;
}

/** Part of the list, the design changed last first. */
export interface DesignPage {
  designs: DesignSummary[];
  /** Where the next part begins; null at the end. */
  next: string | null;
  /** Of all parts together. */
  total: number;
}

/** Designs in a part of the list where no number is asked for. */
const USUAL_PART = 60;

export async function listDesigns({ deleted = false, find = '', after = '', most = USUAL_PART }: ListPart = {}): Promise<DesignPage> {
  const database = await store().database;
  const { design } = table;
  const wanted = and(
    deleted ? isNotNull(design.deletedAt) : isNull(design.deletedAt),
    find === '' ? undefined : inArray(design.id, await idsOfNames(find, deleted)),
  );
  const [counted] = await database.select({ total: count() }).from(design).where(wanted);
  const found = await database
    .select()
    .from(design)
    .where(and(wanted, beyond(after)))
    .orderBy(desc(design.updatedAt), desc(design.id))
    .limit(most + 1);
  const rows = found.slice(0, most);
  const last = found.length > most ? rows.at(-1) : undefined;
  return {
    designs: summariesOf(rows, deleted ? NONE : judgeAside(rows)),
    next: last ? `${last.updatedAt}.${last.id}` : null,
    total: counted!.total,
  };
}

/** Designs whose names hold a text, in any case: the store’s own comparison knows the case of plain letters alone. */
async function idsOfNames(find: string, deleted: boolean): Promise<string[]> {
  const wanted = find.normalize('NFC').toLowerCase();
  return (await listNames(deleted)).filter(({ name }) => name.normalize('NFC').toLowerCase().includes(wanted)).map(({ id }) => id);
}

/** What comes later in the list than a mark made of the last one seen; everything where the mark is none of ours. */
function beyond(mark: string) {
  const [, at, id] = /^(\d{1,16})\.([A-Za-z0-9_-]{1,40})$/.exec(mark) ?? [];
  if (at === undefined || id === undefined) return undefined;
  const { updatedAt, id: own } = table.design;
  return or(lt(updatedAt, Number(at)), and(eq(updatedAt, Number(at)), lt(own, id)));
}

/** Of the deleted nothing is looked for. */
const NONE: ReadonlySet<string> = new Set();

/** What is stored of each design: what was not found in it yet is looked for beside, and is there when the list is asked for again. */
function summariesOf(rows: (typeof table.design.$inferSelect)[], waiting: ReadonlySet<string>): DesignSummary[] {
  return rows.map((row) => {
    const { id, name, vehicle, updatedAt, deletedAt, circuits, worstDropPercent, dailyWh, runtimeH, withoutHours } = row;
    return {
      ...{ id, name, vehicle: vehicle as Vehicle, updatedAt, deletedAt, circuits, worstDropPercent, dailyWh, runtimeH, withoutHours },
      ...{ faults: row.faults + row.slowFaults, cautions: row.cautions + row.slowCautions },
      ...{ isWhollyJudged: isWhollyJudged(row), isBeingJudged: waiting.has(id) },
    };
  });
}

/** The names of all designs, deleted or not, the one changed last first. */
export async function listNames(deleted = false): Promise<{ id: string; name: string }[]> {
  const database = await store().database;
  const { id, name, deletedAt, updatedAt } = table.design;
  return database
    .select({ id, name })
    .from(table.design)
    .where(deleted ? isNotNull(deletedAt) : isNull(deletedAt))
    .orderBy(desc(updatedAt));
}

/**
 * Stores a new design. The records have been validated and are checked as a whole here.
 * @param photosFrom the design whose pictures it gets too, for the photos that it has
 * @throws DesignError
 */
export async function createDesign(records: DesignRecord[], id = newId('design'), photosFrom: string | null = null): Promise<string> {
  const change: Change = { added: records, updated: [], removed: [] };
  const design = applyChange(makeDesign([]), change);
  const analysis = analysed(design, 'planned');
  const now = Date.now();
  const database = await store().database;
  await oneWriterAtATime(() =>
    database.transaction(
      async (writer) => {
        const row = { id, headRevision: 1, schemaVersion: SCHEMA_VERSION, createdAt: now, updatedAt: now, ...summaryOf(analysis) };
        await writer.insert(table.design).values(row);
        await insertRecords(writer, id, records);
        if (photosFrom !== null) await copyPhotos(writer, photosFrom, id);
        await writer.insert(table.change).values({
          designId: id,
          revision: 1,
          changeId: newId('start'),
          kind: 'edit',
          label: 'Start',
          diff: { added: [], updated: [], removed: [] },
          at: now,
        });
      },
      { behavior: 'immediate' },
    ),
  );
  remember(id, { revision: 1, design, analysis });
  return id;
}

export async function duplicateDesign(id: string): Promise<string> {
  const { design } = await readDesign(id);
  const { name } = settingsOf(design);
  const copy = applyChange(design, updateRecords(design, [{ id: SETTINGS_ID, set: { name: `${cutText(name, 70)} (copy)` } }]));
  return createDesign(Array.from(copy.records.values()), newId('design'), id);
}

export async function renameDesign(id: string, name: string): Promise<void> {
  const { revision, design } = await readDesign(id);
  const change = updateRecords(design, [{ id: SETTINGS_ID, set: { name } }]);
  if (change.updated.length > 0) await commit(id, { changeId: newId('chg'), baseRevision: revision, label: `Rename to ${name}`, change });
}

/** Marks a design deleted; restoreDesign brings it back as it was. */
export async function deleteDesign(id: string): Promise<void> {
  await setDeleted(id, Date.now());
}

export async function restoreDesign(id: string): Promise<void> {
  await setDeleted(id, null);
}

/** Removes a deleted design with its whole history. */
export async function eraseDesign(id: string): Promise<void> {
  const database = await store().database;
  const gone = await oneWriterAtATime(() =>
    database
      .delete(table.design)
      .where(and(eq(table.design.id, id), isNotNull(table.design.deletedAt)))
      .returning({ id: table.design.id }),
  );
  if (gone.length === 0) throw new NotFound('deleted design', id);
}

/** Rows per insert statement, well under the engine's limit on bound values. */
const ROWS_PER_INSERT = 500;

async function insertRecords(writer: Pick<Database, 'insert'>, designId: string, records: readonly DesignRecord[]): Promise<void> {
  for (let at = 0; at < records.length; at += ROWS_PER_INSERT) {
    const rows = records.slice(at, at + ROWS_PER_INSERT).map((json) => ({ designId, id: json.id, type: json.type, json }));
    await writer.insert(table.record).values(rows);
  }
}

async function setDeleted(id: string, deletedAt: number | null): Promise<void> {
  const database = await store().database;
  const changed = await oneWriterAtATime(() =>
    database
      .update(table.design)
      .set({ deletedAt })
      .where(and(eq(table.design.id, id), deletedAt === null ? isNotNull(table.design.deletedAt) : isNull(table.design.deletedAt)))
      .returning({ id: table.design.id }),
  );
  if (changed.length === 0) throw new NotFound('design', id);
  forget(id);
  store().committed.emit(id);
}
