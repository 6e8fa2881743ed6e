import { recordsOf } from '../../design/design';
import { trialOf, trialResults } from '../../plan/trialResults';
import { finding, type Finding, type Severity } from '../finding';
import type { Analysis } from '../types';

/**
 * What was done out of its order: power before its check, and power with nothing read or tested after it; and what was tried and is not as
 * it should be.
 */
export function findBuild({ design, circuits }: Analysis): Finding[] {
  const done = new Set(recordsOf(design, 'doneTask').map(({ task }) => task));
  if (done.size === 0) return [];
  const failed = Array.from(trialResults(design)).flatMap(([key, result]): Finding[] => {
    const of = result === 'failed' ? trialOf(key) : null;
    if (!of) return [];
    const { circuitId, kind, deviceId } = of;
    const subjects = circuitId === null ? [deviceId] : [deviceId, circuitId];
    // What was taken out since is tried no more.
    return subjects.every((id) => design.records.has(id)) ? [finding('build.trialFailed', 'caution', subjects, { kind, place: key }, circuitId)] : []; // prettier-ignore
  });
  const readAt = new Set(recordsOf(design, 'reading').flatMap(({ what }) => (what.kind === 'volts' ? [what.at.deviceId] : [what.wireId])));
  const powered = circuits.flatMap(({ id, loadIds, protectionId, supplyWireIds }): Finding[] => {
    if (!done.has(`power ${id}`)) return [];
    const isRead = [...loadIds, protectionId, ...supplyWireIds].some((one) => readAt.has(one));
    const found = (rule: 'build.poweredUnchecked' | 'build.untested', severity: Severity) => finding(rule, severity, [id], {}, id);
    return [
      ...(done.has(`ohms ${id}`) ? [] : [found('build.poweredUnchecked', 'caution')]),
      ...(isRead || done.has(`test ${id}`) ? [] : [found('build.untested', 'note')]),
    ];
  });
  return [...failed, ...powered];
}
