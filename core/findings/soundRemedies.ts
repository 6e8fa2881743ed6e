import { analyse } from '../analysis/analyse';
import type { Analysis } from '../analysis/types';
import { applyUnchecked, type Change } from '../design/change';
import { pricesOf, propose } from '../sizing/propose';
import { formatConductor, formatRating } from '../units/quantity';
import { remediesFor, type Remedy } from './remedies';
import type { Finding, Rule } from './types';

/** Findings about two figures of which only a person knows the right one: whatever either brings is then true. */
const CHOICES = new Set<Rule>(['rig.measuredDiffers', 'rig.wireDiffers', 'battery.holdUnknown']);

/**
 * The remedies that mend a finding and bring no fault that was not there: a larger fuse, say, may no longer end a short at the far lamp. Where
 * all of a circuit's would, its wires and fuse sized anew by every rule at once, if any size does it. For a person to click; costs one
 * analysis a remedy.
 */
export function soundRemedies(analysis: Analysis, finding: Finding): Remedy[] {
  const offered = remediesFor(analysis, finding);
  if (CHOICES.has(finding.rule)) return offered;
  const known = faultsOf(analysis);
  const isSound = ({ change }: Remedy) => bringsNone(analysis, change, known);
  const sound = offered.filter(isSound);
  if (sound.length > 0 || offered.length === 0 || finding.circuitId === null) return sound;
  const anew = sizedAnew(analysis, finding.circuitId);
  return anew && isSound(anew) ? [anew] : [];
}

function bringsNone(analysis: Analysis, change: Change, known: ReadonlySet<string>): boolean {
  const after = analyse(applyUnchecked(analysis.design, change), analysis);
  for (const fault of faultsOf(after)) if (!known.has(fault)) return false;
  return true;
}

/** What is wrong where: by circuit, since the same fault may name another of its wires after a change. */
function faultsOf({ findings }: Analysis): Set<string> {
  const faults = findings.filter(({ severity }) => severity === 'fault');
  return new Set(faults.map(({ rule, circuitId, subjects }) => `${rule} ${circuitId ?? subjects[0]}`));
}

function sizedAnew(analysis: Analysis, circuitId: string): Remedy | null {
  const proposal = propose(analysis, { circuitIds: [circuitId], measure: 'cost', prices: pricesOf(analysis.index.settings) });
  const [sized] = proposal?.circuits ?? [];
  if (!proposal || !sized || sized.stuck) return null;
  const { conductor, ratingA } = sized.after;
  return { label: `Size it anew: ${formatConductor(conductor)} and ${formatRating(ratingA)}`, change: proposal.change };
}
