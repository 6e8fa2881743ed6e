import { Bench } from '../core/bench/bench';
import type { Finder, Measurement, Observed, Reading } from '../core/diagnosis/diagnose';
import type { Moved } from '../core/diagnosis/foresee';
import { sameRepair, withFlaws, type Flaw } from '../core/diagnosis/flaws';
import type { DesignIndex } from '../core/rig/designIndex';

/** How a hunt for one fault went. */
export interface Hunt {
  /** Measurements taken until it was named. */
  measured: number;
  /** Whether what was named first is the fault, or one that reads the same everywhere. */
  isFound: boolean;
  named: Flaw;
}

/** The vehicle with faults in it, as a meter sees it: every reading has the meter's own error. */
export class Vehicle {
  private readonly bench: Bench;

  constructor(
    private readonly index: DesignIndex,
    flaws: readonly Flaw[],
    moved: readonly Moved[],
    private readonly noise: () => number,
  ) {
    const flawed = withFlaws(index, flaws);
    this.bench = new Bench(flawed.index);
    for (const [deviceId, controls] of flawed.held)
      for (const [control, value] of Object.entries(controls)) this.bench.set(deviceId, control, value);
    for (const { mover, position } of moved)
      if (mover.kind === 'device' && flawed.held.get(mover.deviceId)?.[mover.control] === undefined)
        this.bench.do({ kind: 'move', mover, position });
  }

  level(loadId: string): number {
    return this.bench.answer.loads.find(({ id }) => id === loadId)?.level ?? 0;
  }

  loadVolts(loadId: string): number {
    return this.bench.answer.loads.find(({ id }) => id === loadId)?.volts ?? 0;
  }

  read(what: Measurement): Reading {
    const error = (value: number) => value * (1 + 0.01 * this.noise()) + 0.01 * this.noise();
    if (what.kind === 'amps') return { ...what, value: error(this.bench.clamp(what.wireId) ?? 0) };
    const to = what.to ?? { deviceId: this.index.battery!.id, terminal: 'minus' };
    return { ...what, value: error(this.bench.volts(what.at, to) ?? 0) };
  }

  get batteryV(): number {
    const { id } = this.index.battery!;
    return this.bench.volts({ deviceId: id, terminal: 'plus' }, { deviceId: id, terminal: 'minus' }) ?? 0;
  }
}

export const DOES = (level: number) => (level >= 0.8 ? 'on' : level >= 0.02 ? 'dim' : 'off');

/**
 * Hunts one fault: the complaint, then the best next measurement again and again until one fault is nine times as likely as all others
 * together.
 * @returns null where the fault shows in nothing: nobody would look for it
 */
export function hunt(index: DesignIndex, finder: Finder, moved: readonly Moved[], flaw: Flaw, noise: () => number): Hunt | null {
  const vehicle = new Vehicle(index, [flaw], moved, noise);
  const sound = new Vehicle(index, [], moved, () => 0);
  const seen = finder.loadIds.map((id) => ({ loadId: id, does: DOES(vehicle.level(id)) }) as const);
  const shows = seen.some(({ loadId: id, does }) => does !== DOES(sound.level(id)));
  if (!shows) return null;
  const { named, measured } = nameOne(finder, vehicle, seen);
  return { measured, named, isFound: isSame(named, flaw, index, moved) };
}

/** Measurements before one would give up. */
const MOST_MEASURED = 14;

/** Follows the best next measurement until one fault is nine times as likely as all others together. */
export function nameOne(finder: Finder, vehicle: Vehicle, seen: Observed['seen']): { named: Flaw; measured: number } {
  const readings: Reading[] = [];
  for (;;) {
    const { ranked, next } = finder.diagnose({ batteryV: vehicle.batteryV, seen, readings });
    const [first] = ranked;
    const isSure = first!.probability > 0.9 || next.length === 0 || readings.length === MOST_MEASURED;
    if (isSure) return { named: first!.flaw, measured: readings.length };
    readings.push(vehicle.read(next[0]!.what));
  }
}

/** One repair, or two that read the same at every terminal there is, in this state. */
function isSame(named: Flaw, flaw: Flaw, index: DesignIndex, moved: readonly Moved[]): boolean {
  return sameRepair(named) === sameRepair(flaw) || isSameEverywhere(index, moved, [named], [flaw]);
}

/** Whether no meter tells one vehicle from another. */
export function isSameEverywhere(index: DesignIndex, moved: readonly Moved[], some: readonly Flaw[], others: readonly Flaw[]): boolean {
  const [one, other] = [some, others].map((flaws) => new Vehicle(index, flaws, moved, () => 0));
  const terminals = index.wires.flatMap(({ from, to }) => [from, to]);
  return (
    terminals.every((at) => Math.abs(volts(one!, at) - volts(other!, at)) < 0.12) &&
    index.wires.every(({ id }) => Math.abs(amps(one!, id) - amps(other!, id)) < 0.06)
  );
}

const volts = (vehicle: Vehicle, at: { deviceId: string; terminal: string }) => vehicle.read({ kind: 'volts', at, to: null }).value;
const amps = (vehicle: Vehicle, wireId: string) => vehicle.read({ kind: 'amps', wireId }).value;
