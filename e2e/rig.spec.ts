import type { Locator, Page } from '@playwright/test';
import { expect, meter, saved, test } from './fixtures';

const plan = (page: Page): Locator => page.getByRole('group', { name: 'Plan of the vehicle' });
const mark = (page: Page, name: string): Locator => plan(page).getByRole('button', { name: new RegExp(`^Place ${name},`) });
const chosen = (page: Page): Locator => page.getByRole('complementary', { name: 'What is chosen' });

test('one stretch corrected, and every wire that takes it follows, with the drop; undone, all is as before', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/rig`);
  await expect(meter(page, 'Worst drop')).toContainText('8.3 %');
  await mark(page, 'Fridge recess, left').press('Enter');
  await chosen(page).getByRole('button', { name: 'Left wall, down' }).click();
  await expect(chosen(page)).toContainText('2 conductors');
  await chosen(page).getByRole('textbox', { name: 'Length of Left wall, down' }).fill('5.9 m');
  await expect(meter(page, 'Worst drop')).not.toContainText('7.7 %');
  await page.keyboard.press('Enter');
  await saved(page);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Findings/ }).click();
  await expect(page.getByRole('dialog', { name: 'Findings' })).toContainText('measured 5.90 m, the plan says');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(meter(page, 'Worst drop')).toContainText('8.3 %cable 7.7 %');
});

test('a place is dragged with its lengths live, moved by arrow keys, and refused where another is', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/rig`);
  const lamp = mark(page, 'Wet locker ceiling');
  await lamp.press('Enter');
  const front = chosen(page).getByRole('textbox', { name: 'Distance from the front of Wet locker ceiling' });
  await expect(front).toHaveValue('4700');
  await lamp.press('ArrowLeft');
  await expect(front).toHaveValue('4650');
  await lamp.press('Shift+ArrowRight');
  await expect(front).toHaveValue('4660');
  const box = (await lamp.locator('circle').first().boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x - 60, box.y + 30, { steps: 8 });
  await expect(front).not.toHaveValue('4660');
  const held = Number(await front.inputValue());
  expect(held).toBeLessThan(4660);
  await page.mouse.up();
  await saved(page);
  await page.reload();
  await mark(page, 'Wet locker ceiling').press('Enter');
  await expect(front).toHaveValue(String(held));
  for (const [label, mm] of [
    ['Distance from the front', '2300'],
    ['Distance from the left', '350'],
    ['Height', '1300'],
  ]) {
    await chosen(page)
      .getByRole('textbox', { name: `${label} of Wet locker ceiling` })
      .fill(mm!);
    await page.keyboard.press('Enter');
  }
  await expect(chosen(page).getByRole('alert')).toContainText('“Fridge recess, left” is at that very spot');
  await expect(chosen(page).getByRole('textbox', { name: 'Height of Wet locker ceiling' })).toHaveValue('1700');
});

test('a bare hole is a fault; its remedy fits the grommet', async ({ page, pip }) => {
  await page.goto(`/d/${pip}/rig`);
  await mark(page, 'Rear bulkhead, right').press('Enter');
  await chosen(page).getByRole('button', { name: 'Into the galley' }).click();
  await chosen(page).getByRole('combobox', { name: 'Fitted at the bulkhead' }).click();
  await page.getByTitle('nothing', { exact: true }).click();
  await expect(page.getByRole('navigation', { name: 'Stages' })).toContainText('1 fault');
  await page.getByRole('button', { name: /^Findings/ }).click();
  const drawer = page.getByRole('dialog', { name: 'Findings' });
  await expect(drawer).toContainText('goes through a bulkhead with nothing in the hole');
  await drawer.getByRole('button', { name: 'Fit a grommet' }).click();
  await expect(drawer).not.toContainText('nothing in the hole');
});

test('places compared for a device, and the better one taken', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/rig`);
  await mark(page, 'Fridge recess, left').press('Enter');
  await chosen(page).getByRole('button', { name: 'Compare places for Compressor fridge' }).click();
  const dialog = page.getByRole('dialog', { name: /Where best for Compressor fridge/ });
  await expect(dialog.getByText('Fridge recess, left, now')).toBeVisible({ timeout: 20_000 });
  await dialog.getByRole('button', { name: 'Put it at Front electrics cupboard' }).click();
  await expect(meter(page, 'Worst drop')).not.toContainText('7.7');
  await mark(page, 'Front electrics cupboard').press('Enter');
  await expect(chosen(page)).toContainText('Compressor fridge');
});

test('one circuit through the vehicle, its lengths part by part; a wire is sent another way and back', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/rig`);
  await page.getByRole('combobox', { name: 'Coloured by' }).click();
  await page.getByTitle('One circuit').click();
  await chosen(page).getByRole('combobox', { name: 'Circuit shown' }).click();
  await page.keyboard.type('Hide bench');
  await page.keyboard.press('Enter');
  await expect(chosen(page)).toContainText('slack at both ends');
  await chosen(page)
    .getByRole('button', { name: /^Keep .* off Window pillar$/ })
    .first()
    .click();
  await expect(chosen(page)).toContainText('way chosen by hand');
  await chosen(page).getByRole('button', { name: 'shortest again' }).click();
  await expect(chosen(page)).not.toContainText('way chosen by hand');
});

