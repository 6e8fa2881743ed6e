import * as z from 'zod/mini';
import { numberIn, textOf, wholeIn } from '../units/schema';
import { loadLevels, partOf, thermostat } from './loadUse';
import { amps, deviceBase, lengthMm, volts, watts } from './fields';
import { LIMITS } from '../catalog/vocabulary';
import {
  constantCurrentLaw,
  constantPowerLaw,
  filamentLaw,
  leaky,
  ledStripLaw,
  motorLaw,
  resistiveLaw,
  standbyLaw,
  type Law,
} from './laws';
import { LEAK_OHM, type DeviceKind } from './kind';

export const LOAD_BEHAVIOURS = [
  'resistive',
  'filament',
  'ledConstantCurrent',
  'ledConstantPower',
  'ledStrip',
  'converter',
  'motor',
] as const;
export type LoadBehaviour = (typeof LOAD_BEHAVIOURS)[number];

const atV = { atV: volts };
const wattDraw = z.strictObject({ kind: z.literal('watts'), watts, ...atV });
const ampDraw = z.strictObject({ kind: z.literal('amps'), amps, ...atV });
const stripDraw = z.strictObject({
  kind: z.literal('strip'),
  wattsPerM: numberIn(0, 100),
  lengthMm: numberIn(1, LIMITS.lengthMm),
  pieces: wholeIn(1, 100),
  join: z.enum(['endToEnd', 'parallel']),
  ...atV,
});

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('load'),
  quantity: wholeIn(1, LIMITS.quantity),
  spacingMm: lengthMm,
  rated: z.discriminatedUnion('kind', [wattDraw, ampDraw, stripDraw]),
  measured: z.nullable(
    z.strictObject({
      draw: z.discriminatedUnion('kind', [wattDraw, ampDraw]),
      forSize: z.number().check(z.positive(), z.maximum(1_000_000)),
      on: z.nullable(z.iso.date()),
      /** What it was measured with. */
      meter: z.optional(z.nullable(textOf(1, 60))),
    }),
  ),
  continuous: z.boolean(),
  exclusiveGroup: z.nullable(textOf(1, 40)),
  /** How its current follows the voltage; absent: a strip as a strip, anything else as a resistor. */
  behaviour: z.optional(z.enum(LOAD_BEHAVIOURS)),
  /** What it draws while off, A. */
  standbyA: z.optional(amps),
  /** Volts under which it stops, and from which it starts again. */
  cutOutV: z.optional(volts),
  restartV: z.optional(volts),
  /** What it draws for a moment when it starts, as a multiple of its draw, and for how long. */
  startFactor: z.optional(numberIn(1, 20)),
  startMs: z.optional(numberIn(1, 5000)),
  levels: z.optional(loadLevels),
  thermostat: z.optional(thermostat),
  /** Meant to be fed two ways, by two fuses: from the panel and with the reverse signal, say. */
  fedTwice: z.optional(z.boolean()),
  /**
   * For one of a lamp's functions: the load whose body it is part of, and the terminal it has in common with it. Its other terminal is its
   * own.
   */
  partOf: z.optional(partOf),
  /** The largest fuse its maker allows, A. */
  maxFuseA: z.optional(numberIn(0.5, 500)),
  /** Kept on when the battery has gone down to its usable depth and everything else is cut. */
  critical: z.optional(z.boolean()),
});

export type Load = z.infer<typeof schema>;

/** Share of the rated voltage at which drivers and converters stop when nothing is known. Common practice: about 9 V of 12. */
const DROP_OUT_SHARE = 0.75;
/** Under this a load draws nothing that matters, A. */
const NOTHING_A = 1e-9;

/** Whatever does the work. Off, it still draws its standby current; a converter stops when its voltage falls too low. */
export const load: DeviceKind<Load> & { schema: typeof schema } = {
  schema,
  label: 'load',
  // What nobody said is no heater, though it is reckoned as a resistance.
  symbol: (device) => {
    if (isLamp(device)) return 'lamp';
    return device.behaviour === 'motor' ? 'motor' : device.behaviour === 'resistive' ? 'heater' : 'consumer';
  },
  lands: 'butt',
  fitMinutes: 10,
  hole: () => 'socket29',
  turn: () => 'poled',
  positionWord: (position) => (position === true ? 'on' : 'off'),
  terminals: ({ partOf }) => (partOf ? [partOf.shares === 'minus' ? 'plus' : 'minus'] : ['plus', 'minus']),
  paths: () => [],
  controls: () => ({ on: [true, false] }),
  stamp(device, net) {
    const working = leaky(workingLaw(device), LEAK_OHM);
    const waiting = leaky(standbyLaw(device.standbyA ?? 0), LEAK_OHM);
    net.law('draw', 'plus', 'minus', ({ control, memory }) => (control('on') === true && memory.stopped !== true ? working : waiting));
  },
  isStill: ({ cutOutV }) => cutOutV === undefined,
  step({ cutOutV = 0, restartV }, { across, memory }) {
    const volts = across('plus', 'minus');
    const stopped = memory.stopped === true;
    if (stopped ? volts < Math.max(restartV ?? cutOutV, cutOutV) : volts >= cutOutV) return memory;
    return { stopped: !stopped };
  },
};

