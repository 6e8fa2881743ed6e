import { sameRecord, type Change } from '../design/change';
import { recordOf, recordsOf, type Design } from '../design/design';
import { indexDesign } from './designIndex';
import { Edit } from '../design/edit';
import { newId } from '../design/ids';
import { DesignError } from '../design/problems';
import type { KeepClear, Place, Rig, Route, Zone } from '../design/schema';
import { LIMITS, RIG_ID, type Vehicle } from '../catalog/vocabulary';
import { cutText } from '../units/text';
import { BODIES } from './bodies';
import type { Point } from './geometry';
import { USUAL_RIG, waysThrough } from './layout';
import { straightRoute } from './straightRoute';
import { suggestZones } from './zoneLayout';

/** The edits of the vehicle, each as a change to the design it is given. Refusals are DesignErrors that say what and where. */

export function rigOf(design: Design): Rig | null {
  return recordOf(design, RIG_ID, 'rig');
}

/**
 * Sets the vehicle's own figures, making it when there is none. Zones and places that still are where they were suggested for its size go
 * where they are for the new one; what a hand has moved stays.
 */
export function setRig(design: Design, fields: Partial<Rig>): Change {
  const edit = new Edit(design);
  const before = rigOf(design);
  if (!before) edit.add<Rig>({ ...USUAL_RIG, ...fields });
  else {
    edit.set(RIG_ID, fields);
    follow(edit, before, { ...before, ...fields });
  }
  return edit.change;
}

function follow(edit: Edit, before: Rig, after: Rig): void {
  const zones = zonesOf(edit.design);
  const were = suggestZones(before, zones);
  const will = suggestZones(after, zones);
  const places = recordsOf(edit.design, 'place');
  for (const zone of zones) {
    const [was, now] = [were.get(zone.id)!, will.get(zone.id)!];
    if (sameRecord(zone.plan, was.plan)) edit.set(zone, { plan: now.plan });
    const place = places.find(({ xMm, yMm, zMm }) => xMm === was.place.xMm && yMm === was.place.yMm && zMm === was.place.zMm);
    if (place) edit.set(place, now.place);
  }
}

/**
 * A vehicle to begin with: a body at its usual size, the zones where their names say they are in it, and a place in each, joined to the
 * nearest. Zones that have their ground already stay as they are.
 */
export function beginRig(design: Design, body: Vehicle): Change {
  const edit = new Edit(design);
  const size = BODIES[body].usualMm;
  if (!rigOf(design)) edit.add<Rig>({ ...USUAL_RIG, body, ...size });
  const zones = zonesOf(design);
  const suggested = suggestZones(rigOf(edit.design)!, zones);
  const placed: Place[] = [];
  for (const zone of zones) {
    const { plan, place: at } = suggested.get(zone.id)!;
    if (!zone.plan) edit.set(zone, { plan });
    const place = edit.add<Place>({ ...newPlace(`${zone.name}, right`, at), zoneId: zone.id });
    const nearest = placed.reduce<Place | null>((best, next) => (best && apart(best, place) <= apart(next, place) ? best : next), null);
    if (nearest)
      edit.add<Route>(
        straightRoute(nearest.id, place.id, cutText(`${nearest.name.replace(/, right$/, '')} to ${zone.name}`, LIMITS.nameLength)),
      );
    placed.push(place);
  }
  return edit.change;
}

function apart(a: Point, b: Point): number {
  return Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm, a.zMm - b.zMm);
}

function newPlace(name: string, at: Point): Place {
  return { id: newId('place'), type: 'place', name, zoneId: null, ...at, depthMm: null, behind: '' };
}

/** A new place, in the smallest zone that holds it. @throws DesignError when another is at that spot. */
export function addPlace(design: Design, at: Point): { change: Change; id: string } {
  const edit = new Edit(design);
  if (!rigOf(design)) edit.add<Rig>(USUAL_RIG);
  const count = recordsOf(design, 'place').length;
  const place = { ...newPlace(`Place ${count + 1}`, at), zoneId: zoneAt(design, at) };
  refuseSameSpot(design, place);
  edit.add<Place>(place);
  return { change: edit.change, id: place.id };
}

/** Sets fields of a place; moved into another zone, it and what is fixed there belong to that one. @throws DesignError */
export function setPlace(design: Design, id: string, fields: Partial<Place>): Change {
  const edit = new Edit(design);
  edit.set(id, fields);
  const place = recordOf(edit.design, id, 'place');
  if (!place) throw new DesignError([{ code: 'missingRecord', id }]);
  refuseSameSpot(design, place);
  const before = recordOf(design, id, 'place')!;
  if (place.zoneId !== before.zoneId) {
    for (const device of recordsOf(design, 'device')) if (device.placeId === id && place.zoneId) edit.set(device, { zoneId: place.zoneId });
  }
  return edit.change;
}

/** The zone whose ground a point is on, the smallest where several are. */
export function zoneAt(design: Design, { xMm, yMm }: Point): string | null {
  const holding = zonesOf(design).filter(({ plan }) => {
    return plan && xMm >= plan.xMm && xMm <= plan.xMm + plan.lengthMm && yMm >= plan.yMm && yMm <= plan.yMm + plan.widthMm;
  });
  const area = ({ plan }: Zone) => plan!.lengthMm * plan!.widthMm;
  return holding.sort((a, b) => area(a) - area(b))[0]?.id ?? null;
}

