import * as z from 'zod/mini';
import { listUpTo, numberIn, textOf, wholeIn } from '../units/schema';
import { CONDUCTOR_SIZES } from '../catalog/conductorSizes';
import { deviceSchema } from '../devices';
import { dutyFields, logFields, prices, scenarioFields, wishes } from './energySchema';

import { id, lengthMm, name, note, percent, work } from '../devices/fields';
import { cable, coreOfCable, kit, lead } from './cableSchema';
import { choiceSchema, optionSchema } from './choiceSchema';
import { panel, panelPart } from './panelSchema';
import { drawn } from './drawnSchema';
import { event, photo } from './eventSchema';
import { reading } from './readingSchema';
import { stock } from './stockSchema';
import { WIRE_COLOUR_CODES } from '../catalog/wireColours';
import { doneTask, handTask } from './taskSchema';
import { trigger } from './triggerSchema';
import { benchRun } from './actSchema';
import { wish } from './wishSchema';
import { keepClear, place, rig, route, zone } from './rigSchema';
import {
  BUNDLE_PRACTICES,
  COLOUR_SCHOOLS,
  CONDUCTOR_STANDARDS,
  DROP_CLASSES,
  LIMITS,
  RETURN_KINDS,
  SETTINGS_ID,
  UNIT_SYSTEMS,
  VEHICLES,
  WIRE_ENDS,
  WIRE_STEPS,
} from '../catalog/vocabulary';

const conductor = z.enum(CONDUCTOR_SIZES);
const dropTarget = numberIn(0.5, 20);

/**
 * The record schemas: the one definition from which types, validation, the published JSON Schema and the import come.
 * Every field's unit is in its name. A schema never changes a value: what parses is exactly what was given.
 */

const settings = z.strictObject({
  id: z.literal(SETTINGS_ID),
  type: z.literal('settings'),
  name,
  vehicle: z.enum(VEHICLES),
  units: z.enum(UNIT_SYSTEMS),
  nominalV: z.union([z.literal(12), z.literal(24)]),
  conductorStandard: z.enum(CONDUCTOR_STANDARDS),
  insulationC: numberIn(60, 200),
  cableForm: z.enum(['sheathed', 'single']),
  defaultReturn: z.enum(RETURN_KINDS),
  dropTargetPercent: z.strictObject({ critical: dropTarget, general: dropTarget, tolerant: z.optional(dropTarget) }),
  /** The most that the cables all circuits share may take of the nominal voltage; absent: half of what a critical circuit may. */
  feedSharePercent: z.optional(numberIn(0.1, 20)),
  dropFrom: z.enum(['battery', 'fuseBlock']),
  dropBasis: z.enum(['conservative', 'formula']),
  conductorTemperatureC: numberIn(-40, 125),
  wantedRuntimeH: numberIn(0, 2000),
  scenarioId: z.nullable(id),
  /** Whether conductors laid together count as hotter; absent: they do. */
  bundling: z.optional(z.enum(BUNDLE_PRACTICES)),
  /** What a wire's end adds, its crimp and its screw; absent: nothing is allowed for. */
  endMilliohm: z.optional(numberIn(0, 20)),
  wishes: z.optional(wishes),
  /** How wires are coloured; absent: by pole. */
  colourSchool: z.optional(z.enum(COLOUR_SCHOOLS)),
  /** Whether a fuse block's wires may look alike, their labels telling them apart; absent: they may not. */
  blocksByLabel: z.optional(z.boolean()),
  prices: z.optional(prices),
});

const wireColour = z.enum(WIRE_COLOUR_CODES);

const terminal = z.strictObject({ deviceId: id, terminal: textOf(1, 20) });

const wire = z.strictObject({
  id,
  type: z.literal('wire'),
  role: z.enum(['supply', 'return']),
  from: terminal,
  to: terminal,
  lengthMm,
  lengthMeasured: z.boolean(),
  conductor,
  /** Routes it takes, chosen by hand; absent or null: the shortest way. */
  via: z.optional(z.nullable(listUpTo(id, 60))),
  /** What is on its labels; absent: not numbered yet. */
  number: z.optional(z.string().check(z.minLength(1), z.maxLength(12), z.regex(/^\S+$/))),
  /** Its insulation's colour, and the stripe on it; absent: not chosen yet. */
  colour: z.optional(wireColour),
  stripe: z.optional(wireColour),
  /** What its ends get, chosen by hand; absent: what fits where they land. */
  fromEnd: z.optional(z.enum(WIRE_ENDS)),
  toEnd: z.optional(z.enum(WIRE_ENDS)),
  /** The core it is, whose colour it has; absent: a wire by itself. */
  core: z.optional(coreOfCable),
  /** Put over both its ends where its own colour misleads. */
  sleeve: z.optional(wireColour),
  /** The kit it comes with. */
  kitId: z.optional(id),
  /** What of its making is done. */
  made: z.optional(listUpTo(z.enum(WIRE_STEPS), WIRE_STEPS.length)),
  work,
});

