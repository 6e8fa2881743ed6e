import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { createClient } from '@libsql/client';
import { SCHEMA_VERSION } from '../core/catalog/vocabulary';
import { analyse } from '../core/analysis/analyse';
import { writeDesignFile, readDesignFile } from '../core/formats/designFile';
import { commit, historyAt, undo } from '../server/commit';
import { openDesign, readDesign } from '../server/stored';
import { listDesigns } from '../server/designs';
import { updateRecords } from '../core/design/change';
import { NothingToDo } from '../server/errors';
import { store } from '../server/store';
import { openDatabase } from './client';

// Nothing is left under way for the next file.
afterEach(() => store().judging.done);

/**
 * A store written by the program when records were of version 2, with one stretch "measured" as nothing, which version 6 takes back, and
 * one edit in its log.
 */
async function oldStore(): Promise<string> {
  const file = path.join(mkdtempSync(path.join(tmpdir(), 'vine-knot-old-')), 'designs.db');
  const client = createClient({ url: `file:${file}` });
  await client.executeMultiple(readFileSync(path.join(__dirname, 'fixtures', 'version-2.sql'), 'utf8'));
  client.close();
  return file;
}

test('a store of an older version is brought up as it opens, and everything in it can be read, edited and given out', async () => {
  process.env.DATABASE_URL = await oldStore();
  const { design, revision, aside } = await readDesign('pip');
  expect(aside).toBeUndefined();
  expect(design.records.get('route_ab')).toMatchObject({ measuredMm: null, measuredOn: null });
  expect(revision).toBe(3);
  expect(analyse(design).circuits).toHaveLength(6);
  expect(Array.from(readDesignFile(writeDesignFile(design)).records.values())).toEqual((await openDesign('pip')).records);
  expect((await listDesigns()).designs).toMatchObject([{ id: 'pip', name: 'Pip' }]);

  // Undo reaches what comes after, never back over it.
  expect(await historyAt('pip', 3)).toEqual({ undo: null, redo: null });
  await expect(undo('pip', 'undo_before', 3)).rejects.toThrow(NothingToDo);
  const change = updateRecords(design, [{ id: 'settings', set: { name: 'Pip, again' } }]);
  await commit('pip', { changeId: 'rename_pip', baseRevision: 3, label: 'Rename', change });
  await undo('pip', 'undo_after', 4);
  expect((await readDesign('pip')).design.records.get('settings')).toMatchObject({ name: 'Pip' });
});

test('it is done once: opened again nothing moves, and a store with nothing to alter keeps its revision and its undo', async () => {
  const file = await oldStore();
  const client = createClient({ url: `file:${file}` });
  const heads = async () =>
    (await client.execute('SELECT head_revision, schema_version FROM design')).rows.map((row) => [Number(row[0]), Number(row[1])]);
  await client.execute("DELETE FROM record WHERE id = 'route_ab'");
  (await openDatabase(`file:${file}`)).$client.close();
  expect(await heads()).toEqual([[2, SCHEMA_VERSION]]);
  (await openDatabase(`file:${file}`)).$client.close();
  expect(await heads()).toEqual([[2, SCHEMA_VERSION]]);
  client.close();
});

test('a record that cannot be read stays as it is, and the rest is brought up', async () => {
  const file = await oldStore();
  const client = createClient({ url: `file:${file}` });
  await client.execute("UPDATE record SET json = '{broken' WHERE id = 'place_a'");
  (await openDatabase(`file:${file}`)).$client.close();
  const { rows } = await client.execute("SELECT json FROM record WHERE id IN ('place_a', 'route_ab') ORDER BY id");
  expect(String(rows[0]![0])).toBe('{broken');
  expect(JSON.parse(String(rows[1]![0]))).toMatchObject({ measuredMm: null });
  client.close();
});

test('records of a newer version are refused in words, and left as they are', async () => {
  const file = await oldStore();
  const client = createClient({ url: `file:${file}` });
  (await openDatabase(`file:${file}`)).$client.close();
  await client.execute(`UPDATE design SET schema_version = ${SCHEMA_VERSION + 1}`);
  await expect(openDatabase(`file:${file}`)).rejects.toThrow(/was written by a newer version of this program/);
  client.close();
});
