import { CLIMATE_FACTS } from '../catalog/climates';
import type { Scenario, Span } from '../design/schema';
import type { Climate } from '../catalog/vocabulary';
import { sunTimes } from './sun';
import { airC, meanAirC } from './weather';

/** Where and when a scenario takes place, with everything it leaves open filled in. */
export interface Setting {
  latitudeDeg: number;
  longitudeDeg: number;
  southern: boolean;
  headingDeg: number;
  climate: Climate;
  startDay: number;
  days: number;
  people: number;
  occupied: readonly Span[];
  driving: readonly Span[];
  drivingEveryDays: number;
  shore: readonly Span[];
  shoreEveryDays: number;
  /** Share of the sun left by trees and buildings, by hour. */
  openSky: readonly number[];
}

const ALL_DAY: readonly Span[] = [{ fromMin: 0, toMin: 1440 }];
const OPEN_SKY: readonly number[] = new Array(24).fill(1);

/**
 * A scenario's setting: where it says nothing, parked in mid-latitudes facing north at midwinter, the careful case, lived in all day by
 * two, with no driving and no hookup.
 */
export function settingOf(scenario: Scenario): Setting {
  const latitudeDeg = scenario.latitudeDeg ?? 50;
  return {
    latitudeDeg,
    longitudeDeg: scenario.longitudeDeg ?? 0,
    southern: latitudeDeg < 0,
    headingDeg: scenario.headingDeg ?? 0,
    climate: scenario.climate ?? 'maritime',
    startDay: scenario.startDay ?? (latitudeDeg < 0 ? 172 : 355),
    days: scenario.days ?? 3,
    people: scenario.people ?? 2,
    occupied: scenario.occupied ?? ALL_DAY,
    driving: scenario.driving ?? [],
    drivingEveryDays: scenario.drivingEveryDays ?? 1,
    shore: scenario.shore ?? [],
    shoreEveryDays: scenario.shoreEveryDays ?? 1,
    openSky: scenario.shadePercent?.map((percent) => 1 - percent / 100) ?? OPEN_SKY,
  };
}

/** One day of a setting: what the rules of use look at. */
export interface SettingDay {
  dayOfYear: number;
  /** By the clock, minutes after midnight. */
  sunriseMin: number;
  sunsetMin: number;
  driving: readonly Span[];
  shore: readonly Span[];
  meanAirC: number;
}

/** Day `day` of a setting, from 0. The first day is a driving day: one arrives. */
export function settingDay(setting: Setting, day: number): SettingDay {
  const dayOfYear = ((setting.startDay - 1 + day) % 365) + 1;
  const { rise, set } = sunTimes(dayOfYear, setting.latitudeDeg, setting.longitudeDeg);
  const onDay = (every: number) => every > 0 && day % every === 0;
  return {
    dayOfYear,
    sunriseMin: rise * 60,
    sunsetMin: set * 60,
    driving: onDay(setting.drivingEveryDays) ? setting.driving : [],
    shore: onDay(setting.shoreEveryDays) ? setting.shore : [],
    meanAirC: meanAirC(setting.climate, dayOfYear, setting.southern),
  };
}

/** The least it is inside while somebody is in: it is heated. °C. Common practice. */
const HEATED_C = 18;

/** Air outside and in the living space at a minute of a day, °C. */
export function airAt(setting: Setting, day: SettingDay, minute: number): { outsideC: number; insideC: number } {
  const outsideC = airC(day.meanAirC, CLIMATE_FACTS[setting.climate].swingC, minute / 60);
  return { outsideC, insideC: isWithin(setting.occupied, minute) ? Math.max(outsideC, HEATED_C) : outsideC };
}

/** Whether a minute of the day lies in any of the spans. */
export function isWithin(spans: readonly Span[], minute: number): boolean {
  return spans.some(({ fromMin, toMin }) => (fromMin <= toMin ? minute >= fromMin && minute < toMin : minute >= fromMin || minute < toMin));
}

/** Hours a day that spans cover, counted once where they overlap. */
export function spanHours(spans: readonly Span[]): number {
  const cuts = spans.flatMap(({ fromMin, toMin }) => (fromMin <= toMin ? [[fromMin, toMin]] : [[fromMin, 1440], [0, toMin]])) as [number, number][]; // prettier-ignore
  cuts.sort((a, b) => a[0] - b[0]);
  let covered = 0;
  let reached = 0;
  for (const [from, to] of cuts) {
    covered += Math.max(0, to - Math.max(from, reached));
    reached = Math.max(reached, to);
  }
  return covered / 60;
}
