import type { Finding } from '../analysis/finding';
import type { Analysis } from '../analysis/types';
import { updateRecords } from '../design/change';
import { removePart } from '../switching/partsByHand';
import type { Remedy } from './remedy';

/** Remedies for joints that are made otherwise than their place allows, or are one too many. */
export function jointRemedies({ design, index }: Analysis, { rule, subjects }: Finding): (Remedy | null)[] {
  const through = (id: string): Remedy | null => {
    const ends = index.wires.filter(({ from, to }) => from.deviceId === id || to.deviceId === id).length;
    // Where three meet, one of them branches off here.
    const change = ends === 2 ? removePart(design, id) : null;
    return change && { label: 'Draw one length through', change };
  };
  switch (rule) {
    case 'joint.unfit':
      return [{ label: 'Crimp it, with a glue sleeve', change: updateRecords(design, [{ id: subjects[0]!, set: { made: undefined } }]) }];
    case 'joint.row':
      return [through(subjects[1]!)];
    case 'joint.flexing':
    case 'joint.beforeFuse':
      return [through(subjects[0]!)];
    default:
      return [];
  }
}
