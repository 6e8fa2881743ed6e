import { Edit } from '../design/edit';
import type { Design } from '../design/design';
import { SETTINGS_ID } from '../catalog/vocabulary';
import type { Change } from '../design/change';
import type { Device, ReadingRecord, Wire } from '../design/schema';
import { loadDraw, loadSize } from '../devices/load';
import { isReturnJunction } from '../network/flow';
import { terminalKey, type Wiring } from '../network/wiring';
import type { DesignIndex } from '../rig/designIndex';
import { partDeciding } from './diagnose';
import { drawing, METER, readAll, SPREAD } from './expect';
import { leastSquares } from './leastSquares';
import { atBattery, momentsOf, type Moment } from './readings';

/** What of the plan may be other than it was worked out. */
export type Quantity =
  | { kind: 'draw'; loadId: string }
  /** All of a circuit's wires that nobody measured, there and back. */
  | { kind: 'run'; circuitId: string; wireIds: readonly string[] }
  /** A relay's contact or a bolt to the chassis. */
  | { kind: 'joint'; deviceId: string }
  /** What every crimped end loses. */
  | { kind: 'ends' };

/** A quantity that the readings know better than the plan. */
export interface Offer {
  quantity: Quantity;
  /** So many times what is planned, and how sure that is, one standard spread. */
  factor: number;
  spread: number;
}

export interface Fitted {
  offers: Offer[];
  /** Readings that fit with nothing the others say, with what they should have been. */
  strays: { readingId: string; expected: number }[];
  /** How far readings lie off, in spreads of the meter, root of the mean square: as planned, and fitted. */
  off: [planned: number, fitted: number];
}

/** How far what is built may differ from the plan, one spread of its logarithm, by what it is. */
const MAY_DIFFER = { draw: SPREAD.ratedDraw * 2, run: SPREAD.plannedLength * 1.5, joint: SPREAD.contact, ends: SPREAD.contact } as const;
/** The battery's volts are read at another moment than the point's, V. Common practice. */
const MOMENT_V = 0.01;
/** From this on, spreads of the meter, a reading fits with nothing. */
const STRAY = 4;
/**
 * A quantity is offered where the readings halve what is not known of it, say it is other by twice what they leave open, and by a fiftieth
 * at least.
 */
const HALVED = 0.6;
const SURE = 2;
const LEAST_CHANGE = 0.02;
/** Beyond what the plan may be off, a joint or a contact is bad, and no length is to be blamed for it: spreads. */
const MOST_SPREADS = 2.5;
/** Step by which the network is asked how a reading follows a quantity. */
const STEP = 0.02;
const TURNS = 3;

/**
 * Fits the plan to what was read, the last at each point: draws, lengths, contacts and ends as likely as they may differ, the meter as good
 * as meters are, all readings at once. Weighted least squares with what is known beforehand (Tikhonov), and less weight for what lies far
 * off (Huber 1964).
 * @throws NetworkError where the design has no answer
 */
