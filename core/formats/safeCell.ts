import Papa from 'papaparse';

/** Rows of words as CSV, none of which runs in a spreadsheet. */
export function writeRows(rows: readonly (readonly string[])[]): string {
  return `${Papa.unparse(
    rows.map((row) => row.map(safeCell)),
    { newline: '\r\n' },
  )}\r\n`;
}

/** A cell that a spreadsheet would run as a formula is written as text. */
export function safeCell(text: string): string {
  return RUNS.test(text) ? `'${text}` : text;
}

/** A cell as it was before safeCell wrote it. */
export function plainCell(text: string): string {
  return text.startsWith("'") && RUNS.test(text.slice(1)) ? text.slice(1) : text;
}

/**
 * What a spreadsheet takes for the beginning of a formula, in full width too, and after a tab or a return. Source: OWASP, CSV injection
 * (from memory).
 */
const RUNS = /^[=+\-@\uff1d\uff0b\uff0d\uff20\t\r\n]/;
