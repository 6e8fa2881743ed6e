import { analyse } from '../analysis/analyse';
import type { Analysis } from '../analysis/types';
import { applyUnchecked, type Change } from '../design/change';
import { pricesOf } from './prices';
import { propose } from './propose';
import { formatConductor, formatRating } from '../units/quantity';
import { findInNetwork } from '../analysis/rules/networkRules';
import { remediesFor } from './remedies';
import type { Remedy } from './remedy';
import { slot } from '../units/carried';
import { whereKey, type Finding, type Rule } from '../analysis/finding';

/** Findings about two figures of which only a person knows the right one: whatever either brings is then true. */
const CHOICES = new Set<Rule>(['rig.measuredDiffers', 'rig.wireDiffers', 'battery.holdUnknown']);

/**
 * The remedies that mend a finding and bring no fault that was not there: a larger fuse, say, may no longer end a short at the far lamp.
 * Those that bring no caution either come first: the smaller fuse of a thin wire may lose too many volts itself. Where all of a circuit's
 * bring a fault, its wires and fuse sized anew by every rule at once, if any size does it. For a person to click; costs one analysis a
 * remedy.
 */
export function soundRemedies(analysis: Analysis, finding: Finding): Remedy[] {
  const offered = remediesFor(analysis, finding);
  if (CHOICES.has(finding.rule)) return offered;
  const tried = offered.map((remedy) => ({ remedy, brought: brings(analysis, remedy.change, finding) }));
  const sound = tried
    .filter(({ brought }) => brought.faults === 0 && !brought.leaves)
    .sort((one, other) => one.brought.cautions - other.brought.cautions);
  if (sound.length > 0 || offered.length === 0 || finding.circuitId === null) return sound.map(({ remedy }) => remedy);
  const anew = sizedAnew(analysis, finding.circuitId);
  const brought = anew && brings(analysis, anew.change, finding);
  return anew && brought?.faults === 0 && brought.mends ? [anew] : [];
}

interface Brought {
  faults: number;
  cautions: number;
  /** Nothing of that rule is wrong there any more. */
  mends: boolean;
  /** The very fault it is for stands as it did: a size that helps and does not do. */
  leaves: boolean;
}

/** How many faults and cautions a change brings that were not there, a caution grown into a fault among the faults, and what it mends. */
function brings(analysis: Analysis, change: Change, finding: Finding): Brought {
  const changed = analyse(applyUnchecked(analysis.design, change), analysis);
  const after = wrongs(changed);
  const were = wrongsBefore(analysis);
  const brought = [...after].filter(([wrong, severity]) => severity !== were.get(wrong) && were.get(wrong) !== 'fault');
  const faults = brought.filter(([, severity]) => severity === 'fault').length;
  const isSame = ({ rule, severity, subjects: [first] }: Finding) =>
    severity === 'fault' && rule === finding.rule && first === finding.subjects[0];
  const leaves = finding.severity === 'fault' && changed.findings.some(isSame);
  return { faults, cautions: brought.length - faults, mends: after.get(whereKey(finding)) !== finding.severity, leaves };
}

const WRONGS = slot<Map<string, Finding['severity']>>('wrongs');

/** What is wrong of the analysis that remedies are tried on, found once: a list of findings asks for each of its remedies. */
function wrongsBefore(analysis: Analysis): Map<string, Finding['severity']> {
  return analysis.carried.ofThis(WRONGS, () => wrongs(analysis));
}

/** How bad what is wrong where, solved as wired too. */
function wrongs(analysis: Analysis): Map<string, Finding['severity']> {
  const worst = new Map<string, Finding['severity']>();
  for (const finding of [...analysis.findings, ...findInNetwork(analysis)]) {
    const where = whereKey(finding);
    if (finding.severity !== 'note' && worst.get(where) !== 'fault') worst.set(where, finding.severity);
  }
  return worst;
}

function sizedAnew(analysis: Analysis, circuitId: string): Remedy | null {
  const proposal = propose(analysis, { circuitIds: [circuitId], measure: 'cost', prices: pricesOf(analysis.index.settings) });
  const [sized] = proposal?.circuits ?? [];
  if (!proposal || !sized || sized.stuck) return null;
  const { conductor, ratingA } = sized.after;
  return { label: `Size it anew: ${formatConductor(conductor)} and ${formatRating(ratingA)}`, change: proposal.change };
}
