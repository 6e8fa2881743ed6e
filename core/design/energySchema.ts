import * as z from 'zod/mini';
import { listOf, listUpTo, numberIn, textOf, wholeIn } from '../units/schema';
import { name, percent } from '../devices/fields';
import { CLIMATES, LIMITS } from '../catalog/vocabulary';

/** How loads are used, where and when: the parts of duties and scenarios. */

/** A stretch of the day in minutes after midnight, clock time; one that ends before it begins goes on past midnight. */
export const span = z.strictObject({ fromMin: wholeIn(0, 1440), toMin: wholeIn(0, 1440) });
const spans = listUpTo(span, LIMITS.spans);

/** When a load runs. Without one, its hours a day are spread evenly over the day. */
export const use = z.discriminatedUnion('rule', [
  /** The hours painted on the day. */
  z.strictObject({ rule: z.literal('hours'), spans }),
  /** From sunset to sunrise, or until a time of the night. */
  z.strictObject({ rule: z.literal('dark'), untilMin: z.nullable(wholeIn(0, 1440)) }),
  z.strictObject({ rule: z.literal('driving') }),
  z.strictObject({ rule: z.literal('occupied') }),
  /** So many times a night, or a day, for so long each: something moves, a door is opened. */
  z.strictObject({
    rule: z.literal('motion'),
    timesPerNight: wholeIn(0, 1000),
    holdS: numberIn(1, 7200),
    /** By daylight, or at any time of the day and night, as a door is opened; absent: by night. */
    over: z.optional(z.enum(['daylight', 'always'])),
  }),
  /** Left on by mistake, all day. */
  z.strictObject({ rule: z.literal('leftOn') }),
]);

/** What a duty may say beyond hours and share. */
export const dutyFields = {
  use: z.optional(z.nullable(use)),
  /** How bright or fast it is set; absent: full. Its draw is taken in proportion. */
  levelPercent: z.optional(percent),
  /** Which of the load's levels is used; absent: the load as rated. */
  level: z.optional(z.nullable(textOf(1, 40))),
  /** Door openings a day, for a thermostat. */
  openingsPerDay: z.optional(numberIn(0, 500)),
  /** Its hours, openings and nightly times are those of one person. */
  perPerson: z.optional(z.boolean()),
};

/** Where, when and how a scenario is lived. Whatever is absent takes the defaults of energy/setting. */
export const scenarioFields = {
  latitudeDeg: z.optional(numberIn(-66, 66)),
  longitudeDeg: z.optional(numberIn(-180, 180)),
  /** Where the front points when parked, clockwise from north. */
  headingDeg: z.optional(numberIn(0, 360)),
  climate: z.optional(z.enum(CLIMATES)),
  /** First day, of a year of 365. */
  startDay: z.optional(wholeIn(1, 365)),
  days: z.optional(wholeIn(1, LIMITS.days)),
  people: z.optional(wholeIn(1, LIMITS.people)),
  /** When somebody is in; absent: all day. */
  occupied: z.optional(spans),
  /** Engine running, on driving days. */
  driving: z.optional(spans),
  /** A driving day every so many days; 0: never. */
  drivingEveryDays: z.optional(wholeIn(0, 60)),
  shore: z.optional(spans),
  shoreEveryDays: z.optional(wholeIn(0, 60)),
  /** Share of the sun that trees and buildings take, by hour of the day. */
  shadePercent: z.optional(z.array(percent).check(z.length(24))),
  /** A year of real weather in place of drawn: each day's share of a clear day's sun, from 1 January. */
  weather: z.optional(z.nullable(z.strictObject({ name, skies: z.array(numberIn(0, 1)).check(z.length(365)) }))),
};

/** What a battery monitor read from a midnight on, in even steps; null where it read nothing. */
export const logFields = {
  name,
  fromDay: z.iso.date(),
  stepMin: wholeIn(1, 60),
  volts: listOf(z.nullable(numberIn(0, 80)), 2, LIMITS.logSteps),
  /** Out of the battery is positive. */
  amps: listOf(z.nullable(numberIn(-2000, 2000)), 2, LIMITS.logSteps),
};

/** What battery and panel are weighed by. */
export const wishes = z.strictObject({
  /** Chance of running out one accepts. */
  chancePercent: percent,
  pricePer100Ah: numberIn(0, 100_000),
  pricePer100W: numberIn(0, 100_000),
});

/**
 * What a metre of one conductor costs, for the cable as such and for each mm² of its copper; and a fuse block, and a fuse with its holder.
 */
export const prices = z.strictObject({
  perM: numberIn(0, 1000),
  perMm2M: numberIn(0, 1000),
  perBlock: z.optional(numberIn(0, 10_000)),
  perFuse: z.optional(numberIn(0, 10_000)),
  /** What money all of them are in: its ISO 4217 letters. */
  currency: z.optional(z.string().check(z.regex(/^[A-Z]{3}$/))),
});

export type Span = z.infer<typeof span>;
export type Use = z.infer<typeof use>;
