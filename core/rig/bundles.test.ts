import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { analyse } from '../analysis/analyse';
import type { ConductorSize } from '../catalog/conductorSizes';
import { CONDUCTOR_SIZES, areaMm2 } from '../catalog/conductorSizes';
import { outsideDiameterMm } from '../catalog/cableDiameters';
import { ampacity, bundleFactor } from '../sizing/ampacity';
import { bundleDiameterMm, conduitFill, countsAsLoaded, leastConduitMm, mostFill } from './bundles';

const many = (count: number, size: ConductorSize = 'mm2:2.5') => Array.from({ length: count }, () => size);

describe('a round bundle', () => {
  // Radius of the smallest circle round n equal circles, over the radius of one: R. L. Graham, B. D. Lubachevsky, K. J. Nurmela
  // and P. R. J. Östergård, Discrete Mathematics 181 (1998), and E. Specht's tables; from memory.
  test.each([
    [1, 1],
    [2, 2],
    [3, 2.1547],
    [4, 2.4142],
    [5, 2.7013],
    [6, 3],
    [7, 3],
    [8, 3.3048],
    [9, 3.6131],
    [10, 3.813],
    [12, 4.0296],
    [14, 4.3284],
    [19, 4.8637],
    [37, 6.7588],
  ])('of %i like conductors is never thinner than the densest packing, %f across, nor much thicker', (count, ratio) => {
    const across = bundleDiameterMm(many(count)) / outsideDiameterMm('mm2:2.5');
    expect(across).toBeGreaterThan(ratio - 0.001);
    expect(across).toBeLessThan(ratio * 1.1);
  });

  test('of 25 like conductors is 1.2 d √n (harness-making practice)', () => {
    expect(bundleDiameterMm(many(25))).toBeCloseTo(1.2 * 3 * 5, 9);
  });

  test('holds the two thickest side by side', () => {
    expect(bundleDiameterMm(['mm2:50', 'mm2:50', 'mm2:1'])).toBeGreaterThanOrEqual(2 * outsideDiameterMm('mm2:50'));
    expect(bundleDiameterMm([])).toBe(0);
    // In whatever order they are named.
    expect(bundleDiameterMm(['mm2:1', 'mm2:50', 'mm2:50'])).toBeGreaterThanOrEqual(2 * outsideDiameterMm('mm2:50'));
  });
});

describe('a conduit', () => {
  // NEC chapter 9 table 1.
  test.each([
    [1, 0.53],
    [2, 0.31],
    [3, 0.4],
    [40, 0.4],
  ])('with %i conductors may be filled to %f', (count, most) => {
    expect(mostFill(count)).toBe(most);
    const least = leastConduitMm(many(count));
    expect(conduitFill(many(count), least)).toBeCloseTo(most, 9);
  });

  test('four conductors 3.0 mm across in 16 mm fill 14.06 % of it: 4 × 3² / 16²', () => {
    expect(conduitFill(many(4), 16)).toBeCloseTo(36 / 256, 9);
  });
});

test('thicker conductors are never thinner outside', () => {
  const sorted = [...CONDUCTOR_SIZES].sort((a, b) => areaMm2(a) - areaMm2(b));
  for (let at = 1; at < sorted.length; at++) {
    expect(outsideDiameterMm(sorted[at]!)).toBeGreaterThanOrEqual(outsideDiameterMm(sorted[at - 1]!));
  }
  // Copper alone would be this thick if solid.
  for (const size of sorted) expect(outsideDiameterMm(size)).toBeGreaterThan(Math.sqrt((4 * areaMm2(size)) / Math.PI));
});

test('a conductor with 30 % of its rating in the bundle or less does not count as loaded (IEC 60364-5-52 523.5)', () => {
  expect([countsAsLoaded(3, 10), countsAsLoaded(3.01, 10), countsAsLoaded(0, 10)]).toEqual([false, true, false]);
});

test('a route through a conduit has a fill, one that lies open has none', () => {
  const { bundles, index } = analyse(pip());
  const inside = new Set<boolean>();
  for (const [routeId, { fill, wires }] of bundles) {
    const { insideMm } = index.layout.routes.get(routeId)!.route;
    inside.add(insideMm !== null);
    if (insideMm === null) expect(fill).toBeNull();
    else expect(fill).toEqual({ share: conduitFill(wires.map(({ conductor }) => conductor), insideMm), most: mostFill(wires.length) }); // prettier-ignore
  }
  expect(inside.size).toBe(2);
});

describe('conductors together carry less', () => {
  // American small craft table, published for 50 V and above; ISO 10133; both from memory (handbook).
  test.each([
    ['us-small-craft', 1, 1],
    ['us-small-craft', 2, 1],
    ['us-small-craft', 3, 0.7],
    ['us-small-craft', 6, 0.6],
    ['us-small-craft', 7, 0.5],
    ['us-small-craft', 24, 0.5],
    ['us-small-craft', 25, 0.4],
    ['iso-small-craft', 3, 1],
    ['iso-small-craft', 4, 0.7],
    ['iso-small-craft', 6, 0.7],
    ['iso-small-craft', 7, 0.6],
    ['iso-small-craft', 24, 0.6],
    ['iso-small-craft', 25, 0.5],
  ] as const)('%s, %i loaded: %f', (standard, loaded, factor) => {
    expect(bundleFactor(standard, loaded)).toBe(factor);
  });

  test('the factor for the bundle comes on top of that for heat: 2.5 mm², 105 °C, 60 °C air, five loaded', () => {
    const carried = ampacity('mm2:2.5', { standard: 'iso-small-craft', insulationC: 105, ambientC: 60, engineSpace: false, loaded: 5 });
    expect(carried.amps).toBeCloseTo(35 * Math.sqrt(45 / 75) * 0.7, 9);
    expect(carried).toMatchObject({ baseA: 35, bundleFactor: 0.7, loaded: 5, factorFor: 'ambient' });
  });
});

test('in the demos every conductor with more than 30 % of its rating in its bundle is counted, none beyond what lies there', () => {
  for (const design of [heron(), pip()]) {
    const { bundles, wires } = analyse(design);
    for (const { wires: lying, loaded } of bundles.values()) {
      const must = lying.filter(({ id }) => {
        const used = wires.get(id);
        return used !== undefined && used.amps > 0.3 * used.ampacity.amps;
      });
      expect(loaded).toBeGreaterThanOrEqual(must.length);
      expect(loaded).toBeLessThanOrEqual(lying.length);
    }
  }
});
