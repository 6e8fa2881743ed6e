import { expect, meter, saved, strip, test } from './fixtures';

test('two tabs on one design: each sees what the other does, and edits to different things merge', async ({ page, context, heron }) => {
  const other = await context.newPage();
  await page.goto(`/d/${heron}/circuits`);
  await other.goto(`/d/${heron}/circuits`);
  // Both at rest: each has solved its network once, which is what a page is busy with as it opens.
  for (const tab of [page, other]) await expect(meter(tab, 'Worst drop')).toContainText('cable');
  await strip(page, '01 Galley lights').getByRole('spinbutton', { name: /Fuse/ }).press('ArrowDown');
  await expect(strip(other, '01 Galley lights').getByRole('spinbutton', { name: /Fuse/ })).toHaveText('4 A');
  await strip(other, '02 Fridge')
    .getByRole('spinbutton', { name: /Conductor/ })
    .press('ArrowUp');
  await expect(strip(page, '02 Fridge')).toContainText('2.5 mm²');
  await saved(page);
  await saved(other);
});

test('edits to the same thing are refused with a choice; neither is lost until it is made', async ({ page, context, heron }) => {
  const other = await context.newPage();
  await page.goto(`/d/${heron}/circuits`);
  await other.goto(`/d/${heron}/circuits`);
  const fuseIn = (tab: typeof page) => strip(tab, '02 Fridge').getByRole('spinbutton', { name: /Fuse/ });

  // What this window changes is on its way until the other has changed the same.
  const bothAtOnce = async () => {
    let letGo = () => {};
    const held = new Promise<void>((resolve) => (letGo = resolve));
    await page.route('**/changes', (route) => held.then(() => route.continue()), { times: 1 });
    await fuseIn(page).press('ArrowUp');
    await Promise.all([other.waitForResponse('**/changes'), fuseIn(other).press('ArrowDown')]);
    letGo();
  };
  await bothAtOnce();
  const choice = page.getByRole('dialog', { name: /changed in another window/ });
  await expect(choice).toContainText('15');
  await expect(choice).toContainText('7.5');
  await choice.getByRole('button', { name: 'Use mine' }).click();
  await expect(fuseIn(page)).toHaveText('15 A');
  await expect(fuseIn(other)).toHaveText('15 A');

  await bothAtOnce();
  await page.getByRole('button', { name: 'Keep the other change' }).click();
  await expect(fuseIn(page)).toHaveText('10 A');
});

test('edits made while the server cannot be reached are kept through a reload and sent when it answers', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/circuits`);
  await page.route('**/changes', (route) => route.abort());
  await strip(page, '02 Fridge').getByRole('spinbutton', { name: /Fuse/ }).press('ArrowUp');
  await expect(page.getByRole('status').filter({ hasText: 'Server not reached' })).toBeVisible();
  page.once('dialog', (dialog) => void dialog.accept());
  await page.reload();
  await expect(strip(page, '02 Fridge').getByRole('spinbutton', { name: /Fuse/ })).toHaveText('15 A');
  await page.unroute('**/changes');
  await saved(page);
  await page.reload();
  await expect(strip(page, '02 Fridge').getByRole('spinbutton', { name: /Fuse/ })).toHaveText('15 A');
});

test('a design deleted in another window says so', async ({ page, request, heron }) => {
  await page.goto(`/d/${heron}/loads`);
  await request.delete(`/api/designs/${heron}`);
  await expect(page.getByRole('dialog', { name: 'This design has been deleted' })).toBeVisible();
});
