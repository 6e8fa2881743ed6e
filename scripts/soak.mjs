import { connect } from 'node:net';
import { performance } from 'node:perf_hooks';
import { browserPath } from './browser.mjs';
import { killBrowsers } from './soak/browserKills.mjs';
import { build, install } from './setup.mjs';
import { example, freePort, heapMb, newStore, post, quantile, randomOf, read, start, stop, wait } from './soak/server.mjs';

/**
 * Beats the built application for up to an hour on loopback: kills, many clients at once, nonsense, slow clients, memory of the server and
 * of a tab. Ends with a table and with status 1 when something did not hold. `npm run soak -- kills clients nonsense slow memory tab
 * browsers` runs some of it; SOAK_SHARE=0.1 a tenth of each.
 */

const SHARE = Number(process.env.SOAK_SHARE ?? 1);
const SEED = Number(process.env.SOAK_SEED ?? 20261127);
const times = (whole) => Math.max(1, Math.round(whole * SHARE));
/** Heap after a collection may grow to this many times of what it was when warm. */
const MOST_GROWTH = 1.3;
/** An edit of twenty clients at once is answered within this, ms, for nineteen of twenty. */
const MOST_WAIT_MS = 150;

const rows = [];
const tell = (what, figure, held) => {
  rows.push({ what, figure, held: held ? 'yes' : 'NO' });
  console.log(`${held ? '  ' : '! '}${what}: ${figure}`);
};

/** An edit that only this round makes: the heat of one zone. */
function warmer(records, at, round) {
  const zones = records.filter(({ type }) => type === 'zone');
  const from = zones[at % zones.length];
  return { from, to: { ...from, ambientC: 20 + (round % 40) + (at % 7) / 10 } };
}

async function edit(base, id, revision, changeId, { from, to }) {
  const change = { added: [], updated: [{ from, to }], removed: [] };
  return post(`${base}/api/designs/${id}/changes`, { changeId, baseRevision: revision, label: 'Warmer', change });
}

/** Killed at random moments while edits are on their way; every one that was acknowledged must be there at the next start. */
async function kills() {
  const [database, port, random] = [newStore(), await freePort(), randomOf(SEED)];
  let server = await start(database, port);
  const id = await example(server.base);
  const rounds = times(500);
  let [acknowledged, lost, partial] = [0, 0, 0];
  for (let round = 0; round < rounds; round++) {
    let { revision, records } = await read(server.base, id);
    let killed = null;
    let [last, wanted, sent] = [revision, null, null];
    for (let at = 0; server.child.exitCode === null && at < 200; at++) {
      const pair = warmer(records, at, round);
      sent = pair.to;
      const answer = await edit(server.base, id, revision, `kill_${round}_${at}`, pair).catch(() => null);
      // Cut off in the middle of its answer is not acknowledged.
      if (answer?.status !== 200 || !answer.body) break;
      acknowledged++;
      killed ??= wait(random() * 60).then(() => stop(server, 'SIGKILL'));
      ({ revision } = answer.body);
      records = records.map((record) => (record.id === pair.to.id ? pair.to : record));
      [last, wanted] = [revision, pair.to];
    }
    await (killed ?? stop(server, 'SIGKILL'));
    server = await start(database, port);
    const now = await read(server.base, id);
    // One more may have been stored whose answer did not come through; none less.
    if (now.revision < last || now.revision > last + 1) lost++;
    const found = now.records.find((record) => record.id === wanted?.id);
    if (wanted && JSON.stringify(found) !== JSON.stringify(wanted) && JSON.stringify(found) !== JSON.stringify(sent)) partial++;
  }
  await stop(server);
  tell(
    'kills',
    `${rounds} rounds, ${acknowledged} edits acknowledged, ${lost} lost, ${partial} not as they were sent`,
    lost + partial === 0 && acknowledged > rounds,
  );
}

/** Twenty clients edit one design and one of their own in turn: first each four times a second, then as fast as they are answered. */
async function clients() {
  const server = await start(newStore(), await freePort());
  const paced = await twenty(server, times(10_000), 250);
  const flatOut = await twenty(server, times(4000), 0);
  const heap = await heapMb(server);
  await stop(server);
  const words = ({ waits, refused }) =>
    `${waits.length} edits, median ${quantile(waits, 0.5).toFixed(0)} ms, p95 ${quantile(waits, 0.95).toFixed(0)} ms, ${refused} refused but as conflicts`;
  tell('clients, 20 at 4 edits a second', words(paced), paced.refused === 0 && quantile(paced.waits, 0.95) < MOST_WAIT_MS);
  tell('clients, 20 flat out', `${words(flatOut)}; heap ${heap.toFixed(0)} MB`, flatOut.refused === 0);
}

