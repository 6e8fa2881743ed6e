import {
  MOST_LOADS,
  partsThatDiffer,
  type CircuitThen,
  type FindingsThen,
  type OptionCompared,
  type OptionFigures,
} from '../advice/compareOptions';
import type { UnitSystem } from '../catalog/vocabulary';
import { dayWords, runtimeWords } from '../wording/energyWords';
import { nameOf } from '../design/names';
import { makeDesign, recordOf, type Design } from '../design/design';
import type { Problem } from '../design/problems';
import type { Option } from '../design/schema';
import {
  formatAmpHours,
  formatAmps,
  formatConductor,
  formatLength,
  formatNumber,
  formatPercent,
  formatRating,
  MISSING,
} from '../units/quantity';
import { partWords } from '../wording/harnessWords';
import { moverName } from '../wording/wishWords';
import { wordFinding } from '../wording/wording';
import { priceWords } from './priceWords';

/** Options beside each other in words, a cell each: for the screen and for paper. */
export interface OptionsRow {
  name: string;
  cells: string[];
}

export interface OptionsGroup {
  title: string;
  rows: OptionsRow[];
  /** What of it is not there. */
  more?: string;
}

const HOURS = 24;

/**
 * What tells options apart. Circuits, loads and parts that are alike in all of them are left out; an option that does not fit has no
 * figures.
 */
export function optionsTable(compared: readonly OptionCompared[], units: UnitSystem, currency: string): OptionsGroup[] {
  const row = (name: string, cell: (figures: OptionFigures, one: OptionCompared) => string): OptionsRow => ({
    name,
    cells: compared.map((one) => (one.figures ? cell(one.figures, one) : MISSING)),
  });
  const isJudged = compared.some(({ figures }) => figures?.findings);
  const found = (name: string, cell: (findings: FindingsThen, figures: OptionFigures) => string) =>
    row(name, (figures) => (figures.findings ? cell(figures.findings, figures) : MISSING));
  const judgedRows = [
    found('Open findings', ({ faults, cautions }) => `${counted(faults, 'fault')}, ${counted(cautions, 'caution')}`),
    found('It brings', ({ brought }, { after }) => broughtWords(brought.map((finding) => wordFinding(finding, after, units).title))),
    found('It ends', ({ ended }) => counted(ended, 'finding')),
  ];
  const whole: OptionsRow[] = [
    row('Parts cost', ({ price }, { isStanding }) =>
      isStanding ? 'as now' : `${price.cost > 0 ? '+' : ''}${priceWords(price, currency)}`,
    ),
    row('Wires', ({ wires, wireMm }) => `${wires}, ${formatLength(wireMm, units)}`),
    row('Cores from place to place', ({ cores }) => String(cores)),
    row('Switches and other controls', ({ controls }) => String(controls)),
    row('Relays', ({ relays }) => String(relays)),
    row('Work with the hands', ({ workMinutes }) => `${formatNumber(workMinutes / 60, 1)} h`),
    row('Worst drop', ({ circuits }) => worstWords(circuits)),
    row('A day', ({ dailyWh, withoutHours }) => dayWords(dailyWh, withoutHours)),
    row('Runtime', ({ runtimeH, withoutHours }) => runtimeWords(runtimeH, withoutHours)),
    row('Flows with all at rest', ({ restA }) =>
      restA === null ? 'not known: the wiring has no answer' : `${formatAmps(restA)}, ${formatAmpHours(restA * HOURS)} a day`,
    ),
    ...(isJudged ? judgedRows : []),
  ];
  return [
    { title: 'The whole design', rows: whole },
    { title: 'Circuits that differ', rows: rowsThatDiffer(circuitRows(compared)) },
    { title: 'What loads hang on', rows: rowsThatDiffer(hangRows(compared)), ...manyLoads(compared) },
    { title: 'Parts that differ', rows: partRows(compared, units) },
  ].filter(({ rows, more }) => rows.length > 0 || more !== undefined);
}

function worstWords(circuits: readonly CircuitThen[]): string {
  const worst = circuits.reduce<CircuitThen | null>(
    (most, one) => (most && most.dropPercent / most.targetPercent >= one.dropPercent / one.targetPercent ? most : one),
    null,
  );
  return worst ? `${formatPercent(worst.dropPercent)} in ${circuitName(worst)}` : MISSING;
}

