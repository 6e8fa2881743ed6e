import { analyse } from '../analysis/analyse';
import { overWhenSolved } from '../analysis/solved';
import type { Analysis, CircuitAnalysis } from '../analysis/types';
import { areaMm2, type ConductorSize } from '../catalog/conductorSizes';
import { RATINGS_A } from '../catalog/fuses';
import { applyUnchecked, NO_CHANGE } from '../design/change';
import { between } from '../design/edit';
import { nameOf } from '../design/names';
import type { Protection } from '../design/schema';
import { findingKey, whereKey, type Finding } from '../analysis/finding';
import { HEADROOM } from '../switching/ownCircuit';
import { sizesLike } from '../sizing/conductorChoice';
import { leastFuseA } from '../sizing/fuse';
import { fuseLimitA } from '../sizing/fuseLimit';
import { cableOf, COPPER_KG, type Prices } from './prices';
import type { Measure, Proposal, ProposalQuestion, ProposedCircuit, Sized } from './proposal';
import {
  allButDrop,
  changeFor,
  countUsers,
  GOVERNED,
  governorBy,
  governorOf,
  isDrop,
  refusalBy,
  refuse,
  wiresOf,
  YELLOW_MM2,
  type Candidate,
  type Search,
} from './pairSearch';
import { LEFT, prepare, settleShared, SHARED_RULES, shrinkTrunks, type Done, type Prepared } from './prepare';

/**
 * One conductor size and one fuse for every circuit, least by the measure within every rule, as one change. Each circuit's pairs are tried
 * from the least up, all circuits at once, and the whole design is judged by its own rules each round: the first pair that breaks none is
 * the least, since circuits meet only in shared cables, put right before and after, and in the warmth of bundles, which the last round
 * judges again, for circuits that are not being sized too. A circuit that keeps every rule is changed only for something better, and what
 * would bring a fault that was not there is left alone and said so. `progress` is told how far it is and stops the work by returning false.
 */
export function propose(analysis: Analysis, question: ProposalQuestion, progress: (done: number) => boolean = () => true): Proposal | null {
  let most = 0;
  const onward = (done: number) => progress((most = Math.max(most, done)));
  let whole = sizeSoundly(analysis, question, onward);
  // What was put right for one circuit may have made room for another: asked again for as long as that mends something.
  for (let pass = 1; whole && pass < PASSES && whole.result.findings.some((finding) => mayMend(finding, question)); pass++) {
    const more = sizeSoundly(whole.result, question, onward);
    if (!more) return null;
    if (faultCount(more.result) >= faultCount(whole.result)) break;
    whole = joined(analysis, whole, more);
  }
  return whole && whole.proposal;
}

/** Times a proposal is asked again on its own result. */
const PASSES = 4;

function faultCount({ findings }: Analysis): number {
  return findings.filter(({ severity }) => severity === 'fault').length;
}

/** Whether a fault is one that sizes, a slot or a thicker shared cable answer for, in what was asked about. */
function mayMend({ rule, severity, circuitId }: Finding, { circuitIds }: ProposalQuestion): boolean {
  if (severity !== 'fault' || !(rule in GOVERNED || SHARED_RULES.has(rule) || rule === 'fuse.notFed')) return false;
  return circuitIds === null || (circuitId !== null && circuitIds.includes(circuitId));
}

/** Two proposals one after the other, as one. */
function joined(analysis: Analysis, one: Sound, two: Sound): Sound {
  const firstOf = new Map(one.proposal.circuits.map((entry) => [entry.circuitId, entry]));
  const isLeft = ({ did }: Done) => did.startsWith(LEFT);
  const proposal: Proposal = {
    change: between(analysis.design, two.result.design),
    circuits: two.proposal.circuits.map((entry) => ({ ...entry, before: firstOf.get(entry.circuitId)?.before ?? entry.before })),
    first: [...one.proposal.first.filter((done) => !isLeft(done)), ...two.proposal.first],
    before: one.proposal.before,
    after: two.proposal.after,
  };
  return { proposal, result: two.result };
}

type Sound = Pick<Attempt, 'proposal' | 'result'>;

/** Sizes that bring no fault: what does is left alone. */
function sizeSoundly(analysis: Analysis, question: ProposalQuestion, progress: (done: number) => boolean): Sound | null {
  const leave = new Set<string>();
  for (;;) {
    const attempt = sizeAll(analysis, question, leave, progress);
    if (!attempt) return null;
    const brought = faultsBrought(analysis, attempt.result);
    if (brought.length === 0) return attempt;
    const culprit = culpritOf(brought, attempt, leave);
    if (culprit === null) return { proposal: nothingToDo(analysis), result: analysis };
    leave.add(culprit);
  }
}

