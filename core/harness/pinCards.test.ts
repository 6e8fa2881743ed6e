import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { rig } from '../../testing/rig';
import { analyse } from '../analysis/analyse';
import { findHarness } from '../analysis/rules/harnessRules';
import { PARTS } from '../devices/parts';
import { halvesWords } from '../wording/harnessWords';
import { traceWiring } from '../network/traceWiring';
import type { Design } from '../design/design';
import { indexDesign } from '../rig/designIndex';
import { pinCards, RELAY_BLADES } from './pinCards';
import { screwsOf } from './screws';
import { harnessOf } from './schedule';

function cardsOf(design: Design) {
  const index = indexDesign(design);
  return pinCards(index, harnessOf(index, traceWiring(index)));
}

test.each<[string, () => Design]>([
  ['Heron', heron],
  ['Pip', pip],
])('on %s’s cards every wire stands twice, once at each end', (_, make) => {
  const design = make();
  const lands = cardsOf(design).flatMap(({ pins }) => pins.flatMap((pin) => pin.lands.map(({ line }) => line.wire.id)));
  const wires = indexDesign(design).wires.map(({ id }) => id);
  expect(lands.sort()).toEqual([...wires, ...wires].sort());
});

test('a block’s card has its slots’ wires, a relay’s says what is free and which way its coil is wired', () => {
  const build = rig();
  build.supply();
  build.slot('f', 3, 10);
  build.add({ ...PARTS.find(({ id }) => id === 'relay')!.make(12), suppression: 'diode', id: 'relay' } as Parameters<typeof build.add>[0]);
  build.wire('f.out', 'relay.30');
  const cards = cardsOf(build.design());
  const card = (id: string) => cards.find(({ device }) => device.id === id)!;
  expect(card('block').pins.map(({ terminal, lands }) => [terminal, lands.length])).toEqual([['in', 1], ['3', 1]]); // prettier-ignore
  expect(card('block').pins[1]!.lands[0]!.far).toMatchObject({ deviceId: 'relay', terminal: '30' });
  expect(card('relay').pins.filter(({ lands }) => lands.length === 0).map(({ terminal }) => terminal).sort()).toEqual(['85', '86', '87']); // prettier-ignore
  expect(card('relay').turns).toBe('coilDiode');
  expect(cards.some(({ device }) => device.id === 'f')).toBe(false);
});

// ISO 7588-1, blades towards one: 87 at the top and 87a in the middle lying, 30 at the bottom turned, 86 left, 85 right. From memory.
test('a relay’s blades are where its standard has them', () => {
  const { 30: common, 85: end, 86: start, 87: make, '87a': rest } = RELAY_BLADES;
  expect(make.y < rest.y && rest.y < common.y).toBe(true);
  expect([make.upright, rest.upright, common.upright]).toEqual([false, false, true]);
  expect(start.x < 0 && end.x > 0 && start.upright && end.upright).toBe(true);
});

// Common practice: nothing live is handled: loads first, the battery's plus last of all.
test('screws come a device at a time, every end once, the battery’s plus the very last', () => {
  for (const design of [heron(), pip()]) {
    const index = indexDesign(design);
    const harness = harnessOf(index, traceWiring(index));
    const screws = screwsOf(index, pinCards(index, harness));
    expect(screws).toHaveLength(harness.wires.length * 2);
    expect(new Set(screws.map(({ line, far }) => `${line.wire.id} ${far.deviceId} ${far.terminal}`)).size).toBe(screws.length);
    const last = screws.at(-1)!;
    expect([last.device.kind, last.terminal]).toEqual(['battery', 'plus']);
    const firsts = screws.map(({ device }, at) => (device.id !== screws[at - 1]?.device.id ? device.id : null)).filter(Boolean);
    expect(new Set(firsts).size).toBe(firsts.length);
    const kinds = screws.map(({ device }) => device.kind);
    expect(kinds.lastIndexOf('load')).toBeLessThan(kinds.indexOf('switch'));
    expect(kinds.lastIndexOf('switch')).toBeLessThan(kinds.indexOf('fuseBlock'));
    for (const { at, of } of screws) expect(at).toBeLessThanOrEqual(of);
  }
});

