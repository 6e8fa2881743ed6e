/** What a switch, lamp, socket or gauge needs of the panel it sits in, mm. Generic: the part in the hand outranks it. */
export interface CutOut {
  word: string;
  /** The hole: round, or upright with corners of this radius. */
  hole: { kind: 'round'; diameterMm: number } | { kind: 'rect'; widthMm: number; heightMm: number; cornerMm: number };
  /** What covers it in front. */
  bezelMm: readonly [width: number, height: number];
  /** Behind the panel: the body, and its plug or terminals. */
  depthMm: number;
  plugMm: number;
}

const round = (diameterMm: number): CutOut['hole'] => ({ kind: 'round', diameterMm });

/**
 * Cut-outs by name. Sources: the sealed rocker's usual hole; IEC 60947-5-1 for 12, 16, 22 and 30 mm operators, whose bezels here are the
 * least distances apart it asks for where those are wider; SAE J563 for the accessory socket; the usual 52 mm gauge. All from memory.
 */
export const CUT_OUTS = {
  rocker: {
    word: 'rocker 37 × 21',
    hole: { kind: 'rect', widthMm: 21.1, heightMm: 36.8, cornerMm: 0.5 },
    bezelMm: [25, 50],
    depthMm: 40,
    plugMm: 25,
  },
  miniRocker: {
    word: 'small rocker 19 × 13',
    hole: { kind: 'rect', widthMm: 13, heightMm: 19.2, cornerMm: 0.5 },
    bezelMm: [15, 21],
    depthMm: 20,
    plugMm: 15,
  },
  roundRocker: { word: 'round rocker 20', hole: round(20.2), bezelMm: [23, 23], depthMm: 20, plugMm: 15 },
  round12: { word: 'round 12', hole: round(12.2), bezelMm: [20, 20], depthMm: 30, plugMm: 15 },
  round16: { word: 'round 16', hole: round(16.3), bezelMm: [25, 25], depthMm: 35, plugMm: 15 },
  round19: { word: 'round 19', hole: round(19.3), bezelMm: [27, 27], depthMm: 36, plugMm: 18 },
  round22: { word: 'round 22', hole: round(22.5), bezelMm: [30, 40], depthMm: 55, plugMm: 10 },
  round30: { word: 'round 30', hole: round(30.7), bezelMm: [40, 60], depthMm: 55, plugMm: 10 },
  socket29: { word: 'socket or meter 29', hole: round(28.8), bezelMm: [38, 38], depthMm: 55, plugMm: 15 },
  gauge52: { word: 'gauge 52', hole: round(52.6), bezelMm: [62, 62], depthMm: 50, plugMm: 25 },
} as const satisfies Record<string, CutOut>;

export type CutOutId = keyof typeof CUT_OUTS;
export const CUT_OUT_IDS = Object.keys(CUT_OUTS) as [CutOutId, ...CutOutId[]];

/** From a hole to the panel's edge, and the web between two holes, at least, mm. Common practice for plastics; metal stands less. */
export const EDGE_MM = 8;
export const WEB_MM = 8;
