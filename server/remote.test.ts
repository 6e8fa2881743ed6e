import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { pip } from '../demo/pip';
import { sqlServer, type SqlServer } from '../testing/sqlServer';
import { updateRecords } from '../core/design/change';
import type { Design } from '../core/design/design';
import { changesSince, commit, redo, undo } from './commit';
import { createDesign, deleteDesign, duplicateDesign, listDesigns, restoreDesign } from './designs';
import { readDesign } from './stored';
import { Conflict } from './errors';
import { forget, store } from './store';

/** The store on a libSQL server reached over HTTP, as a workshop would have it. */
let remote: SqlServer;

beforeAll(async () => {
  remote = await sqlServer(path.join(mkdtempSync(path.join(tmpdir(), 'vine-knot-remote-')), 'designs.db'));
  process.env.DATABASE_URL = remote.url;
});

afterAll(async () => {
  await store().judging.done;
  await remote.close();
});

let counter = 0;
const propose = (baseRevision: number, design: Design, id: string, fields: object) => ({
  changeId: `change_${counter++}`,
  baseRevision,
  label: 'Edit',
  change: updateRecords(design, [{ id, set: fields }]),
});
const stored = async (id: string) => {
  forget(id);
  return readDesign(id);
};

test('migrates, keeps a design, takes edits, merges and refuses them, and undoes across the wire', async () => {
  const id = await createDesign(Array.from(pip().records.values()));
  const { design, revision } = await readDesign(id);
  expect(revision).toBe(1);
  await commit(id, propose(1, design, 'zone_cabin', { ambientC: 41 }));
  const second = await commit(id, propose(1, design, 'zone_nose', { ambientC: 38 }));
  expect(second).toMatchObject({ revision: 3, missed: [{ revision: 2 }] });
  await expect(commit(id, propose(1, design, 'zone_cabin', { ambientC: 20 }))).rejects.toThrow(Conflict);
  const now = (await stored(id)).design.records;
  expect([now.get('zone_cabin'), now.get('zone_nose')]).toMatchObject([{ ambientC: 41 }, { ambientC: 38 }]);
  await undo(id, 'undo_1', 3);
  expect((await stored(id)).design.records.get('zone_nose')).toEqual(design.records.get('zone_nose'));
  await redo(id, 'redo_1', 4);
  expect((await stored(id)).design.records.get('zone_nose')).toMatchObject({ ambientC: 38 });
  expect((await changesSince(id, 0)).map(({ kind }) => kind)).toEqual(['edit', 'edit', 'edit', 'undo', 'redo']);
  expect(remote.answered()).toBeGreaterThan(20);
});

test('the list, a copy, and a design put aside and brought back', async () => {
  const id = await createDesign(Array.from(pip().records.values()));
  const copy = await duplicateDesign(id);
  expect((await listDesigns()).designs.find((one) => one.id === copy)).toMatchObject({ circuits: 6, faults: 0 });
  await deleteDesign(id);
  expect((await listDesigns()).designs.some((one) => one.id === id)).toBe(false);
  await restoreDesign(id);
  expect((await stored(id)).design.records.size).toBe(pip().records.size);
});

test('ten edits at once are taken one after another, and none is lost', async () => {
  const id = await createDesign(Array.from(pip().records.values()));
  const { design } = await readDesign(id);
  const zones = Array.from(design.records.values()).filter(({ type }) => type === 'zone');
  const loads = Array.from(design.records.values()).filter((record) => record.type === 'device' && record.kind === 'load');
  const edits = [...zones, ...loads].slice(0, 10).map((record) => propose(1, design, record.id, { name: `${'name' in record ? record.name : ''} again` })); // prettier-ignore
  await Promise.all(edits.map((edit) => commit(id, edit)));
  const { records } = (await stored(id)).design;
  for (const { change } of edits) expect(records.get(change.updated[0]!.to.id)).toEqual(change.updated[0]!.to);
});

test('an edit that would break the design leaves nothing behind', async () => {
  const id = await createDesign(Array.from(pip().records.values()));
  const { design } = await readDesign(id);
  const removed = design.records.get('zone_cabin')!;
  await expect(
    commit(id, { changeId: 'bad', baseRevision: 1, label: 'Bad', change: { added: [], updated: [], removed: [removed] } }),
  ).rejects.toThrow();
  expect((await stored(id)).revision).toBe(1);
});