export function fitToReadings(whole: DesignIndex, wiring: Wiring, readings: readonly ReadingRecord[]): Fitted {
  const used = readings.filter(({ batteryV }) => batteryV !== null);
  const loadIds = readLoads(whole, wiring, used);
  if (used.length === 0 || loadIds.length === 0) return { offers: [], strays: [], off: [0, 0] };
  const index = partDeciding(whole, wiring, loadIds);
  const moments = momentsOf(used);
  const quantities = quantitiesIn(index, wiring, loadIds);
  const rows = moments.flatMap(({ readings: group }) => group);
  const values = rows.map((reading) => atBattery(reading, reading.batteryV));
  // What runs beside the read circuits takes its share of what is common, as far as that goes the same whatever the quantities are.
  const alone = readMoments(index, moments);
  const beside = readMoments(whole, moments).map((value, row) => value - alone[row]!);
  const read = (logs: readonly number[]) =>
    readMoments(vehicleWith(index, quantities, logs), moments).map((value, row) => value + beside[row]!);
  const spreads = values.map((value) => Math.hypot(METER.least, METER.share * value, MOMENT_V));
  const own = quantities.map(({ kind }) => MAY_DIFFER[kind]);
  let logs = quantities.map(() => 0);
  let model = read(logs);
  const planned = rms(values, model, spreads);
  let left = own;
  for (let turn = 0; turn < TURNS; turn++) {
    const slopes = quantities.map((_, at) => {
      const moved = read(logs.map((log, place) => (place === at ? log + STEP : log)));
      return moved.map((value, row) => (value - model[row]!) / STEP / spreads[row]!);
    });
    const off = values.map((value, row) => (value - model[row]!) / spreads[row]!);
    const step = leastSquares(slopes, off, logs, own);
    logs = step.values.map((log, at) => Math.max(-MOST_SPREADS * own[at]!, Math.min(MOST_SPREADS * own[at]!, log)));
    left = step.spreads;
    model = read(logs);
  }
  const strays = rows.flatMap(({ id }, row) =>
    Math.abs(values[row]! - model[row]!) > STRAY * spreads[row]! ? [{ readingId: id, expected: model[row]! }] : [],
  );
  const offers = quantities.flatMap((quantity, at): Offer[] => {
    const [log, spread] = [logs[at]!, left[at]!];
    // At the edge of what may differ it is no plan that is off, but something that is wrong.
    const isAtEdge = Math.abs(log) > 0.99 * MOST_SPREADS * own[at]!;
    const isKnown = !isAtEdge && spread < HALVED * own[at]! && Math.abs(log) > SURE * spread && Math.abs(log) > LEAST_CHANGE;
    return isKnown ? [{ quantity, factor: Math.exp(log), spread }] : [];
  });
  return { offers, strays, off: [planned, rms(values, model, spreads)] };
}

/** Takes over what the readings say, as one change. */
export function takeFit(design: Design, index: DesignIndex, offers: readonly Offer[], on: string): Change {
  const edit = new Edit(design);
  for (const { quantity, factor } of offers) {
    switch (quantity.kind) {
      case 'draw': {
        const load = index.devices.get(quantity.loadId);
        if (load?.kind !== 'load') break;
        const { atV } = load.measured?.draw ?? load.rated;
        const watts = Number((loadDraw(load).watts * factor).toPrecision(3));
        edit.set(load, { measured: { draw: { kind: 'watts', watts, atV }, forSize: loadSize(load), on } });
        break;
      }
      case 'run':
        for (const wire of index.wires)
          if (quantity.wireIds.includes(wire.id)) edit.set(wire, { lengthMm: Math.round(wire.lengthMm * factor), lengthMeasured: true });
        break;
      case 'joint': {
        const device = index.devices.get(quantity.deviceId);
        if (device?.kind === 'relay') edit.set(device, { contactMilliohm: Number((device.contactMilliohm * factor).toPrecision(3)) });
        if (device?.kind === 'groundPoint') edit.set(device, { jointMilliohm: Number((device.jointMilliohm * factor).toPrecision(3)) });
        break;
      }
      case 'ends':
        edit.set(SETTINGS_ID, { endMilliohm: Number(((index.settings.endMilliohm ?? 0) * factor).toPrecision(3)) });
    }
  }
  return edit.change;
}

function readMoments(vehicle: DesignIndex, moments: readonly Moment[]): number[] {
  return moments.flatMap(({ moved, batteryV, readings }) => readAll(vehicle, moved, batteryV, readings.map(({ what }) => what))); // prettier-ignore
}

/** Loads of the circuits that anything was read in. */
function readLoads({ loads, devices, wires }: DesignIndex, { supply }: Wiring, readings: readonly ReadingRecord[]): string[] {
  const circuitAt = new Map(supply.nodes.map(({ deviceId, circuitId }) => [deviceId, circuitId]));
  const ends = new Map(wires.map((wire) => [wire.id, wire]));
  const read = new Set(
    readings.flatMap(({ what }) => {
      const wire = what.kind === 'amps' ? ends.get(what.wireId) : null;
      const ids = what.kind === 'volts' ? [what.at.deviceId, what.to?.deviceId] : [wire?.from.deviceId, wire?.to.deviceId];
      return ids.flatMap((id) => (id && devices.get(id)?.kind !== 'battery' ? [circuitAt.get(id)] : []));
    }),
  );
  return loads.flatMap(({ id }) => (read.has(circuitAt.get(id)) && circuitAt.get(id) ? [id] : []));
}

