import type { NamedKind } from './hunt';

/** Minutes. Common practice, a practised hand. */
export const MINUTES = { flick: 0.5, isolate: 2, fuse: 1, lead: 2, bridge: 3, lamp: 2, touch: 1, smell: 0.5, prove: 5 } as const;
/** Until it is mended. Common practice. */
export const MEND: Record<NamedKind, number> = {
  joint: 10,
  misplaced: 6,
  bridged: 12,
  chafed: 15,
  blown: 2,
  dead: 15,
  openContact: 12,
  stuckContact: 12,
  openCoil: 10,
  dudDimmer: 12,
};
