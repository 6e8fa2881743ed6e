import { expect, meter, openStrip, test } from './fixtures';

test('an opened strip says what the network gives, state by state, and what a dead short would do', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/circuits`);
  const fridge = await openStrip(page, '02', 'Fridge');
  const solved = fridge.getByText(/solved as wired/);
  await expect(solved).toContainText('everything on: 13.2');
  const everythingOn = await solved.innerText();
  // The very figures the fuse is judged by: what it must break, and what it must end.
  await expect(fridge.getByText(/A dead short right at the fuse can carry/)).toContainText(
    /at most, more than the 1000 A it breaks, so that Main fuse must end it; one at Compressor fridge .* at least, which it ends within \d+ ms/,
  );
  await page.getByRole('combobox', { name: 'State the network is solved in' }).click();
  await page.getByTitle('only each circuit itself').click();
  await expect(solved).toContainText('this circuit alone: 13.4');
  expect(await solved.innerText()).not.toBe(everythingOn);
  await expect(meter(page, 'Worst drop')).toContainText('cable 7.7 % of 5.0 %');
});

test('the readings of any terminal are found by words', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/circuits`);
  await page.getByRole('button', { name: 'Readings' }).click();
  const drawer = page.getByRole('dialog', { name: 'Readings' });
  await drawer.getByRole('textbox', { name: 'Find a terminal' }).fill('compressor plus');
  const rows = drawer.getByRole('table', { name: 'Readings' }).getByRole('row');
  await expect(rows).toHaveCount(2);
  await expect(rows.nth(1)).toContainText(/Compressor fridge\s*plus\s*12\.\d{3} V\s*4\.\d\d A\s*1\d\d A/);
  await drawer.getByRole('textbox', { name: 'Find a terminal' }).fill('no such thing');
  await expect(drawer.getByText('No terminal answers to that.')).toBeVisible();
});

test('a wire between two circuits is found out: each lives with its own fuse out', async ({ page, heron, request }) => {
  const open = (await (await request.get(`/api/designs/${heron}`)).json()) as {
    revision: number;
    records: { id: string; name?: string; kind?: string }[];
  };
  const idOf = (name: string) => open.records.find((record) => record.name === name && record.kind === 'load')!.id;
  const wire = {
    ...{ id: 'stray_wire', type: 'wire', role: 'supply', lengthMm: 500, lengthMeasured: false, conductor: 'mm2:1.5' },
    from: { deviceId: idOf('Reading light'), terminal: 'plus' },
    to: { deviceId: idOf('Roof fan'), terminal: 'plus' },
  };
  await page.goto(`/d/${heron}/circuits`);
  await expect(page.getByRole('button', { name: /^Findings/ })).toBeVisible();
  const answer = await request.post(`/api/designs/${heron}/changes`, {
    headers: { origin: new URL(page.url()).origin },
    data: {
      changeId: 'stray_wire_1',
      baseRevision: open.revision,
      label: 'Stray wire',
      change: { added: [wire], updated: [], removed: [] },
    },
  });
  expect(answer.ok()).toBe(true);
  await page.getByRole('button', { name: /^Findings/ }).click();
  const drawer = page.getByRole('dialog', { name: 'Findings' });
  const alive = drawer.getByRole('listitem').filter({ hasText: 'Alive with its fuse out' }).first();
  // Found in a worker, which other tests’ pages hold up.
  await expect(alive).toContainText(/→.*Roof fan plus/, { timeout: 20_000 });
});
