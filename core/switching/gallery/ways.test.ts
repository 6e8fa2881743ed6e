import { rig } from '../../../testing/rig';
import { choice, LAMP, OTHER, problems, small, takenWay, truthTable } from '../../../testing/gallery';
import { analyse } from '../../analysis/analyse';
import { truthOf } from '../../bench/truth';
import { Bench } from '../../bench/bench';
import { judgeWishes } from '../../bench/judge';
import { applyChange } from '../../design/change';
import { recordsOf, type Design } from '../../design/design';
import { traceWiring } from '../../network/traceWiring';
import { indexDesign } from '../../rig/designIndex';
import { heron } from '../../../demo/heron';
import { wayCalled, WAYS, type WayId } from './ways';
import { wayTo } from './wayTo';

const taken = (design: Design, id: string, loadId = LAMP, by = choice(id)) => takenWay(design, id, loadId, by);
const truth = (design: Design, loadId = LAMP) => truthTable(design, loadId);

// Reverse is live with the ignition, which the starter leaves live.
const BY_REVERSE = {
  'key off, reverse out': false,
  'key off, reverse in': false,
  'key accessory, reverse out': false,
  'key accessory, reverse in': false,
  'key on, reverse out': false,
  'key on, reverse in': true,
  'key start, reverse out': false,
  'key start, reverse in': true,
};

// Written down by hand from what each way is for: common practice, and the textbook for two and three places. Lit: yes; what is not named
// does not matter.
const TRUTH: Record<string, Record<string, boolean>> = {
  direct: { '': true },
  switch: { 'switch off': false, 'switch on': true },
  switchPilot: { 'switch off': false, 'switch on': true },
  switchFind: { 'switch off': false, 'switch on': true },
  switchNight: { 'switch off': false, 'switch on': true },
  relay: { 'switch off': false, 'switch on': true },
  relayMinus: { 'switch off': false, 'switch on': true },
  // A press turns it over; from rest one press is one turn.
  button: { 'button off': false, 'button on': true },
  oneOfTwo: { 'switch off': false, 'switch up': true, 'switch down': false },
  select: {
    'choice down, switch off': false,
    'choice up, switch off': false,
    'choice down, switch on': false,
    'choice up, switch on': true,
  },
  twoPlaces: {
    'switch, first place down, switch, last place down': true,
    'switch, first place down, switch, last place up': false,
    'switch, first place up, switch, last place down': false,
    'switch, first place up, switch, last place up': true,
  },
  // The intermediate rests crossed: lit where an even number of the three is up, but for that; each of them turns it over.
  threePlaces: Object.fromEntries(
    ['down', 'up'].flatMap((first) =>
      ['down', 'up'].flatMap((last) =>
        ['down', 'up'].map((middle) => [
          `switch, first place ${first}, switch, last place ${last}, switch, middle place ${middle}`,
          (first === last) === (middle === 'up'),
        ]),
      ),
    ),
  ),
  twoPlacesDimmed: {
    'switch, first place down, switch, last place down': true,
    'switch, first place down, switch, last place up': false,
    'switch, first place up, switch, last place down': false,
    'switch, first place up, switch, last place up': true,
  },
  dimmer: { '': true },
  returnDimmer: { '': true },
  sharedDimmer: { '': true },
  radio: { 'radio false': false, 'radio true': true },
  radioHeld: { 'radio false': false, 'radio true': true },
  radioRelay: { 'radio false': false, 'radio true': true },
  radioOrHand: {
    'radio false, switch off': false,
    'radio false, switch up': false,
    'radio false, switch down': true,
    'radio true, switch off': false,
    'radio true, switch up': true,
    'radio true, switch down': true,
  },
  // By the panel up is the first, by radio its channel; the other channel changes nothing about it, since the first goes before.
  coloursRadio: {
    'panel or radio down, radio false, switch off': false,
    'panel or radio down, radio false, switch up': true,
    'panel or radio down, radio false, switch down': false,
    'panel or radio down, radio true, switch off': false,
    'panel or radio down, radio true, switch up': true,
    'panel or radio down, radio true, switch down': false,
    'panel or radio up, radio false, switch off': false,
    'panel or radio up, radio false, switch up': false,
    'panel or radio up, radio false, switch down': false,
    'panel or radio up, radio true, switch off': true,
    'panel or radio up, radio true, switch up': true,
    'panel or radio up, radio true, switch down': true,
  },
  channel: { 'hub false': false, 'hub true': true },
  channelRelay: { 'hub false': false, 'hub true': true },
  motion: {
    'enabling switch off, motion sensor false': false,
    'enabling switch off, motion sensor true': false,
    'enabling switch on, motion sensor false': false,
    'enabling switch on, motion sensor true': true,
  },
  // A motion by day starts nothing.
  motionDark: Object.fromEntries(
    ['off', 'on'].flatMap((enabling) =>
      [false, true].flatMap((moving) =>
        ['day', 'dark'].map((daylight) => [
          `daylight ${daylight}, enabling switch ${enabling}, motion sensor ${moving}`,
          enabling === 'on' && moving && daylight === 'dark',
        ]),
      ),
    ),
  ),
  door: { 'door switch shut': false, 'door switch open': true },
  roller: { 'roller switch false': true, 'roller switch true': false },
  plunger: { 'hood switch false': true, 'hood switch true': false },
  // The ignition's wire stays live while the starter turns.
  signal: { 'key off': false, 'key accessory': false, 'key on': true, 'key start': true },
  follow: {
    'lamps off, switch off': false,
    'lamps off, switch up': false,
    'lamps off, switch down': true,
    'lamps side, switch off': false,
    'lamps side, switch up': false,
    'lamps side, switch down': true,
    'lamps low, switch off': false,
    'lamps low, switch up': false,
    'lamps low, switch down': true,
    'lamps high, switch off': false,
    'lamps high, switch up': true,
    'lamps high, switch down': true,
    'lamps flash, switch off': false,
    'lamps flash, switch up': true,
    'lamps flash, switch down': true,
  },
  late: { 'key off': false, 'key accessory': false, 'key on': true, 'key start': true },
  hub: BY_REVERSE,
  output: BY_REVERSE,
  outputRelay: BY_REVERSE,
};