/** The terminal that a wire lands on for one of a load's two: its own, or, where it shares that one, the one of the load it is part of. */
export function landingOf({ id, partOf }: Load, terminal: 'plus' | 'minus'): { deviceId: string; terminal: 'plus' | 'minus' } {
  return { deviceId: partOf?.shares === terminal ? partOf.loadId : id, terminal };
}

export function behaviourOf({ behaviour, rated }: Load): LoadBehaviour {
  return behaviour ?? (rated.kind === 'strip' ? 'ledStrip' : 'resistive');
}

/** Whether it gives light, as far as its behaviour says. */
export function isLamp(load: Load): boolean {
  const behaviour = behaviourOf(load);
  return behaviour === 'filament' || behaviour.startsWith('led');
}

export type Draw = Load['rated'];
export type MeasuredDraw = NonNullable<Load['measured']>;

/** What a load takes from the system, all its pieces together. */
export interface LoadDraw {
  watts: number;
  amps: number;
  /** A measured value replaces the rated one. */
  basis: 'rated' | 'measured';
  ratedWatts: number;
  ratedAmps: number;
}

/**
 * Watts and amperes of one draw: I = P / V at the voltage it was stated or measured at. A light strip is watts per metre
 * times all its metres: strips joined end to end and strips side by side both hang across the same two conductors, so
 * their currents add either way.
 */
export function drawOf(draw: Load['rated']): { watts: number; amps: number } {
  switch (draw.kind) {
    case 'watts':
      return { watts: draw.watts, amps: draw.watts / draw.atV };
    case 'amps':
      return { watts: draw.amps * draw.atV, amps: draw.amps };
    case 'strip': {
      const watts = draw.wattsPerM * stripMetres(draw);
      return { watts, amps: watts / draw.atV };
    }
  }
}

/** Total metres of light strip in a strip draw. */
export function stripMetres(draw: z.infer<typeof stripDraw>): number {
  return (draw.lengthMm / 1000) * draw.pieces;
}

/** Amperes that enter the first strip: all of it when pieces are joined end to end, one piece's share when each is fed by itself. */
export function stripFeedAmps(draw: z.infer<typeof stripDraw>): number {
  const { amps } = drawOf(draw);
  return draw.join === 'endToEnd' ? amps : amps / draw.pieces;
}

/** How much of a load there is, so that a measurement made on some of it can be scaled: pieces, or metres of strip. */
export function loadSize(load: Load): number {
  return load.quantity * (load.rated.kind === 'strip' ? stripMetres(load.rated) : 1);
}

/** The draw of the whole load: measured where it was measured, scaled to today's quantity or length; otherwise rated. */
export function loadDraw(load: Load): LoadDraw {
  const each = drawOf(load.rated);
  const ratedWatts = each.watts * load.quantity;
  const ratedAmps = each.amps * load.quantity;
  if (!load.measured) return { watts: ratedWatts, amps: ratedAmps, basis: 'rated', ratedWatts, ratedAmps };
  const scale = loadSize(load) / load.measured.forSize;
  const { watts, amps } = drawOf(load.measured.draw);
  return { watts: watts * scale, amps: amps * scale, basis: 'measured', ratedWatts, ratedAmps };
}

/** Whether nobody has said what a load draws: it counts as nothing wherever currents are added. */
export function isDrawUnknown(load: Load | null): boolean {
  return load !== null && loadDraw(load).watts === 0 && !load.levels?.length;
}

/** A load's law: its measured draw at the voltage it was measured at, or else its rated one. */
function workingLaw(device: Load): Law {
  const { atV: ratedV } = device.measured?.draw ?? device.rated;
  const draw = loadDraw(device);
  if (draw.amps < NOTHING_A) return standbyLaw(0);
  const dropOutV = Math.min(device.cutOutV ?? Infinity, ratedV * DROP_OUT_SHARE);
  switch (behaviourOf(device)) {
    case 'resistive':
      return resistiveLaw(ratedV / draw.amps);
    case 'filament':
      return filamentLaw(draw.amps, ratedV);
    case 'ledConstantCurrent':
      return constantCurrentLaw(draw.amps, dropOutV, ratedV);
    case 'ledConstantPower':
    case 'converter':
      return constantPowerLaw(draw.watts, dropOutV, ratedV);
    case 'ledStrip':
      return ledStripLaw(draw.amps, ratedV);
    case 'motor':
      return motorLaw(draw.amps, ratedV);
  }
}
