import { formatHours, formatWattHours } from '../units/quantity';

/** Of loads nobody has said any hours of; empty where there are none. */
export function withoutHoursWords(count: number): string {
  if (count === 0) return '';
  return count === 1
    ? 'One load has no hours in any scenario and counts as never on.'
    : `${count} loads have no hours in any scenario and count as never on.`;
}

/** A day's use; a bound where loads have no hours. */
export function dayWords(wattHours: number, withoutHours: number): string {
  return `${withoutHours > 0 ? '≥ ' : ''}${formatWattHours(wattHours)}`;
}

/** How long a battery lasts; a bound where loads have no hours. */
export function runtimeWords(hours: number | null, withoutHours: number): string {
  return `${withoutHours > 0 && hours !== null ? '≤ ' : ''}${formatHours(hours)}`;
}
