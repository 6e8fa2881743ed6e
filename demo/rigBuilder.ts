import { newId } from '../core/design/ids';
import type { Design } from '../core/design/design';
import type { DesignRecord, KeepClear, Passage, Place, Rig, Route, Zone } from '../core/design/schema';

/** A place as a demo lists it: where it is, in which zone, and the room behind it. */
export type DemoPlace = [
  id: string,
  name: string,
  zoneId: string,
  at: [x: number, y: number, z: number],
  depthMm?: number,
  behind?: string,
];

/** A stretch as a demo lists it. */
export type DemoRoute = [
  from: string,
  to: string,
  name: string,
  more?: Partial<Pick<Route, 'kind' | 'feed' | 'insideMm' | 'measuredMm' | 'bends' | 'passes'>>,
];

/** What a demo tells of its vehicle. */
export interface DemoRig {
  rig: Rig;
  zones: Record<string, Pick<Zone, 'usualC' | 'traits' | 'purpose' | 'plan' | 'tint'>>;
  places: DemoPlace[];
  routes: DemoRoute[];
  keepClear: KeepClear[];
  /** Place of each device by its id, or by its name where the demo gave it none. */
  placed: Record<string, string>;
  /** Devices that stand water, by name. */
  sealed: string[];
  /** How far devices reach behind their panel, mm, by the end of their name. */
  depths: Record<string, number>;
}

export function passing(what: Passage['what'], part: Passage['part'], holeMm: number | null = null, more: Partial<Passage> = {}): Passage {
  return { what, part, holeMm, sealed: part === 'gland', clearMm: null, ...more };
}

/** A demo design laid out in its vehicle. */
export function layDemo(design: Design, demo: DemoRig): Design {
  const places = demo.places.map(([id, name, zoneId, [xMm, yMm, zMm], depthMm = null, behind = '']): Place => ({
    ...{ id, type: 'place', name, zoneId, xMm, yMm, zMm, depthMm: depthMm ?? null, behind },
  }));
  const zoneOf = new Map(places.map(({ id, zoneId }) => [id, zoneId]));
  const routes = demo.routes.map(([fromId, toId, name, more]): Route => {
    const plain = { kind: 'loom', bends: [], measuredMm: null, insideMm: null, feed: 'open', passes: [] } as const;
    const laid = { ...plain, ...more };
    const measuredOn = laid.measuredMm === null ? null : '2026-04-18';
    return {
      id: newId('route'),
      type: 'route',
      name,
      fromId,
      toId,
      ...laid,
      bends: [...laid.bends],
      passes: [...laid.passes],
      measuredOn,
      closed: false,
      note: '',
    };
  });
  const placedRecords = Array.from(design.records.values(), (record): DesignRecord => {
    if (record.type === 'zone') return { ...record, ...demo.zones[record.id] };
    if (record.type !== 'device') return record;
    const placeId = demo.placed[record.id] ?? demo.placed[record.name];
    if (!placeId) return record;
    const depthMm = Object.entries(demo.depths).find(([end]) => record.name.endsWith(end))?.[1];
    return {
      ...record,
      ...{ placeId, zoneId: zoneOf.get(placeId) ?? record.zoneId },
      ...(demo.sealed.includes(record.name) && { sealed: true }),
      ...(depthMm !== undefined && { depthMm }),
    };
  });
  const records = [...placedRecords, demo.rig, ...places, ...routes, ...demo.keepClear];
  return { records: new Map(records.map((record) => [record.id, record])) };
}
