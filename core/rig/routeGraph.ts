import type { Place, Route } from '../design/schema';

/** Places joined by the routes that cable may take, with how long each is. */
export interface RouteGraph {
  /** Position of each place. */
  at: ReadonlyMap<string, number>;
  /** For each place, the routes from it. */
  near: readonly (readonly Way[])[];
}

export interface Way {
  routeId: string;
  /** Position of the place at its other end. */
  to: number;
  mm: number;
}

/** The shortest ways from one place to every other. */
export interface ShortestWays {
  mm: Float64Array;
  /** The route by which each place is reached, and the place before it. */
  by: (string | null)[];
  before: Int32Array;
}

/** @param lengthOf millimetres of a route. Closed routes are left out. */
export function routeGraph(places: readonly Place[], routes: readonly Route[], lengthOf: (route: Route) => number): RouteGraph {
  const at = new Map(places.map(({ id }, position) => [id, position]));
  const near: Way[][] = places.map(() => []);
  for (const route of routes) {
    const from = at.get(route.fromId);
    const to = at.get(route.toId);
    if (route.closed || from === undefined || to === undefined) continue;
    const mm = lengthOf(route);
    near[from]!.push({ routeId: route.id, to, mm });
    near[to]!.push({ routeId: route.id, to: from, mm });
  }
  return { at, near };
}

/**
 * Shortest ways from a place; unreachable places are infinitely far. Of ways equally long the one found first stays.
 * Source: E. W. Dijkstra, Numerische Mathematik 1 (1959), 269, with a binary heap.
 */
export function shortestWays({ near }: RouteGraph, from: number): ShortestWays {
  const mm = new Float64Array(near.length).fill(Infinity);
  const by: (string | null)[] = near.map(() => null);
  const before = new Int32Array(near.length).fill(-1);
  const done = new Uint8Array(near.length);
  const heap = new NearestFirst();
  mm[from] = 0;
  heap.push(0, from);
  for (let here = heap.pop(); here >= 0; here = heap.pop()) {
    if (done[here] === 1) continue;
    done[here] = 1;
    for (const way of near[here]!) {
      const far = mm[here]! + way.mm;
      if (far >= mm[way.to]!) continue;
      mm[way.to] = far;
      by[way.to] = way.routeId;
      before[way.to] = here;
      heap.push(far, way.to);
    }
  }
  return { mm, by, before };
}

/** Routes from where the ways start to a place, in order; null where none leads there. */
export function wayTo({ mm, by, before }: ShortestWays, to: number): string[] | null {
  if (!Number.isFinite(mm[to])) return null;
  const routes: string[] = [];
  for (let here = to; before[here]! >= 0; here = before[here]!) routes.push(by[here]!);
  return routes.reverse();
}

/** Positions by distance, the nearest out first. */
class NearestFirst {
  private readonly mm: number[] = [];
  private readonly place: number[] = [];

  push(mm: number, place: number): void {
    let at = this.mm.length;
    this.mm.push(mm);
    this.place.push(place);
    while (at > 0) {
      const parent = (at - 1) >> 1;
      if (this.mm[parent]! <= mm) break;
      this.move(parent, at);
      at = parent;
    }
    this.mm[at] = mm;
    this.place[at] = place;
  }

  /** The nearest place, -1 when there is none left. */
  pop(): number {
    const nearest = this.place[0] ?? -1;
    const mm = this.mm.pop();
    const place = this.place.pop();
    if (mm === undefined || this.mm.length === 0) return nearest;
    let at = 0;
    for (;;) {
      let child = 2 * at + 1;
      if (child >= this.mm.length) break;
      if (child + 1 < this.mm.length && this.mm[child + 1]! < this.mm[child]!) child++;
      if (this.mm[child]! >= mm) break;
      this.move(child, at);
      at = child;
    }
    this.mm[at] = mm;
    this.place[at] = place!;
    return nearest;
  }

  private move(from: number, to: number): void {
    this.mm[to] = this.mm[from]!;
    this.place[to] = this.place[from]!;
  }
}
