import type { ConductorSize } from '../catalog/conductorSizes';
import { goesByGauge, type DropClass, type ReturnKind } from '../catalog/vocabulary';
import { devicesOfKind, settingsOf, slotKey, type Design } from '../design/design';
import type { Protection } from '../design/schema';
import { indexDesign } from '../rig/designIndex';
import type { FuseAtBar } from './fuseBerth';

/** A way of wiring a new circuit: straight from its fuse, or through a switch of its own. */
export interface CircuitScheme {
  name: string;
  zoneId: string | null;
  dropClass: DropClass;
  ratingA: number;
  conductor: ConductorSize;
  /** Fuse to switch, or to the first load where there is none. */
  feedMm: number;
  /** A panel switch, and the length from it to the first load. */
  panelSwitch: { name: string; ratingA: number; onwardMm: number } | null;
  return: ReturnKind;
  /** Where the fuse sits; null leaves it to be placed later, or puts it at the bar. */
  mount: Protection['mount'];
  /** Its fuse beside a bar, by a short lead, where no slot takes it. */
  atBar?: FuseAtBar;
  loadIds: readonly string[];
}

export const DEFAULT_FEED_MM = 3000;

/** A plain scheme for a circuit in this design: a small fuse in the first free slot, the smallest usual conductor. */
export function usualScheme(design: Design, name: string, zoneId: string | null): CircuitScheme {
  const settings = settingsOf(design);
  return {
    name,
    zoneId,
    dropClass: 'general',
    ratingA: 10,
    conductor: goesByGauge(settings.conductorStandard) ? 'awg:14' : 'mm2:2.5',
    feedMm: DEFAULT_FEED_MM,
    panelSwitch: null,
    return: settings.defaultReturn,
    mount: firstFreeSlot(design),
    loadIds: [],
  };
}

/** The first slot without a fuse, block by block. */
export function firstFreeSlot(design: Design): Protection['mount'] {
  const { mounted, taps } = indexDesign(design);
  for (const block of devicesOfKind(design, 'fuseBlock')) {
    const taken = new Set((mounted.get(block.id) ?? []).map((fuse) => fuse.mount!.slot));
    for (let slot = 1; slot <= block.slots; slot++) {
      const mount = { blockId: block.id, slot };
      if (!taken.has(slot) && !taps.has(slotKey(mount))) return mount;
    }
  }
  return null;
}
