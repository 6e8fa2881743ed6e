import { Carried, isSameList, slot } from '../units/carried';
import type { Place, Route, Zone } from '../design/schema';
import type { DesignIndex } from './designIndex';
import type { WireRun } from './layout';

/** What a wire meets on its way. */
export interface Exposure {
  /** The hottest zone it touches, C, at least 30. */
  ambientC: number;
  engineSpace: boolean;
  zones: readonly Zone[];
  /** The stretches it takes, in order. */
  routes: readonly Route[];
}

/** Ambient the ampacity tables are made for, C. */
const TABLE_C = 30;

const EXPOSURES = slot<Exposure>('exposures');
const ZONES = slot<readonly Zone[]>('zones');
const PLACES = slot<readonly Place[]>('places');

/** What every wire meets: the zones of both its ends and of every place it comes by. A run is the same object while the vehicle is. */
export function exposures(index: DesignIndex, carried = new Carried()): Map<string, Exposure> {
  const { devices, wires, layout } = index;
  const zones = carried.steady(ZONES, index.zones, isSameList);
  const places = carried.steady(PLACES, index.places, isSameList);
  const placeZone = (placeId: string | undefined) => layout.places.get(placeId ?? '')?.zoneId;
  const found = new Map<string, Exposure>();
  const meets = (run: WireRun | undefined, ends: readonly (string | null | undefined)[]): Exposure => {
    const routes = (run?.routeIds ?? []).map((id) => layout.routes.get(id)!.route);
    const touched = new Set(ends);
    touched.add(placeZone(run?.fromPlaceId)).add(placeZone(run?.toPlaceId));
    for (const { fromId, toId } of routes) touched.add(placeZone(fromId)).add(placeZone(toId));
    const passed = zones.filter(({ id }) => touched.has(id));
    return {
      ambientC: passed.reduce((hottest, zone) => Math.max(hottest, zone.ambientC), TABLE_C),
      engineSpace: passed.some((zone) => zone.engineSpace),
      zones: passed,
      routes,
    };
  };
  for (const { id, from, to } of wires) {
    const run = layout.runs.get(id);
    const ends = [devices.get(from.deviceId)?.zoneId, devices.get(to.deviceId)?.zoneId] as const;
    found.set(
      id,
      carried.keepEach(EXPOSURES, id, [zones, places, run, ...ends], () => meets(run, ends)),
    );
  }
  return found;
}
