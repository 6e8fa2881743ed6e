import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { anyOf, huntTwo, someOhm } from '../../testing/doubleHunt';
import { hunt } from '../../testing/faultHunt';
import { movesFor } from './moves';
import { seeded } from '../../testing/random';
import { rig } from '../../testing/rig';
import { recordsOf, type Design } from '../design/design';
import { traceWiring } from '../network/traceWiring';
import { indexDesign, type DesignIndex } from '../rig/designIndex';
import { afterLooking, Finder, partDeciding, type Reading } from './diagnose';
import { sameRepair, subjectsOf, suspectsIn, withFlaw, type Flaw, type FlawKind } from './flaws';
import type { Moved } from './foresee';
import { normalFrom } from './normal';

function opened(design: Design) {
  const index = indexDesign(design);
  return { index, wiring: traceWiring(index) };
}

/** What may be wrong with a load, each joint with some resistance that nobody knows. */
function flawsOf(index: DesignIndex, loadId: string, random: () => number): Flaw[] {
  return suspectsIn(partDeciding(index, traceWiring(index), [loadId]))
    .map(({ flaw }) => (flaw.kind === 'highJoint' ? { ...flaw, ohm: someOhm(random) } : flaw))
    .filter(({ kind }) => kind !== 'none');
}

// Every single fault, readings with a hundredth and ten millivolts of noise, the best next measurement followed: the true fault first, or
// one no meter tells from it, in 95 of 100.
test.each<[string, () => Design, number]>([
  ['Pip', pip, 2],
  ['Heron', heron, 20],
])(
  '%s: the fault that was set is the one named',
  (_, make, every) => {
    const { index, wiring } = opened(make());
    const random = seeded(11);
    const noise = normalFrom(random);
    const kinds = new Map<FlawKind, number>();
    let [found, measured, count, at] = [0, 0, 0, 0];
    for (const load of index.loads) {
      const moved = movesFor(index, wiring, [load.id]);
      if (!moved) continue;
      let finder: Finder | null = null;
      for (const flaw of flawsOf(index, load.id, random)) {
        if (at++ % every > 0) continue;
        finder ??= new Finder(index, wiring, [load.id], moved);
        const one = hunt(index, finder, moved, flaw, noise);
        if (!one) continue;
        kinds.set(flaw.kind, (kinds.get(flaw.kind) ?? 0) + 1);
        count++;
        measured += one.measured;
        if (one.isFound) found++;
      }
    }
    expect(count).toBeGreaterThan(20);
    expect([...kinds.keys()]).toEqual(expect.arrayContaining(['openWire', 'highJoint', 'blownFuse', 'deadLoad', 'openContact']));
    expect(found / count).toBeGreaterThanOrEqual(0.95);
    // Some twenty repairs each: halving them one by one takes four to five.
    expect(measured / count).toBeLessThan(4.6);
  },
  240_000,
);

// Two faults at once, each of which would show by itself: what is named is mended and proved, then one goes on. Asked are four in five.
test.each<[string, () => Design, number]>([
  ['Pip', pip, 6],
  ['Heron', heron, 2],
])(
  '%s: of two faults at once each is named, one after the other',
  (_, make, pairs) => {
    const { index, wiring } = opened(make());
    const random = seeded(5);
    const noise = normalFrom(random);
    let [count, found] = [0, 0];
    for (const { id } of index.loads.slice(0, 12)) {
      const moved = movesFor(index, wiring, [id]);
      if (!moved) continue;
      const finder = new Finder(index, wiring, [id], moved);
      const flaws = flawsOf(index, id, random);
      for (let pair = 0; pair < pairs; pair++) {
        const [one, other] = [anyOf(flaws, random), anyOf(flaws, random)];
        const two = sameRepair(one) === sameRepair(other) ? null : huntTwo(index, finder, moved, [one, other], noise);
        if (!two) continue;
        count++;
        if (two.isFound) found++;
      }
    }
    expect(count).toBeGreaterThan(8);
    expect(found / count).toBeGreaterThanOrEqual(0.8);
  },
  240_000,
);

