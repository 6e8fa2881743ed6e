import { z } from 'zod';
import { name, percent } from '../devices/fields';
import { CLIMATES, LIMITS } from '../catalog/vocabulary';

/** How loads are used, where and when: the parts of duties and scenarios. */

/** A stretch of the day in minutes after midnight, clock time; one that ends before it begins goes on past midnight. */
export const span = z.strictObject({ fromMin: z.number().int().min(0).max(1440), toMin: z.number().int().min(0).max(1440) });
const spans = z.array(span).max(LIMITS.spans);

/** When a load runs. Without one, its hours a day are spread evenly over the day. */
export const use = z.discriminatedUnion('rule', [
  /** The hours painted on the day. */
  z.strictObject({ rule: z.literal('hours'), spans }),
  /** From sunset to sunrise, or until a time of the night. */
  z.strictObject({ rule: z.literal('dark'), untilMin: z.number().int().min(0).max(1440).nullable() }),
  z.strictObject({ rule: z.literal('driving') }),
  z.strictObject({ rule: z.literal('occupied') }),
  /** So many times a night, or a day, for so long each: something moves, a door is opened. */
  z.strictObject({
    rule: z.literal('motion'),
    timesPerNight: z.number().int().min(0).max(1000),
    holdS: z.number().min(1).max(7200),
    /** By daylight, or at any time of the day and night, as a door is opened; absent: by night. */
    over: z.enum(['daylight', 'always']).optional(),
  }),
  /** Left on by mistake, all day. */
  z.strictObject({ rule: z.literal('leftOn') }),
]);

/** What a duty may say beyond hours and share. */
export const dutyFields = {
  use: use.nullable().optional(),
  /** How bright or fast it is set; absent: full. Its draw is taken in proportion. */
  levelPercent: percent.optional(),
  /** Which of the load's levels is used; absent: the load as rated. */
  level: z.string().min(1).max(40).nullable().optional(),
  /** Door openings a day, for a thermostat. */
  openingsPerDay: z.number().min(0).max(500).optional(),
  /** Its hours, openings and nightly times are those of one person. */
  perPerson: z.boolean().optional(),
};

/** Where, when and how a scenario is lived. Whatever is absent takes the defaults of energy/setting. */
export const scenarioFields = {
  latitudeDeg: z.number().min(-66).max(66).optional(),
  longitudeDeg: z.number().min(-180).max(180).optional(),
  /** Where the front points when parked, clockwise from north. */
  headingDeg: z.number().min(0).max(360).optional(),
  climate: z.enum(CLIMATES).optional(),
  /** First day, of a year of 365. */
  startDay: z.number().int().min(1).max(365).optional(),
  days: z.number().int().min(1).max(LIMITS.days).optional(),
  people: z.number().int().min(1).max(LIMITS.people).optional(),
  /** When somebody is in; absent: all day. */
  occupied: spans.optional(),
  /** Engine running, on driving days. */
  driving: spans.optional(),
  /** A driving day every so many days; 0: never. */
  drivingEveryDays: z.number().int().min(0).max(60).optional(),
  shore: spans.optional(),
  shoreEveryDays: z.number().int().min(0).max(60).optional(),
  /** Share of the sun that trees and buildings take, by hour of the day. */
  shadePercent: z.array(percent).length(24).optional(),
  /** A year of real weather in place of drawn: each day's share of a clear day's sun, from 1 January. */
  weather: z
    .strictObject({ name, skies: z.array(z.number().min(0).max(1)).length(365) })
    .nullable()
    .optional(),
};

/** What a battery monitor read from a midnight on, in even steps; null where it read nothing. */
export const logFields = {
  name,
  fromDay: z.iso.date(),
  stepMin: z.number().int().min(1).max(60),
  volts: z.array(z.number().min(0).max(80).nullable()).min(2).max(LIMITS.logSteps),
  /** Out of the battery is positive. */
  amps: z.array(z.number().min(-2000).max(2000).nullable()).min(2).max(LIMITS.logSteps),
};

/** What battery and panel are weighed by. */
export const wishes = z.strictObject({
  /** Chance of running out one accepts. */
  chancePercent: percent,
  pricePer100Ah: z.number().min(0).max(100_000),
  pricePer100W: z.number().min(0).max(100_000),
});

/** What a metre of one conductor costs, for the cable as such and for each mm² of its copper; and a fuse block, and a fuse with its holder. */
export const prices = z.strictObject({
  perM: z.number().min(0).max(1000),
  perMm2M: z.number().min(0).max(1000),
  perBlock: z.number().min(0).max(10_000).optional(),
  perFuse: z.number().min(0).max(10_000).optional(),
  /** What money all of them are in: its ISO 4217 letters. */
  currency: z
    .string()
    .regex(/^[A-Z]{3}$/)
    .optional(),
});

export type Span = z.infer<typeof span>;
export type Use = z.infer<typeof use>;
