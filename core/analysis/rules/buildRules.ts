import { recordsOf } from '../../design/design';
import type { ReadingRecord } from '../../design/schema';
import { seeded } from '../../energy/weather';
import { expectedReadings } from '../../diagnosis/expect';
import { atBattery, verdictOf } from '../../diagnosis/verdict';
import { measurementKey } from '../../diagnosis/diagnose';
import { NetworkError } from '../../network/networkError';
import { formatNumber } from '../../units/quantity';
import type { Finding } from '../finding';
import type { Analysis } from '../types';

/** What was done out of its order: power before its check, and power with nothing read or tested after it. */
export function findBuild({ design, circuits }: Analysis): Finding[] {
  const done = new Set(recordsOf(design, 'doneTask').map(({ task }) => task));
  if (done.size === 0) return [];
  const readAt = new Set(recordsOf(design, 'reading').flatMap(({ what }) => (what.kind === 'volts' ? [what.at.deviceId] : [what.wireId])));
  return circuits.flatMap(({ id, loadIds, protectionId, supplyWireIds }): Finding[] => {
    if (!done.has(`power ${id}`)) return [];
    const isRead = [...loadIds, protectionId, ...supplyWireIds].some((one) => readAt.has(one));
    const found = (rule: Finding['rule'], severity: Finding['severity']): Finding => ({ rule, severity, subjects: [id], circuitId: id, numbers: {} }); // prettier-ignore
    return [
      ...(done.has(`ohms ${id}`) ? [] : [found('build.poweredUnchecked', 'caution')]),
      ...(isRead || done.has(`test ${id}`) ? [] : [found('build.untested', 'note')]),
    ];
  });
}

/** What is expected must not flicker. */
const SEED = 1;

/** The last reading of every point that is plainly out of what was to be expected: each is answered by a mended wire, or a mended plan. */
export function findReadings({ design, index, loads, wires }: Analysis): Finding[] {
  const last = new Map(
    recordsOf(design, 'reading').map((reading) => [`${measurementKey(reading.what)} ${JSON.stringify(reading.moved)}`, reading]),
  );
  const states = new Map<string, ReadingRecord[]>();
  for (const reading of last.values()) {
    const key = `${reading.batteryV} ${JSON.stringify(reading.moved)}`;
    states.set(key, [...(states.get(key) ?? []), reading]);
  }
  return [...states.values()].flatMap((readings) => {
    const { moved, batteryV } = readings[0]!;
    try {
      const expected = expectedReadings(index, moved, batteryV, readings.map(({ what }) => what), seeded(SEED)); // prettier-ignore
      return readings.flatMap((reading, at): Finding[] => {
        const value = atBattery(reading, batteryV);
        if (verdictOf(value, expected[at]!) !== 'fail') return [];
        const { what } = reading;
        const subject = what.kind === 'volts' ? what.at.deviceId : what.wireId;
        const circuitId = loads.get(subject)?.circuitId ?? wires.get(subject)?.circuitId ?? null;
        const say = (one: number) => `${formatNumber(one, 2)} ${what.kind === 'volts' ? 'V' : 'A'}`;
        const numbers = { read: say(value), low: say(expected[at]!.low), high: say(expected[at]!.high), place: reading.id };
        return [{ rule: 'build.readingOut', severity: 'caution', subjects: [subject], circuitId, numbers }];
      });
    } catch (error) {
      if (error instanceof NetworkError) return [];
      throw error;
    }
  });
}
