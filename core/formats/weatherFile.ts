import { cutText, isTooLong, MOST_TYPED } from '../units/text';
import Papa from 'papaparse';
import { clearSky } from '../energy/clearSky';
import { solarHour, sunPosition } from '../energy/sun';
import { Faults, type FileFault } from './fileFault';

/** A year of real weather, hour by hour, read from an EPW file or from CSV. */
export interface WeatherYear {
  /** Where it was taken down, if the file says. */
  place: string | null;
  latitudeDeg: number | null;
  longitudeDeg: number | null;
  /** Sun on the horizontal, W/m², mean of each hour of a year of 365 days by the file's clock. */
  globalW: Float64Array;
}

/** Which columns of a CSV hold what, where its headings do not say. */
export interface WeatherMapping {
  time?: number;
  sun?: number;
}

/** With the headings of a CSV, so that columns can be chosen. */
export type WeatherReading = { ok: true; year: WeatherYear } | { ok: false; problems: FileFault[]; headings: string[] };

export const MOST_WEATHER_BYTES = 4_000_000;
const HOURS = 8760;
/** No sun on the ground is stronger, W/m²; brief cloud-edge peaks reach it. Common practice. */
const MOST_W = 1500;

/** Reads either kind by what its first line is. Takes all of it or nothing, with every fault by its row. */
export function readWeather(text: string, given: WeatherMapping = {}): WeatherReading {
  if (text.length > MOST_WEATHER_BYTES) return refuse([{ code: 'bytes', most: MOST_WEATHER_BYTES }]);
  const plain = text.replace(/^\ufeff/, '');
  return /^LOCATION,/i.test(plain) ? readEpw(plain) : readCsv(plain, given);
}

/** EPW: eight heading lines, then an hour a row. Columns by the published format: 7 dry bulb, 14 global horizontal radiation. */
function readEpw(text: string): WeatherReading {
  const lines = text.split(/\r?\n/).filter((line) => line.trim() !== '');
  const heading = lines[0]!.split(',');
  const rows = lines.slice(8);
  if (rows.length < HOURS) return refuse([{ code: 'hours', has: rows.length, needs: HOURS, of: 'epw' }]);
  const [latitudeDeg, longitudeDeg] = [Number(heading[6]), Number(heading[7])];
  const faults = new Faults();
  if (!(Math.abs(latitudeDeg) <= 90) || !(Math.abs(longitudeDeg) <= 180)) faults.add({ code: 'noPosition', row: 1 });
  const hours: { month: number; day: number; hour: number; watts: number; row: number }[] = rows.map((line, at) => {
    const cells = line.split(',');
    return { month: Number(cells[1]), day: Number(cells[2]), hour: Number(cells[3]) - 1, watts: number(cells[13]), row: at + 9 };
  });
  const globalW = fill(hours, faults);
  return faults.any ? refuse(faults.told) : { ok: true, year: { place: heading[1]?.trim() || null, latitudeDeg, longitudeDeg, globalW } };
}

const SUN_HEADINGS = ['ghi', 'global', 'globalhorizontal', 'irradiance', 'radiation', 'solar', 'wm2', 'gh', 'globalhorizontalirradiance'];
const TIME_HEADINGS = ['time', 'date', 'datetime', 'timestamp', 'hour', 'localtime'];

function readCsv(text: string, given: WeatherMapping): WeatherReading {
  const { data } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' });
  const [heading, ...rows] = data;
  if (!heading || rows.length === 0) return refuse([{ code: 'headingAlone', of: 'weather' }]);
  const named = heading.map((cell) =>
    cutText(cell, MOST_TYPED)
      .toLowerCase()
      .replace(/\(.*?\)|\[.*?\]|[^a-z0-9]/g, ''),
  );
  const sunAt = given.sun ?? named.findIndex((name) => SUN_HEADINGS.includes(name));
  if (sunAt < 0) return refuse([{ code: 'noColumn', row: 1, headings: SUN_HEADINGS.slice(0, 4), choose: heading.slice(0, 8) }], heading);
  const timeAt = given.time ?? named.findIndex((name) => TIME_HEADINGS.includes(name));
  const faults = new Faults();
  if (timeAt < 0 && rows.length !== HOURS) return refuse([{ code: 'hours', has: rows.length, needs: HOURS, of: 'rows' }], heading);
  const hours = rows.map((cells, at) => {
    const when = timeAt < 0 ? hourOfYear(at) : readTime(cells[timeAt] ?? '');
    if (!when) faults.add({ code: 'noTime', row: at + 2, said: (cells[timeAt] ?? '').slice(0, 30) });
    return { ...(when ?? { month: 1, day: 1, hour: 0 }), watts: number(cells[sunAt]), row: at + 2 };
  });
  const globalW = fill(hours, faults);
  return faults.any ? refuse(faults.told, heading) : { ok: true, year: { place: null, latitudeDeg: null, longitudeDeg: null, globalW } };
}

