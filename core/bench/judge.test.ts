import { rig } from '../../testing/rig';
import { device, judge, key, play, so, verdicts, wish } from '../../testing/wishing';
import type { WishSays } from '../design/schema';
import { indexDesign } from '../rig/designIndex';
import { outcomeWords } from '../wording/wishWords';
import { Bench } from './bench';
import type { Act } from './explore';

/**
 * A driving lamp on a relay: its coil on the high beam through a panel switch, or on the panel alone with a changeover that is off in the
 * middle.
 */
function drivingLamp() {
  const build = rig();
  build.supply();
  build.add({ id: 'signals', kind: 'signalSource', signals: ['highBeam', 'accessory'], maxA: 0.5 });
  build.slot('lampFuse', 1, 15);
  build.slot('coilFuse', 2, 3);
  build.add({ id: 'sw', kind: 'switch', ratingA: 10, form: 'changeoverOff' });
  build.add({ id: 'relay', kind: 'relay', pins: 4, coilOhm: 90, pullInV: 7.5, dropOutV: 3, suppression: 'resistor', contactMilliohm: 4, ratingA: 30 }); // prettier-ignore
  build.load(60, 'resistive', 0, { id: 'beam' });
  build.wire('signals.highBeam', 'sw.up');
  build.wire('coilFuse.out', 'sw.down');
  build.wire('sw.common', 'relay.86');
  build.wire('relay.85', 'bar.bar', 1000, 'mm2:1', 'return');
  build.wire('signals.minus', 'bar.bar', 1000, 'mm2:1', 'return');
  build.wire('lampFuse.out', 'relay.30');
  build.wire('relay.87', 'beam.plus');
  build.wire('beam.minus', 'bar.bar', 1000, 'mm2:2.5', 'return');
  return build.design();
}

// Common practice: follow, off and on with a double-throw switch that is off in the middle. By hand.
test('a driving lamp that follows the beam, is off in the middle and on by hand, wish by wish', () => {
  const design = drivingLamp();
  const beam = (position: string) => so({ kind: 'vehicle', control: 'lamps' }, position);
  const at = (position: string) => so(device('sw'), position);
  const judged = judge(
    design,
    wish('beam', { kind: 'on', when: [at('up'), beam('high')] }),
    wish('beam', { kind: 'off', when: [at('up'), beam('low')] }),
    wish('beam', { kind: 'off', when: [at('off')] }),
    wish('beam', { kind: 'on', when: [at('down')] }),
    wish('beam', { kind: 'off', when: [beam('low')] }),
    wish('beam', { kind: 'keyOut', answer: 'works' }),
    wish('beam', { kind: 'keyOut', answer: 'dark' }),
    wish('beam', { kind: 'keyOut', answer: null }),
    wish('beam', { kind: 'whatever', mover: { kind: 'vehicle', control: 'lamps' } }),
    wish('beam', { kind: 'whatever', mover: key }),
    wish('beam', { kind: 'stillWorks', withoutId: 'coilFuse' }),
    wish('beam', { kind: 'stillWorks', withoutId: 'lampFuse' }),
    wish('beam', { kind: 'stillWorks', withoutId: 'relay' }),
    wish('beam', { kind: 'powerBack', answer: 'asBefore' }),
    wish('beam', { kind: 'powerBack', answer: 'off' }),
    wish('beam', { kind: 'notByOne' }),
    wish('beam', { kind: 'on', when: [at('sideways')] }),
    wish('beam', { kind: 'on', when: [beam('high'), beam('low')] }),
  );
  expect(verdicts(judged)).toEqual([
    ...['kept', 'kept', 'kept', 'contradicts', 'contradicts', 'kept', 'broken', 'unanswered', 'broken', 'kept'],
    ...['kept', 'broken', 'broken', 'kept', 'broken', 'broken', 'gone', 'neverHappens'],
  ]);
  // The lamp burns by hand with the key out: one act. Low beam and by hand: two, and neither wish says which wins.
  expect(judged[6]!.series).toEqual([{ kind: 'move', mover: device('sw'), position: 'down' }]);
  expect(judged[3]!.series).toHaveLength(2);
  expect(judged[11]!.series).toEqual([{ kind: 'move', mover: device('lampFuse', 'fitted'), position: false }]);
});

test('of two wishes that meet, the one that wins is followed and the other is not held against it', () => {
  const low = so({ kind: 'vehicle', control: 'lamps' }, 'low');
  const byHand = wish('beam', { kind: 'on', when: [so(device('sw'), 'down')], wins: true });
  const road = wish('beam', { kind: 'off', when: [low] });
  expect(verdicts(judge(drivingLamp(), byHand, road))).toEqual(['kept', 'kept']);
  const other = wish('beam', { kind: 'on', when: [so(device('sw'), 'down')] });
  const first = wish('beam', { kind: 'off', when: [low], wins: true });
  expect(verdicts(judge(drivingLamp(), other, first))).toEqual(['kept', 'broken']);
});

