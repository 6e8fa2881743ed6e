import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { cell, expect, meter, saved, test } from './fixtures';

const row = (page: Page, name: string) => page.getByRole('listitem').filter({ has: page.getByText(name, { exact: true }) });
const act = async (page: Page, name: string, action: string) => {
  await page.getByRole('button', { name: `More for ${name}`, exact: true }).click();
  await page.getByRole('menuitem', { name: action }).click();
};

test('home shows what matters of each design', async ({ page }) => {
  await page.goto('/');
  // The first were made long before those of other tests, and more are listed as one reads on.
  const listed = async (name: string) => {
    await expect(async () => {
      await page.mouse.wheel(0, 20_000);
      await expect(row(page, name).first()).toBeVisible({ timeout: 500 });
    }).toPass({ timeout: 10_000 });
    return row(page, name).first();
  };
  await expect(await listed('Heron')).toContainText('20');
  // All that is found inside is counted; what takes long comes a moment later, by itself.
  await expect(await listed('Heron')).toContainText('3 faults', { timeout: 40_000 });
  await expect(await listed('Heron')).toContainText('8.3 %');
  await expect(await listed('Heron')).not.toContainText(/or more|so far|being judged/);
  await expect(await listed('Pip')).toContainText('OK', { timeout: 40_000 });
});

test('a few questions make a design and lead straight to its loads; the first load shows its first steps', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'New design' }).click();
  await page.getByRole('textbox', { name: 'Name' }).fill('Small van');
  await page.getByText('Feet, °F').click();
  await page.getByRole('textbox', { name: 'Battery capacity, Ah' }).fill('105');
  await page.getByRole('button', { name: 'Start with the loads' }).click();
  await expect(page).toHaveURL(/loads/);
  await expect(page.getByRole('heading', { name: 'List what draws current' })).toBeVisible();
  await page.getByRole('textbox', { name: 'Name of a new load' }).fill('Ceiling light 12 W');
  await page.keyboard.press('Enter');
  await (await cell(page, 'Ceiling light', 'h a day')).click();
  await page.keyboard.type('4');
  await page.keyboard.press('Enter');
  await expect(meter(page, 'A day')).toContainText('48 Wh');
  // 84 Ah usable, 0.88 of them at 4 °C; an LED lamp takes its 1 A whatever the voltage: 74 / (4 + 0.1 lost standing) = 18 days.
  await expect(meter(page, 'Runtime')).toContainText(/1[78] d/);
});

test('a design is copied, renamed, deleted and brought back', async ({ page, request, heron }) => {
  // Of its own name, so that the test can be run again on the same store.
  const egret = `Egret ${heron}`;
  const bittern = `Bittern ${heron}`;
  await request.post(`/api/designs/${heron}/rename`, { data: { name: egret } });
  await page.goto('/');
  await act(page, egret, 'Duplicate');
  await act(page, `${egret} (copy)`, 'Rename…');
  await page.getByRole('textbox', { name: 'Name of the design' }).fill(bittern);
  await page.keyboard.press('Enter');
  await expect(row(page, bittern)).toBeVisible();
  await act(page, bittern, 'Delete');
  await expect(row(page, bittern).getByRole('link')).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(row(page, bittern).getByRole('link')).toBeVisible();
});

