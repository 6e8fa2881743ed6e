import type { Device, TerminalRef } from '../design/schema';
import { kindOf } from '../devices';
import { terminalKey } from '../network/wiring';
import type { DesignIndex } from '../rig/designIndex';

/** A half of a plug, by its terminals. */
export type PlugHalf = 'a' | 'b';

/** Kinds that bring volts of their own. */
const SOURCES: ReadonlySet<Device['kind']> = new Set(['battery', 'solarPanel', 'solarController', 'vehicleFeed', 'signalSource', 'dcDcCharger', 'splitRelay', 'alternator', 'charger']); // prettier-ignore

/**
 * The halves of a plug that may be live once they are parted: those from which wires and contacts, whatever their positions, lead to a source’s plus. Those get the covered contacts.
 * Common practice.
 */
export function liveHalves(index: DesignIndex, plug: Extract<Device, { kind: 'plug' }>): PlugHalf[] {
  const joined = neighbours(index, plug.id);
  return (['a', 'b'] as const).filter((half) =>
    Array.from({ length: plug.pins }, (_, at) => `${half}${at + 1}`).some((terminal) =>
      reachesSource(index, joined, { deviceId: plug.id, terminal }),
    ),
  );
}

/** What each terminal is joined to by a wire, or by a contact that may close, but for those of one plug. */
function neighbours({ wires, devices }: DesignIndex, plugId: string): Map<string, TerminalRef[]> {
  const joined = new Map<string, TerminalRef[]>();
  const join = (one: TerminalRef, other: TerminalRef) => {
    for (const [from, to] of [
      [one, other],
      [other, one],
    ] as const) {
      const key = terminalKey(from.deviceId, from.terminal);
      const list = joined.get(key);
      if (list) list.push(to);
      else joined.set(key, [to]);
    }
  };
  for (const { from, to } of wires) join(from, to);
  for (const device of devices.values()) {
    if (device.id === plugId) continue;
    for (const { from, to } of kindOf(device).paths(device)) join({ deviceId: device.id, terminal: from }, { deviceId: device.id, terminal: to }); // prettier-ignore
    // A fuse in a slot hangs on its block by no wire.
    if (device.kind === 'protection' && device.mount) join({ deviceId: device.id, terminal: 'out' }, { deviceId: device.mount.blockId, terminal: 'in' }); // prettier-ignore
  }
  return joined;
}

function reachesSource({ devices }: DesignIndex, joined: ReadonlyMap<string, TerminalRef[]>, start: TerminalRef): boolean {
  const seen = new Set<string>();
  const open = [start];
  for (let at = open.pop(); at !== undefined; at = open.pop()) {
    const key = terminalKey(at.deviceId, at.terminal);
    if (seen.has(key)) continue;
    seen.add(key);
    const kind = devices.get(at.deviceId)?.kind;
    if (kind && SOURCES.has(kind) && !/minus$/i.test(at.terminal)) return true;
    open.push(...(joined.get(key) ?? []));
  }
  return false;
}
