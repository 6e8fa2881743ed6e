import { useMemo } from 'react';
import type { Reel } from '@/core/design/schema';
import { recordsOf } from '@/core/design/design';
import { cutLots, harnessOf, type CutLot, type Harness } from '@/core/harness/schedule';
import { useDesign } from '@/features/design/DesignProvider';

/** The harness of the design as it is shown. */
export function useHarness(): Harness {
  const index = useDesign(({ analysis }) => analysis.index);
  const wiring = useDesign(({ analysis }) => analysis.wiring);
  return useMemo(() => harnessOf(index, wiring), [index, wiring]);
}

/** What is cut from what. */
export function useCutLots(harness: Harness): { lots: CutLot[]; reels: Reel[] } {
  const design = useDesign((state) => state.design);
  const reels = useMemo(() => recordsOf(design, 'reel'), [design]);
  return useMemo(() => ({ lots: cutLots(harness, reels), reels }), [harness, reels]);
}
