import * as z from 'zod/mini';
import { numberIn } from '@/core/units/schema';
import { useKept } from '@/ui/useKept';

const kept = z.object({
  people: z.union([z.literal(1), z.literal(2)]),
  isCold: z.boolean(),
  /** Hours worked a day; null: without a break. */
  hours: z.nullable(numberIn(1, 24)),
});

export type PlanOptionsKept = z.infer<typeof kept>;

/** Who works and how long a day, kept in this browser. */
export function usePlanOptions(designId: string): [PlanOptionsKept, (options: PlanOptionsKept) => void] {
  return useKept<PlanOptionsKept>(`vine-knot-plan:${designId}`, kept, () => ({ people: 1, isCold: false, hours: null }));
}
