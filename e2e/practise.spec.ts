import type { Locator, Page } from '@playwright/test';
import { expect, test } from './fixtures';

/** Opens a board once it is drawn. */
async function hunt(page: Page, id: string): Promise<void> {
  await page.goto(`/practise/hunt/${id}`);
  await expect(page.getByRole('button', { name: /^Lead on/ }).first()).toBeVisible();
}

/** Gives the name results are kept under, of which nothing is known yet. */
async function goBy(page: Page, name: string): Promise<void> {
  await page.request.delete(`/api/practise?learner=${name}`);
  await page.goto('/practise');
  await page.getByRole('combobox', { name: 'Learner' }).fill(name);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Record' }).getByRole('heading')).toHaveText(`What ${name} may do alone`);
}

const display = (page: Page) => page.getByRole('status', { name: 'The meter says' });
const log = (page: Page) => page.getByRole('region', { name: 'What was done' });

/** Says what is wrong with what is chosen, and mends it. */
async function mend(page: Page, about: string, fault: string): Promise<void> {
  await page.getByRole('combobox', { name: `What is wrong with ${about}` }).click();
  await page.getByTitle(fault).click();
  await page.getByRole('button', { name: 'Mend it' }).click();
}

test('a way that was shown counts for nothing, also after a reload', async ({ page }) => {
  await hunt(page, 'door-light');
  await page.getByRole('button', { name: 'Show me the way' }).click();
  await expect(page.getByRole('region', { name: 'How it went' })).toContainText('The way to it');
  await page.reload();
  await expect(page.getByRole('region', { name: 'How it went' })).toContainText('The way to it');
  await page.getByRole('button', { name: 'Once more from the start' }).click();
  await expect(page.getByRole('region', { name: 'How it went' })).toHaveCount(0);
});

