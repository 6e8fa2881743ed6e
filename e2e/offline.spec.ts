import { expect, saved, test } from './fixtures';

test.use({ serviceWorkers: 'allow', ownWindow: true });

test('a design opened before is opened again without a connection, worked in, and nothing is lost when the page is closed', async ({
  page,
  pip,
  context,
}) => {
  await page.goto(`/d/${pip}/test`);
  const kept = page.evaluate(
    () =>
      new Promise((resolve) =>
        navigator.serviceWorker.addEventListener('message', ({ data }) => resolve((data as { kept: boolean }).kept)),
      ),
  );
  expect(await kept).toBe(true);
  await context.setOffline(true);
  await page.reload();
  const plan = (of = page) => of.getByRole('region', { name: 'Work plan' });
  await plan()
    .getByRole('button', { name: /^Done: Isolate/ })
    .click();
  await expect(plan().getByRole('status')).toContainText('1 of');
  await page.close({ runBeforeUnload: false });

  const later = await context.newPage();
  await later.goto(`/d/${pip}/test`);
  await expect(plan(later).getByRole('status')).toContainText('1 of');
  // Another stage that is worked in the vehicle was kept too, though it was never opened.
  await later.goto(`/d/${pip}/harness`);
  await expect(later.getByRole('heading', { name: 'Harness' })).toBeVisible();
  // One that was neither says so, and the way back leads to what is.
  await later.getByRole('link', { name: /^Energy/ }).click();
  await expect(later.getByRole('heading', { name: 'No connection' })).toBeVisible();
  await later.goBack();
  await expect(later.getByRole('heading', { name: 'Harness' })).toBeVisible();
  await later.goto(`/d/${pip}/test`);
  await later.getByLabel('What is shown').getByText('Readings', { exact: true }).click();
  await expect(later.getByRole('region', { name: 'Readings', exact: true }).getByRole('textbox').first()).toBeVisible();
  await context.setOffline(false);
  await saved(later);
  await later.reload();
  await expect(plan(later).getByRole('status')).toContainText('1 of');
});
