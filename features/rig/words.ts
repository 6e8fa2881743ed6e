import type { ROUTE_FEEDS, RouteKind, ZoneTrait } from '@/core/catalog/vocabulary';

export const ROUTE_KIND_WORDS: Record<RouteKind, string> = {
  loom: 'open loom',
  conduit: 'conduit',
  trunking: 'trunking',
  pillar: 'inside a pillar',
  underfloor: 'under the floor',
  rack: 'along the rack',
};

export const FEED_WORDS: Record<(typeof ROUTE_FEEDS)[number], string> = {
  open: 'laid in, open',
  drawWire: 'with a draw wire',
  helper: 'with a helper',
};

export const TRAIT_WORDS: Record<ZoneTrait, string> = {
  splashed: 'splashed',
  wet: 'wet',
  living: 'living space',
  sleeping: 'sleeping',
  sun: 'in the sun',
  vibration: 'vibration',
  moving: 'moving parts',
};
