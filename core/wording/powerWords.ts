import { RATINGS_A } from '../catalog/fuses';
import type { Design } from '../design/design';
import { nameOf } from '../design/names';
import { UNSEEN_A, type InHolder, type PowerStep } from '../plan/firstPower';
import { formatAmps, formatRating, formatSeconds } from '../units/quantity';

/** What is in a fuse's holder. */
export const HOLDER_WORDS: Record<InHolder, string> = { out: 'out', test: 'test fuse in', own: 'own fuse in', other: 'another fuse in' };

/** The smallest blade that is common, A. */
const SMALLEST_A = RATINGS_A.blade[0]!;
/** Faster than anybody sees, s. */
const AT_ONCE_S = 0.05;
const within = (seconds: number) => (seconds < AT_ONCE_S ? 'at once' : `within ${formatSeconds(seconds)}`);

/** What a clamp reads; null: nobody can say. */
export function flowWords(amps: number | null): string {
  if (amps === null) return 'what is not known here';
  return amps < UNSEEN_A ? 'nothing' : formatAmps(amps);
}

/** Why a test fuse is as large as it is: over what flows by itself, under what a short would need; and what is not known of it. */
export function testFuseWords(design: Design, step: PowerStep): string {
  const unknown = step.unknownIds.map((id) => nameOf(design, id));
  if (unknown.length === 0) return ratingWords(design, step);
  return `Nobody has said what ${unknown.join(', ')} ${unknown.length === 1 ? 'draws' : 'draw'}: what flows here, and whether a test fuse holds it, is not known. ${ratingWords(design, step)}`;
}

function ratingWords(design: Design, { fuse, testA, standingA, start, short }: PowerStep): string {
  const own = formatRating(fuse.ratingA);
  if (testA === null && fuse.ratingA <= SMALLEST_A) return `There is no smaller fuse than its own ${own}: it is tried with that.`;
  if (testA === null)
    return `${formatAmps(standingA)} flows by itself${start ? `, ${formatAmps(start.amps)} as ${nameOf(design, start.loadId)} starts` : ''}, so no fuse smaller than its own ${own} would hold. Switch off or unplug what runs by itself, and ${formatRating(SMALLEST_A)} will do first; else its own, with a clamp round its wire.`;
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
