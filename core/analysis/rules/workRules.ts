import { isFitting } from '../../design/asBuilt';
import type { Finding } from '../finding';
import type { Analysis } from '../types';

/** What was done for now: things in place that are no part of the plan, and fuses other than the planned ones. */
export function findWork({ design, index, loads, wires }: Analysis): Finding[] {
  const found: Finding[] = [];
  for (const record of design.records.values()) {
    if (!isFitting(record)) continue;
    const { id, work } = record;
    const ownerId = loads.get(id)?.circuitId ?? wires.get(id)?.circuitId ?? null;
    if (work?.state === 'temporary')
      found.push(caution('work.temporary', id, ownerId, { due: work.due ?? null, reason: work.why ?? null }));
    if (record.type !== 'device' || record.kind !== 'protection' || record.fittedA === undefined) continue;
    const { fittedA, ratingA } = record;
    const circuit = index.circuits.find(({ protectionId }) => protectionId === id);
    // Seen as it is now, the rating is the one in the holder.
    found.push(caution('work.otherFuse', id, circuit?.id ?? null, { fittedA, plannedA: ratingA === fittedA ? null : ratingA }));
  }
  return found;
}

function caution(rule: Finding['rule'], subject: string, circuitId: string | null, numbers: Finding['numbers']): Finding {
  return { rule, severity: 'caution', subjects: [subject], circuitId, numbers };
}
