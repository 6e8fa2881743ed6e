import { isSameTerminal } from '../design/terminals';
import { sameRecord } from '../design/change';
import { cableOhmPerM } from '../catalog/cable';
import { kindOf } from '../devices';
import type { DesignIndex } from '../rig/designIndex';
import type { DesignRecord, Protection, TerminalRef } from '../design/schema';
import type { LaidWire } from '../rig/layout';
import { ALL_WAYS, countNeverReached, growTree, insideSteps, meetsOtherSide, type Found, type IsWay, type WireEnd } from './growTree';
import { leastOhmSteps } from './leastOhm';
import { reachedTooShort } from './longerWay';
import { terminalKey, type Ring, type Side, type Wiring, type WiringTree } from './wiring';

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

/** The ways of least resistance from a tree's root to all it reaches: of cables and of joints to the body. */
function leastOhmWays({ nodes }: WiringTree, index: DesignIndex, wiresAt: Map<string, WireEnd[]>): IsWay {
  const ohmOf = wireOhms(index);
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
      ohm: ohmOf(wire),
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
  const wireOf = new Map(index.wires.map((wire) => [wire.id, wire]));
  const closed = ofSupply.map(({ ends, wireId }) => ({ ends, wire: wireOf.get(wireId ?? '') ?? null }));
  const tooShort = reachedTooShort(tree, closed, index.devices, wireOhms(index));
  if (tooShort.size === 0) return null;
  const left = new Map([...tooShort].map((at) => [keyOf(tree.nodes[at]!), keyOf(tree.nodes[tree.nodes[at]!.parent]!)]));
  return (from, to, wire) => wire !== null || left.get(keyOf(to)) !== keyOf(from);
}

const keyOf = ({ deviceId, terminal }: TerminalRef) => terminalKey(deviceId, terminal);

/** Resistance of a wire as laid, ohm, by the design's own conductors. */
function wireOhms({ settings: { conductorStandard, conductorTemperatureC } }: Pick<DesignIndex, 'settings'>): (wire: LaidWire) => number {
  return ({ conductor, lengthMm }) => (cableOhmPerM(conductor, conductorStandard, conductorTemperatureC) * lengthMm) / 1000;
}
