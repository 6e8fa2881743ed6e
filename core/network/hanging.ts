import { ownTerminals } from '../devices/ownDraw';
import type { DesignIndex } from '../rig/designIndex';
import { isReturnJunction } from './flow';
import { pathTo } from './ways';
import { terminalKey, type Wiring, type WiringTree } from './wiring';

/**
 * Where loads, circuits and blocks hang in the two trees, as positions of nodes. It stays the same for as long as nothing is joined or
 * parted.
 */
export interface Hanging {
  loads: ReadonlyMap<string, HangingLoad>;
  circuits: ReadonlyMap<string, HangingCircuit>;
  /** Fuse blocks with none ahead of them, each with its way from the battery. */
  firstBlocks: readonly Way[];
  /** The same of the points where returns come together. */
  firstReturns: readonly Way[];
  /** Return wires of more than one circuit or of none, by their node, with the loads whose current they take home. */
  sharedReturns: ReadonlyMap<number, readonly string[]>;
  /** Feed wires with no protection ahead of them, by their node, with the loads they lead to. */
  unguardedLeads: ReadonlyMap<number, readonly string[]>;
  /** Each protection reached, with the one next ahead of it; null for the first. */
  protectionsAhead: ReadonlyMap<string, string | null>;
}

/** Undefined where a tree does not reach that terminal. */
export interface HangingLoad {
  plus: number | undefined;
  minus: number | undefined;
}

/**
 * A circuit's own nodes: on the supply side all behind its protection, on the return side from its loads, and its parts that draw by
 * themselves, to the first shared point.
 */
export interface HangingCircuit {
  loadIds: string[];
  /** Parts that take a current of their own from it, coils too. */
  partIds: string[];
  supply: number[];
  return: number[];
  /** Of those, the ones that lead to no other of its own. */
  supplyEnds: number[];
  returnEnds: number[];
}

export interface Way {
  at: number;
  path: readonly number[];
}

/** Made from where the nodes of both trees stand, which an edit that joins nothing hands on. */
export function findHanging(wiring: Wiring, index: DesignIndex): Hanging {
  const loads = new Map<string, HangingLoad>();
  const circuits = new Map<string, HangingCircuit>();
  for (const { id } of index.circuits)
    circuits.set(id, { loadIds: [], partIds: [], supply: [], return: [], supplyEnds: [], returnEnds: [] });
  wiring.supply.nodes.forEach(({ circuitId }, at) => circuits.get(circuitId ?? '')?.supply.push(at));
  const taken = new Map<string, Set<number>>();
  for (const { id } of index.loads) {
    const plus = wiring.supply.at.get(terminalKey(id, 'plus'));
    const minus = wiring.return.at.get(terminalKey(id, 'minus'));
    loads.set(id, { plus, minus });
    const circuitId = plus === undefined ? null : wiring.supply.nodes[plus]!.circuitId;
    if (circuitId === null) continue;
    circuits.get(circuitId)!.loadIds.push(id);
    const own = taken.get(circuitId) ?? new Set<number>();
    taken.set(circuitId, own);
    addReturn(wiring, index, minus, own);
  }
  // What a part takes home by itself is its circuit’s too: the same fuse lets through a short in it.
  for (const device of index.devices.values()) {
    const ends = ownTerminals(device);
    const at = (terminal: string) => wiring.supply.at.get(terminalKey(device.id, terminal));
    // A coil may be fed by either of its terminals.
    const [fed, home] = ends && at(ends.plus) === undefined ? [ends.minus, ends.plus] : [ends?.plus ?? '', ends?.minus ?? ''];
    const fedAt = at(fed);
    const circuitId = fedAt === undefined ? null : wiring.supply.nodes[fedAt]!.circuitId;
    if (!ends || circuitId === null) continue;
    circuits.get(circuitId)!.partIds.push(device.id);
    const own = taken.get(circuitId) ?? new Set<number>();
    taken.set(circuitId, own);
    addReturn(wiring, index, wiring.return.at.get(terminalKey(device.id, home)), own);
  }
  for (const [circuitId, own] of taken) circuits.get(circuitId)!.return = Array.from(own);
  for (const own of circuits.values()) {
    own.supplyEnds = endsOf(wiring.supply, own.supply);
    own.returnEnds = endsOf(wiring.return, own.return);
  }
  const kindOf = (deviceId: string) => index.devices.get(deviceId)?.kind;
  return {
    loads,
    circuits,
    firstBlocks: firstOnTheirWay(wiring.supply, (deviceId) => kindOf(deviceId) === 'fuseBlock').filter(({ at }) => at < wiring.fedCount),
    firstReturns: firstOnTheirWay(wiring.return, (deviceId) => isReturnJunction(deviceId, kindOf(deviceId))),
    sharedReturns: findSharedReturns(wiring, loads, circuits),
    unguardedLeads: findUnguardedLeads(wiring.supply, loads),
    protectionsAhead: findProtectionsAhead(wiring),
  };
}

