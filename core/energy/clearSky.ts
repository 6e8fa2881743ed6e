/** A cloudless sky: what comes straight from the sun and what from the rest of the sky, W/m². */

/** ASHRAE's clear day, on the 21st of each month: A (W/m²), B and C. Source: ASHRAE handbook of fundamentals, from memory. */
const A = [1230, 1215, 1186, 1136, 1104, 1088, 1085, 1107, 1151, 1192, 1221, 1233];
const B = [0.142, 0.144, 0.156, 0.18, 0.196, 0.205, 0.207, 0.201, 0.177, 0.16, 0.149, 0.142];
const C = [0.058, 0.06, 0.071, 0.097, 0.121, 0.134, 0.136, 0.122, 0.092, 0.073, 0.063, 0.057];
/** Day of the year of the 21st of each month. */
const TABLE_DAYS = [21, 52, 80, 111, 141, 172, 202, 233, 264, 294, 325, 355];

export interface ClearSky {
  /** On a plane square to the sun. */
  beamNormal: number;
  /** From the sky, on the horizontal. */
  diffuseHorizontal: number;
}

/**
 * The clear sky at an altitude of the sun, radians: direct A exp(-B / sin a), diffuse C times it. South of the equator the
 * months are half a year on. Source: ASHRAE clear sky.
 */
export function clearSky(dayOfYear: number, altitude: number, southern = false): ClearSky {
  const sine = Math.sin(altitude);
  if (sine <= 0.01) return { beamNormal: 0, diffuseHorizontal: 0 };
  const day = southern ? ((dayOfYear + 182 - 1) % 365) + 1 : dayOfYear;
  const beamNormal = betweenMonths(A, day) * Math.exp(-betweenMonths(B, day) / sine);
  return { beamNormal, diffuseHorizontal: betweenMonths(C, day) * beamNormal };
}

/** Clear sky on the horizontal, beam and diffuse together: 1098 cos z exp(-0.057 / cos z). Source: Haurwitz. */
export function haurwitz(altitude: number): number {
  const cosZenith = Math.sin(altitude);
  return cosZenith <= 0 ? 0 : 1098 * cosZenith * Math.exp(-0.057 / cosZenith);
}

/** A monthly table read on a day of the year, on straight lines between its days, round the year. */
export function betweenMonths(table: readonly number[], dayOfYear: number, days: readonly number[] = TABLE_DAYS): number {
  const after = days.findIndex((day) => day >= dayOfYear);
  const to = after < 0 ? 0 : after;
  const from = (to + 11) % 12;
  const start = days[from]! - (to === 0 && dayOfYear <= days[0]! ? 365 : 0);
  const end = days[to]! + (after < 0 ? 365 : 0);
  return table[from]! + ((table[to]! - table[from]!) * (dayOfYear - start)) / (end - start);
}
