import type { WireAnalysis } from '../analysis/types';
import type { Design } from '../design/design';
import { nameOf } from '../design/names';
import { formatRating, MISSING } from '../units/quantity';

/** What holds the current in a shared cable, in words: a fuse, several together, or nothing. */
export function guardedBy({ protectionId, protectionA, sharedBy }: WireAnalysis, design: Design): string {
  if (protectionId !== null) return `${formatRating(protectionA)} ${nameOf(design, protectionId)}`;
  return sharedBy && protectionA !== null ? `${formatRating(protectionA)} of fuses together` : MISSING;
}
