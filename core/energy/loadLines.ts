import type { DesignIndex } from '../rig/designIndex';
import type { Load } from '../design/schema';
import { behaviourOf, loadDraw } from '../devices/load';
import { dutiesByLoad, dutyDraw } from './draw';
import { settingDay, type Setting } from './setting';
import { addSwitchedOn, fillShares } from './use';

/** What a set of loads asks for step by step, by how its current follows the voltage: W, A and S. */
export interface Demand {
  watts: Float64Array;
  amps: Float64Array;
  siemens: Float64Array;
}

/** One load as a scenario uses it, step by step. */
export interface LoadLine {
  load: Load;
  /** While it runs, at the voltage it is rated at. */
  watts: number;
  amps: number;
  atV: number;
  /** Off, and everything counted in it. */
  standbyA: number;
  /** Share of each step it runs. */
  shares: Float32Array;
}

/**
 * Every load of a scenario, and every part that draws by itself, over some days of it, from its first or a later one; duties of one load's
 * several levels are lines of their own.
 */
export function loadLines(
  index: Pick<DesignIndex, 'duties' | 'loads' | 'ownDraws'> & Partial<Pick<DesignIndex, 'vehicleFed' | 'coils'>>,
  scenarioId: string,
  setting: Setting,
  days: number,
  stepsPerDay: number,
  fromDay = 0,
): LoadLine[] {
  const calendar = Array.from({ length: days }, (_, day) => settingDay(setting, fromDay + day));
  const duties = dutiesByLoad(index.duties, scenarioId);
  const lines: LoadLine[] = [];
  for (const load of [...index.loads, ...index.ownDraws]) {
    if (index.vehicleFed?.has(load.id)) continue;
    const own = duties.get(load.id) ?? [];
    const whole = loadDraw(load);
    const atV = (load.measured?.draw ?? load.rated).atV;
    own.forEach((duty, place) => {
      const { watts, amps } = dutyDraw(load, whole, duty);
      const shares = new Float32Array(days * stepsPerDay);
      calendar.forEach((day, at) => fillShares(shares, at * stepsPerDay, stepsPerDay, { load, duty, watts }, setting, day));
      lines.push({ load, watts, amps, atV, standbyA: place === 0 ? (load.standbyA ?? 0) : 0, shares });
    });
    if (own.length === 0 && load.standbyA) {
      lines.push({ load, watts: 0, amps: 0, atV, standbyA: load.standbyA, shares: new Float32Array(days * stepsPerDay) });
    }
  }
  for (const { part, loadIds } of index.coils ?? []) {
    const shares = new Float32Array(days * stepsPerDay);
    for (const id of loadIds) {
      const on = new Float32Array(days * stepsPerDay);
      for (const duty of index.vehicleFed?.has(id) ? [] : (duties.get(id) ?? []))
        calendar.forEach((day, at) => addSwitchedOn(on, at * stepsPerDay, stepsPerDay, duty, setting, day));
      on.forEach((share, at) => (shares[at] = Math.max(shares[at]!, share)));
    }
    const { watts, amps } = loadDraw(part);
    if (shares.some((share) => share > 0)) lines.push({ load: part, watts, amps, atV: part.rated.atV, standbyA: 0, shares });
  }
  return lines;
}

/** What is drawn at a step at a voltage, A. */
export function drawnA({ watts, amps, siemens }: Demand, at: number, volts: number): number {
  return watts[at]! / volts + amps[at]! + siemens[at]! * volts;
}

/**
 * What lines ask for together. Lamps behind drivers and converters take constant power, regulated currents stay, the rest follows the
 * voltage.
 */
export function demandOfLines(lines: readonly LoadLine[], steps: number): Demand {
  const demand: Demand = { watts: new Float64Array(steps), amps: new Float64Array(steps), siemens: new Float64Array(steps) };
  for (const { load, watts, amps, atV, standbyA, shares } of lines) {
    const [into, each] = lawOf(load, watts, amps, atV, demand);
    if (each > 0) for (let step = 0; step < steps; step++) into[step]! += each * shares[step]!;
    if (standbyA > 0) for (let step = 0; step < steps; step++) demand.amps[step]! += standbyA * (1 - shares[step]!);
  }
  return demand;
}

function lawOf(load: Load, watts: number, amps: number, atV: number, demand: Demand): [Float64Array, number] {
  const follows = followsOf(load);
  return [demand[follows], follows === 'watts' ? watts : follows === 'amps' ? amps : amps / atV];
}

/** What of a load stays as the voltage moves: its power, its current, or its resistance. */
function followsOf(load: Load): keyof Demand {
  switch (behaviourOf(load)) {
    case 'ledConstantPower':
    case 'converter':
      return 'watts';
    case 'ledConstantCurrent':
    case 'motor':
      return 'amps';
    case 'resistive':
    case 'filament':
    case 'ledStrip':
      return 'siemens';
  }
}

/** What a whole load draws while it runs, at a voltage, A. */
export function ampsAt(load: Load, volts: number): number {
  const { watts, amps } = loadDraw(load);
  const follows = followsOf(load);
  if (follows === 'amps') return amps;
  return follows === 'watts' ? watts / volts : (amps * volts) / (load.measured?.draw ?? load.rated).atV;
}
