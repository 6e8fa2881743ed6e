import { areaMm2, awgAreaMm2, AWG_SIZES, CONDUCTOR_SIZES, type AwgSize } from './conductorSizes';

// ASTM B258 nominal areas in mm2, from memory of the standard's table.
const ASTM_B258: Partial<Record<AwgSize, number>> = {
  '20': 0.518,
  '18': 0.823,
  '16': 1.309,
  '14': 2.081,
  '12': 3.309,
  '10': 5.261,
  '8': 8.366,
  '6': 13.3,
  '4': 21.15,
  '2': 33.63,
  '1': 42.41,
  '1/0': 53.48,
  '2/0': 67.43,
  '3/0': 85.03,
  '4/0': 107.2,
};

test.each(Object.entries(ASTM_B258))('%s AWG has the area ASTM B258 gives, %d mm²', (awg, area) => {
  expect(Math.abs(awgAreaMm2(awg as AwgSize) / area - 1)).toBeLessThan(0.001);
});

test('American sizes grow from 20 AWG to 4/0', () => {
  const areas = AWG_SIZES.map((awg) => areaMm2(`awg:${awg}`));
  expect(areas).toEqual([...areas].sort((a, b) => a - b));
});

test('three gauge numbers are half the area, as the gauge is built (common practice)', () => {
  expect(areaMm2('awg:10') / areaMm2('awg:16')).toBeCloseTo(4, 0);
  expect(CONDUCTOR_SIZES.every((size) => areaMm2(size) > 0)).toBe(true);
});
