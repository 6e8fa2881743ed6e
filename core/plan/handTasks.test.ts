import fc from 'fast-check';
import { deviceCalled, edited } from '../../testing/harnessed';
import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { recordsOf, type Design } from '../design/design';
import { Edit } from '../design/edit';
import { checkReferences } from '../design/references';
import { partKey } from '../harness/partsList';
import { harnessOfDesign } from '../harness/schedule';
import { removePlace } from '../rig/edits';
import { applyChange } from '../design/change';
import { indexDesign } from '../rig/designIndex';
import { needWords, taskWords } from '../wording/planWords';
import { addOwnTask, handKey, putBefore, removeOwnTask, setHand, waitsFor } from './handTasks';
import { needsOf } from './needs';
import { makingDays } from './makingDays';
import { afterHold, planWork } from './schedule';
import { SEALANT_HOLD, tasksOf } from './tasks';
import type { Task } from './task';
import { tickTask } from './tickTask';

const of = (design: Design) => tasksOf(design, indexDesign(design), harnessOfDesign(design), { isCold: false });
const PIP = pip();
const HERON = heron();
const circuitId = recordsOf(PIP, 'circuit').find(({ name }) => name === 'Water pump')!.id;

describe('a task of one’s own', () => {
  const placeId = recordsOf(PIP, 'place')[0]!.id;
  const design = edited(PIP, (edit) => addOwnTask(edit, 'Fetch the paint', placeId, 40));
  const own = of(design).find(({ kind }) => kind === 'own')!;

  test('is on the list with its place and its time, and what waits for it by hand comes after', () => {
    expect(own).toMatchObject({ minutes: 40, placeId, after: [], isDone: false });
    expect(taskWords(design, own)).toBe('Fetch the paint');
    const moved = edited(design, (edit) => expect(putBefore(edit, of(design), own.id, 'isolate')).toBe(true));
    const { planned } = planWork(of(moved), 1);
    const at = (id: string) => planned.findIndex(({ task }) => task.id === id);
    expect(at(own.id)).toBeLessThan(at('isolate'));
  });

  test('is ticked, goes with its tick and with all that waited for it, and keeps when its place goes', () => {
    const moved = edited(design, (edit) => putBefore(edit, of(design), own.id, 'connect'));
    const ticked = edited(moved, (edit) => tickTask(edit, own, harnessOfDesign(moved), true, '2026-11-29'));
    expect(of(ticked).find(({ id }) => id === own.id)!.isDone).toBe(true);
    const gone = edited(ticked, (edit) => removeOwnTask(edit, own.id));
    expect([recordsOf(gone, 'handTask'), recordsOf(gone, 'doneTask')]).toEqual([[], []]);
    const split = edited(design, (edit) => setHand(edit, own.id, { sittings: 2 }));
    const begun = edited(split, (edit) => tickTask(edit, of(split).find(({ sitting }) => sitting?.at === 1)!, harnessOfDesign(split), true, '2026-11-29')); // prettier-ignore
    expect(recordsOf(begun, 'doneTask')).toHaveLength(1);
    expect(recordsOf(edited(begun, (edit) => removeOwnTask(edit, own.id)), 'doneTask')).toEqual([]); // prettier-ignore
    const placeless = applyChange(design, removePlace(design, placeId));
    expect(checkReferences(placeless)).toEqual([]);
    expect(of(placeless).find(({ kind }) => kind === 'own')!.placeId).toBeNull();
  });
});

test('what the trade keeps is kept: no cable before its hole, no power before its check, by hand either', () => {
  const tasks = of(HERON);
  const drill = tasks.find(({ kind }) => kind === 'drill')!;
  const grommet = tasks.find(({ id }) => id === drill.id.replace('drill', 'grommet'))!;
  expect(waitsFor(tasks, grommet.id, drill.id)).toBe(true);
  const design = edited(HERON, (edit) => {
    expect(putBefore(edit, tasks, grommet.id, drill.id)).toBe(false);
    expect(putBefore(edit, tasks, `power ${recordsOf(HERON, 'circuit')[0]!.id}`, 'connect')).toBe(false);
  });
  expect(recordsOf(design, 'handTask')).toEqual([]);
  // Written into a file all the same, it is passed over.
  const forced = edited(HERON, (edit) => setHand(edit, grommet.id, { before: [drill.id, 'gone'] }));
  expect(of(forced).find(({ id }) => id === drill.id)!.after).toEqual(drill.after);
});

