import Papa from 'papaparse';
import type { Analysis } from '../analysis/types';
import type { Change } from '../design/change';
import { isInPlan } from '../design/asBuilt';
import { recordsOf, settingsOf, type Design } from '../design/design';
import { dutyOf, setDuty } from '../design/duties';
import { Edit } from '../design/edit';
import { newId } from '../design/ids';
import { usualAir } from '../switching/newDesign';
import type { Draw, Load, Settings, Zone } from '../design/schema';
import { LIMITS } from '../catalog/vocabulary';
import { loadSize } from '../devices/load';
import { kindsNamed, LOAD_KINDS, type LoadKind } from '../devices/loadKinds';
import { nameOf } from '../design/names';
import { attachLoad } from '../switching/loadWires';
import { namedLoad } from '../switching/newLoad';
import { parseHours, parseNumber, type Parsed } from '../units/parse';
import { formatDraw, parseDraw, splitNameAndDraw, type TypedLoad } from './drawText';
import { COLUMNS, delimiterOf, findColumns, type Column } from './loadColumns';
import type { FileFault } from './fileFault';
import { plainCell, safeCell } from './safeCell';
import { formatUse, parseUse } from './useText';

/** Loads as CSV, out and in. Columns are found by their headings, whatever their order. */

export interface CsvRow {
  /** Line of the file, the heading being 1. */
  line: number;
  name: string;
  zone: string;
  /** What becomes of it: a load of that name in that zone is changed, another is added. */
  action: 'add' | 'change' | 'refuse';
  quantity: string;
  rated: string;
  hours: string;
  /** What its name or its own column takes it for; with a question mark where the name could mean several. */
  kind: string;
  problems: FileFault[];
}

export interface CsvReading {
  rows: CsvRow[];
  /** Headings not understood, and so left out. */
  ignored: string[];
  /** With no headings, which column was taken for what, in words. */
  guessed: string | null;
  /** Zones the file names that the design does not have; they will be added. */
  newZones: string[];
  /** What is wrong with the file as a whole; nothing can be taken while there is any. */
  faults: FileFault[];
  /** Everything good in it as one change; null while there are faults. */
  change: Change | null;
}

const MOST_ROWS = 1000;
/** What a function and its lamp have in common, as the table says it. */
const COMMON = { minus: 'return', plus: 'plus' } as const;

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
      functionOf: load.partOf ? safeCell(nameOf(design, load.partOf.loadId)) : '',
      common: load.partOf ? COMMON[load.partOf.shares] : '',
    };
  });
  return `${Papa.unparse(rows, { columns: [...COLUMNS], newline: '\r\n' })}\r\n`;
}

/** Reads a CSV text against a design and says row by row what would become of it. Changes nothing by itself. */
export function readLoadsCsv(text: string, design: Design): CsvReading {
  const nothing = (fault: FileFault): CsvReading => ({ rows: [], ignored: [], newZones: [], guessed: null, faults: [fault], change: null });
  if (text.length > LIMITS.importBytes) return nothing({ code: 'bytes', most: LIMITS.importBytes });
  const whole = text.replace(/^\ufeff?[\r\n]*/, '').trimEnd();
  const { data, errors } = Papa.parse<string[]>(whole, { skipEmptyLines: 'greedy', delimiter: delimiterOf(whole) });
  const broken = errors.find(({ type }) => type === 'Quotes');
  if (broken) return nothing({ code: 'openQuote', row: (broken.row ?? 0) + 1 });
  const cells = data.filter((line) => line.some((text) => text.trim() !== ''));
  const zones = Array.from(design.records.values(), (record) => (record.type === 'zone' ? record.name.toLowerCase() : '')).filter(Boolean);
  if (cells.length === 0) return nothing({ code: 'nothing' });
  const { places, ignored, repeated, bareUnit, headed } = findColumns(cells, zones);
  const lines = headed ? cells.slice(1) : cells;
  if (lines.length === 0) return nothing({ code: 'headingAlone', of: 'loads' });
  if (lines.length > MOST_ROWS) return nothing({ code: 'rows', has: lines.length, most: MOST_ROWS });
  if (repeated) return nothing({ code: 'columnTwice', heading: repeated });
  if (!places.has('name')) return nothing(headed ? { code: 'noColumn', headings: ['name', 'load'] } : { code: 'noNames' });

  const edit = new Edit(design);
  const newZones: string[] = [];
  const rows = lines.map((line, at) => {
    const cell = (column: Column) => (places.has(column) ? plainCell((line[places.get(column)!] ?? '').trim()) : '');
    const typed = cell('rated') === '' ? typedIn(cell('name'), design) : null;
    return readRow(edit, typed ? fromName(typed, cell, design) : cell, at + (headed ? 2 : 1), bareUnit, newZones, typed?.isUnread ?? false);
  });
  const guessed = headed ? null : Array.from(places, ([column, at]) => `${column} from column ${at + 1}`).join(', ');
  return { rows, ignored, newZones, guessed, faults: [], change: edit.change };
}

