import * as z from 'zod/mini';
import { listOf, textOf } from '../units/schema';
import { LIMITS, VEHICLE_CONTROLS, type VehicleControl } from '../catalog/vocabulary';
import { id, seconds } from '../devices/fields';

/** What a load shall do, as sentences made by choosing. A wish says nothing of how: the wiring keeps it or breaks it. */

const vehicleControl = z.enum(Object.keys(VEHICLE_CONTROLS) as [VehicleControl, ...VehicleControl[]]);

/** Something that is moved: a control of a device, or one of the vehicle's own. */
export const mover = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('device'), deviceId: id, control: textOf(1, 20) }),
  z.strictObject({ kind: z.literal('vehicle'), control: vehicleControl }),
]);

/** How it stands. A channel that latches stands `true` while it is on, whatever its button does. */
export const position = z.union([textOf(1, 20), z.number(), z.boolean()]);
const condition = z.strictObject({ mover, position });
const conditions = listOf(condition, 1, LIMITS.conditions);

const says = z.discriminatedUnion('kind', [
  /** Lit, or dark, whenever all of these are so. One that `wins` is followed where another one of its load says the contrary. */
  z.strictObject({ kind: z.literal('on'), when: conditions, wins: z.optional(z.boolean()) }),
  z.strictObject({ kind: z.literal('off'), when: conditions, wins: z.optional(z.boolean()) }),
  /** Never lit together with another load. */
  z.strictObject({ kind: z.literal('neverWith'), otherId: id }),
  /** Goes on so long after something has ended, and not much longer. */
  z.strictObject({ kind: z.literal('staysOn'), after: condition, seconds: seconds.check(z.minimum(1)) }),
  /** With the key out it works as with it in, or stays dark; null: not decided. */
  z.strictObject({ kind: z.literal('keyOut'), answer: z.nullable(z.enum(['works', 'dark'])) }),
  /** What it does when the house battery was off and is back; null: not decided. */
  z.strictObject({ kind: z.literal('powerBack'), answer: z.nullable(z.enum(['off', 'asBefore', 'on'])) }),
  /** Moving this never changes it. */
  z.strictObject({ kind: z.literal('whatever'), mover }),
  /** Can still be lit without this: a fuse that is out, a fob that is lost, a relay that does not pull in. */
  z.strictObject({ kind: z.literal('stillWorks'), withoutId: id }),
  /** No single act on anything at rest puts it on. */
  z.strictObject({ kind: z.literal('notByOne') }),
  /** Off and on again, it is as bright as it was. */
  z.strictObject({ kind: z.literal('levelKept') }),
]);

export const wish = z.strictObject({ id, type: z.literal('wish'), loadId: id, says });

export type Mover = z.infer<typeof mover>;
export type Condition = z.infer<typeof condition>;
export type WishSays = z.infer<typeof says>;
