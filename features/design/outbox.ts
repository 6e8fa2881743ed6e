import { nanoid } from 'nanoid';
import { SCHEMA_VERSION } from '@/core/catalog/vocabulary';
import type { Pending } from './api';
import { keepDurably, keptDurably, takeOverDurably } from './durable';
import { canTellPages, openPages, showOpen } from './openPages';

/**
 * Edits not yet acknowledged while the server is away or a page closes, kept in the browser so that a reload, a closed tab
 * or a phone that puts the page to sleep loses none. Each page keeps its own; the next page of the design takes them over.
 * Sent twice they are taken once, since every edit has an id.
 */
export const outbox = {
  /** Takes over what earlier pages of this design left, beside what this page keeps of its own. */
  take(designId: string): Pending[] {
    return attempt(() => {
      const keys = keysOf(designId).filter((key) => key !== mine(designId));
      const all = unique(keys.flatMap((key) => read(key)));
      for (const key of keys) window.localStorage.removeItem(key);
      keep(left(designId), all);
      return all;
    });
  },
  /**
   * The same together with the second keeping, which a killed browser does not lose; only of pages that are gone. What is taken is this
   * page's in one step.
   */
  async takeDurable(designId: string, taken: readonly Pending[]): Promise<Pending[]> {
    const open = await openPages();
    // What another open page has on its way is its own to send.
    const isOpen = (key: string) => key.startsWith(mine(designId)) || open.has(key.slice(prefix(designId).length).replace(LEFT, ''));
    const kept = (await keptDurably(prefix(designId))).filter(({ key }) => !isOpen(key));
    const all = unique([...kept.flatMap(({ list }) => (list.every(isPending) ? list : [])), ...taken]);
    await takeOverDurably(
      left(designId),
      marked(all),
      kept.map(({ key }) => key),
    );
    return all;
  },
  /** What was taken over is among this page's own from now on. */
  async settleLeft(designId: string, pending: Pending[]): Promise<void> {
    outbox.write(designId, pending);
    attempt(() => {
      window.localStorage.removeItem(left(designId));
      return [];
    });
    await takeOverDurably(mine(designId), marked(pending), [left(designId)]);
  },
  /** Keeps what this page has not got acknowledged yet. */
  write(designId: string, pending: Pending[]): void {
    attempt(() => {
      keep(mine(designId), pending);
      return [];
    });
  },
  /** Of what was taken over only this is left, once the second keeping says so too: what was set aside must not come back from there. */
  async keepLeft(designId: string, edits: Pending[]): Promise<void> {
    attempt(() => {
      keep(left(designId), edits);
      return [];
    });
    await keepDurably(left(designId), marked(edits));
  },
  /**
   * Keeps what is on its way in the second keeping alone, which holds up no key: a page killed before the server has answered loses none of
   * it.
   */
  note(designId: string, pending: readonly Pending[]): void {
    if (canTellPages()) void keepDurably(mine(designId), marked(pending));
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

/**
 * Under what this page keeps its own edits, and under what those it took over until they are among its own: an edit made meanwhile must not
 * take their place.
 */
const mine = (designId: string) => prefix(designId) + PAGE;
const left = (designId: string) => mine(designId) + LEFT;
const LEFT = '.left';

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

function keep(key: string, pending: Pending[]): void {
  const list = marked(pending);
  void keepDurably(key, list);
  if (pending.length === 0) window.localStorage.removeItem(key);
  else window.localStorage.setItem(key, JSON.stringify(list));
}

const unique = (edits: readonly Pending[]) => Array.from(new Map(edits.map((edit) => [edit.changeId, edit])).values());

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
