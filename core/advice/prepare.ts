import { analyse, figuresOf } from '../analysis/analyse';
import { overWhenSolved } from '../analysis/solved';
import type { Analysis, CircuitAnalysis, RunStep } from '../analysis/types';
import { areaMm2, type ConductorSize } from '../catalog/conductorSizes';
import { RATINGS_A } from '../catalog/fuses';
import { applyUnchecked, isEmpty, updateRecords } from '../design/change';
import { Edit } from '../design/edit';
import { nameOf } from '../design/names';
import type { Protection } from '../design/schema';
import type { ConductorStandard } from '../catalog/vocabulary';
import { remediesFor } from './remedies';
import { findingKey, type Finding, type Rule } from '../analysis/finding';
import { fuseAtBar, nearestSlot, whereIs } from '../switching/fuseBerth';
import { HEADROOM, ownCircuit } from '../switching/ownCircuit';
import { addCircuit, moveFuseToBar } from '../switching/schemes';
import { formatConductor, formatRating } from '../units/quantity';
import { sizesLike } from '../sizing/conductorChoice';
import { leastFuseA } from '../sizing/fuse';
import { slotRoomA } from '../sizing/fuseLimit';

/** Something done before or after circuits are sized: to what, and what. */
export interface Done {
  name: string;
  did: string;
}

/** How what was left alone is told of. */
export const LEFT = 'left';

/** A design ready for its circuits to be sized. */
export interface Prepared {
  start: Analysis;
  done: Done[];
  /** Circuits and loads that were given something, by the id a later fault names: what to leave alone when it turns out to bring one. */
  touched: Map<string, string>;
}

/** Rules about what circuits share that a thicker cable or a larger main answers for. */
export const SHARED_RULES = new Set<Rule>([
  'main.missing',
  'main.belowDemand',
  'fuse.feederBelow',
  'drop.feedShare',
  'wire.overloaded',
  'wire.tooSmallForStandard',
  'fuse.aboveConductor',
  'return.sharedThin',
  'lead.belowFuses',
  'fuse.cannotBreak',
]);

/** Rounds of shared cables and feeders put right: each may ask for the next one out. */
const ROUNDS = 24;

/**
 * What must stand before circuits can be sized. Fuses that nothing feeds get the nearest slot that takes them; a circuit no slot can fuse
 * gets its fuse beside the bar. For a whole design every load without a circuit gets one of its own, and what circuits share is put right.
 * What is to be left alone is named by record.
 */
export function prepare(analysis: Analysis, circuitIds: readonly string[] | null, leave: ReadonlySet<string>): Prepared {
  const edit = new Edit(analysis.design);
  const done: Done[] = [];
  const touched = new Map<string, string>();
  for (const circuit of analysis.circuits) {
    if (leave.has(circuit.id) || (circuitIds !== null && !circuitIds.includes(circuit.id))) continue;
    const did = giveBerth(edit, analysis, circuit);
    if (did === null) continue;
    touched.set(circuit.id, circuit.id);
    done.push({ name: nameOf(edit.design, circuit.id), did });
  }
  for (const { id, load, circuitId } of circuitIds === null ? analysis.loads.values() : []) {
    if (circuitId !== null) continue;
    const scheme = leave.has(id) ? null : ownCircuit(edit.design, load);
    if (!scheme) {
      done.push({ name: load.name, did: `${LEFT} without a circuit: nothing here can feed it within every rule` });
      continue;
    }
    touched.set(addCircuit(edit, scheme).id, id);
    done.push({ name: load.name, did: scheme.atBar ? 'a circuit of its own, fused beside the bar' : 'a circuit of its own' });
  }
  const start = isEmpty(edit.change) ? analysis : analyse(edit.design, analysis);
  if (circuitIds !== null) return { start, done, touched };
  const settled = settleShared(start);
  const trunks = growTrunks(settled.analysis);
  return { start: trunks.analysis, done: [...done, ...settled.done, ...trunks.done], touched };
}

/**
 * A slot for a fuse that nothing feeds, a place beside the bar for one that no slot takes; null where it is well placed, or nowhere better
 * is.
 */
