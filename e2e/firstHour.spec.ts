import type { Page } from '@playwright/test';
import { cell, expect, meter, saved, test } from './fixtures';

/** What a person new to it does in the first hour: from nothing to a safe, printed design, by roles and labels alone. */

const LIST = [
  'name\tzone\tquantity\trated\thours',
  'Ceiling light\tGalley\t4\t4 W\t4',
  'Reading light\tBunk\t2\t3 W\t2',
  'Worktop strip\tGalley\t1\t9.6 W/m x 1.5 m\t3',
  'Compressor fridge\tGalley\t1\t45 W\t9',
  'Water pump\tGalley\t1\t6 A\t15 min',
  'Roof fan\tRoof\t1\t30 W\t4',
  'Diesel heater\tGarage\t1\t90 W\t3',
  'USB pair\tBunk\t2\t24 W\t3',
  'Garage light\tGarage\t2\t6 W\t1',
  'Step light\tGarage\t1\t3 W\t1',
  'Awning light\tRoof\t1\t8 W\t2',
  'Laptop socket\tBunk\t1\t65 W\t2',
  'Cab radio\tCab\t1\t2 A\t2',
  'Dash camera\tCab\t1\t5 W\t4',
  'Water level gauge\tGalley\t1\t1 W\t24',
].join('\n');

