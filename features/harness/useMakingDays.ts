'use client';

import { useMemo } from 'react';
import type { Harness } from '@/core/harness/schedule';
import { makingDays } from '@/core/plan/makingDays';
import { useDesign } from '@/features/design/DesignProvider';
import { usePlanOptions } from '@/features/design/usePlanOptions';
import type { WireGrouping } from './scheduleColumns';

/** A working day where nobody says how long it is, h. */
const USUAL_H = 8;

/** The day on which each circuit's wires are made, by the work plan as it is looked at; null while nothing is grouped by it. */
export function useMakingDays(harness: Harness, grouping: WireGrouping): ReadonlyMap<string | null, number> | null {
  const designId = useDesign(({ id }) => id);
  const { design, index } = useDesign(({ analysis }) => analysis);
  const [{ people, isCold, hours }] = usePlanOptions(designId);
  return useMemo(
    () => (grouping === 'day' ? makingDays(design, index, harness, { isCold }, people, (hours ?? USUAL_H) * 60) : null),
    [design, index, harness, grouping, people, isCold, hours],
  );
}
