import { kindOf } from '../devices';
import type { DesignIndex } from '../rig/designIndex';
import type { Protection, Wire } from '../design/schema';
import { terminalKey, thrownBetween, type Wiring } from './wiring';

/**
 * Where more than one fuse feeds a wire: behind a ring both may bring current to a fault, and each may bring it backwards into what the other guards. Worked out
 * only where the wiring has such rings.
 */
export interface Feeders {
  /** By wire, what the fuses next ahead of it let through, for as long as none opens. */
  wires: ReadonlyMap<string, FedWire>;
  /** By load, the fuses that feed it, where there are several. */
  loads: ReadonlyMap<string, readonly string[]>;
}

export interface FedWire {
  wire: Wire;
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
  const net = new Joined(index);
  const reached = new Map<string, Map<string, Positions>>();
  for (const device of index.devices.values())
    if (device.kind === 'protection') reached.set(device.id, net.reachedFrom(terminalKey(device.id, 'out')));
  const fusesAt = (key: string, ways = reached) => [...ways].flatMap(([id, at]) => (at.has(key) ? [id] : []));
  const wires = new Map<string, FedWire>();
  const loads = new Map<string, string[]>();
  for (const wire of index.wires) {
    const ends = [wire.from, wire.to].map(({ deviceId, terminal }) => terminalKey(deviceId, terminal)) as [string, string];
    const fuseIds = fusesAt(ends[0]);
    if (fuseIds.length < 2 && !(closing.has(wire.id) && fuseIds.length === 1)) continue;
    // What reaches an end with the wire itself away is what a fault at its other end draws through it.
    const without = new Map(fuseIds.map((id) => [id, net.reachedFrom(terminalKey(id, 'out'), wire.id)]));
    const passesA = Math.max(...ends.map((end) => together(index, fusesAt(end, without), (id) => without.get(id)!.get(end)!)));
    wires.set(wire.id, { wire, fuseIds, passesA });
  }
  for (const { id } of index.loads) {
    const fuses = fusesAt(terminalKey(id, 'plus'));
    if (fuses.length > 1) loads.set(id, fuses);
  }
  return { wires, loads };
}

/** Positions of changeover contacts that a way needs, by contact. */
type Positions = ReadonlyMap<string, string>;

/** What some fuses let through together: all of them, but of those whose ways need one contact in different positions only the largest. */
function together({ devices }: DesignIndex, fuseIds: readonly string[], wayOf: (fuseId: string) => Positions): number {
  const ratingOf = (id: string) => (devices.get(id) as Protection).ratingA;
  const sets: { positions: Positions[]; amps: number }[] = [];
  for (const id of [...fuseIds].sort((a, b) => ratingOf(b) - ratingOf(a))) {
    const way = wayOf(id);
    // Never with any that is counted already: what it brings is less than theirs.
    const apart = sets.find(({ positions }) => positions.every((other) => differ(way, other)));
    if (apart) apart.positions.push(way);
    else sets.push({ positions: [way], amps: ratingOf(id) });
  }
  return sets.reduce((sum, { amps }) => sum + amps, 0);
}

function differ(a: Positions, b: Positions): boolean {
  for (const [contact, position] of a) if ((b.get(contact) ?? position) !== position) return true;
  return false;
}

/** Terminals joined by wires and by closed contacts, but not through fuses. */
class Joined {
  private readonly near = new Map<string, { to: string; wireId: string | null; thrown: { contact: string; position: string } | null }[]>();

  constructor(index: DesignIndex) {
    const join = (a: string, b: string, wireId: string | null, thrown: { contact: string; position: string } | null) => {
      for (const [from, to] of [
        [a, b],
        [b, a],
      ] as const)
        this.near.set(from, [...(this.near.get(from) ?? []), { to, wireId, thrown }]);
    };
    for (const { id, from, to } of index.wires)
      join(terminalKey(from.deviceId, from.terminal), terminalKey(to.deviceId, to.terminal), id, null);
    for (const device of index.devices.values()) {
      if (device.kind === 'load' && device.partOf)
        join(terminalKey(device.id, device.partOf.shares), terminalKey(device.partOf.loadId, device.partOf.shares), null, null);
      if (device.kind === 'protection' || device.kind === 'battery') continue;
      for (const { from, to } of kindOf(device).paths(device)) {
        const ends = [from, to].map((terminal) => ({ deviceId: device.id, terminal })) as [{ deviceId: string; terminal: string }, { deviceId: string; terminal: string }]; // prettier-ignore
        join(terminalKey(device.id, from), terminalKey(device.id, to), null, thrownBetween(index, ...ends));
      }
    }
  }

  /** Every terminal reached, with the positions its shortest way needs; one wire may be left out. */
  reachedFrom(root: string, withoutWireId: string | null = null): Map<string, Positions> {
    const reached = new Map<string, Positions>([[root, new Map()]]);
    for (const [key, positions] of reached)
      for (const { to, wireId, thrown } of this.near.get(key) ?? []) {
        if (reached.has(to) || (wireId !== null && wireId === withoutWireId)) continue;
        const before = thrown && positions.get(thrown.contact);
        if (thrown && before !== undefined && before !== thrown.position) continue;
        reached.set(to, thrown ? new Map([...positions, [thrown.contact, thrown.position]]) : positions);
      }
    return reached;
  }
}
