import { kindOf } from '../devices';
import type { ControlValue } from '../devices/kind';
import type { Device, Wish } from '../design/schema';
import { heardBy } from '../devices/ruleHub';
import { moversIn } from './wished';
import { withControl, type ControlState } from '../network/controlState';
import { landedTerminals, terminalKey } from '../network/wiring';
import type { DesignIndex } from '../rig/designIndex';
import { VEHICLE_CONTROLS, type VehicleControl } from '../catalog/vocabulary';
import { FOLLOWS, SIGNAL_LIVE, type Followed, type VehicleSide } from './vehicleSide';

/** Something on a device that a hand moves. */
export interface DeviceHandle {
  deviceId: string;
  control: string;
  /** The first is the resting one. */
  positions: readonly ControlValue[];
  /** It springs back when it is let go, so that a click presses and releases it. */
  springs: boolean;
  /** Where it is worked: on a panel, on a fob, by a door or by what moves, at the load itself, at the battery, in a fuse's holder. */
  where: 'panel' | 'fob' | 'moving' | 'load' | 'supply' | 'fuse';
}

/**
 * Everything on the devices of a design that is worked in use, in their order: what drives the vehicle's own wires is not among it, the
 * vehicle's controls do that.
 */
export function deviceHandles(index: DesignIndex): DeviceHandle[] {
  const landed = landedTerminals(index.wires);
  const driven = new Set(vehicleWires(index).map(({ deviceId, control }) => `${deviceId}/${control}`));
  return Array.from(index.devices.values()).flatMap((device) => {
    const { controls, workedInUse } = kindOf(device);
    if (!controls) return [];
    const isLanded = (terminal: string) => landed.has(terminalKey(device.id, terminal));
    return Object.entries(controls(device)).flatMap(([control, positions]): DeviceHandle[] => {
      const isWorked = workedInUse?.(device, control, isLanded) ?? BY_HAND.has(device.kind);
      if (!isWorked || positions.length < 2 || driven.has(`${device.id}/${control}`)) return [];
      return [{ deviceId: device.id, control, positions, springs: springsBack(device, positions), where: whereOf(device) }];
    });
  });
}

/** Kinds worked by hand, but not as a matter of course: what a person leaves as it is until asked. */
const BY_HAND: ReadonlySet<Device['kind']> = new Set(['load', 'dimmer', 'isolator', 'protection']);

/** Whether a control of a device with so many positions springs back when it is let go. */
export function springsBack(device: Device, { length }: readonly ControlValue[]): boolean {
  return length === 2 && (device.kind === 'receiver' || (device.kind === 'switch' && device.momentary === true));
}

function whereOf({ kind }: Device): DeviceHandle['where'] {
  if (kind === 'receiver') return 'fob';
  if (kind === 'doorSwitch' || kind === 'microSwitch' || kind === 'motionSwitch') return 'moving';
  if (kind === 'load') return 'load';
  if (kind === 'protection') return 'fuse';
  return kind === 'isolator' ? 'supply' : 'panel';
}

/** A wire of the vehicle's that something of the design hangs on, or a sensor’s eye for daylight, and what drives it. */
export interface VehicleWire {
  deviceId: string;
  control: string;
  signal: Followed;
}

export function vehicleWires(index: DesignIndex): VehicleWire[] {
  return Array.from(index.devices.values()).flatMap((device): VehicleWire[] => {
    if (device.kind === 'vehicleFeed') return [{ deviceId: device.id, control: 'live', signal: device.signal }];
    if (device.kind === 'motionSwitch' && device.darkOnly) return [{ deviceId: device.id, control: 'dark', signal: 'dark' }];
    if (device.kind === 'ruleHub') return heardBy(device).map((signal) => ({ deviceId: device.id, control: signal, signal }));
    return device.kind === 'signalSource' ? device.signals.map((signal) => ({ deviceId: device.id, control: signal, signal })) : [];
  });
}

/** A state with the vehicle's wires as its controls stand. */
export function driven(state: ControlState, wires: readonly VehicleWire[], side: VehicleSide): ControlState {
  return wires.reduce((now, { deviceId, control, signal }) => withControl(now, deviceId, control, SIGNAL_LIVE[signal](side)), state);
}

/** The vehicle's controls that move anything in the design, or that a wish names. */
export function vehicleHandles(index: DesignIndex, wishes: readonly Wish[] = []): VehicleControl[] {
  const named = wishes.flatMap(({ says }) => moversIn(says)).flatMap((mover) => (mover.kind === 'vehicle' ? [mover.control] : []));
  const moving = new Set([...vehicleWires(index).flatMap(({ signal }) => FOLLOWS[signal]), ...named]);
  return (Object.keys(VEHICLE_CONTROLS) as VehicleControl[]).filter((control) => moving.has(control));
}
