import { BoardBuilder, at, put, wireId, wrong } from './boardBuilder';
import { bestWay } from './bestWay';
import { BOARDS } from './boards';
import type { Complaint, Hunt, HuntAct, LeadMode } from './hunt';
import { HuntBench } from './huntBench';
import { readHuntFile, writeHuntFile } from './huntFile';
import { kindsFor, madeHunt } from './makeHunt';
import { scoreOf } from './score';
import { blowsOf } from './shorts';
import type { Told } from './told';

const board = (id: string) => BOARDS.find((one) => one.id === id)!;
const lamp = board('dim-lamp').design;
const feed = wireId('fuse.out', 'switch.in');
const onward = wireId('switch.out', 'lamp.plus');
function huntWith(flaw: Complaint['flaw'], moved: Complaint['moved'] = [], design = lamp): Hunt {
  return { id: 'test', title: 'Test', level: 1, story: '', design, complaints: [{ says: 'x', flaw, moved, loadIds: ['lamp'] }] };
}
const shines = (bench: HuntBench, act: HuntAct) => bench.do(act)!.told.find((told): told is Extract<Told, { kind: 'lamp' }> => told.kind === 'lamp')?.shines; // prettier-ignore
const smells = (bench: HuntBench, subjectId: string) => (bench.do({ kind: 'smell', subjectId })!.told[0] as { smell: string }).smell;
function reads(bench: HuntBench, mode: LeadMode, red: string, black: string) {
  return (bench.do({ kind: 'meter', mode, red: at(red), black: at(black) })!.told[0] as { value: number | null }).value;
}

describe('a lamp in a fuse’s place', () => {
  test('lights brightly into a short, hardly in a row with another lamp, not at all into an open switch. Common practice: lamps in a row share the volts', () => {
    const worn = new HuntBench(huntWith(wrong.chafed('fuse.out', 'switch.in', 'to')));
    expect(worn.blown).toEqual(new Set(['fuse']));
    expect(shines(worn, { kind: 'lamp', fuseId: 'fuse' })).toBe('bright');
    // 21 W in a row with 10 W: 6.9 of some 21 ohm, a third of the volts.
    const sound = new HuntBench(huntWith({ kind: 'none' }));
    expect(shines(sound, { kind: 'lamp', fuseId: 'fuse' })).toBe('dark');
    expect(shines(sound, { kind: 'flick', ...put('switch', 'on') })).toBe('glows');
    expect(sound.does('lamp')).not.toBe('on');
  });

  test('a wire off at its worn end hangs in the air; off at the other it still shorts; the lamp out before a wire is touched, nothing of it is unsafe', () => {
    const bench = new HuntBench(huntWith(wrong.chafed('fuse.out', 'switch.in', 'to')));
    bench.do({ kind: 'lamp', fuseId: 'fuse' });
    const look = (act: HuntAct) => {
      bench.do({ kind: 'lamp', fuseId: null });
      bench.do(act);
      return shines(bench, { kind: 'lamp', fuseId: 'fuse' });
    };
    expect(look({ kind: 'lift', wireId: feed, end: 'to' })).toBe('bright');
    expect(look({ kind: 'land', wireId: feed, end: 'to' })).toBe('bright');
    expect(look({ kind: 'lift', wireId: feed, end: 'from' })).toBe('dark');
    expect(look({ kind: 'land', wireId: feed, end: 'from' })).toBe('bright');
    expect(bench.entries.flatMap(({ unsafe }) => unsafe)).toEqual([]);
    // With the lamp in, the fuse's terminal is live as soon as the short is off it, and again as it is landed on.
    expect(bench.do({ kind: 'lift', wireId: feed, end: 'from' })!.unsafe).toEqual(['liftedLive']);
    expect(bench.do({ kind: 'land', wireId: feed, end: 'from' })!.unsafe).toEqual(['landedLive']);
    // Without the lamp the same lead is live.
    const sound = new HuntBench(huntWith({ kind: 'none' }));
    expect(sound.do({ kind: 'lift', wireId: feed, end: 'from' })!.unsafe).toEqual(['liftedLive']);
  });

  test('is left in at nobody’s peril of being forgotten: what is proved says so; a new fuse takes its place', () => {
    const bench = new HuntBench(huntWith({ kind: 'none' }));
    expect(bench.do({ kind: 'lamp', fuseId: null })!.told).toEqual([{ kind: 'notThere' }]);
    expect(bench.do({ kind: 'lamp', fuseId: 'switch' })!.told).toEqual([{ kind: 'notThere' }]);
    bench.do({ kind: 'lamp', fuseId: 'fuse' });
    expect(bench.state.out).toEqual(new Set(['fuse']));
    expect(bench.do({ kind: 'prove' })!.told[0]).toEqual({ kind: 'proved', left: [{ kind: 'fuseOut', fuseId: 'fuse' }, { kind: 'lamp' }] });
    expect(bench.do({ kind: 'fitFuse', fuseId: 'fuse', ratingA: 5 })!.told).toEqual([]);
    expect(bench.state.lampAt).toBeNull();
    expect(bench.do({ kind: 'prove' })!.told).toEqual([{ kind: 'proved', left: [] }]);
  });
});