interface Attempt {
  proposal: Proposal;
  /** The design with it taken. */
  result: Analysis;
  touched: Prepared['touched'];
}

/** Faults that were not there before, by rule and by circuit or record. */
function faultsBrought(before: Analysis, after: Analysis): Finding[] {
  const isFault = ({ severity }: Finding) => severity === 'fault';
  const known = new Set(before.findings.filter(isFault).map(whereKey));
  return after.findings.filter((finding) => isFault(finding) && !known.has(whereKey(finding)));
}

/**
 * What was given something and brought a fault with it: the circuit that has it, or where all share it the largest one not left alone yet.
 */
function culpritOf(brought: readonly Finding[], { result, touched }: Attempt, leave: ReadonlySet<string>): string | null {
  for (const { circuitId } of brought) {
    const own = touched.get(circuitId ?? '');
    if (own !== undefined) return own;
  }
  const open = result.circuits.filter(({ id }) => touched.has(id) && !leave.has(touched.get(id)!));
  const largest = open.reduce<CircuitAnalysis | null>((most, next) => (most && most.peakA >= next.peakA ? most : next), null);
  return largest && touched.get(largest.id)!;
}

/** The design as it is: no change found keeps every rule it keeps now. */
function nothingToDo({ index }: Analysis): Proposal {
  const did = `${LEFT} as it is: no sizes found that keep every rule kept now`;
  return {
    change: NO_CHANGE,
    circuits: [],
    first: [{ name: index.settings.name, did }],
    before: 0,
    after: 0,
  };
}

function sizeAll(
  analysis: Analysis,
  { circuitIds, measure, prices }: ProposalQuestion,
  leave: ReadonlySet<string>,
  progress: (done: number) => boolean,
): Attempt | null {
  const { start, done, touched } = prepare(analysis, circuitIds, leave);
  const wanted = start.circuits.filter(({ id, worstLoadId }) => worstLoadId !== null && (circuitIds === null || circuitIds.includes(id)));
  const overBefore = overWhenSolved(start);
  const valueOf = (circuit: CircuitAnalysis, conductor: ConductorSize) => valueAt(start, circuit, conductor, measure, prices);
  const users = countUsers(wanted);
  const searches = wanted.map((circuit): Search => {
    const entwined = wiresOf(circuit).some((id) => users.get(id)! > 1);
    const keepsRules = findingsOf(start, circuit.id).length === 0;
    const asItIs = keepsRules && !overBefore.has(circuit.id) ? currentValue(start, circuit, measure, prices) : null;
    const candidates = candidatesOf(start, circuit, measure)
      .map(({ conductor, ratingA }) => ({ conductor, ratingA, value: valueOf(circuit, conductor) }))
      .filter(({ value }) => asItIs === null || value < asItIs - 1e-9)
      .sort(
        (a, b) =>
          a.value - b.value || Number(b.ratingA === circuit.ratingA) - Number(a.ratingA === circuit.ratingA) || a.ratingA - b.ratingA,
      );
    const untried = { at: 0, passedOver: new Set<number>(), refused: new Map(), onlyDrop: [], byFormula: null };
    return { circuit, candidates, entwined, ...untried, keepsRules, asItIs };
  });
  const neighbours = neighbourWatch(
    start,
    searches.map(({ circuit }) => circuit.id),
    circuitIds === null,
  );
  const rounds = Math.max(1, ...searches.map(({ candidates }) => candidates.length));
  let tried = start;
  for (let round = 0; ; round++) {
    if (!progress(Math.min(0.99, round / rounds))) return null;
    tried = analyse(applyUnchecked(start.design, changeFor(start.design, searches)), tried);
    const running = searches.filter(({ at, candidates }) => at < candidates.length);
    const own = running.flatMap((search) => {
      const broken = findingsOf(tried, search.circuit.id);
      if (broken.length === 0) return [];
      if (broken.every(isDrop)) search.onlyDrop.push(search.at);
      return [{ search, ...refusalBy(broken, search.entwined) }];
    });
    // Once every circuit keeps its own rules, none may cost a neighbour its.
    const [harm] = own.length === 0 ? neighbours(tried) : [];
    const refused = harm ? running.map((search) => ({ search, governor: governorBy(harm), also: 'none' as const })) : own;
    for (const { search, governor, also } of refused) refuse(search, governor, also);
    if (refused.length > 0) continue;
    // The formula is content; fuses, contacts and joints lose their share as well.
    const over = overWhenSolved(tried);
    const lossy = running.filter(({ circuit }) => over.has(circuit.id));
    for (const search of lossy) {
      search.byFormula ??= search.at;
      refuse(search, 'drop', 'all');
      // Thicker wires of its own take away their own part alone; least drop began with the thickest.
      const { cableDropV, sharedDropV, targetPercent } = tried.circuits.find(({ id }) => id === search.circuit.id)!;
      const elsewhereV = over.get(search.circuit.id)! - (cableDropV - sharedDropV);
      if (measure === 'drop' || elsewhereV > (targetPercent / 100) * start.index.settings.nominalV) search.at = search.candidates.length;
    }
    if (lossy.length === 0) break;
  }
  const exhausted = searches.filter(({ at, candidates }) => at >= candidates.length);
  for (const search of exhausted.filter(({ keepsRules }) => !keepsRules))
    search.at = search.byFormula ?? allButDrop(search, findingsOf(start, search.circuit.id)) ?? search.at;
  if (exhausted.some(({ at, candidates }) => at < candidates.length)) {
    const safe = analyse(applyUnchecked(start.design, changeFor(start.design, searches)), tried);
    if (neighbours(safe).length === 0) tried = safe;
    else for (const search of exhausted) search.at = search.candidates.length;
  }
  const { result, more } = circuitIds === null ? settled(tried, measure) : { result: tried, more: [] };
  const circuits = searches.map((search): ProposedCircuit => {
    const after = result.circuits.find(({ id }) => id === search.circuit.id)!;
    const unchanged = exhausted.includes(search);
    return {
      circuitId: search.circuit.id,
      name: nameOf(start.design, search.circuit.id),
      before: sized(start, search.circuit, prices),
      after: sized(result, after, prices),
      governedBy: unchanged && search.asItIs !== null ? 'asItIs' : governorOf(search),
      stuck: unchanged && search.asItIs === null,
    };
  });
  const sum = (side: 'before' | 'after') => circuits.reduce((total, entry) => total + inMeasure(entry[side], measure), 0);
  const change = between(analysis.design, result.design);
  return { proposal: { change, circuits, first: [...done, ...more], before: sum('before'), after: sum('after') }, result, touched };
}

