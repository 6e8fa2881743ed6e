import fc from 'fast-check';
import { CLIMATE_FACTS } from '../catalog/climates';
import { CLIMATES } from '../catalog/vocabulary';
import { airC, beamAndDiffuse, meanClearness, seeded, skies, skyOfRank } from './weather';

describe('weather', () => {
  it('is the same for the same seed and another for another', () => {
    const week = (seed: number) => Array.from(skies('maritime', 10, 7, false, seed));
    expect(week(3)).toEqual(week(3));
    expect(week(3)).not.toEqual(week(4));
  });
  it('draws evenly: the published generator’s first number for seed 0, and a mean of a half', () => {
    const random = seeded(0);
    expect(random()).toBeCloseTo(0.26642920868471265, 12); // mulberry32(0), published test value, from memory
    const many = Array.from({ length: 20_000 }, random);
    expect(many.reduce((sum, next) => sum + next, 0) / many.length).toBeCloseTo(0.5, 1);
  });
  it.each(CLIMATES)('%s brings its mean of sun over many years, and bad days in rows', (climate) => {
    const year = Array.from({ length: 30 }, (_, seed) => Array.from(skies(climate, 1, 365, false, seed))).flat();
    const wanted = Array.from({ length: 365 }, (_, day) => meanClearness(climate, day + 1, false));
    const mean = (list: number[]) => list.reduce((sum, next) => sum + next, 0) / list.length;
    expect(Math.abs(mean(year) - mean(wanted))).toBeLessThan(0.02);
    const off = year.map((sky, at) => sky - wanted[at % 365]!);
    const next = mean(off.slice(1).map((sky, at) => sky * off[at]!)) / mean(off.map((sky) => sky * sky));
    expect(Math.abs(next - CLIMATE_FACTS[climate].persistence)).toBeLessThan(0.08);
  });
  it('never lets through nothing, nor more than a clear day', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }), (mean, rank) => {
        const sky = skyOfRank(mean, rank);
        expect(sky).toBeGreaterThanOrEqual(0.08);
        expect(sky).toBeLessThanOrEqual(1);
      }),
    );
  });
  it('shares a sky’s light so that beam and diffuse add up to it', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.08, max: 1, noNaN: true }), fc.double({ min: 0.06, max: 0.9, noNaN: true }), (sky, share) => {
        const { beam, diffuse } = beamAndDiffuse(sky, share);
        expect(beam * (1 - share) + diffuse * share).toBeCloseTo(sky, 9);
        expect(diffuse).toBeGreaterThanOrEqual(0);
      }),
    );
    expect(beamAndDiffuse(1, 0.1)).toEqual({ beam: 1, diffuse: expect.closeTo(1, 9) as number });
    expect(beamAndDiffuse(0.2, 0.1).beam).toBe(0);
  });
  it('turns the seasons round in the south, and is warmest in the afternoon (common practice)', () => {
    expect(meanClearness('continental', 1, true)).toBeCloseTo(meanClearness('continental', 183, false), 9);
    expect(airC(10, 5, 16)).toBeCloseTo(15, 9);
    expect(airC(10, 5, 4)).toBeCloseTo(5, 9);
  });
});
