import * as z from 'zod/mini';
import { listUpTo, numberIn, textOf } from '../units/schema';
import { id } from '../devices/fields';
import { mover, position } from './wishSchema';

const terminal = z.strictObject({ deviceId: id, terminal: textOf(1, 20) });

/**
 * What a meter read in the vehicle: where its leads were, or its clamp, with what was moved before, at what voltage of the battery, and
 * when.
 */
export const reading = z.strictObject({
  id,
  type: z.literal('reading'),
  what: z.discriminatedUnion('kind', [
    /** Volts of one terminal over another; `to` null: over the battery's minus. */
    z.strictObject({ kind: z.literal('volts'), at: terminal, to: z.nullable(terminal) }),
    /** Amperes in a wire, from its first end to its second. */
    z.strictObject({ kind: z.literal('amps'), wireId: id }),
  ]),
  value: numberIn(-10_000, 10_000),
  /** At the battery's posts meanwhile; null where nobody looked. */
  batteryV: z.nullable(numberIn(0, 60)),
  moved: listUpTo(z.strictObject({ mover, position }), 60),
  on: z.iso.date(),
});

export type ReadingRecord = z.infer<typeof reading>;
