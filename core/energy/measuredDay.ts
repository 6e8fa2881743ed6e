import type { MonitorLog } from '../formats/monitorLog';

/** A measured log against the plan. */
export interface MeasuredDays {
  days: number;
  /** Out of the battery and into it, Wh a day. */
  usedWh: number;
  chargedWh: number;
  /** Mean net watts out of the battery by hour of the day; null for an hour nothing was read in. */
  hourlyW: (number | null)[];
  lowestV: number;
  loads: MeasuredLoad[];
  /** Steps of current that fit no load, or several alike. */
  unknownSteps: number;
}

export interface MeasuredLoad {
  loadId: string;
  /** Hours a day between its switching on and off, and how often a day it was. */
  hours: number;
  times: number;
}

/** A step smaller than this is noise, A. */
const LEAST_STEP_A = 0.2;
/** How far a step may lie from a load's draw: a part of it, and the noise. Common practice. */
const STEP_SHARE = 0.1;
/** A gap in the log longer than this is no stretch of time that was measured, min. */
const MOST_GAP_MIN = 30;

/**
 * What a log says of the days it covers. A load shows itself where the current steps up by its draw and later down again, and no
 * other load draws alike; where two do, the step is told as unknown rather than guessed.
 */
export function measureDays({ atMin, volts, amps }: MonitorLog, draws: readonly { loadId: string; amps: number }[]): MeasuredDays {
  let [usedWh, chargedWh, coveredMin, unknownSteps, lowestV] = [0, 0, 0, 0, Infinity];
  const hourlyWh = new Array<number>(24).fill(0);
  const hourlyH = new Array<number>(24).fill(0);
  const onSince = new Map<string, number>();
  const totals = new Map<string, { min: number; times: number }>();
  for (let at = 0; at < atMin.length; at++) {
    lowestV = Math.min(lowestV, volts[at]!);
    if (at === 0) continue;
    const gapMin = atMin[at]! - atMin[at - 1]!;
    if (gapMin > MOST_GAP_MIN) {
      onSince.clear();
      continue;
    }
    coveredMin += gapMin;
    const wattHours = (volts[at - 1]! * amps[at - 1]! * gapMin) / 60;
    if (wattHours > 0) usedWh += wattHours;
    else chargedWh -= wattHours;
    const hour = Math.floor((atMin[at - 1]! % 1440) / 60);
    hourlyWh[hour]! += wattHours;
    hourlyH[hour]! += gapMin / 60;
    const step = amps[at]! - amps[at - 1]!;
    if (Math.abs(step) < LEAST_STEP_A) continue;
    const loadId = loadOfStep(step, draws, onSince);
    if (loadId === null) unknownSteps += 1;
    else if (step > 0) onSince.set(loadId, atMin[at]!);
    else {
      const total = totals.get(loadId) ?? { min: 0, times: 0 };
      totals.set(loadId, { min: total.min + atMin[at]! - onSince.get(loadId)!, times: total.times + 1 });
      onSince.delete(loadId);
    }
  }
  const days = Math.max(coveredMin / 1440, 1 / 1440);
  return {
    days,
    usedWh: usedWh / days,
    chargedWh: chargedWh / days,
    hourlyW: hourlyWh.map((wattHours, hour) => (hourlyH[hour]! > 0 ? wattHours / hourlyH[hour]! : null)),
    lowestV,
    loads: Array.from(totals, ([loadId, { min, times }]) => ({ loadId, hours: min / 60 / days, times: times / days })),
    unknownSteps,
  };
}

/** The one load a step can be: one that is off for a step up, one that is on for a step down. */
function loadOfStep(step: number, draws: readonly { loadId: string; amps: number }[], onSince: ReadonlyMap<string, number>): string | null {
  const size = Math.abs(step);
  const fits = draws.filter(
    ({ loadId, amps }) => onSince.has(loadId) === step < 0 && Math.abs(amps - size) <= STEP_SHARE * amps + LEAST_STEP_A / 2,
  );
  return fits.length === 1 ? fits[0]!.loadId : null;
}
