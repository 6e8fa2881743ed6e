import { spawn, type ChildProcess } from 'node:child_process';
import { createServer, type AddressInfo } from 'node:net';
import path from 'node:path';
import {
  test as base,
  expect,
  type APIRequestContext,
  type APIResponse,
  type ConsoleMessage,
  type Locator,
  type Page,
} from '@playwright/test';
import { SETTINGS_ID } from '../core/catalog/vocabulary';
import { applyChange, updateRecords } from '../core/design/change';
import { settingsOf } from '../core/design/design';
import { writeDesignFile } from '../core/formats/designFile';
import { heron } from '../demo/heron';
import { pip } from '../demo/pip';

/** The demos as they are planned, nothing of them built yet, by what tests call them. */
const PLANS = { heron, pip };
const files = new Map<keyof typeof PLANS, string>();

/**
 * A fresh copy of a demo for each test, as planned or as it is built by now, and the few gestures many tests make. Going to a stage waits
 * until its controls answer, which is when it begins to listen for changes made elsewhere; from another stage of the design it is by the
 * stem. A test has the window of the one before it, tidied, and begins by going on in its page to a design of its own, as a person does: a
 * page loaded anew is over twice the work. With `ownWindow` it has a new one.
 */
export const test = base.extend<
  { heron: string; pip: string; heronAtWork: string; pipInUse: string; consoleErrors: string[]; ownWindow: boolean },
  { kept: KeptWindow }
>({
  ownWindow: [false, { option: true }],
  kept: [
    async ({}, provide) => {
      const kept: KeptWindow = { page: null };
      await provide(kept);
      await kept.page?.context().close();
    },
    { scope: 'worker' },
  ],
  page: async ({ browser, kept, ownWindow, viewport, hasTouch, serviceWorkers, baseURL }, provide, test) => {
    const options = { viewport, hasTouch, serviceWorkers, baseURL };
    const page = (ownWindow ? null : kept.page) ?? (await (await browser.newContext(options)).newPage());
    if (!ownWindow) kept.page = null;
    let isFirst = true;
    const goto = page.goto.bind(page);
    page.goto = async (url, options) => {
      const began = isFirst;
      isFirst = false;
      if (await goByStem(page, url)) return null;
      const listening = STAGE.test(url) ? page.waitForRequest(/\/events\?/) : null;
      const response = began && (await goOn(page, url)) ? null : await goto(url, options);
      if (!listening) return response;
      await listening;
      // The frame answers before the stage within it: a click on what the server drew is lost until then.
      await page.waitForFunction(() =>
        Array.from(document.querySelectorAll('main button, main input, main [tabindex]')).every((control) =>
          Object.keys(control).some((key) => key.startsWith('__reactProps')),
        ),
      );
      return response;
    };
    await provide(page);
    page.goto = goto;
    if (!ownWindow && test.status === test.expectedStatus && (await tidied(page, viewport!))) kept.page = page;
    else await page.context().close();
  },
  context: async ({ page }, provide) => provide(page.context()),
  heron: async ({ request }, provide) => provide(await planOf(request, 'heron')),
  pip: async ({ request }, provide) => provide(await planOf(request, 'pip')),
  heronAtWork: async ({ request }, provide) => provide(await copyOf(request, 'heron')),
  pipInUse: async ({ request }, provide) => provide(await copyOf(request, 'pip')),
  consoleErrors: [
    async ({ page }, provide) => {
      const errors: string[] = [];
      const said = (message: ConsoleMessage) => void (message.type() === 'error' && errors.push(message.text()));
      const thrown = (error: Error) => void errors.push(error.message);
      page.on('console', said).on('pageerror', thrown);
      await provide(errors);
      page.off('console', said).off('pageerror', thrown);
      expect(
        errors.filter(
          (text) => !/status of (409|422)|ERR_CONNECTION|ERR_INCOMPLETE|ERR_FAILED|ERR_INTERNET_DISCONNECTED|status of 404/.test(text),
        ),
      ).toEqual([]);
    },
    { auto: true },
  ],
});

export { expect };

/** A window that tests have one after another, between two of them. */
interface KeptWindow {
  page: Page | null;
}

/** Goes on to a stage of another design within the page, as a link would; not where it has none yet or this one, or was being loaded. */
async function goOn(page: Page, url: string): Promise<boolean> {
  const here = page.url().startsWith('http') ? new URL(page.url()).pathname : '';
  if (here === '' || !STAGE.test(url) || here.split('/')[2] === url.split('/')[2]) return false;
  const going = page.evaluate((to) => (window as unknown as { next: { router: { push(to: string): void } } }).next.router.push(to), url);
  return going
    .then(() => page.waitForURL(`**${url}`, { timeout: 10_000 }))
    .then(
      () => true,
      () => false,
    );
}

/** Leaves a window as a new one is, but for its page. @returns whether it could: not where that is closed, or on its way elsewhere */
async function tidied(page: Page, viewport: { width: number; height: number }): Promise<boolean> {
  if (page.isClosed()) return false;
  const context = page.context();
  for (const other of context.pages()) if (other !== page) await other.close();
  await page.unrouteAll({ behavior: 'ignoreErrors' });
  page.removeAllListeners('request');
  await context.setOffline(false);
  await context.clearPermissions();
  await context.clearCookies();
  await page.emulateMedia({ media: null });
  await page.setViewportSize(viewport);
  const emptied = page.evaluate(async () => {
    localStorage.clear();
    sessionStorage.clear();
    const done = <T>(request: IDBRequest<T>) => new Promise<T>((resolve) => (request.onsuccess = () => resolve(request.result)));
    for (const { name } of await indexedDB.databases()) {
      const database = await done(indexedDB.open(name!));
      for (const store of database.objectStoreNames) await done(database.transaction(store, 'readwrite').objectStore(store).clear());
      database.close();
    }
    return document.documentElement.dataset.theme === 'light';
  });
  return emptied.catch(() => false);
}

