import { kindOf } from '../devices';
import { CHASSIS } from '../devices/groundPoint';
import { inletOf, tapOn, type DesignIndex } from '../rig/designIndex';
import type { Device, TerminalRef, Wire } from '../design/schema';
import type { LaidWire } from '../rig/layout';
import { terminalKey, thrownBetweenNodes, type Ring, type Side, type WiringFault, type WiringNode, type WiringTree } from './wiring';

export interface WireEnd {
  wire: LaidWire;
  far: TerminalRef;
}

/** Grows a tree from a root over all that is joined to it, with what is wrong and where two ways meet. */
export function growTree(
  tree: WiringTree,
  side: Side,
  root: TerminalRef,
  index: DesignIndex,
  wiresAt: Map<string, WireEnd[]>,
  circuitOf: Map<string, string>,
  { faults, rings }: Found,
  isWay: IsWay,
  putsOffThrows: boolean,
): void {
  const first = tree.nodes.length;
  /** Steps to what was not reached yet and is by another: each closes a ring. */
  const passedOver: { at: number; to: TerminalRef; wireId: string | null }[] = [];
  /** Steps by a throw of a changeover that are put off until no other leads on, those that would need it on two last of all. */
  const thrown: Thrown[] = [];
  place(tree, root, -1, null, 0, index, circuitOf, side);
  for (let at = first; at < tree.nodes.length || takeThrown(); at++) {
    const node = tree.nodes[at]!;
    const device = index.devices.get(node.deviceId);
    const wrongSide = device && meetsOtherSide(device, node.terminal, side);
    if (wrongSide) {
      faults.push({ kind: 'short', deviceId: node.deviceId, terminal: node.terminal, wireId: node.wire?.id ?? null });
      continue;
    }
    // A fuse that nothing feeds is the root of its circuit by its outlet: its inlet is no way on.
    const isUnfedFuse = node.parent < 0 && device?.kind === 'protection';
    for (const step of isUnfedFuse ? [] : insideSteps(device, node, index)) {
      const known = tree.at.get(terminalKey(step.deviceId, step.terminal));
      if (known === undefined && isWay(node, step, null)) {
        const by = putsOffThrows ? thrownBetweenNodes(index, node, step) : null;
        if (by) thrown.push({ at, to: step, by });
        else place(tree, step, at, null, step.jointOhm, index, circuitOf, side);
      } else if (known === undefined) passedOver.push({ at, to: step, wireId: null });
      else if (known > at) rings.push(ringOf(tree, index, side, null, at, known));
    }
    for (const { wire, far } of wiresAt.get(terminalKey(node.deviceId, node.terminal)) ?? []) {
      if (wire === node.wire) continue;
      const known = tree.at.get(terminalKey(far.deviceId, far.terminal));
      if (known === undefined && isWay(node, far, wire)) place(tree, far, at, wire, 0, index, circuitOf, side);
      else if (known === undefined) passedOver.push({ at, to: far, wireId: wire.id });
      else if (known > at) rings.push(ringOf(tree, index, side, wire.id, at, known));
    }
  }
  for (const { at, to, wireId } of passedOver) {
    const known = tree.at.get(terminalKey(to.deviceId, to.terminal));
    if (known !== undefined) rings.push(ringOf(tree, index, side, wireId, at, known));
  }

  /** Takes the next of the steps put off, to what is still not reached. Whether there was one. */
  function takeThrown(): boolean {
    while (thrown.length > 0) {
      const next = thrown.findIndex(({ at, by }) => !needsOther(tree, index, at, by));
      const [{ at, to }] = thrown.splice(Math.max(0, next), 1) as [Thrown];
      const known = tree.at.get(terminalKey(to.deviceId, to.terminal));
      if (known === undefined) {
        place(tree, to, at, null, 0, index, circuitOf, side);
        return true;
      }
      rings.push(ringOf(tree, index, side, null, at, known));
    }
    return false;
  }
}

interface Thrown {
  at: number;
  to: TerminalRef;
  by: { contact: string; position: string };
}

/** Whether the way to a node needs a changeover in another position. */
function needsOther(tree: WiringTree, index: DesignIndex, at: number, { contact, position }: Thrown['by']): boolean {
  for (let node = at; node >= 0; node = tree.nodes[node]!.parent) {
    const by = thrownTo(tree, index, node);
    if (by?.contact === contact && by.position !== position) return true;
  }
  return false;
}

/** How many nodes are reached by a throw of a changeover that the way to it needs on another: no current comes there. */
export function countNeverReached(tree: WiringTree, index: DesignIndex): number {
  return tree.nodes.filter(({ parent }, at) => {
    const by = thrownTo(tree, index, at);
    return by !== null && needsOther(tree, index, parent, by);
  }).length;
}

