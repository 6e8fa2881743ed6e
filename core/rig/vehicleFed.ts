import type { Device, Wire } from '../design/schema';
import { kindOf } from '../devices';

const NOTHING: ReadonlySet<string> = new Set();

/**
 * The devices that hang on the vehicle's own feeds and not on the house battery, as the wires lead: what they take is no part of the house side's day. What both reach
 * counts for the house, and with one battery for all everything does.
 */
export function fedByVehicle(devices: ReadonlyMap<string, Device>, wires: readonly Pick<Wire, 'from' | 'to'>[]): ReadonlySet<string> {
  const feeds: Device[] = [];
  for (const device of devices.values()) if (device.kind === 'vehicleFeed') feeds.push(device);
  if (feeds.length === 0) return NOTHING;
  // One battery for all.
  if ([...devices.values()].some((device) => device.kind === 'alternator' && device.direct)) return NOTHING;
  const near = new Map<string, string[]>();
  const join = (a: string, b: string) => {
    for (const [from, to] of [
      [a, b],
      [b, a],
    ] as const)
      near.set(from, [...(near.get(from) ?? []), to]);
  };
  for (const { from, to } of wires) join(`${from.deviceId}/${from.terminal}`, `${to.deviceId}/${to.terminal}`);
  for (const device of devices.values()) {
    for (const { from, to } of kindOf(device).paths(device)) join(`${device.id}/${from}`, `${device.id}/${to}`);
    if (device.kind === 'load' && device.partOf?.shares === 'plus') join(`${device.partOf.loadId}/plus`, `${device.id}/plus`);
    if (device.kind !== 'protection') continue;
    join(device.mount ? `${device.mount.blockId}/in` : `${device.id}/in`, `${device.id}/out`);
  }
  const reached = (roots: string[]) => {
    const seen = new Set(roots);
    for (const here of seen) for (const next of near.get(here) ?? []) seen.add(next);
    return seen;
  };
  const byVehicle = reached(feeds.map(({ id }) => `${id}/out`));
  const byHouse = reached([...devices.values()].flatMap(({ id, kind }) => (kind === 'battery' ? [`${id}/plus`] : [])));
  const isReached = (device: Device, by: ReadonlySet<string>) =>
    kindOf(device)
      .terminals(device)
      .some((end) => by.has(`${device.id}/${end}`));
  return new Set([...devices.values()].flatMap((one) => (isReached(one, byVehicle) && !isReached(one, byHouse) ? [one.id] : [])));
}
