import { and, eq, isNull, sql } from 'drizzle-orm';
import type { Analysis } from '@/core/analysis/types';
import { settingsOf } from '@/core/design/design';
import { readableDesign, type SetAside } from '@/core/design/readable';
import type { DesignRecord } from '@/core/design/schema';
import type { Database } from '@/db/database';
import * as table from '@/db/schema';
import { NotFound } from './errors';
import { store, type Remembered } from './store';

/** A design as a screen opens it. */
export interface OpenDesign {
  id: string;
  revision: number;
  records: DesignRecord[];
  /** Stored records that cannot be read; they stay stored as they are. */
  aside?: readonly SetAside[];
}

type Reader = Pick<Database, 'select'>;

/** @throws NotFound when there is no such design, or it has been deleted. */
export async function readDesign(id: string): Promise<Remembered> {
  const database = await store().database;
  const [row] = await headOf(database, id);
  if (!row) throw new NotFound('design', id);
  const cached = store().cache.get(id);
  if (cached?.revision === row.revision) return cached;
  const [head, records] = await database.batch([headOf(database, id), recordsOf(database, id)]);
  if (!head[0]) throw new NotFound('design', id);
  return asRemembered(head[0].revision, records);
}

function asRemembered(revision: number, rows: { id: string; text: string }[]): Remembered {
  const { design, aside } = readableDesign(rows);
  return { revision, design, ...(aside.length > 0 && { aside }) };
}

/** The revision a design stands at. @throws NotFound when there is no such design, or it has been deleted. */
export async function headRevision(id: string): Promise<number> {
  const [row] = await headOf(await store().database, id);
  if (!row) throw new NotFound('design', id);
  return row.revision;
}

export async function openDesign(id: string): Promise<OpenDesign> {
  const { revision, design, aside } = await readDesign(id);
  return { id, revision, records: Array.from(design.records.values()), ...(aside && { aside }) };
}

/** The design at its head inside a transaction, from memory when that is still the head. */
export async function loadDesign(reader: Reader, id: string): Promise<Remembered> {
  const [row] = await headOf(reader, id);
  if (!row) throw new NotFound('design', id);
  const cached = store().cache.get(id);
  if (cached?.revision === row.revision) return cached;
  return asRemembered(row.revision, await recordsOf(reader, id));
}

function headOf(reader: Reader, id: string) {
  return reader
    .select({ revision: table.design.headRevision })
    .from(table.design)
    .where(and(eq(table.design.id, id), isNull(table.design.deletedAt)));
}

function recordsOf(reader: Reader, id: string) {
  // By the order they came in, which is the order a person listed them.
  return (
    reader
      // As text: one that is not even JSON must not fail the others.
      .select({ id: table.record.id, text: sql<string>`${table.record.json}`.mapWith(String) })
      .from(table.record)
      .where(eq(table.record.designId, id))
      .orderBy(sql`rowid`)
  );
}

/** The columns the list of designs shows, from the same analysis as the screens. */
export function summaryOf({ design, circuits, totals, findings }: Analysis) {
  const { name, vehicle } = settingsOf(design);
  const count = (severity: string) => findings.filter((finding) => finding.severity === severity).length;
  return {
    ...{ name, vehicle, circuits: circuits.length, worstDropPercent: totals.worstDropPercent },
    ...{
      dailyWh: totals.dailyWh,
      runtimeH: totals.runtimeH,
      withoutHours: totals.withoutHours,
      faults: count('fault'),
      cautions: count('caution'),
    },
  };
}
