import type { Design } from '../design/design';
import { nameOf } from '../design/names';
import type { InHolder, PowerStep } from '../plan/firstPower';
import { formatAmps, formatRating, formatSeconds } from '../units/quantity';

/** What is in a fuse's holder. */
export const HOLDER_WORDS: Record<InHolder, string> = { out: 'out', test: 'test fuse in', own: 'own fuse in', other: 'another fuse in' };

/** What is shown as nought, A. */
const UNSEEN_A = 0.005;
/** Faster than anybody sees, s. */
const AT_ONCE_S = 0.05;
const within = (seconds: number) => (seconds < AT_ONCE_S ? 'at once' : `within ${formatSeconds(seconds)}`);

/** Why a test fuse is as large as it is: over what flows by itself, under what a short would need. */
export function testFuseWords(design: Design, { fuse, testA, standingA, start, short }: PowerStep): string {
  const own = formatRating(fuse.ratingA);
  if (testA === null)
    return `${formatAmps(standingA)} flows by itself${start ? `, ${formatAmps(start.amps)} as ${nameOf(design, start.loadId)} starts` : ''}, so no fuse smaller than its own ${own} would hold. Switch off or unplug what runs by itself, and 1 A will do first; else its own, with a clamp round its wire.`;
  const holds =
    standingA < UNSEEN_A
      ? `Nothing flows by itself, so ${formatRating(testA)} will do.`
      : `${formatRating(testA)} holds the ${formatAmps(standingA)} that flows by itself, with a third over it${start ? `, and should stand ${formatAmps(start.amps)} for ${formatSeconds(start.seconds)} as ${nameOf(design, start.loadId)} starts` : ''}.`;
  if (!short || short.testOpensS === null) return holds;
  if (short.testOpensS === Infinity)
    return `${holds} A dead short at the far end may carry only ${formatAmps(short.amps)}: it is not sure to open, so feel for warmth.`;
  if (short.ownOpensS < AT_ONCE_S)
    return `${holds} A dead short at the far end carries ${formatAmps(short.amps)} or more, which opens either at once.`;
  const ownWords = short.ownOpensS === Infinity ? `its own ${own} not at all` : `its own ${own} ${within(short.ownOpensS)}`;
  return `${holds} A dead short at the far end carries ${formatAmps(short.amps)} or more: it opens ${within(short.testOpensS)}, ${ownWords}.`;
}

/** When to take it out again at once. Common practice. */
export function stopWords({ standingA }: PowerStep): string {
  return `Stop and take it out when it opens, when the clamp shows more than ${formatAmps(standingA * 1.5 + 0.1)} with everything as it is left, when anything comes on that does not stand here, or at warmth, smell or a buzz. A fuse that opens is a finding, never a reason for a larger one.`;
}