test('what was looked at and found sound is less likely, not ruled out', () => {
  const { index, wiring } = opened(pip());
  const load = index.loads[0]!;
  const moved = movesFor(index, wiring, [load.id])!;
  const seen = [{ loadId: load.id, does: 'off' }] as const;
  const shares = (sound: readonly string[]) =>
    new Map(new Finder(index, wiring, [load.id], moved, { weight: afterLooking(sound) }).diagnose({ batteryV: 12.6, seen, readings: [] }).ranked.map(({ flaw, probability }) => [sameRepair(flaw), probability])); // prettier-ignore
  const open = shares([]);
  const [first] = open.keys();
  const looked = shares([first!]);
  expect(looked.get(first!)!).toBeLessThan(0.05 * open.get(first!)!);
  expect(looked.get(first!)!).toBeGreaterThan(0.001 * open.get(first!)!);
  for (const [repair, share] of open) if (repair !== first) expect(looked.get(repair)!).toBeGreaterThan(share);
});

/** A lamp of 24 W behind a fuse, a switch and its own return. */
function lampCircuit() {
  const build = rig();
  build.supply();
  build.slot('fuse', 1, 10);
  build.add({ id: 'switch', kind: 'switch', ratingA: 16 });
  build.load(24, 'filament', 0, { id: 'lamp' });
  const out = build.wire('fuse.out', 'switch.in');
  const on = build.wire('switch.out', 'lamp.plus');
  const home = build.wire('lamp.minus', 'bar.bar', 1000, 'mm2:2.5', 'return');
  const { index, wiring } = opened(build.design());
  const moved: Moved[] = [{ mover: { kind: 'device', deviceId: 'switch', control: 'position' }, position: 'on' }];
  const volts = (deviceId: string, terminal: string, value: number): Reading => ({
    kind: 'volts',
    at: { deviceId, terminal },
    to: null,
    value,
  });
  const finder = new Finder(index, wiring, ['lamp'], moved);
  const named = (does: 'off' | 'dim', readings: Reading[], batteryV = 12.6) =>
    finder.diagnose({ batteryV, seen: [{ loadId: 'lamp', does }], readings });
  const finderSees = (readings: Reading[]) => finder.diagnose({ batteryV: 12.6, seen: [{ loadId: 'lamp', does: 'on' }], readings });
  return { named, volts, finderSees, ids: { out, on, home } };
}

