import { spawn, spawnSync } from 'node:child_process';
import { existsSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { networkInterfaces } from 'node:os';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

/** What the start and test commands share: installing, building, running a child process. Plain Node: nothing is installed yet. */

/** No build tool started from here tells anybody anything. */
process.env.NEXT_TELEMETRY_DISABLED = '1';

export const ROOT = path.dirname(path.dirname(fileURLToPath(import.meta.url)));

const SOURCE_FOLDERS = ['app', 'core', 'db', 'features', 'server', 'ui', 'workers'];
const SOURCE_FILES = ['next.config.ts', 'proxy.ts', 'instrumentation.ts', 'package-lock.json', 'tsconfig.json'];

/** Installs packages when there are none or the lock file is newer. */
export function install() {
  const mark = path.join(ROOT, 'node_modules', '.package-lock.json');
  const lock = path.join(ROOT, 'package-lock.json');
  if (existsSync(mark) && statSync(mark).mtimeMs >= statSync(lock).mtimeMs) return;
  run('npm', ['ci', '--no-audit', '--no-fund']);
}

/** Whether there is no build, or a source is newer than it. */
export function isBuildOld() {
  const mark = path.join(ROOT, '.next', 'BUILD_ID');
  return !existsSync(mark) || newestSource() > statSync(mark).mtimeMs;
}

/** Builds when there is need. */
export function build() {
  if (isBuildOld()) run('npx', ['next', 'build']);
}

/** Runs a command to its end, its output shown. Ends this process with its status when it fails. */
export function run(command, args, env = {}) {
  const { status } = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...env } });
  if (status !== 0) process.exit(status ?? 1);
}

/** Says why the program does not start and ends with 2, the status for what the person who started it can put right. */
function refuse(why) {
  console.error(why);
  process.exit(2);
}

/** The address to listen on, once it is known that it can be had. */
async function address() {
  const host = process.env.HOST || '127.0.0.1';
  const port = process.env.PORT || '3000';
  if (!/^\d{1,5}$/.test(port) || Number(port) < 1 || Number(port) > 65_535) refuse(`PORT is ${port}; it is a number from 1 to 65535.`);
  const problem = await new Promise((resolve) => {
    const probe = createServer()
      .once('error', resolve)
      .once('listening', () => probe.close(() => resolve(null)));
    probe.listen(Number(port), host);
  });
  const said = {
    EADDRINUSE: `Port ${port} is taken on ${host}. Stop what uses it, or set PORT to another.`,
    EACCES: `This account may not listen on port ${port}. Set PORT to 1024 or more.`,
    EADDRNOTAVAIL: `${host} is no address of this machine. Set HOST to one that is.`,
    ENOTFOUND: `${host} is no name of this machine. Set HOST to one that is.`,
  };
  if (problem) refuse(said[problem.code] ?? `Cannot listen on ${host}, port ${port}: ${problem.code}.`);
  return { host, port };
}

/**
 * Opens, checks and migrates the store, starts the built server on HOST and PORT once both can be had, and says where it is. It ends with
 * this process, its store's file whole by itself. `opened` says that the store has been seen to.
 */
export async function serve(env = {}, { opened = false } = {}) {
  const { host, port } = await address();
  const all = { ...process.env, ...env };
  if (!opened) run('npx', ['tsx', 'db/tool.ts', 'open'], env);
  const mark =
    all.DATABASE_URL && !all.DATABASE_URL.startsWith('file:') && /^[a-z]+:/i.test(all.DATABASE_URL) ? null : markFile(all.DATABASE_URL);
  const next = path.join(ROOT, 'node_modules', 'next', 'dist', 'bin', 'next');
  const child = spawn(process.execPath, [next, 'start', '-H', host, '-p', port], {
    cwd: ROOT,
    stdio: 'inherit',
    env: all,
  });
  if (mark) writeFileSync(mark, String(child.pid));
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
  child.on('exit', (code) => {
    spawnSync('npx', ['tsx', 'db/tool.ts', 'checkpoint'], { cwd: ROOT, stdio: 'inherit', env: all });
    if (mark) rmSync(mark, { force: true });
    process.exit(code ?? 0);
  });
  if (!LOOPBACK.has(host)) console.log(networkWarning(host, port, all));
  return `http://${host.includes(':') ? `[${host}]` : host}:${port}/`;
}

const LOOPBACK = new Set(['127.0.0.1', 'localhost', '::1']);

/** What a person who opens the program to a network must know, with the addresses others can open. */
function networkWarning(host, port, all) {
  const everywhere = host === '0.0.0.0' || host === '::';
  const hosts = everywhere
    ? Object.values(networkInterfaces()).flatMap((list) =>
        list.filter(({ family, internal }) => family === 'IPv4' && !internal).map((one) => one.address),
      )
    : [host];
  const open = hosts.map((name) => `http://${name.includes(':') ? `[${name}]` : name}:${port}/`).join(' and ');
  return all.ACCESS_PASSWORD
    ? `It asks for the password on this network too, at ${open}. Without TLS the password can be read on the way: use it only on a network that is yours.`
    : `Anybody on this network can open it at ${open} and read, change and delete every design: there is no password. Set one with ACCESS_PASSWORD.`;
}

/** Where the number of the running server stands, beside its store's file. */
function markFile(url) {
  const file = url ? url.replace(/^file:/, '').split('?')[0] : path.join(ROOT, 'data', 'vine-knot.db');
  return `${path.resolve(ROOT, file)}.running`;
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
