import { analyse } from '../../analysis/analyse';
import type { Analysis } from '../../analysis/types';
import { areaMm2, type ConductorSize } from '../../catalog/conductorSizes';
import { applyUnchecked, type Change } from '../../design/change';
import { deviceOf, type Design } from '../../design/design';
import { findingKey, type Finding } from '../../findings/types';
import { between, cableOf, propose, type Measure, type Prices } from '../propose';
import { ampacity } from '../ampacity';
import { thinned } from './ownSizes';
import { movable, sitesFor, trunkSizes, withSubBlock, type SubBlockSite, type WithSubBlock } from './subBlock';
import { partedInTwo } from './twoTrunks';

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

/** Round figures to begin with; a person's own are right. */
export const USUAL_PART_PRICES = { perBlock: 28, perFuse: 2.5 } as const;

/**
 * The ways to wire a zone or a circuit, side by side: as it is, one size each, every wire its own size, a fuse block nearer to the loads, and for one
 * circuit with several loads a second trunk. Each is sized for the measure by `propose` and judged by the design's own rules. Null when stopped.
 */
export function compareWays(analysis: Analysis, question: WaysQuestion, say: (done: number) => boolean = () => true): Way[] | null {
  const ways: Way[] = [asItIs(analysis, question)];
  let done = 0;
  const step = (share: number) => (part: number) => say(Math.min(0.99, done + share * part));
  const oneSize = sizedWay(analysis, analysis, 'oneSize', null, question, step(0.15));
  if (oneSize === 'stopped') return null;
  done += 0.15;
  if (oneSize) {
    ways.push(oneSize.way);
    if (question.measure !== 'drop') {
      const thin = thinned(oneSize.after, question.circuitIds, () => say(done));
      if (!thin) return null;
      ways.push(wayOf(analysis, thin, 'ownSizes', null, question));
    }
  }
  done += 0.15;
  const near = bestSubBlock(analysis, question, step(0.45));
  if (near === 'stopped') return null;
  if (near) ways.push(near);
  done += 0.45;
  const [only] = question.circuitIds;
  const circuit = question.circuitIds.length === 1 ? analysis.circuits.find(({ id }) => id === only) : undefined;
  const parted = circuit ? partedInTwo(analysis, circuit) : [];
  let best: Way | null = null;
  for (const [place, { design, atLoadId }] of parted.entries()) {
    const start = analyse(design, analysis);
    const sized = sizedWay(analysis, start, 'twoTrunks', { kind: 'twoTrunks', loadId: atLoadId }, question, (part) =>
      say(Math.min(0.99, done + (0.25 * (place + part)) / parted.length)),
    );
    if (sized === 'stopped') return null;
    if (sized && better(sized.way, best, question.measure)) best = sized.way;
  }
  if (best) ways.push(best);
  return ways;
}

/** What a way comes to by a measure: money, kg, or percent of drop. */
export function worthOf({ cableCost, partsCost, weightKg, meanDropPercent }: Way, measure: Measure): number {
  return measure === 'cost' ? cableCost + partsCost : measure === 'weight' ? weightKg : meanDropPercent;
}

function better(way: Way, than: Way | null, measure: Measure): boolean {
  if (than === null || way.breaks.length < than.breaks.length) return true;
  return way.breaks.length === than.breaks.length && worthOf(way, measure) < worthOf(than, measure) - 1e-9;
}

function asItIs(analysis: Analysis, question: WaysQuestion): Way {
  return wayOf(analysis, analysis, 'asItIs', null, question);
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
  say: (part: number) => boolean,
): SizedWay | 'stopped' | null {
  const { circuitIds, measure, prices } = question;
  const proposal = propose(start, { circuitIds, measure, prices }, say);
  if (!proposal) return 'stopped';
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
  return {
    kind,
    change: between(before.design, after.design),
    cableCost: cable.cost,
    partsCost: blocks * (prices.perBlock ?? USUAL_PART_PRICES.perBlock) + fuses * (prices.perFuse ?? USUAL_PART_PRICES.perFuse),
    weightKg: cable.weightKg,
    worstDropPercent: Math.max(0, ...drops),
    meanDropPercent: drops.length === 0 ? 0 : drops.reduce((sum, drop) => sum + drop, 0) / drops.length,
    breaks: after.findings.filter((finding) => finding.severity !== 'note' && !known.has(findingKey(finding))),
    takes,
  };
}

