import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import Database from 'libsql';

/**
 * A stand-in for a libSQL server: the Hrana protocol, version 2, as JSON over HTTP, on one database file. Each stream has a connection of
 * its own, named by its baton, as transactions need. Source of the protocol: the libSQL client's own messages.
 */
export interface SqlServer {
  url: string;
  /** Requests answered so far. */
  answered(): number;
  close(): Promise<void>;
}

type Value =
  { type: 'null' } | { type: 'integer' | 'text'; value: string } | { type: 'float'; value: number } | { type: 'blob'; base64: string };
interface Statement {
  sql?: string;
  sql_id?: number;
  args?: Value[];
  want_rows?: boolean;
}
type Condition =
  | { type: 'ok' | 'error'; step: number }
  | { type: 'not'; cond: Condition }
  | { type: 'and' | 'or'; conds: Condition[] }
  | { type: 'is_autocommit' };
interface Request {
  type: 'execute' | 'batch' | 'sequence' | 'store_sql' | 'close_sql' | 'get_autocommit' | 'close';
  stmt?: Statement;
  batch?: { steps: { condition?: Condition; stmt: Statement }[] };
  sql?: string;
  sql_id?: number;
}

class Stream {
  private readonly connection: Database.Database;
  private readonly kept = new Map<number, string>();

  constructor(file: string) {
    this.connection = new Database(file);
    this.connection.exec('PRAGMA busy_timeout = 2000');
  }

  close(): void {
    this.connection.close();
  }

  answer(request: Request): object {
    switch (request.type) {
      case 'execute':
        return { type: 'execute', result: this.run(request.stmt!) };
      case 'batch':
        return { type: 'batch', result: this.batch(request.batch!.steps) };
      case 'sequence':
        this.connection.exec(request.sql ?? this.kept.get(request.sql_id!)!);
        break;
      case 'store_sql':
        this.kept.set(request.sql_id!, request.sql!);
        break;
      case 'close_sql':
        this.kept.delete(request.sql_id!);
        break;
      case 'get_autocommit':
        return { type: 'get_autocommit', is_autocommit: !this.connection.inTransaction };
      case 'close':
        break;
    }
    return { type: request.type };
  }

  private batch(steps: { condition?: Condition; stmt: Statement }[]): object {
    const results: (object | null)[] = [];
    const errors: (object | null)[] = [];
    const holds = (condition: Condition): boolean => {
      switch (condition.type) {
        case 'ok':
          return (results[condition.step] ?? null) !== null;
        case 'error':
          return (errors[condition.step] ?? null) !== null;
        case 'not':
          return !holds(condition.cond);
        case 'and':
          return condition.conds.every(holds);
        case 'or':
          return condition.conds.some(holds);
        case 'is_autocommit':
          return !this.connection.inTransaction;
      }
    };
    for (const { condition, stmt } of steps) {
      let [result, error]: (object | null)[] = [null, null];
      try {
        if (!condition || holds(condition)) result = this.run(stmt);
      } catch (problem) {
        error = said(problem);
      }
      results.push(result!);
      errors.push(error!);
    }
    return { step_results: results, step_errors: errors };
  }

  private run({ sql, sql_id: id, args = [] }: Statement): object {
    const statement = this.connection.prepare(sql ?? this.kept.get(id!)!);
    const values = args.map(fromWire);
    if (!statement.reader) {
      const { changes, lastInsertRowid } = statement.run(...values);
      return { cols: [], rows: [], affected_row_count: changes, last_insert_rowid: String(lastInsertRowid) };
    }
    const cols = statement.columns().map(({ name, type }) => ({ name, decltype: type }));
    const rows = (statement.raw().all(...values) as unknown[][]).map((row) => row.map(toWire));
    return { cols, rows, affected_row_count: 0, last_insert_rowid: null };
  }
}

function fromWire(value: Value): unknown {
  switch (value.type) {
    case 'null':
      return null;
    case 'integer':
      return Number(value.value);
    case 'blob':
      return Buffer.from(value.base64, 'base64');
    default:
      return value.value;
  }
}

function toWire(value: unknown): Value {
  if (value === null || value === undefined) return { type: 'null' };
  if (typeof value === 'bigint' || (typeof value === 'number' && Number.isInteger(value))) return { type: 'integer', value: String(value) };
  if (typeof value === 'number') return { type: 'float', value };
  if (typeof value === 'string') return { type: 'text', value };
  return { type: 'blob', base64: Buffer.from(value as Uint8Array).toString('base64') };
}

function said(problem: unknown): { message: string; code: string | undefined } {
  const { message, code } = problem as { message: string; code?: string };
  return { message, code };
}

export async function sqlServer(file: string): Promise<SqlServer> {
  const streams = new Map<string, Stream>();
  let batons = 0;
  let answered = 0;
  const server: Server = createServer((incoming, outgoing) => {
    let text = '';
    incoming.setEncoding('utf8').on('data', (part: string) => (text += part));
    incoming.on('end', () => {
      if (incoming.method !== 'POST' || incoming.url !== '/v2/pipeline') {
        outgoing.writeHead(404).end();
        return;
      }
      answered += 1;
      const { baton, requests } = JSON.parse(text) as { baton?: string | null; requests: Request[] };
      const known = baton ? streams.get(baton) : undefined;
      if (baton) streams.delete(baton);
      const stream = known ?? new Stream(file);
      let open = true;
      const results = requests.map((request) => {
        try {
          const response = stream.answer(request);
          if (request.type === 'close') open = false;
          return { type: 'ok', response };
        } catch (problem) {
          return { type: 'error', error: said(problem) };
        }
      });
      const next = open ? `baton ${++batons}` : null;
      if (next) streams.set(next, stream);
      else stream.close();
      outgoing.writeHead(200, { 'content-type': 'application/json' }).end(JSON.stringify({ baton: next, base_url: null, results }));
    });
  });
  await new Promise<void>((listening) => server.listen(0, '127.0.0.1', listening));
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    answered: () => answered,
    close: () =>
      new Promise((closed) => {
        for (const stream of streams.values()) stream.close();
        server.closeAllConnections();
        server.close(() => closed());
      }),
  };
}
