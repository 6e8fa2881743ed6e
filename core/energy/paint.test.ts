import fc from 'fast-check';
import { paintSpans } from './paint';
import { spanHours } from './setting';

const h = (from: number, to: number) => ({ fromMin: from * 60, toMin: to * 60 });

test('painting joins what touches, wiping cuts in two, and the night stays one stretch', () => {
  expect(paintSpans([h(7, 9)], 540, 660, true)).toEqual([h(7, 11)]);
  expect(paintSpans([h(7, 11)], 480, 540, false)).toEqual([h(7, 8), h(9, 11)]);
  expect(paintSpans([h(22, 24)], 0, 90, true)).toEqual([{ fromMin: 1320, toMin: 90 }]);
  expect(paintSpans([{ fromMin: 1320, toMin: 90 }], 1380, 1440, false)).toEqual([h(0, 1.5), h(22, 23)]);
  expect(paintSpans([], 0, 1440, true)).toEqual([h(0, 24)]);
});

test('painting then wiping the same stretch leaves none of it, and hours add up', () => {
  const half = fc.integer({ min: 0, max: 47 }).map((step) => step * 30);
  fc.assert(
    fc.property(half, half, half, half, (a, b, c, d) => {
      const first = paintSpans([], Math.min(a, b), Math.max(a, b) + 30, true);
      const [from, to] = [Math.min(c, d), Math.max(c, d) + 30];
      const both = paintSpans(first, from, to, true);
      expect(spanHours(both)).toBeGreaterThanOrEqual(Math.max(spanHours(first), (to - from) / 60) - 1e-9);
      const wiped = paintSpans(both, from, to, false);
      expect(spanHours(wiped)).toBeCloseTo(spanHours(both) - (to - from) / 60, 9);
    }),
  );
});