test('the measuring run at phone width: checked against the plan, kept while there is no connection', async ({ page, context, heron }) => {
  await page.setViewportSize({ width: 390, height: 780 });
  await page.goto(`/d/${heron}/measure`);
  await page.getByRole('button', { name: /^Wing, right/ }).click();
  const field = page.getByRole('textbox', { name: /^Measured/ });
  await field.fill('3.4 m');
  await expect(page.getByText('plan says 1106 mm: check.')).toBeVisible();
  await field.fill('3 40');
  await expect(page.getByText('can be read two ways')).toBeVisible();
  await field.fill('1150');
  await expect(page.getByText('as the plan expects')).toBeVisible();
  await context.setOffline(true);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status').first()).toContainText('11 of 42 measured, no connection: kept here and sent when it is back');
  await expect(page.getByRole('heading', { level: 2 })).toHaveText('Along the sill');
  await context.setOffline(false);
  await expect(page.getByRole('status').first()).toHaveText('11 of 42 measured', { timeout: 15_000 });
  await page.reload();
  await expect(page.getByRole('button', { name: /^Wing, right/ })).toContainText('1150 mm');
  const overflow = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
  expect(overflow).toBe(0);
});

test('an outline is traced over a picture to scale; an SVG with a script is refused and nothing is lost', async ({ page, pip }) => {
  await page.goto(`/d/${pip}/rig`);
  await page.getByRole('button', { name: 'Trace outline' }).click();
  const dialog = page.getByRole('dialog', { name: /Trace the outline/ });
  const svg = (inside: string) =>
    `<svg xmlns="http://www.w3.org/2000/svg" width="600" height="300" viewBox="0 0 600 300">${inside}<rect width="600" height="300" fill="#ddd"/></svg>`;
  const choose = (name: string, text: string) =>
    dialog.locator('input[type=file]').setInputFiles({ name, mimeType: 'image/svg+xml', buffer: Buffer.from(text) });
  await choose('bad.svg', svg('<script>document.title="run"</script>'));
  await expect(dialog.getByRole('alert')).toContainText('the SVG carries a script');
  expect(await page.title()).not.toBe('run');
  await choose('good.svg', svg(''));
  const picture = dialog.getByRole('img', { name: 'The picture to trace over' });
  const { width } = (await picture.boundingBox())!;
  const scale = Math.min(width / 600, (await picture.boundingBox())!.height / 300);
  const left = (width - 600 * scale) / 2;
  const at = (x: number, y: number) => ({ position: { x: left + x * scale, y: y * scale } });
  await picture.click(at(100, 50));
  await picture.click(at(300, 50));
  await dialog.getByText(/^Corners/).click();
  for (const [x, y] of [
    [100, 60],
    [500, 60],
    [500, 240],
    [100, 240],
  ]) {
    await picture.click(at(x!, y!));
  }
  await dialog.getByRole('button', { name: 'Take the outline' }).click();
  await expect(dialog).toBeHidden();
  // Pip is in feet: 400 of 200 pixels a 2000 mm are 4000 mm, 13' 1 1/2"; pixels are whole, so an inch either way.
  const length = await chosen(page).getByRole('textbox', { name: 'Length of the vehicle' }).inputValue();
  expect(length).toMatch(/^13' [01]/);
});

test('routes from a spreadsheet: what would become of each row is shown, the bad one left out', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/rig`);
  await page.getByRole('button', { name: 'Files' }).click();
  await page.getByRole('menuitem', { name: /Take places or routes/ }).click();
  const dialog = page.getByRole('dialog', { name: 'Take places or routes from CSV' });
  await dialog
    .getByRole('textbox', { name: 'CSV text' })
    .fill(
      'route,from,to,measured\nShort cut,Fridge recess,Cab console,2 m\nShort cut,"Fridge recess, left","Front electrics cupboard",2.1 m',
    );
  await expect(dialog.getByText('from: there is no place called “Fridge recess”')).toBeVisible();
  await dialog.getByRole('button', { name: 'Take one row' }).click();
  await expect(meter(page, 'Worst drop')).not.toContainText('7.7');
});

test('a design without a vehicle is begun from its zones', async ({ page }) => {
  await page.goto('/new');
  await page.getByRole('textbox', { name: /name/i }).first().fill('Bare');
  await page.getByRole('button', { name: 'Start with the loads' }).click();
  await expect(page).toHaveURL(/\/loads$/);
  await page.goto(page.url().replace('/loads', '/rig'));
  await page.getByRole('button', { name: 'Begin with a place in each zone' }).click();
  await expect(
    plan(page)
      .getByRole('button', { name: /^Place / })
      .first(),
  ).toBeVisible();
  await expect(chosen(page)).toContainText('Devices placed');
});
