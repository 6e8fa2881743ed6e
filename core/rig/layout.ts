import type { Device, Place, Rig, Route, Wire } from '../design/schema';
import { RIG_ID } from '../catalog/vocabulary';
import { type Carried, slot } from '../units/carried';
import { routeLength, type RouteLength } from './routeLength';
import { routeGraph, shortestWays, wayTo, type RouteGraph, type ShortestWays } from './routeGraph';

declare const LAID: unique symbol;

/** A wire as it lies in the vehicle: its length is that of its way, where its record has what somebody said. */
export type LaidWire = Wire & { readonly [LAID]: true };

/** One that lies as it is said to: it goes no way through the vehicle, or none that is known. */
export const asLaid = (wire: Wire) => wire as LaidWire;

/** The vehicle laid out, and the way every wire takes through it. */
export interface Layout {
  rig: Rig;
  places: ReadonlyMap<string, Place>;
  routes: ReadonlyMap<string, LaidRoute>;
  ways: Ways;
  /** The way of every wire whose ends are both placed. */
  runs: ReadonlyMap<string, WireRun>;
  /** The wires with the lengths the vehicle gives them. */
  wires: LaidWire[];
}

export interface LaidRoute {
  route: Route;
  from: Place;
  to: Place;
  length: RouteLength;
}

/** A wire's way through the vehicle. */
export interface WireRun {
  fromPlaceId: string;
  toPlaceId: string;
  /** Routes in order from its first end; null where none lead there. */
  routeIds: readonly string[] | null;
  /** Length along them, and the slack for remaking both ends, mm. */
  routedMm: number;
  slackMm: number;
  /** Whether the way was chosen by hand, and whether that choice no longer leads there. */
  byHand: boolean;
  broken: boolean;
}

/** A vehicle nobody has measured: what a design without one is drawn in. */
export const USUAL_RIG: Rig = {
  ...{ id: RIG_ID, type: 'rig', lengthMm: 6000, widthMm: 2100, heightMm: 2800, body: 'panelVan' },
  ...{ outline: null, slackMm: 150, allowancePercent: 5 },
};

interface RigRecords {
  rig: Rig | null;
  places: readonly Place[];
  routes: readonly Route[];
  devices: ReadonlyMap<string, Device>;
  wires: readonly Wire[];
}

const WAYS = slot<Ways>('ways through the vehicle');
const LAID_WIRES = slot<LaidWire>('laid wires');

/**
 * Finds every wire's way: the one chosen by hand while it leads there, else the shortest along open routes. A wire that was measured itself
 * keeps its length; every other one whose ends are placed and joined takes that of its way and the slack. Ways, and wires that lie as they
 * did, are those of the layout before.
 */
export function layOut({ rig: laidOut, places, routes, devices, wires }: RigRecords, carried: Carried): Layout {
  const rig = laidOut ?? USUAL_RIG;
  const ways = carried.keep(WAYS, [rig, ...places, ...routes], () => waysThrough(rig, places, routes));
  const layout = { rig, places: new Map(places.map((place) => [place.id, place])), routes: ways.routes, ways };
  if (places.length === 0) return { ...layout, runs: new Map(), wires: wires.map(asLaid) };
  const runs = new Map<string, WireRun>();
  const laid = wires.map((wire) => {
    const from = placeIdOf(devices, wire.from.deviceId);
    const to = placeIdOf(devices, wire.to.deviceId);
    if (from === null || to === null) return asLaid(wire);
    const run = ways.run(from, to, wire.via ?? null);
    runs.set(wire.id, run);
    if (wire.lengthMeasured || run.routeIds === null) return asLaid(wire);
    const lengthMm = run.routedMm + run.slackMm;
    return carried.keepEach(LAID_WIRES, wire.id, [wire, lengthMm], () => asLaid({ ...wire, lengthMm }));
  });
  return { ...layout, runs, wires: laid };
}

/** Whether a device is fixed by itself: not in a block's slot, and not a part of another lamp's body. */
export function isFixedByItself(device: Device): boolean {
  return !(device.kind === 'protection' && device.mount) && !(device.kind === 'load' && device.partOf);
}

