import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { movesFor } from './moves';
import { seeded } from '../../testing/random';
import { rig } from '../../testing/rig';
import { traceWiring } from '../network/traceWiring';
import { indexDesign } from '../rig/designIndex';
import { drawVehicle, expectedReadings, pointsOf, readAll } from './expect';
import { normalFrom } from './normal';

// By hand: 24 W at 12 V is 6 ohm; at 12.6 V on the posts, with the cable's milliohms, a little under 2.1 A.
test('a lamp’s reading follows the battery’s voltage of the moment', () => {
  const build = rig();
  build.supply();
  build.slot('fuse', 1, 10);
  build.load(24, 'resistive', 0, { id: 'lamp' });
  const feed = build.wire('fuse.out', 'lamp.plus');
  build.wire('lamp.minus', 'bar.bar', 1000, 'mm2:2.5', 'return');
  const index = indexDesign(build.design());
  for (const batteryV of [11.8, 12.6, 14.2]) {
    const points = [
      { kind: 'volts', at: { deviceId: 'battery', terminal: 'plus' }, to: null },
      { kind: 'amps', wireId: feed },
    ] as const;
    const [posts, amps] = expectedReadings(index, [], batteryV, points, seeded(3));
    expect(posts!.expected).toBeCloseTo(batteryV, 3);
    expect(amps!.expected).toBeLessThan(batteryV / 6);
    expect(amps!.expected).toBeGreaterThan((batteryV / 6) * 0.98);
    expect([amps!.low < amps!.expected, amps!.high > amps!.expected]).toEqual([true, true]);
    // A rated draw is a twentieth off once in three.
    expect((amps!.high - amps!.expected) / amps!.expected).toBeGreaterThan(0.07);
    expect((amps!.high - amps!.expected) / amps!.expected).toBeLessThan(0.2);
  }
});

// With everything drawn within its spread, and a meter's error, 95 of 100 readings lie inside: 500 draws.
test.each([
  ['Pip', pip],
  ['Heron', heron],
])(
  '%s: nineteen in twenty vehicles read within what is expected',
  (_, make) => {
    const index = indexDesign(make());
    const wiring = traceWiring(index);
    const load = index.loads.find(({ id }) => (movesFor(index, wiring, [id])?.length ?? 0) > 0)!;
    const moved = movesFor(index, wiring, [load.id])!;
    const points = pointsOf(index);
    const expected = expectedReadings(index, moved, 12.6, points, seeded(5));
    const random = seeded(77);
    const normal = normalFrom(random);
    let [inside, count] = [0, 0];
    const worst = points.map(() => 0);
    for (let draw = 0; draw < 500; draw++) {
      readAll(drawVehicle(index, random), moved, 12.6, points).forEach((value, at) => {
        const read = value * (1 + 0.005 * normal()) + 0.005 * normal();
        const isInside = read >= expected[at]!.low && read <= expected[at]!.high;
        count++;
        if (isInside) inside++;
        else worst[at]!++;
      });
    }
    expect(inside / count).toBeGreaterThan(0.94);
    // Nor so wide that everything passes: somewhere one reading in a hundred is out.
    expect(inside / count).toBeLessThan(0.999);
    expect(Math.max(...worst) / 500).toBeLessThan(0.12);
  },
  120_000,
);

// Common practice: one meters what stands, so an output that comes on late has come on by then.
test('what a hub switches on late, or for a moment, is read as lit', () => {
  const hubbed = (does: 'late' | 'pulse') => {
    const build = rig();
    build.supply();
    build.slot('fuse', 1, 10);
    const rules = [{ output: 1, all: [1], none: [], block: false, does, seconds: 10 }];
    build.add({ id: 'hub', kind: 'ruleHub', inputs: 1, outputs: 1, outputMaxA: 10, standbyA: 0.01, rules });
    build.add({ id: 'sw', kind: 'switch', ratingA: 10 });
    build.load(24, 'resistive', 0, { id: 'lamp' });
    build.wire('fuse.out', 'hub.plus');
    build.wire('fuse.out', 'sw.in');
    build.wire('sw.out', 'hub.in1');
    const feed = build.wire('hub.out1', 'lamp.plus');
    for (const minus of ['hub', 'lamp']) build.wire(`${minus}.minus`, 'bar.bar', 1000, 'mm2:2.5', 'return');
    return { index: indexDesign(build.design()), feed };
  };
  for (const does of ['late', 'pulse'] as const) {
    const { index, feed } = hubbed(does);
    const moved = movesFor(index, traceWiring(index), ['lamp'])!;
    expect(readAll(index, moved, 12.6, [{ kind: 'amps', wireId: feed }])[0]).toBeGreaterThan(1.9);
  }
});
