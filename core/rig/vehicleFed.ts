import type { Device, Wire } from '../design/schema';
import { kindOf } from '../devices';
import { Joined } from './joined';

const NOTHING: ReadonlySet<string> = new Set();

/**
 * The devices that hang on the vehicle's own feeds and not on the house battery, as the wires lead: what they take is no part of the house
 * side's day. What both reach counts for the house, and with one battery for all everything does.
 */
export function fedByVehicle(devices: ReadonlyMap<string, Device>, wires: readonly Wire[]): ReadonlySet<string> {
  const feeds: string[] = [];
  for (const { id, kind } of devices.values()) if (kind === 'vehicleFeed') feeds.push(`${id}/out`);
  if (feeds.length === 0) return NOTHING;
  // One battery for all.
  if ([...devices.values()].some((device) => device.kind === 'alternator' && device.direct)) return NOTHING;
  const joined = new Joined(devices, wires);
  const byVehicle = joined.reachedFrom(feeds);
  const byHouse = joined.reachedFrom([...devices.values()].flatMap(({ id, kind }) => (kind === 'battery' ? [`${id}/plus`] : [])));
  const isReached = (device: Device, by: ReadonlyMap<string, unknown>) =>
    kindOf(device)
      .terminals(device)
      .some((end) => by.has(`${device.id}/${end}`));
  return new Set([...devices.values()].flatMap((one) => (isReached(one, byVehicle) && !isReached(one, byHouse) ? [one.id] : [])));
}