/** The best of the sites and trunk sizes for a block nearer to the loads. */
function bestSubBlock(analysis: Analysis, question: WaysQuestion, say: (part: number) => boolean): Way | 'stopped' | null {
  const circuits = movable(analysis, question.circuitIds);
  const like = circuits[0]?.conductor;
  if (!like) return null;
  const sites = sitesFor(analysis, circuits, question.trunkMm);
  const dry = sites.filter(({ zoneId }) => !isWet(analysis, zoneId));
  const site = shortestSite(analysis, circuits, dry.length > 0 ? dry : sites, like);
  if (!site) return null;
  const sizes = trunkSizes(analysis, like);
  let best: Way | null = null;
  for (const [place, size] of sizes.entries()) {
    const built = withSubBlock(analysis, circuits, site, size);
    const { settings } = analysis.index;
    const ratingA = built && deviceOf(built.design, built.feederId, 'protection')!.ratingA;
    // No trunk thinner than its own fuse allows even in the open.
    const carries = ampacity(size, { standard: settings.conductorStandard, insulationC: settings.insulationC, ambientC: 30, engineSpace: false }).amps; // prettier-ignore
    if (!built || ratingA === null || carries < ratingA) continue;
    // A trunk that alone costs more than the best way so far cannot win.
    const start = analyse(built.design, analysis);
    const trunk = cableOf(start, built.trunkIds, question.prices);
    const floor = question.measure === 'cost' ? trunk.cost : question.measure === 'weight' ? trunk.weightKg : 0;
    if (best?.breaks.length === 0 && floor >= worthOf(best, question.measure)) break;
    if (question.measure === 'drop' && areaMm2(size) > 4 * areaMm2(like)) break;
    const sized = sizedWay(analysis, start, 'subBlock', takesOf(built, start, ratingA, size), question, (part) =>
      say((place + part) / sizes.length),
    );
    if (sized === 'stopped') return 'stopped';
    if (sized && better(sized.way, best, question.measure)) best = sized.way;
  }
  return best;
}

function isWet({ index }: Analysis, zoneId: string | null): boolean {
  const traits = index.zones.find(({ id }) => id === zoneId)?.traits;
  return traits?.some((trait) => trait === 'wet' || trait === 'splashed') ?? false;
}

function takesOf(
  { design, blockId, trunkIds, movedIds }: WithSubBlock,
  start: Analysis,
  ratingA: number,
  conductor: ConductorSize,
): Way['takes'] {
  const block = deviceOf(design, blockId, 'fuseBlock')!;
  const trunkMm = start.wires.get(trunkIds[0]!)?.wire.lengthMm ?? 0;
  return { kind: 'subBlock', blockName: block.name, moved: movedIds.length, slots: block.slots, ratingA, conductor, trunkMm };
}

/** The site from which all the cable, trunk and circuits' own, is shortest. */
function shortestSite(
  analysis: Analysis,
  circuits: ReturnType<typeof movable>,
  sites: readonly SubBlockSite[],
  like: ConductorSize,
): SubBlockSite | null {
  let best: SubBlockSite | null = null;
  let bestMm = Infinity;
  for (const site of sites) {
    const built = withSubBlock(analysis, circuits, site, like);
    if (!built) continue;
    const mm = totalMm(built.design);
    if (mm < bestMm) [best, bestMm] = [site, mm];
  }
  return best;

  function totalMm(design: Design): number {
    return analyse(design, analysis).index.wires.reduce((sum, { lengthMm }) => sum + lengthMm, 0);
  }
}
