import { choose, expect, saved, test } from './fixtures';

test('time runs and is stopped; what was done is kept with the design, and is played after the page was loaded anew', async ({
  page,
  heron,
}) => {
  await page.goto(`/d/${heron}/switching`);
  const row = page.getByRole('row').filter({ has: page.getByRole('rowheader', { name: 'Step light', exact: true }) });
  const move = (position: string) =>
    page.getByRole('group', { name: 'Step motion sensor' }).getByRole('button', { name: position, exact: true }).click();
  await move('moving');
  await move('still');
  await expect(row).toContainText('on');
  // A minute's hold runs out in a second at sixty times.
  await page.getByRole('combobox', { name: 'How fast time runs' }).click();
  await page.locator('.ant-select-dropdown:visible').getByTitle('60 ×').click();
  await page.getByRole('button', { name: 'Run time' }).click();
  await expect(row).toContainText('off');
  await page.getByRole('button', { name: 'Stop time' }).click();
  await page.getByRole('button', { name: 'Strip chart' }).click();
  const chart = page.getByRole('dialog', { name: 'Strip chart' });
  await chart.getByRole('button', { name: 'Keep this one' }).click();
  const name = chart.getByRole('textbox', { name: 'Name of the strip chart' });
  await name.fill('Step light goes out');
  await name.press('Enter');
  await saved(page);

  await page.reload();
  await expect(row).toContainText('off');
  await page.getByRole('button', { name: 'Strip chart' }).click();
  await chart.getByRole('button', { name: 'Play Step light goes out' }).click();
  await expect(row).toContainText('on');
  await expect(row).toContainText('off');
  await expect(chart.locator('svg[role=img]')).toHaveAccessibleName(/What was on after each of \d+ acts: Step light/);
  await chart.getByRole('button', { name: 'Remove Step light goes out' }).click();
  await expect(chart).toContainText('None yet');
});

test('a hub hears the vehicle’s data line; two rules at once are undecided until one goes before, and the lamp blinks', async ({
  page,
  heron,
}) => {
  await page.goto(`/d/${heron}/switching`);
  await page.getByRole('button', { name: 'Hubs' }).click();
  const hubs = page.getByRole('dialog', { name: 'Hubs and radios' });
  const beam = hubs.getByRole('region', { name: 'Beam hub' });
  await beam.getByRole('button', { name: 'Add a rule' }).click();
  const second = beam.getByRole('listitem', { name: 'Rule 2' });
  await expect(second).toContainText('Output 1 is on while ignition is heard.');
  await second.getByRole('combobox', { name: 'Heard, rule 2', exact: true }).click();
  const dropdown = page.locator('.ant-select-dropdown:visible');
  await page.keyboard.type('left');
  await dropdown.getByTitle('left indicator').click();
  await second.locator('.ant-select-selection-item', { hasText: 'ignition' }).locator('.ant-select-selection-item-remove').click();
  await second.getByRole('combobox', { name: 'It does, rule 2' }).click();
  await dropdown.getByTitle('blinks', { exact: true }).click();
  await expect(second).toContainText('Output 1 blinks while left indicator is heard.');
  await expect(beam.getByRole('note')).toContainText('Undecided: output 1 by rule 1 or by rule 2');
  // With low beam it blinks too, which a lamp that shines ahead must not: that is found as well.
  await expect(page.getByRole('button', { name: 'Findings: 4 faults, 9 cautions' })).toBeVisible();
  await beam.getByRole('button', { name: 'Rule 2 goes before' }).click();
  await expect(beam.getByRole('note')).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Findings: 4 faults, 8 cautions' })).toBeVisible();
  await page.keyboard.press('Escape');

  const vehicle = page.getByRole('region', { name: 'The vehicle' });
  const row = page.getByRole('row').filter({ has: page.getByRole('rowheader', { name: 'Driving lamp, high', exact: true }) });
  await page
    .getByRole('group', { name: /Driving/ })
    .getByRole('button', { name: 'up', exact: true })
    .first()
    .click();
  await vehicle.getByRole('group', { name: 'Indicator' }).getByRole('button', { name: 'left', exact: true }).click();
  await expect(row).toContainText('blinks');
  await vehicle.getByRole('group', { name: 'Lamps' }).getByRole('button', { name: 'high', exact: true }).click();
  await expect(row).toContainText('blinks');
  await vehicle.getByRole('group', { name: 'Indicator' }).getByRole('button', { name: 'off', exact: true }).click();
  await expect(row).toContainText(/on/);
  await expect(row).not.toContainText('blinks');

  // How a radio that remembers its mode is set.
  await page.getByRole('button', { name: 'Hubs' }).click();
  const radio = hubs.getByRole('region', { name: 'Left scene radio' });
  await radio.getByRole('checkbox', { name: 'it remembers its mode, and can be set' }).check();
  await expect(radio).toContainText('To have it so that it is on while held');
  await radio.getByRole('combobox', { name: 'A press of Left scene radio' }).click();
  await dropdown.getByTitle('is on while held').click();
  await expect(page.getByRole('button', { name: 'Findings: 4 faults, 9 cautions' })).toBeVisible();
});

