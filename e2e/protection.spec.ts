import { cell, expect, meter, openStrip, saved, strip, test } from './fixtures';

test('every fuse is seen in its chain, and its opening times are read by arrow keys and as a table', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/circuits`);
  await page.getByText('Protection', { exact: true }).click();
  const tree = page.getByRole('region', { name: 'Fuses and breakers' });
  await expect(tree.getByRole('row')).toHaveCount(24);
  await tree.getByRole('button', { name: '03 Water pump' }).click();
  const times = page.getByRole('region', { name: 'Opening times' });
  await expect(times).toContainText('10 A blade fuse, behind 125 A class T fuse');
  await expect(times).toContainText('Relies on the fuse ahead to break a short');
  const chart = times.getByRole('slider', { name: 'Opening times' });
  await chart.focus();
  await page.keyboard.press('Home');
  await expect(chart).toHaveAttribute('aria-valuetext', /^10\.0 A: 10 A Water pump fuse stays; 125 A Main fuse stays/);
  for (let step = 0; step < 6; step++) await page.keyboard.press('PageDown');
  await expect(chart).toHaveAttribute('aria-valuetext', /Water pump fuse opens in .* to .*; the wire stands/);
  await times.getByText('The figures as a table').click();
  await expect(times.getByRole('row').filter({ hasText: /^60\.0/ })).toContainText('20 ms to 100 ms');
});

test('a main fuse too small for the battery’s short is a fault here and in the findings, and a click mends it', async ({ page, pip }) => {
  await page.goto(`/d/${pip}/supply`);
  await page.getByRole('combobox', { name: 'Kind of Main fuse' }).click();
  await page.getByTitle('Mega fuse', { exact: true }).click();
  await saved(page);
  await page.getByRole('button', { name: /^Findings/ }).click();
  const findings = page.getByRole('dialog', { name: 'Findings' });
  const fault = findings.getByRole('listitem').filter({ hasText: 'Cannot break a dead short here' });
  await expect(fault).toContainText('a mega fuse is made to break 2000 A');
  await fault.getByRole('button', { name: /Fit a terminal-mount fuse/ }).click();
  await saved(page);
  await expect(fault).toHaveCount(0);
});

test('a remedy that would bring a fault of its own is not offered: the circuit sized anew is, and a click takes it', async ({
  page,
  heron,
}) => {
  await page.goto(`/d/${heron}/loads`);
  await (await cell(page, 'Reading light', 'Pcs')).click();
  await page.keyboard.type('17');
  await page.keyboard.press('Enter');
  await saved(page);
  await page.getByRole('button', { name: /^Findings/ }).click();
  const findings = page.getByRole('dialog', { name: 'Findings' });
  const small = findings.getByRole('listitem').filter({ hasText: 'Fuse smaller than its load' });
  await expect(small).toContainText('05 Bunk reading lights');
  await expect(small.getByRole('button', { name: 'Fit a 7.5 A fuse' })).toHaveCount(0);
  await small.getByRole('button', { name: /^Size it anew: 16 mm² and 7.5 A$/ }).click();
  await saved(page);
  await expect(findings.getByRole('listitem').filter({ hasText: 'Bunk reading' })).toHaveCount(0);
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: /^Findings/ })).toContainText(/[2-9]/);
});

test('a finding leads to its page of the handbook', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/circuits`);
  await page.getByRole('button', { name: /^Findings/ }).click();
  await page.getByRole('dialog', { name: 'Findings' }).getByRole('link', { name: 'Voltage drop' }).first().click();
  await expect(page.getByRole('heading', { name: 'Voltage drop' })).toBeVisible();
  await expect(page.getByText(/check your own copy before you build/)).toBeVisible();
  await page.getByRole('link', { name: 'Fuses in a chain' }).click();
  await expect(page.getByRole('cell', { name: '20 kA' })).toBeVisible();
});

test('sizes are proposed, taken as one change and undone', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/circuits`);
  const before = await strip(page, '02 Fridge').textContent();
  await page.getByRole('button', { name: 'Propose sizes' }).click();
  const dialog = page.getByRole('dialog', { name: 'Propose conductors and fuses' });
  await expect(dialog.getByRole('status')).toContainText(/\d+ of 21 circuits change/, { timeout: 20_000 });
  await expect(dialog.getByRole('row', { name: /02 Fridge/ })).toContainText('1.5 mm² → 4 mm²');
  await expect(dialog.getByRole('row', { name: /02 Fridge/ })).toContainText('drop');
  await dialog.getByRole('combobox', { name: 'What to size' }).fill('02 Fr');
  await page.keyboard.press('Enter');
  await expect(dialog.getByRole('status')).toContainText('1 of 1 circuits change');
  await dialog.getByText('least drop').click();
  await expect(dialog.getByRole('row', { name: /02 Fridge/ })).toContainText('6 mm²');
  await dialog.getByText('least copper').click();
  await expect(dialog.getByRole('row', { name: /02 Fridge/ })).toContainText('→ 4 mm²');
  await dialog.getByRole('button', { name: 'Take it all' }).click();
  await saved(page);
  await expect(strip(page, '02 Fridge')).toContainText('4 mm²');
  await expect(meter(page, 'Worst drop')).not.toContainText('7.7 %');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(strip(page, '02 Fridge')).toHaveText(before!);
});

test('an opened strip shows what is left of every limit and what the other schools would say', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/circuits`);
  const fridge = await openStrip(page, '02', 'Fridge');
  const margins = fridge.getByRole('table', { name: 'Margins' });
  await expect(margins.getByRole('row').first()).toContainText('Drop against its target');
  await expect(margins).toContainText('7.7 % of 5.0 %');
  await fridge.getByText('What would the other schools say?').click();
  const schools = fridge.getByRole('table', { name: 'The schools side by side' });
  await expect(schools.getByRole('row', { name: /Metric small craft/ })).toContainText('this design’s');
  await expect(schools.getByRole('row', { name: /Road vehicle/ })).toContainText('has none');
});

