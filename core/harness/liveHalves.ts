import type { Device, TerminalRef } from '../design/schema';
import { kindOf } from '../devices';
import { terminalKey } from '../network/wiring';
import type { DesignIndex } from '../rig/designIndex';

/** A half of a plug, by its terminals. */
export type PlugHalf = 'a' | 'b';

type Plug = Extract<Device, { kind: 'plug' }>;

/**
 * The halves of a plug that may be live once they are parted: those from which wires and contacts, whatever their positions, lead to a
 * source’s plus; and those that nothing takes to the way home any more, where a load they hang on does. Those get the covered contacts.
 * Common practice.
 */
export function liveHalves(index: DesignIndex, plug: Plug): PlugHalf[] {
  const joined = neighbours(index, plug.id);
  return (['a', 'b'] as const).filter((half) =>
    Array.from({ length: plug.pins }, (_, at) => `${half}${at + 1}`).some((terminal) =>
      isLive(index, joined, { deviceId: plug.id, terminal }, new Set()),
    ),
  );
}

/** What each terminal is joined to by a wire, or by a contact that may close, but for those of one plug. */
function neighbours({ wires, devices }: DesignIndex, plugId: string): Map<string, TerminalRef[]> {
  const joined = new Map<string, TerminalRef[]>();
  const lead = (from: TerminalRef, to: TerminalRef) => {
    const key = terminalKey(from.deviceId, from.terminal);
    joined.set(key, [...(joined.get(key) ?? []), to]);
  };
  const join = (one: TerminalRef, other: TerminalRef) => {
    lead(one, other);
    lead(other, one);
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

/** @param crossed loads that were come through already */
function isLive(index: DesignIndex, joined: ReadonlyMap<string, TerminalRef[]>, start: TerminalRef, crossed: ReadonlySet<string>): boolean {
  const { devices } = index;
  const seen = new Set<string>();
  const open = [start];
  const loads = new Map<string, TerminalRef>();
  let isHome = false;
  for (let at = open.pop(); at !== undefined; at = open.pop()) {
    const key = terminalKey(at.deviceId, at.terminal);
    if (seen.has(key)) continue;
    seen.add(key);
    const device = devices.get(at.deviceId);
    const kind = device?.kind;
    if (device && kindOf(device).liveBy) {
      if (!/minus$/i.test(at.terminal)) return true;
      isHome = true;
    }
    isHome ||= kind === 'groundPoint';
    if (kind === 'load' && !crossed.has(at.deviceId))
      loads.set(at.deviceId, { deviceId: at.deviceId, terminal: at.terminal === 'plus' ? 'minus' : 'plus' });
    open.push(...(joined.get(key) ?? []));
  }
  // What is at the battery's minus stays there, whatever hangs on it.
  return !isHome && Array.from(loads.values()).some((far) => isLive(index, joined, far, new Set([...crossed, ...loads.keys()])));
}
