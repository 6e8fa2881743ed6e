import { existsSync, mkdirSync, readFileSync, statSync } from 'node:fs';
import path from 'node:path';
import { createClient, type Client } from '@libsql/client';
import { drizzle } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import { SCHEMA_VERSION } from '../core/catalog/vocabulary';
import { bringUpDesigns } from './bringUp';
import type { Database } from './database';
import * as schema from './schema';
import { StoreError, storeErrorOf } from './storeError';

/** Milliseconds a writer waits for another before it gives up. */
const BUSY_TIMEOUT_MS = 5000;
const MIGRATIONS = path.join(process.cwd(), 'db', 'migrations');
/** Times it is tried to bring the tables up before it is given up. */
const MOST_TRIES = 3;
/** Larger stores are not read through at every start, bytes. */
const CHECKED_UP_TO = 500_000_000;

/** Where the designs are kept: `DATABASE_URL`, a file path or URL or a remote libSQL address, else a file in data/. */
export function databaseUrl(): string {
  const given = process.env.DATABASE_URL?.trim();
  if (!given) return `file:${path.join(process.cwd(), 'data', 'vine-knot.db')}`;
  return /^[a-z]+:/i.test(given) ? given : `file:${path.resolve(given)}`;
}

/** The file a store is in; null for a remote one. */
export function fileOf(url: string): string | null {
  return url.startsWith('file:') ? url.slice('file:'.length).split('?')[0]! : null;
}

/**
 * Opens the store, creating, checking and migrating it as needed.
 * @throws StoreError when it is not there and cannot be made, not a store of ours, damaged, locked, read-only or made by a newer version
 */
export async function openDatabase(url = databaseUrl()): Promise<Database> {
  const file = fileOf(url);
  if (file !== null) prepareFolder(file);
  const where = file ?? url;
  let client: Client | null = null;
  try {
    client = createClient({ url, authToken: process.env.DATABASE_AUTH_TOKEN, timeout: BUSY_TIMEOUT_MS });
    if (file !== null) await setDurable(client, file);
    await refuseForeign(client, where);
    const database = drizzle(client, { schema });
    await bringUp(database);
    return database;
  } catch (error) {
    client?.close();
    throw storeErrorOf(error, where);
  }
}

/**
 * Brings the tables, and the designs in them, up to this version. Of several servers that start at once one does it, in one step; the
 * others, whose own step then fails whole, find it done when they look again.
 */
async function bringUp(database: Database): Promise<void> {
  for (let tries = 1; ; tries++) {
    try {
      await migrate(database, { migrationsFolder: MIGRATIONS });
      return await bringUpDesigns(database);
    } catch (error) {
      if (tries === MOST_TRIES) throw error;
      await new Promise((resolve) => setTimeout(resolve, 150 * tries));
    }
  }
}

function prepareFolder(file: string): void {
  if (file.trim() === '') throw new StoreError('DATABASE_URL names no file: write file: and the path of one');
  if (file === ':memory:') return;
  try {
    const folder = path.dirname(file);
    if (!existsSync(folder)) mkdirSync(folder, { recursive: true });
    if (existsSync(file) && statSync(file).isDirectory()) throw Object.assign(new Error(), { code: 'EISDIR' });
  } catch (error) {
    throw storeErrorOf(error, file);
  }
}

/**
 * Write-ahead log for readers beside the writer; a commit is on disk before it is acknowledged. What cannot be written to is found out now,
 * not at the first edit.
 */
async function setDurable(client: Client, file: string): Promise<void> {
  await client.execute('PRAGMA journal_mode = WAL');
  await client.execute('PRAGMA synchronous = FULL');
  const writing = await client.transaction('write');
  await writing.rollback();
  writing.close();
  if (existsSync(file) && statSync(file).size <= CHECKED_UP_TO) await refuseDamaged(client, file);
}

/** @throws StoreError when the engine finds the file damaged */
export async function refuseDamaged(client: Client, where: string): Promise<void> {
  const { rows } = await client.execute('PRAGMA quick_check(3)');
  const said = rows.map((row) => String(row[0]));
  if (said.join() !== 'ok') throw new StoreError(`${where} is damaged (${said[0]}). Restore a copy with npm run restore -- FILE`);
}

/** A database of another program, or of a newer version of this one, is left as it is. */
async function refuseForeign(client: Client, where: string): Promise<void> {
  const { rows } = await client.execute(
    "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' AND name NOT LIKE 'libsql_%'",
  );
  const tables = new Set(rows.map((row) => String(row[0])));
  if (tables.size === 0) return;
  if (!tables.has('__drizzle_migrations') || !tables.has('design'))
    throw new StoreError(`${where} holds the tables of another program. Name another file in DATABASE_URL`);
  const { rows: newest } = await client.execute('SELECT max(created_at) FROM __drizzle_migrations');
  const { entries } = JSON.parse(readFileSync(path.join(MIGRATIONS, 'meta', '_journal.json'), 'utf8')) as { entries: { when: number }[] };
  const { rows: records } = await client.execute('SELECT max(schema_version) FROM design');
  if (Number(newest[0]![0] ?? 0) > Math.max(...entries.map(({ when }) => when)) || Number(records[0]![0] ?? 0) > SCHEMA_VERSION)
    throw new StoreError(`${where} was written by a newer version of this program. Start that one, or restore an older copy`);
}
