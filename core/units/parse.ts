import type { UnitSystem } from '../catalog/vocabulary';
import { isTooLong } from './text';
import { short, unread, type NotRead } from './unread';

/** What a person typed, read as a quantity; or why it cannot be. */
export type Parsed<T = number> = { ok: true; value: T } | NotRead;

const MM_PER: Record<string, number> = { mm: 1, cm: 10, m: 1000, in: 25.4, '"': 25.4, ft: 304.8, "'": 304.8 };

/** What a unit is of another that it may be written for: larger and smaller ones of the same thing. */
const SCALES: Record<string, Record<string, number>> = {
  A: { mA: 1e-3, kA: 1e3 },
  V: { mV: 1e-3 },
  W: { kW: 1e3 },
  Ah: { mAh: 1e-3, kAh: 1e3 },
  Wh: { kWh: 1e3 },
  h: { hour: 1, hours: 1, hr: 1, hrs: 1, min: 1 / 60, minutes: 1 / 60, s: 1 / 3600 },
  kg: { g: 1e-3, lb: 0.45359237 },
};

/**
 * A plain number in the first of `units`, with a point or a comma for decimals and an optional unit: one of `units`, or one that is so many
 * of the first (mA, kW, min). "1,234" is refused: it may be one and a quarter or over a thousand.
 */
export function parseNumber(text: string, units: readonly string[] = []): Parsed {
  if (isTooLong(text)) return unread({ code: 'long', characters: text.length });
  const match = /^([+\-\u2212]?\d*[.,]?\d+|[+\-\u2212]?\d+[.,])\s*([^\d\s].*)?$/.exec(text.trim());
  if (!match) return unread(text.trim() === '' ? { code: 'empty' } : { code: 'noNumber', said: short(text) });
  const unit = match[2]?.trim() ?? '';
  const named = (known: string) => known.toLowerCase() === unit.toLowerCase();
  const scales = SCALES[units[0] ?? ''] ?? {};
  const scale = unit === '' || units.some(named) ? 1 : scales[Object.keys(scales).find(named) ?? ''];
  if (scale === undefined) return unread({ code: 'unit', said: short(unit), taken: units });
  const digits = match[1]!.replace('\u2212', '-');
  if (/^[+-]?\d{1,3},\d{3}$/.test(digits))
    return unread({ code: 'ambiguous', said: digits, readings: [digits.replace(',', ''), digits.replace(',', '.')] });
  // What the scale adds in the last of sixteen digits was never typed.
  const value = Number((Number(digits.replace(',', '.')) * scale).toPrecision(15));
  return Number.isFinite(value) ? { ok: true, value } : unread({ code: 'tooLarge', said: short(text) });
}

/** The unit a bare number has: what the field it is typed into shows. */
export type BareUnit = 'm' | 'ft' | 'mm' | 'in';

const FEET = "(?:ft|foot|feet|')";
const INCHES = '(?:inches|inch|in|")';
/** A whole number, decimals, or a fraction with or without a whole: 2, 2.5, 2 1/2, 1/2. */
const MEASURE = '(\\d+(?:[.,]\\d+)?|\\d+\\s+\\d+\\/\\d+|\\d+\\/\\d+)';
const FEET_INCHES = new RegExp(`^(\\d+)\\s*${FEET}\\s*(?:-|and)?\\s*${MEASURE}\\s*${INCHES}?$`);
const ONLY_INCHES = new RegExp(`^${MEASURE}\\s*${INCHES}$`);
const ONLY_MEASURE = new RegExp(`^${MEASURE}$`);
const METRES_CENTIMETRES = /^(\d+)\s*m\s*(\d{1,2})\s*(cm)?$/;
const TWO_NUMBERS = /^(\d+)\s*[-\s/]\s*(\d+)$/;
const VULGAR: Record<string, string> = { '½': '1/2', '¼': '1/4', '¾': '3/4', '⅛': '1/8', '⅜': '3/8', '⅝': '5/8', '⅞': '7/8' };
/** Longer than any vehicle, m: a bare number past this was meant in millimetres. */
const LONGEST_M = 50;

/**
 * A length in millimetres from text as people write it: "3.4", "3,4 m", "340 cm", "3 m 40", "11 ft", "11' 2\"", "11ft 2 1/2in",
 * "134 ½\"". A bare number has the unit of its field. What can be read two ways is refused, with the readings offered.
 */
