import * as z from 'zod/mini';
import { BLOWS_WHEN, type BlowsWhen, type LampTest } from '@/core/diagnosis/blows';
import { useKept } from '@/ui/useKept';

const kept = z.object({
  when: z.nullable(z.enum(BLOWS_WHEN)),
  loadId: z.nullable(z.string()),
  tests: z.array(z.object({ parting: z.nullable(z.object({ wireId: z.string(), end: z.enum(['near', 'far']) })), bright: z.boolean() })),
});

/** What was seen of one circuit whose fuse blows. */
export interface LampNotes {
  when: BlowsWhen | null;
  /** What is switched on as it goes. */
  loadId: string | null;
  tests: readonly LampTest[];
}

export const NOTHING_SEEN: LampNotes = { when: null, loadId: null, tests: [] };

/** What the lamp in a fuse's place did, kept until the fault is mended. */
export function useLampTests(designId: string, fuseId: string): [LampNotes, (notes: LampNotes) => void] {
  return useKept<LampNotes>(`vine-knot-lamp:${designId}:${fuseId}`, kept, () => NOTHING_SEEN);
}
