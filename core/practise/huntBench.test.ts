import { ohmsExpected } from '../plan/ohms';
import { indexDesign } from '../rig/designIndex';
import { at, BoardBuilder, put, wireId, wrong } from './boardBuilder';
import { BOARDS } from './boards';
import type { Complaint, Hunt, HuntAct, LeadMode } from './hunt';
import { HuntBench } from './huntBench';
import type { Told } from './told';

const board = (id: string) => BOARDS.find((one) => one.id === id)!;
/** A board with one fault of this test's own, or none. */
function benchWith(design: Hunt['design'], flaw: Complaint['flaw'] = { kind: 'none' }, moved: Complaint['moved'] = []): HuntBench {
  const complaints = [{ says: 'x', flaw, moved, loadIds: ['lamp'] }];
  return new HuntBench({ id: 'test', title: 'Test', level: 1, story: '', design, complaints });
}
const first = (bench: HuntBench, act: HuntAct) => bench.do(act)!.told[0]!;
const meter = (mode: LeadMode, red: string, black: string): HuntAct => ({ kind: 'meter', mode, red: at(red), black: at(black) });
const reads = (bench: HuntBench, mode: LeadMode, red: string, black: string) => (first(bench, meter(mode, red, black)) as { value: number | null }).value; // prettier-ignore
const flick = (deviceId: string, position: string): HuntAct => ({ kind: 'flick', ...put(deviceId, position) });

describe('a wire that is broken within', () => {
  const wire = wireId('switch.out', 'pump.plus');
  const broken = () => benchWith(board('dead-pump').design, wrong.broken('switch.out', 'pump.plus'), [put('switch', 'on')]);

  test('still lies on both its terminals for whoever looks', () => {
    const bench = broken();
    const landsAt = (deviceId: string, terminal: string) =>
      bench.do({ kind: 'look', deviceId })!.told.find((told): told is Extract<Told, { kind: 'lands' }> => told.kind === 'lands' && told.terminal === terminal)!.wireIds; // prettier-ignore
    expect(landsAt('switch', 'out')).toEqual([wire]);
    expect(landsAt('pump', 'plus')).toEqual([wire]);
  });

  test('is proved with one end off and ohms from end to end, where a good one reads next to nothing', () => {
    const bench = broken();
    bench.do({ kind: 'isolate', off: true });
    bench.do({ kind: 'lift', wireId: wire, end: 'to' });
    expect(reads(bench, 'ohms', `loose-${wire}-to.joint`, 'switch.out')).toBeNull();
    const good = wireId('pump.minus', 'minusBar.bar');
    bench.do({ kind: 'lift', wireId: good, end: 'to' });
    expect(reads(bench, 'ohms', `loose-${good}-to.joint`, 'pump.minus')).toBeLessThan(0.1);
    expect(bench.entries.flatMap(({ unsafe }) => unsafe)).toEqual([]);
  });

  test('carries nothing, and does again once it is mended', () => {
    const bench = broken();
    expect(first(bench, { kind: 'clamp', wireId: wire })).toMatchObject({ kind: 'amps' });
    expect((first(bench, { kind: 'clamp', wireId: wire }) as { value: number }).value).toBeLessThan(1e-6);
    bench.do({ kind: 'mend', named: { kind: 'joint', subjectId: wire } });
    // 60 W at 12 V and a little over it: common practice, I = P / U.
    expect((first(bench, { kind: 'clamp', wireId: wire }) as { value: number }).value).toBeGreaterThan(4.5);
  });
});

describe('ohms', () => {
  test.each(['resistive', 'filament', 'motor'] as const)(
    'a %s load reads as Build and test says it does, cold and at rest',
    (behaviour) => {
      const design = new BoardBuilder('One load').supply().fuse('fuse', 'Load', 10).lamp('lamp', 'Load', 60, behaviour).wires('fuse.out > lamp.plus, lamp.minus > minusBar.bar', 500).design(); // prettier-ignore
      const bench = benchWith(design);
      bench.do({ kind: 'isolate', off: true });
      const { allOn } = ohmsExpected(indexDesign(design).loads, new Set());
      expect(reads(bench, 'ohms', 'lamp.plus', 'lamp.minus')! / allOn!).toBeCloseTo(1, 2);
    },
  );

  test.each(['ledStrip', 'ledConstantPower', 'converter'] as const)('of %s no meter says anything that counts', (behaviour) => {
    const design = new BoardBuilder('One load').supply().fuse('fuse', 'Load', 10).lamp('lamp', 'Load', 60, behaviour).wires('fuse.out > lamp.plus, lamp.minus > minusBar.bar', 500).design(); // prettier-ignore
    const bench = benchWith(design);
    bench.do({ kind: 'isolate', off: true });
    expect(reads(bench, 'ohms', 'lamp.plus', 'lamp.minus')).toBeNull();
  });

  test('with its fuse pulled and its switch off a circuit may be metered; with the switch on and the fuse in it may not', () => {
    const bench = benchWith(board('dead-pump').design);
    bench.do({ kind: 'pullFuse', fuseId: 'fuse' });
    expect(reads(bench, 'ohms', 'switch.out', 'pump.plus')).toBeLessThan(0.1);
    expect(bench.entries.at(-1)!.unsafe).toEqual([]);
    bench.do({ kind: 'fitFuse', fuseId: 'fuse', ratingA: 10 });
    bench.do(flick('switch', 'on'));
    expect(first(bench, meter('ohms', 'switch.out', 'pump.plus'))).toMatchObject({ kind: 'meterLive' });
  });
});