/** Takes a place out, and with it its routes. What was fixed there is fixed nowhere. */
export function removePlace(design: Design, id: string): Change {
  const edit = new Edit(design);
  for (const route of recordsOf(design, 'route')) if (route.fromId === id || route.toId === id) takeOutRoute(edit, route.id);
  for (const device of recordsOf(design, 'device')) if (device.placeId === id) edit.set(device, { placeId: null });
  for (const panel of recordsOf(design, 'panel')) if (panel.placeId === id) edit.set(panel, { placeId: null });
  for (const task of recordsOf(design, 'handTask')) if (task.placeId === id) edit.set(task, { placeId: null });
  edit.remove(id);
  return edit.change;
}

export function removeRoute(design: Design, id: string): Change {
  const edit = new Edit(design);
  takeOutRoute(edit, id);
  return edit.change;
}

function takeOutRoute(edit: Edit, id: string): void {
  for (const wire of recordsOf(edit.design, 'wire')) if (wire.via?.includes(id)) edit.set(wire, { via: null });
  edit.remove(id);
}

/** A stretch between two places. @throws DesignError when there is one already. */
export function joinPlaces(design: Design, fromId: string, toId: string): { change: Change; id: string } {
  const [from, to] = [recordOf(design, fromId, 'place'), recordOf(design, toId, 'place')];
  if (!from || !to) throw new DesignError([{ code: 'missingRecord', id: from ? toId : fromId }]);
  const route = straightRoute(fromId, toId, cutText(`${from.name} to ${to.name}`, LIMITS.nameLength));
  const twin = recordsOf(design, 'route').find((other) => [other.fromId, other.toId].sort().join() === [fromId, toId].sort().join());
  if (twin) throw new DesignError([{ code: 'routeTwice', id: twin.id, other: twin.name }]);
  return { change: { added: [route], updated: [], removed: [] }, id: route.id };
}

/** Fixes devices at a place, or nowhere. They take the place's zone. */
export function putDevices(design: Design, deviceIds: readonly string[], placeId: string | null): Change {
  const edit = new Edit(design);
  const zoneId = recordOf(design, placeId, 'place')?.zoneId;
  for (const id of deviceIds) edit.set(id, { placeId, ...(zoneId && { zoneId }) });
  return edit.change;
}

/**
 * Sends a wire another way: the shortest that keeps off a stretch, and off those of the shortest way it keeps off already.
 * @throws DesignError when there is no other way.
 */
export function avoidRoute(design: Design, wireId: string, routeId: string): Change {
  const { layout, places, routes } = indexDesign(design);
  const run = layout.runs.get(wireId);
  if (!run?.routeIds) throw new DesignError([{ code: 'missingRecord', id: wireId }]);
  const shortest = layout.ways.run(run.fromPlaceId, run.toPlaceId, null).routeIds ?? [];
  const avoided = new Set([routeId, ...shortest.filter((id) => !run.routeIds!.includes(id))]);
  const open = routes.filter(({ id }) => !avoided.has(id));
  const other = waysThrough(layout.rig, places, open).run(run.fromPlaceId, run.toPlaceId, null).routeIds;
  if (!other) throw new DesignError([{ code: 'noOtherWay', id: wireId }]);
  return setVia(design, wireId, [...other]);
}

/** Sets the routes a wire takes by hand; null lets it take the shortest way. */
export function setVia(design: Design, wireId: string, via: string[] | null): Change {
  const edit = new Edit(design);
  edit.set(wireId, { via });
  return edit.change;
}

/** How far a zone may stick out of the vehicle, mm: awnings, racks and bumpers do. */
const ZONE_OVERHANG_MM = 1500;

/** Sets a zone's ground. @throws DesignError when it lies outside the vehicle. */
export function setZonePlan(design: Design, id: string, plan: NonNullable<Zone['plan']>): Change {
  const { lengthMm, widthMm } = rigOf(design) ?? USUAL_RIG;
  const over = Math.max(-plan.xMm, -plan.yMm, plan.xMm + plan.lengthMm - lengthMm, plan.yMm + plan.widthMm - widthMm);
  if (over > ZONE_OVERHANG_MM) {
    throw new DesignError([{ code: 'pastVehicle', id, field: 'plan', other: String(Math.round(over)) }]);
  }
  if (plan.lowMm >= plan.highMm) throw new DesignError([{ code: 'upsideDown', id, field: 'plan' }]);
  const edit = new Edit(design);
  edit.set(id, { plan });
  return edit.change;
}

/** Sets fields of room that must stay clear. @throws DesignError when its bottom would be above its top */
export function setKeepClear(design: Design, id: string, fields: Partial<KeepClear>): Change {
  const edit = new Edit(design);
  edit.set(id, fields);
  const room = recordOf(edit.design, id, 'keepClear');
  if (room && room.lowMm >= room.highMm) throw new DesignError([{ code: 'upsideDown', id, field: 'lowMm' }]);
  return edit.change;
}

/** Notes a stretch's length as measured, or forgets it. */
export function measureRoute(design: Design, id: string, measuredMm: number | null, on: string): Change {
  const edit = new Edit(design);
  edit.set(id, { measuredMm, measuredOn: measuredMm === null ? null : on });
  return edit.change;
}

function refuseSameSpot(design: Design, place: Place): void {
  const twin = recordsOf(design, 'place').find(
    (other) => other.id !== place.id && other.xMm === place.xMm && other.yMm === place.yMm && other.zMm === place.zMm,
  );
  if (twin) throw new DesignError([{ code: 'sameSpot', id: place.id, other: twin.name }]);
}

function zonesOf(design: Design): Zone[] {
  return recordsOf(design, 'zone').sort((a, b) => a.order - b.order);
}
