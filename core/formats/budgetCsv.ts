import Papa from 'papaparse';
import type { Analysis } from '../analysis/types';
import { BUDGET_BY, budgetRows } from '../advice/budgetTable';
import { safeCell } from './safeCell';

/** Every scenario's budget by load, by zone and by circuit, a line each: to be sorted and summed in a spreadsheet. */
export function writeBudgetCsv(analysis: Analysis): string {
  const rows = analysis.scenarios.flatMap((scenario) =>
    BUDGET_BY.flatMap((by) =>
      budgetRows(analysis, scenario, by).map(({ name, wattHours, ampHours, standbyWh, sharePercent }) => ({
        scenario: safeCell(scenario.name),
        by,
        name: safeCell(name),
        'Wh a day': wattHours.toFixed(1),
        'Ah a day': ampHours.toFixed(2),
        'standing by, Wh': standbyWh.toFixed(1),
        'percent of the day': sharePercent.toFixed(1),
      })),
    ),
  );
  return `${Papa.unparse(rows, { newline: '\r\n' })}\r\n`;
}
