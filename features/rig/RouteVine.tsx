import { curveCatmullRom, line } from 'd3-shape';
import { memo } from 'react';
import type { Place, Route } from '@/core/design/schema';
import { vineWidth } from './look';
import type { Projection } from './projection';
import type { Selection } from './selection';
import styles from './Plan.module.css';

interface RouteVineProps {
  route: Route;
  from: Place;
  to: Place;
  /** Of the bundle in it; nothing where none lies. */
  diameterMm: number;
  count: number;
  /** Whether the number of conductors is written at it. */
  counted: boolean;
  tone: string;
  projection: Projection;
  selected: boolean;
  /** An end of it is in the hand, and it is drawn there. */
  carried: boolean;
  onSelect(selection: Selection): void;
}

const curve = line<{ x: number; y: number }>()
  .x(({ x }) => x)
  .y(({ y }) => y)
  .curve(curveCatmullRom.alpha(0.6));

/** A stretch as a vine from place to place, as thick as the bundle in it; broken while nothing lies there. */
export const RouteVine = memo(function RouteVine(props: RouteVineProps) {
  const { route, from, to, diameterMm, count, counted, tone, projection, selected, carried, onSelect } = props;
  const { points, d } = vinePath(route, from, to, projection);
  const middle = points[Math.floor(points.length / 2)]!;
  const number = counted && count > 1 ? countAt(route, from, to, diameterMm, projection) : null;
  return (
    <g
      className={`${styles.route} ${selected ? styles.chosenRoute : ''} ${carried ? styles.carried : ''}`}
      data-tone={tone}
      data-grab
      onClick={() => onSelect({ kind: 'route', id: route.id })}
    >
      <title>{`${route.name}: ${count} conductor${count === 1 ? '' : 's'}`}</title>
      <path d={d} className={styles.reach} />
      {selected && <path d={d} className={styles.halo} style={{ strokeWidth: vineWidth(diameterMm) + 8 }} />}
      <path d={d} className={styles.vine} style={{ strokeWidth: vineWidth(diameterMm) }} />
      {route.passes.length > 0 && <PassMark x={middle.x} y={middle.y} />}
      {number && (
        <text x={number.x} y={number.y} className={styles.count}>
          {count}
        </text>
      )}
    </g>
  );
});

/** Where the number of conductors is written at a stretch; null where it is too short for one. */
export function countAt(route: Route, from: Place, to: Place, diameterMm: number, projection: Projection): { x: number; y: number } | null {
  const { ends, points } = vinePath(route, from, to, projection);
  if (Math.hypot(ends.at(-1)!.x - ends[0]!.x, ends.at(-1)!.y - ends[0]!.y) <= 46) return null;
  const middle = points[Math.floor(points.length / 2)]!;
  return { x: middle.x, y: middle.y - vineWidth(diameterMm) / 2 - 3 };
}

/** The way a stretch is drawn between two places. */
export function vinePath(route: Route, from: Place, to: Place, projection: Projection) {
  const ends = [projection.at(from), ...route.bends.map(projection.at), projection.at(to)];
  const points = route.bends.length > 0 ? ends : [ends[0]!, leaning(ends[0]!, ends[1]!), ends[1]!];
  return { ends, points, d: curve(points)! };
}

/** A small square where the stretch goes through or past something. */
function PassMark({ x, y }: { x: number; y: number }) {
  return <rect x={x - 4} y={y - 4} width={8} height={8} transform={`rotate(45 ${x} ${y})`} className={styles.pass} />;
}

/** The middle of a stretch, a little to one side: straight lines over one another would hide one another. */
function leaning(a: { x: number; y: number }, b: { x: number; y: number }) {
  const lean = 0.06;
  return { x: (a.x + b.x) / 2 - (b.y - a.y) * lean, y: (a.y + b.y) / 2 + (b.x - a.x) * lean };
}
