import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { expect, freePort, startServer, test } from './fixtures';

test('pages carry a strict content policy and no word of the server', async ({ request }) => {
  const { 'content-security-policy': policy, ...headers } = (await request.get('/')).headers();
  expect(policy).toContain("default-src 'self'");
  expect(policy).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic'/);
  expect(policy).not.toMatch(/script-src[^;]*unsafe/);
  expect(headers['x-powered-by']).toBeUndefined();
  expect(headers['x-content-type-options']).toBe('nosniff');
  expect(headers['cross-origin-opener-policy']).toBe('same-origin');
  expect(headers['cross-origin-resource-policy']).toBe('same-origin');
  expect(headers['permissions-policy']).toContain('camera=()');
  expect((await request.get('/api/designs')).headers()['cache-control']).toBe('no-store');
  expect((await request.get('/d/%E0%A4%A/loads')).status()).toBe(400);
});

test('the server answers to its own names alone: a name rebound to this machine gets a plain refusal, and no design', async ({
  request,
  heron,
}) => {
  for (const path of ['/', `/d/${heron}/rig`, '/api/designs', `/api/designs/${heron}/export`]) {
    const answer = await request.get(path, { headers: { host: 'rebound.example:3217' } });
    expect([path, answer.status()]).toEqual([path, 421]);
    expect(await answer.text()).toContain('does not go by that name');
  }
  expect((await request.get('/api/designs', { headers: { host: 'localhost:3217' } })).status()).toBe(200);
});

test('the server refuses other sites, other types, bodies too large and what it does not understand', async ({ request, heron }) => {
  const url = `/api/designs/${heron}/changes`;
  const foreign = await request.post(url, { data: {}, headers: { origin: 'http://elsewhere.example' } });
  expect(foreign.status()).toBe(403);
  expect((await request.post(url, { data: 'x', headers: { 'content-type': 'text/plain' } })).status()).toBe(415);
  expect(
    (
      await request.post('/api/designs', { data: `{"file":"${'x'.repeat(8_100_000)}"}`, headers: { 'content-type': 'application/json' } })
    ).status(),
  ).toBe(413);
  const unknown = await request.post(url, {
    data: { changeId: 'abcdefgh', baseRevision: 1, label: 'x', change: { added: [{ id: 'a', type: 'macro' }], updated: [], removed: [] } },
  });
  expect(unknown.status()).toBe(400);
  expect((await unknown.json()).error.reasons.join()).toContain('change.added.0');
  expect((await request.get('/api/designs/none')).status()).toBe(404);
  expect((await request.get(`/api/designs/${encodeURIComponent('../x')}`)).status()).toBe(404);
  const schema = await (await request.get('/api/schema')).json();
  expect(schema.title).toBe('Vine Knot design');
});

test('killed right after an acknowledged edit, the server has it when it starts again, every time', async () => {
  test.setTimeout(120_000);
  const database = path.join(mkdtempSync(path.join(tmpdir(), 'vine-knot-kill-')), 'designs.db');
  const port = await freePort();
  const base = `http://127.0.0.1:${port}`;
  let server = await startServer(port, database);
  const created = await send(`${base}/api/designs`, {
    answers: {
      name: 'Kill',
      vehicle: 'trailer',
      zones: ['Cabin'],
      battery: { chemistry: 'agm', capacityAh: 80, count: 1 },
      units: 'metric',
      standard: 'iso-small-craft',
      defaultReturn: 'dedicated',
    },
  });
  let { revision, records } = await read(base, created.id);
  const edits = 8;
  for (let round = 1; round <= edits; round++) {
    const zone = records.find(({ type }) => type === 'zone')!;
    const to = { ...zone, ambientC: 30 + round };
    const taken = await send(`${base}/api/designs/${created.id}/changes`, {
      ...{ changeId: `kill-round-${round}`, baseRevision: revision, label: 'Warmer' },
      change: { added: [], updated: [{ from: zone, to }], removed: [] },
    });
    server.kill('SIGKILL');
    await new Promise((resolve) => server.once('exit', resolve));
    server = await startServer(port, database);
    ({ revision, records } = await read(base, created.id));
    expect(revision).toBe(taken.revision);
    expect(records.find(({ type }) => type === 'zone')).toEqual(to);
  }
  expect(revision).toBe(1 + edits);
  server.kill('SIGKILL');
});

interface PlainRecord {
  id: string;
  type: string;
  [field: string]: unknown;
}

test('what stands in the way of a start is said in a line before any address, and the status is 2', async ({ baseURL }) => {
  test.setTimeout(60_000);
  const folder = mkdtempSync(path.join(tmpdir(), 'vine-knot-start-'));
  writeFileSync(path.join(folder, 'letter.db'), 'Dear reader, '.repeat(2000));
  const own = { PORT: String(await freePort()), DATABASE_URL: path.join(folder, 'designs.db') };
  for (const [env, why] of [
    [{ PORT: '99999' }, /PORT is 99999; it is a number from 1 to 65535/],
    [{ PORT: new URL(baseURL!).port }, /^Port \d+ is taken on 127\.0\.0\.1/],
    [{ HOST: '203.0.113.7' }, /no address of this machine/],
    [{ DATABASE_URL: path.join(folder, 'letter.db') }, /letter\.db is not a database/],
    [{ DATABASE_URL: 'file:' }, /names no file/],
  ] as const) {
    const { status, stdout, stderr } = spawnSync(process.execPath, ['scripts/start.mjs'], {
      env: { ...process.env, ...own, ...env },
      encoding: 'utf8',
      timeout: 20_000,
    });
    expect([status, stderr]).toEqual([2, expect.stringMatching(why)]);
    expect(stdout).not.toContain('http://');
  }
});

async function send(url: string, body: object): Promise<{ id: string; revision: number }> {
  const response = await fetch(url, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });
  expect(response.ok).toBe(true);
  return (await response.json()) as { id: string; revision: number };
}

async function read(base: string, id: string): Promise<{ revision: number; records: PlainRecord[] }> {
  return (await (await fetch(`${base}/api/designs/${id}`)).json()) as { revision: number; records: PlainRecord[] };
}
