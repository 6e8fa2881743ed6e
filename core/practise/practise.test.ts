import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { analyse } from '../analysis/analyse';
import { Bench } from '../bench/bench';
import { withFlaw } from '../diagnosis/flaws';
import { minutesFor } from '../diagnosis/diagnose';
import { seeded } from '../energy/weather';
import { IS_WHOLE_RUN, runs } from '../../testing/runs';
import { indexDesign } from '../rig/designIndex';
import { harnessOfDesign, wireNumbersOf } from '../harness/schedule';
import { bestWay } from './bestWay';
import { BoardBuilder, put, wrong } from './boardBuilder';
import { BOARDS } from './boards';
import { namesFor, namesOffered, type Hunt, type HuntAct, type LeadMode } from './hunt';
import { HuntBench } from './huntBench';
import { HuntFileError, readHuntFile, writeHuntFile } from './huntFile';
import { huntFileWords } from './huntFileWords';
import { actWords, toldWords } from './huntWords';
import { randomHunt } from './randomHunt';
import { scoreOf } from './score';

const board = (id: string) => BOARDS.find((one) => one.id === id)!;
const end = (text: string) => ({ deviceId: text.split('.')[0]!, terminal: text.split('.')[1]! });
const meter = (mode: LeadMode, red: string, black: string): HuntAct => ({ kind: 'meter', mode, red: end(red), black: end(black) });

/** Hunts drawn from a seed in a run. */
const HUNTS = runs(56);

/** What a meter with two leads shows on a board. */
function reads(bench: HuntBench, mode: LeadMode, red: string, black: string): number | null | 'live' {
  const [told] = bench.do(meter(mode, red, black))!.told;
  if (told!.kind === 'meterLive') return 'live';
  return (told as { value: number | null }).value;
}

/** A board of this test's own, nothing wrong with it. */
const bare = (design: Hunt['design'], moved: Hunt['complaints'][number]['moved'] = []): Hunt => ({
  ...{ id: 'test', title: 'Test', level: 1, story: '', design },
  complaints: [{ says: 'x', flaw: { kind: 'none' }, moved, loadIds: ['lamp'] }],
});

describe('ready boards', () => {
  test('as planned each is a sound design, wired to the end', () => {
    expect(BOARDS.length).toBeGreaterThanOrEqual(12);
    for (const { id, design } of BOARDS) {
      const faults = analyse(design).findings.filter(({ severity }) => severity === 'fault');
      expect({ id, faults: faults.map(({ rule }) => rule) }).toEqual({ id, faults: [] });
    }
  });

  test.each(BOARDS.map((one) => [one.id, one] as const))('%s: the finder’s way names it, mends it and proves it', (_, hunt) => {
    const way = bestWay(hunt);
    expect(way.isRight).toBe(true);
    expect(way.steps.at(-1)!.act.kind).toBe('prove');
    // A look with a lamp takes four acts: lamp out, wire off, lamp in, and all of it back.
    expect(way.steps.length).toBeLessThanOrEqual(hunt.complaints.some(({ blows }) => blows) ? 24 : 18);
    // What the way read is what a meter reads on a board played anew.
    const bench = new HuntBench(hunt);
    for (const { act, read } of way.steps) {
      const told = bench.do(act)!.told[0];
      if (read !== null) expect((told as { value: number }).value).toBeCloseTo(read, 9);
    }
    expect(bench.isDone).toBe(true);
    expect(scoreOf(bench.entries, way)).toMatchObject({ points: 100, wrongNames: 0, unsafe: [] });
  });

  test('what works and is wrong: an exchanged relay holds its coil with the switch off, and lets the lamp’s current through the switch', () => {
    const hunt = board('hot-relay');
    const bench = new HuntBench(hunt);
    expect(bench.does('bar')).toBe('off');
    // Handbook S2: a held 85 ohm coil takes 12.8 / 85 = 0.15 A; 680 ohm across it some 19 mA more.
    expect(reads(bench, 'volts', 'relay.86', 'relay.85')).toBeGreaterThan(12.5);
    expect((bench.do({ kind: 'clamp', wireId: 'battery-plus_main-in' })!.told[0] as { value: number }).value).toBeCloseTo(12.8 / 85 + 12.8 / 680, 2); // prettier-ignore
    expect(bench.do({ kind: 'touch', subjectId: 'relay' })!.told).toEqual([{ kind: 'warmth', warmth: 'warm' }]);
    bench.do({ kind: 'flick', mover: put('switch', 'on').mover, position: 'on' });
    expect(bench.does('bar')).toBe('on');
    const lit = bench.do({ kind: 'clamp', wireId: 'coilFuse-out_switch-in' })!.told[0] as { value: number };
    expect(lit.value).toBeGreaterThan(9);
  });

  test('a fuse pulled where the wire was taken off ahead of it leaves the radio playing', () => {
    const bench = new HuntBench(board('before-the-fuse'));
    bench.do({ kind: 'pullFuse', fuseId: 'fuse' });
    expect(bench.does('radio')).toBe('on');
    const right = new HuntBench({ ...board('before-the-fuse'), complaints: [{ ...board('before-the-fuse').complaints[0]!, flaw: { kind: 'none' } }] }); // prettier-ignore
    right.do({ kind: 'pullFuse', fuseId: 'fuse' });
    expect(right.does('radio')).toBe('off');
  });

  test('a joint of 14 ohm in a 10 W lamp’s way home reads as Ohm’s law says, and is hot', () => {
    const hunt = board('dim-lamp');
    const bench = new HuntBench(hunt);
    const amps = (bench.do({ kind: 'clamp', wireId: 'lamp-minus_minusBar-bar' })!.told[0] as { value: number }).value;
    expect(reads(bench, 'volts', 'lamp.minus', 'minusBar.bar')).toBeCloseTo(amps * 14, 1);
    expect(bench.do({ kind: 'touch', subjectId: 'lamp-minus_minusBar-bar' })!.told).toEqual([{ kind: 'warmth', warmth: amps * amps * 14 >= 2 ? 'hot' : 'warm' }]); // prettier-ignore
    expect(bench.do({ kind: 'touch', subjectId: 'fuse-out_switch-in' })!.told).toEqual([{ kind: 'warmth', warmth: 'cold' }]);
  });
});

