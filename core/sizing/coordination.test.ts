import fc from 'fast-check';
import { endsFaultFrom, letThroughA2s } from '../catalog/fuseTimes';
import { RATINGS_A } from '../catalog/fuses';
import { batteryOhmRange } from '../catalog/chemistries';
import { PROTECTION_FAMILIES } from '../catalog/vocabulary';
import { bankShortA, familyThatBreaks, mainFamilyFor, ratingFrom, savesSmallFuse } from './breaking';
import { adiabaticK, clearingS, damageS, endVerdict, heatShare, selectiveToA, type Rated } from './coordination';

const blade = (ratingA: number): Rated => ({ family: 'blade', ratingA });

describe('clearing a short', () => {
  test.each([
    // Practice, from memory: 6 times clears in about 0.1 s, 3.5 times in 0.5 s, 2 times within 5 s.
    [60, 'good', 0.1],
    [35, 'acceptable', 0.5],
    [20, 'slow', 5],
  ] as const)('%d A through a 10 A blade is %s, within %f s', (amps, verdict, seconds) => {
    expect(endVerdict(blade(10), amps)).toBe(verdict);
    expect(clearingS(blade(10), amps).longestS).toBeLessThanOrEqual(seconds + 1e-9);
  });
  it('may never come under twice the rating', () => {
    expect(endVerdict(blade(10), 19)).toBe('never');
    expect(clearingS(blade(10), 10.9).longestS).toBe(Infinity);
  });
});

describe('larger fuses', () => {
  it.each([
    // From the gates as remembered: large blades end a fault within 5 s between 3.5 (7 s) and 6 times (1 s), megas from 3.5 (5 s).
    ['largeBlade', 3.5 * (6 / 3.5) ** (Math.log(7 / 5) / Math.log(7))],
    ['mega', 3.5],
    ['blade', 2],
  ] as const)('%s: surely ended within 5 s from %f times the rating', (family, multiple) => {
    expect(endsFaultFrom(family)).toBeCloseTo(multiple, 9);
    expect(clearingS({ family, ratingA: 1 }, multiple * 1.000001).longestS).toBeLessThanOrEqual(5);
  });
  it('are slow where a blade of the same multiple would be in time', () => {
    expect(endVerdict({ family: 'blade', ratingA: 40 }, 144)).toBe('acceptable');
    expect(endVerdict({ family: 'largeBlade', ratingA: 40 }, 144)).toBe('slow');
    expect(endVerdict({ family: 'mega', ratingA: 100 }, 350)).toBe('acceptable');
  });
  it('let most heat through in the slowest fault they surely end, between their corners too', () => {
    fc.assert(
      fc.property(fc.constantFrom(...PROTECTION_FAMILIES), fc.double({ min: 1, max: 40, noNaN: true }), (family, more) => {
        const multiple = endsFaultFrom(family) * (1 + 1e-9) * more;
        const { longestS } = clearingS({ family, ratingA: 1 }, multiple);
        expect(multiple ** 2 * longestS).toBeLessThanOrEqual(letThroughA2s(family, 1) * (1 + 1e-6));
        // And the conductor's share of it is seen by whoever asks over that range of currents.
        const share = heatShare({ family, ratingA: 100 }, 1, 70, endsFaultFrom(family) * 100, 100 * multiple);
        expect(share).toBeGreaterThanOrEqual((longestS * (multiple * 100) ** 2) / 115 ** 2 - 1e-6);
      }),
    );
  });
});

describe('the conductor in a short', () => {
  it('has k of 115 in PVC and 143 cross-linked (IEC 60364-4-43, from memory)', () => {
    expect(adiabaticK(70)).toBe(115);
    expect(adiabaticK(105)).toBe(143);
  });
  test.each([
    // By hand, t = k² S² / I².
    [1.5, 70, 300, 0.3306],
    [2.5, 70, 500, 0.3306],
    [35, 105, 6000, 0.6958],
  ])('%f mm² at %d °C stands %d A for %f s', (mm2, insulation, amps, seconds) => {
    expect(damageS(mm2, insulation, amps)).toBeCloseTo(seconds, 3);
  });
  it('outlasts the fuse it was sized with, and not one ten times as large', () => {
    // 1.5 mm² PVC behind 15 A: practice. 20 x 15² let through is 4500 A²s of its 29 756.
    expect(heatShare(blade(15), 1.5, 70, 60, 2000)).toBe(0);
    // 0.5 mm² behind 40 A: at twice the rating for 5 s 32 000 A²s into 3306.
    expect(heatShare(blade(40), 0.5, 70, 80, 2000)).toBeCloseTo((80 ** 2 * 5) / (115 * 0.5) ** 2, 6);
  });
  it('never suffers more behind a smaller fuse or in thicker copper', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...RATINGS_A.blade),
        fc.constantFrom(...RATINGS_A.blade),
        fc.double({ min: 0.5, max: 50, noNaN: true }),
        fc.double({ min: 1, max: 3, noNaN: true }),
        (one, other, mm2, thicker) => {
          const [small, large] = [Math.min(one, other), Math.max(one, other)];
          const share = (rating: number, area: number) => heatShare(blade(rating), area, 70, rating * 2, 5000);
          expect(share(small, mm2)).toBeLessThanOrEqual(share(large, mm2) + 1e-9);
          expect(share(large, mm2 * thicker)).toBeLessThanOrEqual(share(large, mm2) + 1e-9);
        },
      ),
    );
  });
});

