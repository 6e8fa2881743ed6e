import { choose, expect, saved, test } from './fixtures';

test('wires are coloured and numbered, one is changed by hand, and schedule, cut list, parts and diagram follow', async ({ page, pip }) => {
  await page.goto(`/d/${pip}/harness`);
  const grid = page.getByRole('grid', { name: 'Wire schedule' });
  const row = (number: string) => grid.getByRole('row').filter({ has: page.getByRole('gridcell', { name: number, exact: true }) });
  await expect(row('06a')).toContainText('Water pump fuse, out');
  await page.getByRole('button', { name: 'Colour the rest' }).click();
  await page.getByRole('button', { name: 'Fix numbers' }).click();
  await expect(row('06c')).toContainText('black');
  await expect(row('M1')).toContainText('red');

  // One by hand: a number two wires may not have is refused where it is typed, a colour is taken as it is said.
  await row('06b').getByRole('gridcell').nth(0).dblclick();
  await page.keyboard.type('06a');
  await page.keyboard.press('Enter');
  await expect(page.getByText('another wire has this number')).toBeVisible();
  await page.keyboard.press('Escape');
  await row('06b').getByRole('gridcell').nth(7).dblclick();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('-3');
  await page.keyboard.press('Enter');
  await expect(page.getByText('a length cannot be negative')).toBeVisible();
  await page.keyboard.press('Escape');
  await row('06b').getByRole('gridcell').nth(1).dblclick();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('violet/white');
  await page.keyboard.press('Enter');
  await expect(row('06b')).toContainText('violet with white');
  await saved(page);

  await page.getByRole('textbox', { name: 'Find wires' }).fill('violet');
  await expect(grid.getByRole('gridcell', { name: /^(0\d[a-z]|[GM]\d)$/ })).toHaveCount(1);
  await page.getByRole('textbox', { name: 'Find wires' }).fill('');

  await page.getByText('Cut list', { exact: true }).click();
  const lot = page.getByRole('region', { name: '12 AWG, violet with white' });
  await expect(lot).toContainText('06b');
  await expect(lot).toContainText('to buy');
  await page.getByText('Parts', { exact: true }).click();
  const parts = page.getByRole('grid', { name: 'Parts to have' });
  await page.getByRole('textbox', { name: 'Find parts' }).fill('switch');
  await expect(parts.getByRole('row', { name: /switch, on and off, 10 A/ })).toContainText('3');

  await page.getByText('Diagram', { exact: true }).click();
  const sheet = page.getByRole('figure', { name: '06 Water pump' });
  await expect(sheet).toContainText('06b VTWH 12 AWG');
  await expect(page.getByRole('figure')).toHaveCount(7);
  await page.getByRole('textbox', { name: 'Find in the diagram' }).fill('06b');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Diagram' }).locator('[data-found="true"]')).toHaveCount(1);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'SVG' }).click();
  expect((await download).suggestedFilename()).toBe('diagram.svg');
  // A part leads to where it is worked on.
  await sheet.getByRole('button', { name: 'Water pump switch' }).press('Enter');
  await expect(page).toHaveURL(/\/circuits(#|$)/);

  // Undone, the colour is as it was.
  await page.getByRole('link', { name: /Harness/ }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(row('06b')).not.toContainText('violet');
});

test('a reel at hand is cut from first', async ({ page, pip }) => {
  await page.goto(`/d/${pip}/harness`);
  await page.getByRole('button', { name: 'Colour the rest' }).click();
  await page.getByText('Cut list', { exact: true }).click();
  const reels = page.getByRole('region', { name: 'Reels at hand' });
  await reels.getByRole('combobox', { name: 'Add a reel' }).click();
  await page.keyboard.type('6 AWG, red');
  await page.keyboard.press('Enter');
  await reels.getByRole('textbox', { name: 'Left on Reel 1' }).fill('7');
  await page.keyboard.press('Enter');
  const lot = page.getByRole('region', { name: '6 AWG, red', exact: true });
  await expect(lot).toContainText(/Reel 1, 7(\.00)? ?(ft|′)|Reel 1, 7/);
  await expect(lot).toContainText('to buy');
});

test('the pin cards are printed whole, without what stands about them', async ({ page, pip }) => {
  await page.goto(`/d/${pip}/harness`);
  await page.getByText('Pins', { exact: true }).click();
  await expect(page.getByRole('region', { name: 'Water pump switch' })).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('navigation', { name: 'Stages' })).toBeHidden();
  // As long as they are: nothing is cut off by a frame of its own.
  const [cards, frame] = await Promise.all([
    page.getByRole('region', { name: 'Pin cards' }).evaluate((element) => [element.scrollHeight, element.clientHeight]),
    page.evaluate(() => document.documentElement.scrollHeight > window.innerHeight),
  ]);
  expect(cards[0]).toBeLessThanOrEqual(cards[1]! + 1);
  expect(frame).toBe(true);
});

test('the bench, as it was left, lights the diagram and is still so afterwards', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/switching`);
  const scene = page.getByRole('group', { name: 'Scene lights, left switch' });
  await scene.getByRole('button', { name: 'up', exact: true }).click();
  await expect(page.getByRole('status', { name: 'What changed' })).toContainText('Left scene lamp, white: on');
  await page.getByRole('link', { name: /^Harness/ }).click();
  await page.getByText('Diagram', { exact: true }).click();
  await choose(page, 'Sheet', 'scene lights, left', 'Scene lights, left');
  await page.getByRole('button', { name: 'Lit as on the bench' }).click();
  await expect(page.getByRole('status', { name: 'As on the bench' })).toContainText('last: Scene lights, left switch: up');
  const diagram = page.getByRole('region', { name: 'Diagram' });
  await expect(diagram.getByRole('button', { name: 'Left scene lamp, white, on' })).toBeVisible();
  await expect(diagram.getByRole('button', { name: 'Left scene lamp, amber', exact: true })).toBeVisible();
  await expect(diagram.getByRole('img', { name: /^14a .*: 3\.\d+ A$/ })).toHaveCount(1);
  await expect(diagram.getByRole('img', { name: /^14j .*: dead$/ })).toHaveCount(1);
  await page.getByRole('link', { name: 'Flick switches in Switching' }).click();
  await expect(scene.getByRole('button', { name: 'up', exact: true })).toHaveAttribute('aria-pressed', 'true');
});

test('a part of the diagram is moved by the mouse and by keys, stays there, and the sheet is let draw itself again', async ({
  page,
  pip,
}) => {
  await page.goto(`/d/${pip}/harness`);
  await page.getByText('Diagram', { exact: true }).click();
  await choose(page, 'Sheet', 'roof fan', '03 Roof fan');
  const sheet = page.getByRole('figure', { name: '03 Roof fan' });
  const fan = sheet.getByRole('button', { name: 'Roof fan', exact: true });
  const box = async () => (await fan.boundingBox())!;
  const before = await box();
  await page.mouse.move(before.x + before.width / 2, before.y + before.height / 2);
  await page.mouse.down();
  await page.mouse.move(before.x + before.width / 2 + 30, before.y + before.height / 2 + 40, { steps: 4 });
  await page.mouse.move(before.x + before.width / 2 + 60, before.y + before.height / 2 + 90, { steps: 4 });
  await page.mouse.up();
  await expect(sheet).toContainText('one part put by hand');
  // It is moved, not gone to.
  await expect(page).toHaveURL(/harness/);
  await expect.poll(async () => (await box()).y - before.y).toBeGreaterThan(40);
  const put = await box();
  await fan.focus();
  await page.keyboard.press('Shift+ArrowUp');
  await expect.poll(async () => put.y - (await box()).y).toBeGreaterThan(4);
  await saved(page);
  await page.reload();
  await page.getByText('Diagram', { exact: true }).click();
  await choose(page, 'Sheet', 'roof fan', '03 Roof fan');
  await expect(sheet).toContainText('one part put by hand');
  await sheet.getByRole('button', { name: 'Let it draw itself' }).click();
  await expect(sheet).not.toContainText('put by hand');
  await expect.poll(async () => Math.abs((await box()).y - before.y)).toBeLessThan(2);
  await fan.focus();
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/(loads|circuits)/);
});

test('a hole of a panel is dragged onto a line, nudged by arrows, and a row is spread evenly again', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/harness`);
  await page.getByText('Panels', { exact: true }).click();
  const face = page.getByRole('group', { name: 'The panel from the front' });
  await choose(page, 'Panel', 'Hide', 'Hide panel');
  const third = face.getByRole('button', { name: /^Position 3,/ });
  const field = (side: 'left' | 'top') => page.getByRole('textbox', { name: `Position 3, from the ${side}` });
  await expect(field('left')).toHaveValue('82.5');
  const { x, y, width, height } = (await third.boundingBox())!;
  // Held a little out of its row it comes to lie in it; half way aside it goes where it is put.
  await page.mouse.move(x + width / 2, y + height / 3);
  await page.mouse.down();
  await page.mouse.move(x + width / 2 + 12, y + height / 3 + 2, { steps: 4 });
  await page.mouse.up();
  await expect(field('top')).toHaveValue('37.0');
  await expect(field('left')).not.toHaveValue('82.5');
  await third.focus();
  const before = Number(await field('left').inputValue());
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Shift+ArrowRight');
  await expect.poll(async () => Number(await field('left').inputValue())).toBeCloseTo(before + 1.1, 5);
  await page.keyboard.press('Enter');
  await expect(third).toHaveAttribute('aria-pressed', 'true');
  for (const position of [2, 4]) {
    await face.getByRole('button', { name: new RegExp(`^Position ${position},`) }).focus();
    await page.keyboard.press('Shift+Enter');
  }
  await page.getByRole('button', { name: 'Even gaps' }).click();
  await expect(field('left')).toHaveValue('82.5');
  await page.getByRole('button', { name: 'not said' }).click();
  const sight = page.getByRole('textbox', { name: 'Line of sight above its lower edge' });
  await sight.fill('100');
  await sight.press('Enter');
  await saved(page);
  await page.getByRole('button', { name: /Findings/ }).click();
  await expect(page.getByText('Panel in the line of sight')).toBeVisible({ timeout: 20_000 });
});
