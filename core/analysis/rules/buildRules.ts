import { recordsOf } from '../../design/design';
import { seeded } from '../../energy/weather';
import { expectedReadings, mayBeOut, readAll } from '../../diagnosis/expect';
import { atBattery, lastReadings, momentsOf, unitOf } from '../../diagnosis/readings';
import { trialOf, trialResults } from '../../plan/trials';
import { verdictOf } from '../../diagnosis/verdict';
import { NetworkError } from '../../network/networkError';
import { formatNumber } from '../../units/quantity';
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

/** What is expected must not flicker. */
const SEED = 1;

/** The last reading of every point that is plainly out of what was to be expected: each is answered by a mended wire, or a mended plan. */
export function findReadings({ design, index, loads, wires }: Analysis): Finding[] {
  return momentsOf(lastReadings(design)).flatMap(({ moved, batteryV, readings }) => {
    const points = readings.map(({ what }) => what);
    try {
      // Most readings are near the plan, and no vehicle need be drawn to see it.
      const planned = readAll(index, moved, batteryV, points);
      if (!readings.some((reading, at) => mayBeOut(atBattery(reading, batteryV), planned[at]!))) return [];
      return expectedReadings(index, moved, batteryV, points, seeded(SEED)).flatMap((expected, at): Finding[] => {
        const reading = readings[at]!;
        const { what } = reading;
        const value = atBattery(reading, batteryV);
        if (verdictOf(value, expected) !== 'fail') return [];
        const subject = what.kind === 'volts' ? what.at.deviceId : what.wireId;
        const circuitId = loads.get(subject)?.circuitId ?? wires.get(subject)?.circuitId ?? null;
        const figure = (one: number) => `${formatNumber(one, 2)} ${unitOf(what)}`;
        const numbers = { read: figure(value), low: figure(expected.low), high: figure(expected.high), place: reading.id };
        return [{ rule: 'build.readingOut', severity: 'caution', subjects: [subject], circuitId, numbers }];
      });
    } catch (error) {
      if (error instanceof NetworkError) return [];
      throw error;
    }
  });
}
