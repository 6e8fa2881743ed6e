/** @jest-environment node */
import { copyFileSync, existsSync, mkdirSync, mkdtempSync, readdirSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { createClient } from '@libsql/client';
import { openDatabase } from './client';
import { backup, check, checkpoint, dailyCopy, markOf, restore } from './keep';
import * as table from './schema';

let folder = '';
beforeEach(() => (folder = mkdtempSync(path.join(tmpdir(), 'vine-knot-keep-'))));
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const at = (name: string) => path.join(folder, name);
const url = (name: string) => `file:${at(name)}`;
const row = (id: string) => ({
  ...{ id, name: id, vehicle: 'trailer', headRevision: 1, schemaVersion: 1, createdAt: 1, updatedAt: 1 },
  ...{ circuits: 0, dailyWh: 0, faults: 0, cautions: 0 },
});
async function storeWith(name: string, ...ids: string[]): Promise<void> {
  const database = await openDatabase(url(name));
  for (const id of ids) {
    await database.insert(table.design).values(row(id));
    await database.insert(table.change).values({ designId: id, revision: 1, changeId: `start_${id}`, kind: 'edit', label: 'Start', diff: { added: [], updated: [], removed: [] }, at: 1 }); // prettier-ignore
  }
  database.$client.close();
}
async function idsIn(name: string): Promise<string[]> {
  const database = await openDatabase(url(name));
  const rows = await database.select({ id: table.design.id }).from(table.design);
  database.$client.close();
  return rows.map(({ id }) => id).sort();
}

describe('a store that cannot be used says why', () => {
  it.each<[string, () => string, RegExp]>([
    ['no file named', () => 'file:', /names no file/],
    [
      'a path through a file',
      () => (writeFileSync(at('plain'), 'x'), url('plain/designs.db')),
      /part of its path is a file|cannot be opened/,
    ],
    ['a folder', () => (mkdirSync(at('dir')), url('dir')), /is a folder/],
    ['another kind of file', () => (writeFileSync(at('letter.db'), 'Dear reader, '.repeat(2000)), url('letter.db')), /is not a database/],
  ])('%s', async (_, make, why) => {
    await expect(openDatabase(make())).rejects.toThrow(why);
  });

  it('another program’s tables, and those of a newer version', async () => {
    const other = createClient({ url: url('other.db') });
    await other.execute('CREATE TABLE recipe (name TEXT)');
    other.close();
    await expect(openDatabase(url('other.db'))).rejects.toThrow(/tables of another program/);
    await storeWith('newer.db');
    const newer = createClient({ url: url('newer.db') });
    await newer.execute("INSERT INTO __drizzle_migrations (hash, created_at) VALUES ('x', 99999999999999)");
    newer.close();
    await expect(openDatabase(url('newer.db'))).rejects.toThrow(/newer version/);
  });

  it('one held by another program, and a damaged one', async () => {
    await storeWith('held.db', 'a');
    const holder = createClient({ url: url('held.db') });
    const holding = await holder.transaction('write');
    await expect(openDatabase(url('held.db'))).rejects.toThrow(/held by another program/);
    holding.close();
    holder.close();
    await storeWith('torn.db', ...Array.from({ length: 60 }, (_, number) => `design_${number}`));
    await checkpoint(url('torn.db'));
    const file = at('torn.db');
    const { openSync, writeSync, closeSync } = await import('node:fs');
    const handle = openSync(file, 'r+');
    writeSync(handle, Buffer.alloc(12_000, 7), 0, 12_000, 4096);
    closeSync(handle);
    await expect(openDatabase(url('torn.db'))).rejects.toThrow(/damaged/);
  }, 20_000);
});

test('a copy made while the store is open is whole by itself, where the store’s file alone is not yet', async () => {
  const database = await openDatabase(url('live.db'));
  for (let number = 0; number < 40; number++) await database.insert(table.design).values(row(`d${number}`));
  expect(await backup(url('live.db'), at('copies/one.db'))).toMatchObject({ designs: 40 });
  await expect(backup(url('live.db'), at('copies/one.db'))).rejects.toThrow(/is there already/);
  // One cut off half way is no copy, and stands in nobody's way.
  writeFileSync(at('copies/two.db.part'), 'half');
  expect(await backup(url('live.db'), at('copies/two.db'))).toMatchObject({ designs: 40 });
  expect(readdirSync(at('copies')).sort()).toEqual(['one.db', 'two.db']);
  copyFileSync(at('live.db'), at('bare.db'));
  const bare = createClient({ url: url('bare.db') });
  const inBare = await bare.execute('SELECT count(*) FROM design').then(
    ({ rows }) => Number(rows[0]![0]),
    () => 0,
  );
  expect(inBare).toBeLessThan(40);
  bare.close();
  database.$client.close();
  expect(await idsIn('copies/one.db')).toHaveLength(40);
  await checkpoint(url('live.db'));
  copyFileSync(at('live.db'), at('settled.db'));
  expect(await check(url('settled.db'))).toMatchObject({ designs: 40 });
});

test('a copy is brought back whole, what was there is kept, and never under a running program', async () => {
  await storeWith('now.db', 'kept', 'lost');
  await backup(url('now.db'), at('copy.db'));
  const database = await openDatabase(url('now.db'));
  await database.delete(table.design);
  await database.insert(table.design).values(row('later'));
  database.$client.close();
  writeFileSync(markOf(url('now.db'))!, String(process.pid));
  await expect(restore(url('now.db'), at('copy.db'))).rejects.toThrow(/is running on this store/);
  rmSync(markOf(url('now.db'))!);
  const done = await restore(url('now.db'), at('copy.db'));
  expect(done).toMatchObject({ designs: 2, changes: 2 });
  expect(await idsIn('now.db')).toEqual(['kept', 'lost']);
  expect(await idsIn(path.relative(folder, done.before!))).toEqual(['later']);
  expect(existsSync(at('now.db.restoring'))).toBe(false);
  writeFileSync(at('letter.db'), 'Dear reader, '.repeat(2000));
  await expect(restore(url('now.db'), at('letter.db'))).rejects.toThrow(/is not a database/);
  expect(await idsIn('now.db')).toEqual(['kept', 'lost']);
});

test('a copy brings back every table: photos, links and what was learnt too', async () => {
  await storeWith('full.db', 'van');
  const database = await openDatabase(url('full.db'));
  await database.insert(table.record).values({ designId: 'van', id: 'z', type: 'zone', json: { id: 'z', type: 'zone', name: 'Bunk' } as never }); // prettier-ignore
  await database.insert(table.link).values({ key: 'k', designId: 'van', at: 1 });
  await database.insert(table.photo).values({ designId: 'van', id: 'p', jpeg: Buffer.from([255, 216, 255]), at: 1 });
  await database.insert(table.practice).values({ id: 'a', learner: 'Robin', kind: 'drill', subject: 'pins', seed: 3, points: 100, at: 1 });
  database.$client.close();
  await backup(url('full.db'), at('copy.db'));
  await storeWith('empty.db');
  await restore(url('empty.db'), at('copy.db'));
  const counts = async (name: string) => {
    const client = createClient({ url: url(name) });
    const { rows } = await client.execute("SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE '\\_\\_%' ESCAPE '\\' AND name NOT LIKE 'sqlite%'"); // prettier-ignore
    const all: Record<string, number> = {};
    for (const { name: one } of rows)
      all[String(one)] = Number((await client.execute(`SELECT count(*) FROM "${String(one)}"`)).rows[0]![0]);
    client.close();
    return all;
  };
  const had = await counts('full.db');
  expect(Object.values(had).every((count) => count === 1)).toBe(true);
  expect(await counts('empty.db')).toEqual(had);
});

test('one copy a day, the last seven kept', async () => {
  await storeWith('designs.db', 'a');
  const start = Date.UTC(2026, 5, 1, 12);
  const names = () => readdirSync(at('copies')).sort();
  for (let day = 0; day < 10; day++) {
    const now = start + day * 86_400_000;
    const made = await dailyCopy(url('designs.db'), now);
    expect(made).not.toBeNull();
    utimesSync(made!, new Date(now), new Date(now));
    expect(await dailyCopy(url('designs.db'), now + 3_600_000)).toBeNull();
  }
  expect(names()).toHaveLength(7);
  expect(names()[0]).toBe('designs-2026-06-04.db');
  expect(await dailyCopy('libsql://elsewhere', start)).toBeNull();
});
