import { z } from 'zod';
import { LIMITS } from '../catalog/vocabulary';
import { id, name, note } from '../devices/fields';

/** A question with more than one answer: where the relays sit, which lamps. One of its options stands in the design. */
export function choiceSchema<P extends z.ZodType>(part: P) {
  return z.strictObject({
    id,
    type: z.literal('choice'),
    name,
    /** The option the design is built by. */
    standingId: id,
    /** Why that one; absent: not decided yet. */
    why: note.optional(),
    decidedOn: z.iso.date().optional(),
    /** While one works on the standing option alone: the design’s parts as they were before, and the option that stood then where this one is new. */
    apart: z.strictObject({ parts: z.array(part).max(LIMITS.recordsPerDesign), before: id.nullable() }).optional(),
  });
}

/** One answer to a choice. */
export function optionSchema<P extends z.ZodType>(part: P) {
  return z.strictObject({
    id,
    type: z.literal('option'),
    choiceId: id,
    name,
    speaksFor: note.optional(),
    speaksAgainst: note.optional(),
    /** What makes this option of the design as it stands; absent for the one that stands. */
    way: z
      .strictObject({
        added: z.array(part).max(LIMITS.recordsPerChange),
        updated: z.array(z.strictObject({ from: part, to: part })).max(LIMITS.recordsPerChange),
        removed: z.array(part).max(LIMITS.recordsPerChange),
      })
      .optional(),
  });
}
