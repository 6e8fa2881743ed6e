/** What one load's going without brings. */
export interface GiveUp {
  loadId: string;
  wattHours: number;
  /** Hours more the battery lasts without it, and with half of it. */
  gainedH: number;
  halfGainedH: number;
}

/** Loads by what going without each would add to the runtime, the most first; critical ones are never offered. */
export function giveUps(
  loads: ReadonlyMap<string, { wattHours: number; ampHours: number }>,
  dailyAh: number,
  runtimeH: number,
  isCritical: (loadId: string) => boolean,
): GiveUp[] {
  const gained = (ampHours: number) => (dailyAh > ampHours ? runtimeH * (dailyAh / (dailyAh - ampHours) - 1) : Infinity);
  return Array.from(loads, ([loadId, { wattHours, ampHours }]) => ({
    loadId,
    wattHours,
    gainedH: gained(ampHours),
    halfGainedH: gained(ampHours / 2),
  }))
    .filter(({ loadId, wattHours }) => wattHours > 0 && !isCritical(loadId))
    .sort((a, b) => b.gainedH - a.gainedH);
}
