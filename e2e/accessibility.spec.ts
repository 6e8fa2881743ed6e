import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, strip, test } from './fixtures';

async function seriousIn(page: Page, part?: string): Promise<string[]> {
  const axe = new AxeBuilder({ page });
  const { violations } = await (part ? axe.include(part) : axe).analyze();
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

for (const theme of ['light', 'night'] as const) {
  test(`axe finds nothing serious on any screen, ${theme} theme`, async ({ page, context, baseURL, heron }) => {
    test.setTimeout(300_000);
    await context.addCookies([{ name: 'vine-knot-theme', value: theme, url: baseURL! }]);
    for (const path of [
      '/',
      '/new',
      `/d/${heron}/rig`,
      `/d/${heron}/measure`,
      `/d/${heron}/loads`,
      `/d/${heron}/supply`,
      `/d/${heron}/energy`,
      `/d/${heron}/circuits`,
      `/d/${heron}/report`,
      '/handbook/chain',
    ]) {
      await page.goto(path);
      await expect(page.getByRole('heading').first()).toBeVisible();
      expect(await seriousIn(page), path).toEqual([]);
    }
    await page.goto(`/d/${heron}/circuits`);
    await strip(page, '02 Fridge')
      .getByRole('button', { name: /Fridge/ })
      .first()
      .click();
    await page.keyboard.press('f');
    await expect(page.getByRole('dialog', { name: 'Findings' })).toBeVisible();
    expect(await seriousIn(page), 'an open strip and the findings').toEqual([]);
    await page.keyboard.press('Escape');
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog', { name: 'Keyboard' })).toBeVisible();
    expect(await seriousIn(page, '[role=dialog]'), 'the shortcuts').toEqual([]);
    await page.keyboard.press('Escape');
    await page.goto(`/d/${heron}/loads`);
    await page.getByRole('button', { name: /^A day/ }).click();
    await expect(page.getByRole('tooltip')).toBeVisible();
    expect(await seriousIn(page, '[role=tooltip]'), 'what a reading is made of').toEqual([]);
    for (const open of ['Zones', 'CSV']) {
      await page.goto(`/d/${heron}/loads`);
      await page.getByRole('button', { name: open }).click();
      if (open === 'CSV') await page.getByRole('menuitem').first().click();
      await expect(page.getByRole('dialog')).toBeVisible();
      expect(await seriousIn(page, '[role=dialog]'), open).toEqual([]);
    }
    await page.goto(`/d/${heron}/circuits`);
    await page.getByRole('button', { name: 'Readings' }).click();
    await expect(page.getByRole('table', { name: 'Readings' })).toBeVisible();
    expect(await seriousIn(page, '[role=dialog]'), 'the readings').toEqual([]);
    for (const [stage, view, seen] of [
      ['circuits', 'Protection', 'Fuses and breakers'],
      ['circuits', 'Zones', 'Galley'],
      ['loads', 'The budget', 'Budget'],
    ] as const) {
      await page.goto(`/d/${heron}/${stage}`);
      await page.getByText(view, { exact: true }).click();
      await expect(page.getByRole('region', { name: seen, exact: true })).toBeVisible();
      expect(await seriousIn(page), view).toEqual([]);
    }
    await page.goto(`/d/${heron}/circuits`);
    await page.getByRole('button', { name: 'Propose sizes' }).click();
    await expect(page.getByRole('dialog').getByRole('status')).toBeVisible();
    expect(await seriousIn(page, '[role=dialog]'), 'the proposal').toEqual([]);
    await page.goto(`/d/${heron}/loads`);
    await page.getByRole('gridcell', { name: 'Compressor fridge', exact: true }).click();
    await page.keyboard.press('Alt+Enter');
    await expect(page.getByRole('dialog', { name: 'Compressor fridge' })).toBeVisible();
    expect(await seriousIn(page, '[role=dialog]'), 'a load’s page').toEqual([]);
    await page.goto(`/d/${heron}/circuits`);
    await page.keyboard.press('/');
    await page.getByRole('dialog').getByRole('combobox').fill('fridge');
    expect(await seriousIn(page, '[role=dialog]'), 'find').toEqual([]);
  });
}

test('axe finds nothing serious on the stages at a phone’s and a large screen’s width', async ({ page, heron }) => {
  test.setTimeout(150_000);
  for (const width of [390, 1920]) {
    await page.setViewportSize({ width, height: 800 });
    for (const path of [
      '/',
      '/new',
      '/handbook/glossary',
      ...['rig', 'loads', 'supply', 'energy', 'circuits'].map((stage) => `/d/${heron}/${stage}`),
    ]) {
      await page.goto(path);
      await expect(page.getByRole('heading').first()).toBeVisible();
      expect(await seriousIn(page), `${path} at ${width}`).toEqual([]);
    }
  }
});
