import type { Analysis } from '@/core/analysis/types';
import type { Bench } from '@/core/bench/bench';
import type { Point } from '@/core/rig/geometry';
import { placeIdOf } from '@/core/rig/layout';
import type { DesignIndex } from '@/core/rig/designIndex';

/** Amperes from which a stretch counts as carrying: what a receiver or a pilot takes lies below. */
const CARRIES_A = 0.02;

/** Where a load is: at its place, else in the middle of its zone's ground; null where neither is known. */
export function whereLoad({ devices, layout, zones }: DesignIndex, loadId: string): Point | null {
  const place = layout.places.get(placeIdOf(devices, loadId) ?? '');
  if (place) return place;
  const plan = zones.find(({ id }) => id === devices.get(loadId)?.zoneId)?.plan;
  if (!plan) return null;
  const middle = (low: number, long: number) => low + long / 2;
  return { xMm: middle(plan.xMm, plan.lengthMm), yMm: middle(plan.yMm, plan.widthMm), zMm: middle(plan.lowMm, plan.highMm - plan.lowMm) };
}

interface Room {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/** Moves marks that would lie on one another apart by so many pixels, each to the nearest free of the spots round where it belongs, inside the drawing where there is one. */
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

/** The most amperes any wire in a stretch carries at the moment, by stretch; those that carry next to nothing are left out. */
export function ampsByStretch({ bundles }: Pick<Analysis, 'bundles'>, bench: Bench): Map<string, number> {
  const ids = [...new Set(Array.from(bundles.values()).flatMap(({ wires }) => wires.map(({ id }) => id)))];
  const clamped = bench.clamps(ids);
  const ampsOf = new Map(ids.map((id, at) => [id, Math.abs(clamped[at]!)]));
  const most = new Map<string, number>();
  for (const [routeId, { wires }] of bundles) {
    const amps = wires.reduce((high, { id }) => Math.max(high, ampsOf.get(id)!), 0);
    if (amps >= CARRIES_A) most.set(routeId, amps);
  }
  return most;
}

/** The stretches a load's current comes by, from its source on. */
export function stretchesOf({ layout }: DesignIndex, run: ReturnType<Bench['run']>): Set<string> {
  return new Set(run.flatMap(({ wireId }) => layout.runs.get(wireId)?.routeIds ?? []));
}
