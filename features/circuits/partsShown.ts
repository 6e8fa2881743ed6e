import type { Analysis, CircuitAnalysis } from '@/core/analysis/types';
import type { Device } from '@/core/design/schema';
import type { WiringNode } from '@/core/network/wiring';

/** Kinds that have a screen of their own: loads, what supplies, blocks. */
const ELSEWHERE: ReadonlySet<Device['kind']> = new Set([
  ...(['load', 'battery', 'fuseBlock', 'charger', 'solarPanel', 'solarController', 'alternator', 'dcDcCharger', 'splitRelay'] as const),
]);

/** A part and the circuit it belongs to. */
export interface PartShown {
  device: Device;
  circuitId: string | null;
}

/** Everything that is put in by hand and edited as a part, those that belong to no circuit first, then circuit by circuit. */
export function allParts(analysis: Analysis): PartShown[] {
  const own = circuitsOf(analysis);
  const order = new Map(analysis.circuits.map(({ id }, at) => [id, at + 1]));
  const guards = new Set(analysis.circuits.map(({ protectionId }) => protectionId));
  return Array.from(analysis.index.devices.values())
    .filter((device) => !ELSEWHERE.has(device.kind) && !guards.has(device.id) && !(device.kind === 'protection' && device.mount))
    .map((device) => ({ device, circuitId: own.get(device.id) ?? null }))
    .sort((a, b) => (order.get(a.circuitId ?? '') ?? 0) - (order.get(b.circuitId ?? '') ?? 0));
}

/** The parts within a circuit, its own fuse and its loads apart. */
export function partsOfCircuit(analysis: Analysis, circuit: Pick<CircuitAnalysis, 'id'>): Device[] {
  return allParts(analysis).flatMap(({ device, circuitId }) => (circuitId === circuit.id ? [device] : []));
}

/** The circuit each device is in, by what feeds it, or by whose current it brings home. */
function circuitsOf({ wiring, circuits }: Analysis): Map<string, string> {
  const found = new Map<string, string>();
  for (const { deviceId, circuitId } of wiring.supply.nodes) if (circuitId !== null && !found.has(deviceId)) found.set(deviceId, circuitId);
  const homeOf = new Map(circuits.flatMap(({ id, returnWireIds }) => returnWireIds.map((wireId) => [wireId, id] as const)));
  const { nodes } = wiring.return;
  const touch = (deviceId: string, node: WiringNode) => {
    const circuitId = node.wire && homeOf.get(node.wire.id);
    if (circuitId && !found.has(deviceId)) found.set(deviceId, circuitId);
  };
  for (const node of nodes) {
    touch(node.deviceId, node);
    // A bar gathers the returns of many circuits and is of none.
    const near = nodes[node.parent];
    if (near && isWithin(wiring.return.nodes, near)) touch(near.deviceId, node);
  }
  return found;
}

/** Whether a device on the way home has one wire coming in, so that it belongs to one run. */
function isWithin(nodes: readonly WiringNode[], { deviceId }: WiringNode): boolean {
  return nodes.filter((node) => node.wire !== null && nodes[node.parent]?.deviceId === deviceId).length === 1;
}
