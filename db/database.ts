import type { Client } from '@libsql/client';
import type { LibSQLDatabase } from 'drizzle-orm/libsql';
import type * as schema from './schema';

/** The open store. */
export type Database = LibSQLDatabase<typeof schema> & { $client: Client };
