import * as z from 'zod/mini';
import { listUpTo } from '../units/schema';
import { LIMITS } from '../catalog/vocabulary';
import { id, name, note } from '../devices/fields';

/** A question with more than one answer: where the relays sit, which lamps. One of its options stands in the design. */
export function choiceSchema<P extends z.ZodMiniType>(part: P) {
  return z.strictObject({
    id,
    type: z.literal('choice'),
    name,
    /** The option the design is built by. */
    standingId: id,
    /** Why that one; absent: not decided yet. */
    why: z.optional(note),
    decidedOn: z.optional(z.iso.date()),
    /**
     * While one works on the standing option alone: the design’s parts as they were before, and the option that stood then where this one
     * is new.
     */
    apart: z.optional(z.strictObject({ parts: listUpTo(part, LIMITS.recordsPerDesign), before: z.nullable(id) })),
  });
}

/** One answer to a choice. */
export function optionSchema<P extends z.ZodMiniType>(part: P) {
  return z.strictObject({
    id,
    type: z.literal('option'),
    choiceId: id,
    name,
    speaksFor: z.optional(note),
    speaksAgainst: z.optional(note),
    /** What makes this option of the design as it stands; absent for the one that stands. */
    way: z.optional(
      z.strictObject({
        added: listUpTo(part, LIMITS.recordsPerChange),
        updated: listUpTo(z.strictObject({ from: part, to: part }), LIMITS.recordsPerChange),
        removed: listUpTo(part, LIMITS.recordsPerChange),
      }),
    ),
  });
}
