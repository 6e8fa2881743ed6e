import { isLamp } from '../devices/load';
import type { Analysis, LoadAnalysis } from './types';

/** How evenly a zone is fed. */
export interface ZoneDrops {
  id: string | null;
  /** Every wired load there, the worst first. */
  loads: LoadAnalysis[];
  worstPercent: number;
  meanPercent: number;
  /**
   * Between the best and the worst fed lamp of the zone, V: lamps side by side show a difference from about 0.3 V. Null with fewer than
   * two.
   */
  lampSpreadV: number | null;
}

/** Difference from which the eye sees two like lamps side by side as unlike, V. Common practice. */
export const SEEN_V = 0.3;

/** Drop zone by zone; zones without a wired load are left out. */
export function zoneDrops({ index, loads }: Analysis): ZoneDrops[] {
  const byZone = new Map<string | null, LoadAnalysis[]>();
  for (const entry of loads.values()) {
    if (entry.circuitId === null) continue;
    const list = byZone.get(entry.load.zoneId);
    if (list) list.push(entry);
    else byZone.set(entry.load.zoneId, [entry]);
  }
  return [...index.zones.map(({ id }) => id), null].flatMap((id) => {
    const list = byZone.get(id);
    if (!list) return [];
    list.sort((a, b) => b.dropPercent - a.dropPercent);
    const lamps = list.filter(({ load }) => isLamp(load));
    return [
      {
        id,
        loads: list,
        worstPercent: list[0]!.dropPercent,
        meanPercent: list.reduce((sum, { dropPercent }) => sum + dropPercent, 0) / list.length,
        lampSpreadV: lamps.length < 2 ? null : lamps[0]!.dropV - lamps.at(-1)!.dropV,
      },
    ];
  });
}
