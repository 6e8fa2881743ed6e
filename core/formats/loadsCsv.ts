import Papa from 'papaparse';
import type { Analysis } from '../analysis/types';
import type { Change } from '../design/change';
import { settingsOf, type Design } from '../design/design';
import { Edit } from '../design/edit';
import { newId } from '../design/ids';
import { usualAir } from '../design/newDesign';
import type { Duty, Load, Use, Zone } from '../design/schema';
import { LIMITS } from '../design/vocabulary';
import { loadSize } from '../devices/load';
import { kindsNamed, LOAD_KINDS, type LoadKind } from '../catalog/loadKinds';
import { nameOf } from '../design/names';
import { attachLoad } from '../switching/schemes';
import { namedLoad } from '../switching/newLoad';
import { parseNumber } from '../units/parse';
import { formatDraw, parseDraw } from './drawText';
import { plainCell, safeCell } from './safeCell';
import { formatUse, parseUse } from './useText';

/** Loads as CSV, out and in. Columns are found by their headings, whatever their order. */

const COLUMNS = ['name', 'zone', 'circuit', 'quantity', 'rated', 'volts', 'measured', 'when', 'hours', 'share', 'lasting', 'kind'] as const;
type Column = (typeof COLUMNS)[number];

/** Headings taken for each column, besides its own name; compared without case, spaces or marks. */
const HEADINGS: Record<Column, readonly string[]> = {
  name: ['load', 'item', 'device', 'description', 'appliance', 'consumer'],
  zone: ['place', 'location', 'area', 'room'],
  circuit: ['circuitnumber', 'circuitname'],
  quantity: ['qty', 'pcs', 'pieces', 'count', 'number', 'no'],
  rated: ['ratedeach', 'watts', 'watt', 'w', 'power', 'powerw', 'draw', 'ratedw', 'wattseach', 'amps', 'a', 'current', 'currenta'],
  volts: ['volt', 'v', 'voltage', 'at', 'atv'],
  measured: ['measuredall', 'measuredw', 'actual', 'real'],
  when: ['times', 'use', 'timeofday'],
  hours: ['hoursaday', 'hday', 'h', 'hoursperday', 'hrs', 'daily', 'hrsday', 'haday'],
  share: ['ofit', 'sharepercent', 'duty', 'dutycycle', 'percent'],
  lasting: ['runs', 'continuous', 'forhours'],
  kind: ['type', 'sort', 'category'],
};

export interface CsvRow {
  /** Line of the file, the heading being 1. */
  line: number;
  name: string;
  zone: string;
  /** What becomes of it: a load of that name in that zone is changed, another is added. */
  action: 'add' | 'change' | 'refuse';
  rated: string;
  hours: string;
  /** What its name or its own column takes it for; with a question mark where the name could mean several. */
  kind: string;
  problems: string[];
}

export interface CsvReading {
  rows: CsvRow[];
  /** Headings not understood, and so left out. */
  ignored: string[];
  /** Zones the file names that the design does not have; they will be added. */
  newZones: string[];
  /** What is wrong with the file as a whole; nothing can be taken while there is any. */
  faults: string[];
  /** Everything good in it as one change; null while there are faults. */
  change: Change | null;
}

const MOST_ROWS = 1000;

export function writeLoadsCsv({ loads, design, index, scenario }: Analysis): string {
  const { nominalV, units } = index.settings;
  const duties = new Map(index.duties.filter(({ scenarioId }) => scenarioId === scenario?.id).map((duty) => [duty.loadId, duty]));
  const rows = Array.from(loads.values(), ({ load, circuitId }) => {
    const duty = duties.get(load.id);
    return {
      name: safeCell(load.name),
      zone: safeCell(nameOf(design, load.zoneId ?? undefined)),
      circuit: safeCell(nameOf(design, circuitId ?? undefined)),
      quantity: load.quantity,
      rated: formatDraw(load.rated, nominalV, units),
      volts: load.rated.atV,
      measured: load.measured ? formatDraw(load.measured.draw, nominalV, units) : '',
      when: formatUse(duty?.use),
      hours: duty?.use ? '' : (duty?.hoursPerDay ?? ''),
      share: duty?.sharePercent ?? '',
      lasting: load.continuous ? 'yes' : 'no',
      kind: kindsNamed(load.name)[0]?.label ?? '',
    };
  });
  return `${Papa.unparse(rows, { columns: [...COLUMNS], newline: '\r\n' })}\r\n`;
}

