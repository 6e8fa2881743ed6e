import type { ChildProcess } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { BrowserContext } from '@playwright/test';
import { expect, freePort, startServer, test } from './fixtures';

/** What a workshop needs that one person does not: a password, links for customers, several servers on one store, a long list. */

const folder = () => path.join(mkdtempSync(path.join(tmpdir(), 'vine-knot-workshop-')), 'designs.db');
const servers: ChildProcess[] = [];

async function ownServer(database: string, env: Record<string, string> = {}): Promise<string> {
  const port = await freePort();
  servers.push(await startServer(port, database, env));
  return `http://127.0.0.1:${port}`;
}

test.afterEach(() => {
  for (const server of servers.splice(0)) server.kill('SIGTERM');
});

const EXAMPLE = { example: 'pip', name: 'Otter' } as const;

test('a password keeps everything from who has not given it; given once, one goes on where one was going', async ({ browser }) => {
  const base = await ownServer(folder(), { ACCESS_PASSWORD: 'three knots' });
  const context: BrowserContext = await browser.newContext();
  const page = await context.newPage();
  for (const [method, url] of [
    ['GET', '/api/designs'],
    ['POST', '/api/designs'],
    ['GET', '/api/export'],
    ['GET', '/api/designs/x/events?after=0'],
    ['DELETE', '/api/designs/x'],
  ] as const) {
    const answer = await context.request.fetch(base + url, { method, ...(method === 'POST' && { data: EXAMPLE }) });
    expect([url, answer.status()]).toEqual([url, 401]);
    expect(await answer.json()).toEqual({ error: { code: 'locked', message: 'the password is asked for', reasons: [] } });
  }
  await page.goto(`${base}/handbook/fuses`);
  await expect(page).toHaveURL(/\/enter\?to=/);
  await page.getByLabel('Password', { exact: true }).fill('two knots');
  await page.getByRole('button', { name: 'Enter' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'password' })).toContainText('That is not the password');
  await page.getByLabel('Password', { exact: true }).fill('three knots');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(`${base}/handbook/fuses`);
  const [ticket] = await context.cookies();
  expect(ticket).toMatchObject({ httpOnly: true, sameSite: 'Lax' });

  // Locked again while a design is open: the edit waits, says why, and is stored once the password is given in another window.
  const { id } = (await (await context.request.post(`${base}/api/designs`, { data: EXAMPLE })).json()) as { id: string };
  await page.goto(`${base}/d/${id}/loads`);
  await expect(page.getByRole('gridcell').first()).toBeVisible();
  await context.clearCookies();
  await page.getByRole('button', { name: 'm', exact: true }).click();
  const state = page.getByRole('status').filter({ hasText: 'asks for the password' });
  await expect(state).toBeVisible();
  const [second] = await Promise.all([context.waitForEvent('page'), state.getByRole('link', { name: 'Give it' }).click()]);
  await second.getByLabel('Password', { exact: true }).fill('three knots');
  await second.getByRole('button', { name: 'Enter' }).click();
  await expect(second.getByRole('heading', { name: 'Vine Knot' })).toBeVisible();
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  await second.getByRole('button', { name: 'Lock' }).click();
  await expect(second).toHaveURL(/\/enter/);
  await context.close();
});

test('a password typed, or filled in by the browser, before the page answers is taken as it stands', async ({ page }) => {
  const base = await ownServer(folder(), { ACCESS_PASSWORD: 'three knots' });
  let release = () => {};
  const released = new Promise<void>((resolve) => (release = resolve));
  await page.route(/\.js(\?|$)/, async (route) => {
    await released;
    await route.continue();
  });
  await page.goto(`${base}/handbook/fuses`, { waitUntil: 'commit' });
  await page.getByLabel('Password', { exact: true }).fill('three knots');
  release();
  await page.getByRole('button', { name: 'Enter' }).click();
  await expect(page).toHaveURL(`${base}/handbook/fuses`);
});

test('guessing is slow: after ten wrong passwords in a minute no more are looked at, and a ticket goes on working', async ({
  playwright,
}) => {
  const base = await ownServer(folder(), { ACCESS_PASSWORD: 'three knots' });
  const known = await playwright.request.newContext({ baseURL: base });
  expect((await known.post('/api/enter', { data: { password: 'three knots' } })).status()).toBe(200);
  const guesser = await playwright.request.newContext({ baseURL: base });
  const statuses: number[] = [];
  for (let at = 0; at < 12; at++) statuses.push((await guesser.post('/api/enter', { data: { password: `guess ${at}` } })).status());
  expect(statuses.slice(0, 10)).toEqual(Array(10).fill(403));
  expect(statuses.slice(10)).toEqual([429, 429]);
  expect((await guesser.post('/api/enter', { data: { password: 'three knots' } })).status()).toBe(429);
  expect((await known.get('/api/designs')).status()).toBe(200);
});

