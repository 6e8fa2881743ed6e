import * as z from 'zod/mini';
import { listUpTo } from '@/core/units/schema';
import { useKept } from '@/ui/useKept';

const kept = z.object({
  readings: listUpTo(z.object({ fuseId: z.string(), millivolts: z.number() }), 400),
  batteryA: z.nullable(z.number()),
});

/** What was read while everything was off. */
export interface DrainNotes {
  readings: readonly { fuseId: string; millivolts: number }[];
  /** A clamp round the battery's minus lead, A. */
  batteryA: number | null;
}

export const NOTHING_READ: DrainNotes = { readings: [], batteryA: null };

/** Millivolts across fuses, kept in this browser until the drain is mended. */
export function useDrainNotes(designId: string): [DrainNotes, (notes: DrainNotes) => void] {
  return useKept<DrainNotes>(`vine-knot-drain:${designId}`, kept, () => NOTHING_READ);
}
