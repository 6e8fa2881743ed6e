import { rig } from '../../testing/rig';
import { judge, play, verdicts, wish } from '../../testing/wishing';
import { analyse } from '../analysis/analyse';
import { withSlowFindings } from '../analysis/rules/slowFindings';
import { indexDesign } from '../rig/designIndex';
import type { Dimmer } from '../devices/dimmer';
import { Bench } from './bench';

/** A lamp behind a switch and a dimmer, whichever comes first. */
function lamp(order: 'switchFirst' | 'dimmerFirst', side: Dimmer['side'], keeps?: Dimmer['keeps']) {
  const build = rig();
  build.supply();
  build.slot('fuse', 1, 10);
  build.add({ id: 'sw', kind: 'switch', ratingA: 10 });
  build.add({ id: 'dimmer', kind: 'dimmer', side, ratingA: 10, standbyA: 0.001, ...(keeps && { keeps }) });
  build.load(24, 'resistive', 0, { id: 'lamp' });
  if (side === 'return') {
    build.wire('fuse.out', 'sw.in');
    build.wire('sw.out', 'lamp.plus');
    build.wire(order === 'switchFirst' ? 'sw.out' : 'fuse.out', 'dimmer.plus');
    build.wire('lamp.minus', 'dimmer.dimmed', 1000, 'mm2:1', 'return');
  } else {
    build.wire('fuse.out', order === 'switchFirst' ? 'sw.in' : 'dimmer.in');
    build.wire(order === 'switchFirst' ? 'sw.out' : 'dimmer.out', order === 'switchFirst' ? 'dimmer.in' : 'sw.in');
    build.wire(order === 'switchFirst' ? 'dimmer.out' : 'sw.out', 'lamp.plus');
    build.wire('lamp.minus', 'bar.bar', 1000, 'mm2:1', 'return');
  }
  build.wire('dimmer.minus', 'bar.bar', 1000, 'mm2:1', 'return');
  return build.design();
}

const kept = wish('lamp', { kind: 'levelKept' });

// Common practice: a dimmer behind its switch loses its feed with every flick, and electronic ones differ in what they do then; one ahead
// of it never notices.
test.each([
  ['switchFirst', 'positive', undefined, 'levelNotSaid'],
  ['switchFirst', 'positive', 'level', 'kept'],
  ['switchFirst', 'positive', 'full', 'broken'],
  // By the switch alone it never comes on.
  ['switchFirst', 'positive', 'off', 'neverHappens'],
  ['dimmerFirst', 'positive', undefined, 'kept'],
  ['dimmerFirst', 'positive', 'full', 'kept'],
  ['switchFirst', 'return', undefined, 'levelNotSaid'],
  ['switchFirst', 'return', 'full', 'broken'],
  ['dimmerFirst', 'return', 'full', 'kept'],
] as const)('a level is kept through a switch: %s, %s side, a dimmer that comes back at %s: %s', (order, side, keeps, verdict) => {
  const [judged] = judge(lamp(order, side, keeps), kept);
  expect(verdicts([judged!])).toEqual([verdict]);
});

test('what breaks it, done on the bench, leaves the lamp at full; with a dimmer that keeps it, at half', () => {
  const [judged] = judge(lamp('switchFirst', 'positive', 'full'), kept);
  const level = (keeps: Dimmer['keeps']) =>
    play(new Bench(indexDesign(lamp('switchFirst', 'positive', keeps))), judged!.series).answer.loads[0]!;
  expect(level('full')).toMatchObject({ state: 'on', level: expect.closeTo(1, 1) });
  expect(level('level')).toMatchObject({ state: 'on', level: expect.closeTo(0.5, 1) });
  expect(level('off').state).toBe('off');
  // What a hand then sets it to counts again.
  const bench = play(new Bench(indexDesign(lamp('switchFirst', 'positive', 'full'))), judged!.series);
  expect(bench.set('dimmer', 'levelPercent', 25).answer.loads[0]!.level).toBeCloseTo(0.25, 1);
});

test('a dimmer that comes back off is no lamp that nothing lights', () => {
  const analysis = withSlowFindings(analyse(lamp('switchFirst', 'positive', 'off')));
  const plain = withSlowFindings(analyse(lamp('switchFirst', 'positive')));
  expect(analysis.findings.map(({ rule }) => rule)).toEqual(plain.findings.map(({ rule }) => rule));
});

test('at nothing a dimmer takes its own milliampere from its own feed, on either side', () => {
  for (const side of ['positive', 'return'] as const) {
    const bench = new Bench(indexDesign(lamp('switchFirst', side)));
    const drawn = () => bench.answer.batteryA;
    const [open, closed] = [drawn(), (bench.set('dimmer', 'levelPercent', 0).set('sw', 'position', 'on'), drawn())];
    expect([side, closed - open]).toEqual([side, expect.closeTo(0.001, 4)]);
  }
});

test('a lamp without a dimmer has no level to keep', () => {
  const build = rig();
  build.supply();
  build.slot('fuse', 1, 10);
  build.lampBehind('fuse', 1, 24);
  expect(verdicts(judge(build.design(), wish('fuse_lamp', { kind: 'levelKept' })))).toEqual(['notDimmed']);
});
