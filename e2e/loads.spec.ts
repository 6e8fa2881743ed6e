import { cell, expect, meter, saved, test } from './fixtures';

test('the table is worked by keyboard: move, type, take, refuse, leave', async ({ page, pip }) => {
  await page.goto(`/d/${pip}/loads`);
  await (await cell(page, 'Roof fan', 'Load')).click();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.type('2');
  await page.keyboard.press('Tab');
  await expect(await cell(page, 'Roof fan', 'Pcs')).toHaveText('2');
  await expect(await cell(page, 'Roof fan', 'Draw, A')).toHaveText('4.00');
  await (await cell(page, 'Roof fan', 'h a day')).click();
  await page.keyboard.type('25');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('grid').getByRole('alert')).toHaveText('between 0 and 24');
  await page.keyboard.press('Escape');
  await expect(await cell(page, 'Roof fan', 'h a day')).toHaveText('8');
  await saved(page);
});

test('a measured value replaces the rated one and looks different', async ({ page, pip }) => {
  await page.goto(`/d/${pip}/loads`);
  await (await cell(page, 'Cabin puck', 'Measured, all')).click();
  await page.keyboard.type('9 W');
  await page.keyboard.press('Enter');
  await expect(await cell(page, 'Cabin puck', 'Draw, A')).toHaveText('0.75');
  await expect((await cell(page, 'Cabin puck', 'Draw, A')).locator('span')).toHaveCSS('border-bottom-style', 'solid');
  // In a cell a letter is text; outside the table it is a shortcut.
  await page.keyboard.press('Escape');
  await page.keyboard.press('f');
  await expect(page.getByRole('dialog', { name: 'Findings' })).toContainText('measured 9.0 W, rated 12 W');
});

