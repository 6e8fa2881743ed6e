import { heron } from '../../demo/heron';
import { seeded } from '../../testing/random';
import { randomDesign } from '../../testing/randomDesign';
import { runs, seedOf } from '../../testing/runs';
import { analyse } from '../analysis/analyse';
import { fittingGroups } from '../analysis/fittingGroups';
import { workRemedies } from '../advice/workRemedies';
import { applyChange, updateRecords, withFields, type Change } from './change';
import { asStored, countProgress, editedIn, isFitting, progressFields, progressOf, seenAs, type Fitting, type Progress } from './asBuilt';
import { recordOf, type Design } from './design';
import { checkReferences } from './references';
import type { Protection, Wire } from './schema';

/** Made once: its records have ids of their own each time. */
const HERON = heron();
const fittings = (design: Design) => Array.from(design.records.values()).filter(isFitting);
const marked = (design: Design, of: readonly Fitting[], progress: Progress) =>
  applyChange(design, updateRecords(design, of.map((fitting) => ({ id: fitting.id, set: progressFields(fitting, progress) })))); // prettier-ignore
const allFitted = () => marked(HERON, fittings(HERON), 'fitted');
const ids = (design: Design) => Array.from(design.records.keys()).sort();
const circuitNumber = (design: Design, number: number) => analyse(design).circuits.find((circuit) => circuit.number === number)!;

test('a design nobody has marked is all planned: as planned it is itself, as it is now there is nothing in it', () => {
  const design = HERON;
  expect(seenAs(design, 'planned')).toBe(design);
  expect(fittings(seenAs(design, 'now'))).toEqual([]);
  expect(countProgress(design)).toMatchObject({ planned: fittings(design).length, fitted: 0, temporary: 0, removed: 0 });
});

test('all of it fitted is the same either way, with the same figures', () => {
  const design = allFitted();
  expect(ids(seenAs(design, 'now'))).toEqual(ids(design));
  expect(analyse(seenAs(design, 'now')).totals).toEqual(analyse(HERON).totals);
});

test('each state is in the views it belongs to, and each view is a whole design', () => {
  const design = allFitted();
  const circuit = circuitNumber(design, 1);
  const lamp = recordOf(design, circuit.loadIds[0]!, 'device')!;
  const inView: Record<Progress, [planned: boolean, now: boolean]> = {
    planned: [true, false],
    fitted: [true, true],
    temporary: [false, true],
    removed: [false, false],
  };
  for (const [progress, [planned, now]] of Object.entries(inView) as [Progress, [boolean, boolean]][]) {
    const changed = marked(design, [lamp], progress);
    expect([progress, seenAs(changed, 'planned').records.has(lamp.id), seenAs(changed, 'now').records.has(lamp.id)]).toEqual([progress, planned, now]); // prettier-ignore
    for (const view of ['planned', 'now'] as const) expect(checkReferences(seenAs(changed, view))).toEqual([]);
  }
});

test('what hangs on something that is not there is not there either: wires, circuits, use, fuses in a block', () => {
  const design = allFitted();
  const circuit = circuitNumber(design, 1);
  const fuse = recordOf(design, circuit.protectionId, 'device') as Protection;
  const noFuse = seenAs(marked(design, [fuse], 'removed'), 'now');
  expect(noFuse.records.has(circuit.id)).toBe(false);
  expect(circuit.loadIds.every((id) => noFuse.records.has(id))).toBe(true);
  expect(circuit.supplyWireIds.some((id) => noFuse.records.has(id) && landsOn(noFuse, id, fuse.id))).toBe(false);
  const block = recordOf(design, fuse.mount!.blockId, 'device')!;
  const noBlock = seenAs(marked(design, [block], 'planned'), 'now');
  expect(noBlock.records.has(fuse.id)).toBe(false);
  const lamp = recordOf(design, circuit.loadIds[0]!, 'device')!;
  const noLamp = seenAs(marked(design, [lamp], 'planned'), 'now');
  expect(Array.from(noLamp.records.values()).some((record) => record.type === 'duty' && record.loadId === lamp.id)).toBe(false);
  expect(Array.from(design.records.values()).some((record) => record.type === 'duty' && record.loadId === lamp.id)).toBe(true);
});

const landsOn = (design: Design, wireId: string, deviceId: string) => {
  const { from, to } = recordOf(design, wireId, 'wire')!;
  return from.deviceId === deviceId || to.deviceId === deviceId;
};