describe('the meter', () => {
  test('ohms on what is live spoil the meter and tell nothing; isolated they tell', () => {
    const bench = new HuntBench(board('dim-lamp'));
    expect(reads(bench, 'ohms', 'lamp.minus', 'minusBar.bar')).toBe('live');
    expect(bench.entries.at(-1)!.unsafe).toEqual(['ohmsLive']);
    bench.do({ kind: 'isolate', off: true });
    expect(reads(bench, 'ohms', 'lamp.minus', 'minusBar.bar')).toBeCloseTo(14, 1);
    expect(bench.entries.at(-1)!.unsafe).toEqual([]);
    // A cold filament has a tenth or so of its hot 144 / 10 ohm. Common practice: an eighth to a fifteenth.
    const cold = reads(bench, 'ohms', 'lamp.plus', 'lamp.minus') as number;
    expect(cold).toBeGreaterThan(14.4 / 15);
    expect(cold).toBeLessThan(14.4 / 7);
  });

  test('a coil with a quenching resistor reads both side by side; an open contact OL, a closed one next to nothing', () => {
    const bench = new HuntBench(bare(board('click-no-light').design));
    bench.do({ kind: 'isolate', off: true });
    // Handbook S2: 680 ohm across a 90 ohm coil reads 79; here 85: 75.6.
    expect(reads(bench, 'ohms', 'relay.86', 'relay.85')).toBeCloseTo((85 * 680) / (85 + 680), 1);
    expect(reads(bench, 'ohms', 'relay.30', 'relay.87')).toBeNull();
    expect(reads(bench, 'continuity', 'switch.in', 'switch.out')).toBeNull();
    bench.do({ kind: 'flick', mover: put('switch', 'on').mover, position: 'on' });
    expect(reads(bench, 'continuity', 'switch.in', 'switch.out')).toBeLessThan(0.05);
  });

  test('the diode range: half a volt and more one way, OL the other', () => {
    const design = new BoardBuilder('Diode').supply().fuse('fuse', 'Lamp', 5).part('diode', 'Diode', 'diode').lamp('lamp', 'Lamp', 10).wires('fuse.out > diode.anode, diode.cathode > lamp.plus, lamp.minus > minusBar.bar', 500).design(); // prettier-ignore
    const bench = new HuntBench(bare(design));
    bench.do({ kind: 'isolate', off: true });
    bench.do({ kind: 'lift', wireId: 'diode-cathode_lamp-plus', end: 'from' });
    // Handbook S13: silicon 0.50 to 0.70 V at a meter's milliampere.
    const forward = reads(bench, 'diode', 'diode.anode', 'diode.cathode') as number;
    expect(forward).toBeGreaterThan(0.45);
    expect(forward).toBeLessThan(0.75);
    expect(reads(bench, 'diode', 'diode.cathode', 'diode.anode')).toBeNull();
  });

  test('a wire between two open contacts reads nothing, whatever the other lead is on', () => {
    const bench = new HuntBench(bare(board('two-places').design, [put('door', 'down'), put('bunk', 'down')]));
    expect(reads(bench, 'volts', 'door.up', 'battery.minus')).toBe(0);
    expect(reads(bench, 'volts', 'door.common', 'door.up')).toBe(0);
    expect(reads(bench, 'volts', 'door.down', 'battery.minus')).toBeGreaterThan(12);
  });

  test('a loose end can be metered, and what it hangs on is live or not', () => {
    const bench = new HuntBench(bare(board('dead-pump').design, [put('switch', 'on')]));
    const lifted = bench.do({ kind: 'lift', wireId: 'switch-out_pump-plus', end: 'to' })!;
    expect(lifted.unsafe).toEqual(['liftedLive']);
    expect(bench.does('pump')).toBe('off');
    expect(reads(bench, 'volts', 'loose-switch-out_pump-plus-to.joint', 'battery.minus')).toBeGreaterThan(12);
    expect(reads(bench, 'volts', 'pump.plus', 'battery.minus')).toBeCloseTo(0, 3);
    bench.do({ kind: 'isolate', off: true });
    expect(bench.do({ kind: 'land', wireId: 'switch-out_pump-plus', end: 'to' })!.unsafe).toEqual([]);
    bench.do({ kind: 'isolate', off: false });
    expect(bench.does('pump')).toBe('on');
  });
});