function typedIn(name: string, design: Design): TypedLoad {
  const { nominalV, units } = settingsOf(design);
  return splitNameAndDraw(name, nominalV, units);
}

/** What a name says with its draw, where the table says no draw of its own: how many, and how long, where no column does. */
function fromName(typed: TypedLoad, cell: (column: Column) => string, design: Design): (column: Column) => string {
  const { nominalV, units } = settingsOf(design);
  const { name, draw, quantity, hours, sharePercent } = typed;
  const says: Partial<Record<Column, string | number | null>> = {
    rated: draw && formatDraw(draw, nominalV, units),
    quantity: quantity > 1 ? quantity : null,
    // As exact as one says it: a sixth of an hour is ten minutes.
    hours: hours === null || Number.isInteger(hours * 100) ? hours : `${Math.round(hours * 60)} min`,
    share: sharePercent,
  };
  return (column) => (column === 'name' ? name : cell(column) === '' ? String(says[column] ?? '') : cell(column));
}

function readRow(
  edit: Edit,
  cell: (column: Column) => string,
  line: number,
  bareUnit: string,
  newZones: string[],
  isUnread: boolean,
): CsvRow {
  const { design } = edit;
  const { nominalV, units } = settingsOf(design);
  const name = cell('name');
  const { kind, words } = kindOfRow(name, cell('kind'));
  const row: CsvRow = { line, name, zone: cell('zone'), action: 'refuse', quantity: cell('quantity'), rated: cell('rated'), hours: cell('hours'), kind: words, problems: [] }; // prettier-ignore
  const problem = (column: Column, fault: FileFault) => row.problems.push({ ...fault, column });
  if (name === '') problem('name', { code: 'nameless', what: 'load' });
  if (name.length > LIMITS.nameLength || row.zone.length > LIMITS.nameLength)
    problem('name', { code: 'characters', most: LIMITS.nameLength });
  if (/[\u0000-\u001f\u007f]/.test(name + row.zone)) problem('name', { code: 'control' });

  const voltage = cell('volts') === '' || /@|\bat\b/i.test(row.rated) ? '' : ` at ${cell('volts')}`;
  const bare = /^[\d.,]+$/.test(row.rated);
  const rated = row.rated === '' ? null : parseDraw(`${row.rated}${bare ? bareUnit : ''}${voltage}`, nominalV, units);
  if (rated && !rated.ok) problem('rated', { code: 'unread', why: rated.why });
  const measured = cell('measured') === '' ? null : parseDraw(cell('measured'), nominalV, units);
  if (measured && !measured.ok) problem('measured', { code: 'unread', why: measured.why });
  if (measured?.ok && measured.draw.kind === 'strip') problem('measured', { code: 'strip' });
  const numberIn = (column: Column, read: (text: string) => Parsed, least: number, most: number, otherwise: number) => {
    if (cell(column) === '') return otherwise;
    const parsed = read(cell(column));
    if (!parsed.ok) problem(column, { code: 'unread', why: parsed.why });
    else if (parsed.value < least || parsed.value > most) problem(column, { code: 'between', least, most });
    else return parsed.value;
    return otherwise;
  };
  const quantity = numberIn('quantity', parseNumber, 1, LIMITS.quantity, 1);
  if (!Number.isInteger(quantity)) problem('quantity', { code: 'whole' });
  const hoursPerDay = numberIn('hours', parseHours, 0, 24, 0);
  const sharePercent = numberIn('share', (text) => parseNumber(text, ['%']), 0, 100, 100);
  const when = parseUse(cell('when'));
  if (!when.ok) problem('when', { code: 'unread', why: when.why });
  const runs = cell('lasting').toLowerCase();
  if (runs !== '' && !/^(for hours|briefly|yes|no|y|n|true|false|1|0)$/.test(runs)) problem('lasting', { code: 'yesOrNo' });
  const circuitId = cell('circuit') === '' ? null : findCircuit(design, cell('circuit'));
  if (circuitId === undefined) problem('circuit', { code: 'noSuch', what: 'circuit', said: cell('circuit') });
  const lamp = cell('functionOf') === '' ? null : findLamp(design, cell('functionOf'));
  if (lamp === undefined) problem('functionOf', { code: 'noSuch', what: 'lamp', said: cell('functionOf') });
  if (!/^(|return|minus|plus)$/i.test(cell('common'))) problem('common', { code: 'common' });
  if (row.problems.length > 0) return row;

  const zoneId = zoneFor(edit, row.zone, newZones);
  const known = findLoad(edit.design, name, zoneId);
  const base: Load = known ?? namedLoad(name, zoneId, kind);
  const draw = rated?.ok ? rated.draw : unsaidDraw(row, known, kind, isUnread, settingsOf(design));
  // What a line leaves out stays as it is in a load that is there already.
  const load: Load = {
    ...base,
    quantity: cell('quantity') === '' ? base.quantity : quantity,
    rated: draw,
    continuous: runs === '' ? base.continuous : /^(for hours|yes|y|true|1)$/.test(runs),
  };
  // A lamp known already stays as it is wired.
  if (!known && lamp) load.partOf = { loadId: lamp.id, shares: /plus/i.test(cell('common')) ? 'plus' : 'minus' };
  if (measured?.ok && measured.draw.kind !== 'strip') load.measured = { draw: measured.draw, forSize: loadSize(load), on: null };
  if (known) edit.set(known, load);
  else edit.add(load);
  const use = when.ok ? when.value : null;
  const share = cell('share') !== '' && { sharePercent };
  // Times, where there are any, say what the hours are.
  const said = use ? { use } : cell('hours') !== '' && { hoursPerDay, ...(dutyOf(edit.design, load.id)?.use && { use: null }) };
  if (said && !setDuty(edit, load.id, { ...said, ...share })) row.kind += ', its hours need a scenario first';
  if (!known && circuitId) attachLoad(edit, load.id, circuitId);
  row.quantity = String(load.quantity);
  row.action = known ? 'change' : 'add';
  return row;
}

