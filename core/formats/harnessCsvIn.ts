import Papa from 'papaparse';
import type { Analysis } from '../analysis/types';
import type { Change } from '../design/change';
import { recordsOf } from '../design/design';
import { Edit } from '../design/edit';
import { setWireField, type WireField } from '../harness/editWires';
import { boughtIn, partsList } from '../harness/partsList';
import type { HarnessWire } from '../harness/harnessWire';
import { cutLots, harnessOf } from '../harness/schedule';
import { partNeeds, setStockField, STOCK_FIELDS, type StockField } from '../harness/stock';
import { formatConductor } from '../units/quantity';
import { endWords, partWords, readEnd } from '../wording/harnessWords';
import type { FileFault } from './fileFault';
import { stockText } from './wiresCsv';
import { lookCode } from '../catalog/wireColours';

/** A line of the file and what becomes of it. */
export interface CsvLine {
  line: number;
  action: 'change' | 'refuse';
  /** Which wire or part, as the file says it. */
  name: string;
  /** What it sets. */
  sets: string;
  problems: FileFault[];
}

/** What a CSV changes, and what of it cannot be taken. */
export interface CsvTaken {
  rows: CsvLine[];
  faults: FileFault[];
  /** Lines that say what is there already. */
  same: number;
  change: Change | null;
}

/** A wire schedule or a parts list as `wiresCsv.ts` writes them, changed elsewhere; told apart by their headings. */
export function takeHarnessCsv(analysis: Analysis, text: string): CsvTaken {
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    ...{ header: true, skipEmptyLines: 'greedy', transformHeader: (heading) => heading.trim().toLowerCase() },
  });
  const has = (heading: string) => meta.fields?.includes(heading) === true;
  const edit = new Edit(analysis.design);
  if (data.length > MOST_LINES) return faulty({ code: 'rows', has: data.length, most: MOST_LINES });
  if (has('number') && (has('colour') || has('size') || has('length mm'))) return taken(edit, takeWires(analysis, edit, data));
  if (has('part') && STOCK_FIELDS.some(has)) return taken(edit, takeParts(analysis, edit, data));
  return faulty({ code: 'noHarness' });
}
const MOST_LINES = 10_000;

const faulty = (fault: FileFault): CsvTaken => ({ rows: [], faults: [fault], same: 0, change: null });

function taken(edit: Edit, lines: readonly CsvLine[]): CsvTaken {
  const rows = lines.filter(({ action, sets }) => action === 'refuse' || sets !== '');
  return { rows, faults: [], same: lines.length - rows.length, change: edit.change };
}

/** Names that a spreadsheet would run were written with an apostrophe before them. */
const plain = (cell: string | undefined) => cell?.trim().replace(/^'/, '');

function takeWires({ index, wiring }: Analysis, edit: Edit, rows: readonly Record<string, string>[]): CsvLine[] {
  const byNumber = new Map(harnessOf(index, wiring).wires.map((line) => [line.number, line]));
  return rows.map((row, at) => {
    const number = plain(row.number) ?? '';
    const line = byNumber.get(number);
    if (!line) return refused(at, number, { code: 'noSuch', what: 'wire', said: number });
    const cells = cellsOf(line, row);
    const problems = cells.flatMap(([field, said]): FileFault[] => {
      const refusal = setWireField(edit, line.wire.id, field, said, 'metric');
      return refusal ? [{ code: 'wire', said, refusal }] : [];
    });
    return lineOf(at, number, cells.map(([, said]) => said), problems); // prettier-ignore
  });
}

/** Lines are counted as an editor does, the headings being the first. */
const refused = (at: number, name: string, problem: FileFault): CsvLine => ({
  line: at + 2,
  action: 'refuse',
  name,
  sets: '',
  problems: [problem],
});
const lineOf = (at: number, name: string, said: readonly string[], problems: FileFault[]): CsvLine => ({
  ...{ line: at + 2, name, sets: said.join(', '), problems },
  action: problems.length > 0 && problems.length === said.length ? 'refuse' : 'change',
});

/** The cells of a line that say something else than the design: what only repeats a plan must not become a measurement. */
function cellsOf({ wire, look, from, to, lengthMm }: HarnessWire, row: Readonly<Record<string, string>>): [WireField, string][] {
  const cells: [WireField, string][] = [];
  const put = (field: WireField, said: string | undefined, now: string) => {
    if (said !== undefined && said !== '' && said !== now) cells.push([field, said]);
  };
  if (!wire.core) put('colour', plain(row.colour), look ? lookCode(look) : '');
  put('conductor', plain(row.size), formatConductor(wire.conductor));
  const length = plain(row['length mm']);
  if (length !== undefined && length !== '' && Number(length) !== lengthMm) cells.push(['length', `${length} mm`]);
  const end = (field: 'fromEnd' | 'toEnd', said: string | undefined, now: string) => {
    if (said !== undefined && said !== '' && said !== now) cells.push([field, readEnd(said) ?? said]);
  };
  end('fromEnd', plain(row['from end']), endWords(from.ending));
  end('toEnd', plain(row['to end']), endWords(to.ending));
  return cells;
}

function takeParts({ design, index, wiring }: Analysis, edit: Edit, rows: readonly Record<string, string>[]): CsvLine[] {
  const harness = harnessOf(index, wiring);
  const lots = cutLots(harness, recordsOf(design, 'reel'));
  const needs = partNeeds(partsList(index, harness, lots, boughtIn(design)), recordsOf(design, 'stock'));
  const byKey = new Map(needs.map((need) => [need.id, need]));
  return rows.map((row, at) => {
    const key = plain(row.part) ?? '';
    const need = byKey.get(key);
    if (!need) return refused(at, key, { code: 'noSuch', what: 'part', said: key });
    const cells = STOCK_FIELDS.flatMap((field): [StockField, string][] => {
      const said = plain(row[field]);
      return said === undefined || said === stockText(need, field, index.settings.units) ? [] : [[field, said]];
    });
    const problems = cells.flatMap(([field, said]): FileFault[] => {
      const refusal = setStockField(edit, need.line, field, said, index.settings.units);
      return refusal ? [{ code: 'stock', said: `${field} ${said}`, refusal }] : [];
    });
    return lineOf(at, partWords(need.line, index.settings.units).what, cells.map(([field, said]) => `${field} ${said || 'nothing'}`), problems); // prettier-ignore
  });
}
