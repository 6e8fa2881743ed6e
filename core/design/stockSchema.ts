import { z } from 'zod';
import { LIMITS } from '../catalog/vocabulary';
import { id, name } from '../devices/fields';

const count = z.number().min(0).max(1_000_000);

/** What is known of a line of the parts list beside how much of it is needed. Counts in pieces, wire and cable in mm. */
export const stock = z.strictObject({
  id,
  type: z.literal('stock'),
  /** The line, by what tells it from others. */
  part: z.string().min(1).max(200),
  /** At hand, and on its way. */
  have: count.optional(),
  ordered: count.optional(),
  /** What one costs, or a metre. */
  price: z.number().min(0).max(100_000).optional(),
  /** How many are sold together; absent: one by one, wire by the reel. */
  pack: z.number().int().min(1).max(10_000).optional(),
  supplier: name.optional(),
  note: z.string().max(LIMITS.nameLength).optional(),
});

export type Stock = z.infer<typeof stock>;
