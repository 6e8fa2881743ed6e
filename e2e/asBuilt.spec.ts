import { expect, meter, strip, test } from './fixtures';

test('what is fitted is marked circuit by circuit, a test fuse is in its holder, and the screens and the report show it as it is now', async ({
  page,
  heron,
}) => {
  await page.goto(`/d/${heron}/circuits`);
  await page.getByRole('button', { name: 'Fitted: nothing marked yet' }).click();
  const drawer = page.getByRole('dialog', { name: 'Fitted' });
  await drawer.getByRole('button', { name: 'Main path, sources and the rest is fitted' }).click();
  await drawer.getByRole('button', { name: '02 Fridge is fitted' }).click();
  const fridge = drawer.getByRole('region', { name: '02 Fridge' });
  await expect(fridge).toContainText('4 of 4');
  await fridge.getByRole('button', { name: '02 Fridge', exact: true }).click();
  await fridge.getByRole('combobox', { name: 'In the holder of Fridge fuse' }).click();
  await page.getByTitle('3 A', { exact: true }).click();

  await drawer.getByText('As it is now').click();
  await expect(page.getByRole('note')).toContainText('Only what is fitted');
  await expect(strip(page, '02 Fridge').getByRole('spinbutton', { name: /Fuse/ })).toHaveText('3 A');
  await expect(strip(page, '01 Galley lights')).toHaveCount(0);
  await expect(meter(page, 'Connected')).toContainText('4.33 A');
  await drawer.getByRole('button', { name: 'Close' }).click();
  // Another fuse now is another one in the holder; the plan keeps its own.
  await strip(page, '02 Fridge').getByRole('spinbutton', { name: /Fuse/ }).press('ArrowUp');
  await expect(strip(page, '02 Fridge').getByRole('spinbutton', { name: /Fuse/ })).toHaveText('4 A');
  await page.getByRole('link', { name: 'Report and print' }).click();
  await expect(page.getByText('house system, as it is now')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'How far it has come' })).toBeVisible();
  await page.goto(`/d/${heron}/circuits`);
  const fuse = strip(page, '02 Fridge').getByRole('spinbutton', { name: /Fuse/ });
  await expect(fuse).toHaveText('10 A');
  await page.getByRole('button', { name: /^Findings/ }).click();
  const findings = page.getByRole('dialog', { name: 'Findings' });
  const finding = findings.getByRole('listitem').filter({ hasText: 'Fridge fuse holds 4 A, planned is 10 A.' });
  await finding.getByRole('button', { name: 'Put 10 A in' }).click();
  await expect(finding).toHaveCount(0);
});

test('what is there for now has a reason and a day, and what was taken out can be put back', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/loads`);
  await page.getByRole('button', { name: 'Fitted: nothing marked yet' }).click();
  const drawer = page.getByRole('dialog', { name: 'Fitted' });
  await drawer.getByRole('button', { name: 'All of it is fitted' }).click();
  await drawer.getByRole('button', { name: '02 Fridge', exact: true }).click();
  const state = drawer.getByRole('combobox', { name: 'State of Compressor fridge', exact: true });
  const choose = async (word: string) => {
    await state.click();
    await page.locator('.ant-select-dropdown:visible').getByTitle(word, { exact: true }).click();
  };
  await choose('For now');
  const aside = drawer.getByRole('region', { name: 'There for now' });
  // Escape leaves what is being typed, and the list stays.
  await aside.getByRole('textbox', { name: 'Why Compressor fridge', exact: true }).fill('found in');
  await page.keyboard.press('Escape');
  await expect(aside.getByRole('textbox', { name: 'Why Compressor fridge', exact: true })).toHaveValue('');
  await aside.getByRole('textbox', { name: 'Why Compressor fridge', exact: true }).fill('borrowed from the boat');
  await page.keyboard.press('Enter');
  await aside.getByLabel('Come back to Compressor fridge by').fill('2027-03-01');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('gridcell', { name: 'Compressor fridge', exact: true })).toHaveCount(0);
  await drawer.getByText('As it is now').click();
  await expect(page.getByRole('gridcell', { name: 'Compressor fridge', exact: true })).toBeVisible();
  await choose('Taken out');
  await expect(page.getByRole('gridcell', { name: 'Compressor fridge', exact: true })).toHaveCount(0);
  await expect(drawer.getByRole('region', { name: 'Taken out' })).toContainText('Compressor fridge');
  await choose('Fitted');
  await expect(page.getByRole('gridcell', { name: 'Compressor fridge', exact: true })).toBeVisible();
});
