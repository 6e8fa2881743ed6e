import { analyse } from '../analysis/analyse';
import type { Analysis, CircuitAnalysis } from '../analysis/types';
import { areaMm2, type ConductorSize } from '../catalog/conductorSizes';
import { RATINGS_A } from '../catalog/fuses';
import { applyUnchecked, isEmpty, type Change } from '../design/change';
import type { Design } from '../design/design';
import { Edit } from '../design/edit';
import { nameOf } from '../design/names';
import type { Protection, Settings } from '../design/schema';
import { remediesFor } from '../findings/remedies';
import { findingKey, type Finding, type Rule } from '../findings/types';
import { addCircuit, firstFreeSlot, usualScheme } from '../switching/schemes';
import { sizesLike } from './conductorChoice';
import { leastFuseA } from './fuse';
import { fuseLimitA } from './fuseLimit';

/** What a proposal makes least of. */
export const MEASURES = ['cost', 'weight', 'drop'] as const;
export type Measure = (typeof MEASURES)[number];

/** What cable, blocks and fuses cost, in whatever money one counts. */
export type Prices = Required<NonNullable<Settings['prices']>>;

/** Round figures to begin with; a person's own are right. */
export const USUAL_PRICES: Prices = { perM: 0.4, perMm2M: 0.3, perBlock: 28, perFuse: 2.5 };

/** A design's own prices, usual ones where it has none. */
export function pricesOf({ prices }: Pick<Settings, 'prices'>): Prices {
  return { ...USUAL_PRICES, ...prices } as Prices;
}

export interface ProposalQuestion {
  /** The circuits to size; null: all of them. */
  circuitIds: readonly string[] | null;
  measure: Measure;
  prices: Prices;
}

/** What held a circuit from being smaller still. */
export type ProposalGovernor = 'minimum' | 'ampacity' | 'fuse' | 'drop' | 'clearing' | 'start' | 'selectivity' | 'asItIs' | 'smallest';

/** One circuit before and after. */
export interface ProposedCircuit {
  circuitId: string;
  /** What it is called; a circuit only now proposed is in no design yet. */
  name: string;
  before: Sized;
  after: Sized;
  governedBy: ProposalGovernor;
  /** No size and fuse keep every rule: it stays as it is. */
  stuck: boolean;
}

export interface Sized {
  conductor: ConductorSize | null;
  ratingA: number;
  dropPercent: number;
  cost: number;
  /** Copper of its own wires, kg. */
  weightKg: number;
}

export interface Proposal {
  change: Change;
  circuits: ProposedCircuit[];
  /** What had to stand first: circuits made, slots given, shared cables and main protection put right; each with what was done. */
  first: { name: string; did: string }[];
  /** Sum of the measure over the circuits looked at, before and after: money, kg, or percent of drop. */
  before: number;
  after: number;
}

/** Copper, kg per metre and mm². Source: 8.96 g/cm³, physical tables. */
const COPPER_KG = 8.96e-3;
/** A fuse proposed stands at least so much more than all at once. Common practice: none is run at its rating. */
const HEADROOM = 1.1;
/** The thickest conductor a yellow terminal takes, mm²: least drop is not sought beyond it where rules do not ask for more. */
const YELLOW_MM2 = 6;

/** Rules a conductor and a fuse can break or keep, each with what it governs by. */
const GOVERNED: Partial<Record<Rule, ProposalGovernor>> = {
  'wire.overloaded': 'ampacity',
  'wire.tooSmallForStandard': 'ampacity',
  'wire.belowMinimum': 'minimum',
  'fuse.aboveConductor': 'fuse',
  'return.thinnerThanFuse': 'fuse',
  'return.thinnerThanFeed': 'fuse',
  'fuse.belowLoad': 'fuse',
  'fuse.continuousLoad': 'fuse',
  'slot.overRating': 'fuse',
  'slot.doubledUp': 'fuse',
  'fuse.aboveDevice': 'fuse',
  'drop.overTarget': 'drop',
  'drop.realCable': 'drop',
  'drop.starved': 'drop',
  'fuse.neverClears': 'clearing',
  'fuse.slowToClear': 'clearing',
  'wire.spoiltFirst': 'clearing',
  'fuse.opensAtStart': 'start',
  'fuse.aheadOpensFirst': 'selectivity',
  'fuse.notSelective': 'selectivity',
};

