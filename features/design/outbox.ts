import type { Pending } from './api';

/** Edits not yet acknowledged when a page closes, kept in this tab's session so that a reload while the server is away loses none. */
export const outbox = {
  read(designId: string): Pending[] {
    if (typeof window === 'undefined') return [];
    try {
      return JSON.parse(window.sessionStorage.getItem(key(designId)) ?? '[]') as Pending[];
    } catch {
      return [];
    }
  },
  write(designId: string, pending: Pending[]): void {
    try {
      if (pending.length === 0) window.sessionStorage.removeItem(key(designId));
      else window.sessionStorage.setItem(key(designId), JSON.stringify(pending));
    } catch {
      // A full or forbidden session store only costs the safety net; the edits themselves are still on their way.
    }
  },
};

function key(designId: string): string {
  return `vine-knot-outbox:${designId}`;
}