test('a design exported and imported is the same; a broken, foreign or newer file says why and adds nothing', async ({ page, heron }) => {
  await page.goto(`/`);
  const count = await page.getByRole('listitem').count();
  const exported = await page.request.get(`/api/designs/${heron}/export`);
  expect(exported.headers()['content-disposition']).toContain('heron-copy.vine-knot.json');
  const text = await exported.text();
  const file = (content: string) => ({ name: 'design.json', mimeType: 'application/json', buffer: Buffer.from(content) });
  const input = page.getByLabel('Design file');

  await input.setInputFiles(file('{"records": ['));
  await expect(page.getByRole('main').getByRole('alert')).toContainText('not readable JSON');
  await input.setInputFiles(file(text.replace(/"schemaVersion": \d+/, '"schemaVersion": 77')));
  await expect(page.getByRole('main').getByRole('alert')).toContainText('newer');
  await input.setInputFiles(file(text.replace('"deviceId": "bar_front"', '"deviceId": "bar_gone"')));
  await expect(page.getByRole('main').getByRole('alert')).toContainText('bar_gone');
  await input.setInputFiles(file(' '.repeat(9_000_000)));
  await expect(page.getByRole('main').getByRole('alert')).toContainText('larger than 8 MB');
  expect(
    await page
      .getByRole('listitem')
      .filter({ has: page.getByRole('button', { name: /^More for/ }) })
      .count(),
  ).toBe(count);

  await input.setInputFiles(file(text));
  await expect(page).toHaveURL(/loads/);
  const id = page.url().split('/')[4]!;
  expect(JSON.parse(await (await page.request.get(`/api/designs/${id}/export`)).text())).toEqual(JSON.parse(text));
});

test('all designs go out in one file and come back from it; one that is broken costs no other', async ({ page, heron, pip }) => {
  await page.request.post(`/api/designs/${heron}/rename`, { data: { name: 'Whimbrel' } });
  await page.request.post(`/api/designs/${pip}/rename`, { data: { name: 'Dunlin' } });
  await page.goto('/');
  const [saved] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Save all designs' }).click()]);
  const all = JSON.parse(await (await saved.createReadStream()).toArray().then((parts) => Buffer.concat(parts).toString())) as {
    designs: { records: { id: string; name?: string }[] }[];
  };
  const named = (name: string) => all.designs.filter(({ records }) => records.some((one) => one.id === 'settings' && one.name === name));
  const [whimbrel, dunlin] = [named('Whimbrel'), named('Dunlin')];
  expect([whimbrel.length, dunlin.length]).toEqual([1, 1]);
  const broken = { records: dunlin[0]!.records.filter(({ id }) => id !== 'bat_house') };
  const file = JSON.stringify({ ...all, designs: [whimbrel[0], broken] });
  await page.getByLabel('Design file').setInputFiles({ name: 'all.json', mimeType: 'application/json', buffer: Buffer.from(file) });
  await expect(page.getByRole('main').getByRole('alert')).toContainText('1 of 2 designs were taken.');
  await expect(page.getByRole('main').getByRole('alert')).toContainText('Design 2: the file cannot be taken');
  await expect(page.getByRole('link', { name: /Whimbrel/ })).toHaveCount(2);
  await expect(page.getByRole('link', { name: /Dunlin/ })).toHaveCount(1);
});

test('the report prints with its cautions, and the PDF is one', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/circuits`);
  // A window among others, and a file printed to, say which design it is.
  await expect(page).toHaveTitle('Circuits · Heron (copy) · Vine Knot');
  await page.getByRole('link', { name: /^Loads/ }).click();
  await expect(page).toHaveTitle('Loads · Heron (copy) · Vine Knot');
  const name = page.getByRole('textbox', { name: 'Name of the design' });
  await name.fill('Siskin');
  await name.press('Enter');
  await expect(page).toHaveTitle('Loads · Siskin · Vine Knot');
  await saved(page);
  await page.getByRole('link', { name: 'Report and print' }).click();
  await expect(page.getByRole('heading', { name: 'Before you start' })).toBeVisible({ timeout: 25_000 });
  await expect(page).toHaveTitle('Report · Siskin · Vine Knot');
  await expect(page.getByText('Local codes and a licensed person come first.')).toBeVisible();
  await expect(page.getByRole('row', { name: /^02 Fridge.*7\.7 %/ })).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
  await page.emulateMedia({ media: 'screen' });
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Save as PDF' }).click()]);
  const pdf = readFileSync((await download.path())!);
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
  expect(pdf.toString('latin1').match(/\/Type \/Page\b/g)!.length).toBeGreaterThanOrEqual(3);
});
