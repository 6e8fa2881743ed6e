import { spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { browserPath } from '../browser.mjs';
import { example, freePort, newStore, read, start, stop, wait } from './server.mjs';

/** How long an entry was seen before it counts as acknowledged, ms: sooner than anybody looks up from a phone. */
const SEEN_MS = 100;
const LONGEST_MS = 30_000;

/** A browser on a profile of its own that can be killed as a phone does it: at once, with all its processes. */
async function open(chromium, profile) {
  const port = await freePort();
  const flags = ['--headless=new', '--no-sandbox', '--disable-gpu', '--disable-background-networking', '--no-first-run'];
  const child = spawn(browserPath(), [...flags, `--remote-debugging-port=${port}`, `--user-data-dir=${profile}`], {
    detached: true,
    stdio: 'ignore',
  });
  for (let tries = 0; tries < 400; tries++) {
    const up = await fetch(`http://127.0.0.1:${port}/json/version`).then(
      (answer) => answer.ok,
      () => false,
    );
    if (up) break;
    await wait(25);
  }
  const browser = await chromium.connectOverCDP(`http://127.0.0.1:${port}`);
  const [context] = browser.contexts();
  const gone = new Promise((resolve) => child.once('exit', resolve));
  const kill = async () => {
    try {
      process.kill(-child.pid, 'SIGKILL');
    } catch {
      // It has ended by itself.
    }
    await gone;
    await browser.close().catch(() => undefined);
  };
  return { page: context.pages()[0] ?? (await context.newPage()), kill };
}

async function toLogbook(page, base, id) {
  await page.goto(`${base}/d/${id}/test`);
  await page.getByLabel('What is shown').getByText('Logbook', { exact: true }).click();
  const logbook = page.getByRole('region', { name: 'Logbook', exact: true });
  await logbook.waitFor({ timeout: LONGEST_MS });
  return logbook;
}

/**
 * Lines written into the logbook without a connection, in a browser killed at random moments while one writes. Each that was seen is looked
 * for in the next browser, and on the server at last.
 * @returns rounds, lines acknowledged, and those of them that were lost
 */
export async function killBrowsers(rounds, random) {
  const { chromium } = await import('@playwright/test');
  const [database, port] = [newStore(), await freePort()];
  const profile = mkdtempSync(path.join(tmpdir(), 'vine-knot-profile-'));
  let server = await start(database, port);
  const { base } = server;
  const id = await example(base, 'pip');
  // Opened once with a connection, and kept for without.
  const first = await open(chromium, profile);
  await first.page.goto(`${base}/d/${id}/test`);
  const isKept = await Promise.race([
    first.page.evaluate(
      () => new Promise((resolve) => navigator.serviceWorker.addEventListener('message', ({ data }) => resolve(data.kept === true))),
    ),
    wait(LONGEST_MS * 2).then(() => false),
  ]);
  if (!isKept) throw new Error('the design was not kept for without a connection');
  // The browser writes what it keeps to disk some seconds later.
  await wait(8000);
  await first.kill();
  await stop(server);
  const acknowledged = [];
  const lost = new Set();
  for (let round = 0; round < rounds; round++) {
    const { page, kill } = await open(chromium, profile);
    page.setDefaultTimeout(LONGEST_MS);
    const logbook = await toLogbook(page, base, id);
    const line = (text) => logbook.getByText(text, { exact: true });
    for (const text of acknowledged.slice(-3))
      await line(text)
        .waitFor({ timeout: 5000 })
        .catch(() => lost.add(text));
    const killed = wait(300 + random() * 1700).then(kill);
    const write = async () => {
      for (let at = 0; ; at++) {
        const text = `line ${round} ${at}`;
        await logbook.getByRole('textbox', { name: 'What was done or seen' }).fill(text);
        await logbook.getByRole('button', { name: 'Write down', exact: true }).click();
        await line(text).waitFor();
        await wait(SEEN_MS);
        acknowledged.push(text);
      }
    };
    await Promise.race([write().catch(() => undefined), killed]);
    await killed;
  }
  server = await start(database, port);
  const last = await open(chromium, profile);
  const shown = await toLogbook(last.page, base, id);
  // Once what was left is taken over, and not as the page opens.
  await shown
    .getByText(acknowledged.at(-1) ?? '', { exact: true })
    .waitFor({ timeout: LONGEST_MS })
    .catch(() => undefined);
  await last.page.getByText('Saved', { exact: true }).waitFor({ timeout: 60_000 });
  const { records } = await read(base, id);
  const stored = new Set(records.filter(({ type }) => type === 'event').map(({ text }) => text));
  for (const text of acknowledged) if (!stored.has(text)) lost.add(text);
  await last.kill();
  await stop(server);
  return { rounds, acknowledged: acknowledged.length, lost: lost.size };
}
