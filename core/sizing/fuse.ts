/** Share of a fuse's rating that a load running for hours may draw: 80 %, so a fuse is at least 125 % of it. Origin: NEC. */
export const CONTINUOUS_FACTOR = 1.25;

/** The least rating a fuse needs for its loads, in amperes: 125 % of what runs for hours and all that can run at once. */
export function leastFuseA(continuousA: number, peakA: number): number {
  return Math.max(continuousA * CONTINUOUS_FACTOR, peakA);
}

/**
 * The smallest standard rating that carries the loads and does not exceed what the conductor carries; null when there is
 * none, and the conductor must grow. Ratings ascend; `mostA` is the conductor's ampacity or a smaller limit such as the slot's.
 */
export function chooseFuse(continuousA: number, peakA: number, mostA: number, ratings: readonly number[]): number | null {
  const leastA = leastFuseA(continuousA, peakA);
  const rating = ratings.find((candidate) => candidate >= leastA - 1e-9);
  return rating !== undefined && rating <= mostA + 1e-9 ? rating : null;
}
