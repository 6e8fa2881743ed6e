import type { Settings } from '../design/schema';
import type { DropClass } from '../catalog/vocabulary';

/**
 * What a circuit that does not mind may lose when a design does not say, percent. Source: ABYC E-11's limit for what is not critical, from
 * memory.
 */
const TOLERANT_PERCENT = 10;

type Targets = Pick<Settings, 'dropTargetPercent' | 'feedSharePercent'>;

/** The most a circuit of a kind may lose between battery and load and back, percent of the nominal voltage. */
export function dropTargetOf({ dropTargetPercent }: Targets, dropClass: DropClass): number {
  return dropTargetPercent[dropClass] ?? TOLERANT_PERCENT;
}

/** The most the cables that all circuits share may take of that, percent. Common practice: no more than half of what lighting may lose. */
export function feedShareOf({ dropTargetPercent, feedSharePercent }: Targets): number {
  return feedSharePercent ?? dropTargetPercent.critical / 2;
}
