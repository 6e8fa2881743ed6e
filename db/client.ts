import { existsSync, mkdirSync } from 'node:fs';
import path from 'node:path';
import { createClient, type Client } from '@libsql/client';
import { drizzle, type LibSQLDatabase } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import * as schema from './schema';

export type Database = LibSQLDatabase<typeof schema>;

/** Milliseconds a writer waits for another before it gives up. */
const BUSY_TIMEOUT_MS = 5000;

/** Where the designs are kept: `DATABASE_URL`, a file path or URL or a remote libSQL address, else a file in data/. */
export function databaseUrl(): string {
  const given = process.env.DATABASE_URL?.trim();
  if (!given) return `file:${path.join(process.cwd(), 'data', 'vine-knot.db')}`;
  return /^[a-z]+:/i.test(given) ? given : `file:${path.resolve(given)}`;
}

/** Opens the store, creating and migrating it as needed. */
export async function openDatabase(url = databaseUrl()): Promise<Database> {
  if (url.startsWith('file:')) {
    const folder = path.dirname(url.slice('file:'.length));
    if (!existsSync(folder)) mkdirSync(folder, { recursive: true });
  }
  const client = createClient({ url, authToken: process.env.DATABASE_AUTH_TOKEN, timeout: BUSY_TIMEOUT_MS });
  if (url.startsWith('file:')) await setDurable(client);
  const database = drizzle(client, { schema });
  await migrate(database, { migrationsFolder: path.join(process.cwd(), 'db', 'migrations') });
  return database;
}

/** Write-ahead log for readers beside the writer; a commit is on disk before it is acknowledged. */
async function setDurable(client: Client): Promise<void> {
  await client.execute('PRAGMA journal_mode = WAL');
  await client.execute('PRAGMA synchronous = FULL');
}
