import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { run, serve } from '../scripts/setup.mjs';

/** The built application with the demo designs on a fresh store: `node e2e/server.mjs PORT [DATABASE]`. */
const [port, database] = process.argv.slice(2);
const url = `file:${database ?? path.join(mkdtempSync(path.join(tmpdir(), 'vine-knot-e2e-')), 'designs.db')}`;
// Where the simulated battery monitor of energy.spec speaks.
const env = { DATABASE_URL: url, MONITOR: `127.0.0.1:${Number(port) + 1}` };
if (!database) run('npx', ['tsx', 'demo/seed.ts'], env);
process.env.PORT = port;
await serve(env);
