import { updateRecords } from '../design/change';
import type { Analysis } from '../analysis/types';
import type { Finding } from '../analysis/finding';
import type { Remedy } from './remedy';

/** Remedies for what the controls can bring about: what was said by hand is put right, or said. */
export function reachRemedies({ design, index }: Analysis, { rule, subjects }: Finding): Remedy[] {
  const [subject] = subjects;
  if (rule === 'reach.unmeantFeed')
    return [{ label: 'It is meant: say so', change: updateRecords(design, [{ id: subject!, set: { fedTwice: true } }]) }];
  if (rule !== 'reach.together') return [];
  const group = index.loads.find(({ id }) => id === subject)?.exclusiveGroup;
  const marked = index.loads.filter(({ exclusiveGroup }) => exclusiveGroup === group);
  const change = updateRecords(design, marked.map(({ id }) => ({ id, set: { exclusiveGroup: null } }))); // prettier-ignore
  return [{ label: 'Take the mark off: they may run together', change }];
}
