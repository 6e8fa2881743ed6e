import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, strip, test } from './fixtures';

/**
 * What there is to look for: everything; the colours alone, where only those differ; all but the colours, which are dear, where those are
 * the same.
 */
type Look = 'everything' | 'colours' | 'butColours';

const COLOURS = ['color-contrast', 'link-in-text-block'];

async function seriousIn(page: Page, part: string | null = null, look: Look = 'everything'): Promise<string[]> {
  // What is in order is not written out, and there are no frames: a third of the time.
  const axe = new AxeBuilder({ page }).setLegacyMode(true).options({ resultTypes: ['violations'] });
  if (part) axe.include(part);
  if (look === 'colours') axe.withRules(COLOURS);
  if (look === 'butColours') axe.disableRules(COLOURS);
  const { violations } = await axe.analyze();
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(
      ({ id, nodes }) =>
        `${id}: ${nodes
          .slice(0, 3)
          .map(({ target, failureSummary }) => `${String(target)} ${failureSummary ?? ''}`)
          .join(' | ')}`,
    );
}

test.describe.configure({ mode: 'parallel' });

test('axe sees what is wrong where something is: a button without a name, grey on grey', async ({ page }) => {
  await page.goto('/practise');
  await expect(page.getByRole('heading').first()).toBeVisible();
  await page.evaluate(() => {
    const spoilt = document.createElement('div');
    spoilt.innerHTML = '<button></button><p style="color:#999;background:#aaa">hardly read</p>';
    document.querySelector('main')!.append(spoilt);
  });
  const found = (await seriousIn(page)).join(' ');
  expect(found).toContain('button-name');
  expect(found).toContain('color-contrast');
  expect(await seriousIn(page, null, 'colours')).toHaveLength(1);
  expect((await seriousIn(page, null, 'butColours')).join(' ')).toContain('button-name');
});

/** Goes to the other theme as its button does, beneath what lies over it too, and waits until nothing fades any more. */
async function otherTheme(page: Page): Promise<void> {
  await page.getByRole('button', { name: /^(Light|Night) theme$/, includeHidden: true }).evaluate((button: HTMLElement) => button.click());
  await page.waitForFunction(() => document.getAnimations().every((one) => !(one instanceof CSSTransition)));
}

/** Looks at what is there in both themes: they differ in their colours alone. */
async function inBothThemes(page: Page, name: string, part: string | null = null): Promise<void> {
  expect(await seriousIn(page, part), name).toEqual([]);
  await otherTheme(page);
  expect(await seriousIn(page, part, 'colours'), `${name}, the other theme`).toEqual([]);
}

test('axe finds nothing serious on any screen', async ({ page, heron }) => {
  test.setTimeout(200_000);
  const stages = ['rig', 'loads', 'supply', 'energy', 'circuits', 'switching', 'harness', 'test'];
  for (const path of ['/', ...stages.map((stage) => `/d/${heron}/${stage}`)]) {
    await page.goto(path);
    await expect(page.getByRole('heading').first()).toBeVisible();
    await inBothThemes(page, path);
  }
  for (const tab of ['First power', 'Logbook']) {
    await page.getByText(tab, { exact: true }).click();
    await expect(page.getByRole('region', { name: tab })).toBeVisible();
    await inBothThemes(page, tab);
  }
});

// Where no button changes the theme.
for (const [theme, look] of [
  ['light', 'everything'],
  ['night', 'colours'],
] as const)
  test(`axe finds nothing serious where one reads and practises, ${theme} theme`, async ({ page, context, baseURL, heron }) => {
    test.setTimeout(120_000);
    await context.addCookies([{ name: 'vine-knot-theme', value: theme, url: baseURL! }]);
    for (const path of ['/new', `/d/${heron}/measure`, `/d/${heron}/report`, '/handbook/chain']) {
      await page.goto(path);
      await expect(page.getByRole('heading').first()).toBeVisible();
      expect(await seriousIn(page, null, look), path).toEqual([]);
    }
    for (const [path, shown] of [
      ['/practise', 'Ten minutes, mixed'],
      ['/practise/hunt/dim-lamp', 'Lead on Reading lamp, −'],
      ['/practise/build/two-places', 'Ceiling lamp, −'],
    ] as const) {
      await page.goto(path);
      await expect(page.getByRole('button', { name: shown })).toBeVisible();
      expect(await seriousIn(page, null, look), path).toEqual([]);
    }
    await page.goto('/practise/drill/trigger');
    await page.getByRole('list', { name: 'Answers' }).getByRole('button').first().click();
    expect(await seriousIn(page, null, look), 'a drill answered').toEqual([]);
  });