test('a wish that is broken with nothing moved says so, and one that nothing could keep says that', () => {
  const build = rig();
  build.supply();
  build.slot('fuse', 1, 5);
  build.lampBehind('fuse', 1, 12);
  const design = build.design();
  const judged = judge(
    design,
    wish('fuse_lamp', { kind: 'off', when: [so(key, 'off')] }),
    wish('fuse_lamp', { kind: 'stillWorks', withoutId: 'main' }),
    wish('fuse_lamp', { kind: 'keyOut', answer: null }),
  );
  expect(judged.map(({ series }) => series.length)).toEqual([0, 1, 0]);
  expect(judged.map((one) => outcomeWords(design, one))).toEqual(['not even at rest', 'not after main: out', 'undecided: nobody has said']);
});

/** A step light behind a motion sensor that holds, and a button beside it. */
function stepLight(holdS: number) {
  const build = rig();
  build.supply();
  build.slot('fuse', 1, 5);
  build.add({ id: 'enable', kind: 'switch', ratingA: 5 });
  build.add({ id: 'sensor', kind: 'motionSwitch', holdS, ratingA: 5, standbyA: 0.0005 });
  build.load(6, 'resistive', 0, { id: 'step' });
  build.wire('fuse.out', 'enable.in');
  build.wire('enable.out', 'sensor.in');
  build.wire('sensor.out', 'step.plus');
  build.wire('sensor.minus', 'bar.bar', 1000, 'mm2:1', 'return');
  build.wire('step.minus', 'bar.bar', 1000, 'mm2:1', 'return');
  return build.design();
}

test('a light stays on as long as its sensor holds: a tenth is allowed, a fifth is not; with power back it is dark', () => {
  const stays = (seconds: number) => wish('step', { kind: 'staysOn', after: so(device('sensor', 'motion'), true), seconds });
  const [asSaid, tenth, shorter, longer] = judge(stepLight(60), stays(60), stays(65), stays(40), stays(90));
  expect(verdicts([asSaid!, tenth!, shorter!, longer!])).toEqual(['kept', 'kept', 'broken', 'broken']);
  expect(longer!.withinS).toBe(61);
  expect(longer!.series.at(-1)).toEqual({ kind: 'wait', seconds: 81 });
  const bench = play(new Bench(indexDesign(stepLight(60))), longer!.series);
  expect(bench.answer.loads.find(({ id }) => id === 'step')!.state).toBe('off');
  const on = [so(device('enable'), 'on'), so(device('sensor', 'motion'), true)];
  const back = { kind: 'powerBack', answer: 'off' } as const;
  expect(verdicts(judge(stepLight(60), wish('step', { kind: 'on', when: on }), wish('step', back)))).toEqual(['kept', 'broken']);
});

/** A lamp on a channel of a radio receiver, in the way asked. */
function radioLamp(mode: 'latching' | 'momentary') {
  const build = rig();
  build.supply();
  build.slot('fuse', 1, 5);
  build.add({ id: 'radio', kind: 'receiver', channels: 1, mode, channelMaxA: 5, standbyA: 0.01 });
  build.load(6, 'resistive', 0, { id: 'lamp' });
  build.wire('fuse.out', 'radio.plus');
  build.wire('radio.ch1', 'lamp.plus');
  build.wire('radio.minus', 'bar.bar', 1000, 'mm2:1', 'return');
  build.wire('lamp.minus', 'bar.bar', 1000, 'mm2:1', 'return');
  return build.design();
}

test('a latching channel forgets when power goes away, and is lit by one press; without its fob nothing lights it', () => {
  const asked: WishSays[] = [
    { kind: 'powerBack', answer: 'off' },
    { kind: 'powerBack', answer: 'asBefore' },
    { kind: 'on', when: [so(device('radio', 'ch1'), true)] },
    { kind: 'notByOne' },
    { kind: 'stillWorks', withoutId: 'radio' },
  ];
  const judged = judge(radioLamp('latching'), ...asked.map((says) => wish('lamp', says)));
  expect(verdicts(judged)).toEqual(['kept', 'broken', 'kept', 'broken', 'broken']);
  const press: Act = { kind: 'move', mover: device('radio', 'ch1'), position: true };
  expect(judged[3]!.series).toEqual([press]);
  expect(judged[1]!.series.slice(0, 1)).toEqual([press]);
});

test('a relay that breaks its own coil leaves what hangs on it undecided', () => {
  const build = rig();
  build.battery();
  build.add({ id: 'relay', kind: 'relay', pins: 5, coilOhm: 90, pullInV: 7.5, dropOutV: 3, suppression: 'resistor', contactMilliohm: 4, ratingA: 30 }); // prettier-ignore
  build.add({ id: 'sw', kind: 'switch', ratingA: 10 });
  build.load(6, 'resistive', 0, { id: 'lamp' });
  build.wire('battery.plus', 'sw.in');
  build.wire('sw.out', 'relay.30');
  build.wire('relay.87a', 'relay.86');
  build.wire('relay.85', 'battery.minus', 1000, 'mm2:1', 'return');
  build.wire('relay.87', 'lamp.plus');
  build.wire('lamp.minus', 'battery.minus', 1000, 'mm2:1', 'return');
  const [off, never] = judge(
    build.design(),
    wish('lamp', { kind: 'off', when: [so(device('sw'), 'off')] }),
    wish('lamp', { kind: 'keyOut', answer: 'dark' }),
  );
  expect(verdicts([off!, never!])).toEqual(['restless', 'restless']);
  expect(off!.series).toEqual([{ kind: 'move', mover: device('sw'), position: 'on' }]);
});
