import type { Analysis } from '@/core/analysis/types';
import type { Route, Zone } from '@/core/design/schema';
import { formatPercent, formatTemperature } from '@/core/units/quantity';
import type { Layer } from './selection';

/** How warm, from cool to hot, as the drawing's three steps. */
export type Warmth = 'cool' | 'warm' | 'hot';

export function warmthOf(celsius: number): Warmth {
  return celsius >= 50 ? 'hot' : celsius > 30 ? 'warm' : 'cool';
}

/** What a zone shows in a layer: a tint by name, and words. */
export function zoneLook(zone: Zone, layer: Layer, { index, zones }: Analysis): { tint: string; words: string } {
  const { units, dropTargetPercent } = index.settings;
  if (layer === 'heat') return { tint: warmthOf(zone.ambientC), words: formatTemperature(zone.ambientC, units) };
  if (layer === 'wet') {
    const wet = zone.traits?.includes('wet') ? 'wet' : zone.traits?.includes('splashed') ? 'splashed' : null;
    return { tint: wet ?? 'dry', words: wet ?? 'dry' };
  }
  if (layer === 'drop') {
    const worst = zones.find(({ id }) => id === zone.id)?.worstDropPercent ?? null;
    const { critical, general } = dropTargetPercent;
    const tint = worst === null ? 'dry' : worst > general ? 'hot' : worst > critical ? 'warm' : 'cool';
    return { tint, words: worst === null ? 'nothing fed' : formatPercent(worst) };
  }
  return { tint: `tint${zone.tint ?? (zone.order % 8) + 1}`, words: '' };
}

/** Thickness of a route's line, by how thick its bundle is. */
export function vineWidth(diameterMm: number): number {
  return diameterMm === 0 ? 1.5 : Math.min(14, 2 + diameterMm * 0.34);
}

/** What a route shows in a layer. */
export function routeTone(route: Route, layer: Layer, analysis: Analysis, onRun: ReadonlySet<string>): string {
  const bundle = analysis.bundles.get(route.id);
  if (layer === 'circuit') return onRun.has(route.id) ? 'chosen' : 'faded';
  if (route.closed) return 'closed';
  if (!bundle || bundle.wires.length === 0) return 'empty';
  if (layer === 'heat') return warmthOf(Math.max(...bundle.wires.map(({ id }) => analysis.exposures.get(id)!.ambientC)));
  if (layer === 'wet') {
    const { places } = analysis.index.layout;
    const zones = [places.get(route.fromId)?.zoneId, places.get(route.toId)?.zoneId];
    const wet = analysis.index.zones.some(({ id, traits }) => zones.includes(id) && traits?.some((trait) => trait === 'wet'));
    return wet || route.passes.some(({ what }) => what === 'water') ? 'wet' : 'vine';
  }
  return 'vine';
}
