import { MOST_LOADS, partsThatDiffer, type CircuitThen, type OptionCompared, type OptionFigures } from '../advice/compareOptions';
import type { UnitSystem } from '../catalog/vocabulary';
import { nameOf } from '../design/names';
import { makeDesign, type Design } from '../design/design';
import type { Problem } from '../design/problems';
import type { Option } from '../design/schema';
import {
  formatAmpHours,
  formatAmps,
  formatConductor,
  formatHours,
  formatLength,
  formatPercent,
  formatRating,
  formatWattHours,
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

/** What tells options apart. Circuits, loads and parts that are alike in all of them are left out; an option that does not fit has no figures. */
export function optionsTable(compared: readonly OptionCompared[], units: UnitSystem, currency: string): OptionsGroup[] {
  const row = (name: string, cell: (figures: OptionFigures, one: OptionCompared) => string): OptionsRow => ({
    name,
    cells: compared.map((one) => (one.figures ? cell(one.figures, one) : MISSING)),
  });
  const whole: OptionsRow[] = [
    row('Parts cost', ({ price }, { isStanding }) =>
      isStanding ? 'as now' : `${price.cost > 0 ? '+' : ''}${priceWords(price, currency)}`,
    ),
    row('Wires', ({ wires, wireMm }) => `${wires}, ${formatLength(wireMm, units)}`),
    row('Cores from place to place', ({ cores }) => String(cores)),
    row('Switches and other controls', ({ controls }) => String(controls)),
    row('Relays', ({ relays }) => String(relays)),
    row('Work with the hands', ({ workMinutes }) => formatHours(workMinutes / 60)),
    row('Worst drop', ({ circuits }) => worstWords(circuits)),
    row('A day', ({ dailyWh }) => formatWattHours(dailyWh)),
    row('Runtime', ({ runtimeH }) => formatHours(runtimeH)),
    row('At rest', ({ restA }) =>
      restA === null ? 'not known: the wiring has no answer' : `${formatAmps(restA)}, ${formatAmpHours(restA * HOURS)} a day`,
    ),
    row('Open findings', ({ faults, cautions }) => `${counted(faults, 'fault')}, ${counted(cautions, 'caution')}`),
    row('It brings', ({ brought, after }, { isStanding }) =>
      isStanding ? MISSING : broughtWords(brought.map((finding) => wordFinding(finding, after, units).title)),
    ),
    row('It ends', ({ ended }, { isStanding }) => (isStanding ? MISSING : counted(ended, 'finding'))),
  ];
  return [
    { title: 'The whole design', rows: whole },
    { title: 'Circuits that differ', rows: differing(circuitRows(compared)) },
    { title: 'What loads hang on', rows: differing(hangRows(compared)), ...manyLoads(compared) },
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
      return then.inputs.length === 0 ? 'nothing one moves' : then.inputs.map((input) => moverName(figures.after, input)).join(', ');
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
  const reasons = problems.slice(0, 3).map(({ id, other }) => {
    const isRecord = other !== undefined && named.records.has(other);
    return isRecord ? `${nameOf(named, id)} hangs on ${nameOf(named, other)}` : nameOf(named, id);
  });
  return `It no longer fits what was edited since: ${reasons.join('; ')}, which it has otherwise. Undo that, move it elsewhere, or take this option away and build it anew.`;
}

/** Rows in which not all options say the same. */
function differing(rows: readonly OptionsRow[]): OptionsRow[] {
  return rows.filter(({ cells }) => new Set(cells.filter((cell) => cell !== MISSING)).size > 1);
}
