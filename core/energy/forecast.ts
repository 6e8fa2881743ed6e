import { simulate, windowsOf, type Outcome } from './simulate';
import type { Trip } from './trip';
import { skies } from './weather';

/** A trip lived through many times, each under a weather drawn anew. */
export interface Forecast {
  draws: number;
  seed: number;
  days: number;
  startDay: number;
  /** Share of draws in which some load was cut. */
  chanceOfRunningOut: number;
  /** Hours of the day-and-night covered by one point of the bands. */
  windowH: number;
  /** Least charge of each window, percent: the tenth part of draws below, half, the tenth part above. */
  bands: { low: number[]; middle: number[]; high: number[] };
  /** Mean charge by day and hour, percent, for a trip long enough to want it. */
  hourly: number[][];
  mean: Omit<Outcome, 'firstCutH' | 'startWh' | 'endWh'>;
  /** Mean of the stored energy's change, Wh. */
  storedWh: number;
  /** Hours until the first cut in the draws where there was one, the middle one; null: never. */
  medianFirstCutH: number | null;
  /** Loads that were cut, the most hours first. */
  cutLoads: { loadId: string; hours: number }[];
}

/** Percentiles shown as the band's edges. */
const LOW = 0.1;
const HIGH = 0.9;

export interface ForecastOptions {
  draws: number;
  seed: number;
  startShare: number;
  /** Called between draws; false stops, and the forecast is of the draws so far. */
  onDraw?(done: number): boolean;
}

/** Draws weathers and lives through each, or through the one real one the trip has. The same seed gives the same forecast. */
export function forecast(trip: Trip, options: ForecastOptions): Forecast {
  const { setting, days, stepsPerDay, tiers } = trip;
  const { windowSteps, windows } = windowsOf(trip);
  const steps = days * stepsPerDay;
  const wanted = trip.sky ? 1 : options.draws;
  const least = new Float32Array(wanted * windows);
  const hourly = new Float64Array(steps);
  const cuts = new Uint16Array(tiers.length * steps);
  const outcomes: Outcome[] = [];
  for (let draw = 0; draw < wanted; draw++) {
    const sky = trip.sky ?? skies(setting.climate, setting.startDay, days, setting.southern, options.seed * 7919 + draw);
    const own = least.subarray(draw * windows, (draw + 1) * windows);
    outcomes.push(simulate(trip, sky, options.startShare, { windowSteps, least: own, hourly, cuts }));
    if (options.onDraw?.(draw + 1) === false) break;
  }
  const draws = outcomes.length;
  const mean = (of: keyof Outcome) => outcomes.reduce((sum, outcome) => sum + (outcome[of] ?? 0), 0) / draws;
  const firstCuts = outcomes.flatMap(({ firstCutH }) => (firstCutH === null ? [] : [firstCutH])).sort((a, b) => a - b);
  return {
    draws,
    seed: options.seed,
    days,
    startDay: setting.startDay,
    chanceOfRunningOut: firstCuts.length / draws,
    windowH: (windowSteps * 24) / stepsPerDay,
    bands: bandsOf(least, draws, windows),
    hourly: hourlyMeans(hourly, days, stepsPerDay, draws),
    mean: {
      sunWh: mean('sunWh'),
      vehicleWh: mean('vehicleWh'),
      shoreWh: mean('shoreWh'),
      loadsWh: mean('loadsWh'),
      heatWh: mean('heatWh'),
      chargingWh: mean('chargingWh'),
      rateWh: mean('rateWh'),
      selfWh: mean('selfWh'),
      spilledWh: mean('spilledWh'),
      unservedWh: mean('unservedWh'),
      unservedH: mean('unservedH'),
      leastShare: mean('leastShare'),
    },
    storedWh: mean('endWh') - mean('startWh'),
    medianFirstCutH: firstCuts[Math.floor(firstCuts.length / 2)] ?? null,
    cutLoads: cutLoadsOf(trip, cuts, draws),
  };
}

function bandsOf(least: Float32Array, draws: number, windows: number): Forecast['bands'] {
  const bands: Forecast['bands'] = { low: [], middle: [], high: [] };
  const column = new Float32Array(draws);
  for (let window = 0; window < windows; window++) {
    for (let draw = 0; draw < draws; draw++) column[draw] = least[draw * windows + window]! * 100;
    column.sort();
    const at = (share: number) => column[Math.round(share * (draws - 1))]!;
    bands.low.push(at(LOW));
    bands.middle.push(at(0.5));
    bands.high.push(at(HIGH));
  }
  return bands;
}

function hourlyMeans(sums: Float64Array, days: number, stepsPerDay: number, draws: number): number[][] {
  const perHour = stepsPerDay / 24;
  return Array.from({ length: days }, (_, day) =>
    Array.from({ length: 24 }, (_, hour) => {
      let sum = 0;
      for (let step = 0; step < perHour; step++) sum += sums[day * stepsPerDay + hour * perHour + step]!;
      return (sum / perHour / draws) * 100;
    }),
  );
}

/** Mean hours each load wanted to run and was cut: how often its tier was cut at each step times the share it would have run. */
function cutLoadsOf({ tiers, lines, days, stepsPerDay }: Trip, cuts: Uint16Array, draws: number): Forecast['cutLoads'] {
  const steps = days * stepsPerDay;
  const hours = new Map<string, number>();
  tiers.forEach(({ lineAt }, tier) => {
    const often = cuts.slice(tier * steps, (tier + 1) * steps);
    for (let more = tier + 1; more < tiers.length; more++) {
      for (let step = 0; step < steps; step++) often[step]! += cuts[more * steps + step]!;
    }
    if (!often.some((count) => count > 0)) return;
    for (const at of lineAt) {
      const { load, shares } = lines[at]!;
      let sum = 0;
      for (let step = 0; step < steps; step++) sum += often[step]! * shares[step]!;
      if (sum > 0) hours.set(load.id, (hours.get(load.id) ?? 0) + (sum * 24) / stepsPerDay / draws);
    }
  });
  return Array.from(hours, ([loadId, cut]) => ({ loadId, hours: cut })).sort((a, b) => b.hours - a.hours);
}
