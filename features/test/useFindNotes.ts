import * as z from 'zod/mini';
import { listUpTo } from '@/core/units/schema';
import { plusDays, today } from '@/core/units/days';
import { useKept } from '@/ui/useKept';

const kept = z.object({
  should: z.enum(['on', 'off']),
  /** By load. */
  does: z.record(z.string(), z.enum(['on', 'dim', 'off'])),
  /** Other loads that work meanwhile. */
  works: listUpTo(z.string(), 400),
  /** What was looked at and found sound, by what would be repaired. */
  sound: listUpTo(z.string(), 400),
  /** How the last repair is proved; null where none was made. */
  mended: z.nullable(z.string()),
  /** The day it was seen. */
  on: z.iso.date(),
});

/** What was seen of one circuit that does not do what it should. */
export type FindNotes = Omit<z.infer<typeof kept>, 'on'>;

export const NOTHING_FOUND: FindNotes = { should: 'on', does: {}, works: [], sound: [], mended: null };

/**
 * What was seen and looked at, kept in this browser until it is mended. What is older than a day is let go, as readings are: since then
 * something has changed.
 */
export function useFindNotes(designId: string, circuitId: string): [FindNotes, (notes: FindNotes) => void] {
  const [notes, put] = useKept(`vine-knot-find:${designId}:${circuitId}`, kept, () => ({ ...NOTHING_FOUND, on: today() }));
  return [notes.on < plusDays(today(), -1) ? NOTHING_FOUND : notes, (next) => put({ ...next, on: today() })];
}
