/**
 * How much a random test tries. `TEST_SHARE` is the share of its usual number of runs: `npm test -- --quick` takes a fraction, `npm run
 * night` several times as many, with a seed of its own each night (`TEST_SEED`), printed, so that what it finds can be found again.
 */

const SHARE = Number(process.env.TEST_SHARE ?? 1);
const SHIFT = Number(process.env.TEST_SEED ?? 0);

/** Whether a run tries at least as much as usual: only then must every branch have been met. */
export const IS_WHOLE_RUN = SHARE >= 1;

/** How many runs a test makes of those it usually makes. */
export function runs(usual: number): number {
  return Math.max(1, Math.round(usual * SHARE));
}

/** A test’s seed: the same in every usual run, another at night. */
export function seedOf(usual: number): number {
  return usual + SHIFT;
}
