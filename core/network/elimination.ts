import type { Branches } from './branches';
import type { EliminationOrder } from './ordering';

/**
 * A symmetric sparse system, factorised as L D Lᵀ without pivoting (it is a conductance matrix, so it needs none).
 * Everything about where numbers go is worked out once; factorising and solving then run through flat arrays and allocate
 * nothing. Source: the method, A. George and J. Liu, Computer Solution of Large Sparse Positive Definite Systems (1981).
 */
export class Elimination {
  readonly count: number;
  /**
   * Diagonal and below-diagonal values by step, to be filled with the matrix and then factorised in place: the diagonal then holds one over
   * each pivot.
   */
  readonly diagonal: Float64Array;
  readonly lower: Float64Array;
  private readonly start: Int32Array;
  private readonly row: Int32Array;
  /** For each pair of entries in a column, where their product goes. */
  private readonly target: Int32Array;
  private readonly targetStart: Int32Array;
  private readonly place = new Map<number, number>();
  private readonly steadySteps: number;
  private readonly keptDiagonal: Float64Array;
  private readonly keptLower: Float64Array;

  constructor(readonly order: EliminationOrder) {
    const { joined } = order;
    const count = joined.length;
    this.count = count;
    this.steadySteps = order.steadySteps;
    this.start = new Int32Array(count + 1);
    this.targetStart = new Int32Array(count + 1);
    joined.forEach((rows, column) => {
      this.start[column + 1] = this.start[column]! + rows.length;
      this.targetStart[column + 1] = this.targetStart[column]! + (rows.length * (rows.length - 1)) / 2;
    });
    this.row = new Int32Array(this.start[count]!);
    this.target = new Int32Array(this.targetStart[count]!);
    joined.forEach((rows, column) =>
      rows.forEach((row, at) => {
        this.row[this.start[column]! + at] = row;
        this.place.set(column * count + row, this.start[column]! + at);
      }),
    );
    let next = 0;
    for (const rows of joined) {
      for (let p = 0; p < rows.length; p++) {
        for (let q = p + 1; q < rows.length; q++) this.target[next++] = this.place.get(rows[p]! * count + rows[q]!)!;
      }
    }
    this.diagonal = new Float64Array(count);
    this.lower = new Float64Array(this.row.length);
    this.keptDiagonal = new Float64Array(count);
    this.keptLower = new Float64Array(this.row.length);
  }

  /** Where the entry joining the unknowns of two steps is kept in `lower`. */
  placeOf(a: number, b: number): number {
    return this.place.get(a < b ? a * this.count + b : b * this.count + a)!;
  }

  /** Adds branches' conductances, siemens, to the entries of their ends. */
  addConductances({ a, b, place }: Pick<Branches, 'a' | 'b' | 'place'>, siemens: Float64Array): void {
    const { diagonal, lower, count } = this;
    for (let at = 0; at < siemens.length; at++) {
      const from = a[at]!;
      const to = b[at]!;
      if (from === to) continue;
      const g = siemens[at]!;
      if (from < count) diagonal[from]! += g;
      if (to < count) diagonal[to]! += g;
      if (place[at]! >= 0) lower[place[at]!]! -= g;
    }
  }

  /** Takes the filled-in matrix as the steady part and does the steady steps of it. */
  keep(): void {
    this.eliminate(0, this.steadySteps);
    this.keptDiagonal.set(this.diagonal);
    this.keptLower.set(this.lower);
  }

  /** Goes back to the kept steady part, to have changing conductances added again. */
  restore(): void {
    this.diagonal.set(this.keptDiagonal);
    this.lower.set(this.keptLower);
  }

  /** Does the remaining steps. */
  factorise(): void {
    this.eliminate(this.steadySteps, this.count);
  }

  private eliminate(from: number, to: number): void {
    const { diagonal, lower, row, start, target, targetStart } = this;
    for (let column = from; column < to; column++) {
      const end = start[column + 1]!;
      const pivot = 1 / diagonal[column]!;
      let next = targetStart[column]!;
      for (let p = start[column]!; p < end; p++) {
        const value = lower[p]!;
        const share = value * pivot;
        diagonal[row[p]!]! -= share * value;
        for (let q = p + 1; q < end; q++) lower[target[next++]!]! -= share * lower[q]!;
        lower[p] = share;
      }
      diagonal[column] = pivot;
    }
  }

  /** Solves in place for a right side given by step. */
  solve(x: Float64Array): void {
    const { count, diagonal, lower, row, start } = this;
    for (let column = 0; column < count; column++) {
      const value = x[column]!;
      if (value !== 0) for (let p = start[column]!; p < start[column + 1]!; p++) x[row[p]!]! -= lower[p]! * value;
    }
    for (let column = count - 1; column >= 0; column--) {
      let value = x[column]! * diagonal[column]!;
      for (let p = start[column]!; p < start[column + 1]!; p++) value -= lower[p]! * x[row[p]!]!;
      x[column] = value;
    }
  }
}
