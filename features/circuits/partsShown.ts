import type { Analysis, CircuitAnalysis } from '@/core/analysis/types';
import type { Device } from '@/core/design/schema';
import { isReturnJunction } from '@/core/network/flow';

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
  const ofCircuits = analysis.circuits.flatMap((circuit) =>
    partsOfCircuit(analysis, circuit).map((device) => ({ device, circuitId: circuit.id })),
  );
  const placed = new Set(ofCircuits.map(({ device }) => device.id));
  const guards = new Set(analysis.circuits.map(({ protectionId }) => protectionId));
  const others = Array.from(analysis.index.devices.values()).filter(
    (device) => isPart(device) && !guards.has(device.id) && !placed.has(device.id),
  );
  return [...others.map((device) => ({ device, circuitId: null })), ...ofCircuits];
}

/** The parts within a circuit, its own fuse and its loads apart: all behind its fuse, and on the way home what no other shares. */
export function partsOfCircuit(
  { index, wiring, wires }: Analysis,
  { id, protectionId, returnWireIds }: Pick<CircuitAnalysis, 'id' | 'protectionId' | 'returnWireIds'>,
): Device[] {
  const ids = new Set(wiring.supply.nodes.flatMap(({ deviceId, circuitId }) => (circuitId === id ? [deviceId] : [])));
  for (const wireId of returnWireIds) {
    const wire = wires.get(wireId)?.wire;
    for (const end of wire ? [wire.from, wire.to] : []) {
      const kind = index.devices.get(end.deviceId)?.kind;
      if (kind !== 'groundPoint' && !isReturnJunction(end.deviceId, kind)) ids.add(end.deviceId);
    }
  }
  ids.delete(protectionId);
  return Array.from(ids).flatMap((deviceId) => {
    const device = index.devices.get(deviceId);
    return device && isPart(device) ? [device] : [];
  });
}

function isPart(device: Device): boolean {
  return !ELSEWHERE.has(device.kind) && !(device.kind === 'protection' && device.mount);
}