describe('what is safe', () => {
  test('an isolator that is off isolates as well as the minus lead', () => {
    const design = new BoardBuilder('With an isolator')
      .supply()
      .part('isolator', 'Isolator', 'isolator')
      .fuse('fuse', 'Lamp', 5)
      .lamp('lamp', 'Lamp', 10)
      .wires('fuse.out > isolator.in, isolator.out > lamp.plus, lamp.minus > minusBar.bar', 500)
      .design();
    const live = benchWith(design, { kind: 'deadLoad', loadId: 'lamp' });
    expect(live.do({ kind: 'mend', named: { kind: 'dead', subjectId: 'lamp' } })!.unsafe).toEqual(['mendedLive']);
    const off = benchWith(design, { kind: 'deadLoad', loadId: 'lamp' });
    off.do(flick('isolator', 'off'));
    expect(off.do({ kind: 'mend', named: { kind: 'dead', subjectId: 'lamp' } })!.unsafe).toEqual([]);
  });

  test('a wire landed on the wrong terminal lands there again, live or not as that one is', () => {
    const hunt = board('before-the-fuse');
    const bench = new HuntBench(hunt);
    const wire = wireId('fuse.out', 'radio.plus');
    bench.do({ kind: 'pullFuse', fuseId: 'fuse' });
    // By the plan it hangs on a fuse that is out; truly it is on the bar.
    expect(bench.do({ kind: 'lift', wireId: wire, end: 'from' })!.unsafe).toEqual(['liftedLive']);
    expect(bench.do({ kind: 'land', wireId: wire, end: 'from' })!.unsafe).toEqual(['landedLive']);
    expect(bench.does('radio')).toBe('on');
  });

  test('with the vehicle’s own battery still on a trigger wire, the minus lead off makes not everything dead', () => {
    const bench = new HuntBench(board('follow-beam'));
    bench.do({ kind: 'isolate', off: true });
    expect(first(bench, meter('ohms', 'switch.up', 'minusBar.bar'))).toMatchObject({ kind: 'meterLive' });
    expect(bench.entries.at(-1)!.unsafe).toEqual(['ohmsLive']);
  });
});

test('a fuse that has gone is no good one, whatever made it go; the cause is still to be found', () => {
  const bench = benchWith(board('dead-pump').design, wrong.bridged('pump.plus', 'minusBar.bar'), [put('switch', 'on')]);
  expect(first(bench, { kind: 'mend', named: { kind: 'blown', subjectId: 'fuse' } })).toEqual({ kind: 'mended', isRight: true });
  expect(bench.entries.at(-1)!.blown).toEqual(['fuse']);
  expect(first(bench, { kind: 'mend', named: { kind: 'blown', subjectId: 'main' } })).toEqual({ kind: 'mended', isRight: false });
  const proved = first(bench, { kind: 'prove' }) as Extract<Told, { kind: 'proved' }>;
  expect(proved.left).toContainEqual({ kind: 'wrong', loadIds: ['lamp'] });
  expect(proved.left).toContainEqual({ kind: 'fuseOut', fuseId: 'fuse' });
});

test('a relay clicks as its coil is fed and let go, and not as its own contact sticks', () => {
  const bench = benchWith(board('click-no-light').design);
  expect(bench.do(flick('switch', 'on'))!.clicks).toEqual(['relay']);
  expect(bench.do(flick('switch', 'on'))!.clicks).toEqual([]);
  expect(bench.do(flick('switch', 'off'))!.clicks).toEqual(['relay']);
  const silent = new HuntBench(board('silent-relay'));
  expect(silent.do(flick('switch', 'off'))!.clicks).toEqual([]);
});

test('a pull, a lead and a rating stay as they were left while other things are done', () => {
  const bench = benchWith(board('two-faults').design);
  bench.do({ kind: 'pullFuse', fuseId: 'pumpFuse' });
  bench.do({ kind: 'fitFuse', fuseId: 'fridgeFuse', ratingA: 10 });
  bench.do({ kind: 'lift', wireId: wireId('lightSwitch.out', 'lights.plus'), end: 'to' });
  bench.do(flick('lightSwitch', 'on'));
  bench.do(flick('pumpSwitch', 'on'));
  expect([bench.does('pump'), bench.does('lights'), bench.does('fridge')]).toEqual(['off', 'off', 'on']);
  const { out, fittedA, lifted } = bench.state;
  expect([[...out], [...fittedA], lifted.length]).toEqual([['pumpFuse'], [['fridgeFuse', 10]], 1]);
  bench.do({ kind: 'land', wireId: wireId('lightSwitch.out', 'lights.plus'), end: 'to' });
  bench.do({ kind: 'fitFuse', fuseId: 'pumpFuse', ratingA: 10 });
  expect([bench.does('pump'), bench.does('lights')]).toEqual(['on', 'on']);
});