test('energy and currents count what is in the view: a lamp not yet there draws nothing now', () => {
  const design = allFitted();
  const circuit = circuitNumber(design, 1);
  const lamps = circuit.loadIds.map((id) => recordOf(design, id, 'device')!);
  const now = analyse(seenAs(marked(design, lamps, 'planned'), 'now'));
  const planned = analyse(seenAs(marked(design, lamps, 'planned'), 'planned'));
  expect(planned.totals).toEqual(analyse(design).totals);
  expect(now.totals.dailyWh).toBeLessThan(planned.totals.dailyWh);
  expect(planned.totals.connectedA - now.totals.connectedA).toBeCloseTo(circuit.connectedA, 6);
});

test('a fuse to test with is in the holder, not in the plan; the wires are judged by it as it is now', () => {
  const design = allFitted();
  const circuit = circuitNumber(design, 1);
  const fuse = recordOf(design, circuit.protectionId, 'device') as Protection;
  const rating = (fittedA: number | undefined) => applyChange(design, updateRecords(design, [{ id: fuse.id, set: { fittedA } }]));
  const rules = (of: Design) => analyse(of).findings.filter(({ circuitId }) => circuitId === circuit.id).map(({ rule }) => rule); // prettier-ignore
  const small = rating(1);
  expect(circuitNumber(seenAs(small, 'planned'), 1).ratingA).toBe(fuse.ratingA);
  expect(circuitNumber(seenAs(small, 'now'), 1).ratingA).toBe(1);
  expect(rules(seenAs(small, 'planned'))).toEqual([...rules(design), 'work.otherFuse']);
  const large = rating(30);
  expect(rules(seenAs(large, 'now'))).toContain('fuse.aboveConductor');
  expect(rules(seenAs(large, 'planned'))).not.toContain('fuse.aboveConductor');
});

test('an edit made as it is now is stored so: what is added is fitted, another fuse is in the holder, the plan stands', () => {
  const design = allFitted();
  const fuse = recordOf(design, circuitNumber(design, 1).protectionId, 'device') as Protection;
  const stored = (from: Design, make: (seen: Design) => Change) => applyChange(from, asStored(from, make(editedIn(from, 'now')), 'now'));
  const fitted = (from: Design, ratingA: number) => stored(from, (seen) => updateRecords(seen, [{ id: fuse.id, set: { ratingA } }]));
  const fuseIn = (of: Design) => recordOf(of, fuse.id, 'device');
  const small = fitted(design, 1);
  expect(fuseIn(small)).toMatchObject({ ratingA: fuse.ratingA, fittedA: 1 });
  // From the design as seen, where it is 1 A already, and back to the planned one.
  expect(fuseIn(fitted(small, 2))).toMatchObject({ ratingA: fuse.ratingA, fittedA: 2 });
  expect(fuseIn(fitted(small, fuse.ratingA))).toEqual(fuse);
  expect(fuseIn(stored(small, (seen) => updateRecords(seen, [{ id: fuse.id, set: { name: 'Other' } }])))).toMatchObject({ name: 'Other', fittedA: 1, ratingA: fuse.ratingA }); // prettier-ignore
  const [remedy] = workRemedies(analyse(seenAs(small, 'now')), {
    ...{ rule: 'work.otherFuse', severity: 'caution', subjects: [fuse.id], circuitId: null },
    numbers: { fittedA: 1, plannedA: null },
  });
  expect(fuseIn(stored(small, () => remedy!.change))).toEqual(fuse);
  const wire = fittings(design).find((record): record is Wire => record.type === 'wire')!;
  const lead: Wire = { ...wire, id: 'wir_lead' };
  const unmarked = withFields(lead, { work: undefined });
  const add: Change = { added: [unmarked], updated: [], removed: [] };
  expect(
    recordOf(
      stored(design, () => add),
      'wir_lead',
      'wire',
    )!.work,
  ).toEqual({ state: 'fitted' });
  expect(asStored(design, add, 'planned')).toBe(add);
  const gone = stored(small, (seen) => ({ added: [], updated: [], removed: [seen.records.get(fuse.id)!, ...hanging(seen, fuse.id)] }));
  expect(gone.records.has(fuse.id)).toBe(false);
});

/** What refers to a fuse. */
const hanging = (design: Design, id: string) =>
  Array.from(design.records.values()).filter(
    (record) => (record.type === 'wire' && landsOn(design, record.id, id)) || (record.type === 'circuit' && record.protectionId === id),
  );

