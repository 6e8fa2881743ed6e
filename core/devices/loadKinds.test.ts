import { dropClassOf, namedLoad, newLoad } from '../switching/newLoad';
import { splitNameAndDraw } from '../formats/drawText';
import type { Draw } from '../design/schema';
import { startOf } from './starts';
import { behaviourOf } from './load';
import { kindsNamed, LOAD_KINDS } from './loadKinds';
import { CATALOG_LOADS } from './usualLoads';

// What people call things, and how those behave: common practice.
test.each([
  ['Fridge', 'fridge', 'converter', true, 'general'],
  ['Top-loading freezer', 'fridge', 'converter', true, 'general'],
  ['Inverter 600', 'inverter', 'converter', true, 'general'],
  ['Water pump', 'pump', 'motor', false, 'general'],
  ['Roof fan', 'fan', 'motor', true, 'general'],
  ['Reading light', 'lamp', 'ledConstantCurrent', true, 'critical'],
  ['Galley LED strip', 'strip', 'ledStrip', true, 'critical'],
  ['Scene lights, left', 'workLamp', 'ledConstantPower', true, 'critical'],
  ['Halogen lamp', 'filament', 'filament', true, 'critical'],
  ['Diesel heater', 'airHeater', 'resistive', true, 'general'],
  ['Seat heater', 'heater', 'resistive', true, 'general'],
  ['USB charger', 'charger', 'converter', true, 'general'],
  ['Two-way radio', 'electronics', 'converter', true, 'critical'],
  ['Gas alarm', 'alarm', 'ledConstantCurrent', true, 'critical'],
  ['Winch', 'winch', 'motor', false, 'general'],
])('“%s” is a %s', (name, id, behaviour, continuous, dropClass) => {
  expect(kindsNamed(name)[0]?.id).toBe(id);
  const load = namedLoad(name, null);
  expect([behaviourOf(load), load.continuous, dropClassOf(load)]).toEqual([behaviour, continuous, dropClass]);
});

test('a motor starts at several times its draw, a compressor too (trade ranges, from memory)', () => {
  const factor = (name: string) => startOf(namedLoad(name, null), behaviourOf(namedLoad(name, null))).factor;
  expect(factor('Water pump')).toBeGreaterThanOrEqual(4);
  expect(factor('Fridge')).toBeGreaterThanOrEqual(2);
  expect(factor('Reading light')).toBe(1);
});

test('a name that says nothing gets no draw and no kind; one that may be several is told so', () => {
  for (const name of ['Thing', 'Rear left', '']) expect(kindsNamed(name)).toEqual([]);
  expect(newLoad('Thing', null).rated).toMatchObject({ watts: 0 });
  expect(namedLoad('Thing', null)).toMatchObject({ rated: { watts: 0 }, continuous: true });
  expect(kindsNamed('Fan light').map(({ id }) => id)).toEqual(['lamp', 'fan']);
  expect(kindsNamed('Light charger').length).toBeGreaterThan(1);
});

test('every usual load behaves as its name says', () => {
  for (const { name, behaviour } of CATALOG_LOADS) {
    const [kind] = kindsNamed(name);
    expect([name, kind !== undefined]).toEqual([name, true]);
    if (kind!.id !== 'electronics' && kind!.id !== 'workLamp') expect([name, kind!.behaviour]).toEqual([name, behaviour]);
  }
  expect(new Set(LOAD_KINDS.map(({ id }) => id)).size).toBe(LOAD_KINDS.length);
});