describe('what is done', () => {
  test('a fused lead past a dead contact runs the pump; from plus to return its own fuse goes', () => {
    const bench = new HuntBench(board('dead-pump'));
    expect(bench.does('pump')).toBe('off');
    bench.do({ kind: 'bridge', lead: { from: end('switch.in'), to: end('switch.out') } });
    expect(bench.does('pump')).toBe('on');
    expect(bench.do({ kind: 'prove' })!.told).toEqual([{ kind: 'proved', left: [{ kind: 'wrong', loadIds: ['pump'] }, { kind: 'bridge' }] }]); // prettier-ignore
    bench.do({ kind: 'bridge', lead: null });
    const short = bench.do({ kind: 'bridge', lead: { from: end('plusBar.bar'), to: end('minusBar.bar') } })!;
    expect(short).toMatchObject({ blown: ['bridge-fuse'], unsafe: ['bridgedShort'] });
  });

  test('a good part taken for bad costs its minutes, mends nothing and is told; live it is unsafe', () => {
    const hunt = board('dead-pump');
    const bench = new HuntBench(hunt);
    const { told, unsafe, minutes } = bench.do({ kind: 'mend', named: { kind: 'dead', subjectId: 'pump' } })!;
    expect({ told, unsafe, minutes }).toEqual({ told: [{ kind: 'mended', isRight: false }], unsafe: ['mendedLive'], minutes: 15 });
    bench.do({ kind: 'isolate', off: true });
    expect(bench.do({ kind: 'mend', named: { kind: 'openContact', subjectId: 'switch' } })).toMatchObject({ told: [{ kind: 'mended', isRight: true }], unsafe: [] }); // prettier-ignore
    expect(bench.do({ kind: 'prove' })!.told).toEqual([{ kind: 'proved', left: [{ kind: 'isolated' }] }]);
    bench.do({ kind: 'isolate', off: false });
    expect(bench.do({ kind: 'prove' })!.told).toEqual([{ kind: 'proved', left: [] }]);
    expect(bench.does('pump')).toBe('on');
    expect(bench.do({ kind: 'prove' })).toBeNull();
    const { points, wrongNames } = scoreOf(bench.entries, bestWay(hunt));
    expect({ points, wrongNames }).toEqual({ points: 75, wrongNames: 1 });
  });

  test('a fuse larger than planned is unsafe and stays open work; the planned one ends it', () => {
    const bench = new HuntBench(bare(board('dead-pump').design));
    bench.do({ kind: 'pullFuse', fuseId: 'fuse' });
    expect(bench.do({ kind: 'fitFuse', fuseId: 'fuse', ratingA: 30 })!.unsafe).toEqual(['biggerFuse']);
    expect(bench.do({ kind: 'prove' })!.told).toEqual([{ kind: 'proved', left: [{ kind: 'otherFuse', fuseId: 'fuse', ratingA: 30 }] }]);
    expect(bench.do({ kind: 'fitFuse', fuseId: 'fuse', ratingA: 10 })!.unsafe).toEqual([]);
    expect(bench.do({ kind: 'prove' })!.told).toEqual([{ kind: 'proved', left: [] }]);
  });

  test('a chafed wire takes its fuse with it, and a new one too until it is mended', () => {
    const hunt: Hunt = { ...bare(board('dead-pump').design, [put('switch', 'on')]), complaints: [{ says: 'x', flaw: wrong.bridged('pump.plus', 'minusBar.bar'), moved: [], loadIds: ['pump'] }] }; // prettier-ignore
    const bench = new HuntBench(hunt);
    expect(bench.do({ kind: 'flick', mover: put('switch', 'on').mover, position: 'on' })!.blown).toEqual(['fuse']);
    expect(bench.do({ kind: 'pullFuse', fuseId: 'fuse' })!.told).toEqual([{ kind: 'link', isWhole: false, ratingA: 10 }]);
    expect(bench.do({ kind: 'fitFuse', fuseId: 'fuse', ratingA: 10 })!.blown).toEqual(['fuse']);
    bench.do({ kind: 'isolate', off: true });
    bench.do({ kind: 'mend', named: { kind: 'bridged', subjectId: 'pump' } });
    bench.do({ kind: 'isolate', off: false });
    expect(bench.do({ kind: 'fitFuse', fuseId: 'fuse', ratingA: 10 })!.blown).toEqual([]);
    expect(bench.does('pump')).toBe('on');
  });

  test('what is not there changes nothing, whatever is asked', () => {
    const bench = new HuntBench(board('dead-pump'));
    const acts: HuntAct[] = [
      meter('volts', 'nothing.plus', 'battery.minus'),
      { kind: 'clamp', wireId: 'nothing' },
      { kind: 'pullFuse', fuseId: 'pump' },
      { kind: 'land', wireId: 'switch-out_pump-plus', end: 'to' },
      { kind: 'look', deviceId: 'nothing' },
      { kind: 'mend', named: { kind: 'dead', subjectId: 'nothing' } },
      { kind: 'bridge', lead: { from: end('nothing.plus'), to: end('pump.plus') } },
    ];
    for (const act of acts) expect(bench.do(act)).toMatchObject({ told: [{ kind: 'notThere' }], minutes: 0 });
  });

  test('acts at random on every board: it always answers in words, and the design never changes', () => {
    const reached = new Set<string>();
    for (const [at, hunt] of BOARDS.entries()) {
      const before = JSON.stringify([...hunt.design.records]);
      const random = seeded(at + 1);
      const bench = new HuntBench(hunt);
      const words = { design: hunt.design, numbers: wireNumbersOf(harnessOfDesign(hunt.design)) };
      for (let step = 0; step < 40 && !bench.isDone; step++) {
        const act = anyAct(bench, random);
        const entry = bench.do(act)!;
        reached.add(act.kind);
        for (const told of entry.told) {
          reached.add(`told ${told.kind}`);
          expect(toldWords(words, 'deviceId' in act ? act.deviceId : null, told)).not.toMatch(/undefined|NaN|^$/);
        }
        for (const what of entry.unsafe) reached.add(what);
        expect(actWords(words, act)).not.toMatch(/undefined|NaN|^$/);
        expect(Number.isFinite(entry.minutes)).toBe(true);
      }
      expect(JSON.stringify([...hunt.design.records])).toBe(before);
    }
    for (const kind of ['flick', 'isolate', 'pullFuse', 'fitFuse', 'lift', 'land', 'bridge', 'meter', 'clamp', 'look', 'touch', 'smell', 'lamp', 'told lamp', 'told smell', 'mend', 'prove', 'told volts', 'told ohms', 'told diode', 'told continuity', 'told meterLive', 'told amps', 'ohmsLive', 'liftedLive', 'mendedLive', 'biggerFuse', 'bridgedShort']) expect(reached).toContain(kind); // prettier-ignore
  }, 60_000);
});