test('a hunt by mouse: leads on the board, the relay named, mended isolated, proved, and kept beside the best way', async ({ page }) => {
  await goBy(page, 'Alex');
  await hunt(page, 'click-no-light');
  await page.getByRole('button', { name: 'Lead on Bar relay, 87' }).click();
  await expect(display(page)).toHaveText('0.000 V');
  await page.getByRole('button', { name: 'Lead on Bar relay, 30' }).click();
  await expect(display(page)).toHaveText(/^12\.\d+ V$/);
  await page.getByRole('button', { name: 'Lead on Bar relay, 86, coil' }).click();
  await expect(display(page)).toHaveText(/^12\.\d+ V$/);

  // What was done stays over a reload.
  await page.reload();
  await expect(page.getByLabel('Time spent')).toContainText('3 acts');

  // Ohms on a live circuit are told, and cost.
  await page.getByText('Ohms', { exact: true }).click();
  await page.getByRole('button', { name: 'Lead on Light bar, +' }).click();
  await page.getByRole('button', { name: 'Lead on Bar relay, 30' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Ohms on a live circuit' })).toBeVisible();

  await page.getByRole('button', { name: /^Bar relay/ }).first().click(); // prettier-ignore
  await page.getByRole('button', { name: 'Battery’s minus off' }).click();
  await mend(page, 'Bar relay', 'its coil is open');
  await expect(log(page).getByRole('listitem').first()).toContainText('for nothing');
  await mend(page, 'Bar relay', 'its contact does not make');
  await expect(log(page).getByRole('listitem').first()).toContainText('mended');
  await page.getByRole('button', { name: 'Try everything' }).click();
  await expect(log(page).getByRole('listitem').first()).toContainText('The battery is still off.');
  await page.getByRole('button', { name: 'Battery’s minus on again' }).click();
  await expect(log(page).getByRole('listitem').first()).toContainText('Bar relay clicks.');
  await page.getByRole('button', { name: 'Try everything' }).click();
  const result = page.getByRole('region', { name: 'How it went' });
  await expect(result).toContainText('It was: Bar relay: its contact does not make.');
  await expect(result).toContainText('Taken apart for nothing: 1.');
  await expect(result.getByRole('table', { name: 'The finder’s way' }).getByRole('row')).not.toHaveCount(1);
  await expect(result.getByRole('heading')).toHaveText(/^\d+ of 100$/);
  const points = Number((await result.getByRole('heading').textContent())!.split(' ')[0]);
  expect(points).toBeLessThan(80);

  // Looked at once more, it is not counted once more.
  await page.reload();
  await expect(result).toBeVisible();
  await page.getByRole('link', { name: 'Practise', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Fault hunts, relays, two ways' }).getByRole('listitem').filter({ hasText: 'It clicks' })).toContainText(`best ${points}`); // prettier-ignore
  const kept = (await (await page.request.get('/api/practise?learner=Alex')).json()) as { subject: string }[];
  expect(kept.map(({ subject }) => subject)).toEqual(['click-no-light']);
});

test('a hunt by keyboard alone: leads from the lists, a wire clamped and taken off, the fault named', async ({ page }) => {
  await hunt(page, 'dim-lamp');
  const choose = async (name: string, text: string) => {
    await page.getByRole('combobox', { name }).focus();
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
  };
  await choose('red lead on', 'Reading lamp, −');
  await expect(display(page)).toHaveText(/^[4-9]\.\d+ V$/);
  await choose('Part or wire to work on', '01c');
  await page.getByRole('button', { name: 'Clamp', exact: true }).focus();
  await page.keyboard.press('Enter');
  await expect(display(page)).toHaveText(/^0\.\d+ A$/);
  await page.getByRole('button', { name: 'Feel its ends' }).focus();
  await page.keyboard.press('Space');
  await expect(log(page).getByRole('listitem').first()).toContainText('Hot');
  // A letter typed anywhere is no command.
  await page.keyboard.press('f');
  await page.keyboard.press('n');
  await expect(page.getByLabel('Time spent')).toContainText('3 acts');
  await page.getByRole('button', { name: 'Battery’s minus off' }).focus();
  await page.keyboard.press('Enter');
  await choose('What is wrong with Wire 01c', 'bad joint');
  await page.getByRole('button', { name: 'Mend it' }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Battery’s minus on again' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Reading lamp, on' })).toBeVisible();
  await page.getByRole('button', { name: 'Try everything' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'How it went' })).toContainText('100 of 100');
  await expect(page.getByRole('region', { name: 'How it went' })).toContainText('Nothing that could hurt');
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, ownWindow: true });

  test('a hunt by touch: nothing runs out of the page, and it ends proved', async ({ page }) => {
    await hunt(page, 'dead-pump');
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    await page.getByRole('button', { name: 'Lead on Pump switch, in' }).tap();
    await expect(display(page)).toHaveText(/^12\.\d+ V$/);
    await page.getByRole('button', { name: 'Lead on Pump switch, out' }).tap();
    await expect(display(page)).toHaveText('0.000 V');
    await page.getByRole('button', { name: /^Pump switch/ }).first().tap(); // prettier-ignore
    await page.getByRole('button', { name: 'Battery’s minus off' }).tap();
    await mend(page, 'Pump switch', 'its contact does not make');
    await page.getByRole('button', { name: 'Battery’s minus on again' }).tap();
    await page.getByRole('button', { name: 'Try everything' }).tap();
    await expect(page.getByRole('region', { name: 'How it went' })).toContainText('100 of 100');
  });
});

