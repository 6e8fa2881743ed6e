import { hostOf, tapOn, type DesignIndex } from '../rig/designIndex';
import type { Load, Protection } from '../design/schema';
import { terminalKey, type Wiring } from '../network/wiring';

/** The largest rating a fuse may have for its slot, A: what the slot takes, less the fuse it shares the live clip with in a tap. */
export function slotRoomA(index: DesignIndex, fuse: Protection): number {
  const block = fuse.mount && index.devices.get(fuse.mount.blockId);
  if (block?.kind !== 'fuseBlock') return Infinity;
  const tap = fuse.mount!.tap ? fuse : tapOn(index, fuse);
  const other = fuse.mount!.tap ? hostOf(index, fuse) : tap;
  return tap?.mount!.tap === 'supply' && other ? Math.max(0, block.slotMaxA - other.ratingA) : block.slotMaxA;
}

/** What a fuse may be at most for its slot and for the loads it is the last fuse before, A. */
export function fuseLimitA(index: DesignIndex, wiring: Wiring, fuse: Protection, loads: Iterable<Load>): number {
  let limitA = slotRoomA(index, fuse);
  for (const { id, maxFuseA } of loads) {
    if (maxFuseA !== undefined && lastFuseBefore(wiring, id) === fuse.id) limitA = Math.min(limitA, maxFuseA);
  }
  return limitA;
}

/** The fuse or breaker next ahead of a load; null where there is none. */
export function lastFuseBefore({ supply }: Wiring, loadId: string): string | null {
  return supply.nodes[supply.at.get(terminalKey(loadId, 'plus')) ?? -1]?.protectionId ?? null;
}
