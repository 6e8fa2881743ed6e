import { rig } from '../../testing/rig';
import { heron } from '../../demo/heron';
import { recordsOf } from '../design/design';
import { indexDesign } from '../rig/designIndex';
import { readActs, writeActs } from './acts';
import type { BenchAct, Fault } from '../design/schema';
import { Bench } from './bench';

/** A lamp on a relay whose coil a switch works. */
function relayed(more: object = {}) {
  const build = rig();
  build.supply();
  build.slot('fuse', 1, 10);
  build.add({ id: 'sw', kind: 'switch', ratingA: 10 });
  build.add({ id: 'relay', kind: 'relay', pins: 4, coilOhm: 90, pullInV: 7.5, dropOutV: 3, suppression: 'resistor', contactMilliohm: 4, ratingA: 30, ...more }); // prettier-ignore
  build.load(24, 'resistive', 0, { id: 'lamp' });
  build.wire('fuse.out', 'sw.in');
  const coil = build.wire('sw.out', 'relay.86');
  build.wire('relay.85', 'bar.bar', 1000, 'mm2:2.5', 'return');
  build.wire('fuse.out', 'relay.30');
  const feed = build.wire('relay.87', 'lamp.plus');
  const ground = build.wire('lamp.minus', 'bar.bar', 1000, 'mm2:2.5', 'return');
  return { index: indexDesign(build.design()), coil, feed, ground };
}

const flick = (position: string): BenchAct => ({ kind: 'move', mover: { kind: 'device', deviceId: 'sw', control: 'position' }, position });

// By hand: what a relay circuit does with one thing wrong in it. Common practice.
test.each<[string, (of: ReturnType<typeof relayed>) => Fault, [boolean, boolean]]>([
  ['coil wire off', ({ coil }) => ({ kind: 'wireOff', wireId: coil }), [false, false]],
  ['feed off', ({ feed }) => ({ kind: 'wireOff', wireId: feed }), [false, false]],
  ['ground off', ({ ground }) => ({ kind: 'wireOff', wireId: ground }), [false, false]],
  ['lamp dead', () => ({ kind: 'dead', loadId: 'lamp' }), [false, false]],
  ['relay never pulls in', () => ({ kind: 'neverPulls', relayId: 'relay' }), [false, false]],
  ['relay stuck', () => ({ kind: 'stuck', relayId: 'relay' }), [true, true]],
])('%s: what the lamp does with the switch off and on, and as before once mended', (_name, fault, [off, on]) => {
  const of = relayed();
  const bench = new Bench(of.index);
  const lit = () => bench.answer.loads[0]!.state === 'on';
  bench.do({ kind: 'break', fault: fault(of) });
  const seen = [lit(), (bench.do(flick('on')), lit())];
  expect(seen).toEqual([off, on]);
  bench.do({ kind: 'mend', fault: fault(of) });
  expect([lit(), (bench.do(flick('off')), lit())]).toEqual([true, false]);
});

test('a latching relay that sticks while it is on stays on, whatever its button does', () => {
  const bench = new Bench(relayed({ latching: true }).index);
  const lit = () => bench.answer.loads[0]!.state === 'on';
  const press = () => ['on', 'off'].forEach((position) => bench.do(flick(position)));
  press();
  expect(lit()).toBe(true);
  bench.do({ kind: 'break', fault: { kind: 'stuck', relayId: 'relay' } });
  expect([lit(), (press(), lit())]).toEqual([true, true]);
});

test('with the ground off a meter reads the feed’s volts at the lamp’s minus, and a clamp nothing', () => {
  const { index, feed, ground } = relayed();
  const bench = new Bench(index);
  bench.do(flick('on'));
  const minus = { deviceId: 'lamp', terminal: 'minus' };
  const home = { deviceId: 'battery', terminal: 'minus' };
  expect([bench.volts(minus, home)! < 0.2, bench.clamp(feed)! > 1.5]).toEqual([true, true]);
  bench.do({ kind: 'break', fault: { kind: 'wireOff', wireId: ground } });
  // No current, so nothing is lost in the lamp: its minus is at the battery's plus. By Ohm's law.
  expect(bench.volts(minus, home)!).toBeGreaterThan(12);
  expect([bench.clamp(ground), Math.abs(bench.clamp(feed)!) < 1e-4]).toEqual([0, true]);
  expect(bench.rest().answer.loads[0]!.state).toBe('off');
  expect(bench.faults).toEqual([]);
});

test('what is broken stays broken after an edit, as long as it is there', () => {
  const { index, feed } = relayed();
  const bench = new Bench(index);
  bench.do({ kind: 'break', fault: { kind: 'wireOff', wireId: feed } });
  bench.do({ kind: 'break', fault: { kind: 'dead', loadId: 'nobody' } });
  const after = new Bench(index, bench);
  expect(after.faults).toEqual([{ kind: 'wireOff', wireId: feed }]);
  expect(new Bench({ ...index, wires: index.wires.filter(({ id }) => id !== feed) }, bench).faults).toEqual([]);
});

test('acts go into a link and come out the same; anything else is refused, and what is not there changes nothing', () => {
  const design = heron();
  const sensor = recordsOf(design, 'device').find(({ name }) => name === 'Step motion sensor')!.id;
  const acts: BenchAct[] = [
    { kind: 'rest' },
    { kind: 'move', mover: { kind: 'vehicle', control: 'key' }, position: 'on' },
    { kind: 'move', mover: { kind: 'device', deviceId: sensor, control: 'motion' }, position: true },
    { kind: 'wait', seconds: 90 },
    { kind: 'break', fault: { kind: 'dead', loadId: 'load_x' } },
  ];
  expect(readActs(writeActs(acts))).toEqual(acts);
  for (const bad of [
    '',
    '{',
    '[{"kind":"move"}]',
    '%E0%A4%A',
    '[{"kind":"wait","seconds":1e9}]',
    encodeURIComponent(JSON.stringify(Array(61).fill({ kind: 'rest' }))),
  ])
    expect([bad, readActs(bad)]).toEqual([bad, null]);
  const bench = new Bench(indexDesign(design));
  const before = bench.answer;
  bench.do({ kind: 'move', mover: { kind: 'device', deviceId: 'gone', control: 'position' }, position: 'on' });
  bench.do({ kind: 'move', mover: { kind: 'device', deviceId: sensor, control: 'motion' }, position: 'sideways' });
  bench.do({ kind: 'break', fault: { kind: 'wireOff', wireId: 'gone' } });
  expect(bench.answer).toBe(before);
});
