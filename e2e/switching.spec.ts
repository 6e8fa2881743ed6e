import { choose, expect, test } from './fixtures';

test('switches, a sensor and a dimmer are worked on the bench, and every lamp says what it does', async ({ page, heron }) => {
  await page.goto(`/d/${heron}/switching`);
  const answers = page.getByRole('region', { name: 'What answers' });
  const row = (name: string) => answers.getByRole('row').filter({ has: page.getByRole('rowheader', { name, exact: true }) });
  const said = page.getByRole('status', { name: 'What changed' });
  const move = (control: string, position: string) =>
    page.getByRole('group', { name: control }).getByRole('button', { name: position, exact: true }).click();
  await expect(row('Left scene lamp, white')).toContainText('off');
  await move('Scene lights, left switch', 'up');
  await expect(said).toContainText(/Scene lights, left switch: up\. Left scene lamp, white: on, 3\.\d+ A/);
  await expect(row('Left scene lamp, white')).toContainText(/on\s*13\.\d+ V\s*3\.\d+ A/);
  await move('Scene lights, left switch', 'down');
  await expect(row('Left scene lamp, amber')).toContainText('on');
  await expect(row('Left scene lamp, white')).toContainText('off');

  // The same is seen where the lamps are; the one that is clicked shows its run in the list.
  const rig = page.getByRole('group', { name: 'Lit on the rig' });
  await expect(rig.getByRole('img', { name: 'Left scene lamp, white: off' })).toBeVisible();
  await rig.getByRole('img', { name: 'Left scene lamp, amber: on' }).click();
  const run = answers.getByRole('list', { name: 'Run of Left scene lamp, amber' });
  await expect(run).toContainText(/^House battery.*Left amber relay.*Left scene lamp, amber$/);
  await expect(run).toBeInViewport();

  await move('Hide bench lights switch', 'up');
  // The dimmer is a slider: up two from nothing is a quarter.
  await page.getByRole('slider', { name: 'Bench dimmer' }).fill('2');
  await expect(row('Bench puck')).toContainText(/on at 2\d %/);

  await move('Step motion sensor', 'moving');
  await move('Step motion sensor', 'still');
  await expect(row('Step light')).toContainText('on');
  await page.getByRole('group', { name: 'Let time run' }).getByRole('button', { name: '10 min' }).click();
  await expect(row('Step light')).toContainText('off');
  await expect(said).toContainText('10 min later. Step light: off.');

  // When is it lit: in every way that what influences it may stand.
  await answers.getByRole('button', { name: 'Left scene lamp, amber', exact: true }).click();
  const truth = page.getByRole('dialog', { name: 'When is it lit? Left scene lamp, amber' });
  await expect(truth).toContainText('Lit in 7 of 24 ways');
  await page.keyboard.press('Escape');

  await page.getByRole('button', { name: 'All at rest' }).click();
  await expect(row('Bench puck')).toContainText('off');
  // A meter's lead on a lamp reads what it has at the instant.
  await choose(page, 'Red lead', 'galley light strip, +', 'Galley light strip, +');
  const volts = page.getByRole('status', { name: 'Volts between the leads' });
  await expect(volts).toHaveText(/^0\.0\d V$/);
  // By keyboard: to a position and onto it.
  await page.getByRole('group', { name: 'Galley lights switch' }).getByRole('button', { name: 'on', exact: true }).press('Enter');
  await expect(row('Galley light strip')).toContainText('on');
  await expect(volts).toHaveText(/^1[23]\.\d\d V$/);
  await page.getByText('Fuses in and out').click();
  await move('Galley lights fuse', 'out');
  await expect(volts).toHaveText(/^0\.0\d V$/);
});

test('the vehicle’s own controls are there once something hangs on its wires, and stand as they did after an edit', async ({
  page,
  pip,
}) => {
  await page.goto(`/d/${pip}/circuits`);
  await page.getByText('Parts', { exact: true }).click();
  await choose(page, 'Part to add', 'vehicle sig', 'Vehicle signals');
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: /Switching/ }).click();
  const lamps = page.getByRole('region', { name: 'The vehicle' }).getByRole('group', { name: 'Lamps' });
  await lamps.getByRole('button', { name: 'high' }).click();
  await expect(page.getByRole('status', { name: 'What changed' })).toContainText('Lamps: high. Nothing else changed.');
  // An edit made meanwhile: the bench is put together anew, the controls stay.
  await page.getByRole('button', { name: 'm', exact: true }).click();
  await expect(lamps.getByRole('button', { name: 'high' })).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('group', { name: 'Water pump switch' }).getByRole('button', { name: 'on', exact: true }).click();
  await expect(page.getByRole('status', { name: 'What changed' })).toContainText('Water pump: on');
  await expect(lamps.getByRole('button', { name: 'high' })).toHaveAttribute('aria-pressed', 'true');
});

test('a wire comes off and is mended; what was on when stands on the strip chart, is played again and handed on as a link', async ({
  page,
  heron,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await page.goto(`/d/${heron}/switching`);
  const said = page.getByRole('status', { name: 'What changed' });
  const answers = page.getByRole('region', { name: 'What answers' });
  const row = (name: string) => answers.getByRole('row').filter({ has: page.getByRole('rowheader', { name, exact: true }) });
  const move = (control: string, position: string) =>
    page.getByRole('group', { name: control }).getByRole('button', { name: position, exact: true }).click();
  await move('Galley lights switch', 'on');
  await expect(row('Galley light strip')).toContainText('on');
  await choose(page, 'Break something', 'galley light strip: dead', 'Galley light strip: dead');
  await expect(said).toContainText('Galley light strip: dead. Galley light strip: off.');
  await page.getByRole('button', { name: 'Mend Galley light strip: dead' }).click();
  await expect(row('Galley light strip')).toContainText('on');

  await page.getByRole('button', { name: 'All at rest' }).click();
  await move('Scene lights, left switch', 'up');
  await move('Scene lights, left switch', 'down');
  await page.getByRole('button', { name: 'Strip chart' }).click();
  const chart = page.getByRole('dialog', { name: 'Strip chart' });
  await expect(
    chart.getByRole('img', { name: 'What was on after each of 2 acts: Left scene lamp, white, Left scene lamp, amber' }),
  ).toBeVisible();
  await chart.getByRole('button', { name: 'Play again' }).click();
  await expect(row('Left scene lamp, white')).toContainText('on');
  await expect(row('Left scene lamp, amber')).toContainText('on');
  await expect(row('Left scene lamp, white')).toContainText('off');
  await expect(chart.getByRole('button', { name: 'Play again' })).toBeEnabled();
  await chart.getByRole('button', { name: 'Copy a link to it' }).click();
  await expect(chart.getByRole('status')).toContainText('The link is in the clipboard');
  const link = await page.evaluate(() => navigator.clipboard.readText());
  const other = await context.newPage();
  await other.goto(link);
  await expect(other.getByRole('status', { name: 'What changed' })).toContainText(
    'Scene lights, left switch: down. Left scene lamp, white: off. Left scene lamp, amber: on',
  );
  await other.close();
});
