import fc from 'fast-check';
import { areaMm2 } from '../catalog/conductorSizes';
import { ANY_RATING_A, BLADE_COLOURS, RATINGS_A } from '../catalog/fuses';
import { CONDUCTOR_STANDARDS } from '../catalog/vocabulary';
import { ampacity } from './ampacity';
import { candidateSizes, chooseConductor, type RunDemand } from './conductorChoice';
import { chooseFuse, leastFuseA } from './fuse';
import { designOhmPerM } from './voltageDrop';
import { answerWire, type WireQuestion } from './wireQuestion';

const question = (more: Partial<WireQuestion>): WireQuestion => ({
  amps: 10,
  loopM: 6,
  volts: 12,
  dropPercent: 3,
  standard: 'us-small-craft',
  insulationC: 105,
  family: null,
  cableForm: 'sheathed',
  basis: 'conservative',
  ...more,
});

// Rows of the 12 V tables of ABYC E-11 (from memory), with ampacity at 105 C and the 125 % fuse on top.
test.each([
  [3, 5, 15, '16', 7.5],
  [3, 10, 20, '10', 15],
  [3, 20, 20, '8', 25],
  [3, 50, 20, '4', 70],
  [10, 20, 30, '12', 25],
])('%d %%, %d A, %d ft out and back: %s AWG with a %d A fuse', (dropPercent, amps, feet, awg, fuseA) => {
  expect(answerWire(question({ dropPercent, amps, loopM: feet * 0.3048 }))).toMatchObject({
    conductor: `awg:${awg}`,
    fuseA,
    governedBy: 'drop',
  });
});

test('a short run is governed by the least size for strength: 18 AWG in a sheath, 16 alone (ABYC E-11)', () => {
  expect(answerWire(question({ amps: 1, loopM: 1 }))).toMatchObject({ conductor: 'awg:18', governedBy: 'minimum' });
  expect(answerWire(question({ amps: 1, loopM: 1, cableForm: 'single' }))).toMatchObject({ conductor: 'awg:16', governedBy: 'minimum' });
  expect(answerWire(question({ amps: 1, loopM: 1, standard: 'iso-small-craft', cableForm: 'single' }))).toMatchObject({
    conductor: 'mm2:1',
  });
});

test('a short heavy run is governed by ampacity or by its fuse, never by drop', () => {
  expect(answerWire(question({ amps: 40, loopM: 0.5, dropPercent: 10 }))?.governedBy).toBe('fuse');
  expect(answerWire(question({ amps: 40, loopM: 0.5, dropPercent: 10 }))?.conductor).toBe('awg:10');
});

test('ISO’s formula alone picks 6 mm² where real cable wants 10 mm²: 10 A, 12 m of conductor, 3 %', () => {
  expect(answerWire(question({ standard: 'iso-small-craft', loopM: 12, basis: 'formula' }))?.conductor).toBe('mm2:6');
  expect(answerWire(question({ standard: 'iso-small-craft', loopM: 12 }))?.conductor).toBe('mm2:10');
});

test('there is no answer when no tabulated conductor will do', () => {
  expect(answerWire(question({ amps: 900, loopM: 60 }))).toBeNull();
});

describe('fuses', () => {
  test('blade ratings and colours are those of ISO 8820-3 (35 A from memory)', () => {
    expect(RATINGS_A.blade).toEqual([1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30, 35, 40]);
    expect([5, 7.5, 10, 15, 20, 25, 30].map((rating) => BLADE_COLOURS[rating])).toEqual([
      'tan',
      'brown',
      'red',
      'blue',
      'yellow',
      'clear',
      'green',
    ]);
  });

  test('a load for hours takes at most 80 % of the fuse (NEC): 8 A wants 10, 8.1 A wants 15', () => {
    expect(chooseFuse(8, 8, 40, RATINGS_A.blade)).toBe(10);
    expect(chooseFuse(8.1, 8.1, 40, RATINGS_A.blade)).toBe(15);
  });

  test('a brief load needs only its own current', () => {
    expect(chooseFuse(0, 10, 40, RATINGS_A.blade)).toBe(10);
  });

  test('no rating is offered above what the conductor carries', () => {
    expect(chooseFuse(16, 16, 19, RATINGS_A.blade)).toBeNull();
    expect(chooseFuse(16, 16, 20, RATINGS_A.blade)).toBe(20);
  });

  test('every family lists its ratings in order, once each', () => {
    for (const ratings of [...Object.values(RATINGS_A), ANY_RATING_A]) {
      expect([...new Set(ratings)].sort((a, b) => a - b)).toEqual(ratings);
    }
  });
});

