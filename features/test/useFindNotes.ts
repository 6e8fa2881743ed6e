import { z } from 'zod';
import { useKept } from '@/ui/useKept';

const kept = z.object({
  should: z.enum(['on', 'off']),
  does: z.record(z.string(), z.enum(['on', 'dim', 'off'])),
  works: z.array(z.string()).max(400),
  sound: z.array(z.string()).max(400),
  mended: z.string().nullable(),
});

/** What was seen of one circuit that does not do what it should. */
export interface FindNotes {
  should: 'on' | 'off';
  /** By load. */
  does: Readonly<Record<string, 'on' | 'dim' | 'off'>>;
  /** Other loads that work meanwhile. */
  works: readonly string[];
  /** What was looked at and found sound, by what would be repaired. */
  sound: readonly string[];
  /** How the last repair is proved; null where none was made. */
  mended: string | null;
}

export const NOTHING_FOUND: FindNotes = { should: 'on', does: {}, works: [], sound: [], mended: null };

/** What was seen and looked at, kept in this browser until it is mended. */
export function useFindNotes(designId: string, circuitId: string): [FindNotes, (notes: FindNotes) => void] {
  return useKept<FindNotes>(`vine-knot-find:${designId}:${circuitId}`, kept, () => NOTHING_FOUND);
}
