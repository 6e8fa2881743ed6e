import { WIRE_STEPS, type WireStep } from '../catalog/vocabulary';
import type { Edit } from '../design/edit';
import type { Wire } from '../design/schema';
import type { HarnessWire } from './harnessWire';

/** What has to be done to a wire: one that comes in a kit is cut and ended already. */
export function stepsOf({ kitId }: Wire): readonly WireStep[] {
  return kitId ? KIT_STEPS : WIRE_STEPS;
}
const KIT_STEPS: readonly WireStep[] = ['labelled', 'pulled'];

/** Whether all of its making is done. */
export function isMade(wire: Wire): boolean {
  return stepsOf(wire).every((step) => wire.made?.includes(step));
}

/** What is done of all that is to do. */
export function madeOf(lines: readonly HarnessWire[]): { done: number; of: number } {
  return {
    done: lines.reduce((sum, { wire }) => sum + stepsOf(wire).filter((step) => wire.made?.includes(step)).length, 0),
    of: lines.reduce((sum, { wire }) => sum + stepsOf(wire).length, 0),
  };
}

/** Ticks a step of some wires, or takes the tick away. In the order of the work, whatever the order of the ticks. */
export function tick(edit: Edit, wireIds: readonly string[], step: WireStep, isDone: boolean): void {
  for (const id of wireIds) {
    const wire = edit.design.records.get(id);
    if (wire?.type !== 'wire' || !stepsOf(wire).includes(step)) continue;
    const made = WIRE_STEPS.filter((one) => (one === step ? isDone : (wire.made?.includes(one) ?? false)));
    edit.set(id, { made: made.length > 0 ? made : undefined });
  }
}
