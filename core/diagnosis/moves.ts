import { inputFor } from '../bench/inputs';
import { Reach } from '../network/reach';
import type { Wiring } from '../network/wiring';
import type { DesignIndex } from '../rig/designIndex';
import type { Moved } from './foresee';

/** What has to be moved for loads to be on together, the fewest moves from rest. Null where nothing does it, or it was not found. */
export function movesFor(index: DesignIndex, wiring: Wiring, loadIds: readonly string[]): Moved[] | null {
  const reached = new Reach(index, wiring).lit(loadIds);
  if (reached.kind !== 'found') return null;
  const { controls: set, memory } = reached.state;
  return Object.entries(set).flatMap(([deviceId, controls]) =>
    Object.entries(controls).flatMap(([control, position]): Moved[] => {
      const mover = { kind: 'device' as const, deviceId, control };
      const device = index.devices.get(deviceId);
      if (!device || device.kind === 'load' || !inputFor(index, mover)) return [];
      // A channel that latches stays on once its button is let go.
      const isLatched = device.kind === 'receiver' && device.mode === 'latching' && memory[deviceId]?.[control] === true;
      return [...(isLatched ? [{ mover, position: true }] : []), { mover, position }];
    }),
  );
}
