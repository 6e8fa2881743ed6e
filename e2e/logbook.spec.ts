import { readFileSync } from 'node:fs';
import { expect, saved, test } from './fixtures';

/** A picture of one dot. */
const PNG = Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', 'base64');

test('a line with a photo is written on a phone without a connection, sent later, and is in the book', async ({
  page,
  pip,
  context,
  request,
}) => {
  await page.setViewportSize({ width: 390, height: 780 });
  await page.goto(`/d/${pip}/test`);
  await page.getByLabel('What is shown').getByText('Logbook', { exact: true }).click();
  const lines = page.getByRole('list', { name: 'Lines of the logbook' }).locator('> li');
  await expect(lines).toHaveCount(6);
  await context.setOffline(true);
  const form = page.getByRole('form', { name: 'Write into the logbook' });
  await form.getByRole('button', { name: 'Write down', exact: true }).click();
  await expect(form.getByRole('alert')).toContainText('Write what was done or seen');
  await form.getByRole('combobox', { name: 'What kind' }).click();
  await page.getByTitle('Repair', { exact: true }).click();
  await form.getByRole('textbox', { name: 'What was done or seen' }).fill('Switch of the pump exchanged');
  await form.getByRole('textbox', { name: 'Odometer' }).fill('a lot');
  await form.getByRole('button', { name: 'Write down', exact: true }).click();
  await expect(form.getByRole('alert')).toContainText('odometer');
  await form.getByRole('textbox', { name: 'Odometer' }).fill('1710');
  await form.getByLabel('What it is about').click();
  await page.keyboard.type('Water pump switch');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await form.getByLabel('Photo to write down').setInputFiles({ name: 'a.png', mimeType: 'image/png', buffer: PNG });
  await form.getByRole('button', { name: 'Write down', exact: true }).click();
  await expect(lines).toHaveCount(7);
  await expect(lines.first()).toContainText('1710 mi');
  await expect(lines.first()).toContainText('About Water pump switch');
  await expect(page.getByText('One photo waits in this browser')).toBeVisible();
  const picture = lines.first().getByRole('img');
  await expect.poll(() => picture.evaluate((image: HTMLImageElement) => image.naturalWidth)).toBe(1);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);

  await context.setOffline(false);
  await expect(page.getByText('One photo waits in this browser')).toBeHidden();
  await saved(page);
  await page.reload();
  await page.getByLabel('What is shown').getByText('Logbook', { exact: true }).click();
  await expect(picture).toHaveAttribute('src', /\/api\/designs\//);
  await expect.poll(() => picture.evaluate((image: HTMLImageElement) => image.naturalWidth)).toBe(1);
  await lines.first().getByRole('textbox').fill('before');
  await page.keyboard.press('Enter');
  await saved(page);

  // It is marked where its part is, and led to from there.
  const rig = page.getByRole('group', { name: 'Lines by place' });
  const mark = rig.getByRole('button', { name: /one photo$/ });
  await mark.press('Enter');
  await expect(lines.first()).toBeFocused();

  // What was looked at is no longer due.
  const due = page.getByRole('region', { name: 'To be looked at' });
  await expect(due.getByRole('listitem').filter({ hasText: 'Bolted connections' })).toContainText('due since');
  await due.getByRole('button', { name: 'Looked at today: Bolted connections' }).click();
  await expect(due.getByRole('listitem').filter({ hasText: 'Bolted connections' })).not.toContainText('due since');
  await expect(lines).toHaveCount(8);
  await saved(page);

  const book = await request.get(`/api/designs/${pip}/book.pdf`);
  expect([book.status(), book.headers()['content-type']]).toEqual([200, 'application/pdf']);
  const pdf = (await book.body()).toString('latin1');
  expect(pdf.startsWith('%PDF')).toBe(true);
  // The photo goes in as it is kept.
  expect(pdf).toContain('/DCTDecode');

  // The same as open files: an archive with the photo in it as it is kept.
  const [folder] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Folder of files' }).click()]);
  expect(folder.suggestedFilename()).toMatch(/^Pip.*\.folder\.zip$/);
  const archive = readFileSync(await folder.path(), 'latin1');
  for (const path of ['README.txt', 'book.pdf', 'diagram.svg', 'fuse-map.csv', 'logbook.csv']) expect(archive).toContain(path);
  expect(archive).toMatch(/photos\/[\d-]+-1-[a-z-]+\.jpg/);
});

