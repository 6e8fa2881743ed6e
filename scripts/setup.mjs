import { spawn, spawnSync } from 'node:child_process';
import { existsSync, readdirSync, statSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

/** What the start and test commands share: installing, building, running a child process. Plain Node: nothing is installed yet. */

/** No build tool started from here tells anybody anything. */
process.env.NEXT_TELEMETRY_DISABLED = '1';

export const ROOT = path.dirname(path.dirname(fileURLToPath(import.meta.url)));

const SOURCE_FOLDERS = ['app', 'core', 'db', 'features', 'server', 'ui', 'workers'];
const SOURCE_FILES = ['next.config.ts', 'proxy.ts', 'package-lock.json', 'tsconfig.json'];

/** Installs packages when there are none or the lock file is newer. */
export function install() {
  const mark = path.join(ROOT, 'node_modules', '.package-lock.json');
  const lock = path.join(ROOT, 'package-lock.json');
  if (existsSync(mark) && statSync(mark).mtimeMs >= statSync(lock).mtimeMs) return;
  run('npm', ['ci', '--no-audit', '--no-fund']);
}

/** Builds when there is no build or a source is newer than it. */
export function build() {
  const mark = path.join(ROOT, '.next', 'BUILD_ID');
  if (existsSync(mark) && newestSource() <= statSync(mark).mtimeMs) return;
  run('npx', ['next', 'build']);
}

/** Runs a command to its end, its output shown. Ends this process with its status when it fails. */
export function run(command, args, env = {}) {
  const { status } = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...env } });
  if (status !== 0) process.exit(status ?? 1);
}

/** Starts the built server on HOST and PORT; it ends with this process. */
export function serve(env = {}) {
  const host = process.env.HOST || '127.0.0.1';
  const port = process.env.PORT || '3000';
  const next = path.join(ROOT, 'node_modules', 'next', 'dist', 'bin', 'next');
  const child = spawn(process.execPath, [next, 'start', '-H', host, '-p', port], {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, ...env },
  });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
  child.on('exit', (code) => process.exit(code ?? 0));
  return `http://${host.includes(':') ? `[${host}]` : host}:${port}/`;
}

function newestSource() {
  let newest = 0;
  const visit = (file) => {
    const facts = statSync(file);
    if (facts.isDirectory()) for (const name of readdirSync(file)) visit(path.join(file, name));
    else if (!file.includes('.test.')) newest = Math.max(newest, facts.mtimeMs);
  };
  for (const name of [...SOURCE_FOLDERS, ...SOURCE_FILES]) visit(path.join(ROOT, name));
  return newest;
}
