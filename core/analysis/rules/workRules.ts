import { deviceOf } from '../../design/design';
import { doneForNow } from '../../design/forNow';
import type { Finding } from '../finding';
import type { Analysis } from '../types';

/** What was done for now: things in place that are no part of the plan, and fuses other than the planned ones. */
export function findWork({ design, index, loads, wires }: Analysis): Finding[] {
  return doneForNow(design).map(({ id, why, due, fittedA }) => {
    if (fittedA === null)
      return caution('work.temporary', id, loads.get(id)?.circuitId ?? wires.get(id)?.circuitId ?? null, { due, reason: why });
    const { ratingA } = deviceOf(design, id, 'protection')!;
    const circuit = index.circuits.find(({ protectionId }) => protectionId === id);
    // Seen as it is now, the rating is the one in the holder.
    return caution('work.otherFuse', id, circuit?.id ?? null, { fittedA, plannedA: ratingA === fittedA ? null : ratingA });
  });
}

function caution(rule: Finding['rule'], subject: string, circuitId: string | null, numbers: Finding['numbers']): Finding {
  return { rule, severity: 'caution', subjects: [subject], circuitId, numbers };
}
