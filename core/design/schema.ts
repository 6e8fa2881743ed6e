import { z } from 'zod';
import { CONDUCTOR_SIZES } from '../catalog/conductorSizes';
import {
  CHEMISTRIES,
  CONDUCTOR_STANDARDS,
  DROP_CLASSES,
  LIMITS,
  PROTECTION_FAMILIES,
  RETURN_KINDS,
  SETTINGS_ID,
  UNIT_SYSTEMS,
  VEHICLES,
} from './vocabulary';

/**
 * The record schemas: the one definition from which types, validation, the published JSON Schema and the import come.
 * Every field's unit is in its name. A schema never changes a value: what parses is exactly what was given.
 */

const id = z.string().regex(/^[A-Za-z0-9_-]{1,40}$/, 'an id is 1 to 40 letters, digits, "_" or "-"');
const name = z
  .string()
  .max(LIMITS.nameLength)
  .regex(/^(?=.*\S)[^\u0000-\u001f\u007f]*$/, 'a name needs at least one visible character and no control characters');
const note = z.string().max(LIMITS.noteLength);
const lengthMm = z.number().min(0).max(LIMITS.lengthMm);
const percent = z.number().min(0).max(100);
const volts = z.number().min(1).max(60);
const amps = z.number().min(0).max(LIMITS.amps);
const watts = z.number().min(0).max(LIMITS.watts);
const conductor = z.enum(CONDUCTOR_SIZES);

const settings = z.strictObject({
  id: z.literal(SETTINGS_ID),
  type: z.literal('settings'),
  name,
  vehicle: z.enum(VEHICLES),
  units: z.enum(UNIT_SYSTEMS),
  nominalV: z.union([z.literal(12), z.literal(24)]),
  conductorStandard: z.enum(CONDUCTOR_STANDARDS),
  insulationC: z.number().min(60).max(200),
  cableForm: z.enum(['sheathed', 'single']),
  defaultReturn: z.enum(RETURN_KINDS),
  dropTargetPercent: z.strictObject({ critical: z.number().min(0.5).max(20), general: z.number().min(0.5).max(20) }),
  dropFrom: z.enum(['battery', 'fuseBlock']),
  dropBasis: z.enum(['conservative', 'formula']),
  conductorTemperatureC: z.number().min(-40).max(125),
  wantedRuntimeH: z.number().min(0).max(2000),
  scenarioId: id.nullable(),
});

const zone = z.strictObject({
  id,
  type: z.literal('zone'),
  name,
  order: z.number().int().min(0).max(10_000),
  ambientC: z.number().min(-40).max(120),
  engineSpace: z.boolean(),
});

const deviceBase = { id, type: z.literal('device'), name, zoneId: id.nullable() };

const battery = z.strictObject({
  ...deviceBase,
  kind: z.literal('battery'),
  chemistry: z.enum(CHEMISTRIES),
  capacityAh: z.number().min(1).max(LIMITS.capacityAh),
  rateH: z.number().min(1).max(100),
  count: z.number().int().min(1).max(20),
  usableDepthPercent: z.number().min(5).max(100).nullable(),
  peukertExponent: z.number().min(1).max(1.6).nullable(),
});

const protection = z.strictObject({
  ...deviceBase,
  kind: z.literal('protection'),
  family: z.enum(PROTECTION_FAMILIES),
  ratingA: z.number().min(0.5).max(1000),
  mount: z.strictObject({ blockId: id, slot: z.number().int().min(1).max(LIMITS.slots) }).nullable(),
});

const fuseBlock = z.strictObject({
  ...deviceBase,
  kind: z.literal('fuseBlock'),
  slots: z.number().int().min(1).max(LIMITS.slots),
  slotMaxA: z.number().min(1).max(100),
  blockMaxA: z.number().min(1).max(500),
});

const busBar = z.strictObject({ ...deviceBase, kind: z.literal('busBar'), ratingA: z.number().min(1).max(1000) });

