import * as z from 'zod/mini';
import { numberIn } from '../units/schema';
import { CONDUCTOR_SIZES } from '../catalog/conductorSizes';
import { lengthMm } from './fields';

const fuse = z.nullable(numberIn(1, 1000));

/** The cable from something that charges to the house battery, and the fuses at its two ends; null: none there. */
export const feedCable = z.strictObject({
  conductor: z.enum(CONDUCTOR_SIZES),
  /** One way. */
  lengthMm,
  batteryFuseA: fuse,
  sourceFuseA: fuse,
});

export type FeedCable = z.infer<typeof feedCable>;
