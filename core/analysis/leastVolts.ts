import type { DesignIndex } from '../rig/designIndex';
import { lowRestV } from '../energy/battery';
import type { Analysis, LoadAnalysis } from './types';

/** The volts a load is left with when it matters, everything on its way running. */
export interface VoltsLeft {
  /** With the battery rested at its usable depth. */
  lowV: number;
  /** With the engine idling; null where the engine brings the house side nothing. */
  idleV: number | null;
  /** What it needs; null where that is not known. */
  needsV: number | null;
  /** Whether it runs only while the engine does, so that idle is what counts. */
  engineOnly: boolean;
  /** Whether it then has fewer than it needs. */
  starved: boolean;
}

/** What every load of a design is left with; null without a battery. */
export function voltsLeft({ index, idle }: Pick<Analysis, 'index' | 'idle'>): ((entry: LoadAnalysis) => VoltsLeft) | null {
  const { battery, settings } = index;
  if (!battery) return null;
  const lowV = lowRestV(battery, settings.nominalV);
  const driven = drivenLoads(index);
  return ({ id, load, dropV }) => {
    const engineOnly = idle !== null && driven.has(id);
    const needsV = load.cutOutV ?? null;
    const left = { lowV: lowV - dropV, idleV: idle && idle.volts - dropV };
    const starved = needsV !== null && (engineOnly ? left.idleV! : left.lowV) < needsV;
    return { ...left, needsV, engineOnly, starved };
  };
}

/** Loads whose every use is while driving. */
function drivenLoads({ duties }: DesignIndex): Set<string> {
  const driven = new Set<string>();
  for (const { use, loadId } of duties) if (use?.rule === 'driving') driven.add(loadId);
  for (const { use, loadId, hoursPerDay } of duties) {
    if (use ? use.rule !== 'driving' : hoursPerDay > 0) driven.delete(loadId);
  }
  return driven;
}
