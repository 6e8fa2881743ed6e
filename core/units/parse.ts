import type { UnitSystem } from '../design/vocabulary';

/** What a person typed, read as a quantity; or why it cannot be. */
export type Parsed = { ok: true; value: number } | { ok: false; why: string };

const MM_PER: Record<string, number> = { mm: 1, cm: 10, m: 1000, in: 25.4, '"': 25.4, ft: 304.8, "'": 304.8 };

/**
 * A plain number, with a point or a comma for decimals and an optional unit that must be one of `units`.
 * "1,234" is refused: it may be one and a quarter or over a thousand.
 */
export function parseNumber(text: string, units: readonly string[] = []): Parsed {
  const match = /^([+\-\u2212]?\d*[.,]?\d+|[+\-\u2212]?\d+[.,])\s*([^\d\s].*)?$/.exec(text.trim());
  if (!match) return refuse(text.trim() === '' ? 'enter a number' : `"${short(text)}" is not a number`);
  const unit = match[2]?.trim() ?? '';
  if (unit !== '' && !units.some((known) => known.toLowerCase() === unit.toLowerCase())) {
    return refuse(
      units.length === 0 ? `leave out "${short(unit)}"` : `"${short(unit)}" is not a unit used here; use ${units.join(' or ')}`,
    );
  }
  const digits = match[1]!.replace('\u2212', '-');
  if (/^[+-]?\d{1,3},\d{3}$/.test(digits))
    return refuse(`"${digits}" can be read two ways; write ${digits.replace(',', '')} or ${digits.replace(',', '.')}`);
  const value = Number(digits.replace(',', '.'));
  return Number.isFinite(value) ? { ok: true, value } : refuse(`"${short(text)}" is too large a number`);
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
  const parsed = readLength(text, system, bare);
  return parsed.ok && !Number.isFinite(parsed.value) ? refuse(`"${short(text)}" is not a length`) : parsed;
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
    if (inches >= 12) return refuse(`${inches} inches is a foot or more; write feet and inches as 11 ft 2 in`);
    return { ok: true, value: Number(feetInches[1]) * MM_PER.ft! + inches * MM_PER.in! };
  }
  const onlyInches = ONLY_INCHES.exec(trimmed);
  if (onlyInches) return { ok: true, value: measureOf(onlyInches[1]!) * MM_PER.in! };
  const metres = METRES_CENTIMETRES.exec(trimmed);
  if (metres) {
    const [, m, cm, unit] = metres as unknown as [string, string, string, string | undefined];
    if (cm.length === 1 && !unit) return refuse(`"${short(text)}" can be read two ways; write ${m}.${cm} m, or ${m} m 0${cm}`);
    return { ok: true, value: Number(m) * 1000 + Number(cm) * 10 };
  }
  if (bare === 'in' && ONLY_MEASURE.test(trimmed)) return { ok: true, value: measureOf(trimmed) * MM_PER.in! };
  const two = TWO_NUMBERS.exec(trimmed);
  if (two) {
    const [, a, b] = two as unknown as [string, string, string];
    const offer = system === 'us' ? `${a} ft ${b} in, or ${a}.${b} ft` : `${a}.${b} m, or ${a}${b} mm`;
    return refuse(`"${short(text)}" can be read two ways; write ${offer}`);
  }
  const unit = /[a-z'"]+$/.exec(trimmed)?.[0];
  const number = parseNumber(trimmed.replace(/\s*(?:feet|foot)$/, 'ft'), Object.keys(MM_PER));
  if (!number.ok) return number;
  const name = unit === 'feet' || unit === 'foot' ? 'ft' : unit;
  if (name === undefined && (bare === 'm' || bare === 'ft') && (number.value * MM_PER[bare]!) / 1000 > LONGEST_M) {
    return refuse(`${number.value} ${bare} is longer than any vehicle; write ${number.value} ${bare === 'm' ? 'mm' : 'in, or mm'}`);
  }
  return { ok: true, value: number.value * MM_PER[name ?? bare]! };
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

function refuse(why: string): Parsed {
  return { ok: false, why };
}

function short(text: string): string {
  const trimmed = text.trim();
  return trimmed.length > 24 ? `${trimmed.slice(0, 24)}…` : trimmed;
}
