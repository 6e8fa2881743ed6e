/** What undo and redo would do next. */
export interface History {
  undo: HistoryEntry | null;
  redo: HistoryEntry | null;
}

export interface HistoryEntry {
  revision: number;
  label: string;
}

/** Everything that can be undone and redone, the next on top: a list that shares its tail, so that one more entry copies nothing. */
export interface Trail {
  undo: Stack;
  redo: Stack;
}

type Stack = { entry: HistoryEntry; below: Stack } | null;

/** One line of the log, as far as undo and redo care. */
export interface LogLine extends HistoryEntry {
  kind: 'edit' | 'undo' | 'redo' | 'upgrade';
}

/** Steps undo reaches back over when a log is read afresh. */
export const MOST_STEPS = 4000;

/**
 * A step that stands in a part of the log that was not read: it keeps its place, so that those about it keep theirs, and is offered to
 * nobody.
 */
const UNREAD: HistoryEntry = { revision: 0, label: '' };

/**
 * Reads undo and redo off a log, or its later part. The first entry, the design's start, is not undone; nor is what an earlier part holds.
 */
export function trailOf(log: readonly LogLine[]): Trail {
  return log.filter(({ revision }) => revision > 1).reduce(follow, { undo: null, redo: null });
}

/**
 * The trail after one more line: an edit can be undone and clears what could be redone; undo and redo move the top across; nothing reaches
 * back over what brought the records up to a newer version.
 */
export function follow({ undo, redo }: Trail, { revision, kind, label }: LogLine): Trail {
  if (kind === 'upgrade') return { undo: null, redo: null };
  if (kind === 'edit') return { undo: { entry: { revision, label }, below: undo }, redo: null };
  if (kind === 'undo') return { undo: undo?.below ?? null, redo: { entry: undo?.entry ?? UNREAD, below: redo } };
  return { undo: { entry: redo?.entry ?? UNREAD, below: undo }, redo: redo?.below ?? null };
}

export function nextSteps({ undo, redo }: Trail): History {
  const known = (stack: Stack) => (stack && stack.entry !== UNREAD ? stack.entry : null);
  return { undo: known(undo), redo: known(redo) };
}
