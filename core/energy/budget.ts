import type { DesignIndex } from '../rig/designIndex';
import type { Battery, Duty, Load, Scenario } from '../design/schema';
import { demandOf, type DemandLoad } from '../network/demand';
import { NO_EXCLUSIONS, type Exclusions } from '../network/exclusion';
import { dutiesByLoad, dutyDraw } from './draw';
import { loadDraw, type LoadDraw } from '../devices/load';
import { runtimeHours } from './runtime';
import { settingDay, settingOf, type Setting } from './setting';
import { addSwitchedOn, fillShares, headcount } from './use';

/** What one load costs a day. */
export interface LoadUse {
  /** Equivalent hours at the whole load's full draw. */
  hours: number;
  wattHours: number;
  ampHours: number;
  /** The part of it drawn while off. */
  standbyWh: number;
}

/** One scenario's day. */
export interface ScenarioBudget {
  id: string;
  name: string;
  dailyWh: number;
  dailyAh: number;
  /** The part of it drawn by what is off. */
  standbyWh: number;
  /** The most that can flow at once of the loads this scenario uses, and of those nobody has said any hours of, amperes. */
  peakA: number;
  /**
   * Hours until the first load is cut, from full at six in the evening with no charging; null with no battery, no use, or no load’s hours
   * said yet.
   */
  runtimeH: number | null;
  /** By load; what a part draws by itself by the part. */
  loads: Map<string, LoadUse>;
}

/**
 * Loads of the battery nobody has said any hours of, in any scenario, and how many loads it has. They count as never on: with some, a day
 * takes no less and the battery lasts no longer than what is worked out; where all are, neither is known.
 */
export function hoursUnsaid({
  loads,
  duties,
  vehicleFed,
}: Pick<DesignIndex, 'loads' | 'duties'> & Partial<Pick<DesignIndex, 'vehicleFed'>>): { unsaid: Load[]; of: number } {
  const said = new Set(duties.map(({ loadId }) => loadId));
  const own = loads.filter(({ id }) => !vehicleFed?.has(id));
  return { unsaid: own.filter(({ id }) => !said.has(id)), of: own.length };
}

/** Steps a day's use is looked at in: quarters of an hour. */
const STEPS = 96;
const LOOKED_AT = new Float32Array(STEPS);

/** Hours a day a duty comes to by its rule on the scenario's first day; driving is shared over the days between drives. */
export function dutyHours(load: Load, duty: Duty, watts: number, setting: Setting): number {
  if (!duty.use && !load.thermostat) return (Math.min(24, headcount(duty, setting) * duty.hoursPerDay) * duty.sharePercent) / 100;
  fillShares(LOOKED_AT, 0, STEPS, { load, duty, watts }, setting, settingDay(setting, 0));
  const hours = (LOOKED_AT.reduce((sum, share) => sum + share, 0) * 24) / STEPS;
  if (duty.use?.rule !== 'driving') return hours;
  return setting.drivingEveryDays === 0 ? 0 : hours / setting.drivingEveryDays;
}

/** Hours a day a load is switched on by its duties, running or not. */
function switchedOnHours(duties: readonly Duty[], setting: Setting): number {
  const hours = duties.reduce((sum, duty) => {
    if (!duty.use) return sum + Math.min(24, headcount(duty, setting) * duty.hoursPerDay);
    LOOKED_AT.fill(0);
    addSwitchedOn(LOOKED_AT, 0, STEPS, duty, setting, settingDay(setting, 0));
    const ofDay = (LOOKED_AT.reduce((total, share) => total + share, 0) * 24) / STEPS;
    if (duty.use.rule !== 'driving') return sum + ofDay;
    return setting.drivingEveryDays === 0 ? sum : sum + ofDay / setting.drivingEveryDays;
  }, 0);
  return Math.min(24, hours);
}

/**
 * A scenario's energy from its duties: watt hours are watts times hours, ampere hours are amperes times hours, each from the
 * draw as stated, with what stands by all day. What is off draws its standby current at the nominal voltage.
 */
export function scenarioBudget(
  scenario: Scenario,
  index: Pick<DesignIndex, 'duties' | 'loads' | 'ownDraws' | 'settings' | 'zones'> & Partial<Pick<DesignIndex, 'vehicleFed' | 'coils'>>,
  draws: ReadonlyMap<string, LoadDraw>,
  battery: Battery | null,
  { sides }: Exclusions = NO_EXCLUSIONS,
): ScenarioBudget {
  const setting = settingOf(scenario);
  const { nominalV } = index.settings;
  const loads = new Map<string, LoadUse>();
  const used: DemandLoad[] = [];
  const byLoad = dutiesByLoad(index.duties, scenario.id);
  const { unsaid, of } = hoursUnsaid(index);
  const mayRun = new Set<Load>(unsaid);
  const sums = { dailyWh: 0, dailyAh: 0, standbyWh: 0 };
  for (const load of [...index.loads, ...index.ownDraws]) {
    if (index.vehicleFed?.has(load.id)) continue;
    const whole = draws.get(load.id) ?? loadDraw(load);
    const use: LoadUse = { hours: 0, wattHours: 0, ampHours: 0, standbyWh: 0 };
    let runningH = 0;
    for (const duty of byLoad.get(load.id) ?? []) {
      const { watts, amps } = dutyDraw(load, whole, duty);
      const hours = dutyHours(load, duty, watts, setting);
      use.wattHours += watts * hours;
      use.ampHours += amps * hours;
      runningH += hours;
      use.hours += whole.watts > 0 ? (hours * watts) / whole.watts : hours;
    }
    if (use.hours > 0 || mayRun.has(load)) used.push({ amps: whole.amps, continuous: load.continuous, side: sides.get(load.id) ?? null });
    if (load.standbyA) {
      const standbyAh = load.standbyA * Math.max(0, 24 - runningH);
      use.standbyWh = standbyAh * nominalV;
      use.ampHours += standbyAh;
      use.wattHours += use.standbyWh;
    }
    if (use.wattHours === 0) continue;
    loads.set(load.id, use);
    sums.dailyWh += use.wattHours;
    sums.dailyAh += use.ampHours;
    sums.standbyWh += use.standbyWh;
  }
  // A coil is pulled in while what it switches is on: as long as the one of its loads that is on longest.
  for (const { part, loadIds } of index.coils ?? []) {
    const hours = Math.max(0, ...loadIds.map((id) => (index.vehicleFed?.has(id) ? 0 : switchedOnHours(byLoad.get(id) ?? [], setting))));
    if (hours === 0) continue;
    const { watts, amps } = loadDraw(part);
    loads.set(part.id, { hours, wattHours: watts * hours, ampHours: amps * hours, standbyWh: 0 });
    sums.dailyWh += watts * hours;
    sums.dailyAh += amps * hours;
  }
  const isNothingSaid = of > 0 && unsaid.length === of;
  return {
    id: scenario.id,
    name: scenario.name,
    ...sums,
    peakA: demandOf(used).peakA,
    runtimeH: battery && sums.dailyAh > 0 && !isNothingSaid ? runtimeHours(index, battery, scenario) : null,
    loads,
  };
}