// Common practice, as in every workshop's table: what a meter reads where, and what is wrong then.
describe('the textbook’s readings', () => {
  const { named, volts, finderSees, ids } = lampCircuit();

  test.each<[string, Reading[], 'off' | 'dim', string]>([
    ['volts before the fuse and none after it: blown', [volts('block', 'in', 12.6), volts('fuse', 'out', 0)], 'off', 'blownFuse fuse'],
    [
      'volts at the load and on its minus side: no return',
      [volts('lamp', 'plus', 12.6), volts('lamp', 'minus', 12.5), volts('bar', 'bar', 0)],
      'off',
      `wire ${ids.home}`,
    ],
    [
      'volts into the switch and none out of it: its contact',
      [volts('switch', 'in', 12.6), volts('switch', 'out', 0)],
      'off',
      'openContact switch',
    ],
    [
      'volts out of the switch and none at the load: the wire between',
      [volts('switch', 'out', 12.6), volts('lamp', 'plus', 0)],
      'off',
      `wire ${ids.on}`,
    ],
    ['volts at the load, its minus at nought: the load', [volts('lamp', 'plus', 12.6), volts('lamp', 'minus', 0)], 'off', 'deadLoad lamp'],
    [
      'dim, and two volts on its minus side: a bad ground',
      [volts('lamp', 'plus', 12.4), volts('lamp', 'minus', 2.1), volts('bar', 'bar', 0.01)],
      'dim',
      `wire ${ids.home}`,
    ],
    [
      'dim, and volts lost before it alone: a joint on the plus side',
      [volts('switch', 'out', 12.4), volts('lamp', 'plus', 9.8)],
      'dim',
      `wire ${ids.on}`,
    ],
  ])('%s', (_, readings, does, expected) => {
    const [first] = named(does, readings).ranked;
    expect(sameRepair(first!.flaw)).toBe(expected);
    expect(first!.probability).toBeGreaterThan(0.8);
  });

  test('before anything is metered the best question parts the circuit, and says what each answer would mean', () => {
    const { next, ranked } = named('off', []);
    const [first] = next;
    expect(first!.bits).toBeGreaterThan(0.9);
    expect(first!.answers.length).toBeGreaterThanOrEqual(2);
    expect(first!.answers.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(1, 1);
    expect(ranked.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(1, 9);
  });

  test('one bad reading lowers and does not lock', () => {
    const wrong = [volts('lamp', 'plus', 0.02), volts('switch', 'out', 12.6), volts('lamp', 'minus', 12.4)];
    const again: Reading = {
      kind: 'volts',
      at: { deviceId: 'lamp', terminal: 'plus' },
      to: { deviceId: 'lamp', terminal: 'minus' },
      value: 0.01,
    };
    const more: Reading = {
      kind: 'volts',
      at: { deviceId: 'lamp', terminal: 'minus' },
      to: { deviceId: 'bar', terminal: 'bar' },
      value: 12.4,
    };
    const [first] = named('off', [...wrong, again, more]).ranked;
    expect(sameRepair(first!.flaw)).toBe(`wire ${ids.home}`);
  });

  test('a reading taken at another voltage of the battery is held against that one', () => {
    const late: Reading[] = [
      { kind: 'volts', at: { deviceId: 'lamp', terminal: 'plus' }, to: null, value: 14.2, batteryV: 14.3 },
      { kind: 'volts', at: { deviceId: 'lamp', terminal: 'minus' }, to: null, value: 0, batteryV: 14.3 },
    ];
    const { ranked, isOutside } = named('off', late, 12.4);
    expect([sameRepair(ranked[0]!.flaw), isOutside]).toEqual(['deadLoad lamp', false]);
    expect(ranked[0]!.probability).toBeGreaterThan(0.8);
  });

  test('a clamp put round the wire the other way reads the same', () => {
    const clamped = (value: number): Reading => ({ kind: 'amps', wireId: ids.home, value });
    const probable = (value: number) =>
      named('off', [clamped(value), volts('lamp', 'plus', 12.6)]).ranked.map(({ probability }) => probability);
    expect(probable(-0.01)).toEqual(probable(0.01));
    const works = finderSees([clamped(-1.98), volts('lamp', 'plus', 12.4)]);
    expect(works.isOutside).toBe(false);
  });

  test('what nothing explains is said to be outside', () => {
    expect(named('off', [volts('lamp', 'plus', 31), volts('switch', 'out', -9)]).isOutside).toBe(true);
    expect(named('off', [volts('lamp', 'plus', 12.6), volts('lamp', 'minus', 12.5)]).isOutside).toBe(false);
  });
});

test('a flaw is put into a copy: the design itself never changes, and every flaw names what it is about', () => {
  const { index } = opened(heron());
  const before = JSON.stringify([...index.devices.values(), ...index.wires]);
  for (const { flaw } of suspectsIn(index)) {
    withFlaw(index, flaw);
    if (flaw.kind === 'none') continue;
    for (const id of subjectsOf(flaw))
      expect([id, index.devices.has(id) || index.wires.some((wire) => wire.id === id)]).toEqual([id, true]);
  }
  expect(JSON.stringify([...index.devices.values(), ...index.wires])).toBe(before);
  expect(suspectsIn(index).reduce((sum, { prior }) => sum + prior, 0)).toBeCloseTo(1, 9);
  expect(recordsOf(heron(), 'device').length).toBe(index.devices.size);
});
