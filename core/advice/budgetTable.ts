import type { Analysis } from '../analysis/types';
import { recordOf } from '../design/design';
import { nameOf } from '../design/names';
import type { ScenarioBudget } from '../energy/budget';

export const BUDGET_BY = ['load', 'zone', 'circuit'] as const;
export type BudgetBy = (typeof BUDGET_BY)[number];

/** One line of a scenario's budget, of a load or of all the loads of a zone or a circuit together. */
export interface BudgetRow {
  /** Null for what is in no zone or on no circuit. */
  id: string | null;
  name: string;
  wattHours: number;
  ampHours: number;
  /** The part of it drawn while off. */
  standbyWh: number;
  /** Of the scenario's day. */
  sharePercent: number;
}

/** A scenario's day by load, by zone or by circuit, the largest first; what uses nothing is left out. */
export function budgetRows({ loads, design, wiring }: Analysis, scenario: ScenarioBudget, by: BudgetBy): BudgetRow[] {
  const rows = new Map<string | null, BudgetRow>();
  for (const [loadId, use] of scenario.loads) {
    const entry = loads.get(loadId);
    const zoneId = entry ? entry.load.zoneId : (recordOf(design, loadId, 'device')?.zoneId ?? null);
    // A part that draws by itself is in the circuit that feeds it.
    const circuitId = entry ? entry.circuitId : (wiring.supply.nodes.find(({ deviceId }) => deviceId === loadId)?.circuitId ?? null);
    const id = by === 'load' ? loadId : by === 'zone' ? zoneId : circuitId;
    const row = rows.get(id) ?? { id, name: nameOfRow(id, by, design), wattHours: 0, ampHours: 0, standbyWh: 0, sharePercent: 0 };
    row.wattHours += use.wattHours;
    row.ampHours += use.ampHours;
    row.standbyWh += use.standbyWh;
    rows.set(id, row);
  }
  const list = Array.from(rows.values()).sort((a, b) => b.wattHours - a.wattHours);
  for (const row of list) row.sharePercent = (row.wattHours / scenario.dailyWh) * 100;
  return list;
}

function nameOfRow(id: string | null, by: BudgetBy, design: Analysis['design']): string {
  if (id !== null) return nameOf(design, id);
  return by === 'zone' ? 'In no zone' : 'On no circuit';
}

/** What measuring, dimming and switching off are worth for one line of a scenario, Wh a day. */
export interface LoadSavings {
  /** Rated less measured, over the same hours; null where nothing was measured. */
  measuredWh: number | null;
  /** Saved by the dim level it is set to. */
  dimmedWh: number;
  /** What it would cost more a day, left on by mistake; null for what a thermostat switches. */
  leftOnWh: number | null;
}

export function loadSavings({ loads, index }: Analysis, scenario: ScenarioBudget, loadId: string): LoadSavings {
  const entry = loads.get(loadId);
  // A part that draws by itself is neither dimmed nor left on.
  if (!entry) return { measuredWh: null, dimmedWh: 0, leftOnWh: null };
  const { load, draw } = entry;
  const use = scenario.loads.get(loadId);
  const runningWh = (use?.wattHours ?? 0) - (use?.standbyWh ?? 0);
  const levels = index.duties.filter((duty) => duty.loadId === loadId && duty.scenarioId === scenario.id && !duty.level);
  const level = levels[0]?.levelPercent ?? 100;
  return {
    measuredWh: load.measured && draw.watts > 0 ? runningWh * (draw.ratedWatts / draw.watts - 1) : null,
    dimmedWh: level > 0 && level < 100 ? runningWh * (100 / level - 1) : 0,
    leftOnWh: load.thermostat ? null : Math.max(0, draw.watts * 24 - (use?.wattHours ?? 0)),
  };
}