test('the first hour: fifteen loads, two blocks, solar and DC-DC, fourteen circuits, all sized, no fault, printed', async ({ page }) => {
  test.setTimeout(150_000);
  const begun = Date.now();
  let acts = 0;
  page.on('request', (request) => void (acts += request.method() === 'POST' && /\/changes$/.test(request.url()) ? 1 : 0));

  await page.goto('/');
  await page.getByRole('link', { name: 'New design' }).click();
  await page.getByRole('textbox', { name: 'Name', exact: true }).fill('Wren');
  await page.getByRole('textbox', { name: 'Battery capacity, Ah' }).fill('200');
  await page.getByRole('textbox', { name: 'A list of loads' }).fill(LIST);
  await page.getByRole('button', { name: 'Start with the loads' }).click();
  const preview = page.getByRole('dialog', { name: 'Take loads from a list' });
  await expect(preview.getByRole('row', { name: /Diesel heater/ })).toBeVisible();
  await preview.getByRole('button', { name: 'Take 15 loads' }).click();
  await expect(page.getByRole('grid', { name: 'Loads' })).toHaveAttribute('aria-rowcount', '15');

  // A zone that is not in this van goes, and so its roof light goes on the roof fan's circuit later.
  await page.getByRole('button', { name: 'Zones' }).click();
  await page.getByRole('button', { name: 'Remove zone Engine bay' }).click();
  await page.getByRole('dialog', { name: 'Zones of the vehicle' }).getByRole('button', { name: 'Close' }).last().click();

  await page.getByRole('link', { name: /Supply/ }).click();
  await page.getByRole('button', { name: 'Add fuse block' }).click();
  await expect(page.getByRole('region', { name: 'Fuse block 2' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Fuse block 2' })).not.toContainText('not wired');
  const slots = page.getByRole('textbox', { name: 'Slots of Fuse block 2' });
  await slots.fill('12');
  await slots.press('Enter');
  for (const source of ['Roof panel and controller', 'Alternator', 'DC-DC charger']) {
    await page.getByRole('button', { name: 'Add a source' }).click();
    await page.getByRole('menuitem', { name: source, exact: true }).click();
  }

  await page.getByRole('link', { name: /Loads/ }).click();
  await page.getByRole('button', { name: 'Give circuits' }).click();
  await page.getByRole('menuitem', { name: 'Every load without one (15)' }).click();
  await expect(page.getByRole('button', { name: 'Give circuits' })).toHaveCount(0);
  await (await cell(page, 'Step light', 'Circuit')).click();
  await page.keyboard.type('Garage li');
  await page.keyboard.press('Enter');
  await expect(await cell(page, 'Step light', 'Circuit')).toContainText('Garage light');
  await saved(page);

  await page.getByRole('link', { name: /Circuits/ }).click();
  await removeEmptyCircuits(page);
  await page.getByRole('button', { name: 'Propose sizes' }).click();
  const proposal = page.getByRole('dialog', { name: 'Propose conductors and fuses' });
  await expect(proposal.getByRole('status')).toContainText(/of 14 circuits change/, { timeout: 20_000 });
  await proposal.getByRole('button', { name: 'Take it all' }).click();
  await saved(page);

  await page.getByRole('button', { name: /^Findings/ }).click();
  const findings = page.getByRole('dialog', { name: 'Findings' });
  await expect(findings).toBeVisible();
  await expect(page.getByRole('button', { name: /^Findings: 0 faults/ })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(meter(page, 'Worst drop')).not.toContainText('over');

  await page.getByRole('link', { name: 'Report and print' }).click();
  await expect(page.getByRole('heading', { name: 'Wren' })).toBeVisible();
  await expect(page.getByText(/extinguisher within reach/).first()).toBeVisible();
  const [pdf] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Save as PDF' }).click()]);
  expect(pdf.suggestedFilename()).toMatch(/\.pdf$/);
  test.info().annotations.push({ type: 'first hour', description: `${acts} edits, ${Math.round((Date.now() - begun) / 1000)} s` });
});

/** A circuit whose only load went elsewhere is said to be empty, with its remedy. */
async function removeEmptyCircuits(page: Page): Promise<void> {
  await page.getByRole('button', { name: /^Findings/ }).click();
  const findings = page.getByRole('dialog', { name: 'Findings' });
  await findings.getByRole('button', { name: 'Take the circuit out' }).first().click();
  await expect(findings.getByRole('button', { name: 'Take the circuit out' })).toHaveCount(0);
  await page.keyboard.press('Escape');
}

test('a list pasted on the empty stage, in the new-load box and on a cell is shown before it is taken', async ({
  page,
  context,
  request,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  const answers = {
    ...{ name: 'Bare', vehicle: 'trailer', zones: ['Cabin'], units: 'metric', standard: 'iso-small-craft', defaultReturn: 'dedicated' },
    battery: { chemistry: 'agm', capacityAh: 100, count: 1 },
  };
  const { id } = (await (await request.post('/api/designs', { data: { answers } })).json()) as { id: string };
  const copy = (text: string) => page.evaluate((copied) => navigator.clipboard.writeText(copied), text);
  const preview = page.getByRole('dialog', { name: 'Take loads from a list' });
  await page.goto(`/d/${id}/loads`);

  await copy('Reading light 3 W\nPump 6 A\n');
  await page.getByRole('heading', { name: 'List what draws current' }).click();
  await page.getByRole('main').focus();
  await page.keyboard.press('Control+v');
  await preview.getByRole('button', { name: 'Take 2 loads' }).click();
  await expect(page.getByRole('gridcell', { name: 'Pump', exact: true })).toBeVisible();

  await page.getByRole('textbox', { name: 'Name of a new load' }).focus();
  await copy('Fan\t2\t12 W\nLamp\t1\t4 W');
  await page.keyboard.press('Control+v');
  await expect(preview).toContainText('name from column 1');
  await preview.getByRole('button', { name: 'Take 2 loads' }).click();

  await page.getByRole('gridcell', { name: 'Pump', exact: true }).click();
  await copy('watts\tload\n8\tStrip');
  await page.keyboard.press('Control+v');
  await preview.getByRole('button', { name: 'Take one load' }).click();
  await expect(await cell(page, 'Strip', 'Rated, each')).toHaveText('8 W');

  const long = 'A name that goes on and on, past anything that could ever stand on a label or in a list of parts';
  await page.getByRole('textbox', { name: 'Name of a new load' }).fill(long);
  await expect(page.getByText(`${long.length} characters; 80 are the most`)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Add load' })).toBeDisabled();
});

test('numbers are taken as written or refused with the range; zones of one name are refused', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/supply`);
  const capacity = page.getByRole('textbox', { name: 'Battery capacity', exact: true });
  for (const [typed, why] of [
    ['-5', 'from 1 Ah to 5000 Ah'],
    ['99999999', 'from 1 Ah to 5000 Ah'],
    ['1,005', 'can be read two ways'],
    ['many', 'is not a number'],
  ] as const) {
    await capacity.fill(typed);
    await expect(page.getByRole('alert').filter({ hasText: why })).toBeVisible();
  }
  await capacity.fill('100,5');
  await capacity.press('Enter');
  await saved(page);
  await page.reload();
  // As it was entered, not rounded.
  await expect(capacity).toHaveValue('100.5');
  await page.goto(`/d/${heron}/loads`);
  await page.getByRole('button', { name: 'Zones' }).click();
  await page.getByRole('textbox', { name: 'Name of a new zone' }).fill('galley');
  await expect(page.getByRole('alert').filter({ hasText: 'There is a zone called “galley” already' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Add zone' })).toBeDisabled();
});

test('by keyboard: the work of a stage in two keys, past the frame in one, and the focus is never lost', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/loads`);
  await page.keyboard.press('Tab');
  await expect(page.getByRole('button', { name: 'Skip to the work' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect.poll(() => page.evaluate(() => document.activeElement?.getAttribute('data-cell'))).toBe('0:0');
  await page.keyboard.press('Control+Delete');
  await expect.poll(() => page.evaluate(() => document.activeElement?.tagName)).not.toBe('BODY');
  await saved(page);
  for (const stage of ['supply', 'circuits', 'energy', 'rig']) {
    await page.goto(`/d/${heron}/${stage}`);
    await page.keyboard.press('g');
    await page.keyboard.press('t');
    await expect.poll(() => page.evaluate(() => document.activeElement?.closest('main') !== null), { message: stage }).toBe(true);
  }
  await page.keyboard.press('/');
  await page.getByRole('combobox', { name: 'Find' }).fill('breaking cap');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/handbook\/glossary#breaking-capacity/);
});

test('a fuse is carried from one block to the other by keys, and what it would do is said with the block’s name', async ({
  page,
  heron,
}) => {
  await page.goto(`/d/${heron}/supply`);
  const [from, to] = ['Front fuse block', 'Hide fuse block'].map((name) => page.getByRole('region', { name, exact: true }));
  const fuses = from!.getByRole('button', { name: /, slot \d+/ });
  const name = (await fuses.last().getAttribute('aria-label'))!;
  await fuses.last().focus();
  await page.keyboard.press('Space');
  for (let press = 0; press < 12; press++) {
    await page.keyboard.press('ArrowDown');
    await page.waitForTimeout(120);
    if (
      await page
        .getByRole('status')
        .filter({ hasText: /of Hide fuse block/ })
        .count()
    )
      break;
  }
  await expect(page.getByRole('status').filter({ hasText: /Over slot \d+ of Hide fuse block/ })).toHaveCount(1);
  await page.keyboard.press('Space');
  await expect(to!.getByRole('button', { name: new RegExp(`^${name.split(',')[0]}`) })).toBeVisible();
});

test('a design begins from another one or from an example', async ({ page, heron }) => {
  await page.goto('/new');
  await page.getByText('Another design').click();
  await page.getByRole('combobox', { name: 'Design to begin from' }).fill('Heron (copy)');
  await page.keyboard.press('Enter');
  await page.getByText('its loads', { exact: true }).click();
  await page.getByRole('textbox', { name: 'Name' }).fill('Curlew');
  await page.getByRole('button', { name: 'Begin with it' }).click();
  await expect(page.getByRole('gridcell', { name: 'Compressor fridge', exact: true })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Give circuits' })).toBeVisible();
  await page.goto('/new');
  await page.getByText('An example').click();
  await page.getByRole('button', { name: 'Begin with it' }).click();
  await expect(page).toHaveURL(/circuits/);
  await expect(page.getByRole('textbox', { name: 'Name of the design' })).toHaveValue('Pip (example)');
  expect(heron).toBeTruthy();
});

test('on the rig Escape leaves a mode, a place outside is asked about, an empty vehicle has its zones where their names say', async ({
  page,
  request,
  heron,
}) => {
  await page.goto(`/d/${heron}/rig`);
  const adding = page.getByRole('button', { name: 'Add place' });
  await adding.click();
  await expect(adding).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('Escape');
  await expect(adding).toHaveAttribute('aria-pressed', 'false');
  await adding.click();
  const plan = page.getByRole('group', { name: 'Plan of the vehicle' });
  const box = (await plan.boundingBox())!;
  await page.mouse.click(box.x + 200, box.y + 14);
  const outside = page.getByRole('dialog', { name: 'That is outside the vehicle' });
  await outside.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByRole('region', { name: /^Place / })).toHaveCount(0);

  const answers = {
    ...{ name: 'Van', vehicle: 'panelVan', zones: ['Roof', 'Galley', 'Cab', 'Engine bay'], units: 'metric', standard: 'iso-small-craft' },
    ...{ defaultReturn: 'dedicated', battery: { chemistry: 'agm', capacityAh: 100, count: 1 } },
  };
  const { id } = (await (await request.post('/api/designs', { data: { answers } })).json()) as { id: string };
  await page.goto(`/d/${id}/rig`);
  await page.getByRole('button', { name: 'Begin with a place in each zone' }).click();
  const x = async (name: string) => (await plan.getByRole('button', { name: new RegExp(`^Place ${name}`) }).boundingBox())!.x;
  await expect(plan.getByRole('button', { name: /^Place Engine bay/ })).toBeVisible();
  expect(await x('Engine bay')).toBeLessThan(await x('Cab'));
  expect(await x('Cab')).toBeLessThan(await x('Galley'));
});

test('every stage is read at a phone’s width and at twice the size of letters, and nothing runs out of it', async ({ page, heron }) => {
  test.setTimeout(120_000);
  for (const stage of ['rig', 'loads', 'supply', 'energy', 'circuits', 'switching', 'measure', 'report']) {
    // 1280 at 200 % is 640 wide.
    for (const width of [390, 640]) {
      await page.setViewportSize({ width, height: width === 390 ? 780 : 400 });
      if (width === 390) await page.goto(`/d/${heron}/${stage}`);
      await expect(page.getByRole('heading').first()).toBeVisible();
      const over = await page.evaluate(() => {
        const main = document.querySelector('main')!;
        return [document.documentElement.scrollWidth - innerWidth, main.scrollWidth - main.clientWidth];
      });
      expect(
        over.every((pixels) => pixels <= 1),
        `${stage} at ${width}: ${over}`,
      ).toBe(true);
    }
  }
  // Nor does a card lie over the next.
  await page.setViewportSize({ width: 390, height: 780 });
  await page.goto(`/d/${heron}/circuits`);
  for (const view of ['Protection', 'Zones']) {
    await page.getByText(view, { exact: true }).click();
    const beneath = page.locator('main section + section');
    await expect(beneath.first()).toBeVisible();
    const covered = await beneath.evaluateAll(
      (all) =>
        all.filter((card) => {
          const [one, other] = [card.getBoundingClientRect(), card.previousElementSibling!.getBoundingClientRect()];
          return one.top < other.bottom && other.top < one.bottom && one.left < other.right && other.left < one.right;
        }).length,
    );
    expect(covered, view).toBe(0);
  }
  await page.goto(`/d/${heron}/rig`);
  await page.getByRole('link', { name: 'Measuring run' }).click();
  await expect(page.getByRole('heading', { name: 'Measuring run' })).toBeVisible();
});

test('a design deleted elsewhere can be brought back from here; a broken answer is not taken for it', async ({ page, request, heron }) => {
  await page.route('**/events?*', (route) => route.fulfill({ status: 409, body: '{}' }));
  await page.goto(`/d/${heron}/loads`);
  await page.waitForTimeout(600);
  await expect(page.getByRole('dialog', { name: 'This design has been deleted' })).toHaveCount(0);
  await page.unroute('**/events?*');
  await page.reload();
  await request.delete(`/api/designs/${heron}`);
  const gone = page.getByRole('dialog', { name: 'This design has been deleted' });
  await expect(gone).toBeVisible({ timeout: 15_000 });
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    gone.getByRole('button', { name: 'Save what is shown as a file' }).click(),
  ]);
  expect(file.suggestedFilename()).toMatch(/\.json$/);
  await gone.getByRole('button', { name: 'Bring it back' }).click();
  await expect(page.getByRole('gridcell', { name: 'Compressor fridge', exact: true })).toBeVisible();
});

test('what an older page left and nobody can read stops nothing: it is set aside, can be saved and dropped', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/loads`);
  await page.evaluate((id) => {
    const broken = [
      {
        changeId: 'broken_0001',
        label: 'Measure',
        change: { added: [], updated: [{ from: { id: 'x' }, to: { id: 'x', measuredMm: -5 } }], removed: [] },
      },
    ];
    localStorage.setItem(`vine-knot-outbox:${id}:older`, JSON.stringify(broken));
    localStorage.setItem(`vine-knot-outbox:${id}:garbage`, '{{{');
  }, heron);
  await page.reload();
  const notice = page.getByRole('alert').filter({ hasText: 'set aside and change nothing' });
  await expect(notice).toBeVisible();
  const [file] = await Promise.all([page.waitForEvent('download'), notice.getByRole('button', { name: 'Save them as a file' }).click()]);
  expect(file.suggestedFilename()).toContain('set-aside');
  await notice.getByRole('button', { name: 'Drop them' }).click();
  await expect(notice).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('gridcell', { name: 'Compressor fridge', exact: true })).toBeVisible();
  await expect(notice).toHaveCount(0);
});

test('letters typed into any field of any stage are text: no command, no other page', async ({ page, heron }) => {
  test.setTimeout(120_000);
  let fields = 0;
  for (const stage of ['rig', 'loads', 'supply', 'energy', 'circuits', 'switching']) {
    await page.goto(`/d/${heron}/${stage}`);
    await expect(page.getByRole('heading').first()).toBeVisible();
    const inputs = page
      .locator('main')
      .locator('input:not([type=radio], [type=checkbox], [type=file]), textarea')
      .and(page.locator(':visible'));
    const count = Math.min(6, await inputs.count());
    for (let at = 0; at < count; at++) {
      const field = inputs.nth(at);
      await field.focus();
      await page.keyboard.type('f?gh/jo');
      await expect(page.getByRole('dialog')).toHaveCount(0);
      expect(page.url()).toContain(`/${heron}/${stage}`);
      await page.keyboard.press('Escape');
      fields += 1;
    }
  }
  expect(fields).toBeGreaterThan(14);
});
