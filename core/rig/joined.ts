import type { Device, TerminalRef, Wire } from '../design/schema';
import { kindOf } from '../devices';

/** Positions of changeover contacts that a way needs, by contact. */
export type Positions = ReadonlyMap<string, string>;

interface Thrown {
  contact: string;
  position: string;
}

interface Join {
  to: string;
  wireId: string | null;
  /** The position of a changeover that makes it; null for what is always joined. */
  thrown: Thrown | null;
}

/** What a question leaves out: a wire, or what a device joins. */
interface Without {
  wireId?: string;
  deviceId?: string;
}

/**
 * Which terminals are joined, every contact closed: by wires, through parts, and within a lamp with several functions. No way needs one
 * changeover in two positions. Batteries and loads join nothing.
 */
export class Joined {
  private readonly near = new Map<string, Join[]>();

  /** @param passes whether current is followed through a device; absent: through every one */
  constructor(
    devices: ReadonlyMap<string, Device>,
    wires: readonly Pick<Wire, 'id' | 'from' | 'to'>[],
    passes: (device: Device) => boolean = () => true,
  ) {
    for (const { id, from, to } of wires) this.join(keyOf(from), keyOf(to), id, null);
    for (const device of devices.values()) {
      const within = (terminal: string) => keyOf({ deviceId: device.id, terminal });
      if (device.kind === 'load' && device.partOf) {
        const { loadId, shares } = device.partOf;
        this.join(keyOf({ deviceId: loadId, terminal: shares }), within(shares), null, null);
      }
      if (!passes(device)) continue;
      if (device.kind === 'protection' && device.mount)
        this.join(keyOf({ deviceId: device.mount.blockId, terminal: 'in' }), within('out'), null, null);
      for (const { from, to } of kindOf(device).paths(device)) this.join(within(from), within(to), null, thrownBetween(device, from, to));
    }
  }

  /**
   * Every terminal reached from some, with the positions that each way there needs, none of them more than another does; of very many ways
   * the first.
   */
  reachedFrom(roots: readonly string[], { wireId, deviceId }: Without = {}): Map<string, readonly Positions[]> {
    const reached = new Map<string, Positions[]>(roots.map((root) => [root, [NO_POSITIONS]]));
    const queue = roots.map((key) => ({ key, positions: NO_POSITIONS }));
    for (const { key, positions } of queue)
      for (const join of this.near.get(key) ?? []) {
        if (wireId !== undefined && join.wireId === wireId) continue;
        if (deviceId !== undefined && join.to.startsWith(`${deviceId}/`)) continue;
        const { thrown } = join;
        if (thrown && (positions.get(thrown.contact) ?? thrown.position) !== thrown.position) continue;
        const needed = thrown ? new Map([...positions, [thrown.contact, thrown.position]]) : positions;
        const ways = reached.get(join.to);
        if (ways && (ways.length >= MOST_WAYS || ways.some((way) => needsNoMore(way, needed)))) continue;
        if (ways) ways.push(needed);
        else reached.set(join.to, [needed]);
        queue.push({ key: join.to, positions: needed });
      }
    return reached;
  }

  /** Every terminal that hangs together with some, whatever its way needs. */
  hangingOn(roots: readonly string[]): Set<string> {
    const reached = new Set(roots);
    for (const key of reached) for (const { to } of this.near.get(key) ?? []) reached.add(to);
    return reached;
  }

  private join(a: string, b: string, wireId: string | null, thrown: Thrown | null): void {
    for (const [from, to] of [
      [a, b],
      [b, a],
    ] as const) {
      const known = this.near.get(from);
      if (known) known.push({ to, wireId, thrown });
      else this.near.set(from, [{ to, wireId, thrown }]);
    }
  }
}

const NO_POSITIONS: Positions = new Map();
/** Ways to a terminal that are told apart: two to the fourth is a lamp switched from five places. */
const MOST_WAYS = 16;

function needsNoMore(a: Positions, b: Positions): boolean {
  for (const [contact, position] of a) if (b.get(contact) !== position) return false;
  return true;
}

/**
 * The position of a changeover contact that joins two terminals of a device; null where no changeover does. All poles of one device move
 * together.
 */
export function thrownBetween(device: Device, a: string, b: string): Thrown | null {
  for (const { common, throws } of kindOf(device).eitherOr?.(device) ?? []) {
    const far = a === common ? b : b === common ? a : null;
    const by = throws.find(({ terminal }) => terminal === far)?.by;
    if (by) return { contact: `${device.id} ${'control' in by ? by.control : by.memory}`, position: String(by.value) };
  }
  return null;
}

function keyOf({ deviceId, terminal }: TerminalRef): string {
  return `${deviceId}/${terminal}`;
}
