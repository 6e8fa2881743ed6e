import { choose, expect, test } from './fixtures';

test('a broken wish is played on the bench, the lamp is wired another way after a trial, and the wish is kept; undone, it is broken again', async ({
  page,
  heron,
}) => {
  await page.goto(`/d/${heron}/switching`);
  const said = page.getByRole('status', { name: 'What changed' });
  await page.getByRole('button', { name: /^Wishes/ }).click();
  const wishes = page.getByRole('dialog', { name: 'Wishes' });
  const reversing = wishes.getByRole('region', { name: 'Reversing lamp' });
  await expect(reversing).toContainText('on when Reversing lamps switch is up and Key is on and Reverse is in');
  await expect(reversing).toContainText('not after Reversing lamps switch: up, Key: on, Reverse: in');
  await reversing.getByRole('button', { name: /^Play what breaks it/ }).click();
  await expect(said).toContainText('Reverse: in. Nothing else changed.');
  await expect(page.getByRole('group', { name: 'Key' }).getByRole('button', { name: 'on', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await page.keyboard.press('Escape');

  await page.getByRole('button', { name: 'How should Reversing lamp come on?' }).click();
  const ways = page.getByRole('dialog', { name: 'How should Reversing lamp come on?' });
  await ways.getByRole('button', { name: 'With a signal of the vehicle, through a relay' }).click();
  await choose(page, 'The vehicle’s wire', 'rev', 'reverse');
  const trial = ways.getByRole('region', { name: 'Try it' });
  const does = trial.getByRole('status', { name: 'What it does' });
  await trial.getByRole('group', { name: 'Reverse' }).getByRole('button', { name: 'in', exact: true }).click();
  await expect(does).toContainText('off');
  await trial.getByRole('group', { name: 'Key' }).getByRole('button', { name: 'on', exact: true }).click();
  await expect(does).toContainText(/on.*1[23]\.\d\d V/);
  await expect(ways).toContainText('It drops');
  await expect(ways).toContainText('Reversing lamps switch');
  await ways.getByRole('button', { name: 'Wire it so' }).click();
  await expect(ways).toBeHidden();

  // The bench stands as it did: the key on, reverse in. Now it answers.
  const row = page
    .getByRole('region', { name: 'What answers' })
    .getByRole('row')
    .filter({ has: page.getByRole('rowheader', { name: /^Reversing lamp/ }) });
  await expect(row).toContainText(/on\s*1[23]\.\d\d V/);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(row).toContainText('off');
  await page.getByRole('button', { name: /^Wishes/ }).click();
  await expect(reversing).toContainText('not after');
});

test('a wish is made by choosing, held against the wiring, asked and decided, and taken back', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/switching`);
  await page.getByRole('button', { name: /^Wishes/ }).click();
  const wishes = page.getByRole('dialog', { name: 'Wishes' });
  await choose(page, 'Wish something of', 'awning', 'Awning strip');
  const form = wishes.getByRole('group', { name: 'A wish' });
  const pick = async (box: string, option: string) => {
    await form.getByRole('combobox', { name: box }).click();
    await page.locator('.ant-select-dropdown:visible').getByTitle(option, { exact: true }).click();
  };
  await pick('What it does', 'is off when …');
  await form.getByRole('combobox', { name: 'When', exact: true }).click();
  await page.keyboard.type('key');
  await page.keyboard.press('Enter');
  await pick('Position, when', 'on');
  await expect(form).toContainText('Awning strip: off when Key is on.');
  await form.getByRole('button', { name: 'Wish it' }).click();
  const awning = wishes.getByRole('region', { name: 'Awning strip' });
  await expect(awning).toContainText('not after Awning light switch: on, Key: on');
  // A question is asked by a click and decided by another.
  await wishes.getByRole('button', { name: 'when power comes back?' }).click();
  await expect(awning).toContainText('undecided: nobody has said');
  await awning.getByRole('button', { name: 'As before' }).click();
  await expect(awning).toContainText(/as before when power comes back\s*in all/);
  await awning.getByRole('button', { name: 'Take back: off when Key is on' }).click();
  await expect(awning).not.toContainText('off when Key is on');

  // What is wished stands in the load's truth table, what is not as wished first.
  await page.keyboard.press('Escape');
  await page.getByRole('region', { name: 'What answers' }).getByRole('button', { name: 'Reversing lamp', exact: true }).click();
  const truth = page.getByRole('dialog', { name: 'When is it lit? Reversing lamp' });
  await expect(truth).toContainText('In 1 it is not as wished');
  await expect(truth.getByRole('row').nth(1)).toHaveText(/no\s*yes/);
});

test('a wire of the vehicle is metered state by state, told what to meter next, found, and taken as a trigger', async ({ page, pip }) => {
  await page.goto(`/d/${pip}/switching`);
  await page.getByRole('button', { name: 'Which wire is it?' }).click();
  const drawer = page.getByRole('dialog', { name: 'Which wire is it?' });
  await drawer.getByRole('button', { name: 'Add a wire' }).click();
  const sheet = drawer.getByRole('region', { name: 'Wire 1' });
  const verdict = sheet.getByRole('status');
  const volts = async (state: string, text: string) => {
    await sheet.getByRole('textbox', { name: `Volts, ${state}` }).fill(text);
    await page.keyboard.press('Enter');
  };
  await volts('Key out, all off', 'none');
  await expect(sheet.getByRole('alert')).toContainText('“none” is not a number');
  await volts('Key out, all off', '0,02');
  await expect(verdict).toContainText('Not known yet. Meter next:');
  await volts('Side lamps', '12.3');
  await volts('Left indicator, key on', '12.4');
  await expect(verdict).toContainText('agrees with none of the vehicle’s controls');
  await volts('Left indicator, key on', '');
  await volts('High beam', '12.3');
  await expect(verdict).toContainText(
    'Live with running lamps, 12.30 V: good for 1 relay coil as a rule, though nobody has said what it may give; not for lamp current.',
  );
  await sheet.getByRole('textbox', { name: 'What Wire 1 may give' }).fill('500 mA');
  await page.keyboard.press('Enter');
  await expect(verdict).toContainText('good for 2 relay coils; not for lamp current.');
  await drawer.getByRole('button', { name: 'Take it as the vehicle’s wire' }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('region', { name: 'The vehicle' }).getByRole('group', { name: 'Lamps' })).toBeVisible();
});
