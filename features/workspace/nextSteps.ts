import type { Analysis, CircuitAnalysis } from '@/core/analysis/types';
import { recordsOf, type Design } from '@/core/design/design';
import type { Wire } from '@/core/design/schema';
import type { DesignView } from '@/core/design/asBuilt';
import { STAGES, type StageId } from './stages';

const TRY_IT = 'flick it and see';
const READ_IT = 'read and compare';

/**
 * What is to be done first on each stage that has not been begun or is not done, in a few words; the first of them in the order of need is
 * what to do next. As it is now nothing is to be designed: a stage says at most that nothing is there.
 */
export function nextSteps(
  { design, index, loads, circuits, blocks, scenario, totals }: Analysis,
  view: DesignView = 'planned',
): {
  of: Partial<Record<StageId, string>>;
  next: StageId | null;
} {
  if (view === 'now') {
    const isEmpty = index.devices.size === 0;
    const unmarked = harnessStep(index.wires);
    const unread = readingStep(design, circuits);
    const there = { switching: TRY_IT, ...(unmarked && { harness: unmarked }), ...(unread && { test: unread }) };
    return { of: isEmpty ? Object.fromEntries(STAGES.map(({ id }) => [id, 'nothing there yet'])) : there, next: null };
  }
  const all = Array.from(loads.values());
  const bare = all.filter(({ circuitId }) => circuitId === null).length;
  const used = new Set(index.duties.filter(({ scenarioId }) => scenarioId === scenario?.id).map(({ loadId }) => loadId));
  const charges = Array.from(index.devices.values()).some(({ kind }) => CHARGING.has(kind));
  const of: Partial<Record<StageId, string>> = {};
  if (all.length === 0) of.loads = 'list what draws current';
  else if (used.size === 0) of.loads = 'say when they run';
  if (!index.battery) of.supply = 'put in a battery';
  else if (blocks.length === 0) of.supply = 'add a fuse block';
  else if (!charges) of.supply = 'add what charges';
  if (all.length > 0 && bare === all.length) of.circuits = 'give the loads circuits';
  else if (bare > 0) of.circuits = `${bare} ${bare === 1 ? 'load has' : 'loads have'} none`;
  else if (circuits.length === 0) of.circuits = 'come from the loads';
  if (!index.battery) of.energy = 'needs a battery';
  else if (used.size === 0) of.energy = 'needs hours of use';
  else if (totals.withoutHours > 0) of.energy = `${totals.withoutHours} ${totals.withoutHours === 1 ? 'load has' : 'loads have'} no hours`;
  // Nothing is checked there yet that a person has not flicked.
  of.switching = index.battery && circuits.length > 0 ? TRY_IT : 'needs circuits';
  of.harness = circuits.length === 0 ? 'needs circuits' : harnessStep(index.wires);
  if (of.harness === '') delete of.harness;
  of.test = index.battery && circuits.length > 0 ? readingStep(design, circuits) : 'needs circuits';
  if (of.test === '') delete of.test;
  if (!index.rig && index.places.length === 0) of.rig = 'lay out the vehicle';
  const next =
    IN_ORDER.find((stage) => of[stage] !== undefined && !(stage === 'supply' && of.supply === 'add what charges' && bare > 0)) ?? null;
  return { of, next };
}

/** What is left to read; empty where every circuit was read at work and ticked. */
function readingStep(design: Design, circuits: readonly CircuitAnalysis[]): string {
  const done = new Set(recordsOf(design, 'doneTask').map(({ task }) => task));
  const working = circuits.filter(({ fed, loadIds }) => fed && loadIds.length > 0);
  const left = working.filter(({ id }) => !done.has(`test ${id}`)).length;
  if (left === working.length) return READ_IT;
  return left === 0 ? '' : `${left} ${left === 1 ? 'circuit' : 'circuits'} to read`;
}

/** What is left to mark on the wires; empty where nothing is. */
function harnessStep(wires: readonly Wire[]): string {
  // A core has its cable's colour, and what comes in a kit whatever colour it comes in.
  const bare = wires.filter(({ colour, core, kitId }) => !colour && !core && !kitId).length;
  const unnumbered = wires.filter(({ number }) => !number).length;
  if (bare === wires.length && unnumbered === wires.length) return 'mark the wires';
  return bare + unnumbered === 0 ? '' : `${Math.max(bare, unnumbered)} wires to mark`;
}

const CHARGING: ReadonlySet<string> = new Set(['solarPanel', 'charger', 'dcDcCharger', 'splitRelay', 'alternator']);
/** What stands on what: loads need a supply to hang on, and the vehicle can be laid out at any time. */
const IN_ORDER: readonly StageId[] = ['loads', 'supply', 'circuits', 'rig'];
