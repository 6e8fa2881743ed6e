import type { DutyBranches } from './branches';
import type { Elimination } from './elimination';

/**
 * A pulse-width dimmer's current follows its source's voltage less than its lamp's, which no symmetric matrix says: i = g (va - vb - (1 -
 * d) (va - vc)), of which the matrix has g (va - vb). What is missing is one product of two vectors a dimmer, and is counted in after the
 * elimination (Sherman, Morrison 1950; Woodbury 1950), so that the step is Newton's own: without it the search creeps where the way to the
 * dimmer is not stiff, and ends nowhere where it is cut off.
 */
export class DutySteps {
  /** What each dimmer's missing current moves, and how the missing currents move one another. */
  private readonly moved: Float64Array[];
  private readonly common: Int32Array;

  /** @param unknown of each node; those past the last, or inside a chain, move nothing */
  constructor(
    private readonly duties: DutyBranches,
    unknown: Int32Array,
    private readonly count: number,
  ) {
    this.moved = Array.from(duties.a, () => new Float64Array(count));
    this.common = Int32Array.from(duties.common, (node) => unknown[node]!);
  }

  /** Turns the step of the symmetric matrix, factorised, into Newton's. */
  correct(system: Elimination, step: Float64Array): void {
    const { a, b, share } = this.duties;
    if (!share.some((one) => one < 1)) return;
    const active = Array.from(share.keys()).filter((at) => share[at]! < 1);
    for (const at of active) {
      const column = this.moved[at]!;
      column.fill(0);
      if (this.isFree(a[at]!)) column[a[at]!]! += 1;
      if (this.isFree(b[at]!)) column[b[at]!]! -= 1;
      system.solve(column);
    }
    const matrix = active.map((row) => active.map((column) => (row === column ? 1 : 0) + this.missing(row, this.moved[column]!)));
    const weights = solved(matrix, active.map((row) => this.missing(row, step))); // prettier-ignore
    active.forEach((at, place) => {
      const column = this.moved[at]!;
      for (let unknown = 0; unknown < step.length; unknown++) step[unknown]! -= weights[place]! * column[unknown]!;
    });
  }

  /** The current a dimmer has less than the matrix takes it to, for a step. */
  private missing(at: number, step: Float64Array): number {
    const { a, siemens, share } = this.duties;
    const of = (unknown: number) => (this.isFree(unknown) ? step[unknown]! : 0);
    return -(1 - share[at]!) * siemens[at]! * (of(a[at]!) - of(this.common[at]!));
  }

  private isFree(unknown: number): boolean {
    return unknown >= 0 && unknown < this.count;
  }
}

/** Gauss's elimination with pivoting, of as many equations as there are dimmers. */
function solved(matrix: number[][], right: number[]): number[] {
  const size = right.length;
  const rows = matrix.map((row, at) => [...row, right[at]!]);
  for (let column = 0; column < size; column++) {
    let pivot = column;
    for (let row = column + 1; row < size; row++) if (Math.abs(rows[row]![column]!) > Math.abs(rows[pivot]![column]!)) pivot = row;
    [rows[column], rows[pivot]] = [rows[pivot]!, rows[column]!];
    for (let row = column + 1; row < size; row++) {
      const factor = rows[row]![column]! / rows[column]![column]!;
      for (let at = column; at <= size; at++) rows[row]![at]! -= factor * rows[column]![at]!;
    }
  }
  const answer = new Array<number>(size).fill(0);
  for (let row = size - 1; row >= 0; row--) {
    let sum = rows[row]![size]!;
    for (let at = row + 1; at < size; at++) sum -= rows[row]![at]! * answer[at]!;
    answer[row] = sum / rows[row]![row]!;
  }
  return answer;
}
