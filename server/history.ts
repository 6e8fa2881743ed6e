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

/** Reads undo and redo off a whole log. The first entry, the design's start, is not undone. */
export function trailOf(log: readonly LogLine[]): Trail {
  return log.slice(1).reduce(follow, { undo: null, redo: null });
}

/**
 * The trail after one more line: an edit can be undone and clears what could be redone; undo and redo move the top across; nothing reaches back over what
 * brought the records up to a newer version.
 */
export function follow({ undo, redo }: Trail, { revision, kind, label }: LogLine): Trail {
  if (kind === 'upgrade') return { undo: null, redo: null };
  if (kind === 'edit') return { undo: { entry: { revision, label }, below: undo }, redo: null };
  if (kind === 'undo') return { undo: undo!.below, redo: { entry: undo!.entry, below: redo } };
  return { undo: { entry: redo!.entry, below: undo }, redo: redo!.below };
}

export function nextSteps({ undo, redo }: Trail): History {
  return { undo: undo?.entry ?? null, redo: redo?.entry ?? null };
}
