import type { Analysis } from '@/core/analysis/types';
import { sameRecord } from '@/core/design/change';

/**
 * Keeps the objects of the previous analysis wherever the new one says the same, so that only what really changed is
 * drawn again.
 */
export function shareUnchanged(previous: Analysis | null, next: Analysis): Analysis {
  if (!previous) return next;
  return {
    ...next,
    circuits: shareList(previous.circuits, next.circuits),
    blocks: shareList(previous.blocks, next.blocks),
    zones: shareList(previous.zones, next.zones),
    totals: share(previous.totals, next.totals),
    main: share(previous.main, next.main),
    mainFeeds: share(previous.mainFeeds, next.mainFeeds),
    findings: share(previous.findings, next.findings),
    bank: share(previous.bank, next.bank),
    index: {
      ...next.index,
      zones: shareRecords(previous.index.zones, next.index.zones),
      scenarios: shareRecords(previous.index.scenarios, next.index.scenarios),
    },
  };
}

function share<T>(previous: T, next: T): T {
  return sameRecord(previous, next) ? previous : next;
}

/** For lists of records, which are the same when they are the same objects. */
function shareRecords<T>(previous: T[], next: T[]): T[] {
  return previous.length === next.length && previous.every((record, at) => record === next[at]) ? previous : next;
}

function shareList<T extends { id: string }>(previous: T[], next: T[]): T[] {
  let changed = previous.length !== next.length;
  const shared = next.map((entry, at) => {
    const before = previous[at]?.id === entry.id ? previous[at] : previous.find(({ id }) => id === entry.id);
    const kept = before ? share(before, entry) : entry;
    if (kept !== previous[at]) changed = true;
    return kept;
  });
  return changed ? shared : previous;
}
