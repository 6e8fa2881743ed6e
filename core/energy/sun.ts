/** Where the sun stands. Angles in radians unless the name says degrees; azimuth clockwise from north. */

const RAD = Math.PI / 180;
/** Solar constant, W/m². Source: Duffie and Beckman, from memory. */
const SOLAR_CONSTANT = 1367;

export interface SunPosition {
  /** Above the horizon; negative at night. */
  altitude: number;
  azimuth: number;
}

/** Declination on a day of the year (1 to 365): 23.45° sin(360° (284 + n) / 365). Source: Cooper's equation, as in Duffie and Beckman. */
export function declination(dayOfYear: number): number {
  return 23.45 * RAD * Math.sin((2 * Math.PI * (284 + dayOfYear)) / 365);
}

/** Minutes the sun is ahead of a clock that keeps mean time. Source: Spencer's series, as in Duffie and Beckman, from memory. */
export function equationOfTimeMin(dayOfYear: number): number {
  const b = (2 * Math.PI * (dayOfYear - 1)) / 365;
  return 229.18 * (0.000075 + 0.001868 * Math.cos(b) - 0.032077 * Math.sin(b) - 0.014615 * Math.cos(2 * b) - 0.04089 * Math.sin(2 * b));
}

/**
 * Solar hour of a clock hour. The clock keeps the standard time of the nearest whole hour of longitude, without summer time.
 */
export function solarHour(clockHour: number, dayOfYear: number, longitudeDeg: number): number {
  const zoneHours = Math.round(longitudeDeg / 15);
  return clockHour + (4 * (longitudeDeg - 15 * zoneHours) + equationOfTimeMin(dayOfYear)) / 60;
}

/** The sun at a solar hour (12 is its highest). Source: spherical trigonometry, Duffie and Beckman eq. 1.6.5 and 1.6.6. */
export function sunPosition(dayOfYear: number, hour: number, latitudeDeg: number): SunPosition {
  const latitude = latitudeDeg * RAD;
  const decl = declination(dayOfYear);
  const hourAngle = (hour - 12) * 15 * RAD;
  const east = -Math.cos(decl) * Math.sin(hourAngle);
  const north = Math.sin(decl) * Math.cos(latitude) - Math.cos(decl) * Math.sin(latitude) * Math.cos(hourAngle);
  const up = Math.sin(decl) * Math.sin(latitude) + Math.cos(decl) * Math.cos(latitude) * Math.cos(hourAngle);
  return { altitude: Math.asin(Math.max(-1, Math.min(1, up))), azimuth: (Math.atan2(east, north) + 2 * Math.PI) % (2 * Math.PI) };
}

/** Cosine of the angle between the sun and a surface's normal; negative when the sun is behind it. */
export function cosIncidence({ altitude, azimuth }: SunPosition, tiltDeg: number, facesDeg: number): number {
  const tilt = tiltDeg * RAD;
  return Math.sin(altitude) * Math.cos(tilt) + Math.cos(altitude) * Math.sin(tilt) * Math.cos(azimuth - facesDeg * RAD);
}

/** Hours between solar noon and sunset: 0 in polar night, 12 at midsummer beyond the circle. */
export function halfDayHours(dayOfYear: number, latitudeDeg: number): number {
  const cosine = -Math.tan(latitudeDeg * RAD) * Math.tan(declination(dayOfYear));
  if (cosine >= 1) return 0;
  if (cosine <= -1) return 12;
  return Math.acos(cosine) / RAD / 15;
}

/** Sunrise and sunset by the clock, hours; the sun's centre on a flat horizon. */
export function sunTimes(dayOfYear: number, latitudeDeg: number, longitudeDeg: number): { rise: number; set: number } {
  const noon = 24 - solarHour(12, dayOfYear, longitudeDeg);
  const half = halfDayHours(dayOfYear, latitudeDeg);
  return { rise: noon - half, set: noon + half };
}

/** Sun on a plane square to it above the air, W/m². Source: Duffie and Beckman eq. 1.4.1a. */
export function extraterrestrialNormal(dayOfYear: number): number {
  return SOLAR_CONSTANT * (1 + 0.033 * Math.cos((2 * Math.PI * dayOfYear) / 365));
}

/** A day's sun on the horizontal above the air, kWh/m². Source: Duffie and Beckman eq. 1.10.3. */
export function extraterrestrialDaily(dayOfYear: number, latitudeDeg: number): number {
  const latitude = latitudeDeg * RAD;
  const decl = declination(dayOfYear);
  const sunset = halfDayHours(dayOfYear, latitudeDeg) * 15 * RAD;
  const sum = Math.cos(latitude) * Math.cos(decl) * Math.sin(sunset) + sunset * Math.sin(latitude) * Math.sin(decl);
  return ((24 / Math.PI) * extraterrestrialNormal(dayOfYear) * sum) / 1000;
}
