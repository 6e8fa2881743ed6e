import type { Device, Wire } from '../design/schema';
import { kindOf } from '../devices';
import { isLamp } from '../devices/load';
import type { Wiring, WiringTree } from '../network/wiring';
import type { DesignIndex } from '../rig/designIndex';

/**
 * What a wire does: it is live for as long as its fuse is in, or by way of the vehicle's key; it comes out of something that switches; it
 * takes current home; or it only works something.
 */
export type WireDuty = 'live' | 'keyed' | 'switched' | 'return' | 'signal';

/** What is known of a wire by where it hangs. */
export interface WireRole {
  duty: WireDuty;
  /** The circuit it belongs to; null where several share it, or none has it. */
  circuitId: string | null;
  /** What it feeds or takes current home from, where that is all of one kind. */
  serves: 'lamps' | 'motors' | 'other';
}

/** What every wire does. Wires that hang on nothing are told by the side they were drawn for. */
export function wireRoles(index: DesignIndex, { supply, return: returns }: Wiring): Map<string, WireRole> {
  const roles = new Map<string, WireRole>();
  const duties = dutiesAlong(index, supply);
  const circuitOf = circuitsOfDevices(supply);
  const fed = servedBelow(index, supply);
  supply.nodes.forEach(({ wire, circuitId }, at) => {
    if (wire) roles.set(wire.id, { duty: duties[at]!, circuitId, serves: fed[at]! });
  });
  const home = servedBelow(index, returns);
  const circuits = circuitsBelow(returns, circuitOf);
  returns.nodes.forEach(({ wire }, at) => {
    const [only, ...more] = circuits[at]!;
    const isOwn = more.length === 0 && wire !== null && !joinsBars(index, wire);
    if (wire) roles.set(wire.id, { duty: 'return', circuitId: isOwn ? (only ?? null) : null, serves: home[at]! });
  });
  for (const wire of index.wires) {
    const role = roles.get(wire.id) ?? looseRole(index, wire, circuitOf);
    // What the vehicle's own wire leads to hangs, for the tree, behind the switch it ends at; it is a signal all the same.
    roles.set(wire.id, signalEnd(index, wire) ? { ...role, duty: 'signal' } : role);
  }
  return roles;
}

/** Whether it only joins what returns share, though one circuit alone may come home by it today. */
function joinsBars({ devices }: DesignIndex, { from, to }: Wire): boolean {
  return [from, to].every(({ deviceId }) => SHARED.has(devices.get(deviceId)?.kind ?? 'load'));
}
const SHARED: ReadonlySet<Device['kind']> = new Set(['battery', 'busBar', 'groundPoint', 'shunt', 'isolator']);

/** The end of a wire that is one of the vehicle's signals; null where none is. */
export function signalEnd({ devices }: DesignIndex, { from, to }: Pick<Wire, 'from' | 'to'>): 'from' | 'to' | null {
  const isSignal = ({ deviceId, terminal }: Wire['from']) => devices.get(deviceId)?.kind === 'signalSource' && terminal !== 'minus';
  return isSignal(from) ? 'from' : isSignal(to) ? 'to' : null;
}

/** A wire in neither tree: the vehicle's own signal, one that works a coil, or one that hangs loose. */
function looseRole({ devices }: DesignIndex, { role, from, to }: Wire, circuitOf: ReadonlyMap<string, string>): WireRole {
  const ends = [from, to].map(({ deviceId }) => devices.get(deviceId));
  const isSignal = ends.some((device) => device?.kind === 'signalSource' || device?.kind === 'relay' || device?.kind === 'ruleHub');
  const circuitId = circuitOf.get(from.deviceId) ?? circuitOf.get(to.deviceId) ?? null;
  return { duty: role === 'return' ? 'return' : isSignal ? 'signal' : 'switched', circuitId, serves: 'other' };
}

/** What each node of the supply tree is: live up to the first part that switches, switched behind it. */
function dutiesAlong({ devices }: DesignIndex, { nodes }: WiringTree): WireDuty[] {
  const duties: WireDuty[] = [];
  nodes.forEach(({ deviceId, parent, wire }, at) => {
    const device = devices.get(deviceId);
    if (device?.kind === 'vehicleFeed') duties[at] = device.signal === 'constant' ? 'live' : 'keyed';
    else if (parent === -1) duties[at] = 'live';
    else duties[at] = wire === null && device && switches(device) ? 'switched' : duties[parent]!;
  });
  return duties;
}

function switches(device: Device): boolean {
  return device.kind !== 'isolator' && (kindOf(device).isContact === true || device.kind === 'dimmer');
}

function circuitsOfDevices({ nodes }: WiringTree): Map<string, string> {
  return new Map(nodes.flatMap(({ deviceId, circuitId }) => (circuitId === null ? [] : [[deviceId, circuitId] as const])));
}

/** The circuits whose currents each node of the return tree takes home. */
function circuitsBelow({ nodes }: WiringTree, circuitOf: ReadonlyMap<string, string>): Set<string>[] {
  const below = nodes.map(({ deviceId }) => new Set([circuitOf.get(deviceId)].filter((id) => id !== undefined)));
  for (let at = nodes.length - 1; at > 0; at--) {
    const { parent } = nodes[at]!;
    if (parent !== -1) for (const id of below[at]!) below[parent]!.add(id);
  }
  return below;
}

function servedBelow({ devices }: DesignIndex, { nodes }: WiringTree): WireRole['serves'][] {
  const kinds = nodes.map(({ deviceId }) => {
    const device = devices.get(deviceId);
    const kind = device?.kind !== 'load' ? null : isLamp(device) ? 'lamps' : device.behaviour === 'motor' ? 'motors' : 'other';
    return new Set<WireRole['serves']>(kind === null ? [] : [kind]);
  });
  for (let at = nodes.length - 1; at > 0; at--) {
    const { parent } = nodes[at]!;
    if (parent !== -1) for (const kind of kinds[at]!) kinds[parent]!.add(kind);
  }
  return kinds.map((served) => (served.size === 1 ? [...served][0]! : 'other'));
}
