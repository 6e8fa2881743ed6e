import { pip } from '../../demo/pip';
import { updateRecords } from '../../core/design/change';
import type { DesignRecord, Zone } from '../../core/design/schema';
import { createDesignStore } from './designStore';

/** A server of one design's replies, told in advance; it notes what it was sent. */
function withServer(...replies: (object | 'down')[]) {
  const sent: { changeId: string; baseRevision: number; label: string }[] = [];
  const fetchReply = async (_url: unknown, options?: { body?: unknown }) => {
    sent.push(JSON.parse(String(options?.body)));
    const reply = replies.shift() ?? taken(sent.length + 1);
    if (reply === 'down') throw new TypeError('no route');
    const code = 'error' in reply ? (reply.error as { code: string }).code : null;
    const status = code === null ? 200 : code === 'internal' ? 500 : code === 'busy' ? 503 : 409;
    return { ok: status === 200, status, json: async () => reply };
  };
  globalThis.fetch = fetchReply as unknown as typeof fetch;
  return sent;
}

const history = { undo: null, redo: null };
const records = Array.from(pip().records.values());
const open = () => createDesignStore({ id: 'pip', revision: 1, records, history });
const warmer = (ambientC: number) => (design: ReturnType<typeof pip>) => updateRecords(design, [{ id: 'zone_cabin', set: { ambientC } }]);
const shown = (store: ReturnType<typeof open>) => (store.getState().design.records.get('zone_cabin') as Zone).ambientC;
const settled = () => new Promise((resolve) => setTimeout(resolve, 30));
const zone = (ambientC: number) => ({ ...records.find(({ id }) => id === 'zone_cabin')!, ambientC }) as DesignRecord;

function taken(revision: number, missed: object[] = []) {
  return {
    revision,
    missed,
    change: { added: [], updated: [], removed: [] },
    history: { undo: { revision, label: 'Warmer' }, redo: null },
  };
}
const own = (revision: number, from: number, to: number, missed: object[] = []) => ({
  ...taken(revision, missed),
  change: { added: [], updated: [{ from: zone(from), to: zone(to) }], removed: [] },
});

test('an edit is shown while it is typed, dropped when left, kept and sent when taken', async () => {
  const sent = withServer(own(2, 30, 38));
  const store = open();
  store.preview(warmer(35));
  expect(shown(store)).toBe(35);
  store.cancel();
  expect(shown(store)).toBe(30);
  expect(store.commit('Warmer', warmer(38))).toBeNull();
  expect([shown(store), store.getState().saveState]).toEqual([38, 'saving']);
  await settled();
  expect(sent).toMatchObject([{ baseRevision: 1, label: 'Warmer' }]);
  expect([store.revision(), store.getState().saveState]).toEqual([2, 'saved']);
});

test('an edit that would break the design is not shown and says why', () => {
  withServer();
  const store = open();
  const refused = store.commit('Remove', (design) => ({ added: [], updated: [], removed: [design.records.get('bat_house')!] }));
  expect(refused).toBe('refers to House battery, which is not in the design or is of the wrong type');
  expect(store.getState().design.records.has('bat_house')).toBe(true);
});

test('an edit that changes nothing is not sent', async () => {
  const sent = withServer();
  const store = open();
  expect(store.commit('Same', warmer(30))).toBeNull();
  await settled();
  expect(sent).toEqual([]);
});

test('what others changed in the meantime comes with the answer', async () => {
  const roof = records.find(({ id }) => id === 'zone_nose') as Zone;
  const missed = [
    {
      revision: 2,
      changeId: 'other',
      label: 'x',
      kind: 'edit',
      change: { added: [], updated: [{ from: roof, to: { ...roof, ambientC: 44 } }], removed: [] },
    },
  ];
  withServer(own(3, 30, 38, missed));
  const store = open();
  store.commit('Warmer', warmer(38));
  await settled();
  expect(store.revision()).toBe(3);
  expect(store.getState().design.records.get('zone_nose')).toMatchObject({ ambientC: 44 });
});

test('a change heard from another tab is shown, one’s own is not taken twice, an old one not at all', async () => {
  withServer(own(2, 30, 38));
  const store = open();
  store.commit('Warmer', warmer(38));
  await settled();
  const logged = (revision: number, from: number, to: number) => ({
    ...{ revision, changeId: `other${revision}`, label: 'Hotter', kind: 'edit' as const, history },
    change: { added: [], updated: [{ from: zone(from), to: zone(to) }], removed: [] },
  });
  store.receive(logged(2, 30, 38));
  expect([store.revision(), shown(store)]).toEqual([2, 38]);
  store.receive(logged(3, 38, 41));
  expect([store.revision(), shown(store)]).toEqual([3, 41]);
});

