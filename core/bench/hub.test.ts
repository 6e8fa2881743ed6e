import { rig } from '../../testing/rig';
import { seeded } from '../../testing/random';
import { judge, so, verdicts, wish } from '../../testing/wishing';
import { analyse } from '../analysis/analyse';
import { switchingRemedies } from '../advice/switchingRemedies';
import { applyChange } from '../design/change';
import type { Mover } from '../design/schema';
import type { HubRule } from '../devices/ruleHub';
import { VEHICLE_SIGNALS } from '../devices/signalSource';
import { indexDesign } from '../rig/designIndex';
import { answerWord } from '../wording/benchWords';
import { Bench } from './bench';
import { hubOverlaps } from './hubOverlaps';
import { moved, PARKED, SIGNAL_LIVE, type VehicleSide } from './vehicleSide';

const rule = (more: Partial<HubRule>): HubRule => ({ output: 1, all: [], none: [], block: false, ...more });

/** A hub that listens to the vehicle's data line, two lamps on its outputs, a switch on its first input. */
function hub(...rules: HubRule[]) {
  const build = rig();
  build.supply();
  build.slot('fuse', 1, 15);
  build.add({ id: 'hub', kind: 'ruleHub', inputs: 2, outputs: 2, outputMaxA: 10, standbyA: 0.01, rules });
  build.add({ id: 'sw', kind: 'switch', ratingA: 10 });
  build.wire('fuse.out', 'hub.plus');
  build.wire('hub.minus', 'bar.bar', 1000, 'mm2:2.5', 'return');
  build.wire('fuse.out', 'sw.in');
  build.wire('sw.out', 'hub.in1');
  for (const [at, id] of ['first', 'second'].entries()) {
    build.load(24, 'resistive', 0, { id });
    build.wire(`hub.out${at + 1}`, `${id}.plus`);
    build.wire(`${id}.minus`, 'bar.bar', 1000, 'mm2:2.5', 'return');
  }
  build.circuit('fuse', 1, 'fuse');
  return build.design();
}

const bench = (...rules: HubRule[]) => new Bench(indexDesign(hub(...rules)));
const first = (one: Bench) => answerWord(one.answer.loads.find(({ id }) => id === 'first')!);

// What a lamp beside the road does: steady with the beam, blinking with the indicator. Common practice.
const BEAM = rule({ heard: ['highBeam'] });
const BLINKS = rule({ heard: ['left'], does: 'blink' });

test('an output follows what the vehicle’s data line says, and blinks in one half of the beat or the other', () => {
  const one = bench(BEAM, rule({ output: 2, heard: ['left'], does: 'against' }), rule({ output: 2, heard: ['right'], does: 'blink' }));
  expect(first(one)).toBe('off');
  expect(first(one.drive('lamps', 'high'))).toBe('on');
  expect(first(one.drive('lamps', 'low'))).toBe('off');
  const second = () => answerWord(one.answer.loads.find(({ id }) => id === 'second')!);
  one.drive('indicator', 'left');
  expect(second()).toBe('blinks, other half');
  one.drive('indicator', 'right');
  expect(second()).toBe('blinks');
  expect(one.answer.loads.find(({ id }) => id === 'second')).toMatchObject({ state: 'on', amps: expect.closeTo(1.9, 0) });
  one.drive('indicator', 'off');
  expect(second()).toBe('off');
});

test('conditions on inputs and on the line are one and the same, and one that blocks goes before all', () => {
  const one = bench(rule({ all: [1], unheard: ['ignition'] }), rule({ heard: ['brake'], block: true }));
  expect(first(one)).toBe('off');
  expect(first(one.set('sw', 'position', 'on'))).toBe('on');
  expect(first(one.drive('brake', 'pressed'))).toBe('off');
  expect(first(one.drive('brake', 'released'))).toBe('on');
  expect(first(one.drive('key', 'on'))).toBe('off');
});

test('a pulse ends after its time, what is late begins then, each anew when its rule holds anew', () => {
  const pulse = bench(rule({ all: [1], does: 'pulse', seconds: 10 }));
  const seen = (one: Bench, ...acts: (() => Bench)[]) => [first(one), ...acts.map((act) => first(act()))];
  const on = (one: Bench) => () => one.set('sw', 'position', 'on');
  const off = (one: Bench) => () => one.set('sw', 'position', 'off');
  const after = (one: Bench, s: number) => () => one.wait(s);
  expect(seen(pulse, on(pulse), after(pulse, 9), after(pulse, 2), after(pulse, 60), off(pulse), on(pulse))).toEqual([
    'off',
    'on',
    'on',
    'off',
    'off',
    'off',
    'on',
  ]);
  const late = bench(rule({ all: [1], does: 'late', seconds: 10 }));
  expect(seen(late, on(late), after(late, 9), after(late, 2), off(late), on(late))).toEqual(['off', 'off', 'off', 'on', 'off', 'off']);
});

