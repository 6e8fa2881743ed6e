import type { Duty, Load, Thermostat } from '../design/schema';
import { airAt, type Setting, type SettingDay } from './setting';

const DAY_MIN = 1440;

/** A day's steps for one duty: the share of each step the load runs at its draw, dim level apart. */
export interface DutyDay {
  load: Load;
  duty: Duty;
  /** What the load draws while it runs, W: for the openings of a door. */
  watts: number;
}

/** How many people's hours, openings and times a duty counts. */
export function headcount(duty: Pick<Duty, 'perPerson'>, { people }: Pick<Setting, 'people'>): number {
  return duty.perPerson ? people : 1;
}

/**
 * Fills one day's steps with the share of each that a load runs: its rule of use times the share of the time it really runs,
 * which for a thermostat follows the air around it. `out` holds the day from `at` on, `steps` of them.
 */
export function fillShares(out: Float32Array, at: number, steps: number, what: DutyDay, setting: Setting, day: SettingDay): void {
  const { load, duty, watts } = what;
  out.fill(0, at, at + steps);
  addUse(out, at, steps, duty, setting, day);
  if (load.thermostat) {
    const openings = watts > 0 ? (headcount(duty, setting) * (duty.openingsPerDay ?? 0) * load.thermostat.whPerOpening) / 24 / watts : 0;
    for (let step = 0; step < steps; step++) {
      if (out[at + step]! === 0) continue;
      const { insideC } = airAt(setting, day, ((step + 0.5) * DAY_MIN) / steps);
      out[at + step]! *= Math.min(1, thermostatShare(load.thermostat, insideC) + openings);
    }
  } else if (duty.sharePercent < 100) for (let step = 0; step < steps; step++) out[at + step]! *= duty.sharePercent / 100;
}

/**
 * The same for how long it is switched on, whether or not it runs all that time: a relay ahead of a fridge stays pulled in while the fridge
 * rests. Adds to what is there.
 */
export function addSwitchedOn(out: Float32Array, at: number, steps: number, duty: Duty, setting: Setting, day: SettingDay): void {
  const own = new Float32Array(steps);
  addUse(own, 0, steps, duty, setting, day);
  own.forEach((share, step) => (out[at + step] = Math.min(1, out[at + step]! + share)));
}

/**
 * Share of the time a thermostat's load runs in air of a temperature: proportional to the difference it holds, from the share
 * known at one temperature. Source: steady heat flow through a wall is proportional to the difference (common practice for fridges).
 */
export function thermostatShare({ mode, setC, sharePercent, atC }: Thermostat, airC: number): number {
  const [known, now] = mode === 'cools' ? [atC - setC, airC - setC] : [setC - atC, setC - airC];
  if (now <= 0 || known <= 0) return 0;
  return Math.min(1, ((sharePercent / 100) * now) / known);
}

function addUse(out: Float32Array, at: number, steps: number, duty: Duty, setting: Setting, day: SettingDay): void {
  const { use } = duty;
  const span = (fromMin: number, toMin: number, weight = 1) => addSpan(out, at, steps, fromMin, toMin, weight);
  const { sunriseMin, sunsetMin } = day;
  switch (use?.rule) {
    case undefined:
      out.fill(Math.min(1, (headcount(duty, setting) * duty.hoursPerDay) / 24), at, at + steps);
      return;
    case 'leftOn':
      out.fill(1, at, at + steps);
      return;
    case 'hours':
      use.spans.forEach(({ fromMin, toMin }) => span(fromMin, toMin));
      break;
    case 'occupied':
      setting.occupied.forEach(({ fromMin, toMin }) => span(fromMin, toMin));
      break;
    case 'driving':
      day.driving.forEach(({ fromMin, toMin }) => span(fromMin, toMin));
      break;
    case 'dark':
      if (use.untilMin === null) span(sunsetMin, sunriseMin);
      else if (inNight(use.untilMin, day)) span(sunsetMin, use.untilMin);
      break;
    case 'motion': {
      const onMin = (headcount(duty, setting) * use.timesPerNight * use.holdS) / 60;
      const dayMin = sunsetMin - sunriseMin;
      if (use.over === 'always') span(0, DAY_MIN, Math.min(1, onMin / DAY_MIN));
      else if (use.over === 'daylight') span(sunriseMin, sunsetMin, dayMin > 0 ? Math.min(1, onMin / dayMin) : 0);
      else span(sunsetMin, sunriseMin, Math.min(1, onMin / (DAY_MIN - dayMin)));
      break;
    }
  }
  for (let step = at; step < at + steps; step++) out[step] = Math.min(1, out[step]!);
}

/** Whether a time lies between sunset and sunrise: a lamp to be lit until 16:00 where the sun sets at 21:00 is not lit at all. */
function inNight(minute: number, { sunriseMin, sunsetMin }: SettingDay): boolean {
  return minute > sunsetMin || minute < sunriseMin;
}

/** Adds a stretch of the day, minutes, each step by the part of it covered; a stretch that ends before it begins wraps round midnight. */
function addSpan(out: Float32Array, at: number, steps: number, fromMin: number, toMin: number, weight: number): void {
  if (toMin < fromMin) {
    addSpan(out, at, steps, fromMin, DAY_MIN, weight);
    addSpan(out, at, steps, 0, toMin, weight);
    return;
  }
  const stepMin = DAY_MIN / steps;
  const from = Math.max(0, fromMin);
  const to = Math.min(DAY_MIN, toMin);
  for (let step = Math.floor(from / stepMin); step < steps && step * stepMin < to; step++) {
    const covered = Math.min(to, (step + 1) * stepMin) - Math.max(from, step * stepMin);
    if (covered > 0) out[at + step]! += (weight * covered) / stepMin;
  }
}