// Common practice: the half that stays live has the covered contacts.
describe('halves of a plug', () => {
  const plugged = (more: (build: ReturnType<typeof rig>) => void = () => {}) => {
    const build = rig();
    build.supply();
    build.slot('f', 1, 10);
    build.add({ id: 'switch', kind: 'switch', ratingA: 16 });
    build.add({ id: 'plug', kind: 'plug', pins: 2, contactMilliohm: 2, ratingA: 20 });
    build.load(12, 'resistive', 0, { id: 'lamp' });
    build.wire('f.out', 'switch.in');
    build.wire('switch.out', 'plug.b1');
    build.wire('plug.a1', 'lamp.plus');
    build.wire('lamp.minus', 'plug.a2', 1000, 'mm2:2.5', 'return');
    build.wire('plug.b2', 'bar.bar', 1000, 'mm2:2.5', 'return');
    more(build);
    const design = build.design();
    const found = findHarness(analyse(design)).filter(({ rule }) => rule === 'harness.bothLive');
    return { words: halvesWords(cardsOf(design).find(({ device }) => device.id === 'plug')!.live!), found };
  };

  test('live is the one towards the battery, though its switch is off', () => {
    const { words, found } = plugged();
    expect(words).toBe('Parted, half b stays live: the covered contacts are there, bare pins on a.');
    expect(found).toEqual([]);
  });

  test('with a source behind it both are, and that is found', () => {
    const { words, found } = plugged((build) => {
      build.add({ id: 'second', kind: 'vehicleFeed', signal: 'constant', polarity: 'live', from: 'wire', ownFuseA: 10, drawnA: null, mayDrawA: null, serves: '' } as never); // prettier-ignore
      build.wire('second.out', 'lamp.plus');
    });
    expect(words).toMatch(/^Parted, both halves may be live/);
    expect(found).toMatchObject([{ severity: 'caution', subjects: ['plug'] }]);
  });

  // What hangs on the battery's minus stays there; what is cut off from it is lifted to plus by its load.
  test.each([
    [false, null],
    [true, 'Parted, half a stays live: the covered contacts are there, bare pins on b.'],
  ])('in a way home, with its lamp fed or not: %s', (isFed, expected) => {
    const build = rig();
    build.supply();
    build.slot('f', 1, 10);
    build.add({ id: 'plug', kind: 'plug', pins: 1, contactMilliohm: 2, ratingA: 20 });
    for (const id of ['lamp', 'other']) build.load(12, 'resistive', 0, { id });
    if (isFed) build.wire('f.out', 'lamp.plus');
    build.wire('f.out', 'other.plus');
    build.wire('other.minus', 'bar.bar', 1000, 'mm2:2.5', 'return');
    build.wire('lamp.minus', 'plug.a1', 1000, 'mm2:2.5', 'return');
    build.wire('plug.b1', 'bar.bar', 1000, 'mm2:2.5', 'return');
    expect(halvesWords(cardsOf(build.design()).find(({ device }) => device.id === 'plug')!.live!)).toBe(expected);
  });
});

test('a fuse tap says which way round it is', () => {
  const build = rig();
  build.supply();
  build.slot('f', 1, 10);
  build.slot('tap', 1, 5, 'supply');
  build.load(12, 'resistive', 0, { id: 'lamp' });
  build.wire('tap.out', 'lamp.plus');
  const pins = cardsOf(build.design()).find(({ device }) => device.id === 'block')!.pins;
  expect(pins.find(({ terminal }) => terminal === '1 tap')!.tap).toBe('supply');
  expect(pins.find(({ terminal }) => terminal === '1')!.tap).toBeUndefined();
});
