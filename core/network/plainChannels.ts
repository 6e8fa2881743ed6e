import type { Device, TerminalRef, Wire } from '../design/schema';
import { kindOf } from '../devices';
import type { DesignIndex } from '../rig/designIndex';
import { terminalKey, type Wiring } from './wiring';

/** What a channel may lead to and still only feed: loads, what carries or holds up a current on, coils. */
const ONLY_FED: ReadonlySet<Device['kind']> = new Set(['load', 'splice', 'plug', 'switch', 'dimmer', 'diode', 'protection', 'relay']);
/**
 * Channels of a receiver that nothing but itself can bring to life: what hangs on them is fed by it and leads home, so that what they do is
 * no matter of any other channel. A channel whose wiring meets another source is none, and no channel of a receiver that remembers its mode
 * is.
 */
export function plainChannels(
  index: DesignIndex,
  wiring: Wiring,
  wiresAt: ReadonlyMap<string, readonly Wire[]>,
  receiver: Extract<Device, { kind: 'receiver' }>,
): Set<string> {
  if (receiver.remembers) return new Set();
  const channels = kindOf(receiver)
    .terminals(receiver)
    .filter((terminal) => terminal.startsWith('ch'));
  return new Set(channels.filter((terminal) => leadsOnlyAway(index, wiring, wiresAt, { deviceId: receiver.id, terminal })));
}

/** Whether everything that hangs on a terminal, followed up to where it is on its way home, is only fed by it. */
function leadsOnlyAway(
  { devices }: DesignIndex,
  wiring: Wiring,
  wiresAt: ReadonlyMap<string, readonly Wire[]>,
  from: TerminalRef,
): boolean {
  const seen = new Set([terminalKey(from.deviceId, from.terminal)]);
  const isHome = (key: string) => wiring.return.at.has(key) && !wiring.supply.at.has(key);
  const queue = [from];
  for (const at of queue)
    for (const wire of wiresAt.get(terminalKey(at.deviceId, at.terminal)) ?? []) {
      const far = wire.from.deviceId === at.deviceId && wire.from.terminal === at.terminal ? wire.to : wire.from;
      const device = devices.get(far.deviceId);
      const reached = terminalKey(far.deviceId, far.terminal);
      if (!device || seen.has(reached) || isHome(reached)) continue;
      if (!isOnlyFed(device, far.terminal)) return false;
      for (const terminal of kindOf(device).deciding?.(device, far.terminal) ?? kindOf(device).terminals(device)) {
        const key = terminalKey(device.id, terminal);
        if (!seen.has(key) && !isHome(key)) queue.push({ deviceId: device.id, terminal });
        seen.add(key);
      }
    }
  return true;
}

function isOnlyFed(device: Device, terminal: string): boolean {
  if (!ONLY_FED.has(device.kind)) return false;
  if (device.kind === 'relay') return terminal === '85' || terminal === '86';
  return device.kind === 'protection' ? !device.mount : device.kind !== 'load' || !device.partOf;
}
