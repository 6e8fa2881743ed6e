import type { GroupTruth } from '../bench/truth';
import type { Design } from '../design/design';
import { groupTruthRows, truthHeads } from '../wording/benchWords';
import { writeRows } from './safeCell';

/** A truth table of some loads, a line each way: what influences them, whether each is lit, and what is wished. */
export function writeTruthCsv(design: Design, truth: GroupTruth, loadIds: readonly string[]): string {
  return writeRows(groupTruthRows(design, truth, truthHeads(design, loadIds)));
}
