import type { Device, KeepClear, Place } from '../design/schema';
import type { Point } from './geometry';

/** Room kept free behind a device for its wires to bend, mm. Common practice. */
export const BEND_ROOM_MM = 10;

/** Whether a device reaches too far behind the panel it sits in, its wires' bend counted. False while either depth is not known. */
export function isTooDeep({ depthMm }: Pick<Device, 'depthMm'>, place: Pick<Place, 'depthMm'>): boolean {
  return typeof depthMm === 'number' && place.depthMm !== null && depthMm + BEND_ROOM_MM > place.depthMm;
}

/** Samples along each side of a thing's box; between them nothing thinner than a door edge fits. */
const MOST_SAMPLES = 9;
const SAMPLE_MM = 80;

/**
 * Whether a thing at a point is in room that must stay free. A room turns about an axis that stands up (a door), runs across (a hood, a
 * tailgate) or runs along the vehicle (a canopy's side door); it reaches so far from the axis, between two angles and between two ends
 * along it. A thing with a size is a box about the point and is looked at all through; one without is the point.
 */
export function isInRoom(at: Point, size: Device['sizeMm'], room: KeepClear): boolean {
  for (const xMm of samples(at.xMm, size?.lengthMm ?? 0))
    for (const yMm of samples(at.yMm, size?.widthMm ?? 0))
      for (const zMm of samples(at.zMm, size?.heightMm ?? 0)) if (isPointInRoom({ xMm, yMm, zMm }, room)) return true;
  return false;
}

function samples(middle: number, size: number): number[] {
  if (size <= 0) return [middle];
  const count = Math.min(MOST_SAMPLES, Math.max(3, Math.ceil(size / SAMPLE_MM) + 1));
  return Array.from({ length: count }, (_, at) => middle - size / 2 + (size * at) / (count - 1));
}

function isPointInRoom(point: Point, room: KeepClear): boolean {
  const { along, across, up } = aboutAxis(point, room);
  if (along < room.lowMm || along > room.highMm) return false;
  if (Math.hypot(across, up) > room.reachMm) return false;
  if (room.toDeg - room.fromDeg >= 360) return true;
  const deg = (Math.atan2(up, across) * 180) / Math.PI;
  return turn(deg - room.fromDeg) <= turn(room.toDeg - room.fromDeg);
}

/**
 * A point as the room's axis sees it: where along it, and how far from it in the plane it turns in. Angles run from `across` towards `up`.
 */
function aboutAxis({ xMm, yMm, zMm }: Point, room: KeepClear): { along: number; across: number; up: number } {
  switch (room.axis ?? 'upright') {
    case 'upright':
      return { along: zMm, across: xMm - room.xMm, up: yMm - room.yMm };
    case 'crosswise':
      return { along: yMm, across: xMm - room.xMm, up: zMm - (room.zMm ?? 0) };
    case 'lengthwise':
      return { along: xMm, across: yMm - room.yMm, up: zMm - (room.zMm ?? 0) };
  }
}

/** An angle brought to 0 up to, but not, 360 degrees. */
function turn(deg: number): number {
  return ((deg % 360) + 360) % 360;
}