test('a customer reads one report by a link, without the password, until it is taken back', async ({ browser, page }) => {
  const base = await ownServer(folder(), { ACCESS_PASSWORD: 'three knots' });
  await page.goto(`${base}/enter`);
  await page.getByLabel('Password', { exact: true }).fill('three knots');
  await page.getByRole('button', { name: 'Enter' }).click();
  await expect(page).toHaveURL(`${base}/`);
  const { id } = (await (await page.request.post(`${base}/api/designs`, { data: EXAMPLE })).json()) as { id: string };
  await page.goto(`${base}/d/${id}/report`);
  await page.getByRole('button', { name: 'Link for the customer' }).click();
  await page.getByRole('button', { name: 'Make a link' }).click();
  const address = await page.getByLabel('Address of the link').inputValue();
  expect(address).toMatch(new RegExp(`^${base}/s/[\\w-]{32}$`));

  const customer = await browser.newContext();
  const theirs = await customer.newPage();
  await theirs.goto(address);
  await expect(theirs.getByRole('heading', { name: 'Otter', level: 1 })).toBeVisible();
  await expect(theirs.getByRole('heading', { name: 'Before you start' })).toBeVisible();
  await expect(theirs.getByRole('link', { name: /Back to the design/ })).toHaveCount(0);
  await expect(theirs.getByRole('button', { name: /Link for the customer/ })).toHaveCount(0);
  const pdf = await customer.request.get(`${address}/report.pdf`);
  expect([pdf.status(), (await pdf.body()).subarray(0, 5).toString()]).toEqual([200, '%PDF-']);
  // Nothing else opens by it.
  expect((await customer.request.get(`${base}/api/designs/${id}`)).status()).toBe(401);
  expect((await customer.request.get(`${base}/s/${'x'.repeat(32)}`)).status()).toBe(404);

  await page.getByRole('button', { name: 'Take the link back' }).click();
  await expect(page.getByRole('button', { name: 'Make a link' })).toBeVisible();
  expect((await customer.request.get(address)).status()).toBe(404);
  expect((await customer.request.get(`${address}/report.pdf`)).status()).toBe(404);
  await customer.close();
});

test('two servers on one store: an edit made through one is seen through the other, and so is its undoing', async ({ browser }) => {
  const database = folder();
  const [one, two] = [await ownServer(database), await ownServer(database)];
  const context = await browser.newContext();
  const { id } = (await (await context.request.post(`${one}/api/designs`, { data: EXAMPLE })).json()) as { id: string };
  const [here, there] = [await context.newPage(), await context.newPage()];
  for (const [page, base] of [
    [here, one],
    [there, two],
  ] as const) {
    const listening = page.waitForRequest(/\/events\?/);
    await page.goto(`${base}/d/${id}/loads`);
    await listening;
  }
  await here.getByRole('button', { name: 'm', exact: true }).click();
  await expect(there.getByRole('button', { name: 'm', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await there.getByRole('button', { name: /^Undo/ }).click();
  await expect(here.getByRole('button', { name: 'ft', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await context.close();
});

test('two servers that open a new store at once bring it up once', async ({ playwright }) => {
  const database = folder();
  const bases = await Promise.all([ownServer(database), ownServer(database)]);
  const request = await playwright.request.newContext();
  for (const base of bases) expect((await request.post(`${base}/api/designs`, { data: EXAMPLE })).status()).toBe(201);
  for (const base of bases) expect(((await (await request.get(`${base}/api/designs`)).json()) as { total: number }).total).toBe(2);
});

test('a long list comes part by part, is searched by name, and stays where it was read to when something in it changes', async ({
  page,
  playwright,
}) => {
  test.setTimeout(90_000);
  const base = await ownServer(folder());
  const request = await playwright.request.newContext({ baseURL: base });
  for (let at = 0; at < 130; at++)
    expect((await request.post('/api/designs', { data: { ...EXAMPLE, name: `Van ${at}` } })).ok()).toBe(true);
  await page.goto(`${base}/`);
  await expect(page.getByText('130 designs')).toBeVisible();
  const rows = page.getByRole('listitem').filter({ has: page.getByRole('button', { name: /^More for/ }) });
  expect(await rows.count()).toBeLessThan(130);
  await rows.last().scrollIntoViewIfNeeded();
  await expect(async () => {
    await rows.last().scrollIntoViewIfNeeded();
    expect(await rows.count()).toBe(130);
  }).toPass();
  await page.getByRole('button', { name: 'More for Van 0', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Delete' }).click();
  await expect(page.getByText('Van 0 has been deleted.')).toBeVisible();
  await expect(page.getByText('129 designs')).toBeVisible();
  await expect(rows).toHaveCount(129);
  await page.getByLabel('Find a design by its name').fill('van 7');
  await expect(page.getByText('11 of 129 designs')).toBeVisible();
  await expect(rows).toHaveCount(11);
  await page.getByLabel('Find a design by its name').fill('');
  await expect(page.getByText('129 designs', { exact: true })).toBeVisible();
});
