import { cell, expect, meter, openStrip, saved, strip, test } from './fixtures';

test('one lamp changed moves current, drop, energy and runtime at once, and is still there after a reload', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/loads`);
  const connected = await meter(page, 'Connected').innerText();
  const energy = await meter(page, 'A day').innerText();
  const rated = await cell(page, 'Reading light', 'Rated, each');
  await rated.click();
  await page.keyboard.press('Enter');
  await page.getByRole('textbox', { name: 'Rated, each' }).fill('18 W');
  await expect(await cell(page, 'Reading light', 'Draw, A')).toHaveText('3.00');
  await expect(meter(page, 'Connected')).not.toHaveText(connected);
  await page.keyboard.press('Enter');
  await saved(page);
  await expect(meter(page, 'A day')).not.toHaveText(energy);

  await page.reload();
  await expect(await cell(page, 'Reading light', 'Rated, each')).toHaveText('18 W');
  await page.getByRole('link', { name: /Circuits/ }).click();
  const lights = strip(page, 'Bunk reading lights');
  await expect(lights).toContainText('3.00 A');
  await expect(lights).toContainText('Caution');
});

test('undo and redo reach across a reload and say what they would do', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/circuits`);
  const fuse = strip(page, '02 Fridge').getByRole('spinbutton', { name: /Fuse/ });
  await fuse.focus();
  await page.keyboard.press('ArrowUp');
  await expect(fuse).toHaveText('15 A');
  await saved(page);
  await page.reload();
  await expect(fuse).toHaveText('15 A');
  await page.getByRole('button', { name: 'Undo' }).hover();
  await expect(page.getByRole('tooltip')).toContainText('Undo: Step the fuse of 02 Fridge');
  await page.keyboard.press('Control+z');
  await expect(fuse).toHaveText('10 A');
  await page.reload();
  await expect(fuse).toHaveText('10 A');
  await page.keyboard.press('Control+Shift+z');
  await expect(fuse).toHaveText('15 A');
});

test('each reading of the meter bar opens what it is made of, and its lines lead there', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/loads`);
  for (const [name, holds] of [
    ['Connected', /Diesel heater.*9\.17 A/],
    ['At once', /Winter count weekend/],
    ['A day', /Compressor fridge.*293 Wh/],
    ['Runtime', /without charging.*Winter count weekend, \d+.* Ah a day/],
    ['Worst drop', /02 Fridge.*7\.7 %/],
    ['Main margin', /125 A/],
  ] as const) {
    await meter(page, name).click();
    await expect(page.getByRole('tooltip').filter({ hasText: holds })).toBeVisible();
    await meter(page, name).click();
    await expect(page.getByRole('tooltip')).toHaveCount(0);
  }
  await meter(page, 'Worst drop').click();
  await page.getByRole('tooltip').getByRole('link', { name: '02 Fridge' }).click();
  await expect(strip(page, '02 Fridge').getByRole('button', { expanded: true })).toBeFocused();
});

test('a length typed on the strip moves the profile as it is typed; Escape leaves it as it was', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/circuits`);
  const pump = await openStrip(page, '03', 'Water pump');
  const profile = pump.getByRole('img', { name: /Voltage along circuit Water pump/ });
  const before = await profile.getAttribute('aria-label');
  const length = pump.getByRole('textbox', { name: /^Length Water pump fuse to/ });
  await length.fill('12 m');
  await expect(profile).not.toHaveAttribute('aria-label', before!);
  await length.fill('12 parsecs');
  await expect(pump.getByRole('alert')).toContainText('parsecs');
  await length.press('Escape');
  await expect(profile).toHaveAttribute('aria-label', before!);
  await length.fill('20\' 6"');
  await length.press('Enter');
  await expect(length).toHaveValue('6.25');
});

