import { VEHICLE_CONTROLS, type VehicleControl } from '../catalog/vocabulary';
import type { ControlValue } from '../devices/kind';
import type { VehicleSignal } from '../devices/signalSource';

/** How the vehicle's controls stand. */
export type VehicleSide = { readonly [K in VehicleControl]: (typeof VEHICLE_CONTROLS)[K][number] };

/** As it is left: key out, lamps off, doors shut. */
export const PARKED: VehicleSide = { key: 'off', lamps: 'off', indicator: 'off', reverse: 'out', brake: 'released', door: 'shut' };

/**
 * Whether each of the vehicle's wires is active, by how its controls stand. Common practice: the low beam's wire goes dead with the high beam, as with two-filament bulbs;
 * lamps and brake work with the key out, reverse only with it on; an indicator is shown while it is lit.
 */
export const SIGNAL_LIVE: Record<VehicleSignal, (side: VehicleSide) => boolean> = {
  constant: () => true,
  ignition: ({ key }) => key === 'on',
  accessory: ({ key }) => key !== 'off',
  running: ({ lamps }) => lamps !== 'off',
  lowBeam: ({ lamps }) => lamps === 'low',
  highBeam: ({ lamps }) => lamps === 'high',
  reverse: ({ key, reverse }) => key === 'on' && reverse === 'in',
  left: ({ indicator }) => indicator === 'left' || indicator === 'hazard',
  right: ({ indicator }) => indicator === 'right' || indicator === 'hazard',
  brake: ({ brake }) => brake === 'pressed',
  door: ({ door }) => door === 'open',
};

/** Which of the vehicle's controls a wire follows. */
export const FOLLOWS: Record<VehicleSignal, readonly VehicleControl[]> = {
  constant: [],
  ignition: ['key'],
  accessory: ['key'],
  running: ['lamps'],
  lowBeam: ['lamps'],
  highBeam: ['lamps'],
  reverse: ['key', 'reverse'],
  left: ['indicator'],
  right: ['indicator'],
  brake: ['brake'],
  door: ['door'],
};

/** The vehicle with one of its controls moved; the same where it has no such position. */
export function moved(side: VehicleSide, control: VehicleControl, position: ControlValue): VehicleSide {
  return (VEHICLE_CONTROLS[control] as readonly ControlValue[]).includes(position) ? { ...side, [control]: position } : side;
}
