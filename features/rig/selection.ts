/** What is chosen on the plan. */
export type Selection = { kind: 'place' | 'route' | 'zone' | 'keepClear'; id: string } | null;

/** What the plan is coloured by. */
export const LAYERS = ['bundles', 'heat', 'wet', 'drop', 'circuit'] as const;
export type Layer = (typeof LAYERS)[number];

export const LAYER_WORDS: Record<Layer, string> = {
  bundles: 'Bundles',
  heat: 'Heat',
  wet: 'Wet',
  drop: 'Drop by zone',
  circuit: 'One circuit',
};

export type View = 'plan' | 'side';

/** Which views are on the screen. */
export type Shown = View | 'both';

/** What a press on the plan does. */
export type Mode = 'look' | 'addPlace';
