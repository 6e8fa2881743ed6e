import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { randomDesign } from '../../testing/randomDesign';
import { seeded } from '../../testing/random';
import { applyChange, updateRecords } from '../design/change';
import { Edit } from '../design/edit';
import { recordsOf, type Design } from '../design/design';
import { harnessOfDesign } from '../harness/schedule';
import { indexDesign } from '../rig/designIndex';
import { leastMinutes, MOVE_MINUTES, planWork, type WorkPlan } from './schedule';
import { tickTask } from './tickTask';
import { COLD_TIMES, PRIMER_HOLD, SEALANT_HOLD, tasksOf } from './tasks';
import type { Task } from './task';

const of = (design: Design, isCold = false) => tasksOf(design, indexDesign(design), harnessOfDesign(design), { isCold });

/** Everything that must be so of a plan, whoever made it. */
function breaks(tasks: readonly Task[], { planned }: WorkPlan, people: number): string[] {
  const at = new Map(planned.map((one) => [one.task.id, one]));
  const broken: string[] = [];
  const open = tasks.filter(({ isDone }) => !isDone);
  if (planned.length !== open.length || at.size !== open.length) broken.push('not every open task once');
  for (const { task, startMinute, endMinute, person } of planned) {
    if (Math.abs(endMinute - startMinute - task.minutes) > 1e-9) broken.push(`${task.id} takes another time`);
    if (person < 0 || person >= people) broken.push(`${task.id} is nobody's`);
    for (const { id, holdMinutes } of task.after) {
      const before = at.get(id);
      if (before && before.endMinute + holdMinutes > startMinute + 1e-9) broken.push(`${task.id} before ${id}`);
    }
  }
  for (let person = 0; person < people; person++) {
    const own = planned.filter((one) => one.person === person).sort((a, b) => a.startMinute - b.startMinute);
    own.forEach((one, place) => {
      const last = own[place - 1];
      if (last && last.endMinute > one.startMinute + 1e-9) broken.push(`${one.task.id} while ${last.task.id}`);
    });
  }
  return broken;
}

test('no constraint is ever broken, alone or with a helper, on the demos and 60 random designs', () => {
  let constraints = 0;
  for (const design of [heron(), pip(), ...Array.from({ length: 60 }, (_, at) => randomDesign(at + 1).design)])
    for (const people of [1, 2] as const) {
      const tasks = of(design);
      constraints += tasks.reduce((sum, { after }) => sum + after.length, 0);
      expect(breaks(tasks, planWork(tasks, people), people)).toEqual([]);
    }
  expect(constraints).toBeGreaterThan(2000);
});

// Common practice, one order of many: hole, primer dry, grommet, cable; ends checked before power; the battery last; one circuit at a time.
test('Heron’s plan goes by the trade’s order', () => {
  const design = heron();
  const { planned } = planWork(of(design), 1);
  const at = (id: string) => planned.findIndex(({ task }) => task.id === id);
  const all = (kind: Task['kind']) => planned.flatMap(({ task }, place) => (task.kind === kind ? [place] : []));
  expect(at('isolate')).toBe(planned.findIndex(({ task }) => task.kind !== 'make' && task.kind !== 'cutPanel'));
  expect(Math.max(...all('ohms'))).toBeLessThan(at('connect'));
  expect(Math.min(...all('power'))).toBeGreaterThan(at('connect'));
  for (const { task, startMinute } of planned.filter(({ task: { kind } }) => kind === 'grommet')) {
    const prime = planned.find((one) => one.task.id === task.after[0]!.id)!;
    expect(startMinute - prime.endMinute).toBeGreaterThanOrEqual(PRIMER_HOLD);
  }
  const gland = recordsOf(design, 'route').find(({ name }) => name === 'Left wall gland')!;
  expect(at(`grommet ${gland.id} 0`)).toBeGreaterThan(at(`drill ${gland.id} 0`));
  expect(all('power').length).toBe(21);
});

// Common practice: what flows with everything off is milliamperes, so 1 A; a fridge that runs by itself needs more, and never as much as
// its own fuse.
test('a test fuse holds what flows by itself and is smaller than the circuit’s own', () => {
  const design = heron();
  const fuseOf = (name: string) => {
    const circuit = recordsOf(design, 'circuit').find((one) => one.name === name)!;
    const own = recordsOf(design, 'device').find(({ id }) => id === circuit.protectionId)!;
    return { test: of(design).find(({ id }) => id === `power ${circuit.id}`)!.testFuseA, own: own.kind === 'protection' ? own.ratingA : 0 };
  };
  expect(fuseOf('Water pump').test).toBe(1);
  const fridge = fuseOf('Fridge');
  expect(fridge.test).toBeGreaterThan(3);
  expect(fridge.test).toBeLessThan(fridge.own);
});

