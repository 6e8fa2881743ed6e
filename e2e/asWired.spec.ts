import type { Page } from '@playwright/test';
import { cell, choose, drawWire, expect, openStrip, saved, strip, test } from './fixtures';

/** Things as they are really wired, by hand: lamps with two colours, from two places, in a star, from the vehicle's own fuse box. */

// Each is a whole job by hand.
test.describe.configure({ timeout: 150_000 });

const type = async (page: Page, load: string, column: string, text: string) => {
  await (await cell(page, load, column)).click();
  await page.keyboard.type(text);
  await page.keyboard.press('Enter');
};

const openFindings = async (page: Page) => {
  await page.getByRole('heading', { name: 'Circuits', exact: true }).click();
  await page.keyboard.press('f');
};

const addLoad = async (page: Page, text: string) => {
  await page.getByRole('textbox', { name: 'Name of a new load' }).fill(text);
  await page.keyboard.press('Enter');
};

test('a lamp with two colours by two channels of a radio, from nothing: their sum is taken until the wiring keeps them apart', async ({
  page,
  pip,
}) => {
  await page.goto(`/d/${pip}/loads`);
  await addLoad(page, 'Scene lamp white 60 W');
  await type(page, 'Scene lamp white', 'Circuit', '+');
  await expect(await cell(page, 'Scene lamp white', 'Circuit')).toHaveText('07 Scene lamp white');
  await (await cell(page, 'Scene lamp white', 'Load')).click();
  await page.keyboard.press('Alt+Enter');
  const lamp = page.getByRole('dialog', { name: 'Scene lamp white' });
  await lamp.getByRole('button', { name: 'Add a function' }).click();
  await lamp.getByRole('textbox', { name: 'Draw of Scene lamp, amber, each' }).fill('48 W');
  await page.keyboard.press('Enter');
  await lamp.getByRole('button', { name: 'Close' }).click();
  // Under its lamp it goes by its own word; read aloud it has its whole name.
  await expect(await cell(page, 'Scene lamp, amber', 'Load')).toHaveText('amber');
  await type(page, 'Scene lamp, amber', 'Circuit', '07');
  for (const name of ['Scene lamp white', 'Scene lamp, amber']) await type(page, name, 'Never with', 'scene');
  await saved(page);

  await page.goto(`/d/${pip}/circuits`);
  await expect(strip(page, '07 Scene lamp white')).toContainText('9.00 A');
  await openStrip(page, '07', 'Scene lamp white');
  await choose(page, 'Part to put into Scene lamp white', 'radio', 'Radio receiver');
  const radio = page.getByRole('listitem', { name: 'Radio receiver' });
  await radio.getByRole('textbox', { name: 'channels of Radio receiver' }).fill('2');
  await page.keyboard.press('Enter');
  await expect(radio).toContainText('channel 2free');
  // The amber lead comes off the white one and goes to a channel of its own.
  await saved(page);
  await page.goto(`/d/${pip}/loads`);
  await (await cell(page, 'Scene lamp, amber', 'Circuit')).click();
  await page.keyboard.press('Delete');
  await expect(await cell(page, 'Scene lamp, amber', 'Circuit')).toHaveText('–');
  await saved(page);
  await page.goto(`/d/${pip}/circuits`);
  await page.getByText('Parts', { exact: true }).click();
  await drawWire(page, 'Radio receiver channel 2', 'amber');
  await expect(radio).toContainText('channel 2Scene lamp, amber');
  await openFindings(page);
  const findings = page.getByRole('dialog', { name: 'Findings' });
  await expect(findings).toContainText(
    'marked “scene”, but the wiring lights both with Radio receiver channel 1 on, Radio receiver channel 2 on',
  );

  // On the bench the fob does just that: each press latches a channel, and nothing keeps the two apart.
  await saved(page);
  await page.goto(`/d/${pip}/switching`);
  const answers = page.getByRole('region', { name: 'What answers' });
  const lit = (name: string) => answers.getByRole('row').filter({ has: page.getByRole('rowheader', { name, exact: true }) });
  const said = page.getByRole('status', { name: 'What changed' });
  const channel = (number: number) => page.getByRole('button', { name: `Press Radio receiver, channel ${number}` });
  await channel(1).click();
  await expect(lit('Scene lamp white')).toContainText(/on.*V.*A/);
  await channel(2).press('Space');
  await expect(lit('Scene lamp, amber')).toContainText(/on.*V.*A/);
  await expect(lit('Scene lamp white')).toContainText(/on.*V.*A/);
  await channel(1).click();
  await expect(lit('Scene lamp white')).toContainText('off');
  await expect(said).toContainText('Radio receiver, channel 1: press. Scene lamp white: off.');
});