interface Candidate {
  conductor: ConductorSize;
  ratingA: number;
  value: number;
}

/** A circuit on its way to its size: what may still be tried, the best first. */
interface Search {
  circuit: CircuitAnalysis;
  candidates: Candidate[];
  at: number;
  /** Why each conductor was refused, by the fuse tried on it. */
  refused: Map<ConductorSize, Map<number, ProposalGovernor>>;
  /** As it is, when that keeps every rule: what must be beaten. */
  asItIs: number | null;
}

/**
 * One conductor size and one fuse for every circuit, least by the measure within every rule, as one change. Each circuit's pairs are
 * tried from the least up, all circuits at once, and the whole design is judged by its own rules each round: the first pair that breaks
 * none is the least, since circuits meet only in shared cables, put right before, and in the warmth of bundles, which the last
 * round judges again, for circuits that are not being sized too. A circuit that keeps every rule is changed only for something better.
 * `say` is told how far it is and stops the work by returning false.
 */
export function propose(
  analysis: Analysis,
  { circuitIds, measure, prices }: ProposalQuestion,
  say: (done: number) => boolean = () => true,
): Proposal | null {
  const { start, first } = prepare(analysis, circuitIds);
  const wanted = start.circuits.filter(({ id, worstLoadId }) => worstLoadId !== null && (circuitIds === null || circuitIds.includes(id)));
  const valueOf = (circuit: CircuitAnalysis, conductor: ConductorSize) => valueAt(start, circuit, conductor, measure, prices);
  const searches = wanted.map((circuit): Search => {
    const broken = findingsOf(start, circuit.id);
    const asItIs = broken.length > 0 ? null : currentValue(start, circuit, measure, prices);
    const candidates = candidatesOf(start, circuit, measure)
      .map(({ conductor, ratingA }) => ({ conductor, ratingA, value: valueOf(circuit, conductor) }))
      .filter(({ value }) => asItIs === null || value < asItIs - 1e-9)
      .sort(
        (a, b) =>
          a.value - b.value || Number(b.ratingA === circuit.ratingA) - Number(a.ratingA === circuit.ratingA) || a.ratingA - b.ratingA,
      );
    return { circuit, candidates, at: 0, refused: new Map(), asItIs };
  });
  const neighbours = neighbourWatch(
    start,
    searches.map(({ circuit }) => circuit.id),
  );
  const rounds = Math.max(1, ...searches.map(({ candidates }) => candidates.length));
  let tried = start;
  for (let round = 0; ; round++) {
    if (!say(Math.min(0.99, round / rounds))) return null;
    tried = analyse(applyUnchecked(start.design, changeFor(start.design, searches)), tried);
    const running = searches.filter(({ at, candidates }) => at < candidates.length);
    const own = running.flatMap((search) => {
      const [broken] = findingsOf(tried, search.circuit.id);
      return broken ? [{ search, broken }] : [];
    });
    // Once every circuit keeps its own rules, none may cost a neighbour its.
    const [harm] = own.length === 0 ? neighbours(tried) : [];
    const refused = harm ? running.map((search) => ({ search, broken: harm })) : own;
    if (refused.length === 0) break;
    for (const { search, broken } of refused) {
      const { conductor, ratingA } = search.candidates[search.at]!;
      const known = search.refused.get(conductor) ?? new Map<number, ProposalGovernor>();
      search.refused.set(conductor, known.set(ratingA, GOVERNED[broken.rule] ?? 'fuse'));
      search.at += 1;
    }
  }
  const circuits = searches.map((search): ProposedCircuit => {
    const after = tried.circuits.find(({ id }) => id === search.circuit.id)!;
    const unchanged = search.at >= search.candidates.length;
    return {
      circuitId: search.circuit.id,
      name: nameOf(start.design, search.circuit.id),
      before: sized(start, search.circuit, prices),
      after: sized(tried, after, prices),
      governedBy: unchanged && search.asItIs !== null ? 'asItIs' : governorOf(search),
      stuck: unchanged && search.asItIs === null,
    };
  });
  const sum = (side: 'before' | 'after') => circuits.reduce((total, entry) => total + inMeasure(entry[side], measure), 0);
  return { change: between(analysis.design, tried.design), circuits, first, before: sum('before'), after: sum('after') };
}

