import { expect, saved, test } from './fixtures';

test('wires out and home lie in cables; a core in the wrong colour is re-marked by its remedy; the parts list follows', async ({
  page,
  pip,
}) => {
  await page.goto(`/d/${pip}/harness`);
  await page.getByText('Cables', { exact: true }).click();
  await page.getByRole('button', { name: /Lay \d+ pairs in cables/ }).click();
  const first = page.getByRole('region', { name: 'Cable W1', exact: true });
  await expect(first).toContainText('2 × ');
  await expect(page.getByRole('button', { name: 'No pairs to lay' })).toBeDisabled();

  // A wire by itself is put into a core with the keyboard, and taken out again.
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  const own = page.getByRole('region', { name: /^Cable W\d+$/ }).last();
  await expect(own).toContainText('2 free');
  await own.getByRole('combobox', { name: /Wire that is core 1/ }).focus();
  await page.keyboard.type('06a');
  await page.keyboard.press('Enter');
  await expect(own).toContainText('1 free');
  await saved(page);

  // Colours by another school: a black core is no return there.
  await page.getByRole('combobox', { name: 'Colours by' }).click();
  await page.getByText('heavy truck: white home').click();
  await page.getByText('Wires', { exact: true }).click();
  const grid = page.getByRole('grid', { name: 'Wire schedule' });
  await expect(grid).toContainText('W1 1: red');
  await page.getByRole('textbox', { name: 'Find wires' }).fill('W1');
  await expect(grid.getByRole('gridcell', { name: /^0\d[a-z]$/ })).toHaveCount(2);

  // A core's colour is the cable's.
  await grid.getByRole('gridcell', { name: /W1 1: red/ }).dblclick();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('green');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/take it out of the cable first/)).toBeVisible();
  await page.keyboard.press('Escape');

  await page.getByText('Parts', { exact: true }).click();
  const parts = page.getByRole('grid', { name: 'Parts to have' });
  await expect(parts.getByRole('row', { name: /red and black/ }).first()).toContainText('W1');
});

test('leads of a part are listed, sources that differ are settled by a meter, and the pin card says which lead it is', async ({
  page,
  heron,
}) => {
  await page.goto(`/d/${heron}/harness`);
  await page.getByText('Leads', { exact: true }).click();
  await page.getByRole('combobox', { name: 'Part with leads' }).click();
  await page.keyboard.type('Step motion sensor');
  await page.keyboard.press('Enter');
  const leads = page.getByRole('textbox', { name: 'Its leads' });
  await leads.fill('red in, yellow 87');
  await leads.press('Enter');
  await expect(page.getByRole('region', { name: 'Leads and kits' }).getByRole('alert')).toContainText('has no terminal “87”');
  await leads.fill('red in, yellow out, black minus');
  await leads.press('Enter');
  const card = page.getByRole('region', { name: 'Leads of Step motion sensor' });
  await expect(card).toContainText('Never feed an outlet');
  await expect(card).toContainText('18c Step motion sensor to Step light');

  await card.getByRole('textbox', { name: 'Another source for Step motion sensor' }).fill('the seller');
  await page.keyboard.press('Enter');
  await card.getByRole('combobox', { name: 'the seller says of the yellow lead of Step motion sensor' }).click();
  await page.keyboard.type('in');
  await page.keyboard.press('Enter');
  await expect(card).toContainText('sources differ');
  await card.getByRole('combobox', { name: 'Proved of the yellow lead of Step motion sensor' }).click();
  await page.keyboard.type('out');
  await page.keyboard.press('Enter');
  await expect(card).not.toContainText('sources differ');
  await saved(page);

  // A kit is bought once, and what it lacks is on the list.
  await page.getByRole('textbox', { name: 'Name of a kit' }).fill('Sensor set');
  await page.keyboard.press('Enter');
  const kit = page.getByRole('group', { name: 'Kit Sensor set' });
  await kit.getByRole('combobox', { name: 'Parts of Sensor set' }).click();
  await page.keyboard.type('Step motion sensor');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await kit.getByRole('combobox', { name: 'What Sensor set lacks' }).fill('mounting plate');
  await page.keyboard.press('Enter');
  await page.getByText('Parts', { exact: true }).click();
  const parts = page.getByRole('grid', { name: 'Parts to have' });
  await expect(parts).toContainText('mounting plate, which Sensor set does not bring');

  await page.getByText('Pins', { exact: true }).click();
  await expect(page.getByRole('region', { name: 'Step motion sensor', exact: true })).toContainText('yellow lead');
  await page.getByText('one screw at a time').click();
  const screw = page.getByRole('region', { name: 'One screw at a time' });
  await expect(screw).toContainText(/1 of \d+/);
  await screw.focus();
  await page.keyboard.press('ArrowRight');
  await expect(screw).toContainText(/2 of \d+/);
});

