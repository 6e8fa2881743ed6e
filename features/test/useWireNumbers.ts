import { useMemo } from 'react';
import { harnessOf } from '@/core/harness/schedule';
import type { WireNumbers } from '@/core/wording/flawWords';
import { useDesign } from '@/features/design/DesignProvider';

/** What is on the labels of wires. */
export function useWireNumbers(): WireNumbers {
  const index = useDesign(({ analysis }) => analysis.index);
  const wiring = useDesign(({ analysis }) => analysis.wiring);
  return useMemo(() => new Map(harnessOf(index, wiring).wires.map(({ wire, number }) => [wire.id, number])), [index, wiring]);
}
