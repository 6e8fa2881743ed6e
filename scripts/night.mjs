import { install, run } from './setup.mjs';

/**
 * `npm run night`: the unit tests with four times the random runs, from a seed of its own, printed so that what it finds can be found again
 * with TEST_SEED.
 */
const seed = process.env.TEST_SEED ?? String(Math.floor(Date.now() / 86_400_000) * 1000);
console.log(`TEST_SEED=${seed}`);
install();
run('npx', ['jest', '--maxWorkers', '2', '--testTimeout', '120000'], { TEST_SEED: seed, TEST_SHARE: process.env.TEST_SHARE ?? '4' });
