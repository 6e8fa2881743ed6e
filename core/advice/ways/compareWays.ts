import { analyse } from '../../analysis/analyse';
import { conductorTables } from '../../analysis/conductorTables';
import type { Analysis, CircuitAnalysis } from '../../analysis/types';
import { areaMm2, type ConductorSize } from '../../catalog/conductorSizes';
import { applyUnchecked, type Change } from '../../design/change';
import { indexDesign } from '../../rig/designIndex';
import { findingKey, type Finding } from '../../analysis/finding';
import { findingsOf, propose } from '../propose';
import type { Measure } from '../proposal';
import { between } from '../../design/edit';
import { cableOf, type Prices } from '../prices';
import { sizesLike } from '../../sizing/conductorChoice';
import { thinned } from './ownSizes';
import { movable, sitesFor, withSubBlock, withTrunk, type WithSubBlock } from './subBlock';
import { partedInTwo } from './twoTrunks';

/** Air the ampacity tables are made for, C. */
const TABLE_C = 30;

export const WAY_KINDS = ['asItIs', 'oneSize', 'ownSizes', 'subBlock', 'twoTrunks'] as const;
export type WayKind = (typeof WAY_KINDS)[number];

/** One way to wire some circuits, sized as well as it can be. */
export interface Way {
  kind: WayKind;
  change: Change;
  /** Cable of the circuits and of what only they need, and the blocks and fuses added. */
  cableCost: number;
  partsCost: number;
  weightKg: number;
  worstDropPercent: number;
  meanDropPercent: number;
  /** Rules now broken, notes apart, that were not before; with any, the way is no way. */
  breaks: Finding[];
  /** Rules of these circuits' own sizes that it does not keep either: it is the least of nothing while there are any. */
  leaves: Finding[];
  /** What it takes: the trunk to a nearer block, or where a second trunk goes. */
  takes:
    | { kind: 'subBlock'; blockName: string; moved: number; slots: number; ratingA: number; conductor: ConductorSize; trunkMm: number }
    | { kind: 'twoTrunks'; loadId: string }
    | null;
}

export interface WaysQuestion {
  circuitIds: readonly string[];
  measure: Measure;
  prices: Prices;
  /** How far a nearer block would stand where no vehicle says, one way; null: as far as the nearest circuit allows. */
  trunkMm: number | null;
}

/** Told how far the work is, 0 to 1. It is stopped by ending the worker it runs in. */
export type Progress = (done: number) => void;

/** How the work is shared out, roughly. */
const SHARES = { oneSize: 0.15, ownSizes: 0.15, subBlock: 0.45, twoTrunks: 0.25 };

/**
 * The ways to wire a zone or a circuit, side by side: as it is, one size each, every wire its own size, a fuse block nearer to the loads,
 * and for one circuit with several loads a second trunk. Each is sized for the measure by `propose` and judged by the design's own rules.
 */
export function compareWays(analysis: Analysis, question: WaysQuestion, progress: Progress = () => undefined): Way[] {
  const ways: (Way | null)[] = [wayOf(analysis, analysis, 'asItIs', null, question)];
  let before = 0;
  const part = (share: number): Progress => {
    const from = before;
    before += share;
    return (done) => progress(Math.min(0.99, from + share * done));
  };
  const oneSize = sizedWay(analysis, analysis, 'oneSize', null, question, part(SHARES.oneSize));
  ways.push(oneSize?.way ?? null);
  part(SHARES.ownSizes)(0);
  if (oneSize && question.measure !== 'drop')
    ways.push(wayOf(analysis, thinned(oneSize.after, question.circuitIds), 'ownSizes', null, question));
  ways.push(bestSubBlock(analysis, question, part(SHARES.subBlock)));
  ways.push(bestSecondTrunk(analysis, question, part(SHARES.twoTrunks)));
  return ways.filter((way) => way !== null);
}

/** What a way comes to by a measure: money, kg, or percent of drop. */
export function worthOf({ cableCost, partsCost, weightKg, meanDropPercent }: Way, measure: Measure): number {
  return measure === 'cost' ? cableCost + partsCost : measure === 'weight' ? weightKg : meanDropPercent;
}

/** The least of those that keep every rule; null where none does. */
export function leastWay(ways: readonly Way[], measure: Measure): Way | null {
  const kept = ways.filter(({ breaks, leaves }) => breaks.length === 0 && leaves.length === 0);
  return kept.reduce<Way | null>((least, way) => (least && worthOf(way, measure) >= worthOf(least, measure) - 1e-9 ? least : way), null);
}

function better(way: Way, than: Way | null, measure: Measure): boolean {
  if (than === null || way.breaks.length < than.breaks.length) return true;
  return way.breaks.length === than.breaks.length && worthOf(way, measure) < worthOf(than, measure) - 1e-9;
}

interface SizedWay {
  way: Way;
  after: Analysis;
}

/** A design sized for the measure in the circuits asked about; null where nothing fits one of them. */
function sizedWay(
  before: Analysis,
  start: Analysis,
  kind: WayKind,
  takes: Way['takes'],
  question: WaysQuestion,
  progress: Progress,
): SizedWay | null {
  const { circuitIds, measure, prices } = question;
  const proposal = propose(start, { circuitIds, measure, prices }, (done) => {
    progress(done);
    return true;
  })!;
  if (proposal.circuits.some(({ stuck }) => stuck)) return null;
  const after = analyse(applyUnchecked(start.design, proposal.change), start);
  return { way: wayOf(before, after, kind, takes, question), after };
}

