import { heron } from '../../demo/heron';
import { rig } from '../../testing/rig';
import { analyse } from '../analysis/analyse';
import { nameOf } from '../design/names';
import { wayCalled, type WayId } from '../switching/gallery/ways';
import { tryWay, type WayTried } from './tryWay';

function small() {
  const build = rig();
  build.supply();
  build.slot('first', 1, 10);
  build.slot('second', 2, 10);
  build.lampBehind('first', 1, 36);
  build.lampBehind('second', 2, 24);
  return analyse(build.design());
}

const LAMP = 'first_lamp';
const tried = (id: WayId): WayTried => tryWay(small(), LAMP, wayCalled(id), { signal: 'highBeam', otherId: 'second_lamp' })!;

// By Ohm's law and a day of 24 h: a pilot's 12 mA, a receiver's 6 mA, a sensor's 1 mA, a hub's 10 mA, a dimmer's 5 mA.
test.each<[WayId, number]>([
  ['switch', 0],
  ['switchPilot', 0],
  ['switchFind', 0.012 * 24],
  ['switchNight', 0],
  ['relay', 0],
  ['radio', 0.006 * 24],
  ['motion', 0],
  ['hub', 0.01 * 24],
  ['dimmer', 0.005 * 24],
])('%s draws %f Ah a day more at rest', (id, ampHours) => {
  expect(tried(id).standbyAhPerDay).toBeCloseTo(ampHours, 2);
});

test('a relay’s coil takes what 12 V through it and its quenching resistor gives', () => {
  // 90 ohm and 680 ohm side by side, as the part comes: by Ohm's law 0.13 and 0.02 A.
  expect(tried('relay').coilA).toBeGreaterThan(0.1);
  expect(tried('relay').coilA).toBeLessThan(0.2);
  expect(tried('switch').coilA).toBe(0);
});

// By hand: what a way hangs on, and what becomes of it with the key out, with power back and with a part that fails.
test.each<[WayId, WayTried['keyOut'], WayTried['powerBack'], Record<string, boolean>]>([
  ['direct', 'works', 'asBefore', { first: false }],
  ['switch', 'works', 'asBefore', { 'first_lamp switch': false, first: false }],
  ['radio', 'works', 'off', { 'first_lamp radio': false, first: false }],
  ['radioOrHand', 'works', 'varies', { 'first_lamp switch': false, 'first_lamp radio': true, first: false }],
  ['signal', 'works', 'asBefore', { 'first_lamp relay': false, first: false }],
  ['twoPlaces', 'works', 'asBefore', { 'first_lamp switch, first place': false, 'first_lamp switch, last place': false, first: false }],
  // A dimmer that fails lets nothing through, a contact that fails neither.
  ['dimmer', 'works', 'asBefore', { 'first_lamp dimmer': false, first: false }],
  ['roller', 'works', 'asBefore', { 'first_lamp roller switch': false, first: false }],
  ['door', 'works', 'asBefore', { 'first_lamp door switch': false, first: false }],
  ['button', 'works', 'asBefore', { 'first_lamp button': false, 'first_lamp relay': false, first: false }],
])('%s: key out %s, power back %s, and what can still be lit', (id, keyOut, powerBack, still) => {
  const { fails, after, ...rest } = tried(id);
  expect([rest.keyOut, rest.powerBack]).toEqual([keyOut, powerBack]);
  expect(Object.fromEntries(fails.map(({ deviceId, stillLit }) => [nameOf(after, deviceId), stillLit]))).toEqual(still);
});

test('parts, cores and what is brought are counted; what has no circuit cannot be tried', () => {
  const analysis = analyse(heron());
  const pump = analysis.index.loads.find(({ name }) => name === 'Water pump')!;
  const motion = tryWay(analysis, pump.id, wayCalled('motion'), { signal: 'ignition', otherId: null })!;
  expect(motion.dropped.map(({ name }) => name)).toEqual(['Water pump switch']);
  expect(motion.added).toHaveLength(2);
  expect([motion.wires.length, motion.cores]).toEqual([3, 3]);
  // A pump that starts through a sensor’s small contact.
  expect(motion.brought.map(({ rule }) => rule)).toEqual(expect.arrayContaining(['contact.overRating', 'contact.start']));
  const build = rig();
  build.supply();
  build.load(12, 'resistive', 0, { id: 'loose' });
  expect(tryWay(analyse(build.design()), 'loose', wayCalled('switch'), { signal: 'ignition', otherId: null })).toBeNull();
});

test('on a spare channel the receiver and its fuse are what may fail, and the other channels are no matter', () => {
  const analysis = analyse(heron());
  const idOf = (name: string) => Array.from(analysis.index.devices.values()).find((device) => device.name === name)!.id;
  const onto = { deviceId: idOf('Hide relay hub'), terminal: 'ch6' };
  const tried = tryWay(analysis, idOf('Roof fan'), wayCalled('channel'), { signal: 'ignition', otherId: null, onto })!;
  expect(tried.fails.map(({ deviceId }) => deviceId)).toEqual([onto.deviceId, idOf('Hide relay hub fuse')]);
  expect(tried.fails.some(({ stillLit }) => stillLit === true)).toBe(false);
  expect([tried.fuseId, tried.ontoId]).toEqual([idOf('Hide relay hub fuse'), onto.deviceId]);
  // What the other channels do is no matter of this one.
  expect([tried.keyOut, tried.powerBack]).toEqual(['works', 'off']);
});