describe('who opens first', () => {
  it('is certain between blades from three to one up at high currents, and not at two to one (from the gates)', () => {
    expect(selectiveToA(blade(5), blade(15), 1000)).toBe(1000);
    expect(selectiveToA(blade(10), blade(20), 1000)).toBeLessThan(1000);
    expect(selectiveToA(blade(10), blade(40), 1000)).toBe(1000);
  });
  it('is never the downstream one when it is the larger', () => {
    expect(selectiveToA(blade(20), blade(10), 500)).toBe(0);
  });
  it('says where the gates meet: up to there the latest of one lies before the soonest of the other', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...PROTECTION_FAMILIES),
        fc.constantFrom(...PROTECTION_FAMILIES),
        fc.double({ min: 5, max: 100, noNaN: true }),
        fc.double({ min: 1, max: 6, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (one, two, ratingA, ratio, place) => {
          const [down, up] = [
            { family: one, ratingA },
            { family: two, ratingA: ratingA * ratio },
          ];
          const mostA = ratingA * 200;
          const upTo = selectiveToA(down, up, mostA);
          const fromA = ratingA * 1.35;
          if (upTo <= fromA) return;
          const amps = fromA * (upTo / fromA) ** place;
          expect(clearingS(down, amps).longestS).toBeLessThanOrEqual(clearingS(up, amps).leastS * (1 + 1e-6));
        },
      ),
      { numRuns: 500 },
    );
  });
});

describe('breaking a bank’s short', () => {
  const bank = (chemistry: 'lithium' | 'agm' | 'flooded', capacityAh: number, count = 1) => ({ chemistry, capacityAh, count });
  test.each([
    // Milliohm per 100 Ah from memory: lithium with protection 4 to 12, thin-plate glass-mat 2, flooded starter 3; volts at rest, full.
    // A terminal-mount fuse breaks 10 kA at 14 V and 5 kA at 32 V.
    [bank('lithium', 100), 13.5 / 0.004, 'terminalMount', 'terminalMount'],
    [bank('lithium', 300), (13.5 / 0.004) * 3, 'classT', 'classT'],
    [bank('agm', 80), (12.8 / 0.002) * 0.8, 'terminalMount', 'classT'],
    [bank('flooded', 45), (12.65 / 0.003) * 0.45, 'mega', 'mega'],
    [bank('lithium', 200, 2), (13.5 / 0.004) * 4, 'classT', 'classT'],
  ] as const)('%j: %d A wants a %s fuse at 12 V, %s at 24 V', (battery, amps, at12, at24) => {
    expect(bankShortA(battery)).toBeCloseTo(amps, 6);
    expect(familyThatBreaks(amps, 12)).toBe(at12);
    expect(familyThatBreaks(amps, 24)).toBe(at24);
  });
  it('saves the small fuses behind it with a class T fuse, which opens within half a cycle; a strip fuse takes too long (common practice)', () => {
    expect(savesSmallFuse({ family: 'classT', ratingA: 125 }, 4000)).toBe(true);
    expect(savesSmallFuse({ family: 'terminalMount', ratingA: 125 }, 4000)).toBe(false);
    expect(savesSmallFuse({ family: 'terminalMount', ratingA: 125 }, 1800)).toBe(true);
    expect(mainFamilyFor(3375, 12)).toBe('classT');
    expect(mainFamilyFor(1900, 12)).toBe('mega');
  });
  it('takes a battery’s own resistance where it is known', () => {
    expect(batteryOhmRange({ ...bank('agm', 100), internalMilliohm: 6 })).toEqual({ least: 0.006, usual: 0.006, most: 0.006 });
    expect(bankShortA({ ...bank('agm', 100), internalMilliohm: 6 })).toBeCloseTo(12.8 / 0.006, 6);
  });
  it('fits the next rating a family comes in', () => {
    expect(ratingFrom('classT', 100)).toBe(110);
    expect(ratingFrom('mega', 100)).toBe(100);
    expect(ratingFrom('blade', 500)).toBe(40);
  });
});
