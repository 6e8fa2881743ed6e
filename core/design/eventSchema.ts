import * as z from 'zod/mini';
import { listUpTo, numberIn, textUpTo, wholeIn } from '../units/schema';
import { EVENT_KINDS, INSPECTIONS, LIMITS } from '../catalog/vocabulary';
import { id, name } from '../devices/fields';

/** Something of the design as it was called then: what is written stays, though the part goes. */
const about = z.strictObject({ id, name });

/** A line of the vehicle's logbook. */
export const event = z.strictObject({
  id,
  type: z.literal('event'),
  kind: z.enum(EVENT_KINDS),
  on: z.iso.date(),
  text: textUpTo(LIMITS.noteLength),
  /** Who did it or wrote it. */
  by: z.optional(name),
  odometerKm: z.optional(numberIn(0, 5_000_000)),
  engineH: z.optional(numberIn(0, 200_000)),
  /** What was looked at and found good, or put right. */
  inspected: z.optional(listUpTo(z.enum(INSPECTIONS), INSPECTIONS.length)),
  about: z.optional(listUpTo(about, 20)),
});

/** A photo kept beside the design, by the same id. */
export const photo = z.strictObject({
  id,
  type: z.literal('photo'),
  on: z.iso.date(),
  caption: textUpTo(LIMITS.nameLength),
  widthPx: wholeIn(1, LIMITS.photoPx),
  heightPx: wholeIn(1, LIMITS.photoPx),
  /** The line of the logbook it goes with. */
  eventId: z.optional(id),
  about: z.optional(about),
});

export type LogEvent = z.infer<typeof event>;
export type Photo = z.infer<typeof photo>;
