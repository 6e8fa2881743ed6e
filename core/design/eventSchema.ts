import { z } from 'zod';
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
  text: z.string().max(LIMITS.noteLength),
  /** Who did it or wrote it. */
  by: name.optional(),
  odometerKm: z.number().min(0).max(5_000_000).optional(),
  engineH: z.number().min(0).max(200_000).optional(),
  /** What was looked at and found good, or put right. */
  inspected: z.array(z.enum(INSPECTIONS)).max(INSPECTIONS.length).optional(),
  about: z.array(about).max(20).optional(),
});

/** A photo kept beside the design, by the same id. */
export const photo = z.strictObject({
  id,
  type: z.literal('photo'),
  on: z.iso.date(),
  caption: z.string().max(LIMITS.nameLength),
  widthPx: z.number().int().min(1).max(LIMITS.photoPx),
  heightPx: z.number().int().min(1).max(LIMITS.photoPx),
  /** The line of the logbook it goes with. */
  eventId: id.optional(),
  about: about.optional(),
});

export type LogEvent = z.infer<typeof event>;
export type Photo = z.infer<typeof photo>;