test('a conflict shows the record as it stands and lets a person put their own on top', async () => {
  const missed = [
    {
      revision: 2,
      changeId: 'other',
      label: 'x',
      kind: 'edit',
      change: { added: [], updated: [{ from: zone(30), to: zone(50) }], removed: [] },
    },
  ];
  const sent = withServer(
    { error: { code: 'conflict', message: '', reasons: [] }, current: [zone(50)], missed, revision: 2 },
    own(3, 50, 38),
  );
  const store = open();
  store.commit('Warmer', warmer(38));
  await settled();
  expect(shown(store)).toBe(50);
  expect(store.getState().conflict).toMatchObject({ mine: { label: 'Warmer' }, current: [{ ambientC: 50 }] });
  store.resolveConflict('mine');
  expect(shown(store)).toBe(38);
  await settled();
  expect(sent[1]).toMatchObject({ baseRevision: 2 });
  expect(store.revision()).toBe(3);
});

const conflictWith = (now: DesignRecord, missed: object[] = []) => ({
  ...{ error: { code: 'conflict', message: '', reasons: [] }, current: [now], missed, revision: 2 },
});
const heard = (from: DesignRecord, to: DesignRecord) => [
  { revision: 2, changeId: 'other', label: 'x', kind: 'edit', change: { added: [], updated: [{ from, to }], removed: [] } },
];

test('who changed another field of the same record, or to the same value, is no conflict', async () => {
  const renamed = { ...zone(30), name: 'Saloon' } as DesignRecord;
  const sent = withServer(conflictWith(renamed, heard(zone(30), renamed)), taken(3));
  const store = open();
  store.commit('Warmer', warmer(38));
  await settled();
  await settled();
  expect(store.getState().conflict).toBeNull();
  expect(sent[1]).toMatchObject({ baseRevision: 2, change: { updated: [{ from: renamed, to: { ...renamed, ambientC: 38 } }] } });

  withServer(conflictWith(zone(38), heard(zone(30), zone(38))));
  const same = open();
  same.commit('Warmer', warmer(38));
  await settled();
  expect(same.getState()).toMatchObject({ conflict: null, saveState: 'saved' });
  expect(shown(same)).toBe(38);
});

test('news of another field that comes while an edit is on its way is no conflict either', async () => {
  const renamed = { ...zone(30), name: 'Saloon' } as DesignRecord;
  const answers: ((reply: object) => void)[] = [];
  const sent: { changeId: string; change: object }[] = [];
  globalThis.fetch = (async (_url: unknown, options?: { body?: unknown }) => {
    sent.push(JSON.parse(String(options?.body)));
    const reply = await new Promise<object>((resolve) => answers.push(resolve));
    return { ok: !('error' in reply), status: 'error' in reply ? 409 : 200, json: async () => reply };
  }) as unknown as typeof fetch;
  const store = open();
  store.commit('Warmer', warmer(38));
  await settled();
  const [news] = heard(zone(30), renamed);
  store.receive({ ...news!, kind: 'edit', history });
  answers[0]!(conflictWith(renamed));
  await settled();
  expect(store.getState().conflict).toBeNull();
  expect(sent[1]).toMatchObject({ change: { updated: [{ from: renamed, to: { ...renamed, ambientC: 38 } }] } });
  expect(sent[1]!.changeId).not.toBe(sent[0]!.changeId);
  answers[1]!(taken(3));
  await settled();
  expect(store.getState().saveState).toBe('saved');
  expect(shown(store)).toBe(38);
});

test('an edit that makes the server fail is set aside after three tries, and those behind it go on', async () => {
  const kept = new Map<string, string>();
  const localStorage = {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, text: string) => void kept.set(key, text),
    removeItem: (key: string) => void kept.delete(key),
  };
  const keys = () => Object.fromEntries(kept);
  Object.assign(globalThis, { window: { localStorage: new Proxy(localStorage, { ownKeys: () => Object.keys(keys()), getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true }) }) } }); // prettier-ignore
  const failure = { error: { code: 'internal', message: '', reasons: [] } };
  const sent = withServer(failure, failure, failure, own(2, 30, 31));
  const store = open();
  store.commit('Poison', (design) => updateRecords(design, [{ id: 'zone_nose', set: { ambientC: 50 } }]));
  store.commit('Warmer', warmer(31));
  await settled();
  expect(store.getState().saveState).toBe('failed');
  await new Promise((resolve) => setTimeout(resolve, 3400));
  expect(sent.map(({ label }) => label)).toEqual(['Poison', 'Poison', 'Poison', 'Warmer']);
  expect(store.getState()).toMatchObject({ saveState: 'saved', aside: true, problem: expect.stringContaining('set aside') });
  expect(shown(store)).toBe(31);
  store.dropAside();
  expect(Array.from(kept.keys())).toEqual([]);
  delete (globalThis as { window?: unknown }).window;
});

