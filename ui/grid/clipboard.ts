import Papa from 'papaparse';
import { plainCell, safeCell } from '@/core/formats/safeCell';

/**
 * Cells as a spreadsheet's clipboard wants them: tabs between, a line each, quotes where a cell holds either, none that would run as a
 * formula.
 */
export function blockText(block: string[][]): string {
  return Papa.unparse(
    block.map((line) => line.map(safeCell)),
    { delimiter: '\t', newline: '\n' },
  );
}

/** A spreadsheet's clipboard as cells. A last empty line is no row. */
export function parseBlock(text: string): string[][] {
  const { data } = Papa.parse<string[]>(text.replace(/\r?\n$/, ''), { delimiter: '\t' });
  return data.filter((line) => line.length > 1 || line[0] !== '').map((line) => line.map((cell) => plainCell(cell.trim())));
}
