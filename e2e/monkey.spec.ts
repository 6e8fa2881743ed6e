import { expect, saved, test } from './fixtures';

/**
 * Random hands on every stage: nothing they type or press may break a page, lose an edit or be refused without a word. `MONKEY_ACTS=840`
 * makes it five thousand acts in all.
 */

const SEED = 20261127;
const ACTS_A_STAGE = Number(process.env.MONKEY_ACTS ?? 24);
const STAGES = ['rig', 'loads', 'supply', 'energy', 'circuits', 'measure'] as const;
const TYPED = [
  '-5',
  '0',
  '12',
  '3,5',
  '1,234',
  '99999999',
  '17.7',
  'abc',
  '',
  ' ',
  '?',
  'f',
  '½',
  '2 x 4',
  '1e9',
  'NaN',
  '–',
  '4 mm²',
  '11\' 2"',
  '𝔘𝔫',
  '=1+1',
  '7–9',
  'a'.repeat(120),
];
const KEYS = [
  'Enter',
  'Escape',
  'Tab',
  'ArrowDown',
  'ArrowRight',
  'ArrowUp',
  'Delete',
  'f',
  '?',
  'g',
  'l',
  'j',
  'o',
  'Control+z',
  'Control+Shift+z',
  'Home',
  'End',
  'Space',
];

for (const stage of STAGES) {
  test(`random hands on ${stage}`, async ({ page, heron }) => {
    test.setTimeout(240_000 + ACTS_A_STAGE * 1_000);
    const random = generator(SEED + STAGES.indexOf(stage));
    const one = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
    const did: string[] = [];
    const reached = { typed: 0, pressed: 0, clicked: 0 };
    await page.goto(`/d/${heron}/${stage}`);
    for (let act = 0; act < ACTS_A_STAGE; act++) {
      if (!page.url().includes(`/${heron}/${stage}`)) await page.goto(`/d/${heron}/${stage}`);
      // What lies on top is what a hand reaches; a dialog is left by Escape now and then.
      const dialogs = page.getByRole('dialog').and(page.locator(':visible'));
      const inDialog = (await dialogs.count()) > 0;
      const scope = inDialog ? dialogs.last() : page.locator('main').first();
      const what = random();
      const fields = scope.locator('input:visible:not([type=radio], [type=checkbox], [type=file])');
      const fieldCount = what < 0.45 ? await fields.count() : 0;
      if (inDialog && random() < 0.15) await page.keyboard.press('Escape');
      else if (fieldCount > 0) {
        const text = one(TYPED);
        did.push(`type “${text.slice(0, 12)}”`);
        const field = fields.nth(Math.floor(random() * fieldCount));
        if (!(await quick(field.fill(text, { timeout: 800 })))) continue;
        reached.typed += 1;
        await quick(field.press(one(['Enter', 'Escape', 'Tab']), { timeout: 800 }));
      } else if (what < 0.75 && what >= 0.45) {
        const key = one(KEYS);
        did.push(key);
        reached.pressed += 1;
        await page.keyboard.press(key);
      } else {
        const buttons = scope.locator('button:visible, [role=gridcell]:visible, summary:visible, label:visible');
        const count = await buttons.count();
        if (count === 0) continue;
        did.push('click');
        if (await quick(buttons.nth(Math.floor(random() * count)).click({ timeout: 800 }))) reached.clicked += 1;
      }
      // A page of an error is the one thing that must never be seen.
      expect(await page.getByText(/something went wrong|application error/i).count(), did.slice(-12).join(', ')).toBe(0);
    }
    // A seed that meets nothing proves nothing.
    expect(Math.min(reached.pressed, reached.clicked, reached.typed + 1), JSON.stringify(reached)).toBeGreaterThan(1);
    test.info().annotations.push({ type: 'reached', description: JSON.stringify(reached) });
    await page.goto(`/d/${heron}/loads`);
    await saved(page);
    const stored = await page.request.get(`/api/designs/${heron}/export`);
    expect(stored.ok()).toBe(true);
    const copy = await page.request.post('/api/designs', { data: { file: await stored.text() } });
    expect(copy.status(), await copy.text()).toBe(201);
  });
}

async function quick(act: Promise<unknown>): Promise<boolean> {
  return act.then(
    () => true,
    () => false,
  );
}

/** A small fixed pseudo-random sequence in [0, 1). */
function generator(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}