/** Whether a way switches another load too, or hangs on what does. */
const isShared = (id: string) => ['channel', 'output', 'sharedDimmer'].includes(id) || WAYS.find((way) => way.id === id)!.asks === 'other';

test('every way of the gallery has its table here', () => {
  expect(Object.keys(TRUTH).sort()).toEqual(WAYS.map(({ id }) => id).sort());
});

describe.each(WAYS.map(({ id }) => id))('%s', (id) => {
  test('does what is written down of it, and brings nothing that is wrong', () => {
    const before = small();
    const { design } = taken(before, id);
    expect(truth(design)).toEqual(TRUTH[id]);
    expect(problems(design)).toEqual(problems(before));
  });

  test('gives way to every other one, and leaves nothing of itself', () => {
    const { design } = taken(small(), id);
    const parts = (one: Design) => recordsOf(one, 'device').filter(({ kind }) => kind !== 'signalSource').map((device) => device.id).sort(); // prettier-ignore
    if (!isShared(id)) expect(parts(taken(design, 'direct').design)).toEqual(parts(small()));
    // What switches another load too stays ahead of it.
    if (isShared(id)) return;
    for (const next of WAYS) expect([next.id, truth(taken(design, next.id).design)]).toEqual([next.id, TRUTH[next.id]]);
  });
});

test('of two that share a switch, one is lit at a time, and each of the other’s own switching goes', () => {
  const { design } = taken(taken(small(), 'switch', OTHER).design, 'oneOfTwo');
  expect(truth(design, OTHER)).toEqual({ 'switch off': false, 'switch up': false, 'switch down': true });
  expect(truth(taken(small(), 'select').design, OTHER)).toEqual({
    'choice down, switch off': false,
    'choice up, switch off': false,
    'choice down, switch on': true,
    'choice up, switch on': false,
  });
});

