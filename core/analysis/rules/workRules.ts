import { deviceOf } from '../../design/design';
import { doneForNow } from '../../design/forNow';
import { finding, type Finding } from '../finding';
import type { Analysis } from '../types';

/** What was done for now: things in place that are no part of the plan, and fuses other than the planned ones. */
export function findWork({ design, index, loads, wires }: Analysis): Finding[] {
  return doneForNow(design).map(({ id, why, due, fittedA, made }) => {
    const circuitId = loads.get(id)?.circuitId ?? wires.get(id)?.circuitId;
    if (made !== null) {
      const own = index.wires.find(({ from, to }) => from.deviceId === id || to.deviceId === id);
      return finding('work.jointForNow', 'caution', [id], { made, due, reason: why }, own && wires.get(own.id)?.circuitId);
    }
    if (fittedA === null) return finding('work.temporary', 'caution', [id], { due, reason: why }, circuitId);
    const { ratingA } = deviceOf(design, id, 'protection')!;
    const circuit = index.circuits.find(({ protectionId }) => protectionId === id);
    // Seen as it is now, the rating is the one in the holder.
    return finding('work.otherFuse', 'caution', [id], { fittedA, plannedA: ratingA === fittedA ? null : ratingA }, circuit?.id);
  });
}
