import type { Task } from './task';

/** When a task is done, in minutes from the beginning, and by whom. */
export interface Planned {
  task: Task;
  startMinute: number;
  endMinute: number;
  person: number;
}

/** The work in order. */
export interface WorkPlan {
  planned: Planned[];
  /** From the first to the last, holds and all, minutes. */
  minutes: number;
  /** Tasks of which any delay delays the end, in order. */
  critical: string[];
}

/** Walking to another place and finding its tools, minutes. Common practice. */
export const MOVE_MINUTES = 3;

/** A day and a night, minutes. */
const DAY = 24 * 60;

/**
 * When something may begin that waits for another to be done and for so long after it. Work is counted in minutes of working days one after
 * the other; what dries or cures does so by the clock, overnight too.
 * @param dayMinutes worked a day; null: without a break
 */
export function afterHold(endMinute: number, holdMinutes: number, dayMinutes: number | null): number {
  if (dayMinutes === null || holdMinutes === 0) return endMinute + holdMinutes;
  // What ends as the day does, ends in its evening.
  const day = Math.max(0, Math.ceil(endMinute / dayMinutes - 1e-9) - 1);
  const clock = day * DAY + (endMinute - day * dayMinutes) + holdMinutes;
  const [then, inDay] = [Math.floor(clock / DAY), clock % DAY];
  return then * dayMinutes + Math.min(inDay, dayMinutes);
}

/** Where a task begins that would not be through by the evening: the next morning, unless no day is long enough. */
function inDay(fromMinute: number, minutes: number, dayMinutes: number | null): number {
  if (dayMinutes === null) return fromMinute;
  if (fromMinute === Infinity) return fromMinute;
  const left = dayMinutes - (fromMinute % dayMinutes);
  return minutes > left + 1e-9 && left < dayMinutes && minutes <= dayMinutes ? fromMinute + left : fromMinute;
}

/**
 * An order of work for some people: whoever is free takes what can be done now and has most still hanging on it; of what weighs nearly the
 * same, what is where they stand. What is done is left out, and holds nothing up.
 * @param dayMinutes worked a day; null: without a break. A task that fits a day is not begun where it would not be through by the evening
 */
export function planWork(tasks: readonly Task[], people: 1 | 2, dayMinutes: number | null = null): WorkPlan {
  const open = tasks.filter(({ isDone }) => !isDone);
  const isOpen = new Set(open.map(({ id }) => id));
  const before = new Map(open.map((task) => [task.id, task.after.filter(({ id }) => isOpen.has(id))]));
  const weight = weights(open, before);
  const ended = new Map<string, number>();
  const workers = Array.from({ length: people }, () => ({ free: 0, place: null as string | null }));
  const left = new Set(open);
  const planned: Planned[] = [];
  while (left.size > 0) {
    const person = workers.indexOf(workers.reduce((soonest, one) => (one.free < soonest.free ? one : soonest)));
    const worker = workers[person]!;
    // What can be begun, as soon as all before it is done and its holds are over.
    const ready = [...left].flatMap((task) => {
      const waits = before
        .get(task.id)!
        .map(({ id, holdMinutes }) => (ended.has(id) ? afterHold(ended.get(id)!, holdMinutes, dayMinutes) : Infinity));
      // What is not through by the evening waits for the morning, and something shorter goes before.
      const from = inDay(Math.max(worker.free, 0, ...waits), task.minutes, dayMinutes);
      return from === Infinity ? [] : [{ task, from }];
    });
    const soonest = Math.min(...ready.map(({ from }) => from));
    const now = ready.filter(({ from }) => from <= soonest);
    const heaviest = Math.max(...now.map(({ task }) => weight.get(task.id)!));
    const near = now.filter(({ task }) => weight.get(task.id)! >= heaviest - NEARLY_MINUTES);
    const here = near.filter(({ task }) => task.placeId === null || task.placeId === worker.place);
    const [{ task }] = [...(here.length > 0 ? here : near)].sort(
      (a, b) => weight.get(b.task.id)! - weight.get(a.task.id)! || (a.task.id < b.task.id ? -1 : 1),
    ) as [{ task: Task; from: number }];
    const walks = task.placeId !== null && task.placeId !== worker.place ? MOVE_MINUTES : 0;
    const startMinute = inDay(soonest + walks, task.minutes, dayMinutes);
    const endMinute = startMinute + task.minutes;
    planned.push({ task, startMinute, endMinute, person });
    ended.set(task.id, endMinute);
    worker.free = endMinute;
    if (task.placeId !== null) worker.place = task.placeId;
    left.delete(task);
  }
  const minutes = Math.max(0, ...planned.map(({ endMinute }) => endMinute));
  return { planned, minutes, critical: criticalOf(planned, before) };
}

/** Of tasks that weigh within this, the one where one stands is taken, minutes. */
const NEARLY_MINUTES = 25;

/** How long it takes from a task's beginning to the end of all that hangs on it, were there hands enough. */
function weights(tasks: readonly Task[], before: ReadonlyMap<string, Task['after']>): Map<string, number> {
  const behind = new Map<string, { id: string; holdMinutes: number }[]>();
  for (const task of tasks)
    for (const { id, holdMinutes } of before.get(task.id)!) behind.set(id, [...(behind.get(id) ?? []), { id: task.id, holdMinutes }]);
  const byId = new Map(tasks.map((task) => [task.id, task]));
  const known = new Map<string, number>();
  const weigh = (id: string): number => {
    const before_ = known.get(id);
    if (before_ !== undefined) return before_;
    const rest = Math.max(0, ...(behind.get(id) ?? []).map((next) => next.holdMinutes + weigh(next.id)));
    const all = byId.get(id)!.minutes + rest;
    known.set(id, all);
    return all;
  };
  for (const { id } of tasks) weigh(id);
  return known;
}

/** The least a plan can take: its longest chain, or all of the work shared out. */
export function leastMinutes(tasks: readonly Task[], people: number): number {
  const open = tasks.filter(({ isDone }) => !isDone);
  const isOpen = new Set(open.map(({ id }) => id));
  const before = new Map(open.map((task) => [task.id, task.after.filter(({ id }) => isOpen.has(id))]));
  const chain = Math.max(0, ...weights(open, before).values());
  return Math.max(chain, open.reduce((sum, { minutes }) => sum + minutes, 0) / people);
}

/** From the last task back: what it waited for, be it another task, a hold or the hand that did it. */
function criticalOf(planned: readonly Planned[], before: ReadonlyMap<string, Task['after']>): string[] {
  const byId = new Map(planned.map((one) => [one.task.id, one]));
  const path: string[] = [];
  let at = planned.reduce<Planned | null>((last, one) => (!last || one.endMinute > last.endMinute ? one : last), null);
  while (at) {
    path.unshift(at.task.id);
    const { task, startMinute, person }: Planned = at;
    const waited = before
      .get(task.id)!
      .map(({ id, holdMinutes }) => ({ one: byId.get(id)!, until: byId.get(id)!.endMinute + holdMinutes }));
    const hand = planned.filter((one) => one.person === person && one.endMinute <= startMinute && one.task.id !== task.id).map((one) => ({ one, until: one.endMinute })); // prettier-ignore
    const last = [...waited, ...hand].reduce<{ one: Planned; until: number } | null>(
      (most, each) => (!most || each.until > most.until ? each : most),
      null,
    );
    at = last?.one ?? null;
  }
  return path;
}