test('wires are ticked off on a phone without a connection, and nothing is lost', async ({ page, pip, context }) => {
  await page.setViewportSize({ width: 390, height: 780 });
  await page.goto(`/d/${pip}/harness`);
  await page.getByText('Making', { exact: true }).click();
  const made = page.getByRole('region', { name: 'Making the wires' });
  await expect(made.getByRole('button', { name: '06a cut', exact: true })).toBeVisible();
  await context.setOffline(true);
  for (const step of ['cut', 'stripped', 'crimped', 'labelled', 'pulled'])
    await made.getByRole('button', { name: `06a ${step}`, exact: true }).click();
  await expect(made.getByRole('status')).toContainText('5 of');
  // What was finished stays in sight until one looks anew: a slip of the thumb is put right.
  await made.getByRole('button', { name: '06a pulled', exact: true }).click();
  await expect(made.getByRole('status')).toContainText('4 of');
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await context.setOffline(false);
  await saved(page);
  await page.reload();
  await page.getByText('Making', { exact: true }).click();
  await expect(made.getByRole('status')).toContainText('4 of');
  await expect(made.getByRole('button', { name: '06a cut', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await expect(made.getByRole('button', { name: '06a pulled', exact: true })).toHaveAttribute('aria-pressed', 'false');
});

test('prices and what is at hand are typed and pasted, and what is still to get is counted', async ({ page, pip }) => {
  await page.goto(`/d/${pip}/harness`);
  await page.getByText('Parts', { exact: true }).click();
  const parts = page.getByRole('grid', { name: 'Parts to have' });
  await page.getByRole('textbox', { name: 'Find parts' }).fill('label');
  const row = parts.getByRole('row', { name: /wire label/ });
  const wanted = Number(await row.getByRole('gridcell').nth(1).textContent());
  await row.getByRole('gridcell').nth(6).dblclick();
  await page.keyboard.type('50');
  await page.keyboard.press('Tab');
  await page.keyboard.type('0.1');
  await page.keyboard.press('Enter');
  const toGet = Math.ceil(wanted / 50) * 50;
  await expect(row.getByRole('gridcell').nth(5)).toHaveText(String(toGet));
  await expect(page.getByText(/Still to get:/)).toContainText((toGet * 0.1).toFixed(2));
  await row.getByRole('gridcell').nth(3).dblclick();
  await page.keyboard.type('-2');
  await page.keyboard.press('Enter');
  await expect(page.getByText('write a figure, none below nought')).toBeVisible();
  await page.keyboard.press('Escape');
  await saved(page);
});

test('every printed form is a whole document; what is asked wrongly is refused', async ({ page, request, heron }) => {
  for (const [file, starts] of [
    ['diagram.pdf', '%PDF'],
    ['diagram.dxf', '0\r\nSECTION'],
    ['loom.pdf?scale=20', '%PDF'],
    ['loom.svg', '<?xml'],
    ['fuse-map.pdf', '%PDF'],
    ['labels.pdf?what=fuses&sheet=a4x24&address=http://van.local:3000/d/heron', '%PDF'],
  ] as const) {
    const response = await request.get(`/api/designs/${heron}/${file}`);
    expect([file, response.status()]).toEqual([file, 200]);
    expect((await response.text()).startsWith(starts)).toBe(true);
  }
  for (const file of [
    'loom.pdf?scale=3',
    'labels.pdf?address=javascript:alert(1)',
    'fuse-map.pdf?address=file:///etc/passwd',
    'diagram.pdf?sheet=none',
  ])
    expect([400, 404, 422]).toContain((await request.get(`/api/designs/${heron}/${file}`)).status());

  await page.goto(`/d/${heron}/harness`);
  await page.getByText('Loom', { exact: true }).click();
  await expect(page.getByRole('img', { name: /^Loom 1, \d+\.\d\d m/ })).toBeVisible();
});
