import * as z from 'zod/mini';
import { listOf, listUpTo, numberIn, wholeIn } from '../units/schema';
import { id, lengthMm, name, note, placeMm } from '../devices/fields';
import { LIMITS, PASS_PARTS, PASSINGS, RIG_ID, ROUTE_FEEDS, ROUTE_KINDS, SWEEP_AXES, VEHICLES, ZONE_TRAITS } from '../catalog/vocabulary';

/**
 * The records of the vehicle itself. Distances are millimetres from its front left corner on the ground: x towards the
 * rear, y towards the right, z up.
 */

const planPoint = z.strictObject({ xMm: placeMm, yMm: placeMm });
const point = z.strictObject({ xMm: placeMm, yMm: placeMm, zMm: placeMm });
const sizeMm = numberIn(100, LIMITS.vehicleMm);

/** The vehicle's size and shape, and how cable is counted in it. One a design. */
export const rig = z.strictObject({
  id: z.literal(RIG_ID),
  type: z.literal('rig'),
  lengthMm: sizeMm,
  widthMm: sizeMm,
  heightMm: sizeMm,
  body: z.enum(VEHICLES),
  /** An outline traced by hand, in place of the body's usual one. */
  outline: z.nullable(listOf(planPoint, 3, LIMITS.outlinePoints)),
  /** Cable left over at each end of a wire, for remaking the joint. */
  slackMm: numberIn(0, 2000),
  /** Added to what the plan says of a stretch, for bends and sagging. */
  allowancePercent: numberIn(0, 100),
});

export const zone = z.strictObject({
  id,
  type: z.literal('zone'),
  name,
  order: wholeIn(0, 10_000),
  /** The hottest it gets, what wire is sized for. */
  ambientC: numberIn(-40, 120),
  engineSpace: z.boolean(),
  /** How warm it is as a rule. */
  usualC: z.optional(numberIn(-40, 120)),
  traits: z.optional(listUpTo(z.enum(ZONE_TRAITS), ZONE_TRAITS.length)),
  purpose: z.optional(note),
  /** Its ground in the plan and how high it reaches. */
  plan: z.optional(
    z.nullable(z.strictObject({ xMm: placeMm, yMm: placeMm, lengthMm: sizeMm, widthMm: sizeMm, lowMm: placeMm, highMm: placeMm })),
  ),
  /** Which of the drawing's tints and patterns it has. */
  tint: z.optional(wholeIn(1, 8)),
});

/** Somewhere things are fixed and routes meet. */
export const place = z.strictObject({
  id,
  type: z.literal('place'),
  name,
  zoneId: z.nullable(id),
  xMm: placeMm,
  yMm: placeMm,
  zMm: placeMm,
  /** Free depth behind the panel, null where nobody has looked. */
  depthMm: z.nullable(lengthMm),
  /** What sits behind it. */
  behind: note,
});

const passage = z.strictObject({
  what: z.enum(PASSINGS),
  part: z.enum(PASS_PARTS),
  /** The hole's diameter. */
  holeMm: z.nullable(numberIn(0, 500)),
  sealed: z.boolean(),
  /** Distance kept from a hot or moving thing. */
  clearMm: z.nullable(numberIn(0, 5000)),
});

/** A stretch between two places that cable can take. */
export const route = z.strictObject({
  id,
  type: z.literal('route'),
  name,
  fromId: id,
  toId: id,
  kind: z.enum(ROUTE_KINDS),
  bends: listUpTo(point, LIMITS.bends),
  /** Length measured in the vehicle; null: the plan's. */
  measuredMm: z.nullable(numberIn(LIMITS.stretchMm, LIMITS.lengthMm)),
  measuredOn: z.nullable(z.iso.date()),
  /** Inside diameter of a conduit or pillar. */
  insideMm: z.nullable(numberIn(1, 500)),
  feed: z.enum(ROUTE_FEEDS),
  /** No cable may take it. */
  closed: z.boolean(),
  passes: listUpTo(passage, LIMITS.passings),
  note,
});

/**
 * Room that must stay free: what a door, hood or arm sweeps, or a line of sight, about an axis. About an upright one (absent: it is) angles
 * run clockwise from straight back and low and high are heights; about one that runs across, from straight back upwards, low and high being
 * from the left; about one along the vehicle, from straight right upwards, low and high being from the front.
 */
export const keepClear = z.strictObject({
  id,
  type: z.literal('keepClear'),
  name,
  kind: z.enum(['sweep', 'sight']),
  xMm: placeMm,
  yMm: placeMm,
  reachMm: numberIn(10, LIMITS.vehicleMm),
  fromDeg: numberIn(-360, 360),
  toDeg: numberIn(-360, 360),
  lowMm: placeMm,
  highMm: placeMm,
  axis: z.optional(z.enum(SWEEP_AXES)),
  /** Height of an axis that does not stand up. */
  zMm: z.optional(placeMm),
});

export type PlanPoint = z.infer<typeof planPoint>;
export type Rig = z.infer<typeof rig>;
export type Zone = z.infer<typeof zone>;
export type Place = z.infer<typeof place>;
export type Passage = z.infer<typeof passage>;
export type Route = z.infer<typeof route>;
export type KeepClear = z.infer<typeof keepClear>;
