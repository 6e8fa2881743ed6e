/** Which pages of this program are open in this browser: each holds a lock of its own name until it is gone, however it goes. */

const PREFIX = 'vine-knot-page:';

/** Whether this browser can tell; over plain http it does not. */
export function canTellPages(): boolean {
  return typeof navigator !== 'undefined' && 'locks' in navigator;
}

/** Shows this page as open for as long as it is. */
export function showOpen(page: string): void {
  if (typeof window === 'undefined' || !canTellPages()) return;
  void navigator.locks.request(PREFIX + page, () => new Promise<never>(() => {})).catch(() => undefined);
}

/** The pages that are open; none where it cannot be told. */
export async function openPages(): Promise<ReadonlySet<string>> {
  if (!canTellPages()) return new Set();
  const { held = [] } = await navigator.locks.query();
  return new Set(held.flatMap(({ name }) => (name?.startsWith(PREFIX) ? [name.slice(PREFIX.length)] : [])));
}
