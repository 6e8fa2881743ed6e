import { analyse } from '../core/analysis/analyse';
import { applyChange, updateRecords } from '../core/design/change';
import { recordsOf, type Design } from '../core/design/design';
import { indexDesign } from '../core/rig/designIndex';
import { Carried } from '../core/units/carried';
import { layOut } from '../core/rig/layout';
import { laidMarl } from '../demo/marl';

/** Milliseconds, median: every wire's way found afresh, and a design analysed again after one stretch was corrected or one place moved. */
const ROUNDS = 40;

const rows = process.argv.slice(2).map((text) => {
  const design = laidMarl(Number(text));
  const index = indexDesign(design);
  const { wires, routes, places } = index;
  const [route] = recordsOf(design, 'route');
  const [place] = recordsOf(design, 'place');
  // A new rig record each round, so that nothing found before is taken over.
  const ways = timed((round) => layOut({ ...index, rig: { ...index.layout.rig, slackMm: round } }, new Carried()));
  return {
    circuits: Number(text),
    wires: wires.length,
    places: places.length,
    routes: routes.length,
    'all ways, ms': ways,
    'stretch corrected, ms': edits(design, (round) => ({ id: route!.id, set: { measuredMm: 1000 + round } })),
    'place moved, ms': edits(design, (round) => ({ id: place!.id, set: { xMm: 100 + round } })),
  };
});
console.log(JSON.stringify(rows));

function edits(design: Design, edit: (round: number) => { id: string; set: object }): number {
  let last = analyse(design);
  return timed((round) => (last = analyse(applyChange(design, updateRecords(design, [edit(round)])), last)));
}

function timed(run: (round: number) => unknown): number {
  const times = Array.from({ length: ROUNDS * 2 }, (_, round) => {
    const start = performance.now();
    run(round);
    return performance.now() - start;
  }).slice(ROUNDS);
  return Number(times.sort((a, b) => a - b)[ROUNDS / 2]!.toFixed(2));
}
