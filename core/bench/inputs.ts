import { VEHICLE_CONTROLS, type VehicleControl } from '../catalog/vocabulary';
import type { Mover } from '../design/schema';
import type { ControlValue } from '../devices/kind';
import { withControl, type ControlState } from '../network/controlState';
import type { Handle } from '../network/reach';
import { driven, type VehicleWire } from './handles';
import { FOLLOWS, moved, type VehicleSide } from './vehicleSide';

/** Something that may decide whether a load is lit: a control of a device, or one of the vehicle's own, and how it may stand, at rest first. */
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

export function vehicleInput(control: VehicleControl): Input {
  return { kind: 'vehicle', control, positions: VEHICLE_CONTROLS[control] };
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
