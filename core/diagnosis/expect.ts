import { Bench } from '../bench/bench';
import { inputFor } from '../bench/inputs';
import type { Device, Load } from '../design/schema';
import type { LaidWire } from '../rig/layout';
import type { DesignIndex } from '../rig/designIndex';
import type { Measurement } from './diagnose';
import type { Moved } from './foresee';
import { normalFrom } from './normal';

/** What one point should read in a state. */
export interface Expected {
  what: Measurement;
  expected: number;
  /** Between these it lies in nineteen of twenty vehicles built to this plan, meter and all. */
  low: number;
  high: number;
}

/**
 * How far what is built differs from the plan, one standard spread. Common practice: rated draws a twentieth, measured ones a hundredth or
 * two, planned lengths a twenty-fifth, joints and contacts by half.
 */
export const SPREAD = {
  ratedDraw: 0.05,
  measuredDraw: 0.015,
  plannedLength: 0.04,
  measuredLength: 0.005,
  contact: 0.3,
  temperatureC: 10,
} as const;
/** A meter reads to half a hundredth and a few last digits. */
export const METER = { share: 0.005, least: 0.005 } as const;
/** Vehicles drawn to see how far readings lie apart. */
const DRAWS = 60;
/** Spreads that hold nineteen in twenty, a little more since the spread itself is seen in few draws. */
const SPREADS_HELD = 2.15;

/** Where one meters a design: battery, blocks, every fuse, every load, and what flows to each load's circuit. */
export function pointsOf(index: DesignIndex): Measurement[] {
  const volts = (deviceId: string, terminal: string, minus?: string): Measurement => ({ kind: 'volts', at: { deviceId, terminal }, to: minus ? { deviceId, terminal: minus } : null }); // prettier-ignore
  const devices = Array.from(index.devices.values()).flatMap((device): Measurement[] => {
    switch (device.kind) {
      case 'battery':
        return [volts(device.id, 'plus', 'minus')];
      case 'fuseBlock':
        return [volts(device.id, 'in')];
      case 'protection':
        return [volts(device.id, 'out')];
      case 'load':
        return device.partOf ? [] : [volts(device.id, 'plus', 'minus')];
      default:
        return [];
    }
  });
  return [...devices, ...index.wires.map(({ id }): Measurement => ({ kind: 'amps', wireId: id }))];
}

/**
 * What every point should read after some acts, at the battery's voltage of that moment, and how far it may be off: as many vehicles as
 * drawn, each built to the plan with draws, lengths, joints and temperature as they come, and a meter's own error.
 * @param random numbers from 0 to 1
 * @throws NetworkError where the design has no answer
 */
export function expectedReadings(
  index: DesignIndex,
  moved: readonly Moved[],
  batteryV: number | null,
  points: readonly Measurement[],
  random: () => number,
): Expected[] {
  const planned = readAll(index, moved, batteryV, points);
  const drawn = Array.from({ length: DRAWS }, () => readAll(drawVehicle(index, random), moved, batteryV, points));
  return points.map((what, at) => {
    const values = drawn.map((readings) => readings[at]!);
    const mean = values.reduce((sum, value) => sum + value, 0) / DRAWS;
    const spread = Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (DRAWS - 1));
    const expected = planned[at]!;
    const off = SPREADS_HELD * Math.hypot(spread, ...meterSpread(expected));
    // What is drawn lies about its own mean where the plan is at the edge of what can be.
    return { what, expected, low: Math.min(expected, mean) - off, high: Math.max(expected, mean) + off };
  });
}

const meterSpread = (value: number) => [METER.least, value * METER.share] as const;

/**
 * Whether a reading lies so far from the plan that it may be plainly out: past what is expected by more than the whole of its width, which
 * is never less than the meter's own. Told without drawing a single vehicle.
 */
export function mayBeOut(value: number, planned: number): boolean {
  return Math.abs(value - planned) > 3 * SPREADS_HELD * Math.hypot(...meterSpread(planned));
}

/** What every point reads in one vehicle. */
export function readAll(index: DesignIndex, moved: readonly Moved[], batteryV: number | null, points: readonly Measurement[]): number[] {
  const bench = Bench.longStanding(index);
  for (const { mover, position } of moved) if (inputFor(index, mover)) bench.do({ kind: 'move', mover, position });
  if (batteryV !== null) bench.atBattery(batteryV);
  const minus = index.battery && { deviceId: index.battery.id, terminal: 'minus' };
  return points.map((what) => {
    // Nobody looks which way round a clamp is.
    if (what.kind === 'amps') return Math.abs(bench.clamp(what.wireId) ?? 0);
    const black = what.to ?? minus;
    return black ? (bench.volts(what.at, black) ?? 0) : 0;
  });
}

/** A vehicle built to a plan: everything a little other than it was worked out. */
export function drawVehicle(index: DesignIndex, random: () => number): DesignIndex {
  const normal = normalFrom(random);
  const times = (spread: number) => Math.exp(spread * normal());
  const devices = new Map(Array.from(index.devices, ([id, device]) => [id, other(device, times)] as const));
  const wires = index.wires.map((wire): LaidWire => {
    const length = times(wire.lengthMeasured ? SPREAD.measuredLength : SPREAD.plannedLength);
    return { ...wire, lengthMm: wire.lengthMm * length };
  });
  const { settings } = index;
  return {
    ...index,
    devices,
    wires,
    loads: index.loads.map((load) => devices.get(load.id) as typeof load),
    settings: {
      ...settings,
      conductorTemperatureC: settings.conductorTemperatureC + SPREAD.temperatureC * normal(),
      ...(settings.endMilliohm !== undefined && { endMilliohm: settings.endMilliohm * times(SPREAD.contact) }),
    },
  };
}

function other(device: Device, times: (spread: number) => number): Device {
  if (device.kind === 'relay') return { ...device, contactMilliohm: device.contactMilliohm * times(SPREAD.contact) };
  if (device.kind !== 'load') return device;
  return drawing(device, times(device.measured ? SPREAD.measuredDraw : SPREAD.ratedDraw));
}

/** A load that draws so many times what it is taken to. */
export function drawing(load: Load, factor: number): Load {
  const scaled = <D extends NonNullable<Load['measured']>['draw'] | Load['rated']>(draw: D): D => {
    if (draw.kind === 'watts') return { ...draw, watts: draw.watts * factor };
    return draw.kind === 'amps' ? { ...draw, amps: draw.amps * factor } : { ...draw, wattsPerM: draw.wattsPerM * factor };
  };
  return {
    ...load,
    rated: scaled(load.rated),
    measured: load.measured && { ...load.measured, draw: scaled(load.measured.draw) },
  };
}