test('a lamp is switched from two places, and its second traveller is no ring', async ({ page, pip }) => {
  await page.goto(`/d/${pip}/circuits`);
  const lights = await openStrip(page, '01', 'Cabin lights');
  for (const name of ['Changeover switch', 'Changeover switch 2']) {
    await choose(page, 'Part to put into Cabin lights', 'two-way', 'Changeover switch');
    await expect(page.getByRole('listitem', { name, exact: true })).toBeVisible();
  }
  await expect(lights).toBeVisible();
  await page.getByText('Parts', { exact: true }).click();
  // The second one put in stands before the first: it has the feed on its common, the first one the lamp.
  await page.getByRole('button', { name: 'Turn Changeover switch round', exact: true }).click();
  await drawWire(page, 'Changeover switch up', 'changeover switch 2, up');
  await expect(page.getByRole('listitem', { name: 'Changeover switch', exact: true })).not.toContainText('free');
  await openFindings(page);
  const findings = page.getByRole('dialog', { name: 'Findings' });
  await expect(findings).toBeVisible();
  await expect(findings).not.toContainText('form a ring');
  await expect(findings).not.toContainText('Two fuses feed it');
});

test('four lamps in a star: each hangs on one joint by a wire of its own', async ({ page, pip }) => {
  await page.goto(`/d/${pip}/loads`);
  for (const at of [1, 2, 3, 4]) {
    await addLoad(page, `Star ${at} 5 W`);
    await expect(page.getByRole('gridcell', { name: `Star ${at}`, exact: true })).toBeVisible();
  }
  await type(page, 'Star 1', 'Circuit', '+');
  await saved(page);
  await page.goto(`/d/${pip}/circuits`);
  await openStrip(page, '07', 'Star 1');
  await choose(page, 'Part to put into Star 1', 'three-way', 'Joint');
  await expect(page.getByRole('listitem', { name: 'Joint', exact: true })).toBeVisible();
  await page.getByText('Parts', { exact: true }).click();
  for (const at of [2, 3, 4]) await drawWire(page, 'Joint joint', `Star ${at}`);
  await expect(page.getByRole('listitem', { name: 'Joint', exact: true })).toContainText('Star 4');
});

test('a circuit is taken from the vehicle’s accessory slot: what is not known is asked, and what is too much is a fault', async ({
  page,
  pip,
}) => {
  await page.goto(`/d/${pip}/circuits`);
  await page.getByRole('button', { name: 'Add circuit' }).click();
  const dialog = page.getByRole('dialog', { name: 'Add a circuit' });
  // A letter pressed as the dialog opens is no command; once it is open its name has the focus.
  await page.keyboard.press('f');
  await expect(dialog.getByRole('textbox', { name: 'Name' })).toBeFocused();
  await expect(page.getByRole('dialog', { name: 'Findings' })).toHaveCount(0);
  await dialog.getByRole('textbox', { name: 'Name' }).fill('');
  await page.keyboard.type('Dash camera');
  await dialog.getByRole('combobox', { name: 'Fed by' }).click();
  await page.locator('.ant-select-dropdown:visible').getByText('the vehicle: accessory').click();
  await dialog.getByRole('button', { name: 'Add circuit' }).click();
  await expect(strip(page, '07 Dash camera')).toBeVisible();
  const day = await page.getByRole('region', { name: 'Whole design' }).getByRole('button', { name: /^A day/ }).textContent(); // prettier-ignore
  await page.goto(`/d/${pip}/loads`);
  await addLoad(page, 'Dash camera 24 W');
  await type(page, 'Dash camera', 'Circuit', '07');
  await type(page, 'Dash camera', 'h a day', '6');
  await saved(page);
  // The vehicle's battery pays for it.
  await expect(page.getByRole('region', { name: 'Whole design' }).getByRole('button', { name: /^A day/ })).toHaveText(day!);
  await page.goto(`/d/${pip}/circuits`);
  await page.getByText('Parts', { exact: true }).click();
  const feed = page.getByRole('listitem', { name: 'Dash camera, from the vehicle' });
  const set = async (label: string, text: string) => {
    await feed.getByRole('textbox', { name: `${label} of Dash camera, from the vehicle` }).fill(text);
    await page.keyboard.press('Enter');
  };
  await openFindings(page);
  const findings = page.getByRole('dialog', { name: 'Findings' });
  await expect(findings).toContainText('its own fuse is, what it draws there is, which clip is live is not said');
  await findings.getByRole('button', { name: 'Close' }).click();
  await set('its own fuse', '5 A');
  await set('it draws there', '4');
  await set('also feeds', 'the radio');
  await feed.getByRole('combobox', { name: 'common leg in of Dash camera, from the vehicle' }).click();
  await page.locator('.ant-select-dropdown:visible').getByText('the other clip').click();
  await saved(page);
  await openFindings(page);
  await expect(findings).toContainText('2.00 A are added to 4.00 A of the vehicle’s own, through its 5 A fuse');
  await expect(findings).toContainText('Then dark: the radio');
});
