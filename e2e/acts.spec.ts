import type { Page } from '@playwright/test';
import { expect, openStrip, saved, test } from './fixtures';

/** What both come to: lit by the panel in one colour or the other, and never together by any way things can stand. */
async function isDone(page: Page): Promise<void> {
  const wishes = page.getByRole('dialog', { name: 'Wishes' });
  for (const side of ['Left', 'Right'])
    await expect(wishes.getByRole('region', { name: `${side} scene lamp white` })).toContainText(
      /never together with .* scene lamp, amber\s*in all \d+ ways to stand/,
    );
  await page.keyboard.press('Escape');
  const lit = (name: string) =>
    page
      .getByRole('region', { name: 'What answers' })
      .getByRole('row')
      .filter({ has: page.getByRole('rowheader', { name, exact: true }) });
  const move = (control: string, position: string) =>
    page.getByRole('group', { name: control, exact: true }).getByRole('button', { name: position, exact: true }).click();
  await move('Right scene lamp white or other switch', 'up');
  await expect(lit('Right scene lamp white')).toContainText(/on.*V.*A/);
  await move('Right scene lamp white or other switch', 'down');
  await expect(lit('Right scene lamp, amber')).toContainText(/on.*V.*A/);
  await expect(lit('Right scene lamp white')).toContainText('off');
  // By the fob both channels, and still one colour.
  await move('Right scene lamp white panel or radio', 'up');
  await expect(lit('Right scene lamp, amber')).toContainText('off');
  for (const channel of [2, 1]) await page.getByRole('button', { name: `Press Right scene lamp white radio, channel ${channel}` }).click();
  await expect(lit('Right scene lamp white')).toContainText(/on.*V.*A/);
  await expect(lit('Right scene lamp, amber')).toContainText('off');
}

const SIDES = ['Left', 'Right'] as const;

// From nothing to proved: every key and every typed word is an act.
test('white and amber, both sides, by panel and by fob, never both at once: by keyboard alone, in under forty acts', async ({
  page,
  pip,
}) => {
  test.setTimeout(150_000);
  let acts = 0;
  const press = async (key: string) => {
    acts++;
    await page.keyboard.press(key);
  };
  const type = async (text: string) => {
    acts++;
    await page.keyboard.type(text);
  };
  await page.goto(`/d/${pip}/loads`);
  await press('n');
  for (const side of SIDES) {
    await type(`${side} scene lamp white 36 W + amber 18 W`);
    await press('Enter');
  }
  await expect(page.getByRole('gridcell', { name: 'Right scene lamp, amber', exact: true })).toBeVisible();
  await saved(page);
  const field = page.getByRole('combobox', { name: 'Find', exact: true });
  for (const side of SIDES) {
    // What is still in the field is left first; where nothing takes letters it is a command at once.
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
    await press('/');
    await expect(field).toBeFocused();
    await type(`come on ${side.toLowerCase()} scene lamp white`);
    await press('Enter');
    const ways = page.getByRole('dialog', { name: `How should ${side} scene lamp white come on?` });
    await expect(ways.getByRole('button', { name: 'Give it a circuit' })).toBeFocused();
    await press('Enter');
    await expect(ways.getByRole('textbox', { name: 'Find a way' })).toBeFocused();
    await type('panel radio one of two');
    await press('Enter');
    await expect(ways.getByRole('button', { name: 'Wire it so' })).toBeFocused();
    await press('Enter');
    await expect(ways).toBeHidden();
  }
  for (const side of SIDES) {
    await press('/');
    await expect(field).toBeFocused();
    await type(`wish ${side.toLowerCase()} white`);
    await press('Enter');
    const never = page.getByRole('button', { name: `never together with ${side} scene lamp, amber` });
    await expect(never).toBeFocused();
    await press('Enter');
  }
  expect(acts).toBeLessThan(40);
  await isDone(page);
});

