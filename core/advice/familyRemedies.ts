import type { Analysis } from '../analysis/types';
import type { Finding } from '../analysis/finding';
import { cableRemedies } from './cableRemedies';
import { harnessRemedies } from './harnessRemedies';
import { jointRemedies } from './jointRemedies';
import { reachRemedies } from './reachRemedies';
import type { Remedy } from './remedy';
import { returnRemedies } from './returnRemedies';
import { rigRemedies } from './rigRemedies';
import { switchingRemedies } from './switchingRemedies';
import { workRemedies } from './workRemedies';

/** Remedies of the families of rules that have a file of their own; none for a finding of no such family. */
export function familyRemedies(analysis: Analysis, finding: Finding): (Remedy | null)[] {
  const families = [
    rigRemedies,
    reachRemedies,
    returnRemedies,
    workRemedies,
    switchingRemedies,
    harnessRemedies,
    cableRemedies,
    jointRemedies,
  ];
  return families.flatMap((remedies) => remedies(analysis, finding));
}