function counted(count: number, what: string): string {
  return `${count === 0 ? 'no' : count} ${what}${count === 1 ? '' : 's'}`;
}

function broughtWords(titles: readonly string[]): string {
  return titles.length === 0 ? 'nothing' : Array.from(new Set(titles)).join('; ');
}

const circuitName = ({ number, name }: CircuitThen) => `${String(number).padStart(2, '0')} ${name}`;

function circuitRows(compared: readonly OptionCompared[]): OptionsRow[] {
  const all = new Map(compared.flatMap(({ figures }) => figures?.circuits ?? []).map((circuit) => [circuit.id, circuit]));
  return Array.from(all.values())
    .sort((a, b) => a.number - b.number)
    .map((circuit) => ({
      name: circuitName(circuit),
      cells: compared.map(({ figures }) => {
        const then = figures?.circuits.find(({ id }) => id === circuit.id);
        if (!then) return figures ? 'is not there' : MISSING;
        const drop = `drop ${formatPercent(then.dropPercent)} of ${formatPercent(then.targetPercent)}`;
        return `${formatAmps(then.peakA)}, fuse ${formatRating(then.ratingA)}, ${formatConductor(then.conductor)}, ${drop}`;
      }),
    }));
}

function hangRows(compared: readonly OptionCompared[]): OptionsRow[] {
  const loadIds = new Set(compared.flatMap(({ figures }) => figures?.hangsOn ?? []).map(({ loadId }) => loadId));
  return Array.from(loadIds, (loadId) => ({
    name: firstName(compared, loadId),
    cells: compared.map(({ figures }) => {
      const then = figures?.hangsOn.find((one) => one.loadId === loadId);
      if (!figures || !then) return MISSING;
      if (then.inputs === null) return 'not known: too many ways to try';
      return then.inputs.length === 0 ? 'nothing one moves' : then.inputs.map((input) => moverName(figures.after, input)).join('; ');
    }),
  }));
}

function firstName(compared: readonly OptionCompared[], id: string): string {
  const has: Design | undefined = compared.find(({ figures }) => figures?.after.records.has(id))?.figures?.after;
  return has ? nameOf(has, id) : id;
}

function manyLoads(compared: readonly OptionCompared[]): { more?: string } {
  return compared.some(({ figures }) => figures?.hangsOn.length === MOST_LOADS)
    ? { more: `Of ${MOST_LOADS} loads at most; Switching has the tables of all.` }
    : {};
}

function partRows(compared: readonly OptionCompared[], units: UnitSystem): OptionsRow[] {
  return partsThatDiffer(compared.map(({ figures }) => figures?.parts ?? null)).map(({ line, counts }) => ({
    name: partWords(line, units).what,
    cells: counts.map((count) => {
      if (count === null) return MISSING;
      return count === 0 ? 'none' : partWords({ ...line, count }, units).count;
    }),
  }));
}

/** Why an option no longer fits what was edited since it was kept, and what to do. */
export function misfitWords(design: Design, { way }: Option, problems: readonly Problem[]): string {
  const named = makeDesign([...(way?.removed ?? []), ...(way?.added ?? []), ...design.records.values()]);
  const isKnown = (id: string) => named.records.has(id);
  const called = (id: string) => {
    const wire = recordOf(named, id, 'wire');
    const ends = wire ? [wire.from.deviceId, wire.to.deviceId].filter(isKnown) : [];
    return wire && ends.length < 2 ? `a wire of ${ends.map((end) => nameOf(named, end)).join() || 'something gone'}` : nameOf(named, id);
  };
  const reasons = problems.slice(0, 3).map(({ code, id, other }) => {
    if (code !== 'danglingReference' || other === undefined) return called(id);
    return `${called(id)} hangs on ${isKnown(other) ? called(other) : 'what is no longer there'}`;
  });
  return `It no longer fits what was edited since: ${Array.from(new Set(reasons)).join('; ')}. Undo that, or take this option away and build it anew.`;
}

/** Rows in which not all options say the same; one without figures says nothing. */
export function rowsThatDiffer(rows: readonly OptionsRow[]): OptionsRow[] {
  return rows.filter(({ cells }) => new Set(cells.filter((cell) => cell !== MISSING)).size > 1);
}