test('whatever a hand puts before what, every task is planned once and none before what it waits for', () => {
  const base = of(PIP);
  const ids = base.map(({ id }) => id);
  let [taken, refused] = [0, 0];
  fc.assert(
    fc.property(fc.array(fc.tuple(fc.constantFrom(...ids), fc.constantFrom(...ids)), { maxLength: 12 }), (moves) => {
      const edit = new Edit(PIP);
      for (const [one, other] of moves) {
        if (one === other) continue;
        if (putBefore(edit, of(edit.design), one, other)) taken++;
        else refused++;
      }
      const tasks = of(edit.design);
      const { planned } = planWork(tasks, 2);
      const at = new Map(planned.map((plannedOne) => [plannedOne.task.id, plannedOne]));
      expect(at.size).toBe(ids.length);
      for (const { task, startMinute } of planned)
        for (const { id } of task.after) expect(at.get(id)!.endMinute).toBeLessThanOrEqual(startMinute + 1e-9);
    }),
    { numRuns: 40, seed: 3 },
  );
  expect(taken).toBeGreaterThan(40);
  expect(refused).toBeGreaterThan(20);
});

describe('sittings', () => {
  const id = `pull ${circuitId}`;
  const design = edited(PIP, (edit) => setHand(edit, id, { sittings: 3, minutes: 90 }));

  test('a task is done in as many, one after the other, and what waits for it waits for the last', () => {
    const parts = of(design).filter((task) => task.id.startsWith(id));
    expect(parts.map(({ minutes, sitting }) => [minutes, sitting?.at])).toEqual([[30, 1], [30, 2], [30, 3]]); // prettier-ignore
    expect(parts.map((task) => task.after[0]!.id).slice(1)).toEqual([`${id} part 1`, `${id} part 2`]);
    expect(taskWords(design, parts[1]!)).toMatch(/, sitting 2 of 3$/);
    expect(of(design).find((task) => task.id === `crimpInside ${circuitId}` || task.id === `land ${circuitId}`)!.after).toContainEqual({ id, holdMinutes: 0 }); // prettier-ignore
  });

  test('only the last one says that it is done; back in one, nothing is left of it', () => {
    const [first, , last] = of(design).filter((task) => task.id.startsWith(id)) as [Task, Task, Task];
    const isPulled = (now: Design) => recordsOf(now, 'wire').some(({ made }) => made?.includes('pulled'));
    const begun = edited(design, (edit) => tickTask(edit, first, harnessOfDesign(design), true, '2026-11-29'));
    expect([isPulled(begun), of(begun).find((task) => task.id === first.id)!.isDone]).toEqual([false, true]);
    const ended = edited(begun, (edit) => tickTask(edit, last, harnessOfDesign(begun), true, '2026-11-29'));
    expect(isPulled(ended)).toBe(true);
    expect(of(ended).filter((task) => task.id.startsWith(id)).every(({ isDone }) => isDone)).toBe(true); // prettier-ignore
    expect(handKey(first)).toBe(id);
    expect(handKey(last)).toBe(id);
    const plain = edited(begun, (edit) => setHand(edit, id, { sittings: undefined, minutes: undefined }));
    expect([recordsOf(plain, 'handTask'), recordsOf(plain, 'doneTask')]).toEqual([[], []]);
    expect(of(plain)).toEqual(of(PIP));
  });
});

