import { analyse } from '../core/analysis/analyse';
import { propose } from '../core/advice/propose';
import { MEASURES } from '../core/advice/proposal';
import { USUAL_PRICES } from '../core/advice/prices';
import { compareWays } from '../core/advice/ways/compareWays';
import { marl } from '../demo/marl';

/** Circuits of one zone whose ways are laid side by side. */
const WAYS_FOR = 6;

/** Proposals: how the time grows with circuits. Arguments: numbers of circuits, each a row. */
const rows = process.argv.slice(2).map(Number);
console.log(JSON.stringify(rows.map(timed)));

function timed(circuits: number) {
  const analysis = analyse(marl(circuits));
  const times = MEASURES.map((measure) => {
    const ask = () => {
      let rounds = 0;
      const start = performance.now();
      const proposal = propose(analysis, { circuitIds: null, measure, prices: USUAL_PRICES }, () => {
        rounds += 1;
        return true;
      })!;
      return { ms: performance.now() - start, rounds, kept: proposal.after / proposal.before };
    };
    return [measure, [ask(), ask(), ask()].sort((a, b) => a.ms - b.ms)[1]!] as const;
  });
  const some = analysis.circuits.slice(0, WAYS_FOR).map(({ id }) => id);
  const start = performance.now();
  const ways = compareWays(analysis, { circuitIds: some, measure: 'cost', prices: USUAL_PRICES, trunkMm: null });
  const waysMs = performance.now() - start;
  return {
    circuits,
    ...Object.fromEntries(
      times.flatMap(([measure, { ms, rounds, kept }]) => [
        [`${measure}, ms`, Math.round(ms)],
        [`${measure}, rounds`, rounds],
        [`${measure}, of before`, Number(kept.toFixed(2))],
      ]),
    ),
    [`ways for ${WAYS_FOR}, ms`]: Math.round(waysMs),
    ways: ways.length,
  };
}
