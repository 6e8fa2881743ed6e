import * as z from 'zod/mini';
import { listUpTo, numberIn } from '../units/schema';
import { METER_MOVES, METER_STATES } from '../catalog/vocabulary';
import { amps, id, name } from '../devices/fields';

/** A wire of the vehicle that might work something, as it was metered: volts to its ground in one state of the vehicle after another. */
export const trigger = z.strictObject({
  id,
  type: z.literal('trigger'),
  name,
  /** A state not metered is absent. */
  readings: listUpTo(
    z.strictObject({ state: z.enum(METER_STATES), volts: numberIn(-60, 60), moves: z.enum(METER_MOVES) }),
    METER_STATES.length,
  ),
  /** What may be drawn from it, where its maker says so; absent: not known. */
  mayDrawA: z.optional(amps),
});