test('a load is typed in one line with how many, its draw and its hours; a draw that is not read is not made up', async ({ page, pip }) => {
  await page.goto(`/d/${pip}/loads`);
  const field = page.getByRole('textbox', { name: 'Name of a new load' });
  await field.fill('Fan 2x 5 W 30 % 8 h');
  await expect(page.getByText('8.0 h a day, 30 % of it')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(await cell(page, 'Fan', 'Pcs')).toHaveText('2');
  // 2 × 5 W for 30 % of 8 h.
  await expect(await cell(page, 'Fan', 'Wh a day')).toHaveText('24');
  await field.fill('Scene lamp white 36 W + amber 18 W 2 h');
  await expect(page.getByText('with amber, 18 W, 2.0 h a day')).toBeVisible();
  await page.keyboard.press('Enter');
  // Of the function whose hours they are.
  await expect(await cell(page, 'Scene lamp, amber', 'Wh a day')).toHaveText('36');
  await expect(await cell(page, 'Scene lamp white', 'h a day')).toHaveText('–');
  await field.fill('Fridge 45 W old one');
  await expect(page.getByText('draw not understood')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(await cell(page, 'Fridge 45 W old one', 'Draw, A')).toHaveText('0.00');
});

test('a block pasted from a spreadsheet fills cells, adds loads, and says what it could not take', async ({ page, context, pip }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await page.goto(`/d/${pip}/loads`);
  await page.getByText('One list').click();
  const before = await page.getByRole('row').count();
  await page.evaluate(() => navigator.clipboard.writeText('Nose lamp\tNose box\t–\t2\t0,8\t4 W\nStep lamp\tNowhere\t–\t1\t\t1,5 W\n'));
  await page.getByRole('grid').locator('tbody tr').last().getByRole('gridcell').first().click();
  await page.keyboard.press('Control+v');
  await expect(page.getByRole('alert').filter({ hasText: 'not taken' })).toContainText('there is no zone called “Nowhere”');
  await expect(page.getByRole('row')).toHaveCount(before + 1);
  await expect(await cell(page, 'Nose lamp', 'Draw, A')).toHaveText('0.67');
  await expect(await cell(page, 'Nose lamp', 'Zone')).toHaveText('Nose box');
  await saved(page);
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('gridcell', { name: 'Nose lamp' })).toHaveCount(0);
});

test('a copied block comes out as a spreadsheet takes it', async ({ page, context, pip }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await page.goto(`/d/${pip}/loads`);
  await (await cell(page, 'Cabin puck', 'Load')).click();
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('Control+c');
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe('Cabin puck\t01 Cabin lights\nReading light\t02 Reading lights');
});

test('a copied line is pasted over another whole, what is empty in it too', async ({ page, context, heron }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await page.goto(`/d/${heron}/loads`);
  const from = ['Pcs', 'Apart, m', 'Rated, each', 'Measured, all', 'Draw, A', 'Lasting', 'Never with', 'When', 'h a day'];
  const read = async (load: string) => Promise.all(from.map(async (column) => (await cell(page, load, column)).innerText()));
  const fridge = await read('Compressor fridge');
  expect(fridge.filter((text) => text === '–').length).toBeGreaterThan(3);
  await (await cell(page, 'Compressor fridge', 'Pcs')).click();
  for (let step = 1; step < from.length; step++) await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('Control+c');
  await (await cell(page, 'Bench puck', 'Pcs')).click();
  await page.keyboard.press('Control+v');
  await expect(await cell(page, 'Bench puck', 'Rated, each')).toHaveText('52 W');
  expect(await read('Bench puck')).toEqual(fridge);
  await expect(page.getByRole('alert').filter({ hasText: 'not taken' })).toHaveCount(0);
  await saved(page);
});

test('a new load gets a circuit from its cell, another is removed, and undo brings it back', async ({ page, pip }) => {
  await page.goto(`/d/${pip}/loads`);
  await page.getByRole('textbox', { name: 'Name of a new load' }).fill('Heater pad 20 W');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /1 caution/ })).toBeVisible();
  await (await cell(page, 'Heater pad', 'Circuit')).dblclick();
  await page.keyboard.type('own');
  await page.keyboard.press('Enter');
  await expect(await cell(page, 'Heater pad', 'Circuit')).toHaveText('07 Heater pad');
  await (await cell(page, 'Water pump', 'Load')).click();
  await page.keyboard.press('Control+Delete');
  await expect(page.getByRole('gridcell', { name: 'Water pump', exact: true })).toHaveCount(0);
  await saved(page);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('gridcell', { name: 'Water pump', exact: true })).toHaveCount(1);
});

test('loads from CSV are shown row by row before anything is taken', async ({ page, pip }) => {
  await page.goto(`/d/${pip}/loads`);
  const energy = await meter(page, 'A day').innerText();
  await page.getByRole('button', { name: 'CSV' }).click();
  await page.getByRole('menuitem', { name: /Take loads/ }).click();
  const dialog = page.getByRole('dialog', { name: 'Take loads from a list' });
  await dialog
    .getByRole('textbox', { name: 'CSV text' })
    .fill('load,zone,watts,hours\nKettle,Rear galley,150,0.2\nGhost,Rear galley,many,1\n');
  await expect(dialog.getByRole('row', { name: /Ghost/ })).toContainText('left out');
  await expect(dialog).toContainText('1 of 2 rows cannot be taken');
  expect(await meter(page, 'A day').innerText()).toBe(energy);
  await dialog.getByRole('button', { name: 'Take one load' }).click();
  await expect(await cell(page, 'Kettle', 'Wh a day')).toHaveText('30');
});

