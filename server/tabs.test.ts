import fc from 'fast-check';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { pip } from '../demo/pip';
import { sameRecord, updateRecords } from '../core/design/change';
import { recordsOf, type Design } from '../core/design/design';
import { checkReferences } from '../core/design/references';
import { removeLoads } from '../core/switching/loadWires';
import { createDesignStore, type DesignStore } from '../features/design/designStore';
import { changesSince, commit, historyAt, redo, undo } from './commit';
import { createDesign } from './designs';
import { openDesign, readDesign } from './stored';
import { answer, readJson } from './http';
import { proposedChangeSchema, stepSchema } from './requests';
import { forget } from './store';
import { runs, seedOf } from '../testing/runs';

process.env.DATABASE_URL = path.join(mkdtempSync(path.join(tmpdir(), 'vine-knot-tabs-')), 'designs.db');

/** What happens to one request on its way: it arrives, it is lost, or its answer is. */
type Luck = 'arrives' | 'lost' | 'unanswered';

/** The network between tabs and the real server functions: slow by turns, and not to be trusted. */
function network(luck: Luck[]) {
  let sent = 0;
  globalThis.fetch = (async (url: string, { body }: { body: string }) => {
    const fate = luck[sent++ % luck.length]!;
    await new Promise((resolve) => setTimeout(resolve, (sent * 7) % 5));
    if (fate === 'lost') throw new TypeError('no route');
    const [id, what] = url.split('/').slice(-2) as [string, string];
    const request = new Request(`http://test${url}`, {
      method: 'POST',
      body,
      headers: { 'content-type': 'application/json', host: 'test' },
    });
    const response = await answer(request, async () => {
      if (what === 'changes') return Response.json(await commit(id, await readJson(request, proposedChangeSchema)));
      const { changeId, baseRevision } = await readJson(request, stepSchema);
      return Response.json(await (what === 'undo' ? undo : redo)(id, changeId, baseRevision));
    });
    if (fate === 'unanswered') throw new TypeError('connection reset');
    return response;
  }) as unknown as typeof fetch;
}

/** Tells a tab what the log has past what it knows, as the event stream does. */
async function hear(tab: DesignStore, id: string): Promise<void> {
  for (const logged of await changesSince(id, tab.revision())) tab.receive({ ...logged, history: await historyAt(id, logged.revision) });
}

const isDone = (tab: DesignStore) => tab.getState().saveState === 'saved';

async function untilSaved(tabs: DesignStore[]): Promise<void> {
  for (let tries = 0; tries < 2000 && !tabs.every(isDone); tries++) await new Promise((resolve) => setTimeout(resolve, 5));
  expect(tabs.map((tab) => tab.getState().saveState)).toEqual(tabs.map(() => 'saved'));
}

const plain = (design: Design) => Object.fromEntries(design.records);

const start = pip();
const zones = recordsOf(start, 'zone').map(({ id }) => id);
const loads = recordsOf(start, 'device').flatMap((device) => (device.kind === 'load' ? [device.id] : []));

type Act =
  | { do: 'warm' | 'count'; tab: number; at: number; value: number }
  | { do: 'remove'; tab: number; at: number }
  | { do: 'undo' | 'redo' | 'hear'; tab: number }
  | { do: 'wait' };

const tab = fc.integer({ min: 0, max: 2 });
const acts: fc.Arbitrary<Act[]> = fc.array(
  fc.oneof(
    { weight: 4, arbitrary: fc.record({ do: fc.constant('warm' as const), tab, at: fc.nat(1), value: fc.integer({ min: 20, max: 60 }) }) },
    { weight: 4, arbitrary: fc.record({ do: fc.constant('count' as const), tab, at: fc.nat(4), value: fc.integer({ min: 1, max: 9 }) }) },
    { weight: 1, arbitrary: fc.record({ do: fc.constant('remove' as const), tab, at: fc.nat(4) }) },
    { weight: 2, arbitrary: fc.record({ do: fc.constantFrom('undo' as const, 'redo' as const, 'hear' as const), tab }) },
    { weight: 2, arbitrary: fc.constant({ do: 'wait' as const }) },
  ),
  { minLength: 4, maxLength: 14 },
);

async function perform(act: Act, tabs: DesignStore[], id: string): Promise<void> {
  if (act.do === 'wait') return untilSaved(tabs);
  const here = tabs[act.tab]!;
  if (act.do === 'hear') return hear(here, id);
  if (act.do === 'undo' || act.do === 'redo') return here.step(act.do);
  if (act.do === 'warm') {
    const zoneId = zones[act.at % zones.length]!;
    here.commit('Warmer', (design) => updateRecords(design, [{ id: zoneId, set: { ambientC: act.value } }]));
  } else if (act.do === 'count') {
    const loadId = loads[act.at % loads.length]!;
    here.commit('Count', (design) => updateRecords(design, [{ id: loadId, set: { quantity: act.value } }]));
  } else if (act.do === 'remove') here.commit('Remove', (design) => removeLoads(design, [loads[act.at % loads.length]!]));
}