test('a load is put on a spare channel of the relay hub, which says whose fuse it hangs on then', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/switching`);
  await page.getByRole('button', { name: 'How should Roof fan come on?' }).click();
  const ways = page.getByRole('dialog', { name: 'How should Roof fan come on?' });
  await ways.getByRole('button', { name: /^A spare channel there is already/ }).click();
  await choose(page, 'The channel', 'Hide relay hub, ch7', 'Hide relay hub, ch7');
  await expect(ways).toContainText('It is guarded by');
  await expect(ways).toContainText('Hide relay hub fuse, no longer by a fuse of its own');
  const trial = ways.getByRole('region', { name: 'Try it' });
  await trial.getByRole('button', { name: /Hide relay hub/ }).click();
  await expect(trial.getByRole('status', { name: 'What it does' })).toContainText(/on.*1[23]\.\d\d V/);
  await ways.getByRole('button', { name: 'Wire it so' }).click();
  await expect(ways).toBeHidden();
  const row = page.getByRole('row').filter({ has: page.getByRole('rowheader', { name: 'Roof fan', exact: true }) });
  await expect(row).toContainText('off');
});

test('a load is put on a spare output of the rule hub by a rule on a signal, another on a dimmer that is there', async ({
  page,
  heron,
}) => {
  await page.goto(`/d/${heron}/switching`);
  await page.getByRole('button', { name: 'How should Roof fan come on?' }).click();
  const fan = page.getByRole('dialog', { name: 'How should Roof fan come on?' });
  await fan.getByRole('button', { name: /^A spare output of the hub there is/ }).click();
  await choose(page, 'The vehicle’s wire', 'brake', 'brake');
  await expect(fan).toContainText('Driving lamps fuse, no longer by a fuse of its own');
  await fan.getByRole('button', { name: 'Wire it so' }).click();
  await expect(fan).toBeHidden();
  const row = (name: string) => page.getByRole('row').filter({ has: page.getByRole('rowheader', { name, exact: true }) });
  const move = (control: string, position: string) =>
    page.getByRole('group', { name: control }).getByRole('button', { name: position, exact: true }).click();
  await move('Brake', 'pressed');
  await expect(row('Roof fan')).toContainText('off');
  // The hub is fed behind this switch.
  await move('Driving lamps switch', 'up');
  await expect(row('Roof fan')).toContainText('on');
  await page.getByRole('button', { name: 'How should Reading light come on?' }).click();
  const light = page.getByRole('dialog', { name: 'How should Reading light come on?' });
  await light.getByRole('button', { name: /^A dimmer there is already/ }).click();
  await expect(light.getByRole('combobox', { name: 'The dimmer' })).toBeVisible();
  await light.getByRole('button', { name: 'Wire it so' }).click();
  await expect(light).toBeHidden();
  await move('Hide bench lights switch', 'up');
  await page.getByRole('slider', { name: 'Bench dimmer' }).fill('2');
  await expect(row('Reading light')).toContainText(/on at 2\d %/);
});

test('loads of which something is wished are wired so that it is kept, told and counted before', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/switching`);
  await page.getByRole('button', { name: /^Wishes/ }).click();
  const wishes = page.getByRole('dialog', { name: 'Wishes' });
  await choose(page, 'Wish something of', 'roof fan', 'Roof fan');
  const form = wishes.getByRole('group', { name: 'A wish' });
  await form.getByRole('combobox', { name: 'What it does' }).click();
  await page.locator('.ant-select-dropdown:visible').getByTitle('with the key out …', { exact: true }).click();
  await form.getByRole('combobox', { name: 'With the key out it' }).click();
  await page.locator('.ant-select-dropdown:visible').getByTitle('is off', { exact: true }).click();
  await form.getByRole('button', { name: 'Wish it' }).click();
  await expect(wishes.getByRole('region', { name: 'Roof fan' })).toContainText('off with the key out');
  await wishes.getByRole('button', { name: 'Wire what is wished…' }).click();
  const wiring = wishes.getByRole('region', { name: 'Wire what is wished' });
  await expect(wiring).toContainText('Roof fan');
  for (const other of ['Right scene lamp, white', 'Reversing lamp'])
    await wiring.locator('.ant-select-selection-item', { hasText: other }).locator('.ant-select-selection-item-remove').click();
  await choose(page, 'Their switches sit', 'on Hide panel', 'on Hide panel, 1 free');
  await wiring.getByRole('button', { name: 'Try it on a copy' }).click();
  await expect(wiring).toContainText('Hide panel: 9 of 10 positions taken; all have a position', { timeout: 30_000 });
  await expect(wiring).toContainText(/Roof fan: With a signal of the vehicle/);
  await expect(wiring).toContainText(/1 × .*relay/i);
  await wiring.getByRole('button', { name: 'Wire them so' }).click();
  await expect(wiring).toBeHidden();
  await expect(wishes.getByRole('region', { name: 'Roof fan' })).toContainText(/OK\s*off with the key out/);
});
