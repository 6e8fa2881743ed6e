import { expect, saved, test } from './fixtures';

test('an option is built by hand, stands, gives way to the one before, and is printed with its reasons', async ({ page, pip }) => {
  await page.goto(`/d/${pip}/harness`);
  await page.getByText('Choices', { exact: true }).click();
  const view = page.getByRole('region', { name: 'Choices' });
  const begin = view.getByRole('region', { name: 'A new choice' });
  await begin.getByRole('textbox', { name: 'What is to be chosen' }).fill('How many lamps');
  await begin.getByRole('button', { name: 'Begin' }).click();
  const choice = view.getByRole('region', { name: 'How many lamps' });
  await expect(choice).toContainText('stands in the design');
  await choice.getByRole('textbox', { name: 'Another option' }).fill('One fewer');
  await choice.getByRole('button', { name: 'Build it' }).click();
  const note = page.getByRole('note').filter({ hasText: '‘One fewer’ alone.' });
  await expect(note).toContainText('Changed so far: nothing');
  await page.getByRole('link', { name: /^Loads/ }).click();
  const puck = page.getByRole('row', { name: /Cabin puck/ });
  await page.getByRole('gridcell', { name: 'Cabin puck', exact: true }).click();
  await page.keyboard.press('Control+Delete');
  await expect(puck).toHaveCount(0);
  await expect(note).toContainText(/Changed so far: \d+ things/);
  await note.getByRole('button', { name: 'It is done' }).click();
  await expect(note).toBeHidden();
  await saved(page);

  await page.getByRole('link', { name: /^Harness/ }).click();
  await page.getByText('Choices', { exact: true }).click();
  const head = (name: string) =>
    choice.getByRole('columnheader').filter({ has: page.getByRole('textbox', { name: `Name of ${name}`, exact: true }) });
  await expect(head('One fewer')).toContainText('stands in the design');
  await expect(choice.getByRole('rowheader', { name: /Cabin lights/ }).first()).toBeVisible({ timeout: 30_000 });
  await choice.getByRole('textbox', { name: 'Speaks against One fewer' }).fill('dark at the hob');
  await choice.getByRole('textbox', { name: 'Why it is so' }).fill('It was too dark.');
  await head('As it is now').getByRole('button', { name: 'Let it stand' }).click();
  await expect(head('As it is now')).toContainText('stands in the design');
  await expect(choice.getByRole('textbox', { name: 'Why it is so' })).toHaveValue('');
  await choice.getByRole('textbox', { name: 'Why it is so' }).fill('Light is worth more than the fuse.');
  await choice.getByRole('textbox', { name: 'Why it is so' }).press('Control+Enter');
  await expect(choice).toContainText(/decided \d{4}-\d\d-\d\d/);
  await saved(page);
  await page.getByRole('link', { name: 'Report and print' }).click();
  const why = page.locator('section').filter({ hasText: 'Why it is so: How many lamps' });
  await expect(why).toContainText('Light is worth more than the fuse.');
  await expect(why).toContainText('dark at the hob');
});

test('what was begun is put back, and a way to switch is kept without being taken', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/harness#choices`);
  const view = page.getByRole('region', { name: 'Choices' });
  const locker = view.getByRole('region', { name: 'How does the locker light come on?' });
  await expect(locker.getByRole('rowheader', { name: 'Locker light' })).toBeVisible({ timeout: 30_000 });
  await expect(locker.getByRole('row', { name: /^micro-switch/ })).toContainText('none');
  await locker.getByRole('button', { name: /^Work on .Roller at the shutter. alone$/ }).click();
  const note = page.getByRole('note').filter({ hasText: 'Roller at the shutter' });
  await note.getByRole('button', { name: 'Put it back' }).click();
  await expect(note).toBeHidden();
  await page.getByRole('link', { name: /^Switching/ }).click();
  await page.getByRole('button', { name: 'How should Roof fan come on?' }).click();
  const ways = page.getByRole('dialog', { name: 'How should Roof fan come on?' });
  await ways.getByRole('button', { name: 'Keep it as an option' }).click();
  await ways.getByRole('link', { name: 'Compare' }).click();
  await expect(view).toBeVisible();
  await view.getByRole('combobox', { name: 'The choice' }).click();
  await page.locator('.ant-select-dropdown:visible').getByTitle('How should Roof fan come on?').click();
  const fan = view.getByRole('region', { name: 'How should Roof fan come on?' });
  await expect(fan.getByRole('row', { name: /^Roof fan/ })).toContainText('nothing one moves', { timeout: 30_000 });
  await expect(fan.getByRole('row', { name: /^Roof fan/ })).toContainText('Roof fan switch');
});
