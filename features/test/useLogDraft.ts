import { EVENT_KINDS, INSPECTIONS } from '@/core/catalog/vocabulary';
import { today } from '@/core/units/days';
import { useKept } from '@/ui/useKept';
import * as z from 'zod/mini';
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

/**
 * What is being written for a design's logbook, kept in this browser so that a page that is put to sleep loses none of it. Who writes stays
 * as it was.
 */
export function useLogDraft(designId: string): [LogDraft, (part: Partial<LogDraft>) => void, () => void] {
  const [draft, put] = useKept(`vine-knot-log-draft:${designId}`, kept, () => fresh());
  return [draft, (part) => put({ ...draft, ...part }), () => put(fresh(draft.by))];
}
