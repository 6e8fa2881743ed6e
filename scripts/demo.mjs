import path from 'node:path';
import { build, install, ROOT, run, serve } from './setup.mjs';

/** `npm run demo`: installs, builds, seeds the demo designs once (`--reset`: afresh) and starts on a store of its own. */
const env = { DATABASE_URL: process.env.DATABASE_URL || `file:${path.join(ROOT, 'data', 'demo.db')}` };

install();
build();
run('npx', ['tsx', 'db/tool.ts', 'open'], env);
run('npx', ['tsx', 'demo/seed.ts', ...process.argv.slice(2).filter((argument) => argument === '--reset')], env);
console.log(`Vine Knot with its demo designs is at ${await serve(env, { opened: true })}`);
