import { rig } from '../../testing/rig';
import { seeded } from '../../testing/random';
import { IS_WHOLE_RUN, runs, seedOf } from '../../testing/runs';
import type { Design } from '../design/design';
import type { Condition, Mover, Wish, WishSays } from '../design/schema';
import type { ControlValue } from '../devices/kind';
import { traceWiring } from '../network/wiring';
import { indexDesign } from '../rig/designIndex';
import { Bench } from './bench';
import type { Act } from './explore';
import { deviceHandles, vehicleHandles } from './handles';
import { VEHICLE_CONTROLS } from '../catalog/vocabulary';
import { judgeWishes, type Judged } from './judge';

const device = (deviceId: string, control = 'position'): Mover => ({ kind: 'device', deviceId, control });
const key: Mover = { kind: 'vehicle', control: 'key' };
const so = (mover: Mover, position: ControlValue): Condition => ({ mover, position });

let wishCount = 0;
const wish = (loadId: string, says: WishSays): Wish => ({ id: `wish${++wishCount}`, type: 'wish', loadId, says });

function judge(design: Design, ...wishes: Wish[]): Judged[] {
  const index = indexDesign(design);
  return judgeWishes(index, traceWiring(index), wishes);
}

const verdicts = (judged: readonly Judged[]) => judged.map(({ verdict, why }) => why ?? verdict);

function play(bench: Bench, acts: readonly Act[]): Bench {
  for (const act of acts) bench.do(act);
  return bench;
}

/** A driving lamp on a relay: its coil on the high beam through a panel switch, or on the panel alone with a changeover that is off in the middle. */
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

