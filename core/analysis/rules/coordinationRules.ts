import type { RuleFigures } from '../figures';
import { finding, severityRank, type Finding, type FindingOf, type Severity, type CoordinationRule } from '../finding';
import type { Analysis, ProtectionAnalysis } from '../types';
import { INTERRUPTING } from '../../catalog/interrupting';
import { openingTimeS } from '../../catalog/fuseTimes';
import { savesSmallFuse } from '../../sizing/breaking';
import { clearingS, endVerdict } from '../../sizing/coordination';

/** Ratio of ratings from which practice takes two fuses in a row to be selective. Common practice: 2 for blades, 1.6 for larger fuses. */
const BLADE_RATIO = 2;
const LARGE_RATIO = 1.6;

/**
 * Fuses and breakers in a chain: whether each can break a dead short, ends one soon enough, spares its wire, and opens before the one
 * ahead.
 */
export function findCoordination({ protections, index }: Analysis): Finding[] {
  const found: Finding[] = [];
  const byPlace = new Map<string, ShortAt>();
  for (const entry of protections.values()) {
    const { id, withinId: circuitId, fuse } = entry;
    const about: About = (rule, severity, others, numbers) => found.push(finding(rule, severity, [id, ...others], numbers, circuitId));
    const { ratingA } = fuse;
    findInterrupting(entry, protections, byPlace);
    if (entry.endA !== null && entry.endId !== null) {
      const verdict = endVerdict(fuse, entry.endA);
      const numbers = { ratingA, endA: entry.endA, multiple: entry.endA / fuse.ratingA, longestS: entry.endClears!.longestS };
      if (verdict === 'never') about('fuse.neverClears', 'fault', [entry.endId], numbers);
      else if (verdict === 'slow') about('fuse.slowToClear', 'caution', [entry.endId], numbers);
    }
    if (entry.heat && entry.heat.share > 1) about('wire.spoiltFirst', 'fault', [entry.heat.wireId], { share: entry.heat.share });
    if (entry.start && openingTimeS(fuse.family, entry.start.amps / fuse.ratingA) < entry.start.seconds) {
      about('fuse.opensAtStart', 'caution', [entry.start.loadId], { ratingA, amps: entry.start.amps, seconds: entry.start.seconds });
    }
    findSelectivity(entry, protections, about);
  }
  const nominalV = index.settings.nominalV;
  for (const { id, withinId: circuitId, fuse } of protections.values()) {
    const { maxV } = INTERRUPTING[fuse.family];
    // Charging raises a system by a quarter over its name.
    if (maxV < nominalV * 1.25) {
      const numbers = { maxV, systemV: nominalV * 1.25 };
      found.push({ rule: 'fuse.voltage', severity: 'fault', subjects: [id], circuitId, numbers });
    }
  }
  return [...found, ...byPlace.values()];
}

type About = <R extends CoordinationRule>(rule: R, severity: Severity, others: readonly string[], numbers: RuleFigures[R]) => void;

/** What becomes of a dead short right at a fuse that does not break it. */
type ShortAt = FindingOf<'fuse.cannotBreak'> | FindingOf<'fuse.backedUp'>;

/**
 * One that cannot break a dead short at its own place needs one ahead that can, and does so before it bursts. A block's fuses are told of
 * together, by the worst of them.
 */
function findInterrupting(
  { id, fuse, atA, breaksA, upstreamId }: ProtectionAnalysis,
  protections: Analysis['protections'],
  byPlace: Map<string, ShortAt>,
): void {
  if (atA <= breaksA) return;
  let ahead = protections.get(upstreamId ?? '');
  while (ahead && ahead.breaksA < atA) ahead = protections.get(ahead.upstreamId ?? '');
  const place = fuse.mount?.blockId ?? id;
  const known = byPlace.get(place);
  // Behind the same fuse a weaker short is no worse.
  if (known && known.subjects[1] === ahead?.id && atA <= known.numbers.atA) return;
  const numbers = { atA, breaksA, family: fuse.family };
  const told: ShortAt = ahead ? backedUp(ahead, place, numbers) : { rule: 'fuse.cannotBreak' as const, severity: 'fault' as const, subjects: [place], circuitId: null, numbers }; // prettier-ignore
  if (!known || severityRank(told.severity) < severityRank(known.severity)) byPlace.set(place, told);
}

function backedUp(ahead: ProtectionAnalysis, place: string, numbers: RuleFigures['fuse.cannotBreak']): ShortAt {
  const { longestS } = clearingS(ahead.fuse, numbers.atA);
  const saves = savesSmallFuse(ahead.fuse, numbers.atA);
  return {
    rule: 'fuse.backedUp',
    severity: saves ? 'note' : 'caution',
    subjects: [place, ahead.id],
    circuitId: null,
    numbers: { ...numbers, longestS, saves },
  };
}

function findSelectivity(
  { fuse, selectiveToA, upstreamId, atA }: ProtectionAnalysis,
  protections: Analysis['protections'],
  about: About,
): void {
  const upstream = protections.get(upstreamId ?? '');
  if (!upstream || selectiveToA === null || selectiveToA >= atA) return;
  const ratio = upstream.fuse.ratingA / fuse.ratingA;
  const numbers = { ratingA: fuse.ratingA, upstreamA: upstream.fuse.ratingA, ratio, selectiveToA, atA };
  const wanted = fuse.family === 'blade' && upstream.fuse.family === 'blade' ? BLADE_RATIO : LARGE_RATIO;
  if (ratio <= 1) about('fuse.aheadOpensFirst', 'caution', [upstream.id], numbers);
  else if (ratio < wanted) about('fuse.notSelective', 'caution', [upstream.id], numbers);
  else about('fuse.partlySelective', 'note', [upstream.id], numbers);
}
