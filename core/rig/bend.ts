import type { Route } from '../design/schema';
import { distance, type Point } from './geometry';

/** A route's bends with one more in the middle of its longest leg, to be moved to where it bends. */
export function withBend({ bends }: Route, from: Point, to: Point): Point[] {
  const points = [from, ...bends, to];
  let longest = 1;
  for (let at = 2; at < points.length; at++) {
    if (distance(points[at - 1]!, points[at]!) > distance(points[longest - 1]!, points[longest]!)) longest = at;
  }
  const [a, b] = [points[longest - 1]!, points[longest]!];
  const middle = (x: number, y: number) => Math.round((x + y) / 2);
  const bend = { xMm: middle(a.xMm, b.xMm), yMm: middle(a.yMm, b.yMm), zMm: middle(a.zMm, b.zMm) };
  return [...bends.slice(0, longest - 1), bend, ...bends.slice(longest - 1)];
}
