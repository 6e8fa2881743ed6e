import { z } from 'zod';
import { METER_MOVES, METER_STATES } from '../catalog/vocabulary';
import { amps, id, name } from '../devices/fields';

/** A wire of the vehicle that might work something, as it was metered: volts to its ground in one state of the vehicle after another. */
export const trigger = z.strictObject({
  id,
  type: z.literal('trigger'),
  name,
  /** A state not metered is absent. */
  readings: z
    .array(z.strictObject({ state: z.enum(METER_STATES), volts: z.number().min(-60).max(60), moves: z.enum(METER_MOVES) }))
    .max(METER_STATES.length),
  /** What may be drawn from it, where its maker says so; absent: not known. */
  mayDrawA: amps.optional(),
});