test('the same by mouse alone, names and figures typed, in under forty acts', async ({ page, pip }) => {
  test.setTimeout(150_000);
  let acts = 0;
  const click = async (what: ReturnType<Page['getByRole']>) => {
    acts++;
    await what.click();
  };
  await page.goto(`/d/${pip}/loads`);
  for (const side of SIDES) {
    await click(page.getByRole('textbox', { name: 'Name of a new load' }));
    acts++;
    await page.keyboard.type(`${side} scene lamp white 36 W + amber 18 W`);
    await click(page.getByRole('button', { name: 'Add load' }));
  }
  await saved(page);
  await click(page.getByRole('link', { name: /Switching/ }));
  for (const side of SIDES) {
    await click(page.getByRole('button', { name: `How should ${side} scene lamp white come on?` }));
    const ways = page.getByRole('dialog', { name: `How should ${side} scene lamp white come on?` });
    await click(ways.getByRole('button', { name: 'Give it a circuit' }));
    await click(ways.getByRole('button', { name: 'One of two, by panel or by radio' }));
    await click(ways.getByRole('button', { name: 'Wire it so' }));
    await expect(ways).toBeHidden();
  }
  await click(page.getByRole('button', { name: /^Wishes/ }));
  for (const side of SIDES) {
    await click(page.getByRole('combobox', { name: 'Wish something of' }));
    await click(page.locator('.ant-select-dropdown:visible').getByTitle(`${side} scene lamp white`, { exact: true }));
    await click(page.getByRole('button', { name: `never together with ${side} scene lamp, amber` }));
  }
  expect(acts).toBeLessThan(40);
  await isDone(page);
});

test.describe('of a page loaded anew', () => {
  test.use({ ownWindow: true });

  test('letters typed while what they are for is still being fetched are no commands', async ({ page, pip }) => {
    await page.goto(`/d/${pip}/circuits`);
    let letThrough = (): void => undefined;
    const waited = new Promise<void>((resolve) => (letThrough = resolve));
    // From now on the server takes its time over whatever is fetched later.
    await page.route('**/_next/static/chunks/**', async (route) => {
      await waited;
      await route.continue();
    });
    await page.keyboard.press('/');
    await page.keyboard.type('fn', { delay: 30 });
    await expect(page.getByRole('dialog')).toHaveCount(0);
    letThrough();
    const field = page.getByRole('combobox', { name: 'Find', exact: true });
    await expect(field).toBeFocused();
    await page.keyboard.type('pump');
    await expect(field).toHaveValue('pump');
    await expect(page.getByRole('dialog', { name: 'Findings' })).toHaveCount(0);
  });

  test('a menu that cannot be fetched says so, breaks nothing, and opens once it can be', async ({ page, pip }) => {
    await page.goto(`/d/${pip}/loads`);
    await page.route('**/_next/static/chunks/**', (route) => route.abort());
    const button = page.getByRole('button', { name: 'Scenarios' });
    await button.click();
    await expect(page.getByRole('alert').filter({ hasText: 'try again with a connection' })).toBeVisible();
    await page.unroute('**/_next/static/chunks/**');
    await button.click();
    await expect(page.getByRole('menuitem', { name: 'Add a scenario…' })).toBeVisible();
    await expect(page.getByRole('alert').filter({ hasText: 'try again with a connection' })).toHaveCount(0);
  });

  test('what a stage opens later is there without a connection once the page has rested', async ({ page, pip, context }) => {
    await page.goto(`/d/${pip}/circuits`);
    const scripts = () => page.evaluate(() => performance.getEntriesByType('resource').filter(({ name }) => name.endsWith('.js')).length);
    const atFirst = await scripts();
    await expect.poll(scripts).toBeGreaterThan(atFirst + 6);
    await page.waitForLoadState('networkidle');
    await context.setOffline(true);
    await page.getByRole('button', { name: 'Add circuit' }).click();
    await expect(page.getByRole('dialog', { name: 'Add a circuit' })).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
    await openStrip(page, '01', 'Cabin lights');
    await expect(page.getByText('This stage failed')).toHaveCount(0);
  });
});
