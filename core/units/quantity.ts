import { awgOf, metricOf, type ConductorSize } from '../catalog/conductorSizes';
import type { UnitSystem } from '../catalog/vocabulary';

/** The one place where a number inside becomes text for a person. A missing value is an en dash, never zero. */

export const MISSING = '–';
const MM_PER_FOOT = 304.8;

/** Fixed decimals with a true minus sign; an en dash for null and anything that is not a number. */
export function formatNumber(value: number | null, decimals: number): string {
  if (value === null || !Number.isFinite(value)) return MISSING;
  const text = Math.abs(value).toFixed(decimals);
  return value < 0 && Number(text) !== 0 ? `\u2212${text}` : text;
}

/** The most decimals a field shows beyond those it has as a rule. */
const MORE_DECIMALS = 4;

/**
 * A figure somebody entered: with so many decimals, or as few more as it takes to show it as it is kept. One that has no end is shortened,
 * as a length come from feet.
 */
export function formatEntered(value: number, decimals: number): string {
  const exact = Array.from({ length: MORE_DECIMALS + 1 }, (_, more) => decimals + more).find(
    (places) => Math.abs(Number(value.toFixed(places)) - value) < 1e-9,
  );
  return formatNumber(value, exact ?? decimals);
}

/** Current in amperes: two decimals under 10 A, one under 100 A, none above. */
export function formatAmps(amps: number | null): string {
  return withUnit(formatNumber(amps, amps === null || Math.abs(amps) < 9.995 ? 2 : Math.abs(amps) < 99.95 ? 1 : 0), 'A');
}

/** A fuse or breaker rating as printed on it. */
export function formatRating(amps: number | null): string {
  return amps === null ? MISSING : `${Number(amps.toFixed(2))} A`;
}

export function formatVolts(volts: number | null): string {
  return withUnit(formatNumber(volts, 2), 'V');
}

/** A time from milliseconds to hours, as exact as one would say it. */
export function formatSeconds(seconds: number): string {
  if (seconds < 1) return `${Number((seconds * 1000).toPrecision(2))} ms`;
  if (seconds < 120) return `${Number(seconds.toPrecision(2))} s`;
  return seconds < 7200 ? `${Math.round(seconds / 60)} min` : `${Math.round(seconds / 3600)} h`;
}

/** Seconds as minutes and seconds, or minutes as hours and minutes. */
export function formatClock(sixtieths: number): string {
  const whole = Math.round(sixtieths);
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
}

export function formatPercent(percent: number | null): string {
  return withUnit(formatNumber(percent, 1), '%');
}

export function formatWatts(watts: number | null): string {
  return withUnit(formatNumber(watts, watts === null || Math.abs(watts) < 9.95 ? 1 : 0), 'W');
}

export function formatWattHours(wattHours: number | null): string {
  return withUnit(formatNumber(wattHours, wattHours === null || Math.abs(wattHours) < 9.95 ? 1 : 0), 'Wh');
}

export function formatAmpHours(ampHours: number | null): string {
  return withUnit(formatNumber(ampHours, ampHours === null || Math.abs(ampHours) < 99.95 ? 1 : 0), 'Ah');
}

/** Hours, or days and hours from two days on. */
export function formatHours(hours: number | null): string {
  if (hours === null || !Number.isFinite(hours)) return MISSING;
  if (hours < 9.95) return `${formatNumber(hours, 1)} h`;
  const whole = Math.round(hours);
  return whole < 48 ? `${whole} h` : `${Math.floor(whole / 24)} d ${whole % 24} h`;
}

/** A length given in millimetres, in metres or feet. */
export function formatLength(lengthMm: number | null, units: UnitSystem): string {
  return withUnit(formatLengthNumber(lengthMm, units), units === 'metric' ? 'm' : 'ft');
}

/** The bare number of formatLength, for a field that shows its unit beside it. */
export function formatLengthNumber(lengthMm: number | null, units: UnitSystem): string {
  if (lengthMm === null) return MISSING;
  return units === 'metric' ? formatNumber(lengthMm / 1000, 2) : formatNumber(lengthMm / MM_PER_FOOT, 1);
}

/** Kilometres in a mile. International yard and pound agreement, 1959: exact. */
export const KM_PER_MILE = 1.609344;

/** A distance driven: whole kilometres, or miles. */
export function formatRoad(km: number, units: UnitSystem): string {
  return units === 'metric' ? `${formatNumber(km, 0)} km` : `${formatNumber(km / KM_PER_MILE, 0)} mi`;
}

/** A place or a size in the vehicle: millimetres, or feet and inches to the nearest eighth. */
export function formatPlaceMm(lengthMm: number | null, units: UnitSystem): string {
  if (lengthMm === null) return MISSING;
  return units === 'metric' ? formatNumber(lengthMm, 0) : formatFeetInches(lengthMm);
}

/** Feet, inches and eighths: 6' 10 1/2". */
export function formatFeetInches(lengthMm: number): string {
  const eighths = Math.round((Math.abs(lengthMm) / 25.4) * 8);
  const feet = Math.floor(eighths / 96);
  const inches = Math.floor((eighths % 96) / 8);
  let over = eighths % 8;
  let under = 8;
  while (over > 0 && over % 2 === 0) [over, under] = [over / 2, under / 2];
  const whole = over === 0 ? `${inches}` : inches === 0 ? `${over}/${under}` : `${inches} ${over}/${under}`;
  const sign = lengthMm < 0 && eighths > 0 ? '\u2212' : '';
  return feet > 0 ? `${sign}${feet}' ${whole}"` : `${sign}${whole}"`;
}

/** A hole, a depth or a diameter given in millimetres, in millimetres or inches. */
export function formatSmallLength(lengthMm: number | null, units: UnitSystem): string {
  if (lengthMm === null) return MISSING;
  return units === 'metric' ? `${formatNumber(lengthMm, lengthMm < 20 ? 1 : 0)} mm` : `${formatNumber(lengthMm / 25.4, 2)} in`;
}

export function formatTemperature(celsius: number, units: UnitSystem): string {
  return units === 'metric' ? `${formatNumber(celsius, 0)} °C` : `${formatNumber(celsius * 1.8 + 32, 0)} °F`;
}

/** A conductor's trade size: "2.5 mm²" or "14 AWG". A wire keeps the size it was bought in, whatever the units. */
export function formatConductor(size: ConductorSize | null): string {
  if (size === null) return MISSING;
  const awg = awgOf(size);
  return awg ? `${awg} AWG` : `${metricOf(size)} mm²`;
}

function withUnit(text: string, unit: string): string {
  return text === MISSING ? MISSING : `${text} ${unit}`;
}
