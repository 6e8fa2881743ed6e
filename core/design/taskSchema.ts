import * as z from 'zod/mini';
import { listUpTo, numberIn, textOf, wholeIn } from '../units/schema';
import { LIMITS } from '../catalog/vocabulary';
import { id, name } from '../devices/fields';

const task = textOf(1, 120);

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
  text: z.optional(name),
  placeId: z.optional(z.nullable(id)),
  /** How long it takes; absent: as worked out. */
  minutes: z.optional(numberIn(1, LIMITS.taskMinutes)),
  /** In how many sittings it is done; absent: in one. */
  sittings: z.optional(wholeIn(2, LIMITS.sittings)),
  /** Tasks that wait for it, by hand. */
  before: z.optional(listUpTo(task, 20)),
});

export type HandTask = z.infer<typeof handTask>;
