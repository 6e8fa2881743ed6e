import { Bench } from '../core/bench/bench';
import { deviceHandles } from '../core/bench/handles';
import { truthOf } from '../core/bench/truth';
import { traceWiring } from '../core/network/traceWiring';
import { judgeWishes } from '../core/bench/judge';
import { allWishes } from '../core/bench/usualWishes';
import { recordsOf } from '../core/design/design';
import { heron } from '../demo/heron';
import { indexDesign, type DesignIndex } from '../core/rig/designIndex';
import { rig } from '../testing/rig';
import { marl } from '../demo/marl';

/**
 * Milliseconds on the bench by size: putting it together, a control flicked until all answers are read, a truth table of twelve inputs of
 * two positions, and wishes.
 */
const FLICKS = 240;
const INPUTS = 12;

const rows = process.argv.slice(2).map((text) => {
  const index = indexDesign(marl(Number(text)));
  const [built, bench] = timed(() => new Bench(index));
  const handles = deviceHandles(index).filter(({ where }) => where === 'panel');
  const flick = (at: number) => {
    const { deviceId, control, positions } = handles[at % handles.length]!;
    const { answer } = bench.set(deviceId, control, positions[Math.floor(at / handles.length + 1) % positions.length]!);
    return answer.loads.length;
  };
  for (let at = 0; at < FLICKS; at++) flick(at);
  const times = Array.from({ length: FLICKS }, (_, at) => timed(() => flick(at))[0]).sort((a, b) => a - b);
  return {
    circuits: Number(text),
    'put together, ms': round(built),
    'flick, median ms': round(times[FLICKS / 2]!),
    'flick, p95 ms': round(times[Math.floor(FLICKS * 0.95)]!),
    'truth of 12 inputs, ms': round(timed(truthOfMany)[0]),
    'all wishes of Heron, ms': round(timed(wishesOfHeron)[0]),
    'wishes of 12 inputs, ms': round(timed(wishesOfMany)[0]),
  };
});
console.log(JSON.stringify(rows));

/** Every wish of the larger demo, held against every way its wiring can stand. */
function wishesOfHeron(): void {
  const design = heron();
  const index = indexDesign(design);
  judgeWishes(index, traceWiring(index), allWishes(index, recordsOf(design, 'wish')));
}

/** One question to a lamp behind twelve switches, where every way to stand is tried. */
function wishesOfMany(): void {
  const index = lampBehindMany();
  judgeWishes(index, traceWiring(index), [{ id: 'wish', type: 'wish', loadId: 'lamp', says: { kind: 'powerBack', answer: 'asBefore' } }]);
}

function truthOfMany(): void {
  const index = lampBehindMany();
  truthOf(index, traceWiring(index), 'lamp');
}

function lampBehindMany(): DesignIndex {
  const build = rig();
  build.battery();
  build.load(24, 'resistive', 0, { id: 'lamp' });
  for (let at = 0; at < INPUTS; at++) {
    build.add({ id: `s${at}`, kind: 'switch', ratingA: 10 });
    build.wire(at === 0 ? 'battery.plus' : `s${at - 1}.out`, `s${at}.in`);
  }
  build.wire(`s${INPUTS - 1}.out`, 'lamp.plus');
  build.wire('lamp.minus', 'battery.minus', 1000, 'mm2:2.5', 'return');
  return indexDesign(build.design());
}

function timed<T>(work: () => T): [number, T] {
  const start = performance.now();
  const result = work();
  return [performance.now() - start, result];
}

function round(value: number): number {
  return Number(value.toFixed(2));
}
