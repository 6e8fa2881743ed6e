import { heron } from '../demo/heron';
import { BOARDS } from '../core/practise/boards';
import { bestWay } from '../core/practise/bestWay';
import type { Hunt, LeadMode } from '../core/practise/hunt';
import { HuntBench } from '../core/practise/huntBench';
import { randomHunt } from '../core/practise/randomHunt';

/**
 * Fault hunts: milliseconds from a lead put down to what the meter says, over every terminal of every ready board and of Heron, and until
 * the finder's way is known.
 */
function main(): void {
  const own = randomHunt(heron(), 3)!;
  console.log(JSON.stringify([...BOARDS, { ...own, id: 'Heron' }].map(timed)));
}

function timed(hunt: Hunt) {
  const bench = new HuntBench(hunt);
  const black = { deviceId: bench.plan.battery!.id, terminal: 'minus' };
  const read = (mode: LeadMode) =>
    bench.reachable().map((red) => {
      const begun = performance.now();
      bench.do({ kind: 'meter', mode, red, black });
      return performance.now() - begun;
    });
  const volts = read('volts');
  bench.do({ kind: 'isolate', off: true });
  const ohms = read('ohms');
  const begun = performance.now();
  const way = bestWay(hunt);
  const most = (times: readonly number[]) => Number(Math.max(...times).toFixed(2));
  return { board: hunt.id, 'volts, most ms': most(volts), 'ohms, most ms': most(ohms), 'way, ms': Math.round(performance.now() - begun), 'acts of the way': way.steps.length }; // prettier-ignore
}

main();