function quantitiesIn(index: DesignIndex, { supply, return: back }: Wiring, loadIds: readonly string[]): Quantity[] {
  const isHere = new Set(index.wires.map(({ id }) => id));
  const runs = new Map<string, Set<string>>();
  const addTo = (circuitId: string, wire: Wire | null) => {
    const known = runs.get(circuitId) ?? new Set<string>();
    if (wire && !wire.lengthMeasured && isHere.has(wire.id)) known.add(wire.id);
    runs.set(circuitId, known);
  };
  const circuitOf = new Map<string, string>();
  for (const { deviceId, circuitId, wire } of supply.nodes) {
    if (circuitId === null) continue;
    addTo(circuitId, wire);
    circuitOf.set(deviceId, circuitId);
  }
  for (const loadId of loadIds) {
    const circuitId = circuitOf.get(loadId);
    for (let at = back.at.get(terminalKey(loadId, 'minus')) ?? -1; circuitId && at >= 0; at = back.nodes[at]!.parent) {
      const { deviceId, wire } = back.nodes[at]!;
      if (isReturnJunction(deviceId, index.devices.get(deviceId)?.kind)) break;
      addTo(circuitId, wire);
    }
  }
  const read = new Set(loadIds.map((id) => circuitOf.get(id)));
  const joints = Array.from(index.devices.values()).filter(({ kind }) => kind === 'relay' || kind === 'groundPoint');
  return [
    ...loadIds.map((loadId): Quantity => ({ kind: 'draw', loadId })),
    ...[...runs].flatMap(([circuitId, wires]): Quantity[] => (read.has(circuitId) && wires.size > 0 ? [{ kind: 'run', circuitId, wireIds: [...wires] }] : [])), // prettier-ignore
    ...joints.map(({ id }): Quantity => ({ kind: 'joint', deviceId: id })),
    ...((index.settings.endMilliohm ?? 0) > 0 ? [{ kind: 'ends' } as const] : []),
  ];
}

/** The design with every quantity so many times what is planned. */
function vehicleWith(index: DesignIndex, quantities: readonly Quantity[], logs: readonly number[]): DesignIndex {
  const devices = new Map(index.devices);
  const times = new Map<string, number>();
  let { settings } = index;
  quantities.forEach((quantity, at) => {
    const factor = Math.exp(logs[at]!);
    if (quantity.kind === 'ends') settings = { ...settings, endMilliohm: (settings.endMilliohm ?? 0) * factor };
    else if (quantity.kind === 'run') for (const id of quantity.wireIds) times.set(id, factor);
    else {
      const device = devices.get(quantity.kind === 'draw' ? quantity.loadId : quantity.deviceId)!;
      devices.set(device.id, timesOf(device, factor));
    }
  });
  return {
    ...index,
    devices,
    settings,
    wires: index.wires.map((wire) => (times.has(wire.id) ? { ...wire, lengthMm: wire.lengthMm * times.get(wire.id)! } : wire)),
    loads: index.loads.map((load) => devices.get(load.id) as typeof load),
  };
}

function timesOf(device: Device, factor: number): Device {
  if (device.kind === 'load') return drawing(device, factor);
  if (device.kind === 'relay') return { ...device, contactMilliohm: device.contactMilliohm * factor };
  return device.kind === 'groundPoint' ? { ...device, jointMilliohm: device.jointMilliohm * factor } : device;
}

function rms(values: readonly number[], model: readonly number[], spreads: readonly number[]): number {
  const sum = values.reduce((total, value, row) => total + ((value - model[row]!) / spreads[row]!) ** 2, 0);
  return Math.sqrt(sum / values.length);
}
