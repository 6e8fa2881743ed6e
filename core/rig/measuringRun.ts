import type { DesignIndex } from './designIndex';
import type { LaidRoute } from './layout';

/**
 * The stretches in the order one would measure them: from the front, always on to a stretch that begins where the last one
 * ended, else to the nearest one left. Closed stretches are left out.
 */
export function measuringOrder({ layout, places }: Pick<DesignIndex, 'layout' | 'places'>): LaidRoute[] {
  const left = new Set(Array.from(layout.routes.values()).filter(({ route }) => !route.closed));
  const order: LaidRoute[] = [];
  let here = [...places].sort((a, b) => a.xMm - b.xMm || (a.id < b.id ? -1 : 1))[0];
  while (left.size > 0 && here) {
    const at = here;
    const away = ({ route }: LaidRoute) =>
      Math.min(
        ...[route.fromId, route.toId].map((id) => {
          const place = layout.places.get(id)!;
          return Math.hypot(place.xMm - at.xMm, place.yMm - at.yMm, place.zMm - at.zMm);
        }),
      );
    let next: LaidRoute | null = null;
    for (const laid of left) if (!next || away(laid) < away(next)) next = laid;
    left.delete(next!);
    order.push(next!);
    const { fromId, toId } = next!.route;
    here = layout.places.get(fromId === at.id ? toId : toId === at.id ? fromId : toId);
  }
  return order;
}
