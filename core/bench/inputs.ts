import { VEHICLE_CONTROLS, type VehicleControl } from '../catalog/vocabulary';
import type { Mover } from '../design/schema';
import { kindOf } from '../devices';
import type { ControlValue } from '../devices/kind';
import { withControl, type ControlState } from '../network/controlState';
import type { Handle } from '../network/reach';
import type { DesignIndex } from '../rig/designIndex';
import { driven, type VehicleWire } from './handles';
import { FOLLOWS, moved, type VehicleSide } from './vehicleSide';

/**
 * Something that may decide whether a load is lit: a control of a device, or one of the vehicle's own, and how it may stand, at rest first.
 */
export type Input = Mover & { positions: readonly ControlValue[] };

export function isSameMover(a: Mover, b: Mover): boolean {
  return a.control === b.control && (a.kind === 'vehicle' ? b.kind === 'vehicle' : b.kind === 'device' && a.deviceId === b.deviceId);
}

/** What is moved in a part of a design: the vehicle's controls in place of the wires that follow them, then the handles of its devices. */
export function inputsOf(wires: readonly VehicleWire[], handles: readonly Handle[]): Input[] {
  const isDriven = ({ deviceId, key }: Handle) => wires.some((wire) => wire.deviceId === deviceId && wire.control === key);
  const driving = wires.filter((wire) => handles.some(({ deviceId, key }) => deviceId === wire.deviceId && key === wire.control));
  const controls = new Set(driving.flatMap(({ signal }) => FOLLOWS[signal]));
  return [
    ...Array.from(controls, vehicleInput),
    ...handles
      .filter((handle) => !isDriven(handle))
      .map(({ deviceId, key, values }): Input => ({ kind: 'device', deviceId, control: key, positions: values })),
  ];
}

function vehicleInput(control: VehicleControl): Input {
  return { kind: 'vehicle', control, positions: VEHICLE_CONTROLS[control] };
}

/** Something as an input, with every way it can stand; null where there is no such thing. */
export function inputFor({ devices }: Pick<DesignIndex, 'devices'>, mover: Mover): Input | null {
  if (mover.kind === 'vehicle') return vehicleInput(mover.control);
  const device = devices.get(mover.deviceId);
  const positions = device && kindOf(device).controls?.(device)[mover.control];
  return positions ? { ...mover, positions } : null;
}

/** Inputs, and those that are named beside them. */
export function withNamed(inputs: readonly Input[], index: Pick<DesignIndex, 'devices'>, named: readonly Mover[]): Input[] {
  const all = [...inputs];
  for (const mover of named) {
    const input = inputFor(index, mover);
    if (input && !all.some((one) => isSameMover(one, input))) all.push(input);
  }
  return all;
}

/** How everything stands: what is set and remembered, and the vehicle's own controls, which its wires follow. */
export interface Standing {
  state: ControlState;
  side: VehicleSide;
}

/** With one thing moved; nothing has answered yet. */
export function withMoved({ state, side }: Standing, mover: Mover, position: ControlValue, wires: readonly VehicleWire[]): Standing {
  if (mover.kind === 'device') return { state: withControl(state, mover.deviceId, mover.control, position), side };
  const next = moved(side, mover.control, position);
  return { state: driven(state, wires, next), side: next };
}
