import { analyse } from '../analysis/analyse';
import type { Analysis } from '../analysis/types';
import { areaMm2 } from '../catalog/conductorSizes';
import { applyChange } from '../design/change';
import { findingKey } from '../analysis/finding';
import { putDevices } from '../rig/edits';
import { isInRoom, isTooDeep } from '../rig/clearance';

/** A device tried at a place: what it would cost and meet there. */
export interface PlaceTrial {
  placeId: string;
  /** Conductor of the whole design, mm, and the copper in it, g. */
  cableMm: number;
  copperG: number;
  /** The worst drop of what the device feeds or is, percent; null where nothing reaches it. */
  dropPercent: number | null;
  /** The hottest its wires get, C, and the most loaded conductors beside any of them. */
  ambientC: number;
  loaded: number;
  /** Faults and cautions the design would have that it has not now, and the other way round. */
  worse: number;
  better: number;
  /** What stands against the place itself. */
  against: ('tooShallow' | 'inTheWay' | 'inSight' | 'noWay')[];
}

/** What a search says on its way: the share done, then every trial. */
export type PlacingNews = { done: number } | { trials: PlaceTrial[] };

/** Density of copper, g/cm3. Source: CRC Handbook of Chemistry and Physics, from memory. */
const COPPER_G_PER_CM3 = 8.96;

/**
 * Tries a device at every place: analyses the whole design each time, so lengths, drops, bundles and findings are those the
 * design would have. The first in the list takes the least copper.
 * @param onTrial called after each place with the share done; false stops the search.
 */
export function tryPlaces(now: Analysis, deviceId: string, onTrial: (share: number) => boolean = () => true): PlaceTrial[] {
  const { places } = now.index;
  const before = openFindings(now);
  const trials: PlaceTrial[] = [];
  for (const [done, { id }] of places.entries()) {
    const tried = analyse(applyChange(now.design, putDevices(now.design, [deviceId], id)), now);
    trials.push(trialOf(tried, deviceId, id, before));
    if (!onTrial((done + 1) / places.length)) break;
  }
  return trials.sort((a, b) => a.copperG - b.copperG);
}

function trialOf(tried: Analysis, deviceId: string, placeId: string, before: ReadonlySet<string>): PlaceTrial {
  const { index, exposures, wires } = tried;
  const own = index.wires.filter(
    ({ from, to }) => from.deviceId === deviceId || to.deviceId === deviceId || isMountedOn(tried, deviceId, from.deviceId),
  );
  const after = openFindings(tried);
  const place = index.layout.places.get(placeId)!;
  const device = index.devices.get(deviceId)!;
  const against: PlaceTrial['against'] = [];
  if (isTooDeep(device, place)) against.push('tooShallow');
  const crossed = index.keepClear.filter((room) => isInRoom(place, device.sizeMm, room)).map(({ kind }) => kind);
  if (crossed.includes('sweep')) against.push('inTheWay');
  if (crossed.includes('sight')) against.push('inSight');
  if (own.some(({ id }) => index.layout.runs.get(id)?.routeIds === null)) against.push('noWay');
  return {
    placeId,
    cableMm: index.wires.reduce((sum, { lengthMm }) => sum + lengthMm, 0),
    copperG: index.wires.reduce((sum, { lengthMm, conductor }) => sum + (lengthMm / 1000) * areaMm2(conductor) * COPPER_G_PER_CM3, 0),
    dropPercent: worstDrop(tried, deviceId),
    ambientC: Math.max(30, ...own.map(({ id }) => exposures.get(id)!.ambientC)),
    loaded: Math.max(1, ...own.map(({ id }) => wires.get(id)?.ampacity.loaded ?? 1)),
    worse: [...after].filter((key) => !before.has(key)).length,
    better: [...before].filter((key) => !after.has(key)).length,
    against,
  };
}

function isMountedOn({ index }: Analysis, blockId: string, deviceId: string): boolean {
  const device = index.devices.get(deviceId);
  return device?.kind === 'protection' && device.mount?.blockId === blockId;
}

/** The worst drop of the loads whose supply comes through a device, or of the device itself. */
function worstDrop({ loads, circuits, index }: Analysis, deviceId: string): number | null {
  const own = loads.get(deviceId);
  if (own) return own.circuitId === null ? null : own.dropPercent;
  const fed = circuits.filter(
    ({ supplyRun, returnRun, block }) =>
      block?.id === deviceId || [...supplyRun, ...returnRun].some((step) => step.kind === 'device' && step.deviceId === deviceId),
  );
  if (fed.length === 0 || !index.devices.has(deviceId)) return null;
  return Math.max(...fed.map(({ dropPercent }) => dropPercent));
}

function openFindings({ findings }: Analysis): Set<string> {
  return new Set(findings.filter(({ severity }) => severity !== 'note').map(findingKey));
}
