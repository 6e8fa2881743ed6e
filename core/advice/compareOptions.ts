import { analyse } from '../analysis/analyse';
import type { Finding } from '../analysis/finding';
import { findSlowly } from '../analysis/rules/slowFindings';
import { solveDesign } from '../analysis/solved';
import type { Analysis, CircuitAnalysis } from '../analysis/types';
import { Bench } from '../bench/bench';
import { deviceHandles } from '../bench/handles';
import type { Input } from '../bench/inputs';
import { truthOf } from '../bench/truth';
import { recordsOf, type Design } from '../design/design';
import { designWith, optionsOf, touchedBy } from '../design/options';
import { DesignError, type Problem } from '../design/problems';
import type { Choice, Option } from '../design/schema';
import { boughtIn, partKey, partsList, type PartLine } from '../harness/partsList';
import { cutLots, harnessOf } from '../harness/schedule';
import { NetworkError } from '../network/networkError';
import { tasksOf } from '../plan/tasks';
import { coresIn } from './coresIn';
import { priceOfChange, type PriceOfChange } from './priceOfChange';
import { broughtBy } from './whatItBrings';

/** A circuit as one option has it. */
export interface CircuitThen extends Pick<CircuitAnalysis, 'id' | 'number' | 'name' | 'peakA' | 'ratingA' | 'conductor' | 'targetPercent'> {
  /** The larger of what its cables lose by formula and what is lost as wired, percent of the nominal voltage. */
  dropPercent: number;
}

/** What a load hangs on: what one moves that makes it come on or go off; null where there are too many ways to try. */
export interface HangsOn {
  loadId: string;
  inputs: Input[] | null;
}

/** What the design comes to with one option, all of it read off that design. */
export interface OptionFigures {
  after: Design;
  /** Against the option that stands. */
  price: PriceOfChange;
  parts: PartLine[];
  wires: number;
  wireMm: number;
  /** Wires from one place to another: cores to be pulled. */
  cores: number;
  /** Switches, buttons and the like; relays. */
  controls: number;
  relays: number;
  /** All its work with the hands, whatever is done of it, minutes. */
  workMinutes: number;
  circuits: CircuitThen[];
  dailyWh: number;
  runtimeH: number | null;
  /** Loads nobody has said any hours of: then a day is no less, the runtime no more. */
  withoutHours: number;
  /** Taken with everything at rest, A. */
  restA: number | null;
  hangsOn: HangsOn[];
  /** All that is wrong with it, against the option that stands; null where that was not asked. */
  findings: FindingsThen | null;
}

export interface FindingsThen {
  faults: number;
  cautions: number;
  /** Findings it has and the standing one has not, and how many it has fewer. */
  brought: Finding[];
  ended: number;
}

/** One option beside the others. */
export interface OptionCompared {
  option: Option;
  isStanding: boolean;
  /** Null where it no longer fits what was edited since. */
  figures: OptionFigures | null;
  problems: readonly Problem[];
}

/** Loads of which it is made out what they hang on. */
export const MOST_LOADS = 12;

/**
 * The options of a choice, each worked out as if it stood, the standing one first.
 * @param isWhole with all that can be found wrong of each, which takes some times as long
 * @param tell is told the share that is done
 */
export function compareOptions(
  analysis: Analysis,
  choice: Choice,
  isWhole: boolean,
  tell: (done: number) => void = () => {},
): OptionCompared[] {
  const { design } = analysis;
  const options = optionsOf(design, choice.id).sort((a, b) => Number(b.id === choice.standingId) - Number(a.id === choice.standingId));
  const touched = touchedBy(options);
  const foundNow = isWhole ? allFound(analysis) : null;
  return options.map((option, at) => {
    const isStanding = option.id === choice.standingId;
    try {
      const then = isStanding ? analysis : analyse(designWith(design, option));
      const found = foundNow && (isStanding ? foundNow : allFound(then));
      const figures = { ...figuresOf(analysis, then, touched), findings: found && against(foundNow, found) };
      tell((at + 1) / options.length);
      return { option, isStanding, figures, problems: [] };
    } catch (error) {
      if (!(error instanceof DesignError)) throw error;
      return { option, isStanding, figures: null, problems: error.problems };
    }
  });
}