test('axe finds nothing serious in what opens on a stage', async ({ page, heron }) => {
  test.setTimeout(200_000);
  await page.goto(`/d/${heron}/circuits`);
  await strip(page, '02 Fridge')
    .getByRole('button', { name: /Fridge/ })
    .first()
    .click();
  await page.keyboard.press('f');
  await expect(page.getByRole('dialog', { name: 'Findings' })).toBeVisible();
  await inBothThemes(page, 'an open strip and the findings');
  await page.keyboard.press('Escape');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keyboard' })).toBeVisible();
  await inBothThemes(page, 'the shortcuts', '[role=dialog]');
  await page.keyboard.press('Escape');
  await page.keyboard.press('/');
  await page.getByRole('dialog').getByRole('combobox').fill('fridge');
  await inBothThemes(page, 'find', '[role=dialog]');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Readings' }).click();
  await expect(page.getByRole('table', { name: 'Readings' })).toBeVisible();
  await inBothThemes(page, 'the readings', '[role=dialog]');
  await page.goto(`/d/${heron}/circuits`);
  await page.getByRole('button', { name: 'Propose sizes' }).click();
  await expect(page.getByRole('dialog').getByRole('status')).toBeVisible();
  await inBothThemes(page, 'the proposal', '[role=dialog]');
  await page.goto(`/d/${heron}/loads`);
  await page.getByRole('button', { name: /^A day/ }).click();
  await expect(page.getByRole('tooltip')).toBeVisible();
  await inBothThemes(page, 'what a reading is made of', '[role=tooltip]');
  await page.keyboard.press('Escape');
  await page.getByRole('gridcell', { name: 'Compressor fridge', exact: true }).click();
  await page.keyboard.press('Alt+Enter');
  await expect(page.getByRole('dialog', { name: 'Compressor fridge' })).toBeVisible();
  await inBothThemes(page, 'a load’s page', '[role=dialog]');
  for (const open of ['Zones', 'CSV']) {
    await page.goto(`/d/${heron}/loads`);
    await page.getByRole('button', { name: open }).click();
    if (open === 'CSV') await page.getByRole('menuitem').first().click();
    await expect(page.getByRole('dialog')).toBeVisible();
    await inBothThemes(page, open, '[role=dialog]');
  }
});

test('axe finds nothing serious in the views of the stages', async ({ page, heron }) => {
  test.setTimeout(240_000);
  for (const [stage, view, seen] of [
    ['circuits', 'Protection', 'Fuses and breakers'],
    ['circuits', 'Zones', 'Galley'],
    ['circuits', 'Parts', 'Parts and their wires'],
    ['loads', 'The budget', 'Budget'],
  ] as const) {
    if (!page.url().endsWith(stage)) await page.goto(`/d/${heron}/${stage}`);
    await page.getByText(view, { exact: true }).click();
    await expect(page.getByRole('region', { name: seen, exact: true })).toBeVisible();
    await inBothThemes(page, view);
  }
});

test('axe finds nothing serious in the views of the harness', async ({ page, heron }) => {
  test.setTimeout(240_000);
  await page.goto(`/d/${heron}/harness`);
  for (const [view, role, seen] of [
    ['Cables', 'region', 'Cables'],
    ['Making', 'region', 'Making the wires'],
    ['Leads', 'region', 'Leads and kits'],
    ['Diagram', 'region', 'Diagram'],
    ['Loom', 'region', 'Loom board'],
    ['Pins', 'region', 'Pin cards'],
    ['Labels', 'region', 'Labels'],
    ['Cut list', 'region', 'Cut list'],
    ['Parts', 'grid', 'Parts to have'],
    ['Panels', 'region', 'Panel to cut'],
    ['Choices', 'region', 'Choices'],
  ] as const) {
    await page.getByText(view, { exact: true }).click();
    await expect(page.getByRole(role, { name: seen, exact: true })).toBeVisible();
    if (view === 'Cables') await page.getByRole('button', { name: /Lay \d+ pairs/ }).click();
    if (view === 'Choices') await expect(page.getByText('The whole design')).toBeVisible({ timeout: 30_000 });
    expect(await seriousIn(page), view).toEqual([]);
  }
});

for (const [width, which] of [
  [390, 'heron'],
  [1920, 'pip'],
] as const) {
  test(`axe finds nothing serious on the stages of ${which} at a width of ${width}`, async ({ page, heron, pip }) => {
    test.setTimeout(240_000);
    await page.setViewportSize({ width, height: 800 });
    const stages = ['rig', 'loads', 'supply', 'energy', 'circuits', 'switching', 'harness', 'test'];
    for (const path of ['/', '/new', '/handbook/glossary', ...stages.map((stage) => `/d/${{ heron, pip }[which]}/${stage}`)]) {
      await page.goto(path);
      await expect(page.getByRole('heading').first()).toBeVisible();
      expect(await seriousIn(page, null, 'butColours'), `${path} at ${width}`).toEqual([]);
    }
  });
}