function giveBerth(edit: Edit, { index }: Analysis, circuit: Analysis['circuits'][number]): string | null {
  const { protectionId, fed, block, continuousA, peakA } = circuit;
  const fuse = index.devices.get(protectionId) as Protection;
  const leastA = Math.max(leastFuseA(continuousA, peakA), peakA * HEADROOM);
  const near = whereIs(index, circuit.worstLoadId ?? protectionId);
  const outgrown = block !== null && leastA > slotRoomA(index, fuse);
  if (!outgrown && (fed || block !== null)) return null;
  const blade = RATINGS_A.blade.find((rating) => rating >= Math.max(leastA, outgrown ? 0 : fuse.ratingA));
  const mount = blade === undefined || (fuse.family !== 'blade' && !outgrown) ? null : nearestSlot(edit.design, near, blade);
  if (mount) {
    edit.set(protectionId, { mount, family: 'blade', ratingA: outgrown ? blade! : fuse.ratingA });
    return `its fuse in slot ${mount.slot} of ${nameOf(edit.design, mount.blockId)}`;
  }
  const atBar = fuseAtBar(edit.design, near, leastA);
  const ratingA = atBar && RATINGS_A[atBar.family].find((rating) => rating >= leastA);
  if (!atBar || !ratingA || !circuit.conductor) return null;
  moveFuseToBar(edit, protectionId, atBar, ratingA, circuit.conductor);
  return `a fuse of its own beside ${nameOf(edit.design, atBar.feedFrom.deviceId)}, since no slot takes it`;
}

/** Shared cables, feeders and the main protection put right, the outermost first; what one remedy asks for next is put right too. */
export function settleShared(start: Analysis): { analysis: Analysis; done: Done[] } {
  let analysis = start;
  const done: Done[] = [];
  const tried = new Set<string>();
  for (let round = 0; round < ROUNDS; round++) {
    const [step] = analysis.findings
      .filter(({ rule, circuitId, severity }) => circuitId === null && severity !== 'note' && SHARED_RULES.has(rule))
      .flatMap((finding) => remediesFor(analysis, finding).map((remedy) => ({ finding, remedy })))
      .filter(({ finding, remedy }) => !tried.has(`${findingKey(finding)} ${remedy.label}`));
    if (!step) break;
    tried.add(`${findingKey(step.finding)} ${step.remedy.label}`);
    done.push({ name: nameOf(analysis.design, step.finding.subjects[0]), did: step.remedy.label });
    analysis = analyse(applyUnchecked(analysis.design, step.remedy.change), analysis);
  }
  return { analysis, done };
}

/**
 * Share of what a circuit may lose that its shared cables may take before they are what holds it back. Common practice, as for the main
 * cables.
 */
const SHARED_PART = 0.5;
/** Steps of one cable by one size. */
const TRUNK_ROUNDS = 80;

/**
 * Shared cables grown, size by size where most is lost, for circuits that no size of their own wires can keep within their drop because too
 * much of it is lost before they begin.
 */
export function growTrunks(start: Analysis): { analysis: Analysis; done: Done[] } {
  let grown = start;
  for (const { id } of start.circuits) grown = grownFor(grown, id) ?? grown;
  if (grown === start) return { analysis: start, done: [] };
  const analysis = analyse(grown.design, grown);
  const done = start.index.wires.flatMap(({ id, conductor }) => {
    const now = analysis.wires.get(id)?.wire.conductor;
    return now === undefined || now === conductor ? [] : [{ name: nameOf(start.design, id), did: `Use ${formatConductor(now)}` }];
  });
  return { analysis, done };
}

/**
 * The shared cables of one circuit grown until some size of its own does, figures alone; null where none comes to do, or one does already.
 */
function grownFor(start: Analysis, circuitId: string): Analysis | null {
  const { nominalV, conductorStandard } = start.index.settings;
  const thickestLike = (conductor: ConductorSize) => sizesLike(conductorStandard, conductor).at(-1)!;
  let analysis = start;
  for (let round = 0; round < TRUNK_ROUNDS; round++) {
    const circuit = analysis.circuits.find(({ id }) => id === circuitId)!;
    const { choice, worstLoadId, sharedDropV, targetPercent } = circuit;
    if (choice !== null) return round === 0 ? null : analysis;
    if (worstLoadId === null || sharedDropV <= (SHARED_PART * targetPercent * nominalV) / 100) return null;
    const shared = sharedCables(circuit);
    // What the thickest there are would not do for, no thinner ones do.
    if (round === 0 && !hasChoice(withSizes(analysis, shared, thickestLike), circuitId)) return null;
    const next = shared.find(({ conductor }) => thickerThan(conductor, conductorStandard));
    if (!next) return null;
    analysis = withSizes(analysis, [next], (conductor) => thickerThan(conductor, conductorStandard)!);
  }
  return null;
}

