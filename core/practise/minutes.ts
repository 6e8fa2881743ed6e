import type { NamedKind } from './hunt';

/** Minutes. Common practice, a practised hand. */
export const MINUTES = { flick: 0.5, isolate: 2, fuse: 1, lead: 2, bridge: 3, lamp: 2, touch: 1, smell: 0.5, prove: 5 } as const;
/** Time that passes with each act that changes something, s, in steps: of two fuses in a row the quicker one goes alone. */
export const ACT_S = [0.005, 0.01, 0.015, 0.03, 0.06, 0.13, 0.25, 0.5];
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
