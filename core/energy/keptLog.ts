import type { Log } from '../design/schema';
import { LIMITS } from '../catalog/vocabulary';
import { type MonitorReading, dayOf, type MonitorLog } from './monitored';

const DAY_MIN = 1440;
/** Steps a kept log may have, min: the finest that holds all of it is taken. */
const STEPS_MIN = [1, 2, 5, 10, 15, 30, 60];

/**
 * A log as a design keeps it: in even steps, each with the last reading in it, so that a switched load still shows as one step;
 * a mean would smear it over two. What is longer than the coarsest steps hold loses its end.
 */
export function keepLog({ fromDay, atMin, volts, amps }: MonitorLog): Pick<Log, 'fromDay' | 'stepMin' | 'volts' | 'amps'> {
  const lastMin = atMin.at(-1) ?? 0;
  const stepMin = STEPS_MIN.find((step) => lastMin / step < LIMITS.logSteps - 1) ?? STEPS_MIN.at(-1)!;
  const steps = Math.max(2, Math.min(LIMITS.logSteps, Math.floor(lastMin / stepMin) + 1));
  const kept = { volts: new Array<number | null>(steps).fill(null), amps: new Array<number | null>(steps).fill(null) };
  atMin.forEach((minute, at) => {
    const step = Math.floor(minute / stepMin);
    if (step < 0 || step >= steps) return;
    kept.volts[step] = Math.round(volts[at]! * 1000) / 1000;
    kept.amps[step] = Math.round(amps[at]! * 1000) / 1000;
  });
  return { fromDay, stepMin, ...kept };
}

/** A kept log as it was read, without the steps in which nothing was. */
export function openLog({ fromDay, stepMin, volts, amps }: Pick<Log, 'fromDay' | 'stepMin' | 'volts' | 'amps'>): MonitorLog {
  const read = amps.flatMap((value, step) => (value === null || volts[step] === null ? [] : [step]));
  return {
    fromDay,
    atMin: Float64Array.from(read, (step) => step * stepMin),
    volts: Float64Array.from(read, (step) => volts[step]!),
    amps: Float64Array.from(read, (step) => amps[step]!),
  };
}

/** Live readings as a log. Those out of order are left out. */
export function logOfReadings(readings: readonly MonitorReading[]): MonitorLog {
  const midnight = Math.floor((readings[0]?.atMin ?? 0) / DAY_MIN) * DAY_MIN;
  const inOrder = readings.filter(({ atMin }, at) => at === 0 || atMin > readings[at - 1]!.atMin);
  return {
    fromDay: dayOf(midnight),
    atMin: Float64Array.from(inOrder, ({ atMin }) => atMin - midnight),
    volts: Float64Array.from(inOrder, ({ volts }) => volts),
    amps: Float64Array.from(inOrder, ({ amps }) => amps),
  };
}
