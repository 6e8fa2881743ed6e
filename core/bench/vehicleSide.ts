import { VEHICLE_CONTROLS, type VehicleControl } from '../catalog/vocabulary';
import type { ControlValue } from '../devices/kind';
import type { VehicleSignal } from '../devices/signalSource';

/** What follows the vehicle’s controls: its wires, and what sees whether it is dark. */
export type Followed = VehicleSignal | 'dark';

/** How the vehicle's controls stand. */
export type VehicleSide = { readonly [K in VehicleControl]: (typeof VEHICLE_CONTROLS)[K][number] };

/** As it is left: key out, lamps off, doors and hood shut, by day. */
export const PARKED: VehicleSide = {
  key: 'off',
  lamps: 'off',
  indicator: 'off',
  reverse: 'out',
  brake: 'released',
  door: 'shut',
  hood: 'shut',
  daylight: 'day',
};

/**
 * Whether each of the vehicle's wires is active, by how its controls stand. Common practice: the low beam's wire goes dead with the high
 * beam, as with two-filament bulbs; a flash lights the high beam alone; lamps and brake work with the key out, reverse only with it on or
 * starting; the accessory wire goes dead while the starter turns, the ignition’s does not; an indicator is shown while it is lit.
 */
export const SIGNAL_LIVE: Record<Followed, (side: VehicleSide) => boolean> = {
  constant: () => true,
  ignition: ({ key }) => key === 'on' || key === 'start',
  accessory: ({ key }) => key === 'accessory' || key === 'on',
  starting: ({ key }) => key === 'start',
  running: ({ lamps }) => lamps !== 'off' && lamps !== 'flash',
  lowBeam: ({ lamps }) => lamps === 'low',
  highBeam: ({ lamps }) => lamps === 'high' || lamps === 'flash',
  reverse: ({ key, reverse }) => (key === 'on' || key === 'start') && reverse === 'in',
  left: ({ indicator }) => indicator === 'left' || indicator === 'hazard',
  right: ({ indicator }) => indicator === 'right' || indicator === 'hazard',
  brake: ({ brake }) => brake === 'pressed',
  door: ({ door }) => door === 'open',
  hood: ({ hood }) => hood === 'open',
  dark: ({ daylight }) => daylight === 'dark',
};

/** Which of the vehicle's controls a wire follows. */
export const FOLLOWS: Record<Followed, readonly VehicleControl[]> = {
  constant: [],
  ignition: ['key'],
  accessory: ['key'],
  starting: ['key'],
  running: ['lamps'],
  lowBeam: ['lamps'],
  highBeam: ['lamps'],
  reverse: ['key', 'reverse'],
  left: ['indicator'],
  right: ['indicator'],
  brake: ['brake'],
  door: ['door'],
  hood: ['hood'],
  dark: ['daylight'],
};

/** The vehicle with one of its controls moved; the same where it has no such position. */
export function moved(side: VehicleSide, control: VehicleControl, position: ControlValue): VehicleSide {
  return (VEHICLE_CONTROLS[control] as readonly ControlValue[]).includes(position) ? { ...side, [control]: position } : side;
}
