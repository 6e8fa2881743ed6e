import type { Battery, Duty, Load, Scenario } from '../design/schema';
import { bankFacts, runtimeHours } from './battery';
import { demandOf, type DemandLoad } from './demand';
import type { LoadDraw } from './draw';

/** One scenario's day. */
export interface ScenarioBudget {
  id: string;
  name: string;
  dailyWh: number;
  dailyAh: number;
  /** The most that can flow at once of the loads this scenario uses, amperes. */
  peakA: number;
  /** Hours the battery carries the scenario's mean current with no charging; null with no battery or no use. */
  runtimeH: number | null;
  /** By load: equivalent full hours, watt hours and ampere hours a day. */
  loads: Map<string, { hours: number; wattHours: number; ampHours: number }>;
}

/** Hours a day at full draw: hours switched on times the share of them it runs. */
export function fullHours(duty: Pick<Duty, 'hoursPerDay' | 'sharePercent'>): number {
  return duty.hoursPerDay * (duty.sharePercent / 100);
}

/**
 * A scenario's energy from its duties: watt hours are watts times hours, ampere hours are amperes times hours, each from
 * the draw as stated. Runtime takes the day's mean current, with Peukert where it exceeds the battery's rated current.
 */
export function scenarioBudget(
  scenario: Scenario,
  duties: readonly Duty[],
  loads: ReadonlyMap<string, { load: Load; draw: LoadDraw }>,
  battery: Battery | null,
): ScenarioBudget {
  const budget: ScenarioBudget = {
    id: scenario.id,
    name: scenario.name,
    dailyWh: 0,
    dailyAh: 0,
    peakA: 0,
    runtimeH: null,
    loads: new Map(),
  };
  const used: DemandLoad[] = [];
  for (const duty of duties) {
    const entry = loads.get(duty.loadId);
    const hours = fullHours(duty);
    if (!entry || hours === 0) continue;
    const { load, draw } = entry;
    const wattHours = draw.watts * hours;
    const ampHours = draw.amps * hours;
    budget.loads.set(load.id, { hours, wattHours, ampHours });
    budget.dailyWh += wattHours;
    budget.dailyAh += ampHours;
    used.push({ amps: draw.amps, continuous: load.continuous, exclusiveGroup: load.exclusiveGroup });
  }
  budget.peakA = demandOf(used).peakA;
  if (battery) budget.runtimeH = runtimeHours(bankFacts(battery), budget.dailyAh / 24);
  return budget;
}