test('drop is seen zone by zone', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/circuits`);
  await page.getByText('Zones', { exact: true }).click();
  const galley = page.getByRole('region', { name: 'Galley' });
  await expect(galley).toContainText('worst 7.7 %');
  await expect(galley.getByRole('row').nth(1)).toContainText(/Compressor fridge.*of 5\.0 %.*11\.9\d V.*10\.40 V/);
  await expect(page.getByRole('region', { name: 'Flanks' })).toContainText('lamps differ by 0.06 V');
});

test('a cable’s name that can be read two ways is asked about', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/circuits`);
  const pump = await openStrip(page, '03', 'Water pump');
  await expect(pump).toContainText('blue terminals');
  const cable = pump.getByRole('textbox', { name: 'Cable of Water pump as it is named' });
  await cable.fill('6 mm automotive');
  await cable.press('Enter');
  const asked = pump.getByRole('group', { name: 'What is meant by 6 mm automotive' });
  await expect(asked.getByRole('button').first()).toContainText(/4 mm².*really 4\.6 mm²; drops 1\.3 times as much/);
  await asked.getByRole('button').first().click();
  await saved(page);
  await expect(pump).toContainText('yellow terminals');
  await cable.fill('2.5 mm2');
  await cable.press('Enter');
  await saved(page);
  await expect(pump).toContainText('blue terminals');
});

test('a design is sized from its loads alone: each gets a circuit, and all of it is one change', async ({ page, request }) => {
  const answers = {
    ...{ name: 'From loads', vehicle: 'panelVan', units: 'metric', standard: 'iso-small-craft', defaultReturn: 'dedicated' },
    ...{ zones: ['Galley', 'Bunk'], battery: { chemistry: 'lithium', capacityAh: 100, count: 1 } },
  };
  const { id } = (await (await request.post('/api/designs', { data: { answers } })).json()) as { id: string };
  await page.goto(`/d/${id}/loads`);
  for (const usual of ['Work lamp', 'Water pump']) {
    await page.getByRole('button', { name: 'A usual one' }).click();
    await page.getByRole('menuitem', { name: new RegExp(`^${usual}`) }).click();
    await saved(page);
  }
  await page.goto(`/d/${id}/circuits`);
  await page.getByRole('button', { name: 'Propose sizes' }).click();
  const dialog = page.getByRole('dialog', { name: 'Propose conductors and fuses' });
  await expect(dialog.getByRole('list', { name: 'Done first' })).toContainText('Water pump: a circuit of its own');
  await expect(dialog.getByRole('row', { name: /02 Water pump/ })).toBeVisible();
  await dialog.getByRole('button', { name: 'Take it all' }).click();
  await saved(page);
  await expect(strip(page, '01 Work lamp')).toContainText('OK');
  await expect(strip(page, '02 Water pump')).toContainText('OK');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('No circuits yet')).toBeVisible();
});

test('ways to wire a circuit are seen side by side, one is taken as one change and undone', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/circuits`);
  await page.getByRole('button', { name: 'Propose sizes' }).click();
  const dialog = page.getByRole('dialog', { name: 'Propose conductors and fuses' });
  await dialog.getByRole('combobox', { name: 'What to size' }).fill('Rear door and');
  await page.keyboard.press('Enter');
  await dialog.getByText('ways side by side').click();
  const ways = dialog.getByRole('region', { name: 'Ways side by side' });
  await expect(ways.getByRole('row')).toHaveCount(6, { timeout: 30_000 });
  await expect(ways).toContainText('least');
  await expect(ways.getByRole('row', { name: /A fuse block nearer/ })).toContainText(/4 slots for 1 of 1 circuits, fed by/);
  await dialog.getByRole('textbox', { name: 'Price of a fuse block' }).fill('0');
  await page.keyboard.press('Enter');
  await expect(ways.getByRole('row', { name: /A fuse block nearer/ })).toContainText('2.5', { timeout: 30_000 });
  await ways.getByRole('button', { name: 'Take: A second trunk' }).click();
  await saved(page);
  await expect(dialog).toBeHidden();
  const undo = page.getByRole('button', { name: 'Undo' });
  await undo.hover();
  await expect(page.getByRole('tooltip', { name: 'Undo: A second trunk: one circuit' })).toBeVisible();
  await undo.click();
  await saved(page);
  await undo.hover();
  await expect(page.getByRole('tooltip', { name: 'Undo: Change a price' })).toBeVisible();
});

test('a circuit is said not to mind, and a kit’s own fuse is put in its run and taken out', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/circuits`);
  const fridge = await openStrip(page, '02', 'Fridge');
  await fridge.getByRole('combobox', { name: 'Kind of circuit' }).click();
  await page.getByTitle('not critical, 10.0 %').click();
  await saved(page);
  await expect(fridge).toContainText('7.7 % of 10.0 %');
  await fridge.getByRole('combobox', { name: 'Kit fuse of Fridge' }).click();
  await page.getByTitle('10 A', { exact: true }).click();
  await saved(page);
  await expect(fridge).toContainText('The fuse ahead opens first');
  await fridge.getByRole('combobox', { name: 'Kit fuse of Fridge' }).click();
  await page.getByTitle('none', { exact: true }).click();
  await saved(page);
  await expect(fridge).not.toContainText('The fuse ahead opens first');
});