function anyAct(bench: HuntBench, random: () => number): HuntAct {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const { plan } = bench;
  const wire = pick(plan.wires);
  const at = bench.reachable();
  const fuses = [...plan.devices.values()].filter(({ kind }) => kind === 'protection');
  const switches = [...plan.devices.values()].filter(({ kind }) => kind === 'switch');
  const subject = pick([...plan.devices.values(), ...plan.wires]);
  const wireEnd = { wireId: wire.id, end: pick(['from', 'to'] as const) };
  const { lifted, isIsolated } = bench.state;
  return pick<() => HuntAct>([
    () => (switches.length > 0 ? { kind: 'flick', ...put(pick(switches).id, pick(['on', 'off', 'up', 'down'])) } : { kind: 'prove' }),
    () => ({ kind: 'isolate', off: !isIsolated }),
    () => ({ kind: 'pullFuse', fuseId: pick(fuses).id }),
    () => ({ kind: 'fitFuse', fuseId: pick(fuses).id, ratingA: pick([5, 10, 40, 60]) }),
    () => ({ kind: 'lift', ...wireEnd }),
    () => (lifted.length > 0 ? { kind: 'land', ...pick(lifted) } : { kind: 'prove' }),
    () => ({ kind: 'bridge', lead: { from: pick(at), to: pick(at) } }),
    () => ({ kind: 'meter', mode: pick(['volts', 'ohms', 'continuity', 'diode'] as const), red: pick(at), black: pick(at) }),
    () => ({ kind: 'clamp', wireId: wire.id }),
    () => ({ kind: 'look', deviceId: pick([...plan.devices.keys()]) }),
    () => ({ kind: 'touch', subjectId: subject.id }),
    () => ({ kind: 'smell', subjectId: subject.id }),
    () => ({ kind: 'lamp', fuseId: pick([pick(fuses).id, null]) }),
    () => ({ kind: 'mend', named: { kind: pick(namesOffered(subject)), subjectId: subject.id } }),
    () => ({ kind: 'prove' }),
  ])();
}

