import { nanoid } from 'nanoid';
import { SCHEMA_VERSION } from '@/core/catalog/vocabulary';
import type { Pending } from './api';
import { keepDurably, keptDurably } from './durable';
import { canTellPages, openPages, showOpen } from './openPages';

/**
 * Edits not yet acknowledged while the server is away or a page closes, kept in the browser so that a reload, a closed tab
 * or a phone that puts the page to sleep loses none. Each page keeps its own; the next page of the design takes them over.
 * Sent twice they are taken once, since every edit has an id.
 */
export const outbox = {
  /** Takes over what earlier pages of this design left. */
  take(designId: string): Pending[] {
    return attempt(() => {
      const found = keysOf(designId).flatMap((key) => read(key));
      const unique = Array.from(new Map(found.map((edit) => [edit.changeId, edit])).values());
      for (const key of keysOf(designId)) window.localStorage.removeItem(key);
      keep(designId, unique);
      return unique;
    });
  },
  /** The same from the second keeping, which a killed browser does not lose; only of pages that are gone. */
  async takeDurable(designId: string): Promise<Pending[]> {
    const open = await openPages();
    // What another open page has on its way is its own to send.
    const kept = (await keptDurably(prefix(designId))).filter(({ key }) => !open.has(key.slice(prefix(designId).length)));
    for (const { key } of kept) await keepDurably(key, []);
    return kept.flatMap(({ list }) => (list.every(isPending) ? list : []));
  },
  /** Keeps what this page has not got acknowledged yet. */
  write(designId: string, pending: Pending[]): void {
    attempt(() => {
      keep(designId, pending);
      return [];
    });
  },
  /** The same, done only once the second keeping holds it too: what was set aside must not come back from there. */
  async writeDurably(designId: string, pending: Pending[]): Promise<void> {
    outbox.write(designId, pending);
    await keepDurably(prefix(designId) + PAGE, marked(pending));
  },
  /** Keeps what is on its way in the second keeping alone, which holds up no key: a page killed before the server has answered loses none of it. */
  note(designId: string, pending: readonly Pending[]): void {
    if (canTellPages()) void keepDurably(prefix(designId) + PAGE, marked(pending));
  },
  /** Puts edits aside that cannot be sent: they are kept in this browser, stop nothing, and can be saved to a file or dropped. */
  setAside(designId: string, edits: readonly Pending[]): void {
    attempt(() => {
      window.localStorage.setItem(`${SET_ASIDE}${prefix(designId)}${nanoid(8)}`, JSON.stringify(edits));
      return [];
    });
  },
  /** All that was set aside for a design, as one text; null where nothing was. */
  asideOf(designId: string): string | null {
    let texts: string[] = [];
    attempt(() => {
      texts = asideKeys(designId).map((key) => window.localStorage.getItem(key) ?? '');
      return [];
    });
    return texts.length === 0 ? null : texts.join('\n');
  },
  dropAside(designId: string): void {
    attempt(() => {
      for (const key of asideKeys(designId)) window.localStorage.removeItem(key);
      return [];
    });
  },
};

function asideKeys(designId: string): string[] {
  return Object.keys(window.localStorage).filter((key) => key.startsWith(`${SET_ASIDE}${prefix(designId)}`));
}

/** This page among the open ones. */
const PAGE = nanoid(8);
showOpen(PAGE);

function prefix(designId: string): string {
  return `vine-knot-outbox:${designId}:`;
}

function keysOf(designId: string): string[] {
  return Object.keys(window.localStorage).filter((key) => key.startsWith(prefix(designId)));
}

/** What is kept under a key. An entry that cannot be read, or is no edit, is set aside whole under a key of its own, and stops nothing. */
function read(key: string): Pending[] {
  const text = window.localStorage.getItem(key) ?? '[]';
  try {
    const kept: unknown = JSON.parse(text);
    if (Array.isArray(kept) && kept.every(isPending)) return kept.map((edit) => ({ version: UNMARKED_VERSION, ...edit }));
  } catch {
    // Set aside below, like whatever else is no list of edits.
  }
  window.localStorage.setItem(`${SET_ASIDE}${key}`, text);
  return [];
}

/** The schema version of edits kept before each was marked with its own. */
const UNMARKED_VERSION = 6;
const SET_ASIDE = 'vine-knot-set-aside:';

function isPending(entry: unknown): entry is Pending {
  const has = (value: unknown, field: string): value is Record<string, unknown> =>
    typeof value === 'object' && value !== null && field in value;
  if (!has(entry, 'changeId') || !has(entry, 'change') || typeof entry.changeId !== 'string') return false;
  const { change } = entry;
  return ['added', 'updated', 'removed'].every((part) => has(change, part) && Array.isArray(change[part]));
}

function keep(designId: string, pending: Pending[]): void {
  const key = prefix(designId) + PAGE;
  const list = marked(pending);
  void keepDurably(key, list);
  if (pending.length === 0) window.localStorage.removeItem(key);
  else window.localStorage.setItem(key, JSON.stringify(list));
}

const marked = (pending: readonly Pending[]) => pending.map((edit) => ({ version: SCHEMA_VERSION, ...edit }));

/** A full or forbidden store only costs the safety net; the edits themselves are still on their way. */
function attempt(work: () => Pending[]): Pending[] {
  if (typeof window === 'undefined') return [];
  try {
    return work();
  } catch {
    return [];
  }
}
