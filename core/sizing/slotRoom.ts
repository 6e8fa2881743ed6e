import { hostOf, tapOn, type DesignIndex } from '../design/design';
import type { Protection } from '../design/schema';

/** The largest rating a fuse may have for its slot, A: what the slot takes, less the fuse it shares the live clip with in a tap. */
export function slotRoomA(index: DesignIndex, fuse: Protection): number {
  const block = fuse.mount && index.devices.get(fuse.mount.blockId);
  if (block?.kind !== 'fuseBlock') return Infinity;
  const tap = fuse.mount!.tap ? fuse : tapOn(index, fuse);
  const other = fuse.mount!.tap ? hostOf(index, fuse) : tap;
  return tap?.mount!.tap === 'supply' && other ? Math.max(0, block.slotMaxA - other.ratingA) : block.slotMaxA;
}
