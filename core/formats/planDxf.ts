import type { Analysis } from '../analysis/types';
import { bodyOutline } from '../rig/bodies';
import { DxfDrawing } from './dxf';

/**
 * The plan as a DXF drawing in millimetres, for drawing programs: layers BODY, ZONES, ROUTES and PLACES. The right side of the vehicle is
 * below.
 */
export function writePlanDxf({ index }: Analysis): string {
  const { rig, places, routes } = index.layout;
  const dxf = new DxfDrawing();
  dxf.polyline('BODY', bodyOutline(rig), { closed: true });
  for (const { name, plan } of index.zones) {
    if (!plan) continue;
    const { xMm, yMm, lengthMm, widthMm } = plan;
    const corners = [
      { xMm, yMm },
      { xMm: xMm + lengthMm, yMm },
      { xMm: xMm + lengthMm, yMm: yMm + widthMm },
      { xMm, yMm: yMm + widthMm },
    ];
    dxf.polyline('ZONES', corners, { closed: true });
    dxf.text('ZONES', name, { xMm: xMm + 40, yMm: yMm + 110 }, 80);
  }
  for (const { route } of routes.values())
    dxf.polyline('ROUTES', [places.get(route.fromId)!, ...route.bends, places.get(route.toId)!], { spatial: true });
  for (const place of places.values()) {
    dxf.circle('PLACES', place, 25);
    dxf.text('PLACES', place.name, { xMm: place.xMm + 45, yMm: place.yMm + 20 }, 55);
  }
  return dxf.end();
}
