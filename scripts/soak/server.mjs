import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { ROOT } from '../setup.mjs';

/** The built application on a store of its own, on loopback, to be beaten. */

const NEXT = path.join(ROOT, 'node_modules', 'next', 'dist', 'bin', 'next');

export function newStore() {
  return path.join(mkdtempSync(path.join(tmpdir(), 'vine-knot-soak-')), 'designs.db');
}

export async function freePort() {
  return new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address();
      probe.close(() => resolve(port));
    });
  });
}

/** Starts a server and waits until it answers. */
export async function start(database, port) {
  const heapFile = `${database}.heap`;
  const child = spawn(process.execPath, [NEXT, 'start', '-H', '127.0.0.1', '-p', String(port)], {
    cwd: ROOT,
    stdio: ['ignore', 'ignore', 'pipe'],
    env: {
      ...process.env,
      DATABASE_URL: database,
      DAILY_COPY: 'off',
      HEAP_FILE: heapFile,
      NODE_OPTIONS: `--import ${pathToFileURL(path.join(ROOT, 'scripts', 'soak', 'heap.mjs')).href}`,
    },
  });
  let said = '';
  child.stderr.on('data', (text) => (said = (said + text).slice(-4000)));
  const base = `http://127.0.0.1:${port}`;
  for (let tries = 0; tries < 400; tries++) {
    if (child.exitCode !== null) throw new Error(`the server ended: ${said}`);
    const up = await fetch(`${base}/api/designs?most=1`).then(
      (answer) => answer.ok,
      () => false,
    );
    if (up) return { child, base, heapFile, said: () => said };
    await wait(25);
  }
  throw new Error(`the server does not answer: ${said}`);
}

export async function stop({ child }, signal = 'SIGTERM') {
  if (child.exitCode !== null || child.signalCode !== null) return;
  const gone = new Promise((resolve) => child.once('exit', resolve));
  child.kill(signal);
  await gone;
}

/** Megabytes of the server's heap after a collection. */
export async function heapMb({ child, heapFile }) {
  rmSync(heapFile, { force: true });
  child.kill('SIGUSR2');
  for (let tries = 0; tries < 400 && !existsSync(heapFile); tries++) await wait(25);
  return JSON.parse(readFileSync(heapFile, 'utf8')).heapUsed / 1e6;
}

export async function post(url, body, headers = {}) {
  const answer = await fetch(url, {
    method: 'POST',
    headers: { 'content-type': 'application/json', ...headers },
    body: typeof body === 'string' ? body : JSON.stringify(body),
  });
  return { status: answer.status, body: await answer.json().catch(() => null) };
}

export async function read(base, id) {
  return (await fetch(`${base}/api/designs/${id}`)).json();
}

/** A copy of an example design, by its id. */
export async function example(base, name = 'heron') {
  const { status, body } = await post(`${base}/api/designs`, { example: name, name: 'Soak' });
  if (status !== 201) throw new Error(`no design: ${status}`);
  return body.id;
}

export const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/** Repeatable random numbers of 0 to 1. */
export function randomOf(seed) {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}

export function quantile(values, share) {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))];
}
