import { seeded } from '../../energy/weather';
import { expectedReadings, mayBeOut, readAll } from '../../diagnosis/expect';
import { atBattery, lastReadings, momentsOf, unitOf } from '../../diagnosis/readings';
import { verdictOf } from '../../diagnosis/verdict';
import { NetworkError } from '../../network/networkError';
import { formatNumber } from '../../units/quantity';
import type { Finding } from '../finding';
import type { Analysis } from '../types';

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
