import { isSameTerminal } from '../design/terminals';
import { sameRecord } from '../design/change';
import { cableOhmPerM } from '../catalog/cable';
import { kindOf } from '../devices';
import { CHASSIS } from '../devices/groundPoint';
import { inletOf, tapOn, type DesignIndex } from '../rig/designIndex';
import { thrownBetween } from '../rig/joined';
import { leastOhmSteps } from './leastOhm';
import { reachedTooShort } from './longerWay';
import type { DesignRecord, Device, Protection, TerminalRef, Wire } from '../design/schema';
import type { LaidWire } from '../rig/layout';

/**
 * The wiring as two trees: supply, grown from the battery's positive, and return, grown from its negative. Each node is a
 * terminal, reached from its parent by a wire or through a device. This is the reading a formula needs; what is not a
 * tree (a ring, a short) is reported, never guessed at.
 */
export interface WiringNode {
  deviceId: string;
  terminal: string;
  /** Position of the parent in the tree, -1 for a root. Parents come before their children. */
  parent: number;
  /** The wire from the parent, or null when the step is inside a device. */
  wire: LaidWire | null;
  /** Resistance of the step when it is not a wire, ohm: a chassis joint. */
  jointOhm: number;
  /** The nearest protection passed on the way, supply side only. */
  protectionId: string | null;
  /** The circuit the node belongs to, supply side only. */
  circuitId: string | null;
  /** The feed from the vehicle it hangs on, in place of the house battery. */
  feedId: string | null;
}

/** Positive and negative meet with no load between: a dead short or a reversed load. */
export interface WiringFault {
  kind: 'short';
  deviceId: string;
  terminal: string;
  wireId: string | null;
}

/** A point that two ways lead to, met while a tree was grown: by a wire, or through a part's closed contact. */
export interface Ring {
  side: Side;
  /** The wire that closes it, which is in no tree; null where a contact does. */
  wireId: string | null;
  /** The two nodes it joins. */
  ends: readonly [number, number];
  /**
   * One changeover contact would have to be on two throws at once: the two ways are never joined, as in a lamp switched from two places.
   */
  neverClosed: boolean;
  /** The changeover contacts on the way round. */
  contacts: readonly string[];
}

export type Side = 'supply' | 'return';

export interface WiringTree {
  nodes: WiringNode[];
  /** Node by `deviceId/terminal`. */
  at: Map<string, number>;
}

export interface Wiring {
  supply: WiringTree;
  return: WiringTree;
  faults: WiringFault[];
  rings: Ring[];
  /** False for nodes at or past this position in the supply tree: protections with nothing feeding them. */
  fedCount: number;
  /** Of two contacts side by side the longer way was taken in place of the first found. */
  takesLonger: boolean;
}

export function terminalKey(deviceId: string, terminal: string): string {
  return `${deviceId}/${terminal}`;
}

/** Traces the wiring of a whole design. */
export function traceWiring(index: DesignIndex): Wiring {
  const wiresAt = wiresByTerminal(index.wires);
  const circuitOf = new Map(index.circuits.map((circuit) => [circuit.protectionId, circuit.id]));
  let found: Found = { faults: [], rings: [] };
  let supply: WiringTree = { nodes: [], at: new Map() };
  let returns: WiringTree = { nodes: [], at: new Map() };
  let takesLonger = false;
  const grow = (tree: WiringTree, side: Side, root: TerminalRef, into = found, isWay: IsWay = ALL_WAYS, putsOffThrows = false) =>
    growTree(tree, side, root, index, wiresAt, circuitOf, into, isWay, putsOffThrows);

  if (index.battery) {
    const plus = { deviceId: index.battery.id, terminal: 'plus' };
    ({
      tree: supply,
      found,
      takesLonger,
    } = bestSupply(index, (isWay, putsOffThrows) => {
      const grown: Grown = { tree: { nodes: [], at: new Map() }, found: { faults: [], rings: [] } };
      grow(grown.tree, 'supply', plus, grown.found, isWay, putsOffThrows);
      return grown;
    }));
    const root = { deviceId: index.battery.id, terminal: 'minus' };
    let home: Found = { faults: [], rings: [] };
    grow(returns, 'return', root, home);
    if (home.rings.length > 0) {
      // Of two ways home the tree takes the one that most of the current takes.
      const isWay = leastOhmWays(returns, index, wiresAt);
      returns = { nodes: [], at: new Map() };
      home = { faults: [], rings: [] };
      grow(returns, 'return', root, home, isWay);
    }
    found.faults.push(...home.faults);
    found.rings.push(...home.rings);
  }
  // What is taken from the vehicle's own wiring is fed by its battery.
  for (const device of index.devices.values())
    if (device.kind === 'vehicleFeed' && device.polarity === 'live' && !supply.at.has(terminalKey(device.id, 'out')))
      grow(supply, 'supply', { deviceId: device.id, terminal: 'out' });
  const fedCount = supply.nodes.length;
  for (const circuit of index.circuits) {
    if (!supply.at.has(terminalKey(circuit.protectionId, 'out')))
      grow(supply, 'supply', { deviceId: circuit.protectionId, terminal: 'out' });
  }
  return { supply, return: returns, ...found, fedCount, takesLonger };
}

