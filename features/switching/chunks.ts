/**
 * So many rows are drawn, or left alone, together: what is out of sight costs nothing, and where nothing changed nobody asks row by row.
 */
const ROWS = 16;

/** A list in parts of a few rows, in its order. */
export function inChunks<T>(list: readonly T[]): T[][] {
  return Array.from({ length: Math.ceil(list.length / ROWS) }, (_, at) => list.slice(at * ROWS, (at + 1) * ROWS));
}