/** Why nothing thinner would do: what refused the next thinner conductor with the fuse chosen, or with the smallest one tried on it. */
function governorOf({ candidates, at, refused }: Search): ProposalGovernor {
  const chosen = candidates[Math.min(at, candidates.length - 1)];
  const thinner = Array.from(refused.keys())
    .filter((size) => !chosen || areaMm2(size) < areaMm2(chosen.conductor))
    .sort((a, b) => areaMm2(b) - areaMm2(a))[0];
  if (!thinner) return 'smallest';
  const byRating = refused.get(thinner)!;
  return byRating.get(chosen?.ratingA ?? NaN) ?? byRating.get(Math.min(...byRating.keys()))!;
}

function inMeasure({ cost, weightKg, dropPercent }: Sized, measure: Measure): number {
  return measure === 'cost' ? cost : measure === 'weight' ? weightKg : dropPercent;
}

/** The change that makes one design of another. */
export function between(from: Design, to: Design): Change {
  const edit = new Edit(from);
  for (const [id, record] of to.records) {
    if (!from.records.has(id)) edit.add(record);
    else if (from.records.get(id) !== record) edit.set(id, record);
  }
  for (const id of from.records.keys()) if (!to.records.has(id)) edit.remove(id);
  return edit.change;
}

/** Rounds of feeders put right: each may ask for the next one out. */
const FEEDER_ROUNDS = 12;
/** Rules about what circuits share that a thicker cable or a larger main answers for. */
const SHARED = new Set<Rule>([
  'main.missing',
  'main.belowDemand',
  'fuse.feederBelow',
  'drop.feedShare',
  'wire.overloaded',
  'wire.tooSmallForStandard',
  'fuse.aboveConductor',
  'return.sharedThin',
  'fuse.cannotBreak',
]);

/**
 * What must stand before circuits can be sized. Fuses of circuits that sit in no slot and are fed by nothing get one. For a whole design every
 * load without a circuit gets one of its own, and the main protection and the shared cables are put right where rules ask.
 */
function prepare(analysis: Analysis, circuitIds: readonly string[] | null): { start: Analysis; first: Proposal['first'] } {
  const edit = new Edit(analysis.design);
  const first: Proposal['first'] = [];
  for (const { id, fed, block, protectionId } of analysis.circuits) {
    if (fed || block !== null || (circuitIds !== null && !circuitIds.includes(id))) continue;
    const mount = firstFreeSlot(edit.design);
    if (!mount) continue;
    edit.set(protectionId, { mount });
    first.push({ name: nameOf(edit.design, id), did: `its fuse in slot ${mount.slot}` });
  }
  for (const { id, load, circuitId } of circuitIds === null ? analysis.loads.values() : []) {
    if (circuitId !== null) continue;
    addCircuit(edit, { ...usualScheme(edit.design, load.name, load.zoneId), loadIds: [id] });
    first.push({ name: load.name, did: 'a circuit of its own' });
  }
  let start = isEmpty(edit.change) ? analysis : analyse(edit.design, analysis);
  for (let round = 0; circuitIds === null && round < FEEDER_ROUNDS; round++) {
    const [step] = start.findings
      .filter(({ rule, circuitId }) => circuitId === null && SHARED.has(rule))
      .flatMap((finding) => remediesFor(start, finding).map((remedy) => ({ finding, remedy })));
    if (!step) break;
    first.push({ name: nameOf(start.design, step.finding.subjects[0]), did: step.remedy.label });
    start = analyse(applyUnchecked(start.design, step.remedy.change), start);
  }
  return { start, first };
}

/** The rules a circuit breaks that its conductor and fuse can answer for. */
export function findingsOf({ findings }: Analysis, circuitId: string): Finding[] {
  return findings.filter((finding) => finding.circuitId === circuitId && finding.severity !== 'note' && finding.rule in GOVERNED);
}

/**
 * Looks for rules that circuits beside those being sized, and what all share, keep now and would break: a thinner wire counts as loaded sooner and
 * warms a whole bundle.
 */
