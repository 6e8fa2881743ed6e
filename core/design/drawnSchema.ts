import { z } from 'zod';
import { id } from '../devices/fields';

/** In the diagram's own unit, a symbol being 36 wide. */
const onSheet = z.number().min(0).max(20_000);

/** Where a hand put a part of the diagram: the upper left corner of its box. */
export const drawn = z.strictObject({
  id,
  type: z.literal('drawn'),
  /** The sheet; null: what circuits share. */
  circuitId: id.nullable(),
  deviceId: id,
  /** The battery where current comes home, which stands on a sheet by itself. */
  isHome: z.literal(true).optional(),
  x: onSheet,
  y: onSheet,
});

export type Drawn = z.infer<typeof drawn>;
