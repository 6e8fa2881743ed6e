import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { expect, meter, saved, test } from './fixtures';

test('the days of a scenario: what it costs, whether it lasts, and what one more drive does', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/energy`);
  const result = page.getByRole('region', { name: 'How it goes' });
  await expect(result).toContainText(/3 days: runs out in \d+(\.\d)? % of the draws/);
  await expect(page.getByRole('slider', { name: 'The day' })).toBeVisible();
  const where = page.getByRole('region', { name: 'Where and when' });
  await where.getByRole('textbox', { name: 'Hours of driving' }).fill('9–11:30, 15-19');
  await page.keyboard.press('Enter');
  await saved(page);
  await expect(result).toContainText('3 days: lasts in every draw');
  await page.reload();
  await expect(where.getByRole('textbox', { name: 'Hours of driving' })).toHaveValue('9–11:30, 15–19');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(result).toContainText('runs out in');
});

test('hours that cannot be read say so where they are and change nothing', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/energy`);
  const driving = page.getByRole('textbox', { name: 'Hours of driving' });
  await driving.fill('9 to nine');
  await driving.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'no stretch of the day' })).toBeVisible();
  await expect(driving).toHaveValue('9 to nine');
  await driving.press('Escape');
  await expect(driving).toHaveValue('9–11:30');
});

test('the charts are read by arrow keys and as tables', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/energy`);
  const day = page.getByRole('slider', { name: 'The day' });
  await day.focus();
  await page.keyboard.press('End');
  await expect(day).toHaveAttribute('aria-valuetext', /^23:45: .* W used/);
  await page.keyboard.press('PageUp');
  await expect(day).toHaveAttribute('aria-valuetext', /^21:15: .*Compressor fridge/);
  const charge = page.getByRole('slider', { name: 'Charge of the battery' });
  await charge.focus();
  await page.keyboard.press('Home');
  await expect(charge).toHaveAttribute('aria-valuetext', /^24 Jan, 0:00: at least \d/);
  await page.getByRole('region', { name: 'The day', exact: true }).getByText('The figures as a table').click();
  await expect(page.getByRole('region', { name: 'The day', exact: true }).getByRole('row')).toHaveCount(25);
});

test('a year is lived through with its progress shown, and stopped by hand', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/energy`);
  await expect(page.getByRole('region', { name: 'How it goes' })).toBeVisible();
  await page.getByText('A year', { exact: true }).click();
  await expect(page.getByRole('progressbar', { name: 'Weathers lived through' })).toBeVisible();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByRole('progressbar', { name: 'Weathers lived through' })).toBeHidden();
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByRole('slider', { name: 'The year' })).toBeVisible({ timeout: 40_000 });
  await expect(page.getByRole('region', { name: 'How it goes' })).toContainText('365 days');
});

test('what would be enough: battery against panel, the cheapest marked, and the driving it would take', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/energy`);
  const trade = page.getByRole('region', { name: 'What would be enough' });
  await trade.getByRole('button', { name: 'Work it out' }).click();
  await expect(trade).toContainText('Cheapest of these:', { timeout: 30_000 });
  await expect(trade).toContainText('more driving every day');
  await expect(page.getByRole('region', { name: 'To last one more day' })).toContainText('USB pair');
});

test('a lamp’s times are written in its line, and the day’s energy follows', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/loads`);
  const row = page.getByRole('row', { name: /Galley light strip/ });
  await row.getByRole('gridcell', { name: '7–8:30, 17–21' }).dblclick();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('18-20');
  await page.keyboard.press('Enter');
  await saved(page);
  await expect(row.getByRole('gridcell', { name: '18–20' })).toBeVisible();
  await expect(row).toContainText('31');
});

test('a source is added and judged: a panel set to go nowhere is a fault until it has a controller', async ({ page, pip }) => {
  await page.goto(`/d/${pip}/supply`);
  await page.getByRole('button', { name: 'Add a source' }).click();
  await page.getByRole('menuitem', { name: 'Roof panel and controller' }).click();
  const panel = page.getByRole('region', { name: 'Roof panel' });
  await expect(panel).toContainText('Solar controller');
  await page.getByRole('region', { name: 'Solar controller' }).getByRole('button', { name: 'Remove Solar controller' }).click();
  await saved(page);
  await page.getByRole('button', { name: /^Findings/ }).click();
  await expect(page.getByRole('dialog', { name: 'Findings' })).toContainText('Panel without a controller');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(panel).toContainText('Solar controller');
  await expect(meter(page, 'Runtime')).toContainText('h');
});

