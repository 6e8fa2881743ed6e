import type { DesignIndex } from './designIndex';
import type { Route, Wire, Zone } from '../design/schema';
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

/** A design's index and what its wires met. */
interface Met {
  index: DesignIndex;
  exposures: Map<string, Exposure>;
}

/** What every wire meets: the zones of both its ends and of every place it comes by. What an earlier reckoning found stands where nothing it read has changed. */
export function exposures(index: DesignIndex, before: Met | null = null): Map<string, Exposure> {
  const { devices, zones, wires, layout } = index;
  const comparable = before !== null && sameList(before.index.zones, zones) && sameList(before.index.places, index.places);
  const placeZone = (placeId: string | undefined) => layout.places.get(placeId ?? '')?.zoneId;
  const met = new Map<string, Exposure>();
  for (let at = 0; at < wires.length; at++) {
    const wire = wires[at]!;
    const run = layout.runs.get(wire.id);
    const ends = [devices.get(wire.from.deviceId)?.zoneId, devices.get(wire.to.deviceId)?.zoneId];
    const old = comparable ? before.index.wires[at] : undefined;
    const known = old?.id === wire.id && sameWay(before!.index, old, run, ends) ? before!.exposures.get(wire.id) : undefined;
    if (known) {
      met.set(wire.id, known);
      continue;
    }
    const routes = (run?.routeIds ?? []).map((id) => layout.routes.get(id)!.route);
    const touched = new Set(ends);
    touched.add(placeZone(run?.fromPlaceId)).add(placeZone(run?.toPlaceId));
    for (const { fromId, toId } of routes) touched.add(placeZone(fromId)).add(placeZone(toId));
    const passed = zones.filter(({ id }) => touched.has(id));
    met.set(wire.id, {
      ambientC: passed.reduce((hottest, zone) => Math.max(hottest, zone.ambientC), TABLE_C),
      engineSpace: passed.some((zone) => zone.engineSpace),
      zones: passed,
      routes,
    });
  }
  return met;
}

/** Whether a wire took this way between these zones before. A run is the same object while the vehicle is. */
function sameWay({ layout, devices }: DesignIndex, old: Wire, run: WireRun | undefined, ends: readonly unknown[]): boolean {
  if (layout.runs.get(old.id) !== run) return false;
  return devices.get(old.from.deviceId)?.zoneId === ends[0] && devices.get(old.to.deviceId)?.zoneId === ends[1];
}

function sameList(a: readonly unknown[], b: readonly unknown[]): boolean {
  return a.length === b.length && a.every((one, at) => one === b[at]);
}
