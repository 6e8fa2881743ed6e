'use client';

import type { CircuitAnalysis } from '@/core/analysis/types';
import { nameOf } from '@/core/design/names';
import { formatAmps, formatSeconds } from '@/core/units/quantity';
import { useDesign } from '@/features/design/DesignProvider';

/** What a dead short carries at the circuit's fuse and at its far end, in the figures its fuse is judged by. */
export function DeadShortNote({ circuit }: { circuit: CircuitAnalysis }) {
  const entry = useDesign(({ analysis }) => analysis.protections.get(circuit.protectionId));
  const design = useDesign((state) => state.design);
  if (!entry || entry.endA === null || entry.endId === null || !entry.endClears) return null;
  const { endA, endId, endClears, atA, breaksA, upstreamId } = entry;
  return (
    <p>
      A dead short right at the fuse can carry {formatAmps(atA)} at most,{' '}
      {atA <= breaksA
        ? `of the ${formatAmps(breaksA)} it breaks`
        : `more than the ${formatAmps(breaksA)} it breaks${upstreamId === null ? '' : `, so that ${nameOf(design, upstreamId)} must end it`}`}
      ; one at {nameOf(design, endId)} {formatAmps(endA)} at least, which it{' '}
      {Number.isFinite(endClears.longestS) ? `ends within ${formatSeconds(endClears.longestS)}.` : <b>may never end.</b>}
    </p>
  );
}
