import type { Climate } from './vocabulary';

/** What a kind of weather brings, by month from January in the northern half of the world. */
export interface ClimateFacts {
  label: string;
  /** Mean of the sun that comes through, as a share of a clear day's. */
  clearness: readonly number[];
  /** Mean air over day and night, °C, and how far the warmest and coldest hour lie from it. */
  airC: readonly number[];
  swingC: number;
  /** Chance that a day's sky is like the day's before, rather than drawn anew. */
  persistence: number;
}

/**
 * Round figures for planning, made from general knowledge of such climates and not from any station: a file of real weather
 * for the place is better wherever there is one. From memory.
 */
export const CLIMATE_FACTS: Record<Climate, ClimateFacts> = {
  maritime: {
    label: 'Mild and wet, near the sea',
    clearness: [0.42, 0.46, 0.5, 0.55, 0.57, 0.57, 0.57, 0.57, 0.54, 0.49, 0.43, 0.4],
    airC: [4, 4, 6, 9, 12, 15, 17, 17, 14, 11, 7, 5],
    swingC: 4,
    persistence: 0.35,
  },
  continental: {
    label: 'Cold winters, warm summers',
    clearness: [0.45, 0.5, 0.55, 0.57, 0.6, 0.62, 0.64, 0.64, 0.6, 0.53, 0.43, 0.4],
    airC: [-2, 0, 5, 10, 15, 18, 20, 20, 15, 9, 4, 0],
    swingC: 5,
    persistence: 0.4,
  },
  mediterranean: {
    label: 'Dry summers, mild winters',
    clearness: [0.6, 0.62, 0.66, 0.7, 0.76, 0.83, 0.88, 0.87, 0.8, 0.7, 0.62, 0.58],
    airC: [9, 10, 12, 15, 19, 23, 26, 26, 22, 18, 13, 10],
    swingC: 5,
    persistence: 0.45,
  },
  desert: {
    label: 'Desert',
    clearness: [0.82, 0.83, 0.85, 0.87, 0.9, 0.93, 0.9, 0.9, 0.92, 0.9, 0.86, 0.82],
    airC: [12, 14, 18, 22, 27, 32, 34, 33, 30, 24, 17, 13],
    swingC: 8,
    persistence: 0.5,
  },
  northern: {
    label: 'Far north',
    clearness: [0.4, 0.48, 0.56, 0.6, 0.62, 0.62, 0.6, 0.57, 0.5, 0.43, 0.36, 0.34],
    airC: [-8, -7, -3, 2, 8, 13, 16, 14, 9, 3, -3, -6],
    swingC: 4,
    persistence: 0.45,
  },
};
