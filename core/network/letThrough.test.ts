import fc from 'fast-check';
import { letThrough, type GuardedLoad } from './letThrough';
import { runs, seedOf } from '../../testing/runs';

/** Fuses by rating and the one ahead. */
const chain = (fuses: Record<string, readonly [ratingA: number, ahead: string | null]>) => ({
  ratingOf: (id: string) => fuses[id]![0],
  aheadOf: (id: string) => fuses[id]![1],
});
const behind = (fuseId: string | null, amps = 1, exclusiveGroup: string | null = null): GuardedLoad => ({ fuseId, amps, exclusiveGroup });

// Worked by hand from Kirchhoff's current law: currents add up, and a fuse passes its rating at most.
test('three fuses of 20 A send 60 A home together, a main fuse of 50 A ahead of them 50', () => {
  const loads = [behind('a'), behind('b'), behind('c')];
  expect(letThrough(loads, chain({ a: [20, null], b: [20, null], c: [20, null] }))).toEqual({ amps: 60, limitedBy: null });
  const main = chain({ a: [20, 'm'], b: [20, 'm'], c: [20, 'm'], m: [50, null] });
  expect(letThrough(loads, main)).toEqual({ amps: 50, limitedBy: 'm' });
});

test('of fuses whose loads exclude each other only the largest counts', () => {
  const fuses = chain({ low: [15, null], high: [20, null], fan: [5, null] });
  expect(letThrough([behind('low', 4, 'beam'), behind('high', 8, 'beam')], fuses)).toEqual({ amps: 20, limitedBy: null });
  expect(letThrough([behind('low', 4, 'beam'), behind('high', 8, 'beam'), behind('fan')], fuses).amps).toBe(25);
  // One more load behind the same fuse that excludes nothing, and it counts in full.
  expect(letThrough([behind('low', 4, 'beam'), behind('low', 1), behind('high', 8, 'beam')], fuses).amps).toBe(35);
});

test('feeders hold what is behind them to their own rating, and a load behind no fuse counts with its draw', () => {
  const fuses = chain({ a: [20, 'rear'], b: [20, 'rear'], rear: [30, 'm'], c: [10, 'm'], m: [100, null] });
  expect(letThrough([behind('a'), behind('b'), behind('c')], fuses).amps).toBe(40);
  expect(letThrough([behind('a'), behind('b')], fuses)).toEqual({ amps: 30, limitedBy: 'rear' });
  expect(letThrough([behind('a'), behind(null, 7)], fuses)).toEqual({ amps: 27, limitedBy: null });
  expect(letThrough([], fuses)).toEqual({ amps: 0, limitedBy: null });
});

test('on random trees it is the greatest flow: every load at once pushed until a fuse holds it (computed another way)', () => {
  let held = 0;
  const tree = fc.array(fc.tuple(fc.integer({ min: 1, max: 60 }), fc.nat()), { minLength: 1, maxLength: 9 });
  fc.assert(
    fc.property(tree, fc.array(fc.nat(), { maxLength: 12 }), (fuses, at) => {
      const ahead = fuses.map(([, up], place) => (place === 0 || up % 4 === 0 ? null : `f${up % place}`));
      const ratingOf = (id: string) => fuses[Number(id.slice(1))]![0];
      const aheadOf = (id: string) => ahead[Number(id.slice(1))]!;
      const loads = at.map((where) => behind(`f${where % fuses.length}`));
      // Augmenting: one ampere at a time through every fuse on the way that has room.
      const flow = new Map<string, number>();
      let pushed = 0;
      for (const { fuseId } of loads) {
        for (;;) {
          const way: string[] = [];
          for (let id: string | null = fuseId; id !== null; id = aheadOf(id)) way.push(id);
          if (way.some((id) => (flow.get(id) ?? 0) >= ratingOf(id))) break;
          for (const id of way) flow.set(id, (flow.get(id) ?? 0) + 1);
          pushed += 1;
        }
      }
      const got = letThrough(loads, { ratingOf, aheadOf });
      if (got.limitedBy !== null) held += 1;
      expect(got.amps).toBe(pushed);
    }),
    { seed: seedOf(31), numRuns: runs(400) },
  );
  expect(held).toBeGreaterThan(20);
});
