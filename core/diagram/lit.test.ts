import { heron } from '../../demo/heron';
import { rig } from '../../testing/rig';
import { Bench } from '../bench/bench';
import { indexDesign } from '../rig/designIndex';
import { litDiagram } from './lit';

const index = indexDesign(heron());
const named = (name: string) => Array.from(index.devices.values()).find((device) => device.name === name)!.id;

test('a wire behind an open switch is dead, one ahead of it live without current, and closed both carry', () => {
  const build = rig();
  build.supply();
  build.slot('fuse', 1, 10);
  build.add({ id: 'sw', kind: 'switch', ratingA: 10 });
  build.load(24, 'resistive', 0, { id: 'lamp' });
  const [ahead, behind, home] = [
    build.wire('fuse.out', 'sw.in'),
    build.wire('sw.out', 'lamp.plus'),
    build.wire('lamp.minus', 'bar.bar', 1000, 'mm2:2.5', 'return'),
  ];
  build.circuit('lamp', 1, 'fuse');
  const bench = new Bench(indexDesign(build.design()));
  const open = litDiagram(indexDesign(build.design()), bench);
  expect(open.wires.get(ahead)).toEqual({ amps: 0 });
  expect([open.wires.has(behind), open.wires.has(home), open.working.has('lamp')]).toEqual([false, false, false]);
  const closed = litDiagram(indexDesign(build.design()), bench.set('sw', 'position', 'on'));
  // 24 W at 12 V and a rested battery: two amperes and a little more, by Ohm's law.
  for (const wire of [ahead, behind, home]) expect(closed.wires.get(wire)!.amps).toBeGreaterThan(2);
  for (const wire of [ahead, behind, home]) expect(closed.wires.get(wire)!.amps).toBeLessThan(2.2);
  expect(closed.working.has('lamp')).toBe(true);
});

test('what is of the vehicle and has no ground in common with the battery is not live, joined it is', () => {
  const build = rig();
  build.supply();
  build.add({ id: 'signals', kind: 'signalSource', signals: ['constant'], maxA: 0.5 });
  build.add({ id: 'end', kind: 'busBar', ratingA: 10 });
  const wire = build.wire('signals.constant', 'end.bar', 1000, 'mm2:1');
  const apart = indexDesign(build.design());
  expect(litDiagram(apart, new Bench(apart)).wires.has(wire)).toBe(false);
  build.wire('signals.minus', 'bar.bar', 1000, 'mm2:1', 'return');
  const joined = indexDesign(build.design());
  expect(litDiagram(joined, new Bench(joined)).wires.get(wire)).toEqual({ amps: 0 });
});

test('on Heron a scene switch lights its lamp and pulls its relay in; with the isolator off nothing of the house carries', () => {
  const bench = new Bench(index).set(named('Scene lights, left switch'), 'position', 'up');
  const lit = litDiagram(index, bench);
  expect([named('Left scene lamp, white'), named('Left white relay')].every((id) => lit.working.has(id))).toBe(true);
  expect(lit.working.has(named('Left amber relay'))).toBe(false);
  const most = Math.max(...Array.from(lit.wires.values(), ({ amps }) => amps));
  expect(most).toBeCloseTo(bench.answer.batteryA, 1);
  bench.set(named('Battery isolator'), 'position', 'off');
  const off = litDiagram(index, bench);
  expect(off.working.size).toBe(0);
  const house = index.wires.filter(({ from, to }) => [from, to].some(({ deviceId }) => deviceId === named('Positive bus bar')));
  expect(house.length).toBeGreaterThan(2);
  for (const { id } of house) expect(off.wires.get(id)?.amps ?? 0).toBe(0);
});