async function twenty(server, edits, everyMs) {
  const shared = await example(server.base);
  const waits = [];
  let refused = 0;
  await Promise.all(
    Array.from({ length: 20 }, async (_, client) => {
      const own = await example(server.base, 'pip');
      const seen = new Map();
      for (const id of [shared, own]) seen.set(id, await read(server.base, id));
      await wait((everyMs * client) / 20);
      for (let at = 0; at < edits / 20; at++) {
        const id = at % 2 === 0 ? shared : own;
        let { revision, records } = seen.get(id);
        const pair = warmer(records, id === shared ? client : at, at);
        const began = performance.now();
        const { status, body } = await edit(server.base, id, revision, `client_${everyMs}_${client}_${at}`, pair);
        waits.push(performance.now() - began);
        if (status === 200) {
          const taken = [...body.missed.map((missed) => missed.change), body.change];
          for (const { updated } of taken)
            for (const { to } of updated) records = records.map((record) => (record.id === to.id ? to : record));
          seen.set(id, { revision: body.revision, records });
        } else if (status === 409) seen.set(id, await read(server.base, id));
        else refused++;
        await wait(Math.max(0, began + everyMs - performance.now()));
      }
    }),
  );
  return { waits, refused };
}

/** Bodies that are nearly right, and wrong in every way, to every address that writes. */
async function nonsense() {
  const server = await start(newStore(), await freePort());
  const id = await example(server.base);
  const { revision, records } = await read(server.base, id);
  const random = randomOf(SEED + 1);
  const pick = (list) => list[Math.floor(random() * list.length)];
  const odd = () =>
    pick([
      null,
      -1,
      0,
      1e308,
      -0,
      '',
      'x'.repeat(5000),
      '\u0000',
      '\ud800',
      '\ufffe',
      [],
      {},
      true,
      NaN,
      '1e999',
      '__proto__',
      { constructor: 1 },
      [[[]]],
      '‮abc',
      3.5,
    ]);
  const spoil = (value, depth = 0) => {
    if (depth > 6 || random() < 0.08) return odd();
    if (Array.isArray(value)) return value.map((one) => spoil(one, depth + 1));
    if (value && typeof value === 'object')
      return Object.fromEntries(
        Object.entries(value).flatMap(([key, one]) =>
          random() < 0.03 ? [] : [[random() < 0.02 ? String(odd()) : key, spoil(one, depth + 1)]],
        ),
      );
    return random() < 0.06 ? odd() : value;
  };
  const bodies = {
    [`/api/designs/${id}/changes`]: () => ({
      changeId: 'nonsense_1',
      baseRevision: revision,
      label: 'x',
      change: { added: [pick(records)], updated: [warmer(records, 1, 1)], removed: [pick(records)] },
    }),
    [`/api/designs/${id}/undo`]: () => ({ changeId: 'nonsense_2', baseRevision: revision }),
    [`/api/designs/${id}/rename`]: () => ({ name: 'Otter' }),
    '/api/designs': () =>
      pick([
        { example: 'pip', name: 'x' },
        { file: JSON.stringify({ format: 'vine-knot', schemaVersion: 1, records: records.slice(0, 8) }) },
        { copyOf: id, part: 'all', name: 'x' },
      ]),
    '/api/enter': () => ({ password: 'x' }),
  };
  const seen = new Map();
  const sent = times(4000);
  const before = (await read(server.base, id)).records.length;
  for (let at = 0; at < sent; at++) {
    const url = pick(Object.keys(bodies));
    const text = JSON.stringify(spoil(bodies[url]()));
    const cut = random() < 0.1 ? text.slice(0, Math.floor(random() * text.length)) : text;
    const { status } = await post(
      server.base + url,
      cut,
      random() < 0.05 ? { 'content-type': pick(['text/plain', 'application/xml', '']) } : {},
    );
    seen.set(status, (seen.get(status) ?? 0) + 1);
  }
  const now = await read(server.base, id);
  await stop(server);
  const internal = [...seen].filter(([status]) => status >= 500).reduce((sum, [, count]) => sum + count, 0);
  const answers = [...seen].sort(([a], [b]) => a - b).map(([status, count]) => `${count} x ${status}`);
  tell(
    'nonsense',
    `${sent} bodies: ${answers.join(', ')}`,
    internal === 0 && Array.isArray(now.records) && Math.abs(now.records.length - before) < 4000,
  );
}

