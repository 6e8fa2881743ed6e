import type { Device } from '../design/schema';
import type { Wiring } from '../network/wiring';
import type { DesignIndex } from '../rig/designIndex';

/** Why something is live though the isolator is off. */
export type LiveBy = 'ahead' | 'sun' | 'vehicle' | 'engine' | 'hookup';

export interface StillLive {
  deviceId: string;
  by: LiveBy;
}

/** What brings volts of its own, whatever the isolator does. A charger from the starter battery or across the batteries is live on that side. */
const OWN: Partial<Record<Device['kind'], LiveBy>> = {
  battery: 'ahead',
  solarPanel: 'sun',
  solarController: 'sun',
  vehicleFeed: 'vehicle',
  signalSource: 'vehicle',
  dcDcCharger: 'vehicle',
  splitRelay: 'vehicle',
  alternator: 'engine',
  charger: 'hookup',
};

/** What is not dead though it looks so: with every isolator off, what is ahead of them and what has a source of its own. */
export function stillLive({ devices }: DesignIndex, { supply, fedCount }: Wiring): StillLive[] {
  const isAhead: boolean[] = [];
  const live = new Map<string, LiveBy>();
  supply.nodes.slice(0, fedCount).forEach(({ deviceId, terminal, parent, feedId }, at) => {
    const device = devices.get(deviceId);
    isAhead[at] = parent < 0 ? device?.kind === 'battery' : isAhead[parent]! && !(device?.kind === 'isolator' && terminal === 'out');
    if (isAhead[at] && feedId === null && device) live.set(deviceId, 'ahead');
  });
  for (const { id, kind } of devices.values()) if (OWN[kind]) live.set(id, OWN[kind]);
  return Array.from(live, ([deviceId, by]) => ({ deviceId, by }));
}