/** Reads a CSV text against a design and says row by row what would become of it. Changes nothing by itself. */
export function readLoadsCsv(text: string, design: Design): CsvReading {
  const nothing = (fault: string): CsvReading => ({ rows: [], ignored: [], newZones: [], faults: [fault], change: null });
  if (text.length > LIMITS.importBytes) return nothing(`the file is larger than ${LIMITS.importBytes / 1_000_000} MB`);
  const { data, errors } = Papa.parse<string[]>(text.replace(/^\ufeff/, '').trim(), { skipEmptyLines: 'greedy' });
  const broken = errors.find(({ type }) => type === 'Quotes');
  if (broken) return nothing(`line ${(broken.row ?? 0) + 1}: a quoted cell is not closed`);
  const [heading, ...lines] = data;
  if (!heading || lines.length === 0) return nothing('a heading line and at least one load are needed');
  if (lines.length > MOST_ROWS) return nothing(`${lines.length} rows; ${MOST_ROWS} are allowed at once`);
  const { places, ignored, repeated } = matchHeadings(heading);
  if (repeated) return nothing(`two columns are both “${repeated}”; keep one`);
  if (!places.has('name')) return nothing('no column is headed “name” or “load”');
  if (!places.has('rated')) return nothing('no column is headed “rated”, “watts” or “amps”');

  const edit = new Edit(design);
  const newZones: string[] = [];
  const bareUnit = /^(amps|a|current|currenta)$/.test(plain(heading[places.get('rated')!]!)) ? ' A' : '';
  const rows = lines.map((cells, at) => {
    const cell = (column: Column) => (places.has(column) ? plainCell((cells[places.get(column)!] ?? '').trim()) : '');
    return readRow(edit, cell, at + 2, bareUnit, newZones);
  });
  return { rows, ignored, newZones, faults: [], change: edit.change };
}

function readRow(edit: Edit, cell: (column: Column) => string, line: number, bareUnit: string, newZones: string[]): CsvRow {
  const { design } = edit;
  const { nominalV, units, scenarioId } = settingsOf(design);
  const name = cell('name');
  const { kind, words } = kindOfRow(name, cell('kind'));
  const row: CsvRow = { line, name, zone: cell('zone'), action: 'refuse', rated: cell('rated'), hours: cell('hours'), kind: words, problems: [] }; // prettier-ignore
  const problem = (column: Column, why: string) => row.problems.push(`${column}: ${why}`);
  if (name === '') problem('name', 'a load needs a name');
  if (name.length > LIMITS.nameLength || row.zone.length > LIMITS.nameLength) problem('name', `at most ${LIMITS.nameLength} characters`);
  if (/[\u0000-\u001f\u007f]/.test(name + row.zone)) problem('name', 'control characters are not allowed');

  const voltage = cell('volts') === '' || /@|\bat\b/i.test(row.rated) ? '' : ` at ${cell('volts')}`;
  const bare = /^[\d.,]+$/.test(row.rated);
  const rated = parseDraw(`${row.rated}${bare ? bareUnit : ''}${voltage}`, nominalV, units);
  if (!rated.ok) problem('rated', rated.why);
  const measured = cell('measured') === '' ? null : parseDraw(cell('measured'), nominalV, units);
  if (measured && !measured.ok) problem('measured', measured.why);
  if (measured?.ok && measured.draw.kind === 'strip') problem('measured', 'a measurement is watts or amperes');
  const numberIn = (column: Column, units_: string[], least: number, most: number, otherwise: number) => {
    if (cell(column) === '') return otherwise;
    const parsed = parseNumber(cell(column), units_);
    if (!parsed.ok) problem(column, parsed.why);
    else if (parsed.value < least || parsed.value > most) problem(column, `between ${least} and ${most}`);
    else return parsed.value;
    return otherwise;
  };
  const quantity = numberIn('quantity', [], 1, LIMITS.quantity, 1);
  if (!Number.isInteger(quantity)) problem('quantity', 'a whole number');
  const hoursPerDay = numberIn('hours', ['h'], 0, 24, 0);
  const sharePercent = numberIn('share', ['%'], 0, 100, 100);
  const when = parseUse(cell('when'));
  if (!when.ok) problem('when', when.why);
  const runs = cell('lasting').toLowerCase();
  if (runs !== '' && !/^(for hours|briefly|yes|no|y|n|true|false|1|0)$/.test(runs))
    problem('lasting', 'write yes or no: does it run for hours?');
  const circuitId = cell('circuit') === '' ? null : findCircuit(design, cell('circuit'));
  if (circuitId === undefined) problem('circuit', 'there is no such circuit');
  if (row.problems.length > 0 || !rated.ok) return row;

  const zoneId = zoneFor(edit, row.zone, newZones);
  const known = findLoad(edit.design, name, zoneId);
  const base: Load = known ?? namedLoad(name, zoneId, kind);
  const load: Load = {
    ...base,
    quantity,
    rated: rated.draw,
    continuous: runs === '' ? base.continuous : /^(for hours|yes|y|true|1)$/.test(runs),
  };
  if (measured?.ok && measured.draw.kind !== 'strip') load.measured = { draw: measured.draw, forSize: loadSize(load), on: null };
  if (known) edit.set(known.id, load);
  else edit.add(load);
  const use = when.ok ? when.value : null;
  if ((cell('hours') !== '' || use) && scenarioId !== null) setDuty(edit, scenarioId, load.id, { hoursPerDay, sharePercent, use });
  if (!known && circuitId) attachLoad(edit, load.id, circuitId);
  row.action = known ? 'change' : 'add';
  return row;
}

