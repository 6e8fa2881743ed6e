import { z } from 'zod';
import { LIMITS } from '../catalog/vocabulary';
import { id, name } from '../devices/fields';

const task = z.string().min(1).max(120);

/** Something of the work plan that is done and shows nowhere else: a hole, a check, a first power. Told by the task's own key. */
export const doneTask = z.strictObject({
  id,
  type: z.literal('doneTask'),
  task,
  on: z.iso.date(),
});

/** What a hand changed of the work plan: a task of its own, or one that follows from the design, taken otherwise. */
export const handTask = z.strictObject({
  id,
  type: z.literal('handTask'),
  /** The task it is about, by its key. */
  task,
  /** A task of its own, in the person's words; absent: one that follows from the design. */
  text: name.optional(),
  placeId: id.nullable().optional(),
  /** How long it takes; absent: as worked out. */
  minutes: z.number().min(1).max(LIMITS.taskMinutes).optional(),
  /** In how many sittings it is done; absent: in one. */
  sittings: z.number().int().min(2).max(LIMITS.sittings).optional(),
  /** Tasks that wait for it, by hand. */
  before: z.array(task).max(20).optional(),
});

export type HandTask = z.infer<typeof handTask>;
