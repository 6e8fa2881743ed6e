import fc from 'fast-check';
import { isOver, shareOf } from './compare';
import { formatPercent, formatVolts } from './quantity';

test.each([
  [0.6004, 0.6, 2, false],
  [0.6051, 0.6, 2, true],
  [5.04, 5, 1, false],
  [5.06, 5, 1, true],
  [5, 5, 1, false],
  [5.05, 5, 1, false],
])('%d against %d at %d decimals: over is %s', (value, limit, decimals, over) => expect(isOver(value, limit, decimals)).toBe(over));

test('what is called over never shows the same figure as its limit', () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 40, noNaN: true }), fc.double({ min: -0.1, max: 0.1, noNaN: true }), (limit, by) => {
      const value = Math.max(0, limit + by);
      if (isOver(value, limit, 1)) expect(formatPercent(value)).not.toBe(formatPercent(limit));
      if (isOver(value, limit, 2)) expect(formatVolts(value)).not.toBe(formatVolts(limit));
    }),
    { seed: 8, numRuns: 2000 },
  );
});

test('a share is past one exactly where its value is over', () => {
  expect([shareOf(3.04, 3, 1), shareOf(1.5, 3, 1)]).toEqual([1, 0.5]);
  expect(shareOf(3.06, 3, 1)).toBeCloseTo(1.02, 9);
  expect(shareOf(3.0500001, 3, 1)).toBeLessThan(1.1);
});