describe('days', () => {
  // Paint that takes an hour is dry the next morning; one put on at noon holds up the afternoon.
  test.each([
    [200, 60, 240, 240],
    [60, 60, 240, 120],
    [240, 60, 240, 240],
    [100, 1440, 240, 340],
    [230, 1441, 240, 471],
    [230, 2 * 1440, 240, 710],
    [100, 60, null, 160],
  ])('done at %d, %d minutes on and %s worked a day: from %d', (end, hold, day, expected) => {
    expect(afterHold(end, hold, day)).toBe(expected);
  });

  test('an evening is filled with what is short before the long waits for the morning', () => {
    const task = (id: string, minutes: number): Task => ({
      id,
      kind: 'fit',
      subjectId: null,
      placeId: null,
      minutes,
      after: [],
      isDone: false,
    });
    const { planned } = planWork([task('long', 100), task('longer', 101), task('short', 19), task('shorter', 18)], 1, 120);
    expect(planned.map((one) => [one.task.id, one.startMinute])).toEqual([['longer', 0], ['short', 101], ['long', 120], ['shorter', 220]]); // prettier-ignore
  });

  test('nothing that fits a day goes over its evening, and holds go on overnight', () => {
    const dayMinutes = 180;
    const tasks = of(HERON);
    const { planned } = planWork(tasks, 1, dayMinutes);
    expect(planned.length).toBe(tasks.length);
    let over = 0;
    for (const { startMinute, endMinute, task } of planned) {
      const isOver = Math.floor(startMinute / dayMinutes) !== Math.floor((endMinute - 1e-6) / dayMinutes);
      if (isOver) expect(task.minutes).toBeGreaterThan(dayMinutes - 1e-9);
      if (endMinute % dayMinutes > dayMinutes - 30) over++;
    }
    expect(over).toBeGreaterThan(3);
    const at = new Map(planned.map((one) => [one.task.id, one]));
    for (const { task, startMinute } of planned)
      for (const { id, holdMinutes } of task.after) expect(afterHold(at.get(id)!.endMinute, holdMinutes, dayMinutes)).toBeLessThanOrEqual(startMinute + 1e-9); // prettier-ignore
  });
});

// Common practice, each: what one has in the hand for it.
test('what a task needs is told in words', () => {
  const design = HERON;
  const index = indexDesign(design);
  const harness = harnessOfDesign(design);
  const tasks = tasksOf(design, index, harness, { isCold: false });
  const said = (wanted: (task: Task) => boolean) => needsOf(design, index, harness, tasks.find(wanted)!).map((need) => needWords(need, 'metric')); // prettier-ignore
  expect(said(({ kind }) => kind === 'drill')).toEqual([expect.stringMatching(/^drill, and a step drill or hole saw to \d+ mm$/)]);
  expect(said(({ kind, subjectId }) => kind === 'cutPanel' && subjectId === 'pan_hide')).toEqual([
    expect.stringContaining('saw or file for 21 mm by 37 mm'),
  ]);
  expect(said(({ id }) => id === 'make shared')).toEqual([expect.stringContaining('lugs'), 'heat gun for sleeves']);
  expect(said(({ id }) => id === 'land shared')).toEqual([expect.stringMatching(/^torque wrench for M\d/)]);
  const fridge = recordsOf(design, 'circuit').find(({ name }) => name === 'Fridge')!.id;
  expect(said(({ id }) => id === `power ${fridge}`)).toEqual(['meter', expect.stringMatching(/A test fuse$/), 'extinguisher within reach']);
  const lamp = recordsOf(design, 'device').find(({ name }) => name === 'Left scene lamp, white')!.id;
  expect(said(({ id }) => id === `fit ${lamp}`)).toContain('held up and lit in the dark before anything is drilled');
  const isTapping = (task: Task) => task.kind === 'land' && needsOf(design, index, harness, task).some(({ kind }) => kind === 'proved');
  expect(said(isTapping)).toContain('the vehicle’s own wire metered in every state before it is tapped');
  expect(tasks.filter(isTapping).length).toBeLessThan(4);
  expect(said(({ kind }) => kind === 'seal')).toEqual(['dry, over 10 °C, degreased']);
  expect(said(({ kind }) => kind === 'aim')).toEqual(['dusk or darkness']);
  // A ring is tightened to its torque; where none lands nothing is.
  for (const task of tasks.filter(({ kind }) => kind === 'land')) {
    const rings = harness.wires.filter(({ role }) => role.circuitId === task.subjectId).flatMap(({ from, to }) => [from.ending.stud, to.ending.stud]); // prettier-ignore
    expect(needsOf(design, index, harness, task).some(({ kind }) => kind === 'wrench')).toBe(rings.some((stud) => stud !== null)); // prettier-ignore
  }
  for (const task of tasks.filter(({ kind }) => kind === 'pull')) {
    const ways = harness.wires.filter(({ role }) => role.circuitId === task.subjectId).flatMap(({ routeIds }) => routeIds);
    const feeds = ways.map((id) => index.layout.routes.get(id)!.route.feed);
    const needs = needsOf(design, index, harness, task).map(({ kind }) => kind);
    expect([needs.includes('drawWire'), needs.includes('helper')]).toEqual([feeds.includes('drawWire'), feeds.includes('helper')]);
  }
  const pulls = tasks.filter(({ kind }) => kind === 'pull').map((task) => needsOf(design, index, harness, task).map(({ kind }) => kind).join()); // prettier-ignore
  expect(new Set(pulls)).toEqual(new Set(['', 'drawWire', 'drawWire,helper', 'helper'].filter((one) => pulls.includes(one))));
  expect(pulls).toContain('drawWire');
});

