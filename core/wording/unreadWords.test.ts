import { Faults } from '../formats/fileFault';
import { faultWords } from '../formats/faultWords';
import { designFileWords } from '../formats/designFileWords';
import { parseDraw } from '../formats/drawText';
import { parseRates } from '../formats/ratesText';
import { parseUse } from '../formats/useText';
import { parseHours, parseNumber, parsePlace, type Parsed } from '../units/parse';
import { unread } from '../units/unread';
import { pip } from '../../demo/pip';
import { networkWords } from './networkWords';
import { unreadWords } from './unreadWords';

const draw = (text: string): Parsed<unknown> => {
  const read = parseDraw(text, 12, 'metric');
  return read.ok ? { ok: true, value: read.draw } : read;
};

/** What each field takes, typed as somebody might who does not know it. */
test.each<[string, Parsed<unknown>, string]>([
  ['letters for a number', parseNumber('abc'), '“abc” is not a number'],
  ['another unit', parseNumber('5 kg', ['A']), '“kg” is not a unit used here; use A'],
  ['a unit where none is', parseNumber('5 kg'), 'leave out “kg”'],
  ['a longer text than any figure', parseHours('1'.repeat(201)), '201 characters are too long for this; 200 are the most'],
  ['feet or inches', parsePlace('5', 'us'), '“5” can be read two ways; write 5 ft or 5 in'],
  ['no draw', draw(''), 'write watts or amperes, as 24 W or 2 A'],
  ['less than no draw', draw('-4 W'), 'a draw cannot be negative'],
  ['two voltages', draw('4 W at 12 V at 13 V'), 'one voltage is enough'],
  ['a voltage of no house system', draw('4 W at 90 V'), '90 V is outside 1 to 60 V'],
  ['a voltage in letters', draw('4 W at home'), 'voltage: “home” is not a number'],
  ['a strip with no length', draw('9 W/m'), 'write a strip as 9.6 W/m x 1.6 m, several as 9.6 W/m x 2 m x 3'],
  ['a strip brighter than any', draw('400 W/m x 1 m'), 'more than 100 W/m'],
  ['a strip of a kilometre', draw('5 W/m x 1000000 mm'), 'the strip is from 1 mm to 100 m long'],
  ['pieces past counting', draw('5 W/m x 1 m x 300'), '1 to 100 pieces'],
  ['lit for a day each time', parseUse('3 x 1440 min'), 'it may stay lit from 1 s to 2 h each time'],
  ['times past counting', parseUse('5000 x 5 s'), 'at most 1000 times a night'],
  ['a stretch of no length', parseUse('7-7'), '“7-7” has no length'],
  ['one capacity', parseRates('20 h 100'), 'two capacities are needed, such as 5 h 185, 20 h 225'],
  ['the same hours twice', parseRates('20 h 100, 20 h 90'), '20 h stands there twice'],
  ['a capacity of an hour nobody gives', parseRates('500 h 100, 20 h 90'), 'from 0.1 to 240 hours'],
])('%s is answered with what to write', (_, read, words) => {
  expect(read.ok ? 'taken' : unreadWords(read.why)).toBe(words);
});

test('a fault of a list says its row and its column, and of many only the first are told', () => {
  expect(faultWords({ code: 'unread', row: 4, column: 'hours', why: unread({ code: 'empty' }).why })).toBe('row 4: hours: enter a number');
  const faults = new Faults();
  for (let row = 2; row < 13; row++) faults.add({ code: 'notLater', row });
  expect(faults.told).toHaveLength(9);
  expect(faultWords(faults.told.at(-1)!)).toBe('and 3 more');
});

test('a design file’s fault says which record and field', () => {
  expect(designFileWords({ code: 'field', at: 2, id: 'lamp', field: 'quantity', message: 'too large' })).toBe(
    'record 3 (lamp), quantity: too large',
  );
  expect(designFileWords({ code: 'field', field: '', message: 'no object' })).toBe('the file: no object');
});

test('a network with no answer names parts as the person does, and a deck’s as its netlist does', () => {
  const battery = Array.from(pip().records.values()).find((record) => record.type === 'device' && record.kind === 'battery')!;
  const problem = { code: 'floating', nodes: [`${battery.id}/plus`, `${battery.id}/minus`] } as const;
  const words = networkWords({ ...problem, nodes: [...problem.nodes] }, pip());
  expect(words).toBe(`no path to the reference: ${'name' in battery ? battery.name : ''}`);
  expect(networkWords({ code: 'floating', nodes: Array.from({ length: 14 }, (_, at) => `n${at}`) })).toMatch(/n11 and 2 more$/);
});
