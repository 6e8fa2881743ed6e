import * as z from 'zod/mini';
import { listOf, listUpTo, textOf, wholeIn } from '../units/schema';
import { CONDUCTOR_SIZES } from '../catalog/conductorSizes';
import { LIMITS } from '../catalog/vocabulary';
import { WIRE_COLOUR_CODES } from '../catalog/wireColours';
import { id, name } from '../devices/fields';

const wireColour = z.enum(WIRE_COLOUR_CODES);

/** One conductor inside a cable's sheath. */
const cableCore = z.strictObject({ conductor: z.enum(CONDUCTOR_SIZES), colour: wireColour, stripe: z.optional(wireColour) });

/** Several conductors in one sheath; which wire is which core stands with the wire. */
export const cable = z.strictObject({
  id,
  type: z.literal('cable'),
  name,
  cores: listOf(cableCore, 2, LIMITS.cores),
});

/** Which core of which cable a wire is, counted from 1. */
export const coreOfCable = z.strictObject({ cableId: id, at: wholeIn(1, LIMITS.cores) });

/** What somebody says a lead is; null: that it is not used. */
const claim = z.strictObject({ by: name, terminal: z.nullable(textOf(1, 20)) });

/** A lead that a device comes with, by its colour: what is said of it, and what a meter proved. */
export const lead = z.strictObject({
  id,
  type: z.literal('lead'),
  deviceId: id,
  colour: wireColour,
  stripe: z.optional(wireColour),
  says: listUpTo(claim, 4),
  /** What it was found to be; null: nothing; absent: nobody has metered it. */
  proved: z.optional(z.nullable(textOf(1, 20))),
  /** Put over both its ends where its own colour misleads. */
  sleeve: z.optional(wireColour),
  /** Whether its end is closed off, where nothing is joined to it; absent: nobody has said so. */
  capped: z.optional(z.literal(true)),
});

const thing = textOf(1, LIMITS.nameLength);

/** What comes in one box. Its devices, fuses and wires say that they are of it, and are not bought or cut again. */
export const kit = z.strictObject({
  id,
  type: z.literal('kit'),
  name,
  /** What it needs and does not bring, in the person's words. */
  lacks: listUpTo(thing, 40),
  /** What of it is not used here. */
  leftOver: listUpTo(thing, 40),
});

export type Cable = z.infer<typeof cable>;
export type CableCore = z.infer<typeof cableCore>;
export type Lead = z.infer<typeof lead>;
export type Kit = z.infer<typeof kit>;
