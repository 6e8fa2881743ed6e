import { CHASSIS } from '../devices/groundPoint';
import { shortCircuitsOf, type ShortCircuits } from './shortCircuits';
import type { SolvedDesign } from './solved';

/** What a meter would read at one terminal. */
export interface Reading {
  deviceId: string;
  device: string;
  terminal: string;
  /** Over the battery's minus, V. */
  volts: number;
  /** Into the device there, all its wires together, A; null where no wire lands. */
  amps: number | null;
  /** What a dead short there would carry, at most and at least; null on the return side. */
  short: ShortCircuits | null;
  /** Nothing joins it to the battery. */
  adrift: boolean;
}

/** Every terminal of a solved design with its voltage and current, device by device. */
export function readingsOf({ live, analysis }: SolvedDesign): Reading[] {
  const { index, netlist, adrift } = live.compiled;
  const into = new Map<string, number>();
  const add = (key: string, amps: number) => into.set(key, (into.get(key) ?? 0) + amps);
  for (const { id, from, to } of index.wires) {
    const amps = live.wireAmps(id);
    add(`${from.deviceId}/${from.terminal}`, -amps);
    add(`${to.deviceId}/${to.terminal}`, amps);
  }
  const shortAt = shortCircuitsOf(analysis);
  const loose = new Set(adrift.map(({ deviceId, terminal }) => `${deviceId}/${terminal}`));
  const readings: Reading[] = [];
  for (const key of netlist.nodes) {
    const [deviceId, terminal] = key.split('/') as [string, string];
    if (terminal.startsWith('#')) continue;
    readings.push({
      ...{ deviceId, terminal, volts: live.voltage({ deviceId, terminal })!, amps: into.get(key) ?? null },
      ...{ short: shortAt({ deviceId, terminal }), adrift: loose.has(key) },
      device: deviceId === CHASSIS.deviceId ? 'Chassis' : (index.devices.get(deviceId)?.name ?? deviceId),
    });
  }
  return readings;
}