const demands: fc.Arbitrary<RunDemand> = fc
  .record({
    standard: fc.constantFrom(...CONDUCTOR_STANDARDS),
    continuousA: fc.double({ min: 0, max: 40, noNaN: true }),
    extraA: fc.double({ min: 0.01, max: 20, noNaN: true }),
    loopM: fc.double({ min: 0.1, max: 30, noNaN: true }),
    allowedDropV: fc.double({ min: 0.1, max: 1.2, noNaN: true }),
    ambientC: fc.integer({ min: 20, max: 60 }),
    engineSpace: fc.boolean(),
    cableForm: fc.constantFrom('sheathed' as const, 'single' as const),
  })
  .map(({ standard, continuousA, extraA, loopM, allowedDropV, ambientC, engineSpace, cableForm }) => ({
    continuousA,
    peakA: continuousA + extraA,
    ampereMetres: (continuousA + extraA) * loopM,
    allowedDropV,
    conditions: { standard, insulationC: standard === 'road-vehicle' ? 70 : 105, ambientC, engineSpace },
    drop: { standard, basis: 'conservative' as const, conductorC: 20 },
    cableForm,
    ratings: ANY_RATING_A,
    sizes: candidateSizes(standard),
  }));

/** Every demand written out again, independently of the choice. */
function meets(demand: RunDemand, size: RunDemand['sizes'][number]): boolean {
  const carries = ampacity(size, demand.conditions).amps;
  const fuse = demand.ratings.find((rating) => rating >= leastFuseA(demand.continuousA, demand.peakA));
  const least = { awg: { sheathed: 'awg:18', single: 'awg:16' }, mm2: { sheathed: 'mm2:0.75', single: 'mm2:1' } } as const;
  const family = size.startsWith('awg') ? 'awg' : 'mm2';
  const bigEnough = demand.sizes.indexOf(size) >= demand.sizes.indexOf(least[family][demand.cableForm]);
  return (
    bigEnough &&
    carries >= demand.peakA &&
    fuse !== undefined &&
    fuse <= carries &&
    designOhmPerM(size, demand.drop) * demand.ampereMetres <= demand.allowedDropV
  );
}

test('the choice meets every demand, and no smaller conductor does', () => {
  fc.assert(
    fc.property(demands, (demand) => {
      const choice = chooseConductor(demand);
      const fitting = demand.sizes.filter((size) => meets(demand, size));
      expect(choice?.conductor ?? null).toBe(fitting[0] ?? null);
      if (choice) expect(choice.fuseA).toBeLessThanOrEqual(choice.ampacityA);
    }),
    { numRuns: 400, seed: 12 },
  );
});

test('a longer run never gets a thinner conductor', () => {
  fc.assert(
    fc.property(demands, fc.double({ min: 1, max: 3, noNaN: true }), (demand, factor) => {
      const short = chooseConductor(demand);
      const long = chooseConductor({ ...demand, ampereMetres: demand.ampereMetres * factor });
      if (short && long) expect(demand.sizes.indexOf(long.conductor)).toBeGreaterThanOrEqual(demand.sizes.indexOf(short.conductor));
      if (!short) expect(long).toBeNull();
    }),
    { numRuns: 300, seed: 3 },
  );
});

test('sizes of the other family begin where the standard’s own do, and are of that family alone', () => {
  for (const [standard, family, other] of [
    ['iso-small-craft', 'awg', 'mm2'],
    ['us-small-craft', 'mm2', 'awg'],
  ] as const) {
    const [least] = candidateSizes(standard);
    const offered = candidateSizes(standard, family);
    expect(offered.length).toBeGreaterThan(8);
    for (const size of offered) {
      expect(size.startsWith(other)).toBe(false);
      expect(areaMm2(size)).toBeGreaterThanOrEqual(areaMm2(least!));
    }
  }
});
