import type { DesignIndex } from '../design/design';
import type { Route, Zone } from '../design/schema';

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

/** What every wire meets: the zones of both its ends and of every place it comes by. */
export function exposures({ devices, zones, wires, layout }: DesignIndex): Map<string, Exposure> {
  const placeZone = (placeId: string | undefined) => layout.places.get(placeId ?? '')?.zoneId;
  return new Map(
    wires.map((wire) => {
      const run = layout.runs.get(wire.id);
      const routes = (run?.routeIds ?? []).map((id) => layout.routes.get(id)!.route);
      const touched = new Set([devices.get(wire.from.deviceId)?.zoneId, devices.get(wire.to.deviceId)?.zoneId]);
      touched.add(placeZone(run?.fromPlaceId)).add(placeZone(run?.toPlaceId));
      for (const { fromId, toId } of routes) touched.add(placeZone(fromId)).add(placeZone(toId));
      const passed = zones.filter(({ id }) => touched.has(id));
      const exposure: Exposure = {
        ambientC: passed.reduce((hottest, zone) => Math.max(hottest, zone.ambientC), TABLE_C),
        engineSpace: passed.some((zone) => zone.engineSpace),
        zones: passed,
        routes,
      };
      return [wire.id, exposure];
    }),
  );
}
