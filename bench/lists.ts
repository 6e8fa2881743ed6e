import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { pip } from '../demo/pip';
import { changesSince, commit, historyAt } from '../server/commit';
import { createDesign, listDesigns } from '../server/designs';
import { openDesign } from '../server/stored';
import { forget, store } from '../server/store';
import { updateRecords } from '../core/design/change';

/** A store with many designs, and one design with many changes: `tsx bench/lists.ts DESIGNS CHANGES`. Prints JSON, milliseconds each. */

process.env.DATABASE_URL = path.join(mkdtempSync(path.join(tmpdir(), 'vine-knot-lists-')), 'designs.db');
const [designs, changes] = process.argv.slice(2).map(Number) as [number, number];
const records = Array.from(pip().records.values());

async function timed(work: () => Promise<unknown>): Promise<number> {
  const times: number[] = [];
  for (let round = 0; round < 5; round++) {
    const began = performance.now();
    await work();
    times.push(performance.now() - began);
  }
  return Number(times.sort((a, b) => a - b)[2]!.toFixed(1));
}

for (let at = 0; at < designs; at++) await createDesign(records);
// What took long is found once, as it would be over the days; a view is then one page read.
for (let view = 0, tookMs = Infinity; view < 200 && tookMs > 100; view++) {
  const began = performance.now();
  await listDesigns();
  tookMs = performance.now() - began;
}

const id = await createDesign(records);
const { $client: client } = await store().database;
const diff = JSON.stringify(updateRecords(pip(), [{ id: 'settings', set: { name: 'Pip, again' } }]));
for (let from = 2; from <= changes; from += 1000) {
  const rows = Array.from({ length: Math.min(1000, changes - from + 1) }, (_, at) => from + at);
  await client.batch(
    rows.map((revision) => ({
      sql: "INSERT INTO change VALUES (?, ?, ?, 'edit', NULL, 'Rename', ?, 0)",
      args: [id, revision, `bench_${revision}`, diff],
    })),
    'write',
  );
}
await client.execute({ sql: 'UPDATE design SET head_revision = ? WHERE id = ?', args: [changes, id] });
forget(id);

let revision = changes;
const rows = [
  {
    what: `first page of ${designs} designs`,
    ms: await timed(() => listDesigns()),
    kB: Math.round(JSON.stringify(await listDesigns()).length / 1000),
  },
  { what: 'searched by name', ms: await timed(() => listDesigns({ find: 'pip' })) },
  {
    what: `a design of ${changes} changes opened cold`,
    ms: await timed(async () => (forget(id), await openDesign(id), historyAt(id, revision))),
  },
  { what: 'a part of its log', ms: await timed(() => changesSince(id, 1)) },
  {
    what: 'an edit of it',
    ms: await timed(async () => {
      const { records: now } = await openDesign(id);
      const from = now.find((record) => record.id === 'settings')!;
      const change = { added: [], updated: [{ from, to: { ...from, name: `Pip ${revision}` } as typeof from }], removed: [] };
      ({ revision } = await commit(id, { changeId: `edit_${revision}`, baseRevision: revision, label: 'Rename', change }));
    }),
  },
];
console.log(JSON.stringify(rows));