function endsOf({ nodes }: WiringTree, own: readonly number[]): number[] {
  const passed = new Set(own.map((at) => nodes[at]!.parent));
  return own.filter((at) => !passed.has(at));
}

function findUnguardedLeads({ nodes }: WiringTree, loads: ReadonlyMap<string, HangingLoad>): Map<number, string[]> {
  const leads = new Map<number, string[]>();
  /** The unguarded wires on the way to a node, once for all loads that hang there. */
  const waysTo = new Map<number, number[]>();
  const wayTo = (at: number): number[] => {
    const known = waysTo.get(at);
    if (known) return known;
    const { parent, wire, feedId } = nodes[at]!;
    const way = parent < 0 ? [] : wayTo(parent);
    // The vehicle's own fuse is ahead of what is taken from its wiring, or a rule of its own says that it is not.
    const isBare = parent >= 0 && wire !== null && feedId === null && nodes[parent]!.protectionId === null;
    const own = isBare ? [...way, at] : way;
    waysTo.set(at, own);
    return own;
  };
  for (const [id, { plus }] of loads) {
    for (const at of plus === undefined ? [] : wayTo(plus)) {
      const onward = leads.get(at);
      if (onward) onward.push(id);
      else leads.set(at, [id]);
    }
  }
  return leads;
}

function findSharedReturns(
  wiring: Wiring,
  loads: ReadonlyMap<string, HangingLoad>,
  circuits: ReadonlyMap<string, HangingCircuit>,
): Map<number, string[]> {
  const { nodes } = wiring.return;
  const owners = new Map<number, number>();
  for (const circuit of circuits.values()) for (const at of circuit.return) owners.set(at, (owners.get(at) ?? 0) + 1);
  const shared = new Map<number, string[]>();
  for (const [id, { minus }] of loads) {
    for (let at = minus ?? -1; at >= 0; at = nodes[at]!.parent) {
      if (nodes[at]!.wire === null || owners.get(at) === 1) continue;
      const homeward = shared.get(at);
      if (homeward) homeward.push(id);
      else shared.set(at, [id]);
    }
  }
  return shared;
}

function findProtectionsAhead({ supply: { nodes } }: Wiring): Map<string, string | null> {
  const ahead = new Map<string, string | null>();
  for (const { deviceId, parent, protectionId } of nodes)
    if (protectionId === deviceId && !ahead.has(deviceId)) ahead.set(deviceId, nodes[parent]?.protectionId ?? null);
  return ahead;
}

function addReturn({ return: { nodes } }: Wiring, index: DesignIndex, from: number | undefined, into: Set<number>): void {
  for (let at = from ?? -1; at >= 0; at = nodes[at]!.parent) {
    const { deviceId } = nodes[at]!;
    const kind = index.devices.get(deviceId)?.kind;
    if (kind === 'groundPoint' || isReturnJunction(deviceId, kind)) return;
    into.add(at);
  }
}

/** Nodes of devices of a sort with none of that sort ahead of them. */
function firstOnTheirWay(tree: WiringTree, isOne: (deviceId: string) => boolean): Way[] {
  return tree.nodes.flatMap(({ deviceId }, at) => {
    if (!isOne(deviceId)) return [];
    const path = pathTo(tree, at);
    return path.some((step) => step !== at && isOne(tree.nodes[step]!.deviceId)) ? [] : [{ at, path }];
  });
}
