import * as z from 'zod/mini';
import { numberIn } from '../units/schema';
import { id } from '../devices/fields';

/** In the diagram's own unit, a symbol being 36 wide. */
const onSheet = numberIn(0, 20_000);

/** Where a hand put a part of the diagram: the upper left corner of its box. */
export const drawn = z.strictObject({
  id,
  type: z.literal('drawn'),
  /** The sheet; null: what circuits share. */
  circuitId: z.nullable(id),
  deviceId: id,
  /** The battery where current comes home, which stands on a sheet by itself. */
  isHome: z.optional(z.literal(true)),
  x: onSheet,
  y: onSheet,
});

export type Drawn = z.infer<typeof drawn>;