function allFound(analysis: Analysis): Finding[] {
  return [...analysis.findings, ...findSlowly(analysis).found];
}

function against(now: readonly Finding[], then: readonly Finding[]): FindingsThen {
  const count = (severity: Finding['severity']) => then.filter((finding) => finding.severity === severity).length;
  return { faults: count('fault'), cautions: count('caution'), ...broughtBy(now, then) };
}

function figuresOf(now: Analysis, then: Analysis, touched: ReadonlySet<string>): Omit<OptionFigures, 'findings'> {
  const { design, index, wiring, totals } = then;
  const harness = harnessOf(index, wiring);
  const solved = solveDesign(then, { kind: 'allOn' });
  const drops = 'drops' in solved ? solved.drops : null;
  return {
    after: design,
    price: now === then ? { cost: 0, open: 0 } : priceOfChange(now, then),
    parts: partsList(index, harness, cutLots(harness, recordsOf(design, 'reel')), boughtIn(design)),
    wires: harness.wires.length,
    wireMm: harness.wires.reduce((sum, { lengthMm }) => sum + lengthMm, 0),
    cores: coresIn(index, index.wires),
    controls: new Set(deviceHandles(index).map(({ deviceId }) => deviceId)).size,
    relays: Array.from(index.devices.values()).filter(({ kind }) => kind === 'relay').length,
    workMinutes: tasksOf(design, index, harness, { isCold: false }).reduce((sum, { minutes }) => sum + minutes, 0),
    circuits: then.circuits.map(({ id, number, name, peakA, ratingA, conductor, targetPercent, dropPercent }) => ({
      ...{ id, number, name, peakA, ratingA, conductor, targetPercent },
      dropPercent: Math.max(dropPercent, drops?.get(id)?.dropPercent ?? 0),
    })),
    dailyWh: totals.dailyWh,
    runtimeH: totals.runtimeH,
    withoutHours: totals.withoutHours,
    restA: restA(then),
    hangsOn: hangsOn(then, touched),
  };
}

function restA({ index }: Analysis): number | null {
  try {
    return new Bench(index).answer.batteryA;
  } catch (error) {
    if (error instanceof NetworkError) return null;
    throw error;
  }
}

/** The loads of the circuits that an option changes something in. */
function hangsOn({ circuits, index, wiring }: Analysis, touched: ReadonlySet<string>): HangsOn[] {
  const isTouched = (circuit: CircuitAnalysis) =>
    [circuit.id, circuit.protectionId, ...circuit.loadIds, ...circuit.partIds, ...circuit.supplyWireIds, ...circuit.returnWireIds].some(
      (id) => touched.has(id),
    );
  const loadIds = circuits.filter(isTouched).flatMap((circuit) => circuit.loadIds);
  return loadIds.slice(0, MOST_LOADS).map((loadId) => {
    try {
      const truth = truthOf(index, wiring, loadId);
      return { loadId, inputs: 'inputs' in truth ? truth.inputs : null };
    } catch (error) {
      if (error instanceof NetworkError) return { loadId, inputs: null };
      throw error;
    }
  });
}

/**
 * What a line of the parts list is needed in, each of several lists by itself: pieces, or millimetres where it is sold by length. Lines
 * alike in all are left out.
 */
export function partsThatDiffer(lists: readonly (readonly PartLine[] | null)[]): { line: PartLine; counts: (number | null)[] }[] {
  const found = new Map<string, { line: PartLine; counts: (number | null)[] }>();
  for (const [at, list] of lists.entries()) {
    for (const line of list ?? []) {
      const key = partKey(line);
      const row = found.get(key) ?? { line, counts: lists.map((one) => (one ? 0 : null)) };
      row.counts[at] = (row.counts[at] ?? 0) + line.count;
      found.set(key, row);
    }
  }
  const counted = (counts: readonly (number | null)[]) => counts.filter((count) => count !== null);
  return Array.from(found.values()).filter(({ counts }) => new Set(counted(counts)).size > 1);
}
