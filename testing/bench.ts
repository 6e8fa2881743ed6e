import { indexDesign } from '../core/rig/designIndex';
import type { ControlValue } from '../core/devices/kind';
import { AT_REST, type ControlState } from '../core/network/controlState';
import { LiveDesign } from '../core/network/settle';
import { rig } from './rig';

type Build = ReturnType<typeof rig>;

/** A design live, with what a meter and an eye would say of it. */
export function bench(wireUp: (build: Build) => void) {
  const build = rig();
  build.battery('agm', 100);
  wireUp(build);
  const live = new LiveDesign(indexDesign(build.design()), AT_REST);
  const settle = (controls: Record<string, Record<string, ControlValue>>, from: ControlState = AT_REST) =>
    live.settle({ ...from, controls });
  const isLit = (load: string) => live.partAmps(load, 'draw') > 0.1;
  const volts = (text: string) => live.voltage({ deviceId: text.split('.')[0]!, terminal: text.split('.')[1]! })!;
  return { live, settle, isLit, volts };
}
