import type { Analysis } from '../analysis/types';
import type { Change } from '../design/change';
import type { Design } from '../design/design';
import { Edit } from '../design/edit';
import type { Duty, Load } from '../design/schema';
import { behaviourOf } from '../devices/load';
import { thermostatShare } from '../energy/use';

/** One thing to try: a lamp's dim level, a fridge's or heater's setting, or how much of its hours anything else runs. */
export interface Trial {
  loadId: string;
  name: string;
  kind: 'level' | 'setC' | 'share';
  /** As it is now, percent or °C. */
  value: number;
  least: number;
  most: number;
}

/** How far a thermostat may be moved to try, K. */
const MOST_K = 8;
const DIMMABLE = new Set(['filament', 'ledConstantCurrent', 'ledConstantPower', 'ledStrip']);

/** The scenario's largest users, each with what can be turned down about it. */
export function trialsOf({ scenario, loads, index }: Analysis, count: number): Trial[] {
  if (!scenario) return [];
  return Array.from(scenario.loads)
    .filter(([, { wattHours, standbyWh }]) => wattHours > standbyWh)
    .sort(([, a], [, b]) => b.wattHours - a.wattHours)
    .slice(0, count)
    .flatMap(([loadId]) => {
      const entry = loads.get(loadId);
      const duty = index.duties.find((one) => one.loadId === loadId && one.scenarioId === scenario.id);
      // A coil runs as long as what it switches: there is nothing to turn down about it.
      return entry && duty ? [trialOf(entry.load, duty)] : [];
    });
}

function trialOf(load: Load, duty: Duty): Trial {
  const named = { loadId: load.id, name: load.name };
  if (load.thermostat) {
    const { setC, atC, mode } = load.thermostat;
    // Never as far as the air its share is known in: there it would not run at all.
    const warmer = Math.max(setC, Math.min(setC + MOST_K, atC - 1));
    const cooler = Math.min(setC, Math.max(setC - MOST_K, atC + 1));
    return { ...named, kind: 'setC', value: setC, least: mode === 'cools' ? setC : cooler, most: mode === 'cools' ? warmer : setC };
  }
  if (DIMMABLE.has(behaviourOf(load))) return { ...named, kind: 'level', value: duty.levelPercent ?? 100, least: 0, most: 100 };
  return { ...named, kind: 'share', value: duty.sharePercent, least: 0, most: 100 };
}

/** The change that makes trials so. `values` by load: percent or °C, as the trial's kind says. */
export function trialChange(design: Design, scenarioId: string, trials: readonly Trial[], values: ReadonlyMap<string, number>): Change {
  const edit = new Edit(design);
  for (const { loadId, kind } of trials) {
    const value = values.get(loadId);
    if (value === undefined) continue;
    if (kind === 'setC') {
      const load = design.records.get(loadId) as Load;
      if (load.thermostat) edit.set(loadId, { thermostat: setTo(load.thermostat, value) });
      continue;
    }
    for (const record of design.records.values()) {
      if (record.type !== 'duty' || record.loadId !== loadId || record.scenarioId !== scenarioId) continue;
      edit.set(record, kind === 'level' ? { levelPercent: value } : { sharePercent: value });
    }
  }
  return edit.change;
}

/** A thermostat set to another temperature: the share it runs follows the difference it now holds. See thermostatShare. */
export function setTo(thermostat: NonNullable<Load['thermostat']>, setC: number): NonNullable<Load['thermostat']> {
  const { mode, atC } = thermostat;
  // The same wall, so the share at the old setting in air as much warmer or colder.
  const sharePercent = thermostatShare(thermostat, atC - setC + thermostat.setC) * 100;
  return { mode, atC, setC, sharePercent: Math.round(sharePercent * 100) / 100, whPerOpening: thermostat.whPerOpening };
}
