/** One reading of a battery monitor as it sends them, see docs/formats.md: local time, volts, and amperes out of the battery. */
export interface MonitorReading {
  /** Minutes since 1970 of the monitor's own clock, as if it were UTC. */
  atMin: number;
  volts: number;
  /** Out of the battery is positive; on the line it is negative, as monitors count. */
  amps: number;
}

/** What a battery monitor wrote down: minutes from midnight of its first day, volts, and amperes out of the battery. */
export interface MonitorLog {
  /** Its first day, such as 2025-06-01. */
  fromDay: string;
  atMin: Float64Array;
  volts: Float64Array;
  /** Out of the battery is positive. */
  amps: Float64Array;
}

/** The calendar day of a midnight, minutes since 1970. */
export function dayOf(midnightMin: number): string {
  return new Date(midnightMin * 60_000).toISOString().slice(0, 10);
}
