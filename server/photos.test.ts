import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { sql } from 'drizzle-orm';
import { pip } from '../demo/pip';
import { LIMITS } from '../core/catalog/vocabulary';
import type { Photo } from '../core/design/schema';
import { commit } from './commit';
import { createDesign, duplicateDesign } from './designs';
import { BadRequest } from './errors';
import { getPhoto, putPhoto } from './photos';
import { store } from './store';
import { readDesign } from './stored';

process.env.DATABASE_URL = path.join(mkdtempSync(path.join(tmpdir(), 'vine-knot-photos-')), 'designs.db');

/** The least that is a whole JPEG: a frame of nine lines of seven dots and a scan. Source: ITU-T T.81, B.2. */
const JPEG = Buffer.from([0xff, 0xd8, 0xff, 0xc0, 0, 11, 8, 0, 9, 0, 7, 1, 1, 0x11, 0, 0xff, 0xda, 0, 8, 1, 1, 0, 0, 63, 0, 0x11, 0xff, 0xd9]); // prettier-ignore
const DAY_MS = 24 * 3600 * 1000;

// Room for so little that a test fills it.
beforeAll(() => void jest.replaceProperty(LIMITS as { photosBytes: number }, 'photosBytes', 3000));

const at = (id: string) => `http://127.0.0.1/api/designs/x/photos/${id}`;
const send = (designId: string, id: string) =>
  putPhoto(new Request(at(id), { method: 'PUT', body: JPEG, headers: { 'content-type': 'image/jpeg' } }), designId);
const isHere = (designId: string, id: string) =>
  getPhoto(new Request(at(id)), designId).then(
    () => true,
    () => false,
  );

/** A design with pictures that take all its room but so many bytes: each named by a record or not, and so many days old. */
async function full(pictures: { id: string; isNamed: boolean; days: number }[]): Promise<string> {
  const record = (id: string): Photo => ({ id, type: 'photo', on: '2026-11-01', caption: '', widthPx: 7, heightPx: 9 });
  const named = pictures.flatMap(({ id, isNamed }) => (isNamed ? [record(id)] : []));
  const designId = await createDesign([...pip().records.values(), ...named]);
  const database = await store().database;
  const each = Math.floor(LIMITS.photosBytes / pictures.length);
  for (const { id, days } of pictures)
    await database.run(sql`insert into photo (design_id, id, jpeg, at) values (${designId}, ${id}, zeroblob(${each}), ${Date.now() - days * DAY_MS})`); // prettier-ignore
  return designId;
}

test('with no room left, pictures go that no record names any more, and no others', async () => {
  const designId = await full([
    { id: 'photo_kept', isNamed: true, days: 400 },
    { id: 'photo_gone', isNamed: false, days: 30 },
    { id: 'photo_on_its_way', isNamed: false, days: 1 },
  ]);
  const other = await full([{ id: 'photo_other', isNamed: false, days: 30 }]);
  expect((await send(designId, 'photo_new')).status).toBe(204);
  const here = ['photo_kept', 'photo_gone', 'photo_on_its_way', 'photo_new'].map((id) => isHere(designId, id));
  expect(await Promise.all(here)).toEqual([true, false, true, true]);
  expect(await isHere(other, 'photo_other')).toBe(true);
});

test('one whose record was taken out just now stays, and is there again after undo', async () => {
  const designId = await full([
    { id: 'photo_a', isNamed: true, days: 400 },
    { id: 'photo_gone', isNamed: false, days: 30 },
  ]);
  const { design, revision } = await readDesign(designId);
  const change = { added: [], updated: [], removed: [design.records.get('photo_a')!] };
  await commit(designId, { changeId: 'out', baseRevision: revision, label: 'Photo out', change });
  expect((await send(designId, 'photo_new')).status).toBe(204);
  expect(await Promise.all(['photo_a', 'photo_gone'].map((id) => isHere(designId, id)))).toEqual([true, false]);
});

test('while all of them are in the design one more is refused, and nothing goes', async () => {
  const designId = await full([
    { id: 'photo_a', isNamed: true, days: 400 },
    { id: 'photo_b', isNamed: true, days: 30 },
  ]);
  await expect(send(designId, 'photo_new')).rejects.toThrow(BadRequest);
  expect(await Promise.all(['photo_a', 'photo_b', 'photo_new'].map((id) => isHere(designId, id)))).toEqual([true, true, false]);
});

test('a copy of a design has the pictures of its photos, and of no others', async () => {
  const designId = await full([
    { id: 'photo_a', isNamed: true, days: 400 },
    { id: 'photo_gone', isNamed: false, days: 30 },
  ]);
  const copy = await duplicateDesign(designId);
  expect(await Promise.all(['photo_a', 'photo_gone'].map((id) => isHere(copy, id)))).toEqual([true, false]);
  expect(await isHere(designId, 'photo_a')).toBe(true);
});
