import type { DeviceHandle } from '@/core/bench/handles';
import type { Device } from '@/core/design/schema';
import type { ControlValue } from '@/core/devices/kind';
import { handleName, positionWord } from '@/core/wording/benchWords';
import type { BenchShown } from './useBench';

/** A control as it stands on the bench. */
export interface WorkedProps {
  device: Device;
  handle: DeviceHandle;
  at: ControlValue;
  act: BenchShown['act'];
}

/** What a control is called, its positions in words, and what moves or presses it. */
export function workedBy({ device, handle: { deviceId, control, positions }, act }: WorkedProps) {
  const moveTo = (position: ControlValue, goesWithoutSaying = false) =>
    act({ kind: 'move', mover: { kind: 'device', deviceId, control }, position }, goesWithoutSaying);
  return {
    name: handleName(device, control),
    choices: positions.map((value) => ({ value, word: positionWord(device, value) })),
    move: (position: ControlValue) => moveTo(position),
    press: (pressed: boolean) => moveTo(positions[pressed ? 1 : 0]!, !pressed),
  };
}
