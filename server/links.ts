import { eq } from 'drizzle-orm';
import { nanoid } from 'nanoid';
import * as table from '@/db/schema';
import { NotFound } from './errors';
import { headRevision } from './stored';
import { oneWriterAtATime, store } from './store';

/**
 * Read-only links to one design's report, for a customer. Whoever has the link can read that report and nothing else, until it is taken
 * back.
 */

/** Characters of a link's key: 190 bits, beyond guessing. */
const KEY_LENGTH = 32;

/** The key of a design's link; null where none is handed out. @throws NotFound */
export async function linkOf(designId: string): Promise<string | null> {
  await headRevision(designId);
  const database = await store().database;
  const [row] = await database.select({ key: table.link.key }).from(table.link).where(eq(table.link.designId, designId));
  return row?.key ?? null;
}

/** Hands out a design's link, the one it has or a new one. @throws NotFound */
export async function handOutLink(designId: string): Promise<string> {
  await headRevision(designId);
  const database = await store().database;
  const row = { designId, key: nanoid(KEY_LENGTH), at: Date.now() };
  await oneWriterAtATime(() => database.insert(table.link).values(row).onConflictDoNothing({ target: table.link.designId }));
  return (await linkOf(designId))!;
}

/** Takes a design's link back: the address shows nothing any more, and a later link has another key. */
export async function takeBackLink(designId: string): Promise<void> {
  const database = await store().database;
  await oneWriterAtATime(() => database.delete(table.link).where(eq(table.link.designId, designId)));
}

/** The design a link leads to. @throws NotFound when it was never handed out or has been taken back */
export async function designOfLink(key: string): Promise<string> {
  const database = await store().database;
  const [row] = await database
    .select({ id: table.link.designId })
    .from(table.link)
    .where(eq(table.link.key, key.slice(0, 64)));
  if (!row) throw new NotFound('link', 'of that key');
  return row.id;
}
