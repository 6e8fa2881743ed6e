import { useCallback, useState } from 'react';
import { EVENT_KINDS, INSPECTIONS } from '@/core/catalog/vocabulary';
import { today } from '@/ui/today';
import { z } from 'zod';
import type { LogDraft } from './LogForm';

const kept = z.object({
  kind: z.enum(EVENT_KINDS),
  on: z.iso.date(),
  text: z.string(),
  by: z.string(),
  odometer: z.string(),
  inspected: z.array(z.enum(INSPECTIONS)),
  aboutIds: z.array(z.string()),
});

const fresh = (by = ''): LogDraft => ({ kind: 'note', on: today(), text: '', by, odometer: '', inspected: [], aboutIds: [] });

/** What is being written for a design's logbook, kept in this browser so that a page that is put to sleep loses none of it. Who writes stays as it was. */
export function useLogDraft(designId: string): [LogDraft, (part: Partial<LogDraft>) => void, () => void] {
  const key = `vine-knot-log-draft:${designId}`;
  const [draft, setDraft] = useState<LogDraft>(() => read(key) ?? fresh());
  const put = useCallback(
    (next: LogDraft) => {
      setDraft(next);
      try {
        window.localStorage.setItem(key, JSON.stringify(next));
      } catch {
        // A full or forbidden store costs the safety net alone.
      }
    },
    [key],
  );
  return [draft, (part) => put({ ...draft, ...part }), () => put(fresh(draft.by))];
}

function read(key: string): LogDraft | null {
  if (typeof window === 'undefined') return null;
  try {
    const parsed = kept.safeParse(JSON.parse(window.localStorage.getItem(key) ?? 'null'));
    return parsed.success ? parsed.data : null;
  } catch {
    return null;
  }
}
