import type { AwgSize, MetricSize } from './conductorSizes';

/**
 * Greatest resistance at 20 C of plain class 5 flexible conductors, milliohm per metre. Source: IEC 60228, from memory.
 * 0.35, 2 and 3 mm2 are not in the standard; they carry the resistance times area of their neighbours.
 */
export const CLASS5_MILLIOHM_PER_M: Record<MetricSize, number> = {
  0.35: 55.7,
  0.5: 39.0,
  0.75: 26.0,
  1: 19.5,
  1.5: 13.3,
  2: 9.98,
  2.5: 7.98,
  3: 6.62,
  4: 4.95,
  6: 3.3,
  10: 1.91,
  16: 1.21,
  25: 0.78,
  35: 0.554,
  50: 0.386,
  70: 0.272,
  95: 0.206,
  120: 0.161,
};

/** Greatest resistance at 20 C of road-vehicle cable, milliohm per metre. Source: ISO 6722 / 19642, from memory. */
export const ROAD_MILLIOHM_PER_M: Record<MetricSize, number> = {
  0.35: 54.4,
  0.5: 37.1,
  0.75: 24.7,
  1: 18.5,
  1.5: 12.7,
  2: 9.42,
  2.5: 7.6,
  3: 6.15,
  4: 4.71,
  6: 3.14,
  10: 1.82,
  16: 1.16,
  25: 0.743,
  35: 0.527,
  50: 0.368,
  70: 0.259,
  95: 0.196,
  120: 0.153,
};

/**
 * Resistance of stranded, uncoated copper at 75 C, ohm per 1000 ft. Source: NEC chapter 9, table 8, from memory. It has no 20 AWG: copper
 * on its area stands there.
 */
export const NEC_OHM_PER_1000_FT: Record<AwgSize, number> = {
  '20': 12.4,
  '18': 7.95,
  '16': 4.99,
  '14': 3.14,
  '12': 1.98,
  '10': 1.24,
  '8': 0.778,
  '6': 0.491,
  '4': 0.308,
  '2': 0.194,
  '1': 0.154,
  '1/0': 0.122,
  '2/0': 0.0967,
  '3/0': 0.0766,
  '4/0': 0.0608,
};

/** Least circular mils of American small-craft cable. Source: ABYC E-11, from memory. It has no 20 AWG: there the nominal area stands. */
export const SMALL_CRAFT_CIRCULAR_MILS: Record<AwgSize, number> = {
  '20': 1022,
  '18': 1537,
  '16': 2336,
  '14': 3702,
  '12': 5833,
  '10': 9343,
  '8': 14810,
  '6': 25910,
  '4': 37360,
  '2': 62450,
  '1': 77790,
  '1/0': 98980,
  '2/0': 125100,
  '3/0': 158600,
  '4/0': 205500,
};