type SharedCable = Extract<RunStep, { kind: 'wire' }>;

/** Cables it shares with others, where most is lost first. */
function sharedCables({ supplyRun, returnRun }: CircuitAnalysis): SharedCable[] {
  return [...supplyRun, ...returnRun]
    .flatMap((step) => (step.kind === 'wire' && step.shared ? [step] : []))
    .sort((a, b) => b.dropV - a.dropV);
}

function thickerThan(conductor: ConductorSize, standard: ConductorStandard): ConductorSize | undefined {
  return sizesLike(standard, conductor).find((size) => areaMm2(size) > areaMm2(conductor));
}

function withSizes(analysis: Analysis, cables: readonly SharedCable[], sizeFor: (now: ConductorSize) => ConductorSize): Analysis {
  const sizes = new Map(cables.map(({ wireId, conductor }) => [wireId, sizeFor(conductor)]));
  const sets = Array.from(sizes, ([id, conductor]) => ({ id, set: { conductor } }));
  return figuresOf(applyUnchecked(analysis.design, updateRecords(analysis.design, sets)), analysis);
}

const hasChoice = ({ circuits }: Analysis, circuitId: string) => circuits.find(({ id }) => id === circuitId)!.choice !== null;

/**
 * Feeders behind the main protection brought down to what they carry now: the smallest fuse that suits it and the thinnest cable, out and
 * back, with which the design breaks no rule it kept. For when what a trunk was made for has gone elsewhere.
 */
export function shrinkTrunks(start: Analysis): { analysis: Analysis; done: Done[] } {
  let analysis = start;
  const done: Done[] = [];
  for (const { id, circuitId, withinId } of start.protections.values()) {
    if (circuitId !== null || withinId !== null || id === start.main?.protectionId) continue;
    const smaller = shrunk(analysis, id);
    if (!smaller) continue;
    done.push({ name: nameOf(start.design, id), did: smaller.did });
    analysis = smaller.analysis;
  }
  return { analysis, done };
}

function shrunk(analysis: Analysis, protectionId: string): { analysis: Analysis; did: string } | null {
  const { fuse, continuousA, peakA } = analysis.protections.get(protectionId)!;
  const trunk = Array.from(analysis.wires.values()).filter((entry) => entry.circuitId === null && entry.protectionId === protectionId);
  const [first] = trunk;
  if (!first || peakA === 0) return null;
  const known = new Set(openKeys(analysis.findings));
  const lossy = overWhenSolved(analysis);
  const leastA = Math.max(leastFuseA(continuousA, peakA), peakA * HEADROOM);
  const ratings = RATINGS_A[fuse.family].filter((rating) => rating >= leastA && rating <= fuse.ratingA);
  const thickest = Math.max(...trunk.map(({ wire }) => areaMm2(wire.conductor)));
  const sizes = sizesLike(analysis.index.settings.conductorStandard, first.wire.conductor).filter((size) => areaMm2(size) <= thickest);
  for (const conductor of sizes) {
    for (const ratingA of ratings) {
      const thinner = trunk.filter(({ wire }) => areaMm2(wire.conductor) > areaMm2(conductor));
      if (thinner.length === 0) return null;
      const sets = [{ id: fuse.id, set: { ratingA } }, ...thinner.map(({ wire }) => ({ id: wire.id, set: { conductor } }))];
      const tried = analyse(applyUnchecked(analysis.design, updateRecords(analysis.design, sets)), analysis);
      if (openKeys(tried.findings).every((key) => known.has(key)) && Array.from(overWhenSolved(tried).keys()).every((id) => lossy.has(id)))
        return { analysis: tried, did: `${formatConductor(conductor)} and ${formatRating(ratingA)}, as much as it carries now` };
    }
  }
  return null;
}

function openKeys(findings: readonly Finding[]): string[] {
  return findings.filter(({ severity }) => severity !== 'note').map(findingKey);
}