/** Where a device is: its own place, or that of the fuse block it sits in, or of the lamp it is a function of. */
export function placeIdOf(devices: ReadonlyMap<string, Device>, deviceId: string): string | null {
  const device = devices.get(deviceId);
  if (device?.kind === 'protection' && device.mount) return placeIdOf(devices, device.mount.blockId);
  if (device?.kind === 'load' && device.partOf) return placeIdOf(devices, device.partOf.loadId);
  return device?.placeId ?? null;
}

/** Whether a wire's length, unless measured itself, comes from its way through the vehicle. */
export function isRouted({ layout }: { layout: Layout }, wireId: string): boolean {
  return (layout.runs.get(wireId)?.routeIds ?? null) !== null;
}

/** The ways through one vehicle, each found once. */
export interface Ways {
  routes: ReadonlyMap<string, LaidRoute>;
  run(fromPlaceId: string, toPlaceId: string, via: readonly string[] | null): WireRun;
}

export function waysThrough(rig: Rig, places: readonly Place[], routes: readonly Route[]): Ways {
  return new VehicleWays(rig, places, routes);
}

class VehicleWays implements Ways {
  readonly routes = new Map<string, LaidRoute>();
  // What was asked so far says nothing of the vehicle, and is no part of what two of them are compared by.
  readonly #graph: RouteGraph;
  readonly #shortest = new Map<string, ShortestWays>();
  readonly #found = new Map<string, WireRun>();

  constructor(
    private readonly rig: Rig,
    places: readonly Place[],
    routes: readonly Route[],
  ) {
    const placeOf = new Map(places.map((place) => [place.id, place]));
    for (const route of routes) {
      const from = placeOf.get(route.fromId);
      const to = placeOf.get(route.toId);
      if (from && to) this.routes.set(route.id, { route, from, to, length: routeLength(route, from, to, rig) });
    }
    this.#graph = routeGraph(places, routes, ({ id }) => this.routes.get(id)!.length.mm);
  }

  run(fromPlaceId: string, toPlaceId: string, via: readonly string[] | null): WireRun {
    const key = via ? `${fromPlaceId} ${toPlaceId} ${via.join(' ')}` : `${fromPlaceId} ${toPlaceId}`;
    let run = this.#found.get(key);
    if (!run) this.#found.set(key, (run = this.find(fromPlaceId, toPlaceId, via)));
    return run;
  }

  private find(fromPlaceId: string, toPlaceId: string, via: readonly string[] | null): WireRun {
    const chosen = via && this.leadsThere(fromPlaceId, toPlaceId, via) ? via : null;
    const routeIds = chosen ?? this.shortestWay(fromPlaceId, toPlaceId);
    const routedMm = (routeIds ?? []).reduce((sum, id) => sum + this.routes.get(id)!.length.mm, 0);
    const ends = { fromPlaceId, toPlaceId, byHand: chosen !== null, broken: via !== null && chosen === null };
    return { ...ends, routeIds, routedMm, slackMm: 2 * this.rig.slackMm };
  }

  private shortestWay(fromPlaceId: string, toPlaceId: string): string[] | null {
    const from = this.#graph.at.get(fromPlaceId);
    const to = this.#graph.at.get(toPlaceId);
    if (from === undefined || to === undefined) return null;
    // Asked from the smaller id, so that out and back take the same way.
    const [start, end] = fromPlaceId <= toPlaceId ? [fromPlaceId, to] : [toPlaceId, from];
    let ways = this.#shortest.get(start);
    if (!ways) this.#shortest.set(start, (ways = shortestWays(this.#graph, this.#graph.at.get(start)!)));
    const routeIds = wayTo(ways, end);
    return routeIds && start !== fromPlaceId ? routeIds.reverse() : routeIds;
  }

  private leadsThere(fromPlaceId: string, toPlaceId: string, via: readonly string[]): boolean {
    let here = fromPlaceId;
    for (const id of via) {
      const route = this.routes.get(id)?.route;
      if (!route || route.closed || (route.fromId !== here && route.toId !== here)) return false;
      here = route.fromId === here ? route.toId : route.fromId;
    }
    return here === toPlaceId;
  }
}
