import type { Edit } from '../design/edit';
import { tick } from '../harness/making';
import type { Harness } from '../harness/schedule';
import { markDone } from './markDone';
import type { Task } from './task';

/**
 * Marks a task as done, or not: where the design says so itself, as a device that is fitted or a wire that is pulled, there; else beside
 * it.
 */
export function tickTask(edit: Edit, { id, kind, subjectId, sitting }: Task, { wires }: Harness, isDone: boolean, today: string): void {
  // What is begun shows in the design once it is through.
  if (sitting && sitting.at < sitting.of) return markDone(edit, id, isDone, today);
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