test('gauge and fuse step by keyboard and by dragging; the worst circuits can be put first', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/circuits`);
  const fridge = strip(page, '02 Fridge');
  await expect(fridge).toContainText('Caution');
  await fridge.getByRole('spinbutton', { name: /Conductor/ }).focus();
  await page.keyboard.press('ArrowUp');
  await expect(fridge).toContainText('2.5 mm²');
  // 5.0 % by formula is what it may lose; solved as wired it is 5.5 %, and the larger counts.
  await expect(fridge).toContainText('Caution');
  await page.keyboard.press('ArrowUp');
  await expect(fridge).toContainText('OK');
  const fuse = fridge.getByRole('spinbutton', { name: /Fuse/ });
  const box = (await fuse.boundingBox())!;
  await page.mouse.move(box.x + 10, box.y + 10);
  await page.mouse.down();
  await page.mouse.move(box.x + 10, box.y - 22, { steps: 6 });
  await page.mouse.up();
  await expect(fuse).toHaveText('20 A');
  await page.getByRole('combobox', { name: 'Order of circuits' }).click();
  await page.getByTitle('Worst first').click();
  await expect(page.getByRole('article').first()).toContainText('Driving lamps');
});

test('a finding leads to its place and one click mends it; the meter and the stem follow', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/supply`);
  await page.keyboard.press('f');
  const drawer = page.getByRole('dialog', { name: 'Findings' });
  const fault = drawer.getByRole('listitem').filter({ hasText: 'Fuse larger than the wire can carry' });
  await fault.getByRole('button', { name: 'Show it' }).click();
  await expect(page).toHaveURL(/circuits/);
  await expect(
    strip(page, '09 Driving lamps')
      .getByRole('button', { name: /Driving lamps/ })
      .first(),
  ).toHaveAttribute('aria-expanded', 'true');
  await fault.getByRole('button', { name: 'Use 4 mm²' }).click();
  await expect(fault).toHaveCount(0);
  await drawer.getByRole('button', { name: 'Use 2.5 mm²' }).click();
  // Its cables keep the target now; with fuse and joints it takes the next size.
  await drawer.getByRole('button', { name: 'Use 4 mm²' }).click();
  await drawer.getByRole('button', { name: 'Fit a 7.5 A fuse' }).click();
  const stages = page.getByRole('navigation', { name: 'Stages' });
  await expect(stages.getByRole('link', { name: /Circuits/ })).toHaveText(/in order/);
  // A wish that is not kept is put right on its own stage.
  await expect(stages).toContainText(/Switching\s*2 faults/);
  await drawer.getByRole('listitem').filter({ hasText: 'Reversing lamp: on when' }).getByRole('button', { name: 'Show it' }).click();
  await expect(page.getByRole('dialog', { name: 'Wishes' })).toContainText('Key: on, Reverse: in');
  await expect(meter(page, 'Worst drop')).not.toContainText('over');
});

test('find, shortcuts, stage keys, units and the night theme', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/loads`);
  await page.keyboard.press('/');
  await page.getByRole('combobox', { name: 'Find' }).fill('awning 16');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/circuits/);
  await expect(strip(page, '16 Awning light')).toBeVisible();
  // With Shift, as on most keyboards, and without.
  for (const key of ['Shift+?', '?']) {
    await page.keyboard.press(key);
    await expect(page.getByRole('dialog', { name: 'Keyboard' })).toContainText('Undo');
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
  }
  await page.keyboard.press('g');
  await page.keyboard.press('s');
  await expect(page).toHaveURL(/supply/);
  await expect(page.getByRole('textbox', { name: 'Length Battery isolator to Positive bus bar' })).toHaveValue('0.72');
  await page.getByRole('button', { name: 'ft', exact: true }).click();
  await expect(page.getByRole('textbox', { name: 'Length Battery isolator to Positive bus bar' })).toHaveValue('2.4');
  await page.getByRole('button', { name: 'Night theme' }).click();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'night');
  // The kit's own controls turn dark at once, as they are after a reload.
  const ground = () => page.getByRole('button', { name: 'Add fuse block' }).evaluate((button) => getComputedStyle(button).backgroundColor);
  const atOnce = await ground();
  await page.reload();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'night');
  expect([atOnce, atOnce === 'rgb(26, 33, 23)']).toEqual([await ground(), true]);
});

test.describe('in a new window', () => {
  test.use({ ownWindow: true });

  test('every stage is opened by its address, as the server drew it and without an error', async ({ page, heronAtWork }) => {
    for (const [stage, title] of [
      ['rig', 'Rig'],
      ['loads', 'Loads'],
      ['supply', 'Supply'],
      ['energy', 'Energy'],
      ['circuits', 'Circuits'],
      ['switching', 'Switching'],
      ['harness', 'Harness'],
      ['test', 'Build and test'],
    ] as const) {
      await page.goto('about:blank');
      await page.goto(`/d/${heronAtWork}/${stage}`);
      await expect(page.getByRole('main').getByRole('heading', { name: title, exact: true })).toBeVisible();
    }
  });
});
