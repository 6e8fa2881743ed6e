import * as z from 'zod/mini';
import { listOf, numberIn } from '../units/schema';
import { LONGEST_WAIT_S, MOST_ACTS } from '../catalog/vocabulary';
import { id, name } from '../devices/fields';
import { mover, position } from './wishSchema';

/** Something that has gone wrong on the bench: a wire off its terminal, a load dead, a relay that never pulls in or never lets go. */
const fault = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('wireOff'), wireId: id }),
  z.strictObject({ kind: z.literal('dead'), loadId: id }),
  z.strictObject({ kind: z.literal('neverPulls'), relayId: id }),
  z.strictObject({ kind: z.literal('stuck'), relayId: id }),
]);

export const act = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('move'), mover, position }),
  z.strictObject({ kind: z.literal('wait'), seconds: numberIn(0, LONGEST_WAIT_S) }),
  z.strictObject({ kind: z.literal('rest') }),
  z.strictObject({ kind: z.literal('break'), fault }),
  z.strictObject({ kind: z.literal('mend'), fault }),
]);

export type Fault = z.infer<typeof fault>;
/** One thing done on the bench. */
export type BenchAct = z.infer<typeof act>;

/** What was once done on the bench, kept to be looked at and played again. Acts on what has gone since do nothing. */
export const benchRun = z.strictObject({ id, type: z.literal('benchRun'), name, acts: listOf(act, 1, MOST_ACTS) });
