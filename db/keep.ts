import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, statSync } from 'node:fs';
import path from 'node:path';
import { createClient } from '@libsql/client';
import { getTableName } from 'drizzle-orm';
import { fileOf, openDatabase, refuseDamaged } from './client';
import * as schema from './schema';
import { StoreError, storeErrorOf } from './storeError';

/** Keeping what is stored: copies of it, bringing one back, looking through it, tidying at the end. */

/** What a store holds. */
export interface Holding {
  designs: number;
  changes: number;
  bytes: number;
}

/**
 * Copies a store into one whole file, while it is in use: a reader's snapshot, written out by `VACUUM INTO` and looked through before it
 * counts.
 * @throws StoreError when the file is there already, cannot be written, or the store is not a file of this machine
 */
export async function backup(url: string, to: string): Promise<Holding> {
  const from = fileOf(url);
  if (from === null) throw new StoreError(`${url} is on another server: take its copies there`);
  if (!existsSync(from)) throw new StoreError(`${from} is not there: there is nothing to copy yet`);
  if (existsSync(to)) throw new StoreError(`${to} is there already: name another file`);
  // Under another name until it is whole: one cut off half way must not pass for a copy.
  const part = `${to}.part`;
  const client = createClient({ url, timeout: 5000 });
  try {
    mkdirSync(path.dirname(path.resolve(to)), { recursive: true });
    rmSync(part, { force: true });
    await client.execute({ sql: 'VACUUM INTO ?', args: [part] });
    const holding = await holdingOf(part);
    renameSync(part, to);
    return holding;
  } catch (error) {
    rmSync(part, { force: true });
    throw storeErrorOf(error, to);
  } finally {
    client.close();
  }
}

/** Every table there is, those that others stand on last. */
const TABLES_LAST_FIRST = Object.values(schema)
  .map((table) => getTableName(table))
  .sort((a, b) => Number(a === 'design') - Number(b === 'design'));

/**
 * Puts a copy in place of what a store holds, in one transaction: all of it or nothing. What was there is kept beside it first.
 * @returns what the store holds then, and where what it held before is kept
 */
export async function restore(url: string, from: string): Promise<Holding & { before: string | null }> {
  const file = fileOf(url);
  if (file === null) throw new StoreError(`${url} is on another server: restore it there`);
  if (!existsSync(from)) throw new StoreError(`${from} is not there`);
  if (path.resolve(from) === path.resolve(file)) throw new StoreError(`${from} is the store itself`);
  const running = runningOn(url);
  if (running !== null) throw new StoreError(`the program is running on this store (process ${running}). Stop it first`);
  await holdingOf(from);
  const before = existsSync(file) ? `${file}.before-restore-${new Date().toISOString().replace(/[:.]/g, '-')}` : null;
  if (before !== null) await backup(url, before);
  // A copy of an older version is brought up to this one on the way, and left as it is itself.
  const passing = `${file}.restoring`;
  for (const rest of ['', '-wal', '-shm']) rmSync(passing + rest, { force: true });
  await backup(`file:${path.resolve(from)}`, passing);
  try {
    (await openDatabase(`file:${passing}`)).$client.close();
    const { $client: client } = await openDatabase(url);
    try {
      const tables = TABLES_LAST_FIRST;
      const text = passing.replaceAll("'", "''");
      await client.executeMultiple(
        [
          `ATTACH '${text}' AS copy; BEGIN IMMEDIATE`,
          ...tables.map((table) => `DELETE FROM main.${table}`),
          ...tables.toReversed().map((table) => `INSERT INTO main.${table} SELECT * FROM copy.${table}`),
          'COMMIT; DETACH copy;',
        ].join(';\n'),
      );
    } finally {
      client.close();
    }
  } catch (error) {
    throw storeErrorOf(error, file);
  } finally {
    for (const rest of ['', '-wal', '-shm']) rmSync(passing + rest, { force: true });
  }
  return { ...(await holdingOf(file)), before };
}

/** Looks a store through, every page and every link in it. @throws StoreError saying what is damaged */
export async function check(url: string): Promise<Holding> {
  const file = fileOf(url);
  if (file === null) throw new StoreError(`${url} is on another server: look it through there`);
  return holdingOf(file);
}

/** Writes what is still in the write-ahead log into the file itself, so that the file alone is whole. */
export async function checkpoint(url: string): Promise<void> {
  const file = fileOf(url);
  if (file === null || !existsSync(file)) return;
  const client = createClient({ url, timeout: 5000 });
  try {
    await client.execute('PRAGMA wal_checkpoint(TRUNCATE)');
  } finally {
    client.close();
  }
}

async function holdingOf(file: string): Promise<Holding> {
  if (!existsSync(file) || !statSync(file).isFile()) throw new StoreError(`${file} is not there`);
  const client = createClient({ url: `file:${path.resolve(file)}`, timeout: 5000 });
  try {
    await refuseDamaged(client, file);
    const one = async (sql: string) => Number((await client.execute(sql)).rows[0]![0]);
    const ours = await one("SELECT count(*) FROM sqlite_master WHERE type = 'table' AND name IN ('design', 'record', 'change')");
    if (ours !== 3) throw new StoreError(`${file} is no store of this program`);
    const stray = await client.execute('PRAGMA foreign_key_check');
    if (stray.rows.length > 0) throw new StoreError(`${file} is damaged: ${stray.rows.length} rows belong to no design`);
    return {
      designs: await one('SELECT count(*) FROM design'),
      changes: await one('SELECT count(*) FROM change'),
      bytes: statSync(file).size,
    };
  } catch (error) {
    throw storeErrorOf(error, file);
  } finally {
    client.close();
  }
}

/** Where the number of the process that has a store open stands. */
export function markOf(url: string): string | null {
  const file = fileOf(url);
  return file === null ? null : `${file}.running`;
}

function runningOn(url: string): number | null {
  const mark = markOf(url);
  if (mark === null || !existsSync(mark)) return null;
  const pid = Number(readFileSync(mark, 'utf8'));
  if (!Number.isInteger(pid) || pid <= 0) return null;
  try {
    process.kill(pid, 0);
    return pid;
  } catch {
    return null;
  }
}

const DAY_MS = 86_400_000;
const KEPT_COPIES = 7;

/**
 * One copy a day in a folder beside the store, the last seven kept. Does nothing when the newest is younger than a day.
 * @returns the file made, or null
 */
export async function dailyCopy(url: string, now = Date.now()): Promise<string | null> {
  const file = fileOf(url);
  if (file === null || !existsSync(file)) return null;
  const folder = path.join(path.dirname(file), 'copies');
  mkdirSync(folder, { recursive: true });
  const start = `${path.basename(file, '.db')}-`;
  const isOurs = (name: string) => name.startsWith(start) && /^\d{4}-\d{2}-\d{2}\.db$/.test(name.slice(start.length));
  const copies = () => readdirSync(folder).filter(isOurs).sort();
  const newest = copies().at(-1);
  if (newest && now - statSync(path.join(folder, newest)).mtimeMs < DAY_MS) return null;
  const to = path.join(folder, `${start}${new Date(now).toISOString().slice(0, 10)}.db`);
  if (existsSync(to)) return null;
  await backup(url, to);
  for (const old of copies().slice(0, -KEPT_COPIES)) rmSync(path.join(folder, old), { force: true });
  return to;
}