export function parseLength(text: string, system: UnitSystem, bare: BareUnit = system === 'metric' ? 'm' : 'ft'): Parsed {
  if (isTooLong(text)) return unread({ code: 'long', characters: text.length });
  const parsed = readLength(text, system, bare);
  return parsed.ok && !Number.isFinite(parsed.value) ? unread({ code: 'noLength', said: short(text) }) : parsed;
}

function readLength(text: string, system: UnitSystem, bare: BareUnit): Parsed {
  const trimmed = text
    .trim()
    .toLowerCase()
    .replace(/[\u2032\u2019]/g, "'")
    .replace(/[\u2033\u201d]|''/g, '"')
    .replace(/\s*([½¼¾⅛⅜⅝⅞])/g, (_, sign: string) => ` ${VULGAR[sign]}`)
    .trim();
  const feetInches = FEET_INCHES.exec(trimmed);
  if (feetInches) {
    const inches = measureOf(feetInches[2]!);
    if (inches >= 12) return unread({ code: 'inchesPastFoot', inches });
    return { ok: true, value: Number(feetInches[1]) * MM_PER.ft! + inches * MM_PER.in! };
  }
  const onlyInches = ONLY_INCHES.exec(trimmed);
  if (onlyInches) return { ok: true, value: measureOf(onlyInches[1]!) * MM_PER.in! };
  const metres = METRES_CENTIMETRES.exec(trimmed);
  if (metres) {
    const [, m, cm, unit] = metres as unknown as [string, string, string, string | undefined];
    if (cm.length === 1 && !unit) return unread({ code: 'ambiguous', said: short(text), readings: [`${m}.${cm} m`, `${m} m 0${cm}`] });
    return { ok: true, value: Number(m) * 1000 + Number(cm) * 10 };
  }
  if (bare === 'in' && ONLY_MEASURE.test(trimmed)) return { ok: true, value: measureOf(trimmed) * MM_PER.in! };
  const two = TWO_NUMBERS.exec(trimmed);
  if (two) {
    const [, a, b] = two as unknown as [string, string, string];
    const readings = system === 'us' ? [`${a} ft ${b} in`, `${a}.${b} ft`] : [`${a}.${b} m`, `${a}${b} mm`];
    return unread({ code: 'ambiguous', said: short(text), readings });
  }
  const unit = /[a-z'"]+$/.exec(trimmed)?.[0];
  const number = parseNumber(trimmed.replace(/\s*(?:feet|foot)$/, 'ft'), Object.keys(MM_PER));
  if (!number.ok) return number;
  const name = unit === 'feet' || unit === 'foot' ? 'ft' : unit;
  if (name === undefined && (bare === 'm' || bare === 'ft') && (number.value * MM_PER[bare]!) / 1000 > LONGEST_M) {
    return unread({ code: 'longerThanVehicle', value: number.value, unit: bare });
  }
  return { ok: true, value: number.value * MM_PER[name ?? bare]! };
}

/**
 * A place or a size in the vehicle, mm: bare millimetres, or feet and inches; there a bare number but nought may be either, and is asked
 * about.
 */
export function parsePlace(text: string, system: UnitSystem): Parsed {
  if (system === 'us' && !isTooLong(text) && ONLY_MEASURE.test(text.trim()) && Number(text) !== 0) {
    return unread({ code: 'ambiguous', said: short(text), readings: [`${short(text)} ft`, `${short(text)} in`] });
  }
  return parseLength(text, system, system === 'metric' ? 'mm' : 'in');
}

/** Decimals, or a whole and a fraction. */
function measureOf(text: string): number {
  return text
    .split(/\s+/)
    .map((part) => {
      const [over, under] = part.split('/');
      return under === undefined ? Number(over!.replace(',', '.')) : Number(over) / Number(under);
    })
    .reduce((sum, part) => sum + part, 0);
}

/** Hours from text: a number, `30 min`, `1 h 30`, `1:30`. */
export function parseHours(text: string): Parsed {
  if (isTooLong(text)) return unread({ code: 'long', characters: text.length });
  const both = /^(\d{1,3})\s*(?:h|:)\s*([0-5]?\d)\s*(?:min|m)?$/i.exec(text.trim());
  return both ? { ok: true, value: Number(both[1]) + Number(both[2]) / 60 } : parseNumber(text, ['h']);
}