test('the vehicle’s signals there are already are taken, and their ground joined to ours where it is not', () => {
  const build = rig();
  build.supply();
  build.slot('first', 1, 10);
  build.lampBehind('first', 1, 36);
  build.add({ id: 'signals', kind: 'signalSource', signals: ['brake'], maxA: 0.5 });
  const { design } = taken(build.design(), 'signal');
  expect(recordsOf(design, 'device').filter(({ kind }) => kind === 'signalSource')).toMatchObject([
    { id: 'signals', signals: ['brake', 'ignition'] },
  ]);
  expect(truth(design)).toEqual(TRUTH.signal);
});

test('a load that nothing feeds yet is fed by the switch it shares, and gets a way home', () => {
  const build = rig();
  build.supply();
  build.slot('first', 1, 10);
  build.lampBehind('first', 1, 36);
  build.load(24, 'resistive', 0, { id: OTHER });
  const { design } = taken(build.design(), 'oneOfTwo');
  expect(truth(design, OTHER)).toEqual({ 'switch off': false, 'switch up': false, 'switch down': true });
  expect(problems(design)).toEqual([]);
});

test('a new switch takes name and place of the one before; what is dropped is told', () => {
  const first = taken(small(), 'switch').design;
  const sw = recordsOf(first, 'device').find(({ name }) => name === 'first_lamp switch')!;
  const named = applyChange(first, { added: [], removed: [], updated: [{ from: sw, to: { ...sw, name: 'Porch' } }] });
  const next = taken(named, 'twoPlaces');
  expect(next.dropped.map(({ name }) => name)).toEqual(['Porch']);
  expect(recordsOf(next.design, 'device').filter(({ kind }) => kind === 'switch').map(({ name }) => name)).toEqual(['Porch', 'first_lamp switch, last place']); // prettier-ignore
});

test('what switches others too is left alone', () => {
  const build = rig();
  build.supply();
  build.slot('first', 1, 10);
  build.add({ id: 'common', kind: 'switch', ratingA: 10 });
  build.load(12, 'resistive', 0, { id: 'a' });
  build.load(12, 'resistive', 0, { id: 'b' });
  build.wire('first.out', 'common.in');
  for (const lamp of ['a', 'b']) {
    build.wire('common.out', `${lamp}.plus`);
    build.wire(`${lamp}.minus`, 'bar.bar', 1000, 'mm2:2.5', 'return');
  }
  build.circuit('first', 1, 'first');
  const { design, dropped } = taken(build.design(), 'motion', 'a');
  expect(dropped).toEqual([]);
  const index = indexDesign(design);
  const found = truthOf(index, traceWiring(index), 'a');
  expect('rows' in found && found.rows.filter(({ on }) => on)).toHaveLength(1);
  expect(truth(design, 'b')).toEqual({ 'common off': false, 'common on': true });
});

test('a button turns a latching relay over at each press, and it stays so without power; one that lets go late does so after its time', () => {
  const { design } = taken(small(), 'button');
  const index = indexDesign(design);
  const bench = new Bench(index);
  const button = [...index.devices.values()].find(({ name }) => name.endsWith('button'))!.id;
  const lit = () => bench.answer.loads.find(({ id }) => id === LAMP)!.state === 'on';
  const press = () => [true, false].map((down) => (bench.set(button, 'position', down ? 'on' : 'off'), lit()));
  expect([press(), press(), press()]).toEqual([
    [true, true],
    [false, false],
    [true, true],
  ]);
  bench.set('isolator', 'position', 'off');
  expect(lit()).toBe(false);
  bench.set('isolator', 'position', 'on');
  expect(lit()).toBe(true);
  const late = new Bench(indexDesign(taken(small(), 'late').design));
  const shines = () => late.answer.loads.find(({ id }) => id === LAMP)!.state === 'on';
  const seen = [() => late.drive('key', 'on'), () => late.drive('key', 'off'), () => late.wait(59), () => late.wait(2)].map((act) => act().answer.loads.find(({ id }) => id === LAMP)!.state); // prettier-ignore
  expect([seen, shines()]).toEqual([['on', 'on', 'on', 'off'], false]);
});

