import type { Flaw } from './flaws';
import { Outcomes } from './outcomes';

const flaw = (fuseId: string) => ({ kind: 'blownFuse', fuseId }) as Flaw;

/** What a measurement tells, bits, of suspects by what it would read and how likely each is. */
function bitsOf(suspects: readonly (readonly [volts: number, share: number, repair: string])[]): number {
  const outcomes = new Outcomes('volts');
  for (const [volts, share, repair] of suspects) outcomes.add(volts, share, repair, flaw(repair));
  return outcomes.bits();
}

// C. E. Shannon, A Mathematical Theory of Communication (1948): what is told is what was not known, less what still is not.
test('readings far apart tell all there is to know of what to repair', () => {
  expect(bitsOf([[0, 0.5, 'a'], [12, 0.5, 'b']])).toBeCloseTo(1, 9); // prettier-ignore
  expect(bitsOf([[0, 1, 'a'], [4, 1, 'b'], [8, 1, 'c'], [12, 1, 'd']])).toBeCloseTo(2, 9); // prettier-ignore
  // 0.9 against 0.1: 0.469 bits (the binary entropy of a tenth).
  expect(bitsOf([[0, 0.9, 'a'], [12, 0.1, 'b']])).toBeCloseTo(0.469, 3); // prettier-ignore
});

test('the same reading, or the same repair, tells nothing', () => {
  expect(bitsOf([[12, 0.7, 'a'], [12, 0.3, 'b']])).toBeCloseTo(0, 9); // prettier-ignore
  expect(bitsOf([[0, 0.7, 'a'], [12, 0.3, 'a']])).toBeCloseTo(0, 9); // prettier-ignore
});

test('readings that the meter hardly tells apart tell a part', () => {
  const bits = bitsOf([[12, 0.5, 'a'], [12.3, 0.5, 'b']]); // prettier-ignore
  expect(bits).toBeGreaterThan(0.2);
  expect(bits).toBeLessThan(0.9);
});

test('however much they are counted, shares count by what they are of the whole', () => {
  const one = [[0, 0.2, 'a'], [6, 0.3, 'b'], [12, 0.1, 'c']] as const; // prettier-ignore
  expect(bitsOf(one.map(([volts, share, repair]) => [volts, share * 7, repair] as const))).toBeCloseTo(bitsOf(one), 9);
});
