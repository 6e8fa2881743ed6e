import { refusalWords, STOCK_REFUSALS } from '../wording/harnessWords';
import { unreadWords } from '../wording/unreadWords';
import type { FileFault, Listed } from './fileFault';

const HEADING_ALONE: Record<Listed, string> = {
  loads: 'a heading line alone has no loads: paste the lines under it too',
  rig: 'a heading line and at least one place or route are needed',
  weather: 'a heading line and a row an hour are needed',
  monitor: 'at least two readings are needed',
};

const NO_SUCH = {
  circuit: () => 'there is no such circuit',
  lamp: () => 'there is no lamp of that name above it',
  zone: (said: string) => `there is no zone called “${said}”`,
  place: (said: string) => `there is no place called “${said}”`,
  wire: (said: string) => `no wire is numbered ${said || 'so'}`,
  part: (said: string) => `the design needs no “${said}”`,
} as const;

const UNITS = { sun: 'W/m²', volts: 'volts', amps: 'amperes' } as const;

/** What is wrong with a file or a list: where, and what to write in its place. */
export function faultWords(fault: FileFault): string {
  const row = fault.row === undefined ? '' : `row ${fault.row}: `;
  return `${row}${fault.column === undefined ? '' : `${fault.column}: `}${wordsOf(fault)}`;
}

function wordsOf(fault: FileFault): string {
  switch (fault.code) {
    case 'bytes':
      return `the file is larger than ${fault.most / 1_000_000} MB`;
    case 'openQuote':
      return 'a quoted cell is not closed';
    case 'nothing':
      return 'nothing to read';
    case 'noNames':
      return 'no column has names in it';
    case 'noHarness':
      return 'its first line needs the headings number, and colour, size or length mm, for wires; or part, and have, ordered or price, for parts';
    case 'headingAlone':
      return HEADING_ALONE[fault.of];
    case 'rows':
      return `${fault.has} rows; ${fault.most} are allowed at once`;
    case 'columnTwice':
      return `two columns are both “${fault.heading}”; keep one`;
    case 'noColumn': {
      const headings = fault.headings.map((heading) => `“${heading}”`).join(' or ');
      const found = fault.choose?.length ? `, found ${fault.choose.join(', ')}` : '';
      return `no column is headed ${headings}${fault.choose ? `; choose it${found}` : ''}`;
    }
    case 'more':
      return `and ${fault.count} more`;
    case 'unread':
      return unreadWords(fault.why);
    case 'between':
      return fault.unit ? `${fault.least} to ${fault.most} ${fault.unit}` : `between ${fault.least} and ${fault.most}`;
    case 'nameless':
      return `a ${fault.what} needs a name`;
    case 'characters':
      return `at most ${fault.most} characters`;
    case 'control':
      return 'control characters are not allowed';
    case 'whole':
      return 'a whole number';
    case 'strip':
      return 'a measurement is watts or amperes';
    case 'yesOrNo':
      return 'write yes or no: does it run for hours?';
    case 'common':
      return 'write return or plus: what it has in common with its lamp';
    case 'negative':
      return 'a length is not negative';
    case 'noExtent':
      return 'a stretch has a length';
    case 'sameEnds':
      return 'both ends are the same place';
    case 'noSuch':
      return NO_SUCH[fault.what](fault.said);
    case 'sameSpot':
      return `“${fault.name}” is at that very spot`;
    case 'outsideVehicle':
      return `${fault.mm} mm is far outside any vehicle`;
    case 'oneOf':
      return `one of ${fault.words.join(', ')}`;
    case 'wire':
      return `${fault.said}: ${refusalWords(fault.refusal)}`;
    case 'stock':
      return `${fault.said}: ${STOCK_REFUSALS[fault.refusal.why]}`;
    case 'hours':
      return fault.of === 'epw'
        ? `${fault.has} hours; an EPW year has ${fault.needs}`
        : `${fault.has} rows without a column of times; a year of hours has ${fault.needs}`;
    case 'noPosition':
      return 'latitude and longitude are not where LOCATION has them';
    case 'noHour':
      return 'is no hour of a year';
    case 'notLater':
      return 'is not later than the row before';
    case 'hoursMissing':
      return `${fault.count} hours of the year are missing`;
    case 'noTime':
      return `“${fault.said}” is no date and time${fault.like ? ` such as ${fault.like}` : ''}`;
    case 'reading':
      return readingWords(fault);
  }
}

function readingWords({ what, value, most }: Extract<FileFault, { code: 'reading' }>): string {
  const range = what === 'amps' ? `up to ${most}` : `from 0 to ${most}`;
  if (what === 'sun') return `sun of ${value === null ? 'no number' : `${value} ${UNITS.sun}`}; ${range}`;
  return `${value ?? 'no number of'} ${UNITS[what]}; ${range}`;
}

/** What was read of a list, with its faults in words, as it is shown before anything is taken. */
export function inWords<R extends { problems: FileFault[] }, T extends { rows: R[]; faults: FileFault[] }>(
  reading: T & { rows: R[] },
): Omit<T, 'rows' | 'faults'> & { rows: (Omit<R, 'problems'> & { problems: string[] })[]; faults: string[] } {
  const rows = reading.rows.map((row) => ({ ...row, problems: row.problems.map(faultWords) }));
  return { ...reading, rows, faults: reading.faults.map(faultWords) };
}