test('dimmed on either side a lamp is lit as far as it is set, and a load without a circuit is refused', () => {
  for (const id of ['dimmer', 'returnDimmer', 'twoPlacesDimmed']) {
    const index = indexDesign(taken(small(), id).design);
    const bench = new Bench(index);
    const dimmer = [...index.devices.values()].find(({ kind, name }) => kind === 'dimmer' && name !== 'knob')!.id;
    const level = (percent: number) => bench.set(dimmer, 'levelPercent', percent).answer.loads.find((load) => load.id === LAMP)!.level;
    const full = level(100);
    expect([id, Math.round((level(25) / full) * 100), level(0)]).toEqual([id, 25, 0]);
  }
  const build = rig();
  build.supply();
  build.load(12, 'resistive', 0, { id: 'loose' });
  expect(wayTo(build.design(), 'loose', WAYS[1]!, choice('switch'))).toBeNull();
});

test('white and amber by panel and by fob: never both, in all the ways their switches and channels can stand', () => {
  const { design } = taken(small(), 'coloursRadio');
  const index = indexDesign(design);
  const judged = judgeWishes(index, traceWiring(index), [
    { id: 'w', type: 'wish', loadId: LAMP, says: { kind: 'neverWith', otherId: OTHER } },
    { id: 'p', type: 'wish', loadId: LAMP, says: { kind: 'powerBack', answer: 'asBefore' } },
  ]);
  expect(judged.map(({ verdict }) => verdict)).toEqual(['kept', 'broken']);
  expect(judged[0]!.tried).toBeGreaterThan(40);
});

// Common practice: one set of the vehicle's wires serves many relays; that one of them is wired anew is no matter of the others.
test('on Heron, whose relays share the vehicle’s wires, another way drops the load’s own switch and relay; what switches a load behind it stays', () => {
  const design = heron();
  const named = (of: Design, name: string) => recordsOf(of, 'device').find((device) => device.name === name);
  const taken = (load: string, way: WayId, signal: 'reverse' | 'door') =>
    wayTo(design, named(design, load)!.id, wayCalled(way), { signal, otherId: null })!;
  const reversing = taken('Reversing lamp', 'signal', 'reverse');
  expect(reversing.dropped.map(({ name }) => name).sort()).toEqual(['Reversing lamps relay', 'Reversing lamps switch']);
  expect(named(applyChange(design, reversing.change), 'Beam hub')).toBeDefined();
  const door = taken('Door light', 'switch', 'door');
  expect(door.dropped.map(({ name }) => name)).toEqual(['Rear door contact']);
  expect(named(applyChange(design, door.change), 'Step motion sensor')).toBeDefined();
});

// Common practice: what works a coil carries tenths of an ampere, and is as thick as its fuse asks for, not as the lamp's drop does.
test('of a run that is thick for its drop, what works a coil is only as thick as its fuse asks for; what carries the lamp stays', () => {
  const { index, wires } = analyse(heron());
  const called = new Map(Array.from(index.devices.values(), ({ id, name }) => [name, id]));
  const relays = new Set(
    ['Left white relay', 'Left amber relay', 'Right white relay', 'Right amber relay'].map((name) => called.get(name)!),
  );
  let [coils, lamps] = [0, 0];
  for (const { id, from, to, conductor } of index.wires)
    for (const { deviceId, terminal } of [from, to]) {
      if (!relays.has(deviceId)) continue;
      const isCoil = terminal === '85' || terminal === '86';
      expect([terminal, conductor]).toEqual([terminal, isCoil ? 'mm2:1' : 'mm2:6']);
      expect(wires.get(id)!.ampacity.amps).toBeGreaterThanOrEqual(10);
      if (isCoil) coils += 1;
      else lamps += 1;
    }
  expect([coils, lamps]).toEqual([8, 10]);
});