test('zones and scenarios are made, changed and removed', async ({ page, pip }) => {
  await page.goto(`/d/${pip}/loads`);
  await page.getByRole('button', { name: 'Zones' }).click();
  const zones = page.getByRole('dialog', { name: 'Zones of the vehicle' });
  await zones.getByRole('textbox', { name: 'Name of a new zone' }).fill('Roof box');
  await zones.getByRole('button', { name: 'Add zone' }).click();
  const air = zones.getByRole('textbox', { name: 'Hottest air in Roof box' });
  await air.fill('140');
  await air.press('Enter');
  await expect(air).toHaveValue('140');
  await zones.getByRole('button', { name: 'Remove zone Nose box' }).click();
  await expect(zones.getByRole('textbox', { name: 'Name of zone Nose box' })).toHaveCount(0);
  await zones.getByRole('button', { name: 'Close' }).last().click();
  await page.getByRole('button', { name: 'Scenarios' }).click();
  await page.getByRole('menuitem', { name: 'Add a scenario…' }).click();
  await page.getByRole('textbox', { name: 'Name of the scenario' }).fill('Left at the store');
  await page.keyboard.press('Enter');
  // Nothing is used; the USB pair waits with 20 mA: 0.02 A x 24 h x 12 V.
  await expect(meter(page, 'A day')).toContainText('5.8 Wh');
});

test('a menu is opened, entered and left by keys, and its button has the focus again', async ({ page, pip }) => {
  await page.goto(`/d/${pip}/loads`);
  const button = page.getByRole('button', { name: 'Scenarios' });
  for (const time of ['first', 'second']) {
    await button.press('Enter');
    await expect(page.getByRole('menu'), time).toBeVisible();
    await expect(button, time).toBeFocused();
    await expect(button, time).toHaveAttribute('aria-expanded', 'true');
    // Letters are no commands beneath it: these would open the findings, and add a load.
    await page.keyboard.type('fn');
    await expect(page.getByRole('dialog'), time).toHaveCount(0);
    await expect(button, time).toBeFocused();
    await page.keyboard.press('Tab');
    await expect(page.getByRole('menuitem', { name: 'Add a scenario…' }), time).toBeFocused();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('menu'), time).toBeHidden();
    await expect(button, time).toBeFocused();
  }
});

test('a load typed by name behaves as its name says; what is not known is asked for', async ({ page, pip }) => {
  await page.goto(`/d/${pip}/loads`);
  const name = page.getByRole('textbox', { name: 'Name of a new load' });
  await name.fill('Fan light 3 W');
  await expect(page.getByText('may be several things: choose')).toBeVisible();
  await name.fill('Bilge pump 40 W');
  await expect(page.getByRole('combobox', { name: 'Kind of the new load' })).toBeVisible();
  await name.press('Enter');
  await expect(await cell(page, 'Bilge pump', 'Rated, each')).toHaveText('40 W');
  await expect(await cell(page, 'Bilge pump', 'Lasting')).toHaveText('no');
  await name.fill('Gadget');
  await expect(page.getByText('draw not known yet')).toBeVisible();
  await name.press('Enter');
  await saved(page);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /Findings/ }).click();
  await expect(page.getByRole('dialog', { name: 'Findings' })).toContainText('Nobody has said what Gadget draws');
});

test('letters typed while a cell, a list or a field has the focus are text, never shortcuts', async ({ page, pip }) => {
  await page.goto(`/d/${pip}/loads`);
  const here = page.url();
  const letters = async () => {
    for (const key of ['f', '?', '/', 'g', 'h', 'g', 's']) await page.keyboard.press(key);
    await expect(page.getByRole('dialog')).toHaveCount(0);
    expect(page.url()).toBe(here);
    await page.keyboard.press('Escape');
  };
  for (const column of ['Load', 'Circuit', 'Pcs', 'Draw, A', 'Lasting']) {
    await (await cell(page, 'Roof fan', column)).click();
    await letters();
  }
  await page.getByRole('textbox', { name: 'Name of a new load' }).click();
  await letters();
  await expect(page.getByRole('textbox', { name: 'Name of a new load' })).toHaveValue('f?/ghgs');
  await page.getByRole('combobox', { name: 'Zone of the new load' }).click();
  await letters();
  await expect(page.getByRole('gridcell', { name: 'Roof fan', exact: true })).toHaveCount(1);
  // Out of the table they are shortcuts again.
  await (await cell(page, 'Roof fan', 'Load')).click();
  await page.keyboard.press('Escape');
  await page.keyboard.press('f');
  await expect(page.getByRole('dialog', { name: 'Findings' })).toBeVisible();
});
