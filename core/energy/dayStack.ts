import type { DesignIndex } from '../rig/designIndex';
import type { Scenario } from '../design/schema';
import { chargeSources, lightOn, stringA } from './chargeSources';
import { loadLines } from './loadLines';
import { settingDay, settingOf } from './setting';
import { beamAndDiffuse, meanClearness } from './weather';

/** A day of a scenario, quarter hour by quarter hour, W: what uses, as stated, and what could charge, at the nominal voltage. */
export interface DayStack {
  /** The largest users, and all the rest as one. */
  uses: { name: string; loadId: string | null; watts: number[]; wattHours: number }[];
  sources: { name: 'Sun' | 'Driving' | 'Hookup'; watts: number[]; wattHours: number }[];
  /** Of the season's mean sky, or of the day's own where real weather is known. */
  clearness: number;
  sunriseMin: number;
  sunsetMin: number;
  busiest: { atMin: number; watts: number };
}

const STEPS = 96;
/** How many users are told apart. */
const TOLD_APART = 6;

export function dayStack(index: DesignIndex, scenario: Scenario, day: number): DayStack {
  const setting = settingOf(scenario);
  const { nominalV } = index.settings;
  const byLoad = new Map<string, { name: string; watts: number[] }>();
  for (const line of loadLines(index, scenario.id, setting, 1, STEPS, day)) {
    const known = byLoad.get(line.load.id) ?? { name: line.load.name, watts: new Array<number>(STEPS).fill(0) };
    // As stated, like the budget, so that the day adds up to it; standby is stated in amperes.
    for (const [step, share] of line.shares.entries()) known.watts[step]! += line.watts * share + line.standbyA * nominalV * (1 - share);
    byLoad.set(line.load.id, known);
  }
  const uses = Array.from(byLoad, ([loadId, { name, watts }]) => ({ name, loadId, watts, wattHours: hoursOf(watts) }))
    .filter(({ wattHours }) => wattHours > 0)
    .sort((a, b) => b.wattHours - a.wattHours);
  const rest = uses
    .slice(TOLD_APART)
    .reduce((sum, { watts }) => sum.map((value, at) => value + watts[at]!), new Array<number>(STEPS).fill(0));
  const shown: DayStack['uses'] = uses.slice(0, TOLD_APART);
  if (uses.length > TOLD_APART)
    shown.push({ name: `${uses.length - TOLD_APART} others`, loadId: null, watts: rest, wattHours: hoursOf(rest) });

  const today = settingDay(setting, day);
  const clearness = scenario.weather?.skies[today.dayOfYear - 1] ?? meanClearness(setting.climate, today.dayOfYear, setting.southern);
  const charge = chargeSources(index, setting, 1, STEPS, day);
  const { beam, diffuse } = beamAndDiffuse(clearness, charge.diffuseShare[0]!);
  const sun = Array.from({ length: STEPS }, (_, at) =>
    charge.sun.reduce((sum, string) => sum + stringA(string, lightOn(string, at, beam, diffuse), charge.airC[at]!, nominalV) * nominalV, 0),
  );
  const sources = [
    { name: 'Sun' as const, watts: sun },
    { name: 'Driving' as const, watts: Array.from(charge.vehicleA, (amps) => amps * nominalV) },
    { name: 'Hookup' as const, watts: Array.from(charge.shoreA, (amps) => amps * nominalV) },
  ]
    .map(({ name, watts }) => ({ name, watts, wattHours: hoursOf(watts) }))
    .filter(({ wattHours }) => wattHours > 0);
  const all = Array.from({ length: STEPS }, (_, at) => uses.reduce((sum, { watts }) => sum + watts[at]!, 0));
  const most = all.reduce((best, value, at) => (value > all[best]! ? at : best), 0);
  return {
    uses: shown,
    sources,
    clearness,
    sunriseMin: today.sunriseMin,
    sunsetMin: today.sunsetMin,
    busiest: { atMin: (most * 1440) / STEPS, watts: all[most] ?? 0 },
  };
}

function hoursOf(watts: readonly number[]): number {
  return (watts.reduce((sum, value) => sum + value, 0) * 24) / watts.length;
}
