import { useMemo } from 'react';
import { harnessOf, wireNumbersOf } from '@/core/harness/schedule';
import type { WireNumbers } from '@/core/wording/flawWords';
import { useDesign } from '@/features/design/DesignProvider';

/** What is on the labels of wires. */
export function useWireNumbers(): WireNumbers {
  const index = useDesign(({ analysis }) => analysis.index);
  const wiring = useDesign(({ analysis }) => analysis.wiring);
  return useMemo(() => wireNumbersOf(harnessOf(index, wiring)), [index, wiring]);
}