describe('hunts drawn from a seed', () => {
  const designs = [...BOARDS.map(({ design }) => design), pip()];

  test(`${HUNTS} are found by the finder’s way; the same seed gives the same hunt; every kind of fault comes`, () => {
    const kinds = new Map<string, number>();
    let acts = 0;
    const lost: string[] = [];
    for (let seed = 1; seed <= HUNTS; seed++) {
      const design = designs[seed % designs.length]!;
      const hunt = randomHunt(design, seed)!;
      const { flaw, says, loadIds } = hunt.complaints[0]!;
      kinds.set(flaw.kind, (kinds.get(flaw.kind) ?? 0) + 1);
      if (seed % 20 === 0) expect(randomHunt(design, seed)).toEqual(hunt);
      // The complaint names what truly does not do as it should.
      const sound = new HuntBench({ ...hunt, complaints: [{ ...hunt.complaints[0]!, flaw: { kind: 'none' } }] });
      expect(new HuntBench(hunt).does(loadIds[0]!)).not.toBe(sound.does(loadIds[0]!));
      expect(says).toMatch(/^.+(does nothing|is weak|glows|does not go off|is stronger)/);
      const way = bestWay(hunt);
      acts += way.steps.length;
      if (!way.isRight) lost.push(`${seed} ${flaw.kind}`);
    }
    expect(lost.length).toBeLessThanOrEqual(HUNTS / 50);
    expect(acts / HUNTS).toBeLessThan(9);
    for (const kind of ['openWire', 'highJoint', 'blownFuse', 'deadLoad', 'openContact', 'chafed'])
      if (IS_WHOLE_RUN) expect([kind, (kinds.get(kind) ?? 0) > 1]).toEqual([kind, true]);
  }, 240_000);

  test('somebody who measures at random takes far more', () => {
    const random = seeded(5);
    const hunt = board('shared-ground');
    const way = bestWay(hunt);
    const measured = way.steps.filter(({ read }) => read !== null).length;
    // Only measurements across or past the joint tell: how many at random until one of them comes.
    let tries = 0;
    for (let game = 0; game < 200; game++) {
      const bench = new HuntBench(hunt);
      const at = bench.reachable();
      for (let found = false; !found; tries++) {
        const red = at[Math.floor(random() * at.length)]!;
        const read = bench.do({ kind: 'meter', mode: 'volts', red, black: end('battery.minus') })!.told[0] as { value: number };
        const sound = ['step.minus', 'bath.minus', 'joint.joint'].includes(`${red.deviceId}.${red.terminal}`);
        found = sound && read.value > 1;
        if (bench.entries.length > 60) break;
      }
    }
    expect(tries / 200).toBeGreaterThan(measured + 1);
  }, 60_000);

  test('what hunts read equals the engine’s own reading of the design with that fault in it', () => {
    for (const hunt of BOARDS) {
      const { flaw, moved } = hunt.complaints[0]!;
      if (hunt.complaints.length > 1) continue;
      const flawed = withFlaw(indexDesign(hunt.design), flaw);
      const engine = new Bench(flawed.index);
      for (const [id, controls] of flawed.held) for (const [control, value] of Object.entries(controls)) engine.set(id, control, value);
      for (const { mover, position } of moved)
        if (mover.kind !== 'device' || flawed.held.get(mover.deviceId)?.[mover.control] === undefined)
          engine.do({ kind: 'move', mover, position });
      engine.wait(1);
      const bench = new HuntBench(hunt);
      for (const red of bench.reachable()) {
        const { told, minutes } = bench.do({ kind: 'meter', mode: 'volts', red, black: end('battery.minus') })!;
        expect((told[0] as { value: number }).value).toBeCloseTo(engine.volts(red, end('battery.minus')) ?? 0, 3);
        expect(minutes).toBe(minutesFor(indexDesign(hunt.design), { kind: 'volts', at: red, to: null }));
      }
    }
  });
});