test('what is there for now is a caution as it is now, and either goes or becomes the plan', () => {
  const design = allFitted();
  const lamp = recordOf(design, circuitNumber(design, 1).loadIds[0]!, 'device')!;
  const work = { state: 'temporary', why: 'borrowed', due: '2026-12-24' } as const;
  const forNow = applyChange(design, updateRecords(design, [{ id: lamp.id, set: { work } }]));
  const now = analyse(seenAs(forNow, 'now'));
  const finding = now.findings.find(({ rule }) => rule === 'work.temporary')!;
  expect(finding).toMatchObject({
    severity: 'caution',
    subjects: [lamp.id],
    circuitId: circuitNumber(design, 1).id,
    numbers: { due: '2026-12-24', reason: 'borrowed' },
  });
  const after = workRemedies(now, finding).map(({ change }) => applyChange(forNow, asStored(forNow, change, 'now')));
  expect(after.map((of) => progressOf(recordOf(of, lamp.id, 'device')!))).toEqual(['removed', 'fitted']);
  // Taken out, it is remembered why it had been there; fitted, there is nothing to come back to.
  expect(recordOf(after[0]!, lamp.id, 'device')!.work).toEqual({ ...work, state: 'removed' });
  expect(recordOf(after[1]!, lamp.id, 'device')!.work).toEqual({ state: 'fitted' });
});

test('every device and wire is listed once, a circuit’s with its fuse first, what is aside aside', () => {
  const design = HERON;
  const [first, second] = circuitNumber(design, 2).loadIds.concat(circuitNumber(design, 1).loadIds);
  const changed = marked(
    marked(design, [recordOf(design, first!, 'device')!], 'temporary'),
    [recordOf(design, second!, 'device')!],
    'removed',
  );
  const groups = fittingGroups(analyse(changed));
  const listed = groups.flatMap((group) => group.fittings.map(({ id }) => id));
  expect([...listed].sort()).toEqual(fittings(changed).map(({ id }) => id).sort()); // prettier-ignore
  const circuit = circuitNumber(design, 5);
  const own = groups.find(({ id }) => id === circuit.id)!.fittings.map(({ id }) => id);
  expect(own[0]).toBe(circuit.protectionId);
  expect(own).toEqual(expect.arrayContaining([...circuit.loadIds, ...circuit.supplyWireIds, ...circuit.returnWireIds]));
  expect(groups.find(({ id }) => id === 'temporary')!.fittings.map(({ id }) => id)).toEqual([first]);
  expect(groups.find(({ id }) => id === 'removed')!.fittings.map(({ id }) => id)).toEqual([second]);
  const battery = groups
    .find(({ id }) => id === 'main')!
    .fittings.filter((fitting) => fitting.type === 'device' && fitting.kind === 'battery');
  expect(battery).toHaveLength(1);
});

/**
 * The views of designs of every kind, each thing in a state drawn by lot: whole, analysed without a stop, and each with something left out.
 */
test('random designs half built: both views are whole and have an analysis', () => {
  let partly = 0;
  let deadCircuits = 0;
  for (let run = 0; run < runs(60); run++) {
    const seed = seedOf(run + 4100);
    const { design } = randomDesign(seed);
    const random = seeded(seed);
    const changes = fittings(design).map((fitting) => {
      const progress = (['planned', 'fitted', 'fitted', 'fitted', 'temporary', 'removed'] as const)[Math.floor(random() * 6)]!;
      return { id: fitting.id, set: progressFields(fitting, progress) };
    });
    const built = applyChange(design, updateRecords(design, changes));
    for (const view of ['planned', 'now'] as const) {
      const seen = seenAs(built, view);
      expect([seed, view, checkReferences(seen)]).toEqual([seed, view, []]);
      const { circuits, totals } = analyse(seen);
      expect(Number.isFinite(totals.dailyWh)).toBe(true);
      if (fittings(seen).length > 0 && fittings(seen).length < fittings(built).length) partly += 1;
      deadCircuits += analyse(design).circuits.length - circuits.length;
    }
    expect(fittingGroups(analyse(built)).flatMap((group) => group.fittings)).toHaveLength(fittings(built).length);
  }
  expect(partly).toBeGreaterThan(runs(60));
  expect(deadCircuits).toBeGreaterThan(runs(60));
});
