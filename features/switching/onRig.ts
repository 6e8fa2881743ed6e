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
