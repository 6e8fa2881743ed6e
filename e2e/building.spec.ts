import { expect, saved, test } from './fixtures';

test('the plan by hand: a task of one’s own, put before another, split, timed, and what cannot be', async ({ page, pip }) => {
  await page.goto(`/d/${pip}/test`);
  const plan = page.getByRole('region', { name: 'Work plan' });
  const form = page.getByRole('form', { name: 'A task of your own' });
  await expect(plan.getByRole('listitem').first()).toContainText('Isolate');
  await form.getByRole('textbox', { name: 'Minutes it takes' }).fill('99999');
  await expect(form).toContainText('from 1 min to 6000 min');
  await form.getByRole('textbox', { name: 'Minutes it takes' }).fill('25 min');
  // As a cell of a spreadsheet brings it.
  await form.getByRole('textbox', { name: 'What is to be done' }).fill('Fetch\tthe paint');
  await page.keyboard.press('Enter');
  const own = plan.getByRole('listitem').filter({ hasText: 'Fetch the paint' });
  await expect(own).toContainText('25 min');
  const more = async (name: RegExp, item: string | RegExp) => {
    await plan.getByRole('button', { name }).first().click();
    await page.getByRole('menuitem', { name: item }).click();
  };
  await more(/^More for Fetch the paint/, 'Split it into two sittings');
  await expect(plan.getByRole('listitem').filter({ hasText: 'Fetch the paint, sitting 2 of 2' })).toContainText('13 min');
  await more(/^More for Fetch the paint/, 'In one sitting again');
  await more(/^More for Fetch the paint/, 'It takes another time …');
  await page.getByRole('textbox', { name: 'Minutes of Fetch the paint' }).fill('40');
  await page.keyboard.press('Enter');
  await expect(own).toContainText('40 min');
  await more(/^More for Fetch the paint/, /^Do it before:/);
  await expect(own).toContainText('moved by hand');
  // What the trade keeps in order stays so, and says so where it stands.
  const prime = plan.getByRole('listitem').filter({ hasText: 'Deburr and prime the hole of Into the galley' });
  await prime.getByRole('button', { name: /^More for/ }).click();
  await page.getByRole('menuitem', { name: 'Do it before: Drill where Into the galley goes through' }).click();
  await expect(prime.getByRole('alert')).toContainText('It waits for that one itself');
  await expect(prime).not.toContainText('moved by hand');
  await saved(page);
  await page.reload();
  await expect(own).toContainText('40 min');
  await own.getByRole('button', { name: 'Done: Fetch the paint' }).click();
  await expect(own).toHaveCount(0);
  await page.getByRole('combobox', { name: 'Hours a day' }).click();
  await page.getByTitle('3 h a day').click();
  await expect(plan.getByText('Day 2', { exact: true })).toBeVisible();
  await expect(plan.getByRole('status')).toContainText('days of 3 h left');
  await expect(plan.getByRole('listitem').filter({ hasText: 'Make the wires of 06 Water pump' })).toContainText('Needs: crimp dies');
});