function wayOf(before: Analysis, after: Analysis, kind: WayKind, takes: Way['takes'], { circuitIds, prices }: WaysQuestion): Way {
  const own = after.circuits.filter(({ id }) => circuitIds.includes(id));
  const wireIds = new Set(own.flatMap(({ supplyWireIds, returnWireIds }) => [...supplyWireIds, ...returnWireIds]));
  let blocks = 0;
  let fuses = 0;
  for (const record of after.design.records.values()) {
    if (before.design.records.has(record.id)) continue;
    if (record.type === 'wire') wireIds.add(record.id);
    else if (record.type === 'device' && record.kind === 'fuseBlock') blocks += 1;
    else if (record.type === 'device' && record.kind === 'protection') fuses += 1;
  }
  const cable = cableOf(after, wireIds, prices);
  const drops = own.flatMap(({ loadIds }) => loadIds.map((id) => after.loads.get(id)!.dropPercent));
  const known = new Set(before.findings.map(findingKey));
  // Small fuses that lean on the main one do so in any block: a new one is no worse for it than the old.
  const leant = before.findings.some(({ rule, severity }) => rule === 'fuse.backedUp' && severity !== 'note');
  const isNew = (finding: Finding) =>
    finding.severity !== 'note' && !known.has(findingKey(finding)) && !(leant && finding.rule === 'fuse.backedUp');
  return {
    kind,
    change: between(before.design, after.design),
    cableCost: cable.cost,
    partsCost: blocks * prices.perBlock + fuses * prices.perFuse,
    weightKg: cable.weightKg,
    worstDropPercent: Math.max(0, ...drops),
    meanDropPercent: drops.length === 0 ? 0 : drops.reduce((sum, drop) => sum + drop, 0) / drops.length,
    breaks: after.findings.filter(isNew),
    leaves: circuitIds.flatMap((id) => findingsOf(after, id)),
    takes,
  };
}

/** The block with the least cable in all of every site, with the best trunk of every size. */
function bestSubBlock(analysis: Analysis, question: WaysQuestion, progress: Progress): Way | null {
  const circuits = movable(analysis, question.circuitIds);
  const like = circuits[0]?.conductor;
  const built = like ? shortestSubBlock(analysis, circuits, question.trunkMm) : null;
  if (!like || !built) return null;
  const { settings } = analysis.index;
  // No trunk thinner than its own fuse allows even in the open.
  const { ampacity } = conductorTables(settings);
  const carries = (size: ConductorSize) => ampacity(size, TABLE_C, false, 1).amps;
  const sizes = sizesLike(settings.conductorStandard, like).filter((size) => carries(size) >= built.ratingA);
  let best: Way | null = null;
  for (const [place, size] of sizes.entries()) {
    const start = analyse(withTrunk(built, size), analysis);
    // A trunk that alone comes to more than the best way so far cannot win; against drop, one four times as thick is the end.
    const trunk = cableOf(start, built.trunkIds, question.prices);
    const least = { cost: trunk.cost, weight: trunk.weightKg, drop: areaMm2(size) > 4 * areaMm2(like) ? Infinity : 0 }[question.measure];
    if (best?.breaks.length === 0 && least >= worthOf(best, question.measure)) break;
    const trunkMm = start.wires.get(built.trunkIds[0]!)?.wire.lengthMm ?? 0;
    const { block, movedIds, ratingA } = built;
    const takes = { kind: 'subBlock' as const, blockName: block.name, moved: movedIds.length, slots: block.slots, ratingA, conductor: size, trunkMm }; // prettier-ignore
    const sized = sizedWay(analysis, start, 'subBlock', takes, question, (done) => progress((place + done) / sizes.length));
    if (sized && better(sized.way, best, question.measure)) best = sized.way;
  }
  return best;
}

/** The best of all ways to part one circuit's loads in two. */
function bestSecondTrunk(analysis: Analysis, question: WaysQuestion, progress: Progress): Way | null {
  const [only, ...others] = question.circuitIds;
  const circuit = others.length === 0 ? analysis.circuits.find(({ id }) => id === only) : undefined;
  const parted = circuit ? partedInTwo(analysis, circuit) : [];
  let best: Way | null = null;
  for (const [place, { design, atLoadId }] of parted.entries()) {
    const takes = { kind: 'twoTrunks' as const, loadId: atLoadId };
    const start = analyse(design, analysis);
    const sized = sizedWay(analysis, start, 'twoTrunks', takes, question, (done) => progress((place + done) / parted.length));
    if (sized && better(sized.way, best, question.measure)) best = sized.way;
  }
  return best;
}

function isWet({ index }: Analysis, zoneId: string | null): boolean {
  const traits = index.zones.find(({ id }) => id === zoneId)?.traits;
  return traits?.some((trait) => trait === 'wet' || trait === 'splashed') ?? false;
}

/** The block that leaves the least cable in all, trunk and circuits' own; dry sites before wet ones. */
function shortestSubBlock(analysis: Analysis, circuits: readonly CircuitAnalysis[], trunkMm: number | null): WithSubBlock | null {
  const sites = sitesFor(analysis, circuits, trunkMm);
  const dry = sites.filter(({ zoneId }) => !isWet(analysis, zoneId));
  let best: WithSubBlock | null = null;
  let bestMm = Infinity;
  for (const site of dry.length > 0 ? dry : sites) {
    const built = withSubBlock(analysis, circuits, site);
    const mm = built ? indexDesign(built.design).wires.reduce((sum, { lengthMm }) => sum + lengthMm, 0) : Infinity;
    if (mm < bestMm) [best, bestMm] = [built, mm];
  }
  return best;
}
