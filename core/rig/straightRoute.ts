import { newId } from '../design/ids';
import type { Route } from '../design/schema';

/** A plain stretch from one place to another, open and not yet measured. */
export function straightRoute(fromId: string, toId: string, name = 'New stretch'): Route {
  return {
    ...{ id: newId('route'), type: 'route', name, fromId, toId, kind: 'loom', bends: [], measuredMm: null, measuredOn: null },
    ...{ insideMm: null, feed: 'open', closed: false, passes: [], note: '' },
  };
}
