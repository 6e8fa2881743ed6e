import Papa from 'papaparse';
import type { Change } from '../design/change';
import { recordsOf, type Design } from '../design/design';
import { indexDesign } from '../rig/designIndex';
import { Edit } from '../design/edit';
import { newId } from '../design/ids';
import type { Place, Route } from '../design/schema';
import { LIMITS, ROUTE_KINDS, type RouteKind } from '../catalog/vocabulary';
import { straightRoute } from '../rig/straightRoute';
import { parseLength } from '../units/parse';
import type { FileFault } from './fileFault';
import { plainCell, safeCell } from './safeCell';

/** Places and routes as CSV, out and in. Lengths are millimetres; other units may be written beside the number. */

const PLACE_COLUMNS = ['place', 'zone', 'from front', 'from left', 'height', 'free behind', 'behind'] as const;
const ROUTE_COLUMNS = ['route', 'from', 'to', 'kind', 'measured', 'planned', 'inside', 'passes'] as const;

export function writePlacesCsv(design: Design): string {
  const zones = new Map(recordsOf(design, 'zone').map(({ id, name }) => [id, name]));
  const rows = recordsOf(design, 'place').map((place) => ({
    place: safeCell(place.name),
    zone: safeCell(zones.get(place.zoneId ?? '') ?? ''),
    'from front': place.xMm,
    'from left': place.yMm,
    height: place.zMm,
    'free behind': place.depthMm ?? '',
    behind: safeCell(place.behind),
  }));
  return `${Papa.unparse(rows, { columns: [...PLACE_COLUMNS], newline: '\r\n' })}\r\n`;
}

export function writeRoutesCsv(design: Design): string {
  const { layout } = indexDesign(design);
  const rows = Array.from(layout.routes.values(), ({ route, length }) => ({
    route: safeCell(route.name),
    from: safeCell(layout.places.get(route.fromId)!.name),
    to: safeCell(layout.places.get(route.toId)!.name),
    kind: route.kind,
    measured: route.measuredMm ?? '',
    planned: length.plannedMm === null ? '' : Math.round(length.plannedMm),
    inside: route.insideMm ?? '',
    passes: route.passes.map(({ what, part }) => `${what}: ${part}`).join('; '),
  }));
  return `${Papa.unparse(rows, { columns: [...ROUTE_COLUMNS], newline: '\r\n' })}\r\n`;
}

export interface RigCsvRow {
  /** Line of the file, the heading being 1. */
  line: number;
  kind: 'place' | 'route';
  name: string;
  action: 'add' | 'change' | 'refuse';
  says: string;
  problems: FileFault[];
}

export interface RigCsvReading {
  rows: RigCsvRow[];
  /** What is wrong with the file as a whole; nothing can be taken while there is any. */
  faults: FileFault[];
  /** Everything good in it as one change; null while there are faults. */
  change: Change | null;
}

const MOST_ROWS = 1000;
type Cells = (heading: string) => string;

/** Reads places or routes, by what the first column is headed, and says row by row what would become of them. Changes nothing by itself. */
export function readRigCsv(text: string, design: Design): RigCsvReading {
  const nothing = (fault: FileFault): RigCsvReading => ({ rows: [], faults: [fault], change: null });
  if (text.length > LIMITS.importBytes) return nothing({ code: 'bytes', most: LIMITS.importBytes });
  const { data, errors } = Papa.parse<string[]>(text.replace(/^\ufeff/, '').trim(), { skipEmptyLines: 'greedy' });
  const broken = errors.find(({ type }) => type === 'Quotes');
  if (broken) return nothing({ code: 'openQuote', row: (broken.row ?? 0) + 1 });
  const [heading, ...lines] = data;
  if (!heading || lines.length === 0) return nothing({ code: 'headingAlone', of: 'rig' });
  if (lines.length > MOST_ROWS) return nothing({ code: 'rows', has: lines.length, most: MOST_ROWS });
  const columns = heading.map((cell) => cell.trim().toLowerCase());
  const kind = columns.includes('place') ? 'place' : columns.includes('route') ? 'route' : null;
  if (!kind) return nothing({ code: 'noColumn', headings: ['place', 'route'] });
  const needed = kind === 'place' ? ['from front', 'from left', 'height'] : ['from', 'to'];
  const missing = needed.filter((column) => !columns.includes(column));
  if (missing.length > 0) return nothing({ code: 'noColumn', headings: missing });
  const edit = new Edit(design);
  const rows = lines.map((cells, at) => {
    const cell: Cells = (column) => plainCell((cells[columns.indexOf(column)] ?? '').trim());
    return kind === 'place' ? readPlace(edit, cell, at + 2) : readRoute(edit, cell, at + 2);
  });
  return { rows, faults: [], change: edit.change };
}

