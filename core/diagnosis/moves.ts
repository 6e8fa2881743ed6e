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

/** As many moves as a reading keeps. */
const MOST_MOVES = 60;

/**
 * What has to be moved for as much as can be to be on together: each group of loads in turn, unless one of its moves takes back what was
 * moved for those before it. Loads that exclude each other are not all among it.
 */
export function movesTogether(index: DesignIndex, wiring: Wiring, groups: readonly (readonly string[])[]): Moved[] {
  const all: Moved[] = [];
  const keyOf = ({ mover }: Moved) => (mover.kind === 'device' ? `${mover.deviceId} ${mover.control}` : mover.control);
  for (const group of groups) {
    // Where not all of a group can be on at once, its first is.
    const moves = movesFor(index, wiring, group) ?? movesFor(index, wiring, group.slice(0, 1)) ?? [];
    const before = new Map(all.map((move) => [keyOf(move), move]));
    const isNew = (move: Moved) => !before.has(keyOf(move));
    const takesBack = moves.some((move) => !isNew(move) && !moves.some((own) => keyOf(own) === keyOf(move) && own.position === before.get(keyOf(move))!.position)); // prettier-ignore
    const more = moves.filter(isNew);
    if (!takesBack && all.length + more.length <= MOST_MOVES) all.push(...more);
  }
  return all;
}
