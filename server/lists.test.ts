import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { analyse } from '../core/analysis/analyse';
import { solveDesign } from '../core/analysis/solved';
import { worstDrop } from '../core/analysis/wiredDrops';
import { withSlowFindings } from '../core/analysis/rules/slowFindings';
import { heron } from '../demo/heron';
import { pip } from '../demo/pip';
import { updateRecords } from '../core/design/change';
import { changesSince, commit, MOST_CHANGES } from './commit';
import { createDesign, deleteDesign, eraseDesign, listDesigns, listNames, renameDesign } from './designs';
import { Busy, NotFound } from './errors';
import { isWhollyJudged } from './judge';
import { designOfLink, handOutLink, linkOf, takeBackLink } from './links';
import { nextSteps, trailOf, type LogLine } from './history';
import { store } from './store';
import { readDesign } from './stored';

process.env.DATABASE_URL = path.join(mkdtempSync(path.join(tmpdir(), 'vine-knot-lists-')), 'designs.db');

const PIP = Array.from(pip().records.values());

// Nothing is left under way for the next file.
afterEach(() => store().judging.done);

describe('the list of designs', () => {
  const made: string[] = [];
  beforeAll(async () => {
    for (let at = 0; at < 7; at++) {
      made.push(await createDesign(PIP));
      await renameDesign(made[at]!, `Van ${at} ${at % 2 === 0 ? 'Ütte' : 'Awl'}`);
    }
    await deleteDesign(made[6]!);
  });

  test('is had part by part: every design once, the one changed last first', async () => {
    const seen: string[] = [];
    let after: string | undefined;
    for (let part = 0; part < 5; part++) {
      const page = await listDesigns({ most: 2, ...(after && { after }) });
      expect(page.total).toBe(6);
      seen.push(...page.designs.map(({ id }) => id));
      if (page.next === null) break;
      after = page.next;
    }
    expect(seen).toEqual((await listNames()).map(({ id }) => id));
    expect(new Set(seen)).toEqual(new Set(made.slice(0, 6)));
  });

  test('is searched by any part of a name, in any case, signs of a pattern taken as they are', async () => {
    const names = async (find: string) => (await listDesigns({ find })).designs.map(({ name }) => name).sort();
    expect(await names('awl')).toEqual(['Van 1 Awl', 'Van 3 Awl', 'Van 5 Awl']);
    expect(await names('van 3')).toEqual(['Van 3 Awl']);
    expect(await names('üTTE')).toHaveLength(3);
    expect(await names('%')).toEqual([]);
    expect(await names("'; --")).toEqual([]);
    expect((await listDesigns({ find: 'awl', most: 1 })).total).toBe(3);
  });

  test('counts all that is wrong with a design, as its own screens do, or says that it does not', async () => {
    const design = heron();
    const id = await createDesign(Array.from(design.records.values()));
    const listed = async () => (await listDesigns({ find: 'heron' })).designs.find((one) => one.id === id)!;
    // As home asks: the deleted beside, of which nothing is looked for.
    let [summary] = await Promise.all([listed(), listDesigns({ deleted: true })]);
    // The list answers at once with what is stored, and is filled in beside.
    expect(summary).toMatchObject({ isWhollyJudged: false, isBeingJudged: true, faults: 1 });
    await store().judging.done;
    summary = await listed();
    const analysis = analyse(design);
    const { findings } = withSlowFindings(analysis);
    // The worst drop as wired is past the one by the cables alone.
    const solved = solveDesign(analysis, { kind: 'allOn' });
    expect(summary.worstDropPercent).toBeCloseTo(worstDrop(analysis, 'live' in solved ? solved.drops : null)!.percent, 9);
    expect(summary.worstDropPercent).toBeGreaterThan(analysis.totals.worstDropPercent! + 0.01);
    const count = (severity: string) => findings.filter((finding) => finding.severity === severity).length;
    expect(count('fault')).toBeGreaterThan(analyse(design).findings.filter(({ severity }) => severity === 'fault').length);
    expect(summary).toMatchObject({ isWhollyJudged: true, isBeingJudged: false, faults: count('fault'), cautions: count('caution') });
    await deleteDesign(id);
    await eraseDesign(id);
    expect(isWhollyJudged({ judgedRevision: 2, headRevision: 3, circuits: 6 })).toBe(false);
    expect(isWhollyJudged({ judgedRevision: 3, headRevision: 3, circuits: 101 })).toBe(false);
  });

  test('says of how many loads nobody has said when they are on: a day and a runtime are bounds then', async () => {
    const duty = PIP.find(({ type }) => type === 'duty')!;
    const { loadId } = duty as { loadId: string };
    const id = await createDesign(PIP.filter((record) => !(record.type === 'duty' && record.loadId === loadId)));
    const listed = async (of: string) => (await listDesigns()).designs.find((one) => one.id === of)!;
    expect(await listed(id)).toMatchObject({ runtimeH: expect.any(Number), withoutHours: 1 });
    expect(await listed(made[0]!)).toMatchObject({ runtimeH: expect.any(Number), withoutHours: 0 });
    await deleteDesign(id);
    await eraseDesign(id);
  });

  test('of the deleted is a list of its own, and a mark that is none begins at the start', async () => {
    expect((await listDesigns({ deleted: true })).designs.map(({ id }) => id)).toEqual([made[6]]);
    expect((await listDesigns({ after: 'x; DROP TABLE design' })).designs).toHaveLength(6);
  });
});