test('a demo half built: what is for now, readings that are out lead to the fault, what is sound is ruled down, what is mended is in the book', async ({
  page,
  heronAtWork,
}) => {
  test.setTimeout(120_000);
  await page.goto(`/d/${heronAtWork}/test`);
  await expect(page.getByRole('region', { name: 'Done for now' })).toContainText('twisted and taped: the glue sleeves had run out');
  await page.getByText('Readings', { exact: true }).click();
  await page.getByRole('combobox', { name: 'Circuit' }).click();
  await page.keyboard.type('Hide bench');
  await page.keyboard.press('Enter');
  const tried = page.getByRole('region', { name: 'Tried beside' });
  const levels = tried.getByRole('listitem').filter({ hasText: 'Bench dimmer: through every level' });
  await levels.getByText('not so', { exact: true }).click();
  await saved(page);
  await page.getByText('Find a fault', { exact: true }).click();
  await page.getByRole('radiogroup', { name: 'What Bench puck does' }).getByText('dead', { exact: true }).click();
  const wrong = page.getByRole('region', { name: 'What is likely wrong' });
  await expect(wrong.getByRole('listitem').first()).toContainText('Bench puck', { timeout: 30_000 });
  await wrong.getByRole('checkbox', { name: 'Looked at and sound: the part itself is dead, Bench puck' }).check();
  await expect(wrong.getByRole('listitem').first()).not.toContainText('Bench puck', { timeout: 30_000 });
  // However far down it is by now, it can be taken back.
  await page.getByRole('button', { name: 'Not looked at: the part itself is dead, Bench puck' }).click();
  await expect(wrong.getByRole('listitem').first()).toContainText('Bench puck', { timeout: 30_000 });
  await wrong.getByRole('checkbox', { name: 'Looked at and sound: the part itself is dead, Bench puck' }).check();
  await expect(wrong.getByRole('listitem').first()).not.toContainText('Bench puck', { timeout: 30_000 });
  // What was seen and looked at is there after a reload.
  await page.reload();
  await page.getByText('Find a fault', { exact: true }).click();
  await page.getByRole('combobox', { name: 'Circuit' }).click();
  await page.keyboard.type('Hide bench');
  await page.keyboard.press('Enter');
  await expect(wrong.getByRole('listitem').first()).not.toContainText('Bench puck', { timeout: 30_000 });
  // All that can be read is read, as a meter would with a dimmer that gives nothing.
  for (let asked = 0; asked < 8; asked++) {
    await expect(page.locator('[data-new="true"]')).toBeVisible({ timeout: 30_000 });
    if (await wrong.getByRole('button', { name: /^Mended:/ }).isVisible()) break;
    const field = page.getByRole('region', { name: 'Measure next' }).getByRole('textbox').first();
    const name = (await field.getAttribute('aria-label')) ?? '';
    await field.fill(reads(name));
    await field.press('Enter');
    await expect(page.getByRole('region', { name: 'Readings taken' }).getByRole('listitem')).toHaveCount(asked + 1);
  }
  const mended = wrong.getByRole('button', { name: /^Mended: .*Bench dimmer/ });
  await mended.click();
  await expect(page.getByText('Where it is still not right a second fault hid behind the first')).toBeVisible();
  await saved(page);
  await page.getByText('Logbook', { exact: true }).click();
  const book = page.getByRole('region', { name: 'Logbook' });
  await expect(book.getByRole('listitem').filter({ hasText: 'Repair' }).first()).toContainText('Read: ');
  await expect(page.getByRole('img', { name: 'Twisted for now behind the hide panel' })).toBeVisible();
});

/** What a meter reads where everything up to the dimmer is live and nothing behind it. */
function reads(name: string): string {
  if (name.includes('clamp')) return '0';
  const at = (text: string) => {
    if (/Bench dimmer, out|Bench puck, \+/.test(text)) return 0;
    return /bar|−|minus/.test(text) ? 0 : 12.6;
  };
  const [red = '', black = ''] = name.replace('Reading: red on ', '').split('; black on ');
  return (at(red) - at(black)).toFixed(2);
}

test('a lead that meets nothing is capped from its finding, which opens Leads', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/harness`);
  await page.getByRole('button', { name: /^Findings/ }).click();
  const drawer = page.getByRole('dialog', { name: 'Findings' });
  const open = drawer.getByRole('listitem').filter({ hasText: 'Lead left open' }).first();
  await open.getByRole('button', { name: 'Show it' }).click();
  const leads = page.getByRole('region', { name: 'Leads and kits' });
  const cap = leads.getByRole('checkbox', { name: 'Cap on the yellow lead of Bench dimmer' });
  await cap.check();
  await saved(page);
  await expect(page.getByText('Lead left open')).toHaveCount(0);
  await page.keyboard.press('Escape');
  await page.getByText('Parts', { exact: true }).click();
  await page.getByRole('textbox', { name: 'Find parts' }).fill('cap');
  await expect(page.locator('main')).toContainText('end cap with glue, for a lead');
});

test('everything on together: what the battery, its lead and the worst loads read, and the engine at idle', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/test`);
  await page.getByText('Readings', { exact: true }).click();
  await page.getByRole('combobox', { name: 'Circuit' }).click();
  await page.getByTitle('everything together').click();
  const readings = page.getByRole('region', { name: 'Readings' });
  await expect(readings).toContainText('Hide fuse block', { timeout: 30_000 });
  const lead = readings.getByRole('listitem').filter({ hasText: 'clamp round' }).first();
  await expect(lead).toContainText(/\d\d\.\d\d A/);
  await readings.getByRole('listitem').filter({ hasText: 'engine at idle' }).getByText('as it should', { exact: true }).click();
  await saved(page);
  // A fault is looked for in one circuit.
  await page.getByText('Find a fault', { exact: true }).click();
  await expect(page.getByRole('region', { name: 'Find a fault' })).toBeVisible();
  await expect(page.locator('.ant-select').filter({ has: page.getByRole('combobox', { name: 'Circuit' }) })).toContainText(
    '01 Galley lights',
  );
});