test('hours are painted on a load’s day, wiped again, and undone', async ({ page, pip }) => {
  await page.goto(`/d/${pip}/energy`);
  const bands = page.getByRole('region', { name: 'When each load runs' });
  const when = bands.getByRole('textbox', { name: 'When Water pump runs' });
  // What is above grows once the days have been lived through.
  await expect(page.getByRole('region', { name: 'The days' })).toHaveAttribute('aria-busy', 'false', { timeout: 20_000 });
  await when.scrollIntoViewIfNeeded();
  await expect(when).toHaveValue('');
  const field = (await when.boundingBox())!;
  const galley = (await bands.locator('svg').nth(5).boundingBox())!;
  const hour = (at: number): [number, number] => [galley.x + (galley.width * (at + 0.25)) / 24, field.y + field.height / 2];
  await page.mouse.move(...hour(7));
  await page.mouse.down();
  await page.mouse.move(...hour(8), { steps: 4 });
  await page.mouse.up();
  await expect(when).toHaveValue('7–8:30');
  await saved(page);
  await page.mouse.move(...hour(8));
  await page.mouse.down();
  await page.mouse.up();
  await expect(when).toHaveValue('7–8');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(when).toHaveValue('7–8:30');
});

test('a year of real sun from a file takes the place of drawn weather; a broken one says which row and changes nothing', async ({
  page,
  pip,
}) => {
  await page.goto(`/d/${pip}/energy`);
  const file = page.getByLabel('File of real weather');
  const where = page.getByRole('region', { name: 'Where and when' });
  const rows = Array.from({ length: 8760 }, (_, hour) => (hour % 24 > 8 && hour % 24 < 16 ? '120' : '0'));
  await file.setInputFiles({
    name: 'broken.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(['ghi', ...rows.slice(1), 'bright'].join('\n')),
  });
  await expect(where.getByRole('alert')).toContainText('row 8761: sun of no number');
  // Headed in a word nobody knows: the column is chosen by hand.
  await file.setInputFiles({ name: 'dull.csv', mimeType: 'text/csv', buffer: Buffer.from(['strahl', ...rows].join('\n')) });
  await expect(where.getByRole('alert')).toContainText('row 1: no column is headed “ghi”');
  await where.getByRole('combobox', { name: 'Column of sun on the level, W/m²' }).click();
  await page.getByTitle('strahl', { exact: true }).click();
  await expect(where.getByRole('alert')).toHaveCount(0);
  await saved(page);
  await expect(where).toContainText('dull.csv');
  await expect(page.getByRole('region', { name: 'How it goes' })).toContainText('One weather.');
  await page.reload();
  await expect(where).toContainText('dull.csv');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(where).toContainText('Cold winters, warm summers');
});

