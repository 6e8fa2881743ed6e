interface Room {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/**
 * Moves marks that would lie on one another apart by so many pixels, each to the nearest free of the spots round where it belongs, inside
 * the drawing where there is one.
 */
export function apart<T extends { x: number; y: number }>(marks: readonly T[], gap: number, { left, right, top, bottom }: Room): T[] {
  const laid: T[] = [];
  for (const mark of marks) {
    const spots = [{ x: 0, y: 0 }, ...[1, 2, 3, 4].flatMap((ring) => spotsOf(ring, gap))];
    const isIn = ({ x, y }: { x: number; y: number }) =>
      mark.x + x >= left && mark.x + x <= right && mark.y + y >= top && mark.y + y <= bottom;
    const isFree = ({ x, y }: { x: number; y: number }) =>
      laid.every((other) => Math.hypot(other.x - mark.x - x, other.y - mark.y - y) >= gap * 0.98);
    const spot = spots.find((one) => isIn(one) && isFree(one)) ?? spots.find(isFree) ?? spots[0]!;
    laid.push({ ...mark, x: mark.x + spot.x, y: mark.y + spot.y });
  }
  return laid;
}

/** Spots of a ring of a square grid, beside first, then under and over. */
function spotsOf(ring: number, gap: number): { x: number; y: number }[] {
  const steps = Array.from({ length: 2 * ring + 1 }, (_, at) => at - ring);
  return steps
    .flatMap((x) => steps.map((y) => ({ x, y })))
    .filter(({ x, y }) => Math.max(Math.abs(x), Math.abs(y)) === ring)
    .sort((a, b) => Math.hypot(a.x, a.y) - Math.hypot(b.x, b.y) || Math.abs(a.y) - Math.abs(b.y) || b.x - a.x)
    .map(({ x, y }) => ({ x: x * gap, y: y * gap }));
}
