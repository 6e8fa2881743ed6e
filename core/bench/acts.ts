import { z } from 'zod';
import { id } from '../devices/fields';
import { mover, position } from '../design/wishSchema';

/** Something that has gone wrong on the bench: a wire off its terminal, a load dead, a relay that never pulls in or never lets go. */
const fault = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('wireOff'), wireId: id }),
  z.strictObject({ kind: z.literal('dead'), loadId: id }),
  z.strictObject({ kind: z.literal('neverPulls'), relayId: id }),
  z.strictObject({ kind: z.literal('stuck'), relayId: id }),
]);

/** The longest that is let run at once, s. */
export const LONGEST_WAIT_S = 86_400;
/** Acts kept, and played from a link. */
export const MOST_ACTS = 60;

const act = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('move'), mover, position }),
  z.strictObject({ kind: z.literal('wait'), seconds: z.number().min(0).max(LONGEST_WAIT_S) }),
  z.strictObject({ kind: z.literal('rest') }),
  z.strictObject({ kind: z.literal('break'), fault }),
  z.strictObject({ kind: z.literal('mend'), fault }),
]);

export type Fault = z.infer<typeof fault>;
/** One thing done on the bench. */
export type BenchAct = z.infer<typeof act>;

/** Acts as they stand in a link. */
export function writeActs(acts: readonly BenchAct[]): string {
  return encodeURIComponent(JSON.stringify(acts.slice(-MOST_ACTS)));
}

/** Acts out of a link; null for anything else. */
export function readActs(text: string): BenchAct[] | null {
  try {
    const read = z
      .array(act)
      .max(MOST_ACTS)
      .safeParse(JSON.parse(decodeURIComponent(text)));
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}
