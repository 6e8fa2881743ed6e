import { SCHEMA_VERSION } from '../../core/catalog/vocabulary';
import { leftEdits } from './leftEdits';
import { outbox } from './outbox';

/** What an earlier version of the program left in the browser. */

const kept = new Map<string, string>();
Object.assign(globalThis, {
  window: {
    localStorage: new Proxy(
      {
        getItem: (key: string) => kept.get(key) ?? null,
        setItem: (key: string, text: string) => void kept.set(key, text),
        removeItem: (key: string) => void kept.delete(key),
      },
      { ownKeys: () => [...kept.keys()], getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true }) },
    ),
  },
});
beforeEach(() => kept.clear());

const route = (measuredMm: number | null) => ({
  ...{ id: 'route_ab', type: 'route', name: 'Along the frame', fromId: 'place_a', toId: 'place_b', kind: 'loom', bends: [] },
  ...{
    measuredMm,
    measuredOn: measuredMm === null ? null : '2026-03-01',
    insideMm: null,
    feed: 'open',
    closed: false,
    passes: [],
    note: '',
  },
});
const edit = (version: number | undefined, measuredMm: number) => ({
  ...(version && { version }),
  ...{
    changeId: `edit_${version}`,
    label: 'Measure',
    change: { added: [], updated: [{ from: route(null), to: route(measuredMm) }], removed: [] },
  },
});
const leave = (...edits: object[]) => kept.set('vine-knot-outbox:pip:earlier', JSON.stringify(edits));

test('an edit of an older version is brought up to this one before it is sent', async () => {
  leave(edit(2, 0), edit(SCHEMA_VERSION, 1400));
  const [old, recent] = await leftEdits('pip');
  expect(old!.change.updated[0]!.to).toMatchObject({ measuredMm: null, measuredOn: null });
  expect(recent!.change.updated[0]!.to).toMatchObject({ measuredMm: 1400 });
  expect(outbox.asideOf('pip')).toBeNull();
});

test('one of a newer version, or that is no edit of any, is set aside whole and stops nothing', async () => {
  leave(edit(SCHEMA_VERSION + 1, 1400), edit(undefined, -5), edit(SCHEMA_VERSION, 900));
  expect((await leftEdits('pip')).map(({ changeId }) => changeId)).toEqual([`edit_${SCHEMA_VERSION}`]);
  expect(JSON.parse(outbox.asideOf('pip')!)).toHaveLength(2);
});

test('one alone is brought up, or set aside, all the same', async () => {
  leave(edit(2, 0));
  expect(await leftEdits('pip')).toHaveLength(1);
  kept.clear();
  leave(edit(undefined, -5));
  expect(await leftEdits('pip')).toEqual([]);
  expect(JSON.parse(outbox.asideOf('pip')!)).toHaveLength(1);
});

test('an edit made while what was left is taken over takes nothing’s place, and both are kept until they are sent', async () => {
  leave(edit(SCHEMA_VERSION, 1400));
  const mine = { ...edit(SCHEMA_VERSION, 900), changeId: 'mine' } as never;
  const taking = leftEdits('pip');
  outbox.write('pip', [mine]);
  const keptNow = () => [...kept.values()].flatMap((text) => (JSON.parse(text) as { changeId: string }[]).map(({ changeId }) => changeId));
  const both = ['mine', `edit_${SCHEMA_VERSION}`].sort();
  expect(keptNow().sort()).toEqual(both);
  const left = await taking;
  expect(left.map(({ changeId }) => changeId)).toEqual([`edit_${SCHEMA_VERSION}`]);
  expect(keptNow().sort()).toEqual(both);
  await outbox.settleLeft('pip', [...left, mine]);
  expect([kept.size, keptNow().sort()]).toEqual([1, both]);
  outbox.write('pip', []);
  expect(kept.size).toBe(0);
});

test('what is kept says which version it is of', () => {
  outbox.write('pip', [edit(undefined, 1400) as never]);
  expect(JSON.parse([...kept.values()][0]!)).toMatchObject([{ version: SCHEMA_VERSION }]);
});