function readPlace(edit: Edit, cell: Cells, line: number): RigCsvRow {
  const row = rowOf('place', cell('place'), line);
  const at = {
    xMm: millimetres(row, cell, 'from front', true),
    yMm: millimetres(row, cell, 'from left', true),
    zMm: millimetres(row, cell, 'height', true),
  };
  const depthMm = cell('free behind') === '' ? null : millimetres(row, cell, 'free behind');
  const zone = recordsOf(edit.design, 'zone').find(({ name }) => same(name, cell('zone')));
  if (cell('zone') !== '' && !zone) row.problems.push({ code: 'noSuch', column: 'zone', what: 'zone', said: cell('zone') });
  const known = recordsOf(edit.design, 'place').find(({ name }) => same(name, row.name));
  const spot = recordsOf(edit.design, 'place').find(
    (other) => other.id !== known?.id && other.xMm === at.xMm && other.yMm === at.yMm && other.zMm === at.zMm,
  );
  if (spot) row.problems.push({ code: 'sameSpot', name: spot.name });
  row.says = `${at.xMm}, ${at.yMm}, ${at.zMm} mm`;
  if (row.problems.length > 0) return row;
  const fields = { ...at, zoneId: zone?.id ?? null, depthMm, behind: cell('behind').slice(0, LIMITS.noteLength) };
  if (known) edit.set(known, fields);
  else edit.add<Place>({ id: newId('place'), type: 'place', name: row.name, ...fields });
  return { ...row, action: known ? 'change' : 'add' };
}

function readRoute(edit: Edit, cell: Cells, line: number): RigCsvRow {
  const row = rowOf('route', cell('route'), line);
  const places = recordsOf(edit.design, 'place');
  const end = (column: 'from' | 'to') => {
    const found = places.find(({ name }) => same(name, cell(column)));
    if (!found) row.problems.push({ code: 'noSuch', column, what: 'place', said: cell(column) });
    return found?.id ?? '';
  };
  const [fromId, toId] = [end('from'), end('to')];
  if (fromId !== '' && fromId === toId) row.problems.push({ code: 'sameEnds' });
  const measuredMm = cell('measured') === '' ? null : millimetres(row, cell, 'measured');
  if (measuredMm !== null && row.problems.length === 0 && measuredMm < LIMITS.stretchMm)
    row.problems.push({ code: 'noExtent', column: 'measured' });
  const insideMm = cell('inside') === '' ? null : millimetres(row, cell, 'inside');
  if (insideMm !== null && (insideMm < 1 || insideMm > 500))
    row.problems.push({ code: 'between', column: 'inside', least: 1, most: 500, unit: 'mm' });
  const kind = (cell('kind') || 'loom') as RouteKind;
  if (!ROUTE_KINDS.includes(kind)) row.problems.push({ code: 'oneOf', column: 'kind', words: ROUTE_KINDS });
  row.says = `${cell('from')} – ${cell('to')}`;
  if (row.problems.length > 0) return row;
  const known = recordsOf(edit.design, 'route').find(
    (other) => (other.fromId === fromId && other.toId === toId) || (other.fromId === toId && other.toId === fromId),
  );
  const fields = { name: row.name, kind, measuredMm, insideMm };
  if (known) edit.set(known, { ...fields, measuredOn: measuredMm === known.measuredMm ? known.measuredOn : null });
  else edit.add<Route>({ ...straightRoute(fromId, toId), ...fields });
  return { ...row, action: known ? 'change' : 'add' };
}

function rowOf(kind: RigCsvRow['kind'], name: string, line: number): RigCsvRow {
  const row: RigCsvRow = { line, kind, name, action: 'refuse', says: '', problems: [] };
  if (name === '') row.problems.push({ code: 'nameless', what: kind });
  if (name.length > LIMITS.nameLength) row.problems.push({ code: 'characters', column: 'name', most: LIMITS.nameLength });
  if (/[\u0000-\u001f\u007f]/.test(name)) row.problems.push({ code: 'control', column: 'name' });
  return row;
}

function millimetres(row: RigCsvRow, cell: Cells, column: string, mayBeNegative = false): number {
  const text = cell(column);
  const minus = /^[-\u2212]/.test(text);
  const parsed = parseLength(text.replace(/^[-\u2212]\s*/, ''), 'metric', 'mm');
  const value = parsed.ok ? (minus ? -parsed.value : parsed.value) : 0;
  if (!parsed.ok) row.problems.push({ code: 'unread', column, why: parsed.why });
  else if (minus && !mayBeNegative) row.problems.push({ code: 'negative', column });
  else if (value < -2000 || value > LIMITS.vehicleMm) row.problems.push({ code: 'outsideVehicle', column, mm: value });
  return value;
}

function same(a: string, b: string): boolean {
  return a.trim().toLowerCase() === b.trim().toLowerCase();
}
