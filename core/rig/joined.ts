import type { Device, Wire } from '../design/schema';
import { kindOf } from '../devices';

/** Which terminals are joined, everything closed: by wires, through parts, and within a lamp with several functions. */
export class Joined {
  private readonly near = new Map<string, string[]>();

  /** @param apart devices that nothing passes through */
  constructor(devices: ReadonlyMap<string, Device>, wires: readonly Pick<Wire, 'from' | 'to'>[], apart: ReadonlySet<string> = new Set()) {
    for (const { from, to } of wires) this.join(`${from.deviceId}/${from.terminal}`, `${to.deviceId}/${to.terminal}`);
    for (const device of devices.values()) {
      if (apart.has(device.id)) continue;
      for (const { from, to } of kindOf(device).paths(device)) this.join(`${device.id}/${from}`, `${device.id}/${to}`);
      if (device.kind === 'load' && device.partOf)
        this.join(`${device.partOf.loadId}/${device.partOf.shares}`, `${device.id}/${device.partOf.shares}`);
      if (device.kind === 'protection') this.join(device.mount ? `${device.mount.blockId}/in` : `${device.id}/in`, `${device.id}/out`);
    }
  }

  /** @param apartId a device that nothing passes through this time */
  reachedFrom(roots: readonly string[], apartId: string | null = null): Set<string> {
    const seen = new Set(roots);
    for (const here of seen)
      for (const next of this.near.get(here) ?? []) if (apartId === null || !next.startsWith(`${apartId}/`)) seen.add(next);
    return seen;
  }

  private join(a: string, b: string): void {
    for (const [from, to] of [
      [a, b],
      [b, a],
    ] as const) {
      const known = this.near.get(from);
      if (known) known.push(to);
      else this.near.set(from, [to]);
    }
  }
}
