import fc from 'fast-check';
import { runs, seedOf } from '@/testing/runs';
import { apart } from './apart';

const room = { left: 13, right: 427, top: 20, bottom: 180 };

test('marks stay inside the drawing and on none another, each as near to where it belongs as there is room', () => {
  let moved = 0;
  const mark = fc.record({ x: fc.integer({ min: 0, max: 440 }), y: fc.integer({ min: 0, max: 200 }) });
  fc.assert(
    fc.property(fc.array(mark, { maxLength: 25 }), (marks) => {
      const laid = apart(marks, 15, room);
      for (const [at, { x, y }] of laid.entries()) {
        expect(x >= room.left && x <= room.right && y >= room.top && y <= room.bottom).toBe(true);
        const others = laid.filter((_, other) => other !== at);
        for (const other of others) expect(Math.hypot(other.x - x, other.y - y)).toBeGreaterThan(14);
        if (x !== marks[at]!.x || y !== marks[at]!.y) moved += 1;
      }
    }),
    { numRuns: runs(200), seed: seedOf(11) },
  );
  expect(moved).toBeGreaterThan(100);
  const free = [
    { x: 100, y: 100 },
    { x: 130, y: 100 },
  ];
  expect(apart(free, 15, room)).toEqual(free);
});

test('what lies on one spot goes to its right, its left and then over and under it', () => {
  const one = { x: 100, y: 100 };
  expect(apart([one, one, one, one, one], 15, room)).toEqual([
    one,
    { x: 115, y: 100 },
    { x: 85, y: 100 },
    { x: 100, y: 85 },
    { x: 100, y: 115 },
  ]);
  // At an edge there is no left, nor anything over it.
  const corner = { x: 13, y: 20 };
  expect(apart([corner, corner, corner], 15, room).slice(1)).toEqual([
    { x: 28, y: 20 },
    { x: 13, y: 35 },
  ]);
});
