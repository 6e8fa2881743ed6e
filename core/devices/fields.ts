import { z } from 'zod';
import { LIMITS, STUD_SIZES, WORK_STATES } from '../catalog/vocabulary';

/** The fields records are made of, each with its bounds. Every unit is in the field's name where a record uses it. */

export const id = z.string().regex(/^[A-Za-z0-9_-]{1,40}$/, 'an id is 1 to 40 letters, digits, "_" or "-"');
export const name = z
  .string()
  .max(LIMITS.nameLength)
  .regex(/^(?=.*\S)[^\u0000-\u001f\u007f]*$/, 'a name needs at least one visible character and no control characters');
export const note = z.string().max(LIMITS.noteLength);
export const lengthMm = z.number().min(0).max(LIMITS.lengthMm);
export const percent = z.number().min(0).max(100);
export const volts = z.number().min(1).max(60);
export const amps = z.number().min(0).max(LIMITS.amps);
export const watts = z.number().min(0).max(LIMITS.watts);
export const milliohm = z.number().min(0).max(10_000);
/** Longer than any day. */
export const seconds = z.number().min(0).max(100_000);

/** What its cables are bolted to; absent: not known. */
export const stud = z.enum(STUD_SIZES).optional();

/** A distance in the vehicle from its front left corner on the ground; small negatives are for what sticks out. */
export const placeMm = z.number().min(-2000).max(LIMITS.vehicleMm);

/** How far a device or a wire has come; absent: planned. */
export const work = z
  .strictObject({
    state: z.enum(WORK_STATES),
    /** Why it is temporary or was taken out. */
    why: note.optional(),
    /** The day to come back to what is temporary. */
    due: z.iso.date().optional(),
  })
  .optional();

/** What every device has. */
export const deviceBase = {
  id,
  type: z.literal('device'),
  name,
  zoneId: id.nullable(),
  /** Where it is fixed. */
  placeId: id.nullable().optional(),
  /** How far it reaches behind the panel it sits in. */
  depthMm: lengthMm.nullable().optional(),
  /** Its body along, across and up the vehicle, about where it is fixed. */
  sizeMm: z.strictObject({ lengthMm, widthMm: lengthMm, heightMm: lengthMm }).optional(),
  weightKg: z.number().min(0).max(2000).optional(),
  /** Whether it stands water by itself. */
  sealed: z.boolean().optional(),
  /** The kit it comes with. */
  kitId: id.optional(),
  work,
};