/** Contacts, coils, channels and a sensor between a few joints, drawn from a seed; the last joint but the poles feeds the lamps. */
function randomSwitching(seed: number): Design {
  const random = seeded(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const build = rig();
  build.supply();
  build.slot('fuse', 1, 10);
  const joints: Record<string, string[]> = { plus: ['fuse.out'], a: [], b: [], lampA: ['lampA.plus'], lampB: ['lampB.plus'], minus: ['lampA.minus', 'lampB.minus'] }; // prettier-ignore
  build.load(12, 'resistive', 0, { id: 'lampA' });
  build.load(12, 'resistive', 0, { id: 'lampB' });
  const land = (terminal: string, ...where: string[]) => joints[pick(where)]!.push(terminal);
  const within = ['a', 'b', 'lampA', 'lampB'];
  const through = (id: string, common: string, ...others: string[]) => {
    land(`${id}.${common}`, 'plus', 'plus', 'a', 'b');
    others.forEach((other) => land(`${id}.${other}`, ...within));
  };
  const count = random() < 0.75 ? 2 : 3;
  for (let at = 0; at < count; at++) {
    const id = `part${at}`;
    switch (pick(['single', 'changeoverOff', 'changeover', 'relay', 'radio', 'sensor', 'micro', 'signal'] as const)) {
      case 'single':
        build.add({ id, kind: 'switch', ratingA: 10 });
        through(id, 'in', 'out');
        break;
      case 'changeover':
        build.add({ id, kind: 'switch', ratingA: 10, form: 'changeover' });
        through(id, 'common', 'up', 'down');
        break;
      case 'changeoverOff':
        build.add({ id, kind: 'switch', ratingA: 10, form: 'changeoverOff' });
        through(id, 'common', 'up', 'down');
        break;
      case 'micro':
        build.add({ id, kind: 'microSwitch', actuator: 'roller', ratingA: 5 });
        through(id, 'common', 'normallyOpen', 'normallyClosed');
        break;
      case 'relay':
        build.add({ id, kind: 'relay', pins: 5, coilOhm: 90, pullInV: 7.5, dropOutV: 3, suppression: 'resistor', contactMilliohm: 4, ratingA: 30 }); // prettier-ignore
        through(id, '30', '87', '87a');
        land(`${id}.86`, 'plus', ...within);
        joints.minus!.push(`${id}.85`);
        break;
      case 'radio':
        build.add({ id, kind: 'receiver', channels: 1, mode: pick(['latching', 'momentary']), channelMaxA: 5, standbyA: 0.01 });
        through(id, 'plus', 'ch1');
        joints.minus!.push(`${id}.minus`);
        break;
      case 'sensor':
        build.add({ id, kind: 'motionSwitch', holdS: 1, ratingA: 5, standbyA: 0 });
        through(id, 'in', 'out');
        joints.minus!.push(`${id}.minus`);
        break;
      case 'signal':
        build.add({
          id,
          kind: 'vehicleFeed',
          signal: pick(['accessory', 'ignition', 'highBeam']),
          polarity: 'live',
          from: 'wire',
          serves: '',
        });
        land(`${id}.out`, ...within);
        joints.minus!.push(`${id}.minus`);
        break;
    }
  }
  joints.minus!.push('bar.bar');
  for (const [joint, [first, ...others]] of Object.entries(joints))
    for (const other of others) build.wire(first!, other, 500, 'mm2:2.5', joint === 'minus' ? 'return' : 'supply');
  return build.design();
}

/** Every act there is on the whole design, apart from what the judge knows of influence. */
function everyAct(design: Design): Act[] {
  const index = indexDesign(design);
  const own = deviceHandles(index).filter(({ where }) => where === 'panel' || where === 'fob' || where === 'moving');
  return [
    ...vehicleHandles(index).flatMap((control) =>
      VEHICLE_CONTROLS[control].map((position): Act => ({ kind: 'move', mover: { kind: 'vehicle', control }, position })),
    ),
    ...own.flatMap(({ deviceId, control, positions }) =>
      positions.map((position): Act => ({ kind: 'move', mover: { kind: 'device', deviceId, control }, position })),
    ),
    ...(Array.from(index.devices.values()).some(({ kind }) => kind === 'motionSwitch') ? [{ kind: 'wait', seconds: 2 } as const] : []),
  ];
}

interface Met {
  acts: Act[];
  lit: boolean[];
  /** A button of the fob is held. */
  isHeld: boolean;
  stands(mover: Mover): ControlValue | undefined;
}

/** Every way a whole design can stand after some first acts, each played from rest on the bench; null where one never comes to rest. */
function bruteForce(design: Design, first: Act[], bench: Bench): Met[] | null {
  const acts = everyAct(design);
  const index = indexDesign(design);
  const seen = new Map<string, Met>();
  const visit = (path: Act[]): Met | null | 'restless' => {
    bench.rest();
    play(bench, path);
    const { answer, side } = bench;
    if (answer.outcome === 'oscillating') return 'restless';
    const left = Object.entries(answer.memory).map(([id, memory]) => [id, { ...memory, untilS: Math.max(0, Number(memory.untilS ?? 0) - answer.timeS), lastS: 0, heat: 0 }]); // prettier-ignore
    const positions = Object.fromEntries(
      Array.from(index.devices.keys(), (id) => [
        id,
        ['position', 'pressed', 'motion', 'ch1'].map((control) => bench.position(id, control)),
      ]),
    );
    const standing = JSON.stringify([left.filter(([id]) => String(id).startsWith('part')), side, positions]);
    if (seen.has(standing)) return null;
    const { memory } = answer;
    const met: Met = {
      acts: path,
      isHeld: Object.values(positions).some(([, , , pressed]) => pressed === true),
      lit: ['lampA', 'lampB'].map((id) => Math.abs(answer.loads.find((load) => load.id === id)!.volts) >= 6),
      stands: (mover) => {
        if (mover.kind === 'vehicle') return side[mover.control];
        if (mover.control === 'ch1') return memory[mover.deviceId]?.ch1 === true;
        return positions[mover.deviceId]![['position', 'pressed', 'motion'].indexOf(mover.control)];
      },
    };
    seen.set(standing, met);
    return met;
  };
  const begin = visit(first);
  if (begin === 'restless' || begin === null) return null;
  const queue = [begin];
  for (const at of queue)
    for (const act of acts) {
      const met = visit([...at.acts, act]);
      if (met === 'restless') return null;
      if (met) queue.push(met);
    }
  return queue;
}

/** What the wish comes to over every way the design can stand, by what its sentence says. */
function foundOut(says: WishSays, all: Met[], lampsAfter: (met: Met, ...acts: Act[]) => boolean[]): string {
  const judgeAll = (relevant: Met[], isWell: (met: Met) => boolean) =>
    relevant.length === 0 ? 'neverHappens' : relevant.every(isWell) ? 'kept' : 'broken';
  const everLit = all.some(({ lit }) => lit[0]);
  switch (says.kind) {
    case 'on':
    case 'off':
      return judgeAll(
        all.filter((met) => says.when.every(({ mover, position }) => met.stands(mover) === position)),
        ({ lit }) => lit[0] === (says.kind === 'on'),
      );
    case 'neverWith':
      return everLit && all.some(({ lit }) => lit[1]) ? judgeAll(all, ({ lit }) => !(lit[0] && lit[1])) : 'neverHappens';
    case 'keyOut':
      if (says.answer === 'dark') return judgeAll(all, ({ lit, stands }) => stands(key) !== 'off' || !lit[0]);
      return everLit ? judgeAll(all, (met) => met.stands(key) === 'off' || !met.lit[0] || lampsAfter(met, { kind: 'move', mover: key, position: 'off' })[0]!) : 'neverHappens'; // prettier-ignore
    case 'powerBack': {
      const cut = ['off', 'on'].map((position): Act => ({ kind: 'move', mover: device('isolator'), position }));
      return judgeAll(
        all.filter(({ isHeld }) => !isHeld),
        (met) => lampsAfter(met, ...cut)[0] === (says.answer === 'asBefore' ? met.lit[0] : says.answer === 'on'),
      );
    }
    case 'stillWorks':
      return everLit ? 'kept' : 'broken';
    default:
      throw new Error(says.kind);
  }
}

// The checker proved: it varies only what influences a wish, on a part of the design; brute force moves everything of the whole design, and replays every way from rest.
test('on random small circuits the judge and brute force agree on every wish, and every series it gives breaks its wish', () => {
  const met: Record<string, number> = {};
  for (let seed = seedOf(1); seed < seedOf(1) + runs(300); seed++) {
    const design = randomSwitching(seed);
    const random = seeded(seed + 5000);
    const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
    const bench = new Bench(indexDesign(design));
    const moves = everyAct(design).flatMap((act) => (act.kind === 'move' ? [act] : []));
    // Nothing in it moves.
    if (moves.length === 0) continue;
    const drawn = () => {
      const { mover, position } = pick(moves);
      return so(mover, position);
    };
    const asked: WishSays[] = [
      { kind: 'on', when: [drawn()] },
      { kind: 'off', when: random() < 0.5 ? [drawn()] : [drawn(), drawn()] },
      { kind: 'neverWith', otherId: 'lampB' },
      { kind: 'keyOut', answer: pick(['works', 'dark']) },
      { kind: 'powerBack', answer: pick(['off', 'asBefore', 'on']) },
      { kind: 'stillWorks', withoutId: 'fuse' },
    ];
    const untouched = bruteForce(design, [], bench);
    for (const says of asked) {
      const fuseOut: Act = { kind: 'move', mover: device('fuse', 'fitted'), position: false };
      const all = says.kind === 'stillWorks' ? bruteForce(design, [fuseOut], bench) : untouched;
      let buzzes = false;
      const lamps = (path: Act[]) => {
        bench.rest();
        for (const act of path) buzzes ||= play(bench, [act]).answer.outcome === 'oscillating';
        return ['lampA', 'lampB'].map((id) => Math.abs(bench.answer.loads.find((load) => load.id === id)!.volts) >= 6);
      };
      const [judged] = judge(design, wish('lampA', says));
      const found = verdicts([judged!])[0]!;
      met[`${says.kind} ${found}`] = (met[`${says.kind} ${found}`] ?? 0) + 1;
      // What buzzes somewhere in the design need not be what the wish hangs on.
      if (all === null) continue;
      const after = ({ acts }: Met, ...more: Act[]) => lamps([...acts, ...more]);
      if (found === 'notFromHouse') {
        // A lamp the house battery has no part in does not heed its isolator.
        const off: Act = { kind: 'move', mover: device('isolator'), position: 'off' };
        expect([seed, all.map((one) => after(one, off)[0])]).toEqual([seed, all.map(({ lit }) => lit[0])]);
        continue;
      }
      const forced = foundOut(says, all, after);
      // One that buzzes with the battery taken off is met only so.
      expect([seed, says, found]).toEqual([seed, says, buzzes && found !== 'broken' ? 'restless' : forced]);
      if (found !== 'broken' || says.kind === 'stillWorks') continue;
      const { series } = judged!;
      const [lit, other] = lamps(series);
      const before = series.at(-1)?.kind === 'move' ? lamps(series.slice(0, says.kind === 'powerBack' ? -2 : -1)) : [];
      const isBroken: Record<string, boolean> = {
        on: !lit,
        off: lit!,
        neverWith: lit! && other!,
        keyOut: says.kind === 'keyOut' && says.answer === 'dark' ? lit! : !lit && before[0] === true,
        powerBack: says.kind === 'powerBack' && lit !== (says.answer === 'asBefore' ? before[0] : says.answer === 'on'),
      };
      expect([seed, says, isBroken[says.kind]]).toEqual([seed, says, true]);
    }
  }
  if (!IS_WHOLE_RUN) return;
  const kinds = ['on', 'off', 'neverWith', 'keyOut', 'powerBack'].flatMap((kind) => [`${kind} kept`, `${kind} broken`]);
  for (const reached of [...kinds, 'on neverHappens', 'neverWith neverHappens', 'stillWorks kept', 'stillWorks broken'])
    expect([reached, (met[reached] ?? 0) >= 5]).toEqual([reached, true]);
});
