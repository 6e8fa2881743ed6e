import type { Load, LoadBehaviour } from './load';

/** What a load takes as it starts, as a multiple of its draw, and for how long. */
export interface Start {
  factor: number;
  seconds: number;
}

/**
 * Usual starts where a load says nothing: filaments 8 to 12 times for 5 to 50 ms, motors 4 to 8 times for 50 to 300 ms, the middle
 * of each. Source: trade ranges, from memory. The rest start without a surge worth counting.
 */
const USUAL: Partial<Record<LoadBehaviour, Start>> = {
  filament: { factor: 10, seconds: 0.03 },
  motor: { factor: 6, seconds: 0.15 },
};
const NONE: Start = { factor: 1, seconds: 0.1 };

export function startOf({ startFactor, startMs }: Pick<Load, 'startFactor' | 'startMs'>, behaviour: LoadBehaviour): Start {
  const usual = USUAL[behaviour] ?? NONE;
  if (startFactor === undefined) return usual;
  return { factor: startFactor, seconds: startMs === undefined ? usual.seconds : startMs / 1000 };
}