describe('a link for a customer', () => {
  test('leads to one design until it is taken back; the next one is another', async () => {
    const id = await createDesign(PIP);
    expect(await linkOf(id)).toBeNull();
    const key = await handOutLink(id);
    expect(key).toMatch(/^[\w-]{32}$/);
    expect(await handOutLink(id)).toBe(key);
    expect(await designOfLink(key)).toBe(id);
    await takeBackLink(id);
    await expect(designOfLink(key)).rejects.toThrow(NotFound);
    expect(await handOutLink(id)).not.toBe(key);
  });

  test('ends with its design, and none leads to what is not there', async () => {
    const id = await createDesign(PIP);
    const key = await handOutLink(id);
    await deleteDesign(id);
    await expect(readDesign(await designOfLink(key))).rejects.toThrow(NotFound);
    await eraseDesign(id);
    await expect(designOfLink(key)).rejects.toThrow(NotFound);
    await expect(handOutLink('none')).rejects.toThrow(NotFound);
  });
});

test('a long log is read part by part, and who is far behind takes it in before an edit', async () => {
  const id = await createDesign(PIP);
  let revision = 1;
  for (let at = 0; at <= MOST_CHANGES; at++) {
    const { design } = await readDesign(id);
    const change = updateRecords(design, [{ id: 'settings', set: { name: `Pip ${at}` } }]);
    ({ revision } = await commit(id, { changeId: `rename_${at}`, baseRevision: revision, label: 'Rename', change }));
  }
  const first = await changesSince(id, 1);
  expect(first).toHaveLength(MOST_CHANGES);
  expect((await changesSince(id, first.at(-1)!.revision)).map((logged) => logged.revision)).toEqual([revision]);
  const { design } = await readDesign(id);
  const change = updateRecords(design, [{ id: 'settings', set: { name: 'Late' } }]);
  await expect(commit(id, { changeId: 'late_edit', baseRevision: 1, label: 'Rename', change })).rejects.toThrow(Busy);
  expect((await commit(id, { changeId: 'late_edit', baseRevision: 2, label: 'Rename', change })).revision).toBe(revision + 1);
}, 60_000);

test('undo read off the later part of a log knows the next step, and reaches no further back than that part', () => {
  const line = (revision: number, kind: LogLine['kind'] = 'edit') => ({ revision, kind, label: `Edit ${revision}` });
  // Edits 2 to 6, three undone, one brought again: the whole log, and only what came after revision 5.
  const log = [line(1), line(2), line(3), line(4), line(5), line(6), line(7, 'undo'), line(8, 'undo'), line(9, 'undo'), line(10, 'redo')];
  expect(nextSteps(trailOf(log))).toEqual({ undo: { revision: 4, label: 'Edit 4' }, redo: { revision: 5, label: 'Edit 5' } });
  expect(nextSteps(trailOf(log.slice(3)))).toEqual(nextSteps(trailOf(log)));
  // Read from edit 6 on it is known that 6 is taken back; what stands below it is not known, and is not offered.
  expect(nextSteps(trailOf(log.slice(5)))).toEqual({ undo: null, redo: null });
  const again = [...log.slice(5), line(11, 'redo'), line(12, 'redo')];
  expect(nextSteps(trailOf(again))).toEqual({ undo: { revision: 6, label: 'Edit 6' }, redo: null });
  // Whatever part is read, a step offered is the one the whole log offers.
  for (let from = 0; from < log.length; from++) {
    const part = nextSteps(trailOf(log.slice(from)));
    const whole = nextSteps(trailOf(log));
    for (const kind of ['undo', 'redo'] as const) expect([null, whole[kind]?.revision]).toContain(part[kind]?.revision ?? null);
  }
});
