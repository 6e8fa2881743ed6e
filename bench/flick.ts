import { Bench } from '../core/bench/bench';
import { deviceHandles } from '../core/bench/handles';
import { truthOf } from '../core/bench/truth';
import { traceWiring } from '../core/network/wiring';
import { indexDesign } from '../core/rig/designIndex';
import { rig } from '../testing/rig';
import { marl } from '../demo/marl';

/** Milliseconds on the bench by size: putting it together, a control flicked until all answers are read, and a truth table of twelve inputs of two positions. */
const FLICKS = 240;
const INPUTS = 12;

const rows = process.argv.slice(2).map((text) => {
  const index = indexDesign(marl(Number(text)));
  const [built, bench] = timed(() => new Bench(index));
  const handles = deviceHandles(index).filter(({ where }) => where === 'panel');
  const flick = (at: number) => {
    const { deviceId, control, positions } = handles[at % handles.length]!;
    bench.set(deviceId, control, positions[Math.floor(at / handles.length + 1) % positions.length]!);
  };
  for (let at = 0; at < FLICKS; at++) flick(at);
  const times = Array.from({ length: FLICKS }, (_, at) => timed(() => flick(at))[0]).sort((a, b) => a - b);
  return {
    circuits: Number(text),
    'put together, ms': round(built),
    'flick, median ms': round(times[FLICKS / 2]!),
    'flick, p95 ms': round(times[Math.floor(FLICKS * 0.95)]!),
    'truth of 12 inputs, ms': round(timed(truthOfMany)[0]),
  };
});
console.log(JSON.stringify(rows));

function truthOfMany(): void {
  const build = rig();
  build.battery();
  build.load(24, 'resistive', 0, { id: 'lamp' });
  for (let at = 0; at < INPUTS; at++) {
    build.add({ id: `s${at}`, kind: 'switch', ratingA: 10 });
    build.wire(at === 0 ? 'battery.plus' : `s${at - 1}.out`, `s${at}.in`);
  }
  build.wire(`s${INPUTS - 1}.out`, 'lamp.plus');
  build.wire('lamp.minus', 'battery.minus', 1000, 'mm2:2.5', 'return');
  const index = indexDesign(build.design());
  truthOf(index, traceWiring(index), 'lamp');
}

function timed<T>(work: () => T): [number, T] {
  const start = performance.now();
  const result = work();
  return [performance.now() - start, result];
}

function round(value: number): number {
  return Number(value.toFixed(2));
}
