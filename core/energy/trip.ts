import { capacityShare } from '../catalog/chemistries';
import type { DesignIndex } from '../rig/designIndex';
import type { Battery, Scenario } from '../design/schema';
import { bankOf, restedV, type Bank } from './bank';
import { chargeSources, type ChargeSources } from './chargeSources';
import { demandOfLines, loadLines, type Demand, type LoadLine } from './loadLines';
import { settingDay, settingOf, type Setting } from './setting';

/** A scenario made ready to be lived through step by step: everything that does not depend on the weather drawn. */
export interface Trip {
  setting: Setting;
  days: number;
  stepsPerDay: number;
  bank: Bank;
  lines: LoadLine[];
  /** Groups of loads that are cut together, the first to be cut in front. */
  tiers: Tier[];
  /** What is asked for when so many tiers are cut: all of it first, nothing last. */
  demands: Demand[];
  sources: ChargeSources;
  /** Whether the battery may be charged, by step. */
  chargeable: Uint8Array;
  /** Real skies in place of drawn ones, each day's share of a clear day's sun. */
  sky: Float64Array | null;
}

export interface Tier {
  lineAt: number[];
  /** Charge at which it is cut and at which it comes back, Ah, by day: a cold battery gives less. */
  stopAh: Float64Array;
  backAh: Float64Array;
}

/** Steps of five minutes. */
export const STEPS_PER_DAY = 288;
/** How far above the level of its cut a load comes back, share of capacity. Common practice. */
const BACK_SHARE = 0.05;
/** A battery's temperature follows the mean of the day. In a heated space it is at least so warm, °C. */
const LIVED_IN_C = 15;

/** Makes a scenario ready. `days` may be more than its own: a year of it. */
export function prepareTrip(
  index: DesignIndex,
  battery: Battery,
  scenario: Scenario,
  days = settingOf(scenario).days,
  stepsPerDay = STEPS_PER_DAY,
): Trip {
  const setting = settingOf(scenario);
  const bank = bankOf(battery, index.settings.nominalV);
  const lines = loadLines(index, scenario.id, setting, days, stepsPerDay);
  const batteryC = batteryTemperatures(index, battery, setting, days);
  const tiers = tiersOf(lines, bank, battery, batteryC);
  const steps = days * stepsPerDay;
  const demands = tiers.map((_, cut) => demandOfLines(tiers.slice(cut).flatMap(({ lineAt }) => lineAt.map((at) => lines[at]!)), steps)); // prettier-ignore
  demands.push(demandOfLines([], steps));
  const chargeable = new Uint8Array(steps);
  for (let day = 0; day < days; day++) {
    const warm = bank.coldC === null || batteryC[day]! > bank.coldC;
    if (warm) chargeable.fill(1, day * stepsPerDay, (day + 1) * stepsPerDay);
  }
  const sources = chargeSources(index, setting, days, stepsPerDay);
  const sky = scenario.weather
    ? Float64Array.from({ length: days }, (_, day) => scenario.weather!.skies[(setting.startDay - 1 + day) % 365]!)
    : null;
  return { setting, days, stepsPerDay, bank, lines, tiers, demands, sources, chargeable, sky };
}

/** Mean temperature of the battery by day: that of the air outside, or of the living space it is in. */
export function batteryTemperatures(index: Pick<DesignIndex, 'zones'>, battery: Battery, setting: Setting, days: number): Float64Array {
  const zone = index.zones.find(({ id }) => id === battery.zoneId);
  const indoors = zone?.traits?.some((trait) => trait === 'living' || trait === 'sleeping') ?? false;
  const livedIn = indoors && setting.occupied.length > 0;
  return Float64Array.from({ length: days }, (_, day) => {
    const { meanAirC } = settingDay(setting, day);
    return livedIn ? Math.max(meanAirC, LIVED_IN_C) : meanAirC;
  });
}

/**
 * Groups loads by the charge at which they stop: what is not critical at the usable depth, what is critical at the battery's
 * cut-out, and any load earlier whose own least voltage comes earlier.
 */
export function tiersOf(lines: readonly LoadLine[], bank: Bank, battery: Battery, batteryC: Float64Array): Tier[] {
  const meanA = lines.reduce((sum, { amps, shares }) => sum + amps * meanOf(shares), 0);
  const chargeAt = (volts: number) => chargeAtVolts(bank, volts + meanA * bank.ohm);
  const cutOut = { stop: chargeAt(bank.cutOutV), back: chargeAtVolts(bank, bank.restartV) };
  const shared = Array.from(batteryC, (celsius) => capacityShare(battery.chemistry, celsius));
  const groups = new Map<string, Tier & { order: number }>();
  lines.forEach(({ load }, at) => {
    const own = load.cutOutV === undefined ? 0 : chargeAt(load.cutOutV);
    const ownBack = load.cutOutV === undefined ? 0 : chargeAtVolts(bank, load.restartV ?? load.cutOutV);
    const key = `${load.critical ? 1 : 0}/${Math.round(own * 10)}`;
    const known = groups.get(key);
    if (known) {
      known.lineAt.push(at);
      return;
    }
    const stop = (share: number) => {
      const depth = load.critical ? 1 : bank.usableDepth;
      return Math.max(bank.capacityAh * (1 - Math.min(1, depth * share)), cutOut.stop, own);
    };
    const stopAh = Float64Array.from(shared, stop);
    const least = Math.max(ownBack, load.critical ? cutOut.back : 0);
    const backAh = stopAh.map((ah) => Math.min(bank.capacityAh, Math.max(ah + BACK_SHARE * bank.capacityAh, least)));
    groups.set(key, { lineAt: [at], stopAh, backAh, order: stopAh[0]! });
  });
  return Array.from(groups.values()).sort((a, b) => b.order - a.order);
}

function meanOf(shares: Float32Array): number {
  let sum = 0;
  for (let at = 0; at < shares.length; at++) sum += shares[at]!;
  return sum / Math.max(1, shares.length);
}

/** Charge at which the rested voltage is so much, Ah. */
function chargeAtVolts(bank: Bank, volts: number): number {
  let [low, high] = [0, bank.capacityAh];
  if (restedV(bank, low) >= volts) return low;
  if (restedV(bank, high) <= volts) return high;
  for (let round = 0; round < 40; round++) {
    const middle = (low + high) / 2;
    if (restedV(bank, middle) < volts) low = middle;
    else high = middle;
  }
  return high;
}