export function neighbourWatch(start: Analysis, circuitIds: readonly string[]): (tried: Analysis) => Finding[] {
  const own = new Set(circuitIds);
  const beside = ({ findings }: Analysis) =>
    findings.filter(
      ({ circuitId, severity, rule }) => severity !== 'note' && rule in GOVERNED && (circuitId === null || !own.has(circuitId)),
    );
  const known = new Set(beside(start).map(findingKey));
  return (tried) => beside(tried).filter((finding) => !known.has(findingKey(finding)));
}

/** Every pair worth trying: what the closed formulas already refuse is left out. */
function candidatesOf({ index, wiring, loads }: Analysis, circuit: CircuitAnalysis, measure: Measure): Omit<Candidate, 'value'>[] {
  const { settings, devices } = index;
  const fuse = devices.get(circuit.protectionId) as Protection;
  const mostA = fuseLimitA(
    index,
    wiring,
    fuse,
    circuit.loadIds.map((id) => loads.get(id)!.load),
  );
  const leastA = Math.max(leastFuseA(circuit.continuousA, circuit.peakA), circuit.peakA * HEADROOM);
  const ratings = RATINGS_A[fuse.family].filter((rating) => rating >= leastA - 1e-9 && rating <= mostA);
  // Under the least drop, copper stops where the usual terminals do, unless the rules themselves ask for more.
  const least = circuit.choice ? areaMm2(circuit.choice.conductor) : 0;
  const mostMm2 = measure === 'drop' ? Math.max(YELLOW_MM2, least) * 1.001 : Infinity;
  return sizesLike(settings.conductorStandard, circuit.conductor ?? 'mm2:1')
    .filter((size) => areaMm2(size) <= mostMm2)
    .flatMap((conductor) => ratings.map((ratingA) => ({ conductor, ratingA })));
}

function metresOf({ wires }: Analysis, circuit: CircuitAnalysis): number {
  return [...circuit.supplyWireIds, ...circuit.returnWireIds].reduce((sum, id) => sum + (wires.get(id)?.wire.lengthMm ?? 0) / 1000, 0);
}

/** The measure of a circuit with one conductor throughout. Least drop is least resistance: the thickest first. */
function valueAt(analysis: Analysis, circuit: CircuitAnalysis, conductor: ConductorSize, measure: Measure, prices: Prices): number {
  const metres = metresOf(analysis, circuit);
  const mm2 = areaMm2(conductor);
  if (measure === 'cost') return metres * (prices.perM + prices.perMm2M * mm2);
  return measure === 'weight' ? metres * mm2 * COPPER_KG : 1 / mm2;
}

function currentValue(analysis: Analysis, circuit: CircuitAnalysis, measure: Measure, prices: Prices): number {
  if (measure !== 'drop') return inMeasure(sized(analysis, circuit, prices), measure);
  return circuit.conductor ? 1 / areaMm2(circuit.conductor) : Infinity;
}

/** A circuit's own wires as they are. */
function sized(analysis: Analysis, circuit: CircuitAnalysis, prices: Prices): Sized {
  const { conductor, ratingA, dropPercent } = circuit;
  return { conductor, ratingA, dropPercent, ...cableOf(analysis, [...circuit.supplyWireIds, ...circuit.returnWireIds], prices) };
}

/** What some wires cost and the copper in them. */
export function cableOf({ wires }: Analysis, wireIds: Iterable<string>, { perM, perMm2M }: Prices): { cost: number; weightKg: number } {
  const sum = { cost: 0, weightKg: 0 };
  for (const id of wireIds) {
    const wire = wires.get(id)?.wire;
    if (!wire) continue;
    const metres = wire.lengthMm / 1000;
    sum.cost += metres * (perM + perMm2M * areaMm2(wire.conductor));
    sum.weightKg += metres * areaMm2(wire.conductor) * COPPER_KG;
  }
  return sum;
}

function setSizes(edit: Edit, searches: readonly Search[]): void {
  for (const { circuit, candidates, at } of searches) {
    const chosen = candidates[at];
    if (!chosen) continue;
    edit.set(circuit.protectionId, { ratingA: chosen.ratingA });
    for (const id of [...circuit.supplyWireIds, ...circuit.returnWireIds]) edit.set(id, { conductor: chosen.conductor });
  }
}

function changeFor(design: Design, searches: readonly Search[]): Change {
  const edit = new Edit(design);
  setSizes(edit, searches);
  return edit.change;
}
