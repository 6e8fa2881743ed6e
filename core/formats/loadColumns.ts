import { parseDraw } from './drawText';
import { parseHours, parseNumber } from '../units/parse';

/** Which column of a table of loads holds what: by its headings, or by what stands in it where there are none. */

export const COLUMNS = [
  'name',
  'zone',
  'circuit',
  'quantity',
  'rated',
  'volts',
  'measured',
  'when',
  'hours',
  'share',
  'lasting',
  'kind',
  'functionOf',
  'common',
] as const;
export type Column = (typeof COLUMNS)[number];

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
  functionOf: ['partof'],
  common: ['shares', 'incommon'],
};

export interface FoundColumns {
  places: Map<Column, number>;
  /** Headings not understood, and so left out. */
  ignored: string[];
  /** A heading that stands for the same as one before it. */
  repeated: string | null;
  /** The unit of bare numbers in the column of draws, for its heading. */
  bareUnit: '' | ' A';
  /** Whether the first line was headings. */
  headed: boolean;
}

/** Columns by the headings of the first line; by what stands in them where it has none of them. */
export function findColumns(lines: readonly string[][], zones: readonly string[]): FoundColumns {
  const headed = byHeadings(lines[0] ?? []);
  return headed.places.size >= (lines[0]!.length === 1 ? 1 : 2) ? headed : byContent(lines, zones);
}

/**
 * What parts the cells of a pasted text: tabs or semicolons where there are any. A comma between digits is a decimal unless headings say
 * the text is a table with commas between: such lines are a cell each.
 */
export function delimiterOf(text: string): string {
  if (text.includes('\t')) return '\t';
  if (text.includes(';')) return ';';
  const [first = ''] = text.split('\n');
  return byHeadings(first.split(',')).places.size >= 2 || !/\d,\d/.test(text) ? ',' : '\t';
}

/** Whether a block of cells begins with headings of loads. */
export function hasHeadings([first = []]: readonly string[][]): boolean {
  const { places } = byHeadings(first);
  return places.has('name') && places.size >= 2;
}

function byHeadings(heading: readonly string[]): FoundColumns {
  const places = new Map<Column, number>();
  const ignored: string[] = [];
  let repeated: string | null = null;
  heading.forEach((text, at) => {
    const key = plain(text);
    const column = COLUMNS.find((candidate) => candidate.toLowerCase() === key || HEADINGS[candidate].includes(key));
    if (!column) ignored.push(text.trim());
    else if (places.has(column)) repeated ??= text.trim();
    else places.set(column, at);
  });
  const rated = plain(heading[places.get('rated') ?? -1] ?? '');
  const bareUnit = /^(amps|a|current|currenta)$/.test(rated) ? ' A' : '';
  return { places, ignored: ignored.filter(Boolean), repeated, bareUnit, headed: true };
}

/** Columns looked at: a list of loads has a dozen. */
const MOST_COLUMNS = 60;

/**
 * The first column of words is the name. Draws are the column written with W or A, else the one with the largest numbers; whole numbers
 * before it are how many there are, hours stand after it. Words that are zones of the design are zones, and so is a second column of words.
 * What comes of it is shown before it is taken.
 */
function byContent(lines: readonly string[][], zones: readonly string[]): FoundColumns {
  const width = Math.min(MOST_COLUMNS, Math.max(...lines.map((cells) => cells.length)));
  const columns = Array.from({ length: width }, (_, at) => lines.map((cells) => (cells[at] ?? '').trim()).filter((text) => text !== ''));
  const every = (at: number, is: (text: string) => boolean) => columns[at]!.length > 0 && columns[at]!.every(is);
  const places = new Map<Column, number>();
  const free = (at: number) => !Array.from(places.values()).includes(at);
  const take = (column: Column, at: number) => at >= 0 && places.set(column, at);
  const first = (is: (at: number) => boolean) => columns.findIndex((_, at) => free(at) && is(at));
  const isNumber = (text: string) => parseNumber(text).ok;
  const isDraw = (text: string) => !isNumber(text) && parseDraw(text, 12, 'metric').ok;
  const words = (at: number) => columns[at]!.some((text) => !isNumber(text) && !isDraw(text) && !parseHours(text).ok);

  const inWords = columns.flatMap((_, at) => (words(at) ? [at] : []));
  if (inWords.length > 1) take('zone', inWords.find((at) => columns[at]!.some((text) => zones.includes(text.toLowerCase()))) ?? -1);
  take('name', first(words));
  take(
    'rated',
    first((at) => every(at, (text) => isDraw(text) || isNumber(text)) && columns[at]!.some(isDraw)),
  );
  take(
    'hours',
    first((at) => every(at, (text) => parseHours(text).ok) && !every(at, isNumber)),
  );
  const numbers = columns.flatMap((_, at) => (free(at) && every(at, isNumber) ? [at] : []));
  const largest = (at: number) => Math.max(...columns[at]!.map((text) => Number(text.replace(',', '.'))));
  if (!places.has('rated'))
    take(
      'rated',
      numbers.reduce((most, at) => (most < 0 || largest(at) > largest(most) ? at : most), -1),
    );
  const rated = places.get('rated') ?? -1;
  take('quantity', numbers.find((at) => free(at) && at < rated && every(at, (text) => /^\d+$/.test(text))) ?? -1);
  if (!places.has('hours')) take('hours', numbers.find((at) => free(at) && at > rated && largest(at) <= 24) ?? -1);
  if (!places.has('zone')) take('zone', first(words));
  const ignored = columns.flatMap((texts, at) => (free(at) && texts.length > 0 ? [`column ${at + 1}`] : []));
  return { places, ignored, repeated: null, bareUnit: '', headed: false };
}

function plain(heading: string): string {
  return heading.toLowerCase().replace(/[^a-z]/g, '');
}