const MONTH_STARTS = [0, 31, 59, 90, 120, 151, 181, 212, 243, 273, 304, 334, 365];

/** Puts rows into their hours, the mean where several fall into one, and says what is out of range or missing. */
function fill(hours: readonly { month: number; day: number; hour: number; watts: number; row: number }[], faults: Faults): Float64Array {
  const sums = new Float64Array(HOURS);
  const counts = new Uint16Array(HOURS);
  for (const { month, day, hour, watts, row } of hours) {
    if (month === 2 && day === 29) continue;
    const start = MONTH_STARTS[month - 1];
    if (start === undefined || !(day >= 1 && day <= MONTH_STARTS[month]! - start) || !(hour >= 0 && hour <= 23)) {
      faults.add({ code: 'noHour', row });
      continue;
    }
    if (!(watts >= 0 && watts <= MOST_W)) {
      faults.add({ code: 'reading', row, what: 'sun', value: Number.isFinite(watts) ? watts : null, most: MOST_W });
      continue;
    }
    const at = (start + day - 1) * 24 + hour;
    sums[at]! += watts;
    counts[at]! += 1;
  }
  const missing = counts.reduce((sum, count) => sum + (count === 0 ? 1 : 0), 0);
  if (missing > 0 && !faults.any) faults.add({ code: 'hoursMissing', count: missing });
  return sums.map((sum, at) => (counts[at] ? sum / counts[at] : 0));
}

/**
 * Each day's share of the sun a clear sky would have given there, from day 1 of the year: what the simulation takes in place of
 * drawn skies. Never more than 1; a day with no clear sun at all, in the polar night, counts as overcast.
 */
export function skiesOfYear({ globalW }: WeatherYear, latitudeDeg: number, longitudeDeg: number): Float64Array {
  return Float64Array.from({ length: 365 }, (_, at) => {
    let measured = 0;
    let clear = 0;
    for (let hour = 0; hour < 24; hour++) {
      measured += globalW[at * 24 + hour]!;
      const { altitude } = sunPosition(at + 1, solarHour(hour + 0.5, at + 1, longitudeDeg), latitudeDeg);
      const sky = clearSky(at + 1, altitude, latitudeDeg < 0);
      clear += sky.diffuseHorizontal + sky.beamNormal * Math.max(0, Math.sin(altitude));
    }
    return clear > 0 ? Math.min(1, Math.max(0, measured / clear)) : 0.1;
  });
}

function readTime(text: string): { month: number; day: number; hour: number } | null {
  if (isTooLong(text)) return null;
  const match = /^\s*\d{4}[-/.](\d{1,2})[-/.](\d{1,2})[T ]+(\d{1,2})(?::?\d{2})?(?::\d{2})?(?:\.\d+)?\s*(?:Z|[+-]\d{2}:?\d{2})?\s*$/.exec(
    text,
  );
  return match ? { month: Number(match[1]), day: Number(match[2]), hour: Number(match[3]) } : null;
}

function hourOfYear(at: number): { month: number; day: number; hour: number } {
  const day = Math.floor(at / 24);
  const month = MONTH_STARTS.findLastIndex((start) => start <= day);
  return { month: month + 1, day: day - MONTH_STARTS[month]! + 1, hour: at % 24 };
}

function number(text: string | undefined): number {
  return text === undefined || text.trim() === '' ? NaN : Number(text.trim());
}

function refuse(problems: FileFault[], headings: string[] = []): WeatherReading {
  return { ok: false, problems, headings };
}
