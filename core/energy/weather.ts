import { CLIMATE_FACTS } from '../catalog/climates';
import type { Climate } from '../catalog/vocabulary';
import { betweenMonths } from './clearSky';

/** The middle days of the months. Source: Duffie and Beckman, mean days for monthly calculations. */
export const MID_MONTH = [17, 47, 75, 105, 135, 162, 198, 228, 258, 288, 318, 344];

/** The least and the most of a clear day's sun that any sky lets through: heavy cloud still lights a panel. Common practice. */
const LEAST_SUN = 0.08;
const MOST_SUN = 1;

/** Numbers in [0, 1) that are the same for the same seed on every machine. Source: the mulberry32 generator, public domain. */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}

/** Mean share of a clear day's sun on a day of the year. */
export function meanClearness(climate: Climate, dayOfYear: number, southern: boolean): number {
  return betweenMonths(CLIMATE_FACTS[climate].clearness, season(dayOfYear, southern), MID_MONTH);
}

/** Mean air of a day, °C. */
export function meanAirC(climate: Climate, dayOfYear: number, southern: boolean): number {
  return betweenMonths(CLIMATE_FACTS[climate].airC, season(dayOfYear, southern), MID_MONTH);
}

/** Air at an hour of the day: coldest at 4, warmest at 16. Common practice. */
export function airC(meanC: number, swingC: number, clockHour: number): number {
  return meanC - swingC * Math.cos(((clockHour - 4) / 24) * 2 * Math.PI);
}

/**
 * A run of skies: each day's share of a clear day's sun. A day either keeps the sky of the day before or draws a new one
 * between overcast and clear whose mean is the climate's for the season, so bad days come in rows as they do.
 */
export function skies(climate: Climate, startDay: number, days: number, southern: boolean, seed: number): Float64Array {
  const random = seeded(seed);
  const { persistence } = CLIMATE_FACTS[climate];
  const drawn = new Float64Array(days);
  let rank = random();
  for (let day = 0; day < days; day++) {
    if (day > 0 && random() >= persistence) rank = random();
    drawn[day] = skyOfRank(meanClearness(climate, ((startDay - 1 + day) % 365) + 1, southern), rank);
  }
  return drawn;
}

/**
 * The sky at a rank from darkest (0) to brightest (1): least + (most - least) rank^k, with k so that the mean over all
 * ranks, least + (most - least) / (k + 1), is the wanted one.
 */
export function skyOfRank(mean: number, rank: number): number {
  const share = (Math.min(Math.max(mean, LEAST_SUN + 0.02), 0.98) - LEAST_SUN) / (MOST_SUN - LEAST_SUN);
  return LEAST_SUN + (MOST_SUN - LEAST_SUN) * rank ** (1 / share - 1);
}

/**
 * How a sky that lets through so much of a clear day's sun shares it: as factors on the clear sky's beam and diffuse parts.
 * Thin light is all diffuse, a clear sky as it is; between, the diffuse part swells as the beam is lost. Source: the shape of
 * the Liu and Jordan relation; the straight line between is our own choice.
 */
export function beamAndDiffuse(clearness: number, clearDiffuseShare: number): { beam: number; diffuse: number } {
  const beam = Math.max(0, (clearness - 0.25) / 0.75);
  const diffuse = (clearness - beam * (1 - clearDiffuseShare)) / clearDiffuseShare;
  return { beam, diffuse };
}

function season(dayOfYear: number, southern: boolean): number {
  return southern ? ((dayOfYear + 182 - 1) % 365) + 1 : dayOfYear;
}
