import type { DesignIndex } from '../rig/designIndex';
import type { Protection } from '../design/schema';
import type { LaidWire } from '../rig/layout';
import { Joined, type Positions } from '../rig/joined';
import { terminalKey, type Wiring } from './wiring';

/**
 * Where more than one fuse feeds a wire: behind a ring both may bring current to a fault, and each may bring it backwards into what the
 * other guards. Worked out only where the wiring has such rings.
 */
export interface Feeders {
  /** By wire, what the fuses next ahead of it let through, for as long as none opens. */
  wires: ReadonlyMap<string, FedWire>;
  /** By load, the fuses that feed it, where there are several. */
  loads: ReadonlyMap<string, readonly string[]>;
}

export interface FedWire {
  wire: LaidWire;
  fuseIds: readonly string[];
  /** The most that a fault at either end of it draws through it, A. */
  passesA: number;
}

const NONE: Feeders = { wires: new Map(), loads: new Map() };

export function findFeeders(index: DesignIndex, wiring: Wiring): Feeders {
  const rings = wiring.rings.filter(({ side }) => side === 'supply');
  if (rings.length === 0) return NONE;
  /** Wires that close a ring are in no tree, and so have no other to judge them. */
  const closing = new Set(rings.map(({ wireId }) => wireId));
  const net = new Joined(index.devices, index.wires, ({ kind }) => kind !== 'protection');
  const reached = new Map<string, ReadonlyMap<string, readonly Positions[]>>();
  for (const device of index.devices.values())
    if (device.kind === 'protection') reached.set(device.id, net.reachedFrom([terminalKey(device.id, 'out')]));
  const fusesAt = (key: string, ways: typeof reached = reached) => [...ways].flatMap(([id, at]) => (at.has(key) ? [id] : []));
  const wires = new Map<string, FedWire>();
  const loads = new Map<string, string[]>();
  for (const wire of index.wires) {
    const ends = [wire.from, wire.to].map(({ deviceId, terminal }) => terminalKey(deviceId, terminal)) as [string, string];
    const fuseIds = fusesAt(ends[0]);
    if (fuseIds.length < 2 && !(closing.has(wire.id) && fuseIds.length === 1)) continue;
    // What reaches an end with the wire itself away is what a fault at its other end draws through it.
    const without = new Map(fuseIds.map((id) => [id, net.reachedFrom([terminalKey(id, 'out')], { wireId: wire.id })]));
    const passesA = Math.max(...ends.map((end) => together(index, fusesAt(end, without), (id) => without.get(id)!.get(end)!)));
    wires.set(wire.id, { wire, fuseIds, passesA });
  }
  for (const { id } of index.loads) {
    const fuses = fusesAt(terminalKey(id, 'plus'));
    if (fuses.length > 1) loads.set(id, fuses);
  }
  return { wires, loads };
}

/** What some fuses let through together: all of them, but of those whose ways need one contact in different positions only the largest. */
function together({ devices }: DesignIndex, fuseIds: readonly string[], waysOf: (fuseId: string) => readonly Positions[]): number {
  const ratingOf = (id: string) => (devices.get(id) as Protection).ratingA;
  const sets: { ways: Positions[]; amps: number }[] = [];
  for (const id of [...fuseIds].sort((a, b) => ratingOf(b) - ratingOf(a))) {
    const own = waysOf(id);
    // Never with any that is counted already: what it brings is less than theirs.
    const apart = sets.find(({ ways }) => ways.every((other) => own.every((way) => differ(way, other))));
    if (apart) apart.ways.push(...own);
    else sets.push({ ways: [...own], amps: ratingOf(id) });
  }
  return sets.reduce((sum, { amps }) => sum + amps, 0);
}

function differ(a: Positions, b: Positions): boolean {
  for (const [contact, position] of a) if ((b.get(contact) ?? position) !== position) return true;
  return false;
}
