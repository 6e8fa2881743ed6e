import type { Change } from '@/core/design/change';
import type { DesignRecord } from '@/core/design/schema';
import type { Committed, LoggedChange } from '@/server/commit';

/** What the server answered, sorted by what the store does about it. */
export type SendResult =
  | { kind: 'taken'; committed: Committed }
  | { kind: 'conflict'; current: (DesignRecord | null)[]; missed: LoggedChange[] }
  | { kind: 'refused'; message: string }
  /** Nobody answered, or something in between did in the server's place. */
  | { kind: 'unreachable' }
  /** The store is held by another writer: try again. */
  | { kind: 'busy' }
  /** The server failed on this very request. */
  | { kind: 'failed' }
  /** The server's copy is older than this page's, as after a backup was restored. */
  | { kind: 'behind' }
  /** The password is asked for again. */
  | { kind: 'locked' }
  | { kind: 'gone' };

export interface Pending {
  /** The schema version its records are of; absent in what was kept before versions were. */
  version?: number;
  changeId: string;
  label: string;
  change: Change;
}

export async function sendChange(designId: string, baseRevision: number, { changeId, label, change }: Pending): Promise<SendResult> {
  return post(`/api/designs/${designId}/changes`, { changeId, baseRevision, label, change });
}

export async function sendStep(designId: string, step: 'undo' | 'redo', baseRevision: number, changeId: string): Promise<SendResult> {
  return post(`/api/designs/${designId}/${step}`, { changeId, baseRevision });
}

async function post(url: string, body: object): Promise<SendResult> {
  let response: Response;
  try {
    response = await fetch(url, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });
  } catch {
    return { kind: 'unreachable' };
  }
  const answer = await response.json().catch(() => null);
  if (answer === null) return { kind: 'unreachable' };
  if (response.ok) return { kind: 'taken', committed: answer };
  switch (answer.error?.code) {
    case 'busy':
    case 'behind':
    case 'locked':
      return { kind: answer.error.code };
    case 'internal':
      return { kind: 'failed' };
    case 'notFound':
      return { kind: 'gone' };
    case undefined:
      return { kind: 'unreachable' };
  }
  if (response.status === 409 && answer.error.code === 'conflict')
    return { kind: 'conflict', current: answer.current, missed: answer.missed };
  return { kind: 'refused', message: [answer.error.message, ...answer.error.reasons.slice(0, 3)].join('. ') };
}