test('a busy store and one older than the page are told apart from one that cannot be reached, and nothing is lost', async () => {
  withServer({ error: { code: 'busy', message: '', reasons: [] } }, own(2, 30, 38));
  const store = open();
  store.commit('Warmer', warmer(38));
  await settled();
  expect([shown(store), store.getState().saveState]).toEqual([38, 'busy']);
  await new Promise((resolve) => setTimeout(resolve, 1700));
  expect(store.getState().saveState).toBe('saved');

  const sent = withServer({ error: { code: 'behind', message: '', reasons: [] } });
  const older = open();
  older.commit('Warmer', warmer(38));
  await settled();
  expect([shown(older), older.getState().saveState]).toEqual([38, 'behind']);
  expect(sent).toHaveLength(1);
});

test('while the server is away edits stay on the screen and are sent again under the same id', async () => {
  const sent = withServer('down', own(2, 30, 38));
  const store = open();
  store.commit('Warmer', warmer(38));
  await settled();
  expect([shown(store), store.getState().saveState]).toEqual([38, 'unreachable']);
  await new Promise((resolve) => setTimeout(resolve, 1700));
  expect(store.getState().saveState).toBe('saved');
  expect(new Set(sent.map(({ changeId }) => changeId)).size).toBe(1);
});

test('while the server is away undo says so, and what is unsent stays', async () => {
  withServer('down', own(2, 30, 38));
  const store = open();
  store.commit('Warmer', warmer(38));
  await settled();
  await store.step('undo');
  expect(store.getState().problem).toContain('cannot be reached');
  expect([shown(store), store.getState().saveState]).toEqual([38, 'unreachable']);
  store.dismissProblem();
  expect(store.getState().problem).toBeNull();
  await new Promise((resolve) => setTimeout(resolve, 1700));
  expect(store.getState().saveState).toBe('saved');
});

test('undo right after an edit the server refuses takes back nothing older', async () => {
  const refusal = { error: { code: 'badChange', message: 'the change would break the design', reasons: [] } };
  const sent = withServer(refusal);
  const store = open();
  store.commit('Warmer', warmer(38));
  await store.step('undo');
  expect(sent.map(({ label }) => label)).toEqual(['Warmer']);
  expect(shown(store)).toBe(30);
  expect(store.getState().problem).toContain('“Warmer” was not taken');
});

test('an answer that is no answer of ours, as from a gateway, is taken for none', async () => {
  const sent = withServer();
  const ours = globalThis.fetch;
  globalThis.fetch = (async () => new Response('<html>Sign in</html>', { status: 200 })) as typeof fetch;
  const store = open();
  store.commit('Warmer', warmer(38));
  await settled();
  expect([shown(store), store.getState().saveState]).toEqual([38, 'unreachable']);
  globalThis.fetch = ours;
  await new Promise((resolve) => setTimeout(resolve, 1700));
  expect(sent).toHaveLength(1);
  expect(store.getState().saveState).toBe('saved');
});

test('a page about to close takes what is being typed', async () => {
  const sent = withServer(own(2, 30, 35));
  const store = open();
  store.preview(warmer(35));
  store.settle();
  await settled();
  expect(sent).toMatchObject([{ label: 'Edit' }]);
  expect(shown(store)).toBe(35);
});

test('what the network shows stands among the other findings, the worst first, as long as what it is about does', () => {
  withServer();
  const store = open();
  const about = (id: string) => ({
    rule: 'network.leak' as const,
    severity: 'fault' as const,
    subjects: [id],
    circuitId: null,
    numbers: { volts: 4, path: [] },
  });
  expect(store.getState().isWhollyJudged).toBe(false);
  store.foundInNetwork([about('bat_house'), about('gone_long_ago')]);
  expect(store.getState().isWhollyJudged).toBe(true);
  const { findings } = store.getState();
  expect(findings[0]).toEqual(about('bat_house'));
  expect(findings.filter(({ rule }) => rule === 'network.leak')).toHaveLength(1);
  expect(findings.length).toBe(store.getState().analysis.findings.length + 1);
  // A circuit that has changed since has yet to be judged again; the same findings once more judge it.
  const isJudged = () => store.getState().analysis.circuits.every((circuit) => store.getState().judgedCircuits.has(circuit));
  expect(isJudged()).toBe(true);
  const [circuit] = store.getState().analysis.circuits;
  store.commit('Another target', () => updateRecords(store.getState().design, [{ id: circuit!.id, set: { targetPercent: 7 } }]));
  expect(isJudged()).toBe(false);
  store.foundInNetwork([about('bat_house')]);
  expect(isJudged()).toBe(true);
  // Another view has been judged by nobody yet; nothing found there is an answer too.
  store.look('now');
  expect(store.getState().isWhollyJudged).toBe(false);
  store.foundInNetwork([]);
  expect(store.getState().isWhollyJudged).toBe(true);
});
