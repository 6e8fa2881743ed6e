import { expect, saved, test } from './fixtures';

test('a switch is put in another position by dragging and one by keyboard, and both are worked where they sit', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/switching`);
  const face = page.getByRole('region', { name: 'Hide panel' }).getByRole('listitem');
  await expect(face.nth(2)).toContainText('Awning');
  await page.getByRole('button', { name: 'Arrange Hide panel' }).click();
  const sheet = page.getByRole('dialog', { name: 'Panels' }).getByRole('region', { name: 'Hide panel' });
  const position = (number: number) => sheet.getByRole('listitem').nth(number - 1);
  await sheet.scrollIntoViewIfNeeded();
  const [from, to] = [await position(3).getByText('Awning').boundingBox(), await position(10).boundingBox()];
  await page.mouse.move(from!.x + 20, from!.y + 8);
  await page.mouse.down();
  await page.mouse.move(from!.x + 40, from!.y + 20, { steps: 4 });
  await page.mouse.move(to!.x + to!.width / 2, to!.y + to!.height / 2, { steps: 8 });
  await page.mouse.up();
  await expect(position(10)).toContainText('Awning');
  await expect(position(3)).toContainText('free');

  // By keyboard: up, one to the left, down again, and the two change places.
  await position(5).getByRole('button', { name: 'Reversing' }).focus();
  await page.keyboard.press('Space');
  await expect(page.getByText('Over position 5')).toBeAttached();
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByText('Over position 4')).toBeAttached();
  await page.keyboard.press('Space');
  await expect(position(4)).toContainText('Reversing');
  await expect(position(5)).toContainText('Under-body');

  // By choosing: into a free position, with a legend of its own, and out again.
  await sheet.getByRole('button', { name: 'Position 3', exact: true }).click();
  const chosen = sheet.getByRole('group', { name: 'Position 3, what is in it' });
  await chosen.getByRole('combobox', { name: 'In position 3' }).click();
  await page.keyboard.type('isolator');
  await page.keyboard.press('Enter');
  await chosen.getByRole('textbox', { name: 'Legend of position 3' }).fill('All off');
  await page.keyboard.press('Enter');
  await expect(position(3)).toContainText('All off');
  await saved(page);
  await page.keyboard.press('Escape');
  await expect(face.nth(9)).toContainText('Awning');
  await face.nth(9).getByRole('button', { name: 'on', exact: true }).click();
  await expect(page.getByRole('status', { name: 'What changed' })).toContainText(/Awning light switch: on\. Awning strip: on/);
  await face.nth(2).getByRole('button', { name: 'off', exact: true }).click();
  await expect(page.getByRole('status', { name: 'What changed' })).toContainText(/Compressor fridge: off/);

  await page.reload();
  await expect(face.nth(2)).toContainText('All off');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(face.nth(2)).toContainText('Battery isolator');
});

test('controls on no panel are offered one, a new panel is filled, made smaller and taken away', async ({ page, pip }) => {
  await page.goto(`/d/${pip}/switching`);
  await page.getByRole('button', { name: 'Panels', exact: true }).click();
  const panels = page.getByRole('dialog', { name: 'Panels' });
  await panels.getByRole('button', { name: 'Remove Galley switches' }).click();
  await panels.getByRole('button', { name: 'Galley switches: switch panel with 2 on it' }).click();
  const sheet = panels.getByRole('region', { name: 'Galley switches' });
  await expect(sheet.getByRole('listitem')).toHaveCount(2);
  await expect(sheet.getByRole('listitem').nth(1)).toContainText('Water pump switch');
  // Escape lets go of what is carried, and no more.
  await sheet.getByRole('group', { name: 'On no panel' }).scrollIntoViewIfNeeded();
  await sheet.getByRole('listitem').nth(0).getByRole('button', { name: 'Galley light switch' }).focus();
  await page.keyboard.press('Space');
  await expect(page.getByText('Over position 1')).toBeAttached();
  await page.keyboard.press('Escape');
  await expect(page.getByText('Left where it was')).toBeAttached();
  await expect(sheet).toBeVisible();
  await sheet.getByRole('textbox', { name: 'Columns of Galley switches' }).fill('1');
  await page.keyboard.press('Enter');
  await expect(sheet.getByRole('group', { name: 'On no panel' })).toContainText('Water pump switch');
  await page.keyboard.press('Escape');
  // What sits on no panel is worked from the list.
  const list = page.getByRole('region', { name: 'Switches and dimmers' });
  await list.getByRole('group', { name: 'Water pump switch' }).getByRole('button', { name: 'on', exact: true }).click();
  await expect(page.getByRole('status', { name: 'What changed' })).toContainText(/Water pump: on/);
});
