import { z } from 'zod';
import { id } from '../devices/fields';

/** Something of the work plan that is done and shows nowhere else: a hole, a check, a first power. Told by the task's own key. */
export const doneTask = z.strictObject({
  id,
  type: z.literal('doneTask'),
  task: z.string().min(1).max(120),
  on: z.iso.date(),
});
