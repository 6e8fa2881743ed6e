import Papa from 'papaparse';
import type { Truth } from '../bench/truth';
import type { Design } from '../design/design';
import { truthRows } from '../wording/benchWords';
import { safeCell } from './safeCell';

/** A load's truth table, a line each way: what influences it, whether it is lit, and what is wished. */
export function writeTruthCsv(design: Design, truth: Truth): string {
  return `${Papa.unparse(
    truthRows(design, truth).map((row) => row.map(safeCell)),
    { newline: '\r\n' },
  )}\r\n`;
}
