import { useCallback, useState } from 'react';
import { z } from 'zod';
import { BLOWS_WHEN, type BlowsWhen, type LampTest } from '@/core/diagnosis/blows';

const kept = z.object({
  when: z.enum(BLOWS_WHEN).nullable(),
  loadId: z.string().nullable(),
  tests: z.array(z.object({ parting: z.object({ wireId: z.string(), end: z.enum(['near', 'far']) }).nullable(), bright: z.boolean() })),
});

/** What was seen of one circuit whose fuse blows. */
export interface LampNotes {
  when: BlowsWhen | null;
  /** What is switched on as it goes. */
  loadId: string | null;
  tests: readonly LampTest[];
}

export const NOTHING_SEEN: LampNotes = { when: null, loadId: null, tests: [] };

/** What the lamp in a fuse's place did, kept in this browser until the fault is mended, so that a page that is put to sleep loses none of it. */
export function useLampTests(designId: string, fuseId: string): [LampNotes, (notes: LampNotes) => void] {
  const key = `vine-knot-lamp:${designId}:${fuseId}`;
  const [notes, setNotes] = useState<LampNotes>(() => read(key) ?? NOTHING_SEEN);
  const put = useCallback(
    (next: LampNotes) => {
      setNotes(next);
      try {
        if (next === NOTHING_SEEN) window.localStorage.removeItem(key);
        else window.localStorage.setItem(key, JSON.stringify(next));
      } catch {
        // A full or forbidden store costs the safety net alone.
      }
    },
    [key],
  );
  return [notes, put];
}

function read(key: string): LampNotes | null {
  if (typeof window === 'undefined') return null;
  try {
    const parsed = kept.safeParse(JSON.parse(window.localStorage.getItem(key) ?? 'null'));
    return parsed.success ? parsed.data : null;
  } catch {
    return null;
  }
}
