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
  return { ok: true, value: Number(digits.replace(',', '.')) };
}

/** A length in millimetres from text such as "3.4", "3,4 m", "340 cm", "11 ft", "11' 2\"" or "11 ft 2 in"; a bare number is metres or feet. */
export function parseLength(text: string, system: UnitSystem): Parsed {
  const trimmed = text
    .trim()
    .toLowerCase()
    .replace(/[\u2032\u2019]/g, "'")
    .replace(/[\u2033\u201d]|''/g, '"');
  const feetInches = /^(\d+(?:\.\d+)?)\s*(?:ft|')\s*(\d+(?:\.\d+)?)\s*(?:in|")?$/.exec(trimmed);
  if (feetInches) {
    const inches = Number(feetInches[2]);
    if (inches >= 12) return refuse(`${inches} inches is a foot or more; write feet and inches as 11 ft 2 in`);
    return { ok: true, value: Number(feetInches[1]) * MM_PER.ft! + inches * MM_PER.in! };
  }
  const unit = /[a-z'"]+$/.exec(trimmed)?.[0];
  const number = parseNumber(trimmed, Object.keys(MM_PER));
  if (!number.ok) return number;
  return { ok: true, value: number.value * MM_PER[unit ?? (system === 'metric' ? 'm' : 'ft')]! };
}

function refuse(why: string): Parsed {
  return { ok: false, why };
}

function short(text: string): string {
  const trimmed = text.trim();
  return trimmed.length > 24 ? `${trimmed.slice(0, 24)}…` : trimmed;
}