describe('a worn wire', () => {
  test('reads next to nothing to the body with the battery off, its lead lifted too; good ones read OL', () => {
    const bench = new HuntBench(huntWith(wrong.chafed('switch.out', 'lamp.plus', 'from')));
    bench.do({ kind: 'isolate', off: true });
    bench.do({ kind: 'lift', wireId: onward, end: 'from' });
    expect(reads(bench, 'ohms', `loose-${onward}-from.joint`, 'minusBar.bar')).toBeLessThan(0.1);
    expect(reads(bench, 'ohms', 'switch.out', 'minusBar.bar')).toBeNull();
    bench.do({ kind: 'mend', named: { kind: 'chafed', subjectId: onward } });
    // The lamp itself, cold: a tenth of 14 ohm and its wires.
    expect(reads(bench, 'ohms', `loose-${onward}-from.joint`, 'minusBar.bar')).toBeGreaterThan(0.5);
  });

  test('is not told by whoever merely looks where it lands, and is smelt there and at what it is joined to', () => {
    const bench = new HuntBench(huntWith(wrong.chafed('switch.out', 'lamp.plus', 'from')));
    const { told } = bench.do({ kind: 'look', deviceId: 'switch' })!;
    expect(told.flatMap((one) => (one.kind === 'lands' ? one.wireIds : []))).toEqual([feed, onward]);
    expect(smells(bench, onward)).toBe('burnt');
    expect(smells(bench, 'switch')).toBe('burnt');
    expect(smells(bench, 'lamp')).toBe('burnt');
    expect(smells(bench, 'battery')).toBe('nothing');
  });

  test('takes the fuse with it as soon as one is put in ahead of the switch, and behind it as soon as that is on', () => {
    const on = [put('switch', 'on')];
    expect(blowsOf(huntWith(wrong.chafed('fuse.out', 'switch.in', 'from'), on))).toEqual({ fuseId: 'fuse', when: 'atOnce' });
    expect(blowsOf(huntWith(wrong.chafed('switch.out', 'lamp.plus', 'from'), on))).toEqual({ fuseId: 'fuse', when: 'switchedOn' });
    // On the way home it touches what it is joined to anyway; ahead of every fuse none goes.
    expect(blowsOf(huntWith(wrong.chafed('lamp.minus', 'minusBar.bar', 'from'), on))).toBeNull();
    expect(blowsOf(huntWith(wrong.chafed('battery.plus', 'main.in', 'from'), on))).toBeNull();
  });

  test('on a body that is the way home it touches the body', () => {
    const design = new BoardBuilder('On the body').supply(30, 'mm2:6').fuse('fuse', 'Lamp', 5).part('ground', 'Ground bolt', 'groundPoint').part('main2', 'Battery ground', 'groundPoint').lamp('lamp', 'Lamp', 10).wires('fuse.out > lamp.plus, lamp.minus > ground.stud, minusBar.bar > main2.stud', 500).design(); // prettier-ignore
    const bench = new HuntBench(huntWith(wrong.chafed('fuse.out', 'lamp.plus', 'to'), [], design));
    expect(bench.blown).toEqual(new Set(['fuse']));
  });
});

