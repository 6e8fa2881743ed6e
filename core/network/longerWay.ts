import { kindOf } from '../devices';
import type { Device } from '../design/schema';
import { partedWays } from './ways';

/** What is asked of a tree of wires: nodes after their parents, the wire each is reached by; null within a device. */
interface Tree<Wire> {
  nodes: readonly { deviceId: string; terminal: string; parent: number; wire: Wire | null; protectionId: string | null }[];
}

/** A point that two ways lead to, by the two nodes it joins. */
interface Ring<Wire> {
  ends: readonly [number, number];
  /** The wire that closes it; null where a contact does. */
  wire: Wire | null;
}

interface Way {
  contact: number | undefined;
  hangs: number | undefined;
}

/** Ways whose ohms differ by less are alike. */
const ALIKE_OHM = 1e-6;

/**
 * Where either of two contacts lights a load, each by a way of its own behind one fuse, the drop is the worse way's. Given a tree that took
 * the ways it found first, the nodes it must not reach by the contact before them, so that what hangs there is reached by the way of more
 * resistance.
 */
export function reachedTooShort<Wire>(
  tree: Tree<Wire>,
  rings: readonly Ring<Wire>[],
  devices: ReadonlyMap<string, Device>,
  ohmOf: (wire: Wire) => number,
): Set<number> {
  const tooShort = new Set<number>();
  if (rings.length === 0) return tooShort;
  const { nodes } = tree;
  const ohm = new Float64Array(nodes.length);
  nodes.forEach(({ parent, wire }, at) => (ohm[at] = (ohm[parent] ?? 0) + (wire ? ohmOf(wire) : 0)));
  const ownsLoad = (at: number) => nodes[at]!.terminal === 'plus' && devices.get(nodes[at]!.deviceId)?.kind === 'load';
  const feedsLoad = nodes.map((_, at) => ownsLoad(at));
  const children = nodes.map((): number[] => []);
  for (let at = nodes.length - 1; at > 0; at--) {
    const { parent } = nodes[at]!;
    if (parent < 0) continue;
    children[parent]!.push(at);
    if (feedsLoad[at]) feedsLoad[parent] = true;
  }
  for (const { ends, wire } of rings) {
    const ways = contactsAtMeeting(tree, devices, ends);
    if (!ways) continue;
    const [one, other] = ways.map((up): Way => {
      // From its last contact on, the first point that something hangs on.
      const onWay = new Set(up);
      const hangs = [...up].reverse().find((at) => ownsLoad(at) || children[at]!.some((child) => !onWay.has(child) && feedsLoad[child]));
      return { contact: up.at(-1), hangs };
    }) as [Way, Way];
    const closing = wire ? ohmOf(wire) : 0;
    const longer = ({ hangs }: Way, here: number, there: number) =>
      hangs === undefined ? 0 : ohm[there]! + closing + ohm[here]! - 2 * ohm[hangs]!;
    const [byOther, byOne] = [longer(one, ...ends), longer(other, ends[1], ends[0])];
    const { contact } = byOther >= byOne ? one : other;
    if (contact !== undefined && Math.max(byOther, byOne) > ALIKE_OHM) tooShort.add(contact);
  }
  return tooShort;
}

/**
 * Of two ways behind one fuse that meet, each from its end up to its last contact; nothing of a way whose contact is what closes the ring.
 * Null where one of them has no contact, or a fuse of its own.
 */
export function contactsAtMeeting(
  tree: Tree<unknown>,
  devices: ReadonlyMap<string, Device>,
  ends: readonly [number, number],
): [number[], number[]] | null {
  if (tree.nodes[ends[0]]!.protectionId !== tree.nodes[ends[1]]!.protectionId) return null;
  const ways = partedWays(tree, ends).map((up) => up.slice(0, up.findIndex((at) => crossesContact(tree, devices, at)) + 1));
  const without = ways.filter((way) => way.length === 0).length;
  const [one, other] = ends.map((end) => devices.get(tree.nodes[end]!.deviceId));
  const isClosedByContact = one !== undefined && one === other && kindOf(one).isContact === true;
  return without === 0 || (without === 1 && isClosedByContact) ? (ways as [number[], number[]]) : null;
}

/** Whether a node is reached through a part that opens and closes. */
export function crossesContact({ nodes }: Tree<unknown>, devices: ReadonlyMap<string, Device>, at: number): boolean {
  const { parent, deviceId, wire } = nodes[at]!;
  const device = devices.get(deviceId);
  return wire === null && nodes[parent]?.deviceId === deviceId && device !== undefined && kindOf(device).isContact === true;
}
