import * as z from 'zod/mini';
import { numberIn, textOf, textUpTo, wholeIn } from '../units/schema';
import { LIMITS } from '../catalog/vocabulary';
import { id, name } from '../devices/fields';

const count = numberIn(0, 1_000_000);

/** What is known of a line of the parts list beside how much of it is needed. Counts in pieces, wire and cable in mm. */
export const stock = z.strictObject({
  id,
  type: z.literal('stock'),
  /** The line, by what tells it from others. */
  part: textOf(1, 200),
  /** At hand, and on its way. */
  have: z.optional(count),
  ordered: z.optional(count),
  /** What one costs, or a metre. */
  price: z.optional(numberIn(0, 100_000)),
  /** How many are sold together; absent: one by one, wire by the reel. */
  pack: z.optional(wholeIn(1, 10_000)),
  supplier: z.optional(name),
  note: z.optional(textUpTo(LIMITS.nameLength)),
});

export type Stock = z.infer<typeof stock>;