test('a plug is pulled apart and put together by hand, each half a terminal of its own, and one left apart is open work', () => {
  const design = new BoardBuilder('A plug').supply(30, 'mm2:6').fuse('fuse', 'Lamp', 5).part('plug', 'Plug', 'plug', { pins: 1 }).lamp('lamp', 'Lamp', 10).wires('fuse.out > plug.a1, plug.b1 > lamp.plus, lamp.minus > minusBar.bar', 500).design(); // prettier-ignore
  const bench = new HuntBench(huntWith({ kind: 'none' }, [], design));
  expect(bench.does('lamp')).toBe('on');
  bench.do({ kind: 'flick', ...put('plug', false, 'mated') });
  expect(bench.does('lamp')).toBe('off');
  expect(reads(bench, 'volts', 'plug.a1', 'battery.minus')).toBeGreaterThan(12);
  expect(reads(bench, 'volts', 'plug.b1', 'battery.minus')).toBeCloseTo(0, 3);
  expect(bench.do({ kind: 'prove' })!.told).toEqual([{ kind: 'proved', left: [{ kind: 'apart', plugId: 'plug' }] }]);
  bench.do({ kind: 'flick', ...put('plug', true, 'mated') });
  expect(bench.does('lamp')).toBe('on');
  expect(bench.do({ kind: 'prove' })!.told).toEqual([{ kind: 'proved', left: [] }]);
});

test('a joint that is hot smells of hot plastic while current runs, a coil that burnt through always', () => {
  const bench = new HuntBench({ ...board('dim-lamp') });
  const home = wireId('lamp.minus', 'minusBar.bar');
  // 0.45 A through 14 ohm: close to 3 W.
  expect(bench.do({ kind: 'touch', subjectId: home })!.told).toEqual([{ kind: 'warmth', warmth: 'hot' }]);
  expect(smells(bench, home)).toBe('hot');
  bench.do({ kind: 'flick', ...put('switch', 'off') });
  expect(smells(bench, home)).toBe('nothing');
  const coil = new HuntBench({ ...board('click-no-light'), complaints: [{ ...board('click-no-light').complaints[0]!, flaw: { kind: 'openCoil', deviceId: 'relay' } }] }); // prettier-ignore
  expect(smells(coil, 'relay')).toBe('burnt');
  expect(smells(coil, 'battery')).toBe('nothing');
});

test('a hunt on a worn wire is made by name, kept in a file and found; played by the finder’s way it costs no points', () => {
  expect(kindsFor(lamp, onward)).toContain('chafed');
  const made = madeHunt(lamp, { named: { kind: 'chafed', subjectId: onward }, ohm: null, loadId: 'lamp', says: 'It blows.', story: '' })!;
  expect(made.shows).toBe(true);
  expect(made.hunt.complaints[0]!.blows).toEqual({ fuseId: 'fuse', when: 'switchedOn' });
  const read = readHuntFile(writeHuntFile(made.hunt));
  expect(read.complaints).toEqual(made.hunt.complaints);
  const way = bestWay(read);
  expect(way.isRight).toBe(true);
  const bench = new HuntBench(read);
  for (const { act } of way.steps) bench.do(act);
  expect(scoreOf(bench.entries, way)).toMatchObject({ points: 100, unsafe: [], blown: 0 });
});