/**
 * The draw of a load whose row says none: what a load that is there already has, else what its kind usually draws; of a kind nobody knows,
 * and where what is said is not understood, it stays unknown, which is a finding until somebody says.
 */
function unsaidDraw(row: CsvRow, known: Load | null, kind: LoadKind | null, isUnread: boolean, { nominalV, units }: Settings): Draw {
  const draw = known?.rated ?? (isUnread ? null : kind?.usual) ?? null;
  if (draw) row.rated = formatDraw(draw, nominalV, units);
  if (isUnread) row.kind += ', draw not understood';
  row.kind += known ? ', its draw stays' : draw ? ', its usual draw' : isUnread ? '' : ', draw not known yet';
  return draw ?? { kind: 'watts', watts: 0, atV: nominalV };
}

/**
 * What a row's own column says it is, else its name. A kind nobody knows is no fault: the load behaves as a resistor until someone says
 * more.
 */
function kindOfRow(name: string, said: string): { kind: LoadKind | null; words: string } {
  const own = LOAD_KINDS.find(({ id, label }) => said !== '' && [id, label].some((word) => word.toLowerCase() === said.toLowerCase()));
  const named = kindsNamed(said === '' ? name : `${said} ${name}`);
  const kind = own ?? named[0] ?? null;
  if (!kind) return { kind, words: 'not known' };
  return { kind, words: `${kind.label}${!own && named.length > 1 ? '?' : ''}` };
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

/** The load a line means: what was taken out, or is there for now alone, is none of a list's. */
function findLoad(design: Design, name: string, zoneId: string | null): Load | null {
  for (const record of design.records.values()) {
    if (record.type !== 'device' || record.kind !== 'load' || !isInPlan(record)) continue;
    if (record.zoneId === zoneId && record.name.toLowerCase() === name.toLowerCase()) return record;
  }
  return null;
}

/** A lamp that a function may be of. */
function findLamp(design: Design, name: string): Load | undefined {
  const wanted = name.toLowerCase();
  return recordsOf(design, 'device').find(
    (device): device is Load => device.kind === 'load' && !device.partOf && isInPlan(device) && device.name.toLowerCase() === wanted,
  );
}

function findCircuit(design: Design, text: string): string | undefined {
  const wanted = text.toLowerCase();
  for (const record of design.records.values()) {
    if (record.type === 'circuit' && [record.name, nameOf(design, record.id)].some((known) => known.toLowerCase() === wanted))
      return record.id;
  }
  return undefined;
}
