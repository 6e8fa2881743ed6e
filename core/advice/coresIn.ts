import type { Wire } from '../design/schema';
import type { DesignIndex } from '../rig/designIndex';

/** How many of some wires go from one place or zone to another: cores to be pulled. */
export function coresIn(index: Pick<DesignIndex, 'devices'>, wires: readonly Wire[]): number {
  return wires.filter(({ from, to }) => placeOf(index, from.deviceId) !== placeOf(index, to.deviceId)).length;
}

/** Where a device is, as far as anybody said. */
function placeOf({ devices }: Pick<DesignIndex, 'devices'>, deviceId: string): string | null {
  const device = devices.get(deviceId);
  if (device?.kind === 'protection' && device.mount) return placeOf({ devices }, device.mount.blockId);
  return device?.placeId ?? device?.zoneId ?? null;
}
