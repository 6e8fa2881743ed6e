import type { Device, Place, Rig, Route, Wire } from '../design/schema';
import { RIG_ID } from '../catalog/vocabulary';
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

/**
 * Finds every wire's way: the one chosen by hand while it leads there, else the shortest along open routes. A wire that was
 * measured itself keeps its length; every other one whose ends are placed and joined takes that of its way and the slack.
 */
export function layOut({ rig, places, routes, devices, wires }: RigRecords): Layout {
  const layout = { rig: rig ?? USUAL_RIG, places: new Map(places.map((place) => [place.id, place])) };
  if (places.length === 0) return { ...layout, routes: new Map(), runs: new Map(), wires: wires.map(asLaid) };
  const ways = waysThrough(layout.rig, places, routes);
  const runs = new Map<string, WireRun>();
  const laid = wires.map((wire) => {
    const from = placeIdOf(devices, wire.from.deviceId);
    const to = placeIdOf(devices, wire.to.deviceId);
    if (from === null || to === null) return asLaid(wire);
    const run = ways.run(from, to, wire.via ?? null);
    runs.set(wire.id, run);
    return wire.lengthMeasured || run.routeIds === null ? asLaid(wire) : withLength(wire, run.routedMm + run.slackMm);
  });
  return { ...layout, routes: ways.routes, runs, wires: laid };
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

let last: { inputs: readonly unknown[]; ways: Ways } | null = null;

/** The ways through a vehicle; those of the last vehicle asked for are kept, since most edits leave it as it is. */
export function waysThrough(rig: Rig, places: readonly Place[], routes: readonly Route[]): Ways {
  const inputs = [rig, ...places, ...routes];
  if (last && last.inputs.length === inputs.length && last.inputs.every((input, at) => input === inputs[at])) return last.ways;
  last = { inputs, ways: new VehicleWays(rig, places, routes) };
  return last.ways;
}

class VehicleWays implements Ways {
  readonly routes = new Map<string, LaidRoute>();
  private readonly graph: RouteGraph;
  private readonly shortest = new Map<string, ShortestWays>();
  private readonly found = new Map<string, WireRun>();

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
    this.graph = routeGraph(places, routes, ({ id }) => this.routes.get(id)!.length.mm);
  }

  run(fromPlaceId: string, toPlaceId: string, via: readonly string[] | null): WireRun {
    const key = via ? `${fromPlaceId} ${toPlaceId} ${via.join(' ')}` : `${fromPlaceId} ${toPlaceId}`;
    let run = this.found.get(key);
    if (!run) this.found.set(key, (run = this.find(fromPlaceId, toPlaceId, via)));
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
    const from = this.graph.at.get(fromPlaceId);
    const to = this.graph.at.get(toPlaceId);
    if (from === undefined || to === undefined) return null;
    // Asked from the smaller id, so that out and back take the same way.
    const [start, end] = fromPlaceId <= toPlaceId ? [fromPlaceId, to] : [toPlaceId, from];
    let ways = this.shortest.get(start);
    if (!ways) this.shortest.set(start, (ways = shortestWays(this.graph, this.graph.at.get(start)!)));
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

const laidWires = new WeakMap<Wire, LaidWire>();

/** The wire with a length; the same object for as long as wire and length are the same. */
function withLength(wire: Wire, lengthMm: number): LaidWire {
  const before = laidWires.get(wire);
  if (before?.lengthMm === lengthMm) return before;
  const laid = asLaid({ ...wire, lengthMm });
  laidWires.set(wire, laid);
  return laid;
}
