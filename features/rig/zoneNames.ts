import type { Zone } from '@/core/design/schema';
import { placeInside, type Box, type Room, type WidthOf } from './labels';
import type { Projection } from './projection';
import type { Layer } from './selection';

/** Where the zones' own names stand in a drawing, with what the layer says under each. */
export function zoneNames(
  zones: readonly Zone[],
  projection: Projection,
  layer: Layer,
  room: Room,
  widthOf: WidthOf,
): ReturnType<typeof placeInside> {
  const lines = layer === 'bundles' || layer === 'circuit' ? 1 : 2;
  const grounds = zones.flatMap(({ id, name, plan }) =>
    plan ? [{ id, lines, width: widthOf(name, 'zone'), box: groundOf(plan, projection) }] : [],
  );
  return placeInside(grounds, room);
}

/** A zone's ground in a view, pixels. */
export function groundOf({ xMm, yMm, lengthMm, widthMm, lowMm, highMm }: NonNullable<Zone['plan']>, projection: Projection): Box {
  const isPlan = projection.view === 'plan';
  const [left, top] = [projection.x(xMm), projection.y(isPlan ? yMm : highMm)];
  return { left, top, right: left + projection.px(lengthMm), bottom: top + projection.px(isPlan ? widthMm : highMm - lowMm) };
}
