import type { TapLeg } from '../catalog/vocabulary';
import type { Device } from '../design/schema';
import { kindOf } from '../devices';
import type { DesignIndex } from '../rig/designIndex';
import type { HarnessWire } from './harnessWire';
import { liveHalves, type PlugHalf } from './liveHalves';
import type { Harness } from './schedule';
import type { TurnVerdict } from '../devices/kind';

/** A device with its terminals, and what lands on each. */
export interface PinCard {
  device: Device;
  pins: Pin[];
  /** Whether it may be turned round in its place; null where that is not a question. */
  turns: TurnVerdict | null;
  /** Of a plug: the halves that may be live once they are parted; null for anything else. */
  live: readonly PlugHalf[] | null;
}

export interface Pin {
  terminal: string;
  /** Of a fuse tap: which of the slot’s clips its common leg is in. */
  tap?: TapLeg;
  /** Wires on it, with their other end. */
  lands: { line: HarnessWire; far: HarnessWire['from'] }[];
}

/** Pin cards of everything wires land on, in the order of the design: a wire that lands on a terminal is on its card. */
export function pinCards(index: DesignIndex, { wires }: Harness): PinCard[] {
  const { devices, mounted } = index;
  const taps = Array.from(index.taps.values());
  const at = new Map<string, { terminal: string; line: HarnessWire; far: HarnessWire['from'] }[]>();
  for (const line of wires)
    for (const [near, far] of [
      [line.from, line.to],
      [line.to, line.from],
    ] as const)
      at.set(near.deviceId, [...(at.get(near.deviceId) ?? []), { terminal: near.terminal, line, far }]);
  const hidden = new Set([...Array.from(mounted.values()).flat(), ...taps].map(({ id }) => id));
  return Array.from(devices.values()).flatMap((device): PinCard[] => {
    // A fuse in a slot is its block's outlet, and stands on the block's card.
    if (hidden.has(device.id)) return [];
    const slots = [...(mounted.get(device.id) ?? []), ...taps.filter(({ mount }) => mount!.blockId === device.id)];
    const own = kindOf(device).terminals(device).map((terminal) => pinOf(terminal, at.get(device.id) ?? [])); // prettier-ignore
    const outlets = slots.map((fuse): Pin => {
      const { slot, tap } = fuse.mount!;
      const pin = pinOf('out', at.get(fuse.id) ?? []);
      return tap ? { ...pin, terminal: `${slot} tap`, tap } : { ...pin, terminal: String(slot) };
    });
    const pins = [...own, ...outlets];
    return pins.some(({ lands }) => lands.length > 0)
      ? [{ device, pins, turns: kindOf(device).turn?.(device) ?? null, live: device.kind === 'plug' ? liveHalves(index, device) : null }]
      : [];
  });
}

function pinOf(terminal: string, landing: readonly { terminal: string; line: HarnessWire; far: HarnessWire['from'] }[]): Pin {
  return { terminal, lands: landing.filter((one) => one.terminal === terminal).map(({ line, far }) => ({ line, far })) };
}

/**
 * Where a mini relay’s blades sit, seen on its socket’s wire side, which is how the relay’s own blades look at one: in units of its width
 * from the middle; upright or lying. Source: ISO 7588-1, from memory; makers swap 85 and 86, so the moulding is read.
 */
export const RELAY_BLADES: Record<'30' | '85' | '86' | '87' | '87a', { x: number; y: number; upright: boolean }> = {
  '87': { x: 0, y: -0.3, upright: false },
  '87a': { x: 0, y: 0, upright: false },
  '30': { x: 0, y: 0.31, upright: true },
  '86': { x: -0.3, y: 0, upright: true },
  '85': { x: 0.3, y: 0, upright: true },
};