test.each<[string, Luck[], number]>([
  ['a sound network', ['arrives'], 12],
  ['answers that get lost, so that edits are sent again', ['arrives', 'unanswered', 'arrives', 'arrives'], 3],
  ['requests that get lost', ['arrives', 'arrives', 'lost', 'arrives'], 3],
])(
  'three tabs editing one design come to the same, over %s',
  async (_, luck, numRuns) => {
    network(luck);
    await fc.assert(
      fc.asyncProperty(acts, async (list) => {
        const id = await createDesign(Array.from(start.records.values()));
        const open = { ...(await openDesign(id)), history: await historyAt(id, 1) };
        const tabs = [0, 1, 2].map(() => createDesignStore(open));
        for (const act of list) await perform(act, tabs, id);
        await untilSaved(tabs);
        for (const one of tabs) await hear(one, id);
        forget(id);
        const { design, revision } = await readDesign(id);
        expect(checkReferences(design)).toEqual([]);
        for (const one of tabs) {
          expect(one.revision()).toBe(revision);
          expect(sameRecord(plain(one.getState().design), plain(design))).toBe(true);
          expect(sameRecord(plain(one.getState().analysis.design), plain(design))).toBe(true);
        }
        // Nothing is taken twice, and the log alone gives the design back.
        const log = await changesSince(id, 1);
        expect(new Set(log.map(({ changeId }) => changeId)).size).toBe(log.length);
        expect(log.map((logged) => logged.revision)).toEqual(log.map((_entry, at) => at + 2));
      }),
      { numRuns: runs(numRuns), seed: seedOf(8) },
    );
  },
  120_000,
);

test('undo waits for the edit just made, and takes that one back', async () => {
  network(['arrives']);
  const id = await createDesign(Array.from(start.records.values()));
  const one = createDesignStore({ ...(await openDesign(id)), history: await historyAt(id, 1) });
  const warm = (ambientC: number) => one.commit('Warmer', (design) => updateRecords(design, [{ id: zones[0]!, set: { ambientC } }]));
  const shown = () => one.getState().design.records.get(zones[0]!);
  warm(41);
  await untilSaved([one]);
  warm(42);
  await one.step('undo');
  expect(shown()).toMatchObject({ ambientC: 41 });
  await one.step('redo');
  expect(shown()).toMatchObject({ ambientC: 42 });
  expect((await readDesign(id)).design.records.get(zones[0]!)).toMatchObject({ ambientC: 42 });
});

/** Two tabs on one fresh design, and a change of its first zone. */
async function twoTabs() {
  const id = await createDesign(Array.from(start.records.values()));
  const open = { ...(await openDesign(id)), history: await historyAt(id, 1) };
  const set = (fields: object) => (design: Design) => updateRecords(design, [{ id: zones[0]!, set: fields }]);
  return { id, first: createDesignStore(open), second: createDesignStore(open), set };
}

test('of two who changed the same thing the second chooses, and either choice is what both then have', async () => {
  network(['arrives']);
  for (const choice of ['mine', 'theirs'] as const) {
    const { id, first, second, set } = await twoTabs();
    first.commit('Warmer', set({ ambientC: 44 }));
    await untilSaved([first]);
    second.commit('Name it', set({ name: 'Bunk', ambientC: 46 }));
    await untilSaved([second]);
    expect(second.getState().conflict).toMatchObject({ mine: { label: 'Name it' }, current: [{ ambientC: 44 }] });
    second.resolveConflict(choice);
    await untilSaved([second]);
    await hear(first, id);
    const wanted = choice === 'mine' ? { name: 'Bunk', ambientC: 46 } : { ambientC: 44 };
    for (const one of [first, second]) expect(one.getState().design.records.get(zones[0]!)).toMatchObject(wanted);
    expect(second.getState().conflict).toBeNull();
  }
});

test('of two who changed different fields of the same thing nobody need choose: both stand', async () => {
  network(['arrives']);
  const { id, first, second, set } = await twoTabs();
  first.commit('Warmer', set({ ambientC: 44 }));
  await untilSaved([first]);
  second.commit('Name it', set({ name: 'Bunk' }));
  await untilSaved([second]);
  await hear(first, id);
  for (const one of [first, second]) {
    expect(one.getState().conflict).toBeNull();
    expect(one.getState().design.records.get(zones[0]!)).toMatchObject({ name: 'Bunk', ambientC: 44 });
  }
});