/** The throw of a changeover by which a node is reached from its parent. */
function thrownTo({ nodes }: WiringTree, index: DesignIndex, at: number): Thrown['by'] | null {
  const { parent, wire } = nodes[at]!;
  return parent < 0 || wire ? null : thrownBetweenNodes(index, nodes[parent]!, nodes[at]!);
}

/** Whether a tree goes from one terminal to another by a wire, or within a device where there is none. */
export type IsWay = (from: TerminalRef, to: TerminalRef, wire: Wire | null) => boolean;
export const ALL_WAYS: IsWay = () => true;

export interface Found {
  faults: WiringFault[];
  rings: Ring[];
}

/** A ring from the two nodes that meet. It is never closed where the way round it would need one contact in two positions. */
function ringOf(tree: WiringTree, index: DesignIndex, side: Side, wireId: string | null, a: number, b: number): Ring {
  const steps: [number, number][] = wireId === null ? [[a, b]] : [];
  let [one, other] = [a, b];
  while (one !== other) {
    const later = Math.max(one, other);
    const parent = tree.nodes[later]!.parent;
    if (parent < 0) break;
    steps.push([parent, later]);
    if (later === one) one = parent;
    else other = parent;
  }
  const needed = new Map<string, string>();
  let neverClosed = false;
  for (const [from, to] of steps) {
    const thrown = thrownBetweenNodes(index, tree.nodes[from]!, tree.nodes[to]!);
    if (!thrown) continue;
    if ((needed.get(thrown.contact) ?? thrown.position) !== thrown.position) neverClosed = true;
    needed.set(thrown.contact, thrown.position);
  }
  return { side, wireId, ends: [a, b], neverClosed, contacts: [...needed.keys()] };
}

function place(
  tree: WiringTree,
  { deviceId, terminal }: TerminalRef,
  parent: number,
  wire: LaidWire | null,
  jointOhm: number,
  index: DesignIndex,
  circuitOf: Map<string, string>,
  side: Side,
): void {
  const from = tree.nodes[parent];
  const through = side === 'supply' && terminal === 'out' && index.devices.get(deviceId)?.kind === 'protection';
  tree.at.set(terminalKey(deviceId, terminal), tree.nodes.length);
  tree.nodes.push({
    deviceId,
    terminal,
    parent,
    wire,
    jointOhm,
    protectionId: through ? deviceId : (from?.protectionId ?? null),
    feedId: from?.feedId ?? (parent < 0 && index.devices.get(deviceId)?.kind === 'vehicleFeed' ? deviceId : null),
    circuitId: (through ? circuitOf.get(deviceId) : undefined) ?? from?.circuitId ?? null,
  });
}

export function meetsOtherSide(device: Device, terminal: string, side: Side): boolean {
  if (side === 'supply') return terminal === 'minus' || device.kind === 'groundPoint';
  return (
    terminal === 'plus' ||
    (device.kind === 'vehicleFeed' && terminal === 'out' && device.polarity === 'live') ||
    device.kind === 'protection' ||
    (device.kind === 'fuseBlock' && terminal === 'in')
  );
}

export function* insideSteps(
  device: Device | undefined,
  node: WiringNode,
  index: DesignIndex,
): Generator<TerminalRef & { jointOhm: number }> {
  const { terminal } = node;
  if (node.deviceId === CHASSIS.deviceId) {
    for (const other of index.devices.values()) {
      if (other.kind === 'groundPoint') yield { deviceId: other.id, terminal: 'stud', jointOhm: other.jointMilliohm / 1000 };
    }
  } else if (device?.kind === 'groundPoint') {
    yield { ...CHASSIS, jointOhm: device.jointMilliohm / 1000 };
  } else if (device?.kind === 'protection' && device.mount) {
    const inlet = inletOf(index, device);
    if (inlet) yield { ...inlet, jointOhm: 0 };
    const tap = tapOn(index, device);
    if (tap?.mount!.tap === 'load') yield { deviceId: tap.id, terminal: 'out', jointOhm: 0 };
  } else if (device?.kind === 'fuseBlock') {
    if (terminal !== 'in') return;
    for (const fuse of index.mounted.get(device.id) ?? []) yield { deviceId: fuse.id, terminal: 'out', jointOhm: 0 };
    for (const { id, mount } of index.taps.values())
      if (mount!.blockId === device.id && mount!.tap === 'supply') yield { deviceId: id, terminal: 'out', jointOhm: 0 };
  } else if (device?.kind === 'load') {
    for (const { id, partOf } of index.functions.get(device.id) ?? [])
      if (partOf!.shares === terminal) yield { deviceId: id, terminal, jointOhm: 0 };
  } else if (device) {
    for (const { from, to } of kindOf(device).paths(device)) {
      if (from === terminal) yield { deviceId: device.id, terminal: to, jointOhm: 0 };
      if (to === terminal) yield { deviceId: device.id, terminal: from, jointOhm: 0 };
    }
  }
}