/** Wire there is to cut from: a reel, or what is left of one. */
const reel = z.strictObject({
  id,
  type: z.literal('reel'),
  name,
  conductor,
  colour: wireColour,
  stripe: z.optional(wireColour),
  lengthMm: numberIn(1, LIMITS.reelMm),
});

const circuit = z.strictObject({
  id,
  type: z.literal('circuit'),
  number: wholeIn(1, LIMITS.circuitNumber),
  name,
  zoneId: z.nullable(id),
  protectionId: id,
  dropClass: z.enum(DROP_CLASSES),
  targetPercent: z.nullable(numberIn(0.5, 20)),
  note,
});

const scenario = z.strictObject({
  id,
  type: z.literal('scenario'),
  name,
  order: wholeIn(0, 10_000),
  ...scenarioFields,
});

const duty = z.strictObject({
  id,
  type: z.literal('duty'),
  scenarioId: id,
  loadId: id,
  hoursPerDay: numberIn(0, 24),
  sharePercent: percent,
  ...dutyFields,
});

const log = z.strictObject({ id, type: z.literal('log'), ...logFields });

/** What is designed, and so may be one way or another: not what there is, or was done, read and seen. */
const parts = [
  settings,
  zone,
  deviceSchema,
  wire,
  circuit,
  scenario,
  duty,
  place,
  route,
  wish,
  panel,
  panelPart,
  cable,
  lead,
  kit,
] as const;
const partSchema = z.discriminatedUnion('type', parts);
const choice = choiceSchema(partSchema);
const option = optionSchema(partSchema);

export const recordSchema = z.discriminatedUnion('type', [
  ...parts,
  rig,
  keepClear,
  log,
  trigger,
  reel,
  stock,
  reading,
  doneTask,
  handTask,
  event,
  photo,
  benchRun,
  choice,
  option,
  drawn,
]);

export const changeSchema = z.strictObject({
  added: listUpTo(recordSchema, LIMITS.recordsPerChange),
  updated: listUpTo(z.strictObject({ from: recordSchema, to: recordSchema }), LIMITS.recordsPerChange),
  removed: listUpTo(recordSchema, LIMITS.recordsPerChange),
});

export type Settings = z.infer<typeof settings>;
export type { Thermostat } from '../devices/loadUse';
export type { Span, Use } from './energySchema';
export type { KeepClear, Passage, Place, PlanPoint, Rig, Route, Zone } from './rigSchema';
export type { Battery } from '../devices/battery';
export type { Protection } from '../devices/protection';
export type { FuseBlock } from '../devices/fuseBlock';
export type { BusBar } from '../devices/busBar';
export type { Switch } from '../devices/switch';
export type { Load } from '../devices/load';
export type { Device } from '../devices';
export type { Draw, MeasuredDraw } from '../devices/load';
export type TerminalRef = z.infer<typeof terminal>;
export type Wire = z.infer<typeof wire>;
export type Reel = z.infer<typeof reel>;
export type Circuit = z.infer<typeof circuit>;
export type Scenario = z.infer<typeof scenario>;
export type Duty = z.infer<typeof duty>;
export type Log = z.infer<typeof log>;
export type Trigger = z.infer<typeof trigger>;
export type Wish = z.infer<typeof wish>;
export type Choice = z.infer<typeof choice>;
export type Option = z.infer<typeof option>;
/** A record that an option of a choice may hold. */
export type PartRecord = z.infer<typeof partSchema>;
export type { Cable, CableCore, Kit, Lead } from './cableSchema';
export type { HandTask } from './taskSchema';
export type { Drawn } from './drawnSchema';
export type { LogEvent, Photo } from './eventSchema';
export type { ReadingRecord } from './readingSchema';
export type { BenchAct, Fault } from './actSchema';
export type { Stock } from './stockSchema';
export type { Panel, PanelPart } from './panelSchema';
export type { Condition, Mover, WishSays } from './wishSchema';
export type DesignRecord = z.infer<typeof recordSchema>;
export type RecordType = DesignRecord['type'];