test.each([
  ['Reading light 3 W', 'Reading light', { kind: 'watts', watts: 3, atV: 12 }],
  ['Fridge, 4 A at 13 V', 'Fridge', { kind: 'amps', amps: 4, atV: 13 }],
  ['Sensor 15mA', 'Sensor', { kind: 'amps', amps: 0.015, atV: 12 }],
  ['Lamp 2', 'Lamp 2', null],
  ['Puck 3W', 'Puck', { kind: 'watts', watts: 3, atV: 12 }],
  ['Aft 12 volt', 'Aft 12 volt', null],
  ['   ', '', null],
  // How many there are: the draw is that of one.
  ['USB 2x 2.4A', 'USB', { kind: 'amps', amps: 2.4, atV: 12 }, 2],
  ['Spots 3 x 2 W', 'Spots', { kind: 'watts', watts: 2, atV: 12 }, 3],
  ['Spots, 12×2W', 'Spots', { kind: 'watts', watts: 2, atV: 12 }, 12],
  ['2 x USB socket 2.4 A', 'USB socket', { kind: 'amps', amps: 2.4, atV: 12 }, 2],
  ['3 × Reading light', 'Reading light', null, 3],
  ['2 x Pair 3 x 2 W', '2 x Pair', { kind: 'watts', watts: 2, atV: 12 }, 3],
  ['4x4 light 10 W', '4x4 light', { kind: 'watts', watts: 10, atV: 12 }],
  ['Strip 2 x 9.6 W/m x 2 m', 'Strip', { kind: 'strip', wattsPerM: 9.6, lengthMm: 2000, pieces: 1, join: 'endToEnd', atV: 12 }, 2],
  ['150 x Puck 1 W', 'Puck', { kind: 'watts', watts: 1, atV: 12 }, 150],
  ['Pucks 200 x 1 W', 'Pucks', { kind: 'watts', watts: 1, atV: 12 }, 200],
  // More than a load may have.
  ['201 x Puck 1 W', '201 x Puck', { kind: 'watts', watts: 1, atV: 12 }],
  ['Light 0 x 3 W', 'Light 0 x', { kind: 'watts', watts: 3, atV: 12 }],
])('“%s” is the load “%s”', (text, name, draw, quantity = 1) =>
  expect(splitNameAndDraw(text, 12, 'metric')).toEqual({ name, draw, quantity, hours: null, sharePercent: null, isUnread: false }),
);

test.each<[text: string, name: string, draw: Partial<Draw> | null, quantity: number, hours: number | null, share: number | null]>([
  ['Heated grips 2x 20 W 3 h', 'Heated grips', { watts: 20 }, 2, 3, null],
  ['Fridge 45 W, 24/7', 'Fridge', { watts: 45 }, 1, 24, null],
  ['LED strip 4.8 W/m 2 m 1,5 h', 'LED strip', { wattsPerM: 4.8, lengthMm: 2000 }, 1, 1.5, null],
  ['Pump 5 A 10 min a day', 'Pump', { amps: 5 }, 1, 1 / 6, null],
  ['Heater 200W 30 % 12 h', 'Heater', { watts: 200 }, 1, 12, 30],
  ['Heater 200W 12 hours/day at 30%', 'Heater', { watts: 200 }, 1, 12, 30],
  ['Lamp 3 W 1 h 30 min', 'Lamp', { watts: 3 }, 1, 1.5, null],
  ['Fridge 4 A at 13 V 8h', 'Fridge', { amps: 4, atV: 13 }, 1, 8, null],
  // What cannot be is left where it stands, and nothing is taken for it.
  ['Lamp 3 W 30 h', 'Lamp 3 W 30 h', null, 1, null, null],
  // A time of day, more likely than eighteen hours.
  ['Lamp 3 W 18:00', 'Lamp 3 W 18:00', null, 1, null, null],
  ['Lamp 3 W 18:00-22:00', 'Lamp 3 W 18:00-22:00', null, 1, null, null],
  ['Heater 200 W 130 %', 'Heater 200 W 130 %', null, 1, null, null],
  ['Fridge 45 W 40 %', 'Fridge 45 W 40 %', null, 1, null, null],
  ['Inverter 2000 W pure sine', 'Inverter 2000 W pure sine', null, 1, null, null],
])('“%s” says how long it is on', (text, name, draw, quantity, hours, sharePercent) => {
  const typed = splitNameAndDraw(text, 12, 'metric');
  expect(typed).toMatchObject({ name, quantity, sharePercent, isUnread: draw === null });
  expect(typed.draw).toEqual(draw && expect.objectContaining(draw));
  if (hours === null) expect(typed.hours).toBeNull();
  else expect(typed.hours).toBeCloseTo(hours, 9);
});

test('hours without a draw belong to the name: a lamp may be called so', () => {
  expect(splitNameAndDraw('Night light 8 h', 12, 'metric')).toMatchObject({
    name: 'Night light 8 h',
    draw: null,
    hours: null,
    isUnread: false,
  });
});
