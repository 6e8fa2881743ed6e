import { and, eq, gt, lt, notInArray, sql } from 'drizzle-orm';
import { LIMITS } from '@/core/catalog/vocabulary';
import { plainJpeg } from '@/core/formats/jpeg';
import * as table from '@/db/schema';
import { BadRequest, NotFound } from './errors';
import { designIdSchema, readBytes } from './http';
import { headRevision } from './stored';
import { oneWriterAtATime, store } from './store';

/**
 * So long a picture that no record names is kept whatever room it takes: its record may be on the way from a phone without a connection, or
 * come back by undo.
 */
const KEPT_MS = 7 * 24 * 3600 * 1000;

/** The photo an address names: its last part. */
function photoIdOf(request: Request): string {
  const id = designIdSchema.safeParse(new URL(request.url).pathname.split('/').at(-1));
  if (!id.success) throw new NotFound('photo', 'of that name');
  return id.data;
}

/**
 * Keeps a photo, without where and with what it was taken. Sent twice it is kept once; one that is kept is never written over.
 * @throws BadRequest for what is no JPEG, is too large, or does not fit the design's limit any more
 */
export async function putPhoto(request: Request, designId: string): Promise<Response> {
  const id = photoIdOf(request);
  if (request.headers.get('content-type') !== 'image/jpeg') throw new BadRequest('a photo is sent as image/jpeg', [], 415);
  await headRevision(designId);
  await keepPhoto(designId, id, await readBytes(request, LIMITS.photoBytes));
  return new Response(null, { status: 204 });
}

/**
 * Keeps a picture by its id, once.
 * @throws BadRequest for what is no JPEG, is too large, or does not fit the design's limit any more
 */
export async function keepPhoto(designId: string, id: string, bytes: Uint8Array): Promise<void> {
  const plain = plainJpeg(bytes);
  if (!plain) throw new BadRequest('that is no whole JPEG', [], 422);
  if (Math.max(plain.widthPx, plain.heightPx) > LIMITS.photoPx) throw new BadRequest(`a photo is at most ${LIMITS.photoPx} pixels wide and high`, [], 422); // prettier-ignore
  const database = await store().database;
  await oneWriterAtATime(() =>
    database.transaction(
      async (writer) => {
        const isFull = async () => (await bytesHeld(writer, designId)) + plain.bytes.length > LIMITS.photosBytes;
        // What undo might bring back is kept while there is room for it.
        if (await isFull()) await letGo(writer, designId);
        if (await isFull()) throw new BadRequest(`the photos of a design take ${LIMITS.photosBytes / 1_000_000} MB at most`, [], 413);
        const row = { designId, id, jpeg: Buffer.from(plain.bytes), at: Date.now() };
        await writer.insert(table.photo).values(row).onConflictDoNothing();
      },
      { behavior: 'immediate' },
    ),
  );
}

/** Gives a copy of a design the pictures of its photos. */
export async function copyPhotos(writer: Writer, fromId: string, toId: string): Promise<void> {
  const { photo } = table;
  await writer.run(
    sql`insert into ${photo} (design_id, id, jpeg, at) select ${toId}, id, jpeg, ${Date.now()} from ${photo} where design_id = ${fromId} and id in (select id from ${table.record} where design_id = ${toId})`,
  );
}

type Writer = Parameters<Parameters<Awaited<ReturnType<typeof store>['database']>['transaction']>[0]>[0];

async function bytesHeld(writer: Writer, designId: string): Promise<number> {
  const [held] = await writer
    .select({ bytes: sql<number>`coalesce(sum(length(${table.photo.jpeg})), 0)` })
    .from(table.photo)
    .where(eq(table.photo.designId, designId));
  return held!.bytes;
}

/** Lets pictures go that no record of the design has named for some days. */
async function letGo(writer: Writer, designId: string): Promise<void> {
  const since = Date.now() - KEPT_MS;
  const named = writer.select({ id: table.record.id }).from(table.record).where(eq(table.record.designId, designId));
  const lately = await writer
    .select({ diff: table.change.diff })
    .from(table.change)
    .where(and(eq(table.change.designId, designId), gt(table.change.at, since)));
  const justRemoved = lately.flatMap(({ diff }) => diff.removed.flatMap(({ id, type }) => (type === 'photo' ? [id] : [])));
  const { photo } = table;
  await writer
    .delete(photo)
    .where(and(eq(photo.designId, designId), lt(photo.at, since), notInArray(photo.id, named), notInArray(photo.id, justRemoved)));
}

/** A photo's picture. @throws NotFound */
export async function getPhoto(request: Request, designId: string): Promise<Response> {
  const jpeg = await photoBytes(designId, photoIdOf(request));
  if (!jpeg) throw new NotFound('photo', 'of that name');
  // By its id it is always the same picture.
  return new Response(new Uint8Array(jpeg), { headers: { 'content-type': 'image/jpeg', 'cache-control': 'private, max-age=31536000, immutable' } }); // prettier-ignore
}

/** The bytes of a photo; null where only its record is known, as from a file. */
export async function photoBytes(designId: string, id: string): Promise<Buffer | null> {
  const database = await store().database;
  const [row] = await database
    .select({ jpeg: table.photo.jpeg })
    .from(table.photo)
    .where(and(eq(table.photo.designId, designId), eq(table.photo.id, id)));
  return row?.jpeg ?? null;
}
