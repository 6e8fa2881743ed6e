import type { Load } from '../design/schema';
import { behaviourOf, loadDraw, type LoadBehaviour } from '../devices/load';

/**
 * What an ohmmeter reads of a load with the battery off, as a share of what it has hot and running; null: nothing that can be counted on.
 */
const COLD: Record<LoadBehaviour, number | null> = {
  resistive: 1,
  // Tungsten has a tenth of its hot resistance when cold. Common practice; CRC handbook, from memory: 12 to 15 times at white heat.
  filament: 0.1,
  // A stalled motor draws some six times its running current: its winding alone. Common practice.
  motor: 1 / 6,
  ledStrip: null,
  ledConstantCurrent: null,
  ledConstantPower: null,
  converter: null,
};

/** What a circuit should read from its fuse's outgoing side to the return, battery off and fuse out. */
export interface OhmsExpected {
  /** With every control as it is left: open, or what is always joined; ohm. */
  atRest: number | null;
  /** With everything switched on, ohm; null: only electronics, which a meter reads as anything but nought. */
  allOn: number | null;
  /** Whether some of it is electronics, of which a meter shows a reading that rises or wanders. */
  hasElectronics: boolean;
}

/** @param running loads that run with every control as it is left */
export function ohmsExpected(loads: readonly Load[], running: ReadonlySet<string>): OhmsExpected {
  return {
    atRest: together(loads.filter(({ id }) => running.has(id))),
    allOn: together(loads),
    hasElectronics: loads.some((load) => COLD[behaviourOf(load)] === null),
  };
}

/** What an ohmmeter reads of a load by itself, ohm; null: nothing that can be counted on. */
export function coldOhm(load: Load): number | null {
  const cold = COLD[behaviourOf(load)];
  const { watts, amps } = loadDraw(load);
  return cold === null || amps === 0 || watts === 0 ? null : (watts * cold) / amps ** 2;
}

/** Cold resistances side by side, ohm; null where none can be counted on. */
function together(loads: readonly Load[]): number | null {
  const siemens = loads.reduce((sum, load) => sum + 1 / (coldOhm(load) ?? Infinity), 0);
  return siemens === 0 ? null : 1 / siemens;
}
