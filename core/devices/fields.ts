import * as z from 'zod/mini';
import { numberIn, textUpTo } from '../units/schema';
import { LIMITS, STUD_SIZES, WORK_STATES } from '../catalog/vocabulary';

/** The fields records are made of, each with its bounds. Every unit is in the field's name where a record uses it. */

export const id = z.string().check(z.regex(/^[A-Za-z0-9_-]{1,40}$/, 'an id is 1 to 40 letters, digits, "_" or "-"'));
export const name = z
  .string()
  .check(
    z.maxLength(LIMITS.nameLength),
    z.regex(/^(?=.*\S)[^\u0000-\u001f\u007f]*$/, 'a name needs at least one visible character and no control characters'),
  );
export const note = textUpTo(LIMITS.noteLength);
export const lengthMm = numberIn(0, LIMITS.lengthMm);
export const percent = numberIn(0, 100);
export const volts = numberIn(1, 60);
export const amps = numberIn(0, LIMITS.amps);
export const watts = numberIn(0, LIMITS.watts);
export const milliohm = numberIn(0, 10_000);
/** Longer than any day. */
export const seconds = numberIn(0, 100_000);

/** What its cables are bolted to; absent: not known. */
export const stud = z.optional(z.enum(STUD_SIZES));

/** A distance in the vehicle from its front left corner on the ground; small negatives are for what sticks out. */
export const placeMm = numberIn(-2000, LIMITS.vehicleMm);

/** How far a device or a wire has come; absent: planned. */
export const work = z.optional(
  z.strictObject({
    state: z.enum(WORK_STATES),
    /** Why it is temporary or was taken out. */
    why: z.optional(note),
    /** The day to come back to what is temporary. */
    due: z.optional(z.iso.date()),
  }),
);

/** What every device has. */
export const deviceBase = {
  id,
  type: z.literal('device'),
  name,
  zoneId: z.nullable(id),
  /** Where it is fixed. */
  placeId: z.optional(z.nullable(id)),
  /** How far it reaches behind the panel it sits in. */
  depthMm: z.optional(z.nullable(lengthMm)),
  /** Its body along, across and up the vehicle, about where it is fixed. */
  sizeMm: z.optional(z.strictObject({ lengthMm, widthMm: lengthMm, heightMm: lengthMm })),
  weightKg: z.optional(numberIn(0, 2000)),
  /** Whether it stands water by itself. */
  sealed: z.optional(z.boolean()),
  /** The kit it comes with. */
  kitId: z.optional(id),
  work,
};
