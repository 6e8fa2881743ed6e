import type { Design } from '../design/design';
import type { Harness } from '../harness/schedule';
import type { DesignIndex } from '../rig/designIndex';
import { planWork } from './schedule';
import { tasksOf, type PlanOptions } from './tasks';

/**
 * The day of the work plan, from 1, on which each circuit’s wires are made, by the circuit’s id; null: what circuits share. What is made
 * already is not among them.
 * @param dayMinutes worked a day
 */
export function makingDays(
  design: Design,
  index: DesignIndex,
  harness: Harness,
  options: PlanOptions,
  people: 1 | 2,
  dayMinutes: number,
): Map<string | null, number> {
  const { planned } = planWork(tasksOf(design, index, harness, options), people, dayMinutes);
  return new Map(
    planned.flatMap(({ task, startMinute }) =>
      task.kind === 'make' ? [[task.subjectId, Math.floor(startMinute / dayMinutes) + 1] as const] : [],
    ),
  );
}
