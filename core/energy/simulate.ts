import { Store } from './store';
import type { Trip } from './trip';
import { beamAndDiffuse } from './weather';

/** What one run of days came to, Wh at the battery's terminals unless it says otherwise. */
export interface Outcome {
  startWh: number;
  endWh: number;
  sunWh: number;
  vehicleWh: number;
  shoreWh: number;
  loadsWh: number;
  heatWh: number;
  chargingWh: number;
  rateWh: number;
  selfWh: number;
  /** Offered by the sources and not taken: the battery was full, cold or slow. */
  spilledWh: number;
  /** Not given to loads that were cut, at their rated draw. */
  unservedWh: number;
  /** Hours in which some load wanted to run and was cut. */
  unservedH: number;
  /** Hours from the start until the first load was cut; null: none was. */
  firstCutH: number | null;
  leastShare: number;
}

/** What a caller wants kept of a run besides its sums. */
export interface Keep {
  /** Least charge share of each window of so many steps. */
  windowSteps: number;
  least: Float32Array;
  /** Charge share added up by step of the day and day, for means over many runs. */
  hourly?: Float64Array;
  /** How often so many tiers were cut at each step: once for one of them, then for two, and so on. */
  cuts?: Uint16Array;
}

/** Watts so few that only rounding can have left them. */
const NOTHING_W = 1e-9;

const SUN = 0;
const VEHICLE = 1;
const SHORE = 2;
const LOADS = 3;
const SPILLED = 4;
const UNSERVED = 5;
const UNSERVED_H = 6;

/**
 * Lives through a trip under a run of skies (each day's share of a clear day's sun), from a charge share. Loads take what they
 * want at the voltage of the step before; what the sources give beyond that charges the battery as far as it accepts. A tier of
 * loads is cut when the charge has fallen to its level, and comes back when it has risen enough. What drawnA and stringA say is
 * written out in the loop: called there, they cost it a third of its speed.
 */
export function simulate(trip: Trip, sky: Float64Array, startShare: number, keep: Keep): Outcome {
  const { bank, stepsPerDay, days, tiers, demands, sources, chargeable } = trip;
  const { sun, vehicleA, shoreA, airC, diffuseShare } = sources;
  const { windowSteps, least, hourly, cuts } = keep;
  const all = demands[0]!;
  const hours = 24 / stepsPerDay;
  const store = new Store(bank, startShare);
  const startWh = store.storedWh;
  const perAh = 1 / bank.capacityAh;
  const steps = days * stepsPerDay;
  // In a typed array, since numbers there are never boxed.
  const sums = new Float64Array(7);
  let firstCutAt = -1;
  let leastShare = startShare;
  let cut = 0;
  let window = 0;
  let windowLeast = 1;
  let inWindow = 0;
  for (let day = 0, at = 0; day < days; day++) {
    const { beam: beamFactor, diffuse: diffuseFactor } = beamAndDiffuse(sky[day]!, diffuseShare[day]!);
    for (let step = 0; step < stepsPerDay; step++, at++) {
      while (cut < tiers.length && store.chargeAh <= tiers[cut]!.stopAh[day]!) cut++;
      while (cut > 0 && store.chargeAh >= tiers[cut - 1]!.backAh[day]!) cut--;
      const { watts, amps, siemens } = demands[cut]!;
      const volts = store.volts;
      let sunA = 0;
      for (let string = 0; string < sun.length; string++) {
        const { beam, diffuse, per, tracking, perK, warming, maxA } = sun[string]!;
        const light = beamFactor * beam[at]! + diffuseFactor * diffuse[at]!;
        if (light <= 0) continue;
        const charge = tracking ? (light * per * (1 + perK * (airC[at]! + warming * light - 25))) / volts : light * per;
        sunA += charge < maxA ? charge : maxA;
      }
      const loadA = watts[at]! / volts + amps[at]! + siemens[at]! * volts;
      const offeredA = sunA + vehicleA[at]! + shoreA[at]!;
      const spareA = offeredA - loadA;
      let usedA = loadA;
      let shortA = 0;
      const movedA = store.step(spareA < 0 || chargeable[at] === 1 ? spareA : 0, hours);
      if (spareA >= 0) usedA += movedA;
      else {
        usedA = offeredA;
        shortA = movedA - spareA;
      }
      const stepWh = store.volts * hours;
      if (offeredA > 0) {
        const share = (usedA / offeredA) * stepWh;
        sums[SUN]! += sunA * share;
        sums[VEHICLE]! += vehicleA[at]! * share;
        sums[SHORE]! += shoreA[at]! * share;
        sums[SPILLED]! += (offeredA - usedA) * stepWh;
      }
      sums[LOADS]! += (loadA - shortA) * stepWh;
      if (cut > 0 || shortA > 0) {
        const missed = shortA * volts + all.watts[at]! - watts[at]! + volts * (all.amps[at]! - amps[at]! + volts * (all.siemens[at]! - siemens[at]!)); // prettier-ignore
        if (missed > NOTHING_W) {
          if (firstCutAt < 0) firstCutAt = at;
          noteCut(sums, missed, hours, cuts, ((shortA > 0 ? tiers.length : cut) - 1) * steps + at);
        }
      }
      const share = store.chargeAh * perAh;
      if (share < windowLeast) windowLeast = share;
      if (hourly) hourly[at]! += share;
      if (++inWindow === windowSteps || at === steps - 1) {
        least[window++] = windowLeast;
        if (windowLeast < leastShare) leastShare = windowLeast;
        windowLeast = 1;
        inWindow = 0;
      }
    }
    store.stand(24);
  }
  return {
    startWh,
    endWh: store.storedWh,
    sunWh: sums[SUN]!,
    vehicleWh: sums[VEHICLE]!,
    shoreWh: sums[SHORE]!,
    loadsWh: sums[LOADS]!,
    ...store.losses,
    spilledWh: sums[SPILLED]!,
    unservedWh: sums[UNSERVED]!,
    unservedH: sums[UNSERVED_H]!,
    firstCutH: firstCutAt < 0 ? null : firstCutAt * hours,
    leastShare,
  };
}

/** Books a step in which something was cut. Apart from the loop, which a machine then compiles better. */
function noteCut(sums: Float64Array, watts: number, hours: number, cuts: Uint16Array | undefined, at: number): void {
  sums[UNSERVED]! += watts * hours;
  sums[UNSERVED_H]! += hours;
  if (cuts) cuts[at]! += 1;
}

/** Windows of a trip's steps, so that a long one keeps no more points than a chart shows. */
export function windowsOf({ days, stepsPerDay }: Trip): { windowSteps: number; windows: number } {
  const steps = days * stepsPerDay;
  const windowSteps = days <= 31 ? Math.max(1, Math.round(stepsPerDay / 24)) : stepsPerDay;
  return { windowSteps, windows: Math.ceil(steps / windowSteps) };
}
