import type { Edit } from '../design/edit';
import { recordsOf, type Design } from '../design/design';
import { newId } from '../design/ids';
import type { HandTask } from '../design/schema';
import type { Task } from './task';

/** Minutes of a task of one's own, where nobody says. */
const OWN_MINUTES = 15;

/**
 * The tasks that follow from a design, as a hand took them: with its own among them, its minutes, its sittings, and what it wants before
 * what. What it wants against the order the trade keeps is passed over.
 */
export function withHands(tasks: readonly Task[], design: Design, ticked: ReadonlySet<string>): Task[] {
  const hands = recordsOf(design, 'handTask');
  if (hands.length === 0) return [...tasks];
  const byTask = new Map(hands.map((hand) => [hand.task, hand]));
  const own = hands.flatMap(({ id, task, text, placeId = null, minutes = OWN_MINUTES }): Task[] =>
    text === undefined ? [] : [{ id: task, kind: 'own', subjectId: id, placeId, minutes, after: [], isDone: ticked.has(task) }],
  );
  const taken = [...tasks, ...own].map((task): Task => ({ ...task, minutes: byTask.get(task.id)?.minutes ?? task.minutes }));
  return hands.reduce(waitingFor, taken).flatMap((task) => inSittings(task, byTask.get(task.id)?.sittings, ticked));
}

/** Lets tasks wait for one as a hand wants it, but where that one waits for them itself. */
function waitingFor(all: Task[], { task: id, before = [] }: HandTask): Task[] {
  if (!all.some((task) => task.id === id)) return all;
  const later = before.filter((other) => other !== id && all.some((task) => task.id === other) && !waitsFor(all, id, other));
  return all.map((task) => (later.includes(task.id) ? { ...task, after: [...task.after, { id, holdMinutes: 0 }] } : task));
}

/** Whether a task comes after another, however far on. */
export function waitsFor(tasks: readonly Task[], id: string, other: string): boolean {
  const byId = new Map(tasks.map((task) => [task.id, task]));
  const seen = new Set<string>();
  const open = [id];
  for (let at = open.pop(); at !== undefined; at = open.pop()) {
    if (at === other) return true;
    if (seen.has(at)) continue;
    seen.add(at);
    open.push(...(byId.get(at)?.after ?? []).map((before) => before.id));
  }
  return false;
}

/** A task in as many parts, one after the other; the last has its key, so that whatever waits for it waits for all. */
function inSittings(task: Task, of: number | undefined, ticked: ReadonlySet<string>): Task[] {
  if (of === undefined) return [task];
  const keyOf = (at: number) => (at === of ? task.id : `${task.id} part ${at}`);
  return Array.from({ length: of }, (_, place): Task => {
    const at = place + 1;
    return {
      ...task,
      id: keyOf(at),
      minutes: task.minutes / of,
      after: at === 1 ? task.after : [{ id: keyOf(at - 1), holdMinutes: 0 }],
      isDone: task.isDone || (at < of && ticked.has(keyOf(at))),
      sitting: { at, of },
    };
  });
}

/** What a hand calls a task: whichever of its sittings it is, the one that has its key. */
export function handKey({ id, sitting }: Task): string {
  return sitting && sitting.at < sitting.of ? id.slice(0, id.lastIndexOf(' part ')) : id;
}

/** What a hand did to a task, its record made where there is none. */
export function setHand(edit: Edit, task: string, fields: Pick<HandTask, 'minutes' | 'sittings' | 'before'>): void {
  const known = recordsOf(edit.design, 'handTask').find((one) => one.task === task);
  const hand = known ?? edit.add<HandTask>({ id: newId('hand'), type: 'handTask', task });
  edit.set(hand, fields);
  // In one sitting it has no parts that could be ticked.
  if ('sittings' in fields && fields.sittings === undefined) removeParts(edit, task);
  const now = recordsOf(edit.design, 'handTask').find((one) => one.task === task)!;
  // Nothing is left of it that a hand did.
  if (now.text === undefined && now.minutes === undefined && now.sittings === undefined && !now.before?.length) edit.remove(now.id);
}

/** Adds a task of one's own. */
export function addOwnTask(edit: Edit, text: string, placeId: string | null, minutes: number): void {
  const id = newId('hand');
  edit.add({ id, type: 'handTask', task: `own ${id}`, text, placeId, minutes });
}

function removeParts(edit: Edit, task: string): void {
  for (const record of recordsOf(edit.design, 'doneTask')) if (record.task.startsWith(`${task} part `)) edit.remove(record.id);
}

/** Takes a task of one's own away, with its tick and whatever was to wait for it. */
export function removeOwnTask(edit: Edit, task: string): void {
  removeParts(edit, task);
  for (const record of [...recordsOf(edit.design, 'handTask'), ...recordsOf(edit.design, 'doneTask')])
    if (record.task === task) edit.remove(record.id);
  for (const { task: other, before } of recordsOf(edit.design, 'handTask'))
    if (before?.includes(task)) setHand(edit, other, { before: before.filter((one) => one !== task) });
}

/**
 * Puts a task before another, by hand.
 * @returns false where it waits for the other itself, or where as many are put behind it as a hand may
 */
export function putBefore(edit: Edit, tasks: readonly Task[], task: string, other: string): boolean {
  if (waitsFor(tasks, task, other)) return false;
  const before = recordsOf(edit.design, 'handTask').find((one) => one.task === task)?.before ?? [];
  if (before.length >= MOST_BEFORE) return false;
  if (!before.includes(other)) setHand(edit, task, { before: [...before, other] });
  return true;
}
const MOST_BEFORE = 20;
