/** Beyond so many spreads a row weighs less, as far as it lies off. Huber 1964. */
const HUBER = 2;

/** What values are likeliest, and how sure each is. */
export interface Likeliest {
  values: number[];
  /** One standard spread of each. */
  spreads: number[];
}

/**
 * One step of least squares about where one stands, each value drawn to nought by its own spread.
 * @param slopes by value, how each row follows it, in spreads of the row
 * @param off by row, how far it lies off, in its spreads
 * @param from where one stands
 * @param own spread of each value before anything is known
 */
export function leastSquares(
  slopes: readonly (readonly number[])[],
  off: readonly number[],
  from: readonly number[],
  own: readonly number[],
): Likeliest {
  // prettier-ignore
  const weight = off.map((value) => Math.min(1, HUBER / Math.max(1e-12, Math.abs(value))));
  const normal = slopes.map((one, i) =>
    slopes.map((other, j) => one.reduce((sum, slope, row) => sum + weight[row]! * slope * other[row]!, i === j ? 1 / own[i]! ** 2 : 0)),
  );
  // The rows are taken about nought, so that the pull to it is counted from there.
  const right = slopes.map((one) =>
    one.reduce((sum, slope, row) => {
      const about = off[row]! + slopes.reduce((total, other, j) => total + other[row]! * from[j]!, 0);
      return sum + weight[row]! * slope * about;
    }, 0),
  );
  const inverse = inverted(normal);
  return {
    values: inverse.map((line) => line.reduce((sum, entry, j) => sum + entry * right[j]!, 0)),
    spreads: inverse.map((line, i) => Math.sqrt(Math.max(0, line[i]!))),
  };
}

/** The inverse of a positive definite matrix, by Gauss and Jordan. */
function inverted(matrix: readonly (readonly number[])[]): number[][] {
  const size = matrix.length;
  const rows = matrix.map((line, i) => [...line, ...Array.from({ length: size }, (_, j) => Number(i === j))]);
  for (let at = 0; at < size; at++) {
    const pivot = rows[at]![at]!;
    rows[at] = rows[at]!.map((entry) => entry / pivot);
    for (let other = 0; other < size; other++) {
      const times = rows[other]![at]!;
      if (other !== at && times !== 0) rows[other] = rows[other]!.map((entry, j) => entry - times * rows[at]![j]!);
    }
  }
  return rows.map((line) => line.slice(size));
}