test('in the cold what dries holds longer, and so does the whole', () => {
  const tasks = of(heron(), true);
  const holds = (some: readonly Task[]) => [...new Set(some.flatMap(({ after }) => after.map(({ holdMinutes }) => holdMinutes)))].sort((a, b) => a - b); // prettier-ignore
  expect(holds(tasks)).toEqual([0, PRIMER_HOLD * COLD_TIMES, SEALANT_HOLD * COLD_TIMES]);
  expect(holds(of(heron()))).toEqual([0, PRIMER_HOLD, SEALANT_HOLD]);
});

test('what is done is left out, and the rest planned anew', () => {
  const design = heron();
  const wires = recordsOf(design, 'wire');
  const made = applyChange(design, updateRecords(design, wires.map(({ id }) => ({ id, set: { made: ['cut', 'stripped', 'crimped', 'labelled', 'pulled'] } })))); // prettier-ignore
  const [before, after] = [planWork(of(design), 1), planWork(of(made), 1)];
  expect(after.planned.some(({ task }) => task.kind === 'make' || task.kind === 'pull' || task.kind === 'drill')).toBe(false);
  expect(after.minutes).toBeLessThan(before.minutes);
  const fitted = applyChange(made, updateRecords(made, recordsOf(made, 'device').map(({ id }) => ({ id, set: { work: { state: 'fitted' as const } } })))); // prettier-ignore
  expect(planWork(of(fitted), 1).planned.some(({ task }) => task.kind === 'fit' || task.kind === 'cutPanel')).toBe(false);
});

test('a plan is near the least there can be: the demos within what walking costs, small ones within a twentieth of the best order there is', () => {
  for (const design of [heron(), pip()]) {
    const tasks = of(design);
    for (const people of [1, 2] as const) {
      const { minutes } = planWork(tasks, people);
      const walks = (tasks.length * MOVE_MINUTES) / people;
      expect(minutes).toBeLessThanOrEqual(leastMinutes(tasks, people) * 1.05 + walks);
    }
  }
  const random = seeded(9);
  let [sum, best] = [0, 0];
  for (let round = 0; round < 40; round++) {
    const tasks = Array.from({ length: 6 }, (_, at): Task => ({
      ...{ id: `t${at}`, kind: 'fit', subjectId: null, placeId: random() < 0.5 ? 'here' : 'there', minutes: 5 + Math.floor(random() * 40) },
      after: Array.from({ length: at }, (__, before) => ({ id: `t${before}`, holdMinutes: random() < 0.3 ? 30 : 0 })).filter(() => random() < 0.3), // prettier-ignore
      isDone: false,
    }));
    sum += planWork(tasks, 1).minutes;
    best += Math.min(...permutations(tasks).map((order) => serial(order)).filter(Number.isFinite)); // prettier-ignore
  }
  expect(sum / best).toBeLessThanOrEqual(1.05);
});

/** How long one person takes in a given order; never where something comes before what it needs. */
function serial(order: readonly Task[]): number {
  const ended = new Map<string, number>();
  let [free, place] = [0, null as string | null];
  for (const { id, after, minutes, placeId } of order) {
    const waits = after.map((one) => (ended.has(one.id) ? ended.get(one.id)! + one.holdMinutes : Infinity));
    free = Math.max(free, ...waits) + (placeId !== null && placeId !== place ? MOVE_MINUTES : 0) + minutes;
    if (free === Infinity) return Infinity;
    ended.set(id, free);
    place = placeId ?? place;
  }
  return free;
}

function permutations<T>(all: readonly T[]): T[][] {
  if (all.length <= 1) return [[...all]];
  return all.flatMap((one, at) => permutations([...all.slice(0, at), ...all.slice(at + 1)]).map((rest) => [one, ...rest]));
}

test('a tick stands where the design itself says so, else beside it; taken back it is as before', () => {
  const design = pip();
  const tasks = of(design);
  const kinds = new Set<string>();
  for (const task of tasks) {
    if (kinds.has(task.kind)) continue;
    kinds.add(task.kind);
    const edit = new Edit(design);
    tickTask(edit, task, harnessOfDesign(design), true, '2026-05-02');
    const ticked = applyChange(design, edit.change);
    expect([task.kind, of(ticked).find(({ id }) => id === task.id)!.isDone]).toEqual([task.kind, true]);
    const back = new Edit(ticked);
    tickTask(back, task, harnessOfDesign(ticked), false, '2026-05-03');
    expect(applyChange(ticked, back.change).records).toEqual(design.records);
  }
  expect(kinds.size).toBeGreaterThan(11);
});