/** A hundred clients that send a letter a second, while another works. */
async function slow() {
  const server = await start(newStore(), await freePort());
  const id = await example(server.base);
  const port = Number(new URL(server.base).port);
  const sockets = Array.from({ length: times(100) }, () => {
    const socket = connect(port, '127.0.0.1');
    socket.on('error', () => undefined);
    socket.write(
      `POST /api/designs/${id}/changes HTTP/1.1\r\nHost: 127.0.0.1:${port}\r\nContent-Type: application/json\r\nContent-Length: 5000\r\n\r\n{`,
    );
    const timer = setInterval(() => socket.writable && socket.write(' '), 1000);
    socket.on('close', () => clearInterval(timer));
    return socket;
  });
  let { revision, records } = await read(server.base, id);
  const waits = [];
  for (let at = 0; at < times(200); at++) {
    const pair = warmer(records, at, at);
    const began = performance.now();
    const { status, body } = await edit(server.base, id, revision, `slow_${at}`, pair);
    waits.push(performance.now() - began);
    if (status !== 200) continue;
    ({ revision } = body);
    records = records.map((record) => (record.id === pair.to.id ? pair.to : record));
    await wait(20);
  }
  const open = sockets.filter((socket) => !socket.destroyed).length;
  sockets.forEach((socket) => socket.destroy());
  await stop(server);
  tell(
    'slow clients',
    `${sockets.length} (${open} still sending at the end); beside them p95 ${quantile(waits, 0.95).toFixed(0)} ms`,
    quantile(waits, 0.95) < MOST_WAIT_MS,
  );
}

/** Edits of one design one after another: what an edit keeps alive shows here. */
async function memory() {
  const server = await start(newStore(), await freePort());
  const id = await example(server.base);
  let { revision, records } = await read(server.base, id);
  const edits = times(50_000);
  const warm = Math.min(500, Math.floor(edits / 4));
  let first = 0;
  for (let at = 0; at < edits; at++) {
    if (at === warm) first = await heapMb(server);
    const pair = warmer(records, at, Math.floor(at / 3));
    if (JSON.stringify(pair.from) === JSON.stringify(pair.to)) pair.to.ambientC += 0.05;
    const { status, body } = await edit(server.base, id, revision, `memory_${at}`, pair);
    if (status !== 200) throw new Error(`edit ${at} was answered ${status}`);
    ({ revision } = body);
    records = records.map((record) => (record.id === pair.to.id ? pair.to : record));
    if (at % 10_000 === 9999) console.log(`   ${at + 1} edits`);
  }
  const last = await heapMb(server);
  await stop(server);
  tell('memory of the server', `${edits} edits of one design: ${first.toFixed(0)} -> ${last.toFixed(0)} MB`, last < first * MOST_GROWTH);
}

/** Edits by hand in one tab, its heap after a collection. */
async function tab() {
  const { chromium } = await import('@playwright/test');
  const server = await start(newStore(), await freePort());
  const id = await example(server.base);
  const browser = await chromium.launch({
    executablePath: browserPath(),
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const session = await page.context().newCDPSession(page);
  const used = async () => {
    await session.send('HeapProfiler.collectGarbage');
    return (await session.send('Runtime.getHeapUsage')).usedSize / 1e6;
  };
  const listening = page.waitForRequest(/\/events\?/);
  await page.goto(`${server.base}/d/${id}/circuits`);
  await listening;
  const fuse = page.getByRole('spinbutton', { name: /fuse/i }).first();
  await fuse.focus();
  const edits = times(5000);
  const warm = Math.min(100, Math.floor(edits / 4));
  let first = 0;
  for (let at = 0; at < edits; at++) {
    if (at === warm) first = await used();
    await page.keyboard.press(Math.floor(at / 3) % 2 === 0 ? 'ArrowUp' : 'ArrowDown');
    // No hand is faster than the server for long.
    if (at % 50 === 49) await page.getByText('Saved', { exact: true }).waitFor({ timeout: 60_000 });
  }
  await page.getByText('Saved', { exact: true }).waitFor({ timeout: 60_000 });
  const { revision } = await read(server.base, id);
  const last = await used();
  await browser.close();
  await stop(server);
  tell(
    'memory of a tab',
    `${edits} keys, ${revision - 1} edits: ${first.toFixed(1)} -> ${last.toFixed(1)} MB`,
    last < first * MOST_GROWTH && revision > edits / 4,
  );
}

/** A browser killed at random moments while one writes without a connection. */
async function browsers() {
  const { rounds, acknowledged, lost } = await killBrowsers(times(200), randomOf(SEED));
  tell('browsers killed', `${rounds} rounds, ${acknowledged} lines seen, ${lost} lost`, lost === 0 && acknowledged > rounds / 2);
}

const ALL = { kills, clients, nonsense, slow, memory, tab, browsers };
const asked = process.argv.slice(2);
install();
build();
for (const [name, run] of Object.entries(ALL)) {
  if (asked.length > 0 && !asked.includes(name)) continue;
  const began = performance.now();
  console.log(`\n== ${name}`);
  try {
    await run();
  } catch (error) {
    tell(name, `failed: ${error.message}`, false);
  }
  console.log(`   ${((performance.now() - began) / 60_000).toFixed(1)} min`);
}
console.log('');
console.table(rows);
process.exit(rows.some(({ held }) => held === 'NO') ? 1 : 0);
