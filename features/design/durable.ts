import { createStore, del, entries, promisifyRequest, set, type UseStore } from 'idb-keyval';

/**
 * A second keeping of what is not acknowledged yet, in the browser's database: what the simpler store holds is written to disk seconds
 * later, and a browser that is killed in between, as a phone does, loses it.
 */

let store: UseStore | null = null;
const opened = () => (store ??= createStore('vine-knot-outbox', 'pages'));

/** Keeps a page's list under its key; an empty one goes. A forbidden or full database only costs the second keeping. */
export async function keepDurably(key: string, list: readonly unknown[]): Promise<void> {
  try {
    await (list.length === 0 ? del(key, opened()) : set(key, JSON.stringify(list), opened()));
  } catch {
    // The first keeping stands.
  }
}

/**
 * Keeps a page's list under its key and lets others' go, all of it or nothing: killed in between, no list is gone that is not in another.
 */
export async function takeOverDurably(key: string, list: readonly unknown[], others: readonly string[]): Promise<void> {
  try {
    await opened()('readwrite', (kept) => {
      for (const other of others) kept.delete(other);
      if (list.length > 0) kept.put(JSON.stringify(list), key);
      return promisifyRequest(kept.transaction);
    });
  } catch {
    // The first keeping stands, and so do the others.
  }
}

/** Every list whose key begins so, in the order of the keys. What cannot be read is left out, and stays. */
export async function keptDurably(prefix: string): Promise<{ key: string; list: unknown[] }[]> {
  try {
    const all = await entries<string, string>(opened());
    return all.flatMap(([key, text]) => {
      if (!key.startsWith(prefix)) return [];
      const list: unknown = JSON.parse(text);
      return Array.isArray(list) ? [{ key, list }] : [];
    });
  } catch {
    return [];
  }
}
