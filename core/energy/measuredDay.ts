import type { MonitorLog } from './monitored';
import { SwitchingSeen, type Switched } from './switchingSeen';

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
  /** Whether most of those hours may have ended earlier, in a step that fitted no load. */
  unsure: boolean;
}

/** A gap in the log longer than this is no stretch of time that was measured, min. */
const MOST_GAP_MIN = 30;

/**
 * What a log says of the days it covers. A load shows itself where the current steps up by its draw and later down again, and no
 * other load draws alike; where two do, the step is told as unknown rather than guessed.
 */
export function measureDays({ atMin, volts, amps }: MonitorLog, draws: readonly Switched[]): MeasuredDays {
  let [usedWh, chargedWh, coveredMin, lowestV] = [0, 0, 0, Infinity];
  const seen = new SwitchingSeen(draws);
  const hourlyWh = new Array<number>(24).fill(0);
  const hourlyH = new Array<number>(24).fill(0);
  for (let at = 0; at < atMin.length; at++) {
    lowestV = Math.min(lowestV, volts[at]!);
    if (at === 0) continue;
    const gapMin = atMin[at]! - atMin[at - 1]!;
    if (gapMin > MOST_GAP_MIN) {
      seen.forget();
      continue;
    }
    coveredMin += gapMin;
    const wattHours = (volts[at - 1]! * amps[at - 1]! * gapMin) / 60;
    if (wattHours > 0) usedWh += wattHours;
    else chargedWh -= wattHours;
    const hour = Math.floor((atMin[at - 1]! % 1440) / 60);
    hourlyWh[hour]! += wattHours;
    hourlyH[hour]! += gapMin / 60;
    seen.step(atMin[at]!, amps[at]! - amps[at - 1]!, volts[at]!);
  }
  const days = Math.max(coveredMin / 1440, 1 / 1440);
  return {
    days,
    usedWh: usedWh / days,
    chargedWh: chargedWh / days,
    hourlyW: hourlyWh.map((wattHours, hour) => (hourlyH[hour]! > 0 ? wattHours / hourlyH[hour]! : null)),
    lowestV,
    loads: Array.from(seen.totals, ([loadId, { min, doubtfulMin, times }]) => ({
      loadId,
      hours: min / 60 / days,
      times: times / days,
      unsure: doubtfulMin > min / 2,
    })),
    unknownSteps: seen.unknownSteps,
  };
}