test('what is no photo, too large or of no design is refused; the place it was taken at is not kept', async ({ request, pip }) => {
  const segment = (marker: number, text: string) => Buffer.concat([Buffer.from([0xff, marker, (text.length + 2) >> 8, (text.length + 2) & 0xff]), Buffer.from(text, 'latin1')]); // prettier-ignore
  const frame = Buffer.from([0xff, 0xc0, 0, 11, 8, 0, 9, 0, 7, 1, 1, 0x11, 0]);
  const scan = Buffer.from([0xff, 0xda, 0, 8, 1, 1, 0, 0, 63, 0, 0x11, 0xff, 0xd9]);
  const jpeg = Buffer.concat([Buffer.from([0xff, 0xd8]), segment(0xe1, 'Exif\0\0GPS 52.8 N'), frame, scan]);
  const put = (id: string, data: Buffer, type = 'image/jpeg', design = pip) =>
    request.put(`/api/designs/${design}/photos/${id}`, { data, headers: { 'content-type': type } }).then((answer) => answer.status());
  expect(await put('photo_a', jpeg)).toBe(204);
  expect(await put('photo_a', Buffer.concat([jpeg.subarray(0, -3), Buffer.from([0x22, 0xff, 0xd9])]))).toBe(204);
  const kept = await request.get(`/api/designs/${pip}/photos/photo_a`);
  const bytes = await kept.body();
  expect([kept.status(), kept.headers()['content-type'], bytes.includes('GPS'), bytes.at(-3)]).toEqual([200, 'image/jpeg', false, 0x11]);
  expect(await put('photo_b', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'))).toBe(422);
  expect(await put('photo_b', jpeg, 'image/png')).toBe(415);
  expect(await put('photo_b', Buffer.concat([jpeg, Buffer.alloc(1_600_000)]))).toBe(413);
  expect(await put('photo b', jpeg)).toBe(404);
  expect(await put('photo_b', jpeg, 'image/jpeg', 'nobody')).toBe(404);
  expect((await request.get(`/api/designs/${pip}/photos/photo_b`)).status()).toBe(404);
});

test('readings that say a load draws more mend the plan with one press, and undo takes it back', async ({ page, pip }) => {
  await page.goto(`/d/${pip}/test`);
  await page.getByLabel('What is shown').getByText('Readings', { exact: true }).click();
  await page.getByRole('combobox', { name: 'Circuit' }).click();
  await page.keyboard.type('Water pump');
  await page.keyboard.press('Enter');
  const points = page.getByRole('region', { name: 'Readings', exact: true }).getByRole('list').first().getByRole('listitem');
  const enter = async (point: RegExp, value: string) => {
    const field = points.filter({ hasText: point }).first().getByRole('textbox');
    await field.fill(value);
    await field.press('Enter');
  };
  const mended = page.getByRole('region', { name: 'The plan mended' });
  await enter(/^clamp round 06a/, '4.96');
  await enter(/^clamp round 06b/, '4.97');
  await expect(mended).toContainText(/Water pump draws (19|20|21)\.\d % more/);
  await expect(mended).toContainText('48 W → 58 W');
  await mended.getByRole('button', { name: 'Mend the plan by them' }).click();
  // What should be read now is what was read.
  await expect(points.filter({ hasText: /^clamp round 06a/ }).first()).toContainText('as it should be');
  await expect(mended).toBeHidden();
  await saved(page);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(mended).toContainText('48 W → 58 W');
});
