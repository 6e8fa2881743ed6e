import { choose, drawWire, expect, openStrip, test } from './fixtures';

test('a joint and a switch are put into a run from the opened strip, moved along it, renamed, and taken out with the wire healed', async ({
  page,
  heron,
}) => {
  await page.goto(`/d/${heron}/circuits`);
  const fridge = await openStrip(page, '02', 'Fridge');
  const length = fridge.getByRole('textbox', { name: /^Length Fridge fuse to Compressor fridge$/ });
  const whole = await length.inputValue();
  await fridge.getByRole('textbox', { name: 'How far from Fridge fuse' }).fill('1.2');
  await page.keyboard.press('Enter');
  await choose(page, 'Part to put into Fridge', 'three-way', 'Joint');
  const joint = fridge.getByRole('listitem', { name: 'Joint', exact: true });
  await expect(joint.getByRole('textbox', { name: 'How far along Joint stands' })).toHaveValue('1.20');
  await expect(joint).toContainText(`of ${whole} m from Fridge fuse`);
  await expect(fridge.getByRole('textbox', { name: 'Length Joint to Compressor fridge' })).toBeVisible();

  await joint.getByRole('textbox', { name: 'How far along Joint stands' }).fill('0.8');
  await page.keyboard.press('Enter');
  await expect(fridge.getByRole('textbox', { name: 'Length Fridge fuse to Joint' })).toHaveValue('0.80');
  await joint.getByRole('textbox', { name: 'Name of Joint' }).fill('Joint behind the galley');
  await page.keyboard.press('Enter');
  const renamed = fridge.getByRole('listitem', { name: 'Joint behind the galley' });
  await expect(renamed).toBeVisible();
  await renamed.getByRole('button', { name: 'Take Joint behind the galley out' }).click();
  await expect(renamed).toHaveCount(0);
  await expect(length).toHaveValue(whole);

  await choose(page, 'Part to put into Fridge', 'pilot', 'Panel switch with pilot lamp');
  const lit = fridge.getByRole('listitem', { name: 'Panel switch with pilot lamp', exact: true });
  await expect(lit).toContainText(/pilot −/);
  await expect(lit.getByText('free')).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(lit).toHaveCount(0);
  await expect(length).toHaveValue(whole);
});

test('a relay in the driving lamps’ run is worked by the vehicle’s high beam, wired by hand terminal by terminal', async ({
  page,
  heron,
  request,
}) => {
  await page.goto(`/d/${heron}/circuits`);
  await openStrip(page, '09', 'Driving lamps');
  await choose(page, 'Part to put into Driving lamps', 'coil', 'Relay, make contact');
  await expect(page.getByRole('listitem', { name: 'Relay, make contact' })).toContainText('86, coil');
  await page.getByText('Parts', { exact: true }).click();
  const relay = page.getByRole('listitem', { name: 'Relay, make contact' });
  await drawWire(page, 'Relay, make contact 86, coil', 'high beam');
  await drawWire(page, 'Relay, make contact 85, coil', 'front return bar');
  await expect(relay.getByText('free')).toHaveCount(0);
  await expect(relay).toContainText('Vehicle signals');

  // From the battery's plus nothing is offered that is on its minus.
  await page.getByRole('button', { name: 'Draw a wire from Positive bus bar bar', exact: true }).click();
  await page.getByRole('combobox', { name: 'Where the wire goes' }).click();
  await page.keyboard.type('return bar');
  await expect(page.locator('.ant-select-dropdown:visible')).not.toContainText('Front return bar');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Cancel' }).click();

  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  const stored = (await (await request.get(`/api/designs/${heron}`)).json()) as {
    records: { type: string; from?: { terminal: string } }[];
  };
  const coil = stored.records.filter(({ type, from }) => type === 'wire' && from?.terminal === '85');
  // Five relays are wired already.
  expect(coil).toHaveLength(5 + 1);
});

test('what everything hangs on is not taken out by a click, and why is said', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/circuits`);
  await page.getByText('Parts', { exact: true }).click();
  const main = page.getByRole('button', { name: 'Take Main fuse out' });
  await expect(main).toBeDisabled();
  await expect(main).toHaveAttribute('title', /everything is fed through it/);
});

test('a part is put at a place on the rig, and a block is renamed, given a return bar, and kept while fuses sit in it', async ({
  page,
  heron,
}) => {
  await page.goto(`/d/${heron}/rig`);
  await page.getByRole('button', { name: /^Place Cab console/ }).first().press('Enter'); // prettier-ignore
  await choose(page, 'New part at Cab console', 'push', 'Push button');
  await expect(page.getByRole('button', { name: 'Take Push button from Cab console' })).toBeVisible();

  await page.goto(`/d/${heron}/supply`);
  await page.getByRole('button', { name: 'About Hide fuse block' }).click();
  const about = page.getByRole('tooltip');
  await about.getByRole('checkbox', { name: 'has a bar for the returns' }).check();
  await expect(about.getByRole('button', { name: 'Take the block out' })).toBeDisabled();
  await expect(about).toContainText('Fuses sit in it');
  await about.getByRole('textbox', { name: 'Name of Hide fuse block' }).fill('Rear block');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Rear block' })).toBeVisible();
});

test('a bar found by its name is shown among the parts, where it is worked on', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/loads`);
  await page.keyboard.press('/');
  await page.getByRole('combobox', { name: 'Find' }).fill('front return bar');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Parts and their wires' })).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Name of Front return bar' })).toBeFocused();
});

test('a wire is drawn by pulling one terminal onto another, or onto one that stands aside while it is in the hand', async ({
  page,
  heron,
}) => {
  await page.goto(`/d/${heron}/circuits`);
  await page.getByText('Parts', { exact: true }).click();
  await choose(page, 'Part to add', 'three-way', 'Joint');
  await choose(page, 'Part to add', 'push', 'Push button');
  const joint = page.getByRole('listitem', { name: 'Joint', exact: true });
  const button = page.getByRole('listitem', { name: 'Push button', exact: true });
  const aside = page.getByRole('complementary', { name: 'Where the wire may go' });
  const pull = async (from: ReturnType<typeof page.locator>, to: () => ReturnType<typeof page.locator>) => {
    // The rows may still shift as the part just added comes in: the wire is in the hand once the ends stand aside.
    await expect(async () => {
      await page.mouse.up();
      await from.hover();
      await page.mouse.down();
      await page.mouse.move(400, 300, { steps: 4 });
      await expect(aside).toBeVisible({ timeout: 3000 });
    }).toPass();
    await to().hover();
    await page.mouse.up();
  };
  await pull(button.getByText('out', { exact: true }), () => joint.getByText('joint', { exact: true }));
  const dialog = page.getByRole('dialog', { name: 'A wire from Push button, out' });
  await expect(dialog).toContainText('Joint, joint (free');
  await dialog.getByRole('button', { name: 'Draw it' }).click();
  await expect(joint).toContainText('Push button');

  // The battery's minus side is not offered to what is on its plus; escaping leaves all as it was.
  await pull(button.getByText('in', { exact: true }), () => aside.getByText('Water pump, +'));
  await expect(page.getByRole('dialog')).toContainText('Water pump, +');
  await page.keyboard.press('Escape');
  await expect(aside).toHaveCount(0);
  await expect(button.getByText('free')).toHaveCount(1);
});
