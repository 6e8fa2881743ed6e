import type { Edit } from '../design/edit';
import { recordsOf } from '../design/design';
import { newId } from '../design/ids';

/** Marks a task by its key that shows nowhere else in the design. */
export function markDone(edit: Edit, task: string, isDone: boolean, today: string): void {
  const known = recordsOf(edit.design, 'doneTask').find((one) => one.task === task);
  if (isDone && !known) edit.add({ id: newId('done'), type: 'doneTask', task, on: today });
  if (!isDone && known) edit.remove(known.id);
}