const groundPoint = z.strictObject({
  ...deviceBase,
  kind: z.literal('groundPoint'),
  jointMilliohm: z.number().min(0).max(10_000),
});

const switchDevice = z.strictObject({ ...deviceBase, kind: z.literal('switch'), ratingA: z.number().min(0.1).max(500) });

const atV = { atV: volts };
const wattDraw = z.strictObject({ kind: z.literal('watts'), watts, ...atV });
const ampDraw = z.strictObject({ kind: z.literal('amps'), amps, ...atV });
const stripDraw = z.strictObject({
  kind: z.literal('strip'),
  wattsPerM: z.number().min(0).max(100),
  lengthMm: z.number().min(1).max(LIMITS.lengthMm),
  pieces: z.number().int().min(1).max(100),
  join: z.enum(['endToEnd', 'parallel']),
  ...atV,
});

const load = z.strictObject({
  ...deviceBase,
  kind: z.literal('load'),
  quantity: z.number().int().min(1).max(LIMITS.quantity),
  spacingMm: lengthMm,
  rated: z.discriminatedUnion('kind', [wattDraw, ampDraw, stripDraw]),
  measured: z
    .strictObject({
      draw: z.discriminatedUnion('kind', [wattDraw, ampDraw]),
      forSize: z.number().positive().max(1_000_000),
      on: z.iso.date().nullable(),
    })
    .nullable(),
  continuous: z.boolean(),
  exclusiveGroup: z.string().min(1).max(40).nullable(),
});

const terminal = z.strictObject({ deviceId: id, terminal: z.string().min(1).max(20) });

const wire = z.strictObject({
  id,
  type: z.literal('wire'),
  role: z.enum(['supply', 'return']),
  from: terminal,
  to: terminal,
  lengthMm,
  lengthMeasured: z.boolean(),
  conductor,
});

const circuit = z.strictObject({
  id,
  type: z.literal('circuit'),
  number: z.number().int().min(1).max(LIMITS.circuitNumber),
  name,
  zoneId: id.nullable(),
  protectionId: id,
  dropClass: z.enum(DROP_CLASSES),
  targetPercent: z.number().min(0.5).max(20).nullable(),
  note,
});

const scenario = z.strictObject({
  id,
  type: z.literal('scenario'),
  name,
  order: z.number().int().min(0).max(10_000),
});

const duty = z.strictObject({
  id,
  type: z.literal('duty'),
  scenarioId: id,
  loadId: id,
  hoursPerDay: z.number().min(0).max(24),
  sharePercent: percent,
});

const device = z.discriminatedUnion('kind', [battery, protection, fuseBlock, busBar, groundPoint, switchDevice, load]);

export const recordSchema = z.discriminatedUnion('type', [settings, zone, device, wire, circuit, scenario, duty]);

export const changeSchema = z.strictObject({
  added: z.array(recordSchema).max(LIMITS.recordsPerChange),
  updated: z.array(z.strictObject({ from: recordSchema, to: recordSchema })).max(LIMITS.recordsPerChange),
  removed: z.array(recordSchema).max(LIMITS.recordsPerChange),
});

export type Settings = z.infer<typeof settings>;
export type Zone = z.infer<typeof zone>;
export type Battery = z.infer<typeof battery>;
export type Protection = z.infer<typeof protection>;
export type FuseBlock = z.infer<typeof fuseBlock>;
export type BusBar = z.infer<typeof busBar>;
export type Switch = z.infer<typeof switchDevice>;
export type Load = z.infer<typeof load>;
export type Draw = Load['rated'];
export type MeasuredDraw = NonNullable<Load['measured']>;
export type Device = z.infer<typeof device>;
export type TerminalRef = z.infer<typeof terminal>;
export type Wire = z.infer<typeof wire>;
export type Circuit = z.infer<typeof circuit>;
export type Scenario = z.infer<typeof scenario>;
export type Duty = z.infer<typeof duty>;
export type DesignRecord = z.infer<typeof recordSchema>;
export type RecordType = DesignRecord['type'];
