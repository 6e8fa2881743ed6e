import type { Wiring } from '../network/wiring';
import type { DesignIndex } from '../rig/designIndex';
import { kindOf } from '../devices';
import type { LiveBy } from '../devices/kind';

export interface StillLive {
  deviceId: string;
  by: LiveBy;
}

/** What is not dead though it looks so: with every isolator off, what is ahead of them and what has a source of its own. */
export function stillLive({ devices }: DesignIndex, { supply, fedCount }: Wiring): StillLive[] {
  const isAhead: boolean[] = [];
  const live = new Map<string, LiveBy>();
  supply.nodes.slice(0, fedCount).forEach(({ deviceId, terminal, parent, feedId }, at) => {
    const device = devices.get(deviceId);
    isAhead[at] = parent < 0 ? device?.kind === 'battery' : isAhead[parent]! && !(device?.kind === 'isolator' && terminal === 'out');
    if (isAhead[at] && feedId === null && device) live.set(deviceId, 'ahead');
  });
  // A charger from the starter battery or across the batteries is live on that side.
  for (const device of devices.values()) {
    const { liveBy } = kindOf(device);
    if (liveBy) live.set(device.id, liveBy);
  }
  return Array.from(live, ([deviceId, by]) => ({ deviceId, by }));
}
