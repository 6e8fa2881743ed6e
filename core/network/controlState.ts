import type { Device } from '../design/schema';
import { kindOf } from '../devices';
import { NOTHING, type ControlValue, type Memory } from '../devices/kind';

/**
 * Everything that decides what a wired system does at a moment: what is set by hands, by the vehicle and by faults, what
 * its devices remember, and the time. Plain data, never changed in place.
 */
export interface ControlState {
  /** By device id; what is not here rests. */
  controls: Readonly<Record<string, Readonly<Record<string, ControlValue>>>>;
  memory: Readonly<Record<string, Memory>>;
  timeS: number;
  /** Time runs from here on; absent: a state as it has long stood, in which what comes late has come. */
  timeRuns?: true;
}

export const AT_REST: ControlState = { controls: {}, memory: {}, timeS: 0 };

/** At rest on a bench, where time runs. */
export const BEGUN: ControlState = { ...AT_REST, timeRuns: true };

export function controlOf(state: ControlState, device: Device, key: string): ControlValue {
  return state.controls[device.id]?.[key] ?? kindOf(device).controls?.(device)[key]?.[0] ?? false;
}

export function memoryOf(state: ControlState, deviceId: string): Memory {
  return state.memory[deviceId] ?? NOTHING;
}

/** The state with something set on a device. */
export function withControl(state: ControlState, deviceId: string, key: string, value: ControlValue): ControlState {
  return { ...state, controls: { ...state.controls, [deviceId]: { ...state.controls[deviceId], [key]: value } } };
}