/** What circuits share put right for the fuses they have now, and trunks brought down to what they carry. */
function settled(tried: Analysis, measure: Measure): { result: Analysis; more: Done[] } {
  const shared = settleShared(tried);
  const trunks = measure === 'drop' ? { analysis: shared.analysis, done: [] } : shrinkTrunks(shared.analysis);
  return { result: trunks.analysis, more: [...shared.done, ...trunks.done] };
}

function inMeasure({ cost, weightKg, dropPercent }: Sized, measure: Measure): number {
  return measure === 'cost' ? cost : measure === 'weight' ? weightKg : dropPercent;
}

/** The rules a circuit breaks that its conductor and fuse can answer for. */
export function findingsOf({ findings }: Analysis, circuitId: string): Finding[] {
  return findings.filter((finding) => finding.circuitId === circuitId && finding.severity !== 'note' && finding.rule in GOVERNED);
}

/**
 * Looks for rules that circuits beside those being sized, and what all share, keep now and would break: a thinner wire counts as loaded
 * sooner and warms a whole bundle. What all share may be left out where it is put right afterwards.
 */
export function neighbourWatch(start: Analysis, circuitIds: readonly string[], sharedLater = false): (tried: Analysis) => Finding[] {
  const own = new Set(circuitIds);
  const isWatched = ({ circuitId, severity, rule }: Finding) => {
    if (severity === 'note' || !(rule in GOVERNED)) return false;
    return circuitId === null ? !(sharedLater && SHARED_RULES.has(rule)) : !own.has(circuitId);
  };
  const beside = ({ findings }: Analysis) => findings.filter(isWatched);
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
  const mostMm2 = measure === 'drop' && circuit.choice ? Math.max(YELLOW_MM2, least) * 1.001 : Infinity;
  return sizesLike(settings.conductorStandard, circuit.conductor ?? 'mm2:1')
    .filter((size) => areaMm2(size) <= mostMm2)
    .flatMap((conductor) => ratings.map((ratingA) => ({ conductor, ratingA })));
}

function metresOf({ wires }: Analysis, circuit: CircuitAnalysis): number {
  return wiresOf(circuit).reduce((sum, id) => sum + (wires.get(id)?.wire.lengthMm ?? 0) / 1000, 0);
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
  return { conductor, ratingA, dropPercent, ...cableOf(analysis, wiresOf(circuit), prices) };
}
