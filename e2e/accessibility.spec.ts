import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, strip, test } from './fixtures';

async function seriousIn(page: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page }).analyze();
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
    test.setTimeout(120_000);
    await context.addCookies([{ name: 'vine-knot-theme', value: theme, url: baseURL! }]);
    for (const path of ['/', '/new', `/d/${heron}/loads`, `/d/${heron}/supply`, `/d/${heron}/circuits`, `/d/${heron}/report`]) {
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
    expect(await seriousIn(page), 'the shortcuts').toEqual([]);
  });
}
