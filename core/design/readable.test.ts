import { heron } from '../../demo/heron';
import { analyse } from '../analysis/analyse';
import { recordsOf, settingsOf } from './design';
import { readableDesign } from './readable';
import { checkReferences } from './references';

const whole = heron();
const rows = Array.from(whole.records.values(), (record) => ({ id: record.id, text: JSON.stringify(record) }));
const spoilt = (id: string, text: string) => readableDesign(rows.map((row) => (row.id === id ? { id, text } : row)));

test('whole records make the design they were', () => {
  const { design, aside } = readableDesign(rows);
  expect(aside).toEqual([]);
  expect(new Map(design.records)).toEqual(new Map(whole.records));
});

test('one broken record is set aside with what stands on it; the rest is whole and is analysed', () => {
  const fridge = recordsOf(whole, 'device').find(({ name }) => name === 'Compressor fridge')!;
  const { design, aside } = spoilt(fridge.id, JSON.stringify({ ...fridge, quantity: 'many' }));
  expect(aside[0]).toMatchObject({ id: fridge.id, why: { code: 'unreadable', id: fridge.id, field: 'quantity' } });
  expect(JSON.parse(aside[0]!.text)).toMatchObject({ quantity: 'many' });
  // Its two wires and its hours went with it.
  expect(aside.length).toBeGreaterThan(2);
  expect(checkReferences(design)).toEqual([]);
  expect(analyse(design).loads.size).toBe(analyse(whole).loads.size - 1);
});

test.each(['{', 'null', '"x"', '[]'])('a record stored as %s is set aside', (text) => {
  const [zone] = recordsOf(whole, 'zone');
  const { design, aside } = spoilt(zone!.id, text);
  expect(aside[0]!.id).toBe(zone!.id);
  expect(checkReferences(design)).toEqual([]);
  expect(design.records.size + aside.length).toBe(rows.length);
});

test('broken settings give way to usual ones that say so', () => {
  const { design, aside } = spoilt('settings', '{}');
  expect(settingsOf(design).name).toBe('Its settings cannot be read');
  expect(aside.map(({ id }) => id)).toContain('settings');
  expect(() => analyse(design)).not.toThrow();
});
