import type { KeyboardCoordinateGetter } from '@dnd-kit/core';

const DIRECTIONS: Record<string, [number, number]> = { ArrowUp: [0, -1], ArrowDown: [0, 1], ArrowLeft: [-1, 0], ArrowRight: [1, 0] };
/** How far into something wide the carried thing is put, px. */
const INTO_PX = 60;

/** Carries a lifted thing by the arrow keys: to the nearest place it can be put down at in that direction. */
export const nextByArrow: KeyboardCoordinateGetter = (event, { context, currentCoordinates }) => {
  const direction = DIRECTIONS[event.code];
  const carried = context.collisionRect;
  if (!direction || !carried) return undefined;
  event.preventDefault();
  const from = { x: carried.left + carried.width / 2, y: carried.top + carried.height / 2 };
  let best: { x: number; y: number } | undefined;
  let bestDistance = Infinity;
  for (const container of context.droppableContainers.getEnabled()) {
    const rect = context.droppableRects.get(container.id);
    if (!rect) continue;
    const to = { x: rect.left + Math.min(INTO_PX, rect.width / 2), y: rect.top + rect.height / 2 };
    const along = (to.x - from.x) * direction[0] + (to.y - from.y) * direction[1];
    const across = Math.abs((to.x - from.x) * direction[1]) + Math.abs((to.y - from.y) * direction[0]);
    const distance = along + across * 3;
    if (along > 8 && distance < bestDistance) {
      bestDistance = distance;
      best = to;
    }
  }
  return best && { x: currentCoordinates.x + best.x - from.x, y: currentCoordinates.y + best.y - from.y };
};
