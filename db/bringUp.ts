import { and, eq, lt, sql } from 'drizzle-orm';
import { SCHEMA_VERSION } from '../core/catalog/vocabulary';
import { makeDesign } from '../core/design/design';
import { between } from '../core/design/edit';
import { migrateRecords } from '../core/design/migrations';
import type { DesignRecord } from '../core/design/schema';
import type { Database } from './database';
import * as table from './schema';

type Writer = Parameters<Parameters<Database['transaction']>[0]>[0];

/**
 * Brings stored designs of an older schema version up to the present one, each in one step that is written in its log. Where the step
 * alters a record, undo does not reach back over it: what was logged before was made of records as they then were. Records that are not
 * readable stay as they are.
 */
export async function bringUpDesigns(database: Database): Promise<void> {
  const { design } = table;
  const old = await database.select({ id: design.id }).from(design).where(lt(design.schemaVersion, SCHEMA_VERSION));
  for (const { id } of old) await database.transaction((writer) => bringUp(writer, id), { behavior: 'immediate' });
}

async function bringUp(writer: Writer, designId: string): Promise<void> {
  const { design, record, change } = table;
  const [row] = await writer
    .select({ version: design.schemaVersion, head: design.headRevision })
    .from(design)
    .where(and(eq(design.id, designId), lt(design.schemaVersion, SCHEMA_VERSION)));
  // Another server may have been first.
  if (!row) return;
  const texts = await writer
    .select({ id: record.id, text: sql<string>`${record.json}`.mapWith(String) })
    .from(record)
    .where(eq(record.designId, designId))
    .orderBy(sql`rowid`);
  const before = texts.flatMap(({ text }) => readable(text));
  const diff = between(makeDesign(before), makeDesign(migrateRecords(before, row.version) as DesignRecord[]));
  for (const { id } of diff.removed) await writer.delete(record).where(and(eq(record.designId, designId), eq(record.id, id)));
  for (const { to } of diff.updated) {
    const at = and(eq(record.designId, designId), eq(record.id, to.id));
    await writer.update(record).set({ json: to, type: to.type }).where(at);
  }
  for (const json of diff.added) await writer.insert(record).values({ designId, id: json.id, type: json.type, json });
  const isAltered = diff.added.length + diff.updated.length + diff.removed.length > 0;
  const revision = isAltered ? row.head + 1 : row.head;
  if (isAltered) {
    const label = `Brought up to version ${SCHEMA_VERSION}`;
    const line = { designId, revision, changeId: `upgrade-${SCHEMA_VERSION}`, kind: 'upgrade' as const, target: null, label, diff };
    await writer.insert(change).values({ ...line, at: Date.now() });
  }
  await writer.update(design).set({ schemaVersion: SCHEMA_VERSION, headRevision: revision }).where(eq(design.id, designId));
}

function readable(text: string): DesignRecord[] {
  try {
    const value: unknown = JSON.parse(text);
    return typeof value === 'object' && value !== null && 'id' in value && typeof value.id === 'string' ? [value as DesignRecord] : [];
  } catch {
    return [];
  }
}