test('a monitor’s log is set against the plan and a load’s hours are taken from it; a broken one changes nothing', async ({
  page,
  pip,
}) => {
  await page.goto(`/d/${pip}/energy`);
  const card = page.getByRole('region', { name: 'Measured' });
  const file = card.getByLabel('Log of a battery monitor');
  const log = (text: string) => ({ name: 'log.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await file.setInputFiles(log('time,volts,amps\n2025-06-01 00:00:00,12.8,-1\n2025-06-01 00:01:00,12.8,lots'));
  await expect(card.getByRole('alert')).toContainText('row 3: no number of amperes');
  // A made-up day: the roof fan's 2 A from 22:10 to 23:40, and 50 mA that never stop.
  const rows = Array.from({ length: 1440 }, (_, minute) => {
    const clock = `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;
    return `2025-06-01 ${clock}:00,12.7,${(-0.05 - (minute >= 1330 && minute < 1420 ? 2 : 0)).toFixed(2)}`;
  });
  // Headed in words nobody knows: the columns are chosen by hand.
  await file.setInputFiles(log(['Moment,Pressure,Flow', ...rows].join('\n')));
  await expect(card.getByRole('alert')).toContainText('no column is headed “time” or “volts” or “amps”');
  for (const [what, heading] of [
    ['time', 'Moment'],
    ['volts', 'Pressure'],
    ['amperes', 'Flow'],
  ]) {
    await card.getByRole('combobox', { name: `Column of ${what}` }).click();
    await page.getByTitle(heading!, { exact: true }).last().click();
  }
  await expect(card.getByRole('alert')).toHaveCount(0);
  await card.getByRole('button', { name: 'Take and keep it' }).click();
  await saved(page);
  await expect(card.getByRole('row', { name: /Roof fan/ })).toContainText('1.50');
  await card.getByRole('button', { name: 'Take the measured hours of Roof fan' }).click();
  await saved(page);
  await expect(page.getByRole('textbox', { name: 'When Roof fan runs' })).toHaveAttribute('placeholder', '1.5 h, any time');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('textbox', { name: 'When Roof fan runs' })).toHaveValue('22–6');
  // The log is part of the design: it is there after a reload, and goes by undo.
  await page.reload();
  await expect(card.getByRole('row', { name: /Roof fan/ })).toContainText('1.50');
  await card.getByRole('button', { name: 'Remove log.csv' }).click();
  await expect(card.getByRole('row', { name: /Roof fan/ })).toHaveCount(0);
});

test('a battery monitor is listened to live, and what it read is kept', async ({ page, pip, baseURL }) => {
  await page.goto(`/d/${pip}/energy`);
  const card = page.getByRole('region', { name: 'Measured' });
  await card.getByRole('button', { name: 'Listen live' }).click();
  await expect(card.getByRole('alert')).toContainText('Nothing answers at');
  const port = String(Number(new URL(baseURL!).port) + 1);
  const monitor = spawn('npx', ['tsx', 'demo/monitor.ts', '--port', port, '--speed', '6000'], { detached: true });
  try {
    await once(monitor.stdout, 'data');
    await card.getByRole('button', { name: 'Listen live' }).click();
    await expect(card.getByRole('status')).toContainText(/\d\d readings; now 1\d\.\d\d V/);
    await card.getByRole('button', { name: 'Stop and keep' }).click();
    await saved(page);
  } finally {
    process.kill(-monitor.pid!);
  }
  await expect(card.getByRole('slider', { name: 'Measured and planned' })).toBeVisible();
  await page.reload();
  await expect(card).toContainText('Live, 20');
});

test('a fridge’s thermostat, a lamp’s levels and a meter are set from the load’s own page', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/loads`);
  await page.getByRole('gridcell', { name: 'Compressor fridge', exact: true }).click();
  await page.keyboard.press('Alt+Enter');
  const fridge = page.getByRole('dialog', { name: 'Compressor fridge' });
  const before = await meter(page, 'A day').textContent();
  await fridge.getByRole('textbox', { name: 'Temperature set' }).fill('8');
  await page.keyboard.press('Enter');
  await saved(page);
  await expect(meter(page, 'A day')).not.toHaveText(before!);
  await fridge.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('gridcell', { name: 'Bench puck', exact: true }).click();
  await page.keyboard.press('Alt+Enter');
  const puck = page.getByRole('dialog', { name: 'Bench puck' });
  await expect(puck).toContainText('29.2 % less than rated');
  await puck.getByRole('textbox', { name: 'Meter it was measured with' }).fill('clamp meter');
  await page.keyboard.press('Enter');
  await puck.getByRole('button', { name: 'Add a level' }).click();
  await puck.getByRole('textbox', { name: 'When Dimmed runs' }).fill('19-21');
  await page.keyboard.press('Enter');
  await saved(page);
  await page.reload();
  await page.getByRole('gridcell', { name: 'Bench puck', exact: true }).click();
  await page.keyboard.press('Alt+Enter');
  await expect(puck.getByRole('textbox', { name: 'When Dimmed runs' })).toHaveValue('19–21');
  await expect(puck.getByRole('textbox', { name: 'Meter it was measured with' })).toHaveValue('clamp meter');
});

test('the budget is sorted and filtered, and turning things down shows what it saves before it is taken', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/loads`);
  await page.getByText('The budget').click();
  const budget = page.getByRole('region', { name: 'Budget' });
  await expect(budget.getByRole('row').nth(1)).toContainText('Compressor fridge');
  await budget.getByRole('button', { name: 'left on costs' }).click();
  await expect(budget.getByRole('row').nth(1)).toContainText('Diesel heater');
  // Two lines side by side: the larger first, whichever was ticked first.
  await budget.getByRole('checkbox', { name: 'Compare USB pair' }).check();
  await budget.getByRole('checkbox', { name: 'Compare Compressor fridge' }).check();
  await expect(budget.getByRole('status', { name: 'Two lines compared' })).toContainText(
    /^Compressor fridge takes .* a day, USB pair .* between them, 1\.\d times as much\. Without the one the battery lasts .* longer/,
  );
  await page.getByText('By circuit').click();
  await budget.getByRole('textbox', { name: 'Only those named' }).fill('hide');
  await expect(budget.getByRole('row')).toHaveCount(5);
  const tried = page.getByRole('region', { name: 'What if' });
  const fridge = tried.getByRole('slider', { name: /^Compressor fridge/ });
  await fridge.focus();
  const day = await meter(page, 'A day').textContent();
  for (let step = 0; step < 4; step++) await page.keyboard.press('ArrowRight');
  await expect(fridge).toHaveAttribute('aria-valuetext', '8 °C');
  await expect(meter(page, 'A day')).toHaveText(day!);
  await tried.getByRole('button', { name: 'Take it' }).click();
  await saved(page);
  await expect(meter(page, 'A day')).not.toHaveText(day!);
  const csv = await page.request.get(`/api/designs/${heron}/budget.csv`);
  expect((await csv.text()).split('\r\n')[0]).toBe('scenario,by,name,Wh a day,Ah a day,"standing by, Wh",percent of the day');
});

test('a battery’s own figures replace the usual ones, and its rested voltage is read', async ({ page, pip }) => {
  await page.goto(`/d/${pip}/supply`);
  const battery = page.getByRole('region', { name: 'House battery' });
  await battery.getByText('From its data sheet').click();
  await battery.getByRole('textbox', { name: 'Capacity by hours of discharge' }).fill('5 h 70, 20 h');
  await page.keyboard.press('Enter');
  await expect(battery.getByRole('alert')).toContainText('20 h');
  await battery.getByRole('textbox', { name: 'Capacity by hours of discharge' }).fill('5 h 70, 20 h 85');
  await page.keyboard.press('Enter');
  await saved(page);
  await expect(battery).toContainText('of 85.0 Ah');
  await battery.getByRole('textbox', { name: 'Rested voltage' }).fill('12.3');
  await expect(battery.getByRole('status')).toContainText(/about \d\d %, from \d\d to \d\d %/);
});
