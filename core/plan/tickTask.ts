import type { Edit } from '../design/edit';
import { recordsOf } from '../design/design';
import { newId } from '../design/ids';
import { tick } from '../harness/making';
import type { Harness } from '../harness/schedule';
import type { Task } from './tasks';

/** Marks a task as done, or not: where the design says so itself, as a device that is fitted or a wire that is pulled, there; else beside it. */
export function tickTask(edit: Edit, { id, kind, subjectId }: Task, { wires }: Harness, isDone: boolean, today: string): void {
  const wireIds = wires.filter(({ role }) => role.circuitId === subjectId).map(({ wire }) => wire.id);
  switch (kind) {
    case 'fit':
      edit.set(subjectId!, { work: isDone ? { state: 'fitted' } : undefined });
      return;
    case 'make':
      for (const step of ['cut', 'stripped', 'crimped', 'labelled'] as const) tick(edit, wireIds, step, isDone);
      return;
    case 'pull':
      tick(edit, wireIds, 'pulled', isDone);
      return;
    case 'land':
      for (const wireId of wireIds) edit.set(wireId, { work: isDone ? { state: 'fitted' } : undefined });
      return;
    default:
      markDone(edit, id, isDone, today);
  }
}

/** Marks a task by its key that shows nowhere else in the design. */
export function markDone(edit: Edit, task: string, isDone: boolean, today: string): void {
  const known = recordsOf(edit.design, 'doneTask').find((one) => one.task === task);
  if (isDone && !known) edit.add({ id: newId('done'), type: 'doneTask', task, on: today });
  if (!isDone && known) edit.remove(known.id);
}
