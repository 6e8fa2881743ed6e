import { heron } from '../demo/heron';
import { marl } from '../demo/marl';
import { pip } from '../demo/pip';
import type { Design } from '../core/design/design';
import { Finder, partDeciding } from '../core/diagnosis/diagnose';
import { sameRepair, suspectsIn } from '../core/diagnosis/flaws';
import { expectedReadings, pointsOf } from '../core/diagnosis/expect';
import { movesFor } from '../core/diagnosis/moves';
import { NetworkError } from '../core/network/networkError';
import { traceWiring } from '../core/network/traceWiring';
import { indexDesign } from '../core/rig/designIndex';
import { anyOf, huntTwo, someOhm } from '../testing/doubleHunt';
import { hunt } from '../testing/faultHunt';
import { randomDesign } from '../testing/randomDesign';
import { seeded } from '../testing/random';
import { normalFrom } from '../core/diagnosis/normal';

/**
 * The fault finder: milliseconds to foresee every fault of a complaint, to rank them and find what to measure next, and to say what all
 * points should read; on the demos also every fault hunted, and on random designs some of each, one at a time and two at once: what was
 * found and in how many measurements.
 */
const HUNTED = 6;
/** Random designs, and of each so many loads with so many single faults and pairs. */
const RANDOM = { designs: 100, loads: 2, singles: 6, pairs: 3 };

function main(): void {
  const rows = [
    ['Pip', pip(), true] as const,
    ['Heron', heron(), true] as const,
    ...process.argv.slice(2).map((text) => [`${text} circuits`, marl(Number(text)), false] as const),
  ].map(([name, design, isHunted]) => ({ design: name, ...timed(design), ...(isHunted && hunted(design)) }));
  console.log(JSON.stringify([...rows, huntedAtRandom()]));
}

/** What is worked out; 'none' where a vehicle with such a fault has no answer in the network. */
function answered<T>(work: () => T): T | 'none' {
  try {
    return work();
  } catch (error) {
    if (error instanceof NetworkError) return 'none';
    throw error;
  }
}

/** Faults set at random in random designs, one at a time and two at once. */
function huntedAtRandom() {
  const random = seeded(7);
  const noise = normalFrom(random);
  const single = { count: 0, found: 0, measured: 0 };
  const double = { count: 0, found: 0, measured: 0 };
  let unanswered = 0;
  const count = (into: typeof single, hunted: () => { isFound: boolean; measured: number } | null) => {
    const one = answered(hunted);
    if (one === 'none') unanswered++;
    if (one === null || one === 'none') return;
    into.count++;
    into.measured += one.measured;
    if (one.isFound) into.found++;
  };
  for (let seed = 1; seed <= RANDOM.designs; seed++) {
    const index = indexDesign(randomDesign(seed).design);
    const wiring = traceWiring(index);
    for (const { id } of index.loads.slice(0, RANDOM.loads)) {
      const moved = movesFor(index, wiring, [id]);
      if (!moved) continue;
      const finder = new Finder(index, wiring, [id], moved);
      const flaws = suspectsIn(partDeciding(index, wiring, [id])).map(({ flaw }) => flaw).filter(({ kind }) => kind !== 'none'); // prettier-ignore
      for (let at = 0; at < RANDOM.singles; at++) count(single, () => hunt(index, finder, moved, anyOf(flaws, random), noise));
      for (let at = 0; at < RANDOM.pairs; at++) {
        const pair = [anyOf(flaws, random), anyOf(flaws, random)] as const;
        if (sameRepair(pair[0]) !== sameRepair(pair[1])) count(double, () => huntTwo(index, finder, moved, [...pair], noise));
      }
    }
  }
  const row = ({ count: of, found, measured }: typeof single) => ({ of, percent: Math.round((1000 * found) / of) / 10, mean: Math.round((100 * measured) / of) / 100 }); // prettier-ignore
  const [one, two] = [row(single), row(double)];
  return {
    design: `${RANDOM.designs} at random`,
    ...{ 'faults set': one.of, 'found first, %': one.percent, 'measurements, mean': one.mean },
    ...{ 'pairs set': two.of, 'both found, %': two.percent, 'measurements for both, mean': two.mean },
    'no answer': unanswered,
  };
}

function timed(design: Design) {
  const index = indexDesign(design);
  const wiring = traceWiring(index);
  const foreseen: number[] = [];
  const asked: number[] = [];
  const loads = index.loads.filter((_, at) => at % Math.ceil(index.loads.length / HUNTED) === 0);
  for (const { id } of loads) {
    const moved = movesFor(index, wiring, [id]);
    if (!moved) continue;
    const begun = performance.now();
    const finder = new Finder(index, wiring, [id], moved);
    const built = performance.now();
    finder.diagnose({ batteryV: 12.6, seen: [{ loadId: id, does: 'off' }], readings: [] });
    foreseen.push(built - begun);
    asked.push(performance.now() - built);
  }
  const begun = performance.now();
  expectedReadings(index, [], 12.6, pointsOf(index), seeded(1));
  const most = (times: readonly number[]) => Math.round(Math.max(...times));
  return {
    'faults foreseen, most ms': most(foreseen),
    'ranked and next, most ms': most(asked),
    'all points expected, ms': Math.round(performance.now() - begun),
  };
}

function hunted(design: Design) {
  const index = indexDesign(design);
  const wiring = traceWiring(index);
  const random = seeded(3);
  const noise = normalFrom(random);
  let [count, found, measured, bits] = [0, 0, 0, 0];
  for (const { id } of index.loads) {
    const moved = movesFor(index, wiring, [id]);
    if (!moved) continue;
    const finder = new Finder(index, wiring, [id], moved);
    const suspects = suspectsIn(partDeciding(index, wiring, [id]));
    const open = finder.diagnose({ batteryV: null, seen: [{ loadId: id, does: 'off' }], readings: [] }).ranked;
    const entropy = open.reduce((sum, { probability }) => sum - (probability > 0 ? probability * Math.log2(probability) : 0), 0);
    for (const { flaw } of suspects) {
      if (flaw.kind === 'none') continue;
      const set = flaw.kind === 'highJoint' ? { ...flaw, ohm: someOhm(random) } : flaw;
      const one = hunt(index, finder, moved, set, noise);
      if (!one) continue;
      count++;
      measured += one.measured;
      bits += entropy;
      if (one.isFound) found++;
    }
  }
  const repairs = new Set(suspectsIn(index).map(({ flaw }) => sameRepair(flaw))).size;
  return {
    'faults set': count,
    'repairs in the design': repairs,
    'found first, %': Math.round((1000 * found) / count) / 10,
    'measurements, mean': Math.round((100 * measured) / count) / 100,
    'open at first, bits, mean': Math.round((100 * bits) / count) / 100,
  };
}

main();
