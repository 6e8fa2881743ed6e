import type { Device, Load } from '../design/schema';
import type { DesignIndex } from '../rig/designIndex';
import type { Fault } from '../design/schema';

/** Volts no coil ever has, and less than any. */
const NEVER_V = 1e9;
const ALWAYS_V = -1;

/** What a fault is about. */
export function subjectOf(fault: Fault): string {
  if (fault.kind === 'wireOff') return fault.wireId;
  return fault.kind === 'dead' ? fault.loadId : fault.relayId;
}

export function isSameFault(a: Fault, b: Fault): boolean {
  return a.kind === b.kind && subjectOf(a) === subjectOf(b);
}

/** The design with things gone wrong in it; the same one where nothing has. */
export function withFaults(index: DesignIndex, faults: readonly Fault[]): DesignIndex {
  if (faults.length === 0) return index;
  const off = new Set(faults.flatMap((fault) => (fault.kind === 'wireOff' ? [fault.wireId] : [])));
  const devices = new Map(index.devices);
  for (const fault of faults) {
    const device = devices.get(subjectOf(fault));
    if (device) devices.set(device.id, broken(device, fault));
  }
  return {
    ...index,
    devices,
    wires: index.wires.filter(({ id }) => !off.has(id)),
    loads: index.loads.map((load) => devices.get(load.id) as Load),
  };
}

function broken(device: Device, { kind }: Fault): Device {
  if (device.kind === 'load' && kind === 'dead')
    return { ...device, rated: { kind: 'amps', amps: 0, atV: device.rated.atV }, measured: null, standbyA: 0 };
  if (device.kind !== 'relay') return device;
  if (kind === 'neverPulls') return { ...device, pullInV: NEVER_V };
  return kind === 'stuck' ? { ...device, latching: false, pullInV: ALWAYS_V, dropOutV: ALWAYS_V } : device;
}