/** Of two ways the supply goes one that current can take, and of two contacts side by side the longer. */
function bestSupply(index: DesignIndex, grow: (isWay: IsWay, putsOffThrows: boolean) => Grown): Grown & { takesLonger: boolean } {
  const first = grow(ALL_WAYS, false);
  if (first.found.rings.length === 0) return { ...first, takesLonger: false };
  const missed = ({ tree }: Grown) => countNeverReached(tree, index);
  const byThrows = missed(first) > 0 ? grow(ALL_WAYS, true) : first;
  const putsOffThrows = missed(byThrows) < missed(first);
  const best = putsOffThrows ? byThrows : first;
  const longer = longerWays(best.tree, best.found.rings, index);
  const byLonger = longer && grow(longer, putsOffThrows);
  if (!byLonger || byLonger.tree.nodes.length < best.tree.nodes.length || missed(byLonger) > missed(best))
    return { ...best, takesLonger: false };
  return { ...byLonger, takesLonger: true };
}

interface Grown {
  tree: WiringTree;
  found: Found;
}

/**
 * The wiring after an edit that joins nothing and parts nothing: the earlier trees with the new wires in the old ones'
 * places, every node where it was. Null when the edit may have changed what hangs on what, and the wiring must be traced afresh.
 */
export function retraceWiring(before: Wiring, from: Traced, to: Traced, index: Joining): Wiring | null {
  if (from.records.size !== to.records.size || from.wires.length !== to.wires.length) return null;
  for (const [id, record] of to.records) {
    const old = from.records.get(id);
    if (old === record) continue;
    if (!old || !joinsTheSame(old, record)) return null;
  }
  const replaced = new Map<string, LaidWire>();
  for (let at = 0; at < to.wires.length; at++) {
    const [old, wire] = [from.wires[at]!, to.wires[at]!];
    if (old.id !== wire.id) return null;
    if (old !== wire) replaced.set(wire.id, wire);
  }
  if (replaced.size === 0) return before;
  // Which of two ways has the less resistance may have changed.
  if (before.takesLonger || before.rings.some(({ side }) => side === 'return')) return null;
  const renew = ({ nodes, at }: WiringTree): WiringTree => ({
    nodes: nodes.map((node) => (node.wire && replaced.has(node.wire.id) ? { ...node, wire: replaced.get(node.wire.id)! } : node)),
    at,
  });
  const supply = renew(before.supply);
  return longerWays(supply, before.rings, index) ? null : { ...before, supply, return: renew(before.return) };
}

/** What tells how long ways are. */
type Joining = Pick<DesignIndex, 'devices' | 'wires' | 'settings'>;

/** A design's records, and its wires as laid. */
interface Traced {
  records: ReadonlyMap<string, DesignRecord>;
  wires: readonly LaidWire[];
}

function joinsTheSame(a: DesignRecord, b: DesignRecord): boolean {
  if (a.type === 'wire' && b.type === 'wire') return isSameTerminal(a.from, b.from) && isSameTerminal(a.to, b.to);
  if (a.type === 'circuit' && b.type === 'circuit') return a.protectionId === b.protectionId && a.number === b.number;
  // Of two ways home the one of less resistance is taken, of the wires as these say.
  if (a.type === 'settings' && b.type === 'settings')
    return a.conductorStandard === b.conductorStandard && a.conductorTemperatureC === b.conductorTemperatureC;
  if (a.type !== 'device' || b.type !== 'device') return a.type === b.type;
  if (a.kind === 'protection' && b.kind === 'protection') return sameMount(a.mount, b.mount);
  if (a.kind === 'load' && b.kind === 'load') return sameRecord(a.partOf, b.partOf);
  if (a.kind === 'vehicleFeed' && b.kind === 'vehicleFeed') return a.polarity === b.polarity;
  if (a.kind === 'groundPoint' && b.kind === 'groundPoint') return a.jointMilliohm === b.jointMilliohm;
  return a.kind === b.kind && sameRecord(kindOf(a).paths(a), kindOf(b).paths(b));
}

function sameMount(a: Protection['mount'], b: Protection['mount']): boolean {
  return a?.blockId === b?.blockId && a?.slot === b?.slot && a?.tap === b?.tap;
}

interface WireEnd {
  wire: LaidWire;
  far: TerminalRef;
}

