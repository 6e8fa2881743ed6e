import { kindOf, type Device } from '.';
import type { OwnFlow } from './kind';
import type { Load } from './load';

/**
 * What a part draws by itself, whether or not anything behind it is on: receivers, sensors, hubs, dimmers, pilot lamps that are always lit.
 */

/** A wire, as far as it says which terminals are joined. */
interface Joins {
  from: { deviceId: string; terminal: string };
  to: { deviceId: string; terminal: string };
}

/**
 * The parts of a design that draw current by themselves, each as a load that is never on and always stands by. One counts from when both
 * its feed and its way home are wired, all day: one that hangs behind a switch draws less than that.
 */
export function ownDraws(devices: Iterable<Device>, wires: readonly Joins[], nominalV: number): Load[] {
  const found: Load[] = [];
  let landing: Map<string, string[]> | null = null;
  for (const device of devices) {
    const drawn = kindOf(device).own?.(device);
    const amps = drawn?.allDay ? drawn.ampsAt(nominalV) : 0;
    if (!drawn || amps <= 0) continue;
    landing ??= farEnds(wires);
    const isFed = (landing.get(`${device.id}/${drawn.plus}`) ?? []).some((far) => far !== device.id);
    if (!isFed || !landing.has(`${device.id}/${drawn.minus}`)) continue;
    found.push({
      ...{ id: device.id, type: 'device', kind: 'load', name: device.name, zoneId: device.zoneId, quantity: 1, spacingMm: 0 },
      ...{ rated: { kind: 'amps', amps: 0, atV: nominalV }, measured: null, continuous: true, exclusiveGroup: null, standbyA: amps },
    });
  }
  return found;
}

/** A part's own current, coils too, and the two terminals it flows between, whichever of them is fed. */
export interface OwnCurrent {
  amps: number;
  ends: readonly [string, string];
}

/** What flows in parts by themselves, by part: small, but it is in its fuse's sum. */
export function ownCurrents(devices: Iterable<Device>, nominalV: number): Map<string, OwnCurrent> {
  const found = new Map<string, OwnCurrent>();
  for (const device of devices) {
    const drawn = kindOf(device).own?.(device);
    const amps = drawn?.ampsAt(nominalV) ?? 0;
    if (drawn && amps > 0) found.set(device.id, { amps, ends: [drawn.plus, drawn.minus] });
  }
  return found;
}

/** The two terminals by which a part has a current of its own, coils and sense wires too; null for one that has none. */
export function ownTerminals(device: Device): Pick<OwnFlow, 'plus' | 'minus'> | null {
  return kindOf(device).own?.(device) ?? null;
}

/** By terminal, the devices its wires lead to. */
function farEnds(wires: readonly Joins[]): Map<string, string[]> {
  const ends = new Map<string, string[]>();
  for (const { from, to } of wires)
    for (const [near, far] of [
      [from, to],
      [to, from],
    ] as const) {
      const key = `${near.deviceId}/${near.terminal}`;
      ends.set(key, [...(ends.get(key) ?? []), far.deviceId]);
    }
  return ends;
}
