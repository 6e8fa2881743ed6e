import { breaksAt } from '../catalog/interrupting';
import { RATINGS_A } from '../catalog/fuses';
import { slotKey, type Design } from '../design/design';
import { indexDesign, type DesignIndex } from '../rig/designIndex';
import type { FuseBlock, Protection, TerminalRef } from '../design/schema';
import type { ProtectionFamily } from '../catalog/vocabulary';
import { traceWiring } from '../network/traceWiring';
import { placeIdOf } from '../rig/layout';
import { endOfMain } from './mainPath';

/** Where something is, as far as the design says. */
export interface Whereabouts {
  placeId: string | null;
  zoneId: string | null;
}

/** A fuse of its own beside the main supply, for what no slot takes. */
export interface FuseAtBar {
  feedFrom: TerminalRef;
  family: ProtectionFamily;
  placeId: string | null;
  zoneId: string | null;
}

/** Families of single fuses bolted beside a bar, the plainest first. */
export const BOLTED: readonly ProtectionFamily[] = ['terminalMount', 'classT', 'mega'];

export function whereIs(index: DesignIndex, deviceId: string): Whereabouts {
  return { placeId: placeIdOf(index.devices, deviceId), zoneId: index.devices.get(deviceId)?.zoneId ?? null };
}

/**
 * Devices by how near they are: along the vehicle's routes as far as those lead there, else those of the same zone first; otherwise in the
 * order given.
 */
export function nearestFirst<T extends { id: string }>(index: DesignIndex, devices: readonly T[], near: Whereabouts): T[] {
  const ways = near.placeId === null ? null : index.layout.ways;
  const far = ({ id }: T): [number, number] => {
    const { placeId, zoneId } = whereIs(index, id);
    const run = ways && placeId !== null ? ways.run(near.placeId!, placeId, null) : null;
    if (run && run.routeIds !== null) return [0, run.routedMm];
    return zoneId !== null && zoneId === near.zoneId ? [1, 0] : [2, 0];
  };
  return devices
    .map((device, at) => ({ device, at, far: far(device) }))
    .sort((a, b) => a.far[0] - b.far[0] || a.far[1] - b.far[1] || a.at - b.at)
    .map(({ device }) => device);
}

/** The first free slot of the nearest block that takes a rating; null where none is left. */
export function nearestSlot(design: Design, near: Whereabouts, ratingA: number): Protection['mount'] {
  const index = indexDesign(design);
  const blocks = Array.from(index.devices.values()).filter((device): device is FuseBlock => device.kind === 'fuseBlock');
  for (const block of nearestFirst(index, blocks, near)) {
    if (block.slotMaxA < ratingA) continue;
    const mount = freeSlotOf(index, block);
    if (mount) return mount;
  }
  return null;
}

function freeSlotOf({ mounted, taps }: DesignIndex, block: FuseBlock): Protection['mount'] {
  const taken = new Set((mounted.get(block.id) ?? []).map((fuse) => fuse.mount!.slot));
  for (let slot = 1; slot <= block.slots; slot++) {
    const mount = { blockId: block.id, slot };
    if (!taken.has(slot) && !taps.has(slotKey(mount))) return mount;
  }
  return null;
}

/**
 * Where a single fuse of at least a rating can be fed from behind the main protection: a positive bus bar, the nearest first, else the
 * outlet of the main protection or of what stands in its row, where nothing else's rating counts. Null where there is neither, or no family
 * comes so large.
 */
export function fuseAtBar(design: Design, near: Whereabouts, ratingA: number): FuseAtBar | null {
  const index = indexDesign(design);
  const { supply, fedCount } = traceWiring(index);
  const shared = supply.nodes
    .slice(0, fedCount)
    .filter(({ protectionId, circuitId, feedId }) => protectionId !== null && circuitId === null && feedId === null);
  const bars = shared.flatMap(({ deviceId }) => {
    const device = index.devices.get(deviceId);
    return device?.kind === 'busBar' ? [device] : [];
  });
  const [bar] = nearestFirst(index, bars, near);
  const feedFrom = bar ? { deviceId: bar.id, terminal: 'bar' } : endOfMain(design);
  const family = BOLTED.find((one) => RATINGS_A[one].some((rating) => rating >= ratingA) && breaksAt(one, index.settings.nominalV) > 0);
  return feedFrom && family ? { feedFrom, family, ...whereIs(index, feedFrom.deviceId) } : null;
}