const STAGE = /^\/d\/[^/]+\/(rig|measure|loads|supply|energy|circuits|switching|harness|test)$/;

/**
 * From one stage of a design to another of the same by the stem, as a person goes: a sixth of the work of a page loaded anew, which a test
 * asks for by `reload`. Not while something lies over the page.
 */
async function goByStem(page: Page, url: string): Promise<boolean> {
  const here = new URL(page.url()).pathname;
  if (!STAGE.test(url) || !STAGE.test(here) || here === url || here.split('/')[2] !== url.split('/')[2]) return false;
  const stage = page.getByRole('navigation', { name: 'Stages' }).locator(`a[href="${url}"]`);
  if ((await stage.count()) !== 1 || (await page.getByRole('dialog').count()) > 0) return false;
  await stage.evaluate((link: HTMLAnchorElement) => link.click());
  await page.waitForURL(`**${url}`);
  // The stage is there, and its name in the window's title, where it had to be fetched first.
  await expect(page.getByText('Opening…', { exact: true })).toHaveCount(0);
  await expect(page).toHaveTitle(/./);
  return true;
}

async function copyOf(request: APIRequestContext, demo: string): Promise<string> {
  return idIn(await request.post(`/api/designs/${demo}/duplicate`));
}

async function planOf(request: APIRequestContext, demo: keyof typeof PLANS): Promise<string> {
  const file = files.get(demo) ?? planFile(demo);
  files.set(demo, file);
  return idIn(await request.post('/api/designs', { data: { file } }));
}

function planFile(demo: keyof typeof PLANS): string {
  const design = PLANS[demo]();
  const named = updateRecords(design, [{ id: SETTINGS_ID, set: { name: `${settingsOf(design).name} (copy)` } }]);
  return writeDesignFile(applyChange(design, named));
}

async function idIn(response: APIResponse): Promise<string> {
  return ((await response.json()) as { id: string }).id;
}

/** A reading of the meter bar by its name. */
export function meter(page: Page, name: string): Locator {
  return page.getByRole('region', { name: 'Whole design' }).getByRole('button', { name: new RegExp(`^${name}`) });
}

/** The strip of a circuit. */
export function strip(page: Page, name: string): Locator {
  return page.getByRole('article', { name: new RegExp(name) });
}

/** The same, opened. */
export async function openStrip(page: Page, number: string, name: string): Promise<Locator> {
  const opened = strip(page, `${number} ${name}`);
  await opened.getByRole('button', { name: new RegExp(name) }).first().click(); // prettier-ignore
  return opened;
}

/** A cell of the loads table by the load's name and the column's heading. */
export async function cell(page: Page, load: string, column: string): Promise<Locator> {
  await expect(page.getByRole('gridcell', { name: load, exact: true }).first()).toBeVisible();
  const headings = await page.getByRole('columnheader').allInnerTexts();
  const row = page.getByRole('row').filter({ has: page.getByRole('gridcell', { name: load, exact: true }) });
  return row.getByRole('gridcell').nth(headings.indexOf(column));
}

export async function saved(page: Page): Promise<void> {
  await expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible();
}

/** One more server of the built application, on a store of its own choosing. */
export async function startServer(port: number, database: string, env: Record<string, string> = {}): Promise<ChildProcess> {
  const next = path.join('node_modules', 'next', 'dist', 'bin', 'next');
  const server = spawn(process.execPath, [next, 'start', '-H', '127.0.0.1', '-p', String(port)], {
    env: { ...process.env, DATABASE_URL: database, DAILY_COPY: 'off', ...env },
    stdio: 'ignore',
  });
  for (let tries = 0; tries < 100; tries++) {
    const up = await fetch(`http://127.0.0.1:${port}/api/designs`).then(
      (response) => response.ok || response.status === 401,
      () => false,
    );
    if (up) return server;
    await new Promise((resolve) => setTimeout(resolve, 150));
  }
  throw new Error('the server did not start');
}

/** A port of this machine that nothing listens on. */
export async function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => resolve(port));
    });
  });
}

/** Chooses in a box one types into, by the first that fits. */
export async function choose(page: Page, box: string, typed: string, option: string): Promise<void> {
  await page.getByRole('combobox', { name: box }).click();
  await page.keyboard.type(typed);
  await page.locator('.ant-select-dropdown:visible').getByText(option, { exact: false }).first().click();
}

/** Draws a wire from one terminal to another found by what is typed. */
export async function drawWire(page: Page, from: string, typed: string): Promise<void> {
  await page.getByRole('button', { name: `Draw a wire from ${from}`, exact: true }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('combobox', { name: 'Where the wire goes' }).click();
  await page.keyboard.type(typed);
  await page.keyboard.press('Enter');
  await dialog.getByRole('button', { name: 'Draw it' }).click();
  await expect(dialog).toBeHidden();
}