describe('a hunt in a file', () => {
  test('comes back as it was, tells nothing at a glance, and nothing of its owner', () => {
    const hunt = randomHunt(heron(), 3)!;
    const text = writeHuntFile(hunt);
    const read = readHuntFile(text);
    expect(read.complaints).toEqual(hunt.complaints);
    expect(readHuntFile(writeHuntFile(board('drain'))).id).not.toBe(read.id);
    expect(text).not.toContain(hunt.complaints[0]!.flaw.kind);
    expect([...read.design.records.values()].filter(({ type }) => type === 'event' || type === 'reading' || type === 'stock')).toEqual([]);
    expect(bestWay(read).steps.length).toBeGreaterThan(0);
  }, 60_000);

  test.each<[string, (file: Record<string, unknown>) => unknown, RegExp]>([
    ['no JSON', () => '{', /no JSON/],
    ['another format', (file) => ({ ...file, format: 'x' }), /format/],
    ['a newer version', (file) => ({ ...file, version: 9 }), /version/],
    ['broken records', (file) => ({ ...file, records: [{ id: 'x' }] }), /./],
    ['answers taken out', (file) => ({ ...file, wrapped: btoa('[]') }), /ask for the file again/],
    [
      'answers about something else',
      (file) => ({
        ...file,
        wrapped: btoa(JSON.stringify([{ says: 'x', flaw: { kind: 'blownFuse', fuseId: 'nothing' }, moved: [], loadIds: ['lamp'] }])),
      }),
      /does not have/,
    ],
  ])('is refused with %s', (_, spoil, why) => {
    const file = JSON.parse(writeHuntFile(board('dim-lamp'))) as Record<string, unknown>;
    const spoilt = spoil(file);
    expect(() => readHuntFile(typeof spoilt === 'string' ? spoilt : JSON.stringify(spoilt))).toThrow(HuntFileError);
    try {
      readHuntFile(typeof spoilt === 'string' ? spoilt : JSON.stringify(spoilt));
    } catch (error) {
      expect((error as HuntFileError).faults.map(huntFileWords).join()).toMatch(why);
    }
  });
});

test('every fault a board may have can be named from what is offered', () => {
  for (const { design, complaints } of BOARDS)
    for (const { flaw } of complaints)
      expect(namesFor(flaw).some(({ kind, subjectId }) => namesOffered(design.records.get(subjectId)).includes(kind))).toBe(true);
});
