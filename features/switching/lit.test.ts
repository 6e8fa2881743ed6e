import type { LoadAnswer } from '@/core/bench/bench';
import { inChunks } from './chunks';
import { isDrawnAlike, litOf } from './lit';

const lit: LoadAnswer = { id: 'lamp', state: 'on', level: 1, volts: 12.6, amps: 0.8, by: [] };

test('a list in parts holds every row once, in its order, and no part is empty', () => {
  for (const count of [0, 1, 15, 16, 17, 700]) {
    const rows = Array.from({ length: count }, (_, at) => at);
    const parts = inChunks(rows);
    expect(parts.flat()).toEqual(rows);
    expect(parts.every((part) => part.length > 0)).toBe(true);
  }
});

test('volts that move a little are drawn alike; what one sees or reads is not', () => {
  expect(isDrawnAlike(lit, { ...lit, volts: 12.5, amps: 0.79, level: 0.999 })).toBe(true);
  expect(isDrawnAlike(lit, { ...lit, state: 'off', level: 0 })).toBe(false);
  expect(isDrawnAlike(lit, { ...lit, blinks: 'blink' })).toBe(false);
  expect(isDrawnAlike({ ...lit, blinks: 'blink' }, { ...lit, blinks: 'against' })).toBe(false);
  // Read as 45 and 46 %.
  expect(isDrawnAlike({ ...lit, level: 0.452 }, { ...lit, level: 0.458 })).toBe(false);
  // Both read as on, one seen dimmer.
  expect(isDrawnAlike(lit, { ...lit, level: 0.92 })).toBe(false);
  expect(isDrawnAlike(lit, undefined)).toBe(false);
  expect(isDrawnAlike(undefined, undefined)).toBe(true);
  expect(litOf({ ...lit, level: 0.503 }).level).toBe(0.5);
});
