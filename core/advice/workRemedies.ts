import type { Analysis } from '../analysis/types';
import type { Finding } from '../analysis/finding';
import { progressFields } from '../design/asBuilt';
import { setting, updateRecords } from '../design/change';
import { deviceOf, recordOf } from '../design/design';
import { formatRating } from '../units/quantity';
import type { Remedy } from './remedy';

/** Remedies for what was done for now: it goes, or it becomes the plan. */
export function workRemedies({ design }: Analysis, { rule, subjects: [id], numbers }: Finding): Remedy[] {
  if (rule === 'work.otherFuse') {
    const planned = numbers.plannedA === null ? 'the planned fuse' : formatRating(numbers.plannedA);
    const isThere = deviceOf(design, id!, 'protection');
    return isThere ? [{ label: `Put ${planned} in`, change: updateRecords(design, [{ id: id!, set: { fittedA: undefined } }]) }] : [];
  }
  if (rule === 'work.jointForNow')
    return [
      {
        label: 'It is crimped now, with a glue sleeve',
        change: updateRecords(design, [{ id: id!, set: { made: undefined, work: { state: 'fitted' } } }]),
      },
    ];
  const thing = recordOf(design, id!, 'device') ?? recordOf(design, id!, 'wire');
  if (rule !== 'work.temporary' || !thing) return [];
  const to = (progress: 'removed' | 'fitted') => updateRecords(design, [setting(thing, progressFields(thing, progress))]);
  return [
    { label: 'It is taken out', change: to('removed') },
    { label: 'It stays: part of the plan', change: to('fitted') },
  ];
}