function wiresByTerminal(wires: readonly LaidWire[]): Map<string, WireEnd[]> {
  const byTerminal = new Map<string, WireEnd[]>();
  const add = (near: TerminalRef, far: TerminalRef, wire: LaidWire) => {
    const key = terminalKey(near.deviceId, near.terminal);
    const ends = byTerminal.get(key);
    if (ends) ends.push({ wire, far });
    else byTerminal.set(key, [{ wire, far }]);
  };
  for (const wire of wires) {
    add(wire.from, wire.to, wire);
    add(wire.to, wire.from, wire);
  }
  return byTerminal;
}

function growTree(
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
function countNeverReached(tree: WiringTree, index: DesignIndex): number {
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
type IsWay = (from: TerminalRef, to: TerminalRef, wire: Wire | null) => boolean;
const ALL_WAYS: IsWay = () => true;

/** The ways of least resistance from a tree's root to all it reaches: of cables and of joints to the body. */
function leastOhmWays({ nodes }: WiringTree, index: DesignIndex, wiresAt: Map<string, WireEnd[]>): IsWay {
  const { conductorStandard, conductorTemperatureC } = index.settings;
  const keyOf = ({ deviceId, terminal }: TerminalRef) => terminalKey(deviceId, terminal);
  const nodeAt = new Map(nodes.map((node) => [keyOf(node), node]));
  const best = leastOhmSteps(keyOf(nodes[0]!), (key) => {
    const node = nodeAt.get(key);
    const device = node && index.devices.get(node.deviceId);
    if (!node || (device && meetsOtherSide(device, node.terminal, 'return'))) return [];
    const inside = Array.from(insideSteps(device, node, index), (step) => ({
      to: keyOf(step),
      ohm: step.jointOhm,
      via: null as LaidWire | null,
    }));
    const wires = (wiresAt.get(key) ?? []).map(({ wire, far }) => ({
      to: keyOf(far),
      ohm: (cableOhmPerM(wire.conductor, conductorStandard, conductorTemperatureC) * wire.lengthMm) / 1000,
      via: wire as LaidWire | null,
    }));
    return [...inside, ...wires];
  });
  return (from, to, wire) => {
    const step = best.get(keyOf(to));
    return step === undefined || (step.from === keyOf(from) && step.via === wire);
  };
}

/** All ways but those by a contact beside which another leads to the same by more resistance; null where there are none such. */
function longerWays(tree: WiringTree, rings: readonly Ring[], index: Joining): IsWay | null {
  const ofSupply = rings.filter(({ side }) => side === 'supply');
  if (ofSupply.length === 0) return null;
  const { conductorStandard, conductorTemperatureC } = index.settings;
  const wireOf = new Map(index.wires.map((wire) => [wire.id, wire]));
  const ohmOf = (wire: LaidWire) => (cableOhmPerM(wire.conductor, conductorStandard, conductorTemperatureC) * wire.lengthMm) / 1000;
  const closed = ofSupply.map(({ ends, wireId }) => ({ ends, wire: wireOf.get(wireId ?? '') ?? null }));
  const tooShort = reachedTooShort(tree, closed, index.devices, ohmOf);
  if (tooShort.size === 0) return null;
  const keyOf = ({ deviceId, terminal }: TerminalRef) => terminalKey(deviceId, terminal);
  const left = new Map([...tooShort].map((at) => [keyOf(tree.nodes[at]!), keyOf(tree.nodes[tree.nodes[at]!.parent]!)]));
  return (from, to, wire) => wire !== null || left.get(keyOf(to)) !== keyOf(from);
}

interface Found {
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

/** The position of a changeover contact that joins two nodes; null where they are not two terminals of one. */
export function thrownBetweenNodes(index: DesignIndex, a: TerminalRef, b: TerminalRef): ReturnType<typeof thrownBetween> {
  const device = a.deviceId === b.deviceId ? index.devices.get(a.deviceId) : undefined;
  return device ? thrownBetween(device, a.terminal, b.terminal) : null;
}

/** Every terminal that a wire lands on. */
export function landedTerminals(wires: Iterable<Pick<Wire, 'from' | 'to'>>): Set<string> {
  const landed = new Set<string>();
  for (const { from, to } of wires) landed.add(terminalKey(from.deviceId, from.terminal)).add(terminalKey(to.deviceId, to.terminal));
  return landed;
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

function meetsOtherSide(device: Device, terminal: string, side: Side): boolean {
  if (side === 'supply') return terminal === 'minus' || device.kind === 'groundPoint';
  return (
    terminal === 'plus' ||
    (device.kind === 'vehicleFeed' && terminal === 'out' && device.polarity === 'live') ||
    device.kind === 'protection' ||
    (device.kind === 'fuseBlock' && terminal === 'in')
  );
}

function* insideSteps(device: Device | undefined, node: WiringNode, index: DesignIndex): Generator<TerminalRef & { jointOhm: number }> {
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
