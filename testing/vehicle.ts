import type { Place, Route } from '../core/design/schema';
import { straightRoute } from '../core/rig/straightRoute';

/** A place for tests, in no zone. */
export function place(id: string, xMm: number, yMm: number, zMm = 0, more: Partial<Place> = {}): Place {
  return { id, type: 'place', name: id, zoneId: null, xMm, yMm, zMm, depthMm: null, behind: '', ...more };
}

/** A route for tests, its id being its two ends'. */
export function route(fromId: string, toId: string, more: Partial<Route> = {}): Route {
  return { ...straightRoute(fromId, toId), id: `${fromId}-${toId}`, name: `${fromId} to ${toId}`, ...more };
}