test('what is late is lit for the sums of currents, and proved through time', () => {
  const design = hub(rule({ all: [1], does: 'late', seconds: 10 }), rule({ output: 2, heard: ['reverse'], does: 'pulse', seconds: 20 }));
  const { findings, wires } = analyse(design);
  expect(findings.filter(({ severity }) => severity === 'fault').map((found) => found.rule)).toEqual([]);
  // Both lamps: 24 W each at 12 V are 4 A through the fuse.
  const most = Math.max(...Array.from(wires.values(), ({ amps }) => amps));
  expect(most).toBeGreaterThan(3.9);
  const reverse: Mover = { kind: 'vehicle', control: 'reverse' };
  const judged = judge(
    design,
    wish('first', { kind: 'on', when: [so({ kind: 'device', deviceId: 'sw', control: 'position' }, 'on')] }),
    wish('first', { kind: 'off', when: [so({ kind: 'device', deviceId: 'sw', control: 'position' }, 'off')] }),
    wish('second', { kind: 'off', when: [so(reverse, 'out')] }),
    wish('second', { kind: 'keyOut', answer: 'dark' }),
  );
  // It is late, so it is not on whenever the switch is.
  expect(verdicts(judged)).toEqual(['broken', 'kept', 'kept', 'kept']);
});

test('high beam while the indicator blinks is undecided until one goes before; then that one is what happens', () => {
  const design = hub(BEAM, BLINKS);
  expect(hubOverlaps({ rules: [BEAM, BLINKS] })).toEqual([{ output: 1, one: 0, other: 1 }]);
  const analysis = analyse(design);
  const open = analysis.findings.filter((found) => found.rule === 'switching.hubUndecided');
  expect(open).toMatchObject([
    { severity: 'caution', subjects: ['hub'], numbers: { output: 1, one: 1, other: 2, first: 'steady', second: 'blink' } },
  ]);
  const both = (one: Bench) => first(one.drive('lamps', 'high').drive('indicator', 'left'));
  const mended = switchingRemedies(analysis, open[0]!).map(({ change }) => applyChange(design, change));
  expect(mended.map((each) => both(new Bench(indexDesign(each))))).toEqual(['on', 'blinks']);
  for (const each of mended) expect(analyse(each).findings.filter((found) => found.rule === 'switching.hubUndecided')).toEqual([]);
});

test('what can never be at once is no overlap: low beam and high beam, blocked, or asking the same', () => {
  expect(hubOverlaps({ rules: [BEAM, rule({ heard: ['lowBeam'], does: 'blink' })] })).toEqual([]);
  expect(hubOverlaps({ rules: [BEAM, BLINKS, rule({ heard: ['highBeam', 'left'], block: true })] })).toEqual([]);
  expect(hubOverlaps({ rules: [BEAM, rule({ heard: ['left'] })] })).toEqual([]);
  expect(hubOverlaps({ rules: [BEAM, { ...BLINKS, output: 2 }] })).toEqual([]);
  expect(hubOverlaps({ rules: [rule({ all: [1] }), rule({ none: [1], does: 'blink' })] })).toEqual([]);
  expect(hubOverlaps({ rules: [rule({ output: 2 }), rule({ output: 2 }), BEAM, rule({ output: 2 }), BLINKS] })).toEqual([
    { output: 1, one: 2, other: 4 },
  ]);
  expect(
    hubOverlaps({
      rules: [
        { ...BEAM, wins: true },
        { ...BLINKS, wins: true },
      ],
    }),
  ).toHaveLength(1);
});

/** Every way two inputs and the vehicle can stand: by trying, not by thought. */
function everyWay(): { inputs: number[]; side: VehicleSide }[] {
  const sides = [...(['off', 'accessory', 'on', 'start'] as const).map((key) => moved(PARKED, 'key', key))].flatMap((side) =>
    (['off', 'side', 'low', 'high', 'flash'] as const)
      .map((lamps) => moved(side, 'lamps', lamps))
      .flatMap((lit) => (['off', 'left', 'right', 'hazard'] as const).map((indicator) => moved(lit, 'indicator', indicator))),
  );
  return sides.flatMap((side) => [[], [1], [2], [1, 2]].map((inputs) => ({ inputs, side })));
}

test('200 random pairs of rules: an overlap is found exactly where some way of standing makes both hold', () => {
  const random = seeded(20261129);
  const pick = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)]!;
  const some = <T>(list: readonly T[]) => list.filter(() => random() < 0.12);
  const signals = VEHICLE_SIGNALS.filter((signal) =>
    ['ignition', 'accessory', 'lowBeam', 'highBeam', 'running', 'left', 'right', 'starting'].includes(signal),
  );
  const ways = everyWay();
  const holds =
    ({ all, none, heard = [], unheard = [] }: HubRule) =>
    (way: (typeof ways)[number]) =>
      all.every((port) => way.inputs.includes(port)) &&
      !none.some((port) => way.inputs.includes(port)) &&
      heard.every((signal) => SIGNAL_LIVE[signal](way.side)) &&
      !unheard.some((signal) => SIGNAL_LIVE[signal](way.side));
  const met = { overlaps: 0, none: 0 };
  for (let turn = 0; turn < 200; turn++) {
    const make = (does: HubRule['does']) =>
      rule({ all: some([1, 2]), none: some([1, 2]), heard: some(signals), unheard: some(signals), does: pick([does]) });
    const rules = [make('blink'), make('late')];
    const [one, other] = rules.map(holds);
    const isMet = ways.some((way) => one!(way) && other!(way));
    expect([turn, hubOverlaps({ rules }).length > 0]).toEqual([turn, isMet]);
    met[isMet ? 'overlaps' : 'none'] += 1;
  }
  expect(Math.min(met.overlaps, met.none)).toBeGreaterThan(20);
});
