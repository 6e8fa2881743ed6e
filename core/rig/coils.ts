import type { Device, Load, Wire } from '../design/schema';
import { coilAmps } from '../devices/relay';
import { Joined } from './joined';

/** A relay's coil as a load that runs while any of some loads is switched on. */
export interface Coil {
  part: Load;
  loadIds: readonly string[];
}

/** Where many circuits meet: what is beyond is not switched by one relay. */
const MEETING: ReadonlySet<Device['kind']> = new Set(['battery', 'fuseBlock', 'busBar', 'groundPoint', 'protection']);

/**
 * The coils that the house battery feeds, each with the loads its make contact leads to: it is pulled in while one of them is on. What a
 * break contact leads to is on while the coil rests, and tells nothing. A coil fed by the vehicle's own signal costs the house nothing.
 */
export function coilsOf(devices: ReadonlyMap<string, Device>, wires: readonly Wire[], nominalV: number): Coil[] {
  // A latching one takes a pulse and stays without current.
  const relays = [...devices.values()].filter((device) => device.kind === 'relay').filter(({ latching }) => latching !== true);
  if (relays.length === 0) return [];
  const battery = [...devices.values()].find(({ kind }) => kind === 'battery');
  const byHouse = new Joined(devices, wires).reachedFrom(battery ? [`${battery.id}/plus`] : []);
  const meeting = new Set([...devices.values()].flatMap(({ id, kind }) => (MEETING.has(kind) ? [id] : [])));
  const within = wires.filter(({ from, to }) => !meeting.has(from.deviceId) && !meeting.has(to.deviceId));
  const inside = new Joined(devices, within, ({ id }) => !meeting.has(id));
  const loads = [...devices.values()].filter((device) => device.kind === 'load');
  return relays.flatMap((relay): Coil[] => {
    if (!byHouse.has(`${relay.id}/86`) && !byHouse.has(`${relay.id}/85`)) return [];
    const behind = inside.reachedFrom([`${relay.id}/87`], { deviceId: relay.id });
    const loadIds = loads.flatMap(({ id }) => (behind.has(`${id}/plus`) || behind.has(`${id}/minus`) ? [id] : []));
    if (loadIds.length === 0) return [];
    const amps = coilAmps(relay, nominalV);
    const part: Load = {
      ...{ id: relay.id, type: 'device', kind: 'load', name: relay.name, zoneId: relay.zoneId, quantity: 1, spacingMm: 0 },
      ...{ rated: { kind: 'amps', amps, atV: nominalV }, measured: null, continuous: true, exclusiveGroup: null },
    };
    return [{ part, loadIds }];
  });
}