test('a hunt on a copy of a design: another fault, saved as a file, opened by somebody else; the design never changes', async ({
  page,
  pip,
}) => {
  await page.goto(`/d/${pip}/test`);
  await page.getByText('Find a fault', { exact: true }).click();
  await page.getByRole('link', { name: 'Practise on a copy' }).click();
  await expect(page.getByRole('button', { name: /^Lead on/ }).first()).toBeVisible();
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as a file for somebody' }).click();
  const file = await (await saved).path();
  const complaint = await page.locator('blockquote').textContent();
  await page.getByRole('button', { name: 'Another fault' }).click();
  await expect(page.getByRole('button', { name: /^Lead on/ }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Show me the way' }).click();
  await expect(page.getByRole('region', { name: 'How it went' })).toContainText('The finder’s way');

  await page.goto('/practise');
  await page.getByLabel('Hunt file').setInputFiles({ name: 'other.json', mimeType: 'application/json', buffer: Buffer.from('{"a":1}') });
  await expect(page.getByRole('alert').filter({ hasText: 'not a hunt' })).toBeVisible();
  await page.getByLabel('Hunt file').setInputFiles(file);
  await expect(page.locator('blockquote')).toHaveText(complaint!);
  await page.getByRole('button', { name: 'Practise', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Drills' })).toBeVisible();
  const { revision } = (await (await page.request.get(`/api/designs/${pip}`)).json()) as { revision: number };
  expect(revision).toBe(1);
});

test('drills: a wrong answer says which mistake it is and comes again, what was answered is kept by name and can be forgotten', async ({
  page,
}) => {
  await goBy(page, 'Robin');
  await page.getByRole('link', { name: 'Current, fuse, drop' }).click();
  const answers = page.getByRole('list', { name: 'Answers' });
  await expect(answers).toBeVisible();
  let right = 0;
  for (let asked = 1; asked <= 10; asked++) {
    const buttons = answers.getByRole('button');
    await buttons.nth(asked % 3).press('Enter');
    await expect(page.getByText(/^[01]?\d of \d+ right/)).toContainText(`of ${asked} right`);
    await expect(buttons.first()).toBeDisabled();
    const chosen = answers.getByRole('listitem').nth(asked % 3);
    if ((await chosen.getAttribute('data-state')) === 'right') right++;
    else await expect(chosen.locator('span')).not.toBeEmpty();
    // Going on by keyboard: the next question has the focus, and one letter answers nothing.
    await page.keyboard.press('Enter');
    await expect(buttons.first()).toBeEnabled();
    await page.keyboard.press('a');
    await expect(buttons.first()).toBeEnabled();
  }
  await page.getByRole('link', { name: 'Practise', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Drills' })).toContainText(`${right} of 10 right`);
  const record = page.getByRole('region', { name: 'Record' });
  await expect(record.getByRole('heading')).toHaveText('What Robin may do alone');
  await expect(record.getByRole('row').filter({ hasText: 'Choose a fuse and a wire' })).toContainText('not yet');
  const saved = page.waitForEvent('download');
  await record.getByRole('button', { name: 'Save the record as CSV' }).click();
  expect((await saved).suggestedFilename()).toBe('practise.csv');
  await record.getByRole('button', { name: 'Reset' }).click();
  await page.getByRole('button', { name: 'Forget it' }).click();
  await expect(page.getByRole('region', { name: 'Drills' })).not.toContainText('of 10 right');
  await page.reload();
  await expect(page.getByRole('region', { name: 'Drills' })).toContainText('not begun');
});

test('ten of every topic are answered, each with its picture or table where it has one', async ({ page }) => {
  test.setTimeout(120_000);
  for (const topic of ['pins', 'diagram', 'logic', 'colours', 'sizes', 'figures', 'meter', 'trigger', 'mistake']) {
    await page.goto(`/practise/drill/${topic}`);
    const answers = page.getByRole('list', { name: 'Answers' });
    for (let asked = 0; asked < 10; asked++) {
      await answers.getByRole('button').first().click();
      await expect(page.getByRole('button', { name: 'Next question' })).toBeFocused();
      await page.getByRole('button', { name: 'Next question' }).click();
    }
    await expect(page.getByText(/of 10 right/)).toBeVisible();
  }
});

test('a box of parts: wired by clicks, by pulling and from the lists; what breaks it is shown, then it is proved and kept', async ({
  page,
}) => {
  await page.goto('/practise/build/two-places');
  const end = (name: string) => page.getByRole('button', { name: new RegExp(`^${name}`) });
  await end('Lamp fuse, out').click();
  await end('Door switch, common').click();
  // Pulled from one to the other.
  await end('Door switch, up').hover();
  await page.mouse.down();
  await end('Bunk switch, down').hover();
  await page.mouse.up();
  await end('Door switch, down').click();
  await end('Bunk switch, up').click();
  // From the lists, by keyboard.
  for (const [from, to] of [
    ['Bunk switch, common', 'Ceiling lamp, +'],
    ['Ceiling lamp, −', 'Return bar, bar'],
  ] as const) {
    for (const [name, text] of [
      ['Wire from', from],
      ['Wire to', to],
    ] as const) {
      await page.getByRole('combobox', { name }).focus();
      await page.keyboard.type(text);
      await page.keyboard.press('Enter');
    }
    await page.getByRole('button', { name: 'Join' }).press('Enter');
  }
  const side = page.getByRole('region', { name: 'Wishes and wires' });
  await expect(side.getByRole('button', { name: /^Take out/ })).toHaveCount(5);
  await page.getByRole('button', { name: 'Check it' }).click();
  await expect(side).toContainText('Not yet');
  await expect(side.locator('[data-verdict="broken"]').first()).toContainText('Door switch');

  // The travellers are crossed: put right, over a reload.
  await side.getByRole('button', { name: 'Take out the wire from Door switch, up to Bunk switch, down' }).click();
  await side.getByRole('button', { name: 'Take out the wire from Door switch, down to Bunk switch, up' }).click();
  await page.reload();
  await expect(side.getByRole('button', { name: /^Take out/ })).toHaveCount(3);
  for (const way of ['up', 'down']) {
    await end(`Door switch, ${way}`).click();
    await end(`Bunk switch, ${way}`).click();
  }
  await page.getByRole('button', { name: 'Check it' }).click();
  await expect(side).toContainText('5 wires, as few as it takes.');
  await page.getByRole('link', { name: 'Practise', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Build it' }).getByRole('listitem').filter({ hasText: 'From two places' })).toContainText(
    'best 100',
  );
});

test('a hunt of one’s own making: its fault and its owner’s words, played and saved; what cannot be is told', async ({ page, pip }) => {
  await page.goto(`/practise/own/${pip}`);
  await page.getByRole('button', { name: 'Make one' }).click();
  const dialog = page.getByRole('dialog', { name: 'A hunt of your own' });
  const choose = async (name: string, text: string) => {
    await dialog.getByRole('combobox', { name }).click();
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
  };
  await choose('The complaint is about', 'Water pump');
  await choose('Part or wire that is wrong', '06c');
  await expect(dialog.getByRole('button', { name: 'Make it' })).toBeDisabled();
  await dialog.getByRole('textbox', { name: 'In its owner’s words' }).fill('The pump is dead, says Aunt Mo.');
  await dialog.getByRole('button', { name: 'Make it' }).click();
  await expect(page.locator('blockquote')).toHaveText('The pump is dead, says Aunt Mo.');
  await expect(page.getByRole('button', { name: 'Water pump, off' })).toBeVisible();
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as a file for somebody' }).click();
  expect((await saved).suggestedFilename()).toBe('hunt.json');
});

test('a hunt on one’s own design to its end: a worn wire blows a fuse, a lamp takes its place, a wire is lifted, the fault named, a new fuse fitted', async ({
  page,
  pip,
}) => {
  await page.goto(`/practise/own/${pip}`);
  await page.getByRole('button', { name: 'Make one' }).click();
  const dialog = page.getByRole('dialog', { name: 'A hunt of your own' });
  const choose = async (scope: Page | Locator, name: string, text: string) => {
    await scope.getByRole('combobox', { name }).click();
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
  };
  await choose(dialog, 'The complaint is about', 'Water pump');
  await choose(dialog, 'Part or wire that is wrong', '06a');
  await dialog.getByRole('combobox', { name: 'Its fault' }).click();
  await page.getByTitle('worn through').click();
  await dialog.getByRole('textbox', { name: 'In its owner’s words' }).fill('The pump is dead and its fuse goes each time.');
  await dialog.getByRole('button', { name: 'Make it' }).click();
  await choose(page, 'Part or wire to work on', 'Water pump fuse');
  await page.getByRole('button', { name: 'Smell', exact: true }).click();
  await expect(log(page).getByRole('listitem').first()).toContainText('It smells burnt');
  await page.getByRole('button', { name: 'Test lamp in its place' }).click();
  await expect(log(page).getByRole('listitem').first()).toContainText('The lamp is bright.');
  await expect(page.getByRole('status', { name: 'Open work' })).toContainText('The lamp is bright. Water pump fuse is out or has gone.');
  // The lamp out before a wire comes off, and in again to look.
  await page.getByRole('button', { name: 'Test lamp out' }).click();
  await choose(page, 'Part or wire to work on', '06a');
  await page.getByRole('button', { name: /^Take off 06a/ }).first().click(); // prettier-ignore
  await choose(page, 'Part or wire to work on', 'Water pump fuse');
  await page.getByRole('button', { name: 'Test lamp in its place' }).click();
  await expect(log(page).getByRole('listitem').first()).toContainText('The lamp is dark.');
  await page.getByRole('button', { name: 'Test lamp out' }).click();
  await choose(page, 'Part or wire to work on', '06a');
  await page.getByRole('button', { name: /^Land 06a/ }).click();
  await page.getByRole('button', { name: 'Battery’s minus off' }).click();
  await mend(page, 'Wire 06a', 'worn through');
  await expect(log(page).getByRole('listitem').first()).toContainText('mended');
  await choose(page, 'Part or wire to work on', 'Water pump fuse');
  await page.getByRole('button', { name: 'Test lamp in its place' }).click();
  await page.getByRole('button', { name: 'Battery’s minus on again' }).click();
  await expect(log(page).getByRole('listitem').first()).not.toContainText('bright');
  await page.getByRole('button', { name: 'Try everything' }).click();
  await expect(log(page).getByRole('listitem').first()).toContainText('The test lamp is still in a fuse’s place.');
  await page.getByRole('button', { name: 'Fit a new one' }).click();
  await page.getByRole('button', { name: 'Try everything' }).click();
  const result = page.getByRole('region', { name: 'How it went' });
  await expect(result).toContainText('worn through to the body');
  await expect(result).toContainText('Nothing that could hurt');
  await expect(result.getByRole('table', { name: 'The finder’s way' })).toContainText('The lamp is');
});

test('answers given without a connection wait in the browser and are kept once there is one; two tabs are on one and the same hunt', async ({
  page,
  context,
}) => {
  await goBy(page, 'Kim');
  await page.goto('/practise/drill/sizes');
  const answers = page.getByRole('list', { name: 'Answers' });
  await expect(answers).toBeVisible();
  await context.setOffline(true);
  for (let asked = 0; asked < 3; asked++) {
    await answers.getByRole('button').first().click();
    await page.getByRole('button', { name: 'Next question' }).click();
  }
  await expect(page.getByRole('alert').filter({ hasText: '3 results wait in this browser' })).toBeVisible();
  await context.setOffline(false);
  const kept = async () => ((await (await page.request.get('/api/practise?learner=Kim')).json()) as object[]).length;
  await expect.poll(kept).toBe(3);
  await expect(page.getByRole('alert').filter({ hasText: 'wait' })).toHaveCount(0);

  const other = await context.newPage();
  await hunt(page, 'door-light');
  await hunt(other, 'door-light');
  await page.getByRole('button', { name: 'Lead on Wardrobe lamp, +' }).click();
  await expect(other.getByLabel('Time spent')).toContainText('1 act');
  await other.getByRole('button', { name: 'Lead on Wardrobe lamp, −' }).click();
  await expect(page.getByLabel('Time spent')).toContainText('2 acts');
  await expect(log(page).getByRole('listitem')).toHaveCount(2);
});