/** What a row's own column says it is, else its name. A kind nobody knows is no fault: the load behaves as a resistor until someone says more. */
function kindOfRow(name: string, said: string): { kind: LoadKind | null; words: string } {
  const own = LOAD_KINDS.find(({ id, label }) => said !== '' && [id, label].some((word) => word.toLowerCase() === said.toLowerCase()));
  const named = kindsNamed(said === '' ? name : `${said} ${name}`);
  const kind = own ?? named[0] ?? null;
  if (!kind) return { kind, words: 'not known' };
  return { kind, words: `${kind.label}${!own && named.length > 1 ? '?' : ''}` };
}

/** Gives a load its hours, or its times, which then say what the hours are. */
function setDuty(
  edit: Edit,
  scenarioId: string,
  loadId: string,
  fields: Pick<Duty, 'hoursPerDay' | 'sharePercent'> & { use: Use | null },
): void {
  const { use, hoursPerDay, sharePercent } = fields;
  for (const record of edit.design.records.values()) {
    if (record.type !== 'duty' || record.loadId !== loadId || record.scenarioId !== scenarioId) continue;
    edit.set(record.id, use ? { use, sharePercent } : { hoursPerDay, sharePercent, ...(record.use && { use }) });
    return;
  }
  edit.add<Duty>({ id: newId('duty'), type: 'duty', scenarioId, loadId, hoursPerDay, sharePercent, ...(use && { use }) });
}

function zoneFor(edit: Edit, name: string, newZones: string[]): string | null {
  if (name === '') return null;
  let order = 0;
  for (const record of edit.design.records.values()) {
    if (record.type !== 'zone') continue;
    if (record.name.toLowerCase() === name.toLowerCase()) return record.id;
    order = Math.max(order, record.order + 1);
  }
  newZones.push(name);
  return edit.add<Zone>({ id: newId('zone'), type: 'zone', name, order, ...usualAir(name) }).id;
}

function findLoad(design: Design, name: string, zoneId: string | null): Load | null {
  for (const record of design.records.values()) {
    if (record.type === 'device' && record.kind === 'load' && record.zoneId === zoneId && record.name.toLowerCase() === name.toLowerCase())
      return record;
  }
  return null;
}

function findCircuit(design: Design, text: string): string | undefined {
  const wanted = text.toLowerCase();
  for (const record of design.records.values()) {
    if (record.type === 'circuit' && [record.name, nameOf(design, record.id)].some((known) => known.toLowerCase() === wanted))
      return record.id;
  }
  return undefined;
}

function matchHeadings(heading: string[]) {
  const places = new Map<Column, number>();
  const ignored: string[] = [];
  let repeated: string | null = null;
  heading.forEach((text, at) => {
    const key = plain(text);
    const column = COLUMNS.find((candidate) => candidate === key || HEADINGS[candidate].includes(key));
    if (!column) ignored.push(text.trim());
    else if (places.has(column)) repeated ??= text.trim();
    else places.set(column, at);
  });
  return { places, ignored: ignored.filter(Boolean), repeated };
}

function plain(heading: string): string {
  return heading.toLowerCase().replace(/[^a-z]/g, '');
}
