import type { Analysis } from '../types';
import type { Finding } from '../finding';

/** Shorts, rings and loads whose current cannot come back. */
export function findWiring(analysis: Analysis): Finding[] {
  const { wiring, loads, index, feeders } = analysis;
  const found: Finding[] = [];
  for (const { deviceId, wireId, terminal } of wiring.faults) {
    const subjects = wireId === null ? [deviceId] : [deviceId, wireId];
    found.push({ rule: 'wiring.short', severity: 'fault', subjects, circuitId: null, numbers: { terminal } });
  }
  found.push(...secondFeeds(analysis));
  // A ring behind one fuse is a ring; one that joins two fuses is a second feed, which is said of what it feeds.
  for (const { side, wireId, ends, neverClosed } of wiring.rings) {
    const tree = side === 'supply' ? wiring.supply : wiring.return;
    const fuses = new Set(ends.map((at) => tree.nodes[at]!.protectionId));
    if (neverClosed || (side === 'supply' && fuses.size > 1 && feeders.loads.size > 0)) continue;
    const subject = wireId ?? tree.nodes[ends[0]]!.deviceId;
    found.push({ rule: 'wiring.loop', severity: 'caution', subjects: [subject], circuitId: null, numbers: {} });
  }
  for (const { id, circuitId, returned } of loads.values()) {
    if (circuitId !== null && !returned && index.battery) {
      found.push({ rule: 'wiring.noReturn', severity: 'fault', subjects: [id], circuitId, numbers: {} });
    }
  }
  return found;
}

/** Loads that more than one fuse feeds: told where it is meant, a fault where nobody has said so. */
function secondFeeds({ feeders, loads }: Analysis): Finding[] {
  return [...feeders.loads].map(([loadId, fuseIds]) => {
    const { load, circuitId } = loads.get(loadId)!;
    const isMeant = load.fedTwice === true;
    return {
      rule: isMeant ? 'reach.twoFeeds' : 'reach.unmeantFeed',
      severity: isMeant ? 'note' : 'fault',
      subjects: [loadId, ...fuseIds],
      circuitId,
      numbers: { fuses: fuseIds.length },
    };
  });
}