test('covers go back once all is read and the sealant has cured', () => {
  const tasks = of(HERON);
  const refit = tasks.find(({ kind }) => kind === 'refit')!;
  expect(refit.after.filter(({ holdMinutes }) => holdMinutes === SEALANT_HOLD).length).toBe(tasks.filter(({ kind }) => kind === 'seal').length); // prettier-ignore
  expect(tasks.filter(({ kind }) => kind === 'seal').length).toBeGreaterThan(0);
  for (const { id } of tasks.filter(({ kind }) => kind === 'test' || kind === 'aim')) expect(waitsFor(tasks, 'refit', id)).toBe(true);
});

// Common practice: lead is lifted by two from some 20 kg; what is stuck on wants it dry and warm.
test('what is heavy takes two, what is stuck takes dry weather', () => {
  const kindsOf = (design: Design, id: string) =>
    needsOf(design, indexDesign(design), harnessOfDesign(design), of(design).find((task) => task.id === `fit ${id}`)!).map(({ kind }) => kind); // prettier-ignore
  const named = (design: Design, name: string) => deviceCalled(design, name).id;
  // 80 Ah of lead, and 200 Ah of lithium in two.
  expect([kindsOf(PIP, 'bat_house'), kindsOf(HERON, 'bat_house')]).toEqual([['helper'], []]);
  const weighed = (weightKg: number) =>
    kindsOf(
      edited(HERON, (edit) => edit.set('bat_house', { weightKg })),
      'bat_house',
    );
  expect([weighed(19), weighed(20)]).toEqual([[], ['helper']]);
  expect([kindsOf(PIP, named(PIP, 'Galley strip')), kindsOf(PIP, named(PIP, 'Water pump'))]).toEqual([['dry'], []]);
});

test('a part that is not at hand is told, and whether it is on its way', () => {
  const device = recordsOf(PIP, 'device').find(({ kind }) => kind === 'isolator')!;
  const part = partKey({ group: 'parts', like: device, count: 1, names: [] });
  const said = (stock: { have?: number; ordered?: number } | null) => {
    const design = edited(PIP, (edit) => stock && edit.add({ id: 'stock_one', type: 'stock', part, ...stock }));
    const index = indexDesign(design);
    return needsOf(design, index, harnessOfDesign(design), of(design).find(({ id }) => id === `fit ${device.id}`)!).map((need) => needWords(need, 'us')); // prettier-ignore
  };
  expect(said(null)).toEqual([]);
  expect(said({})).toEqual([]);
  expect(said({ have: 1 })).toEqual([]);
  expect(said({ have: 0 })).toEqual(['its part, which is not at hand']);
  expect(said({ have: 0, ordered: 1 })).toEqual(['its part, which is ordered and not here yet']);
  expect(said({ ordered: 2 })).toEqual(['its part, which is ordered and not here yet']);
});

test('a circuit’s wires are made on the day that the plan makes them; what is made already on none', () => {
  const days = makingDays(HERON, indexDesign(HERON), harnessOfDesign(HERON), { isCold: false }, 1, 180);
  const { planned } = planWork(of(HERON), 1, 180);
  const makes = planned.filter(({ task }) => task.kind === 'make');
  expect(days.size).toBe(makes.length);
  for (const { task, startMinute, endMinute } of makes) {
    expect(days.get(task.subjectId)).toBe(Math.floor(startMinute / 180) + 1);
    expect(endMinute).toBeLessThanOrEqual(days.get(task.subjectId)! * 180 + 1e-9);
  }
  expect(new Set(days.values()).size).toBeGreaterThan(3);
  const first = makes[0]!.task;
  const made = edited(HERON, (edit) => tickTask(edit, first, harnessOfDesign(HERON), true, '2026-11-29'));
  expect(makingDays(made, indexDesign(made), harnessOfDesign(made), { isCold: false }, 1, 180).has(first.subjectId)).toBe(false);
});
