/** What undo and redo would do next. */
export interface History {
  undo: HistoryEntry | null;
  redo: HistoryEntry | null;
}

export interface HistoryEntry {
  revision: number;
  label: string;
}

/**
 * Reads undo and redo off the log. An edit can be undone and clears what could be redone; an undo moves its target over
 * to redo; a redo moves it back. The first entry, the design's start, is not undone.
 */
export function foldHistory(
  log: readonly { revision: number; kind: 'edit' | 'undo' | 'redo'; target: number | null; label: string }[],
): History {
  const labels = new Map(log.map(({ revision, label }) => [revision, label]));
  const undo: number[] = [];
  let redo: number[] = [];
  for (const { revision, kind, target } of log.slice(1)) {
    if (kind === 'edit') {
      undo.push(revision);
      redo = [];
    } else if (kind === 'undo') {
      undo.pop();
      redo.push(target!);
    } else {
      redo.pop();
      undo.push(target!);
    }
  }
  const entry = (revision: number | undefined) => (revision === undefined ? null : { revision, label: labels.get(revision)! });
  return { undo: entry(undo.at(-1)), redo: entry(redo.at(-1)) };
}
