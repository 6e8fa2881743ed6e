import type { Draw } from '../design/schema';
import type { UnitSystem } from '../catalog/vocabulary';
import { LIMITS } from '../catalog/vocabulary';
import { parseHours, parseLength, parseNumber, type Parsed } from '../units/parse';
import { isTooLong } from '../units/text';
import { unread, type NotRead, type Ranged } from '../units/unread';
import { formatLength } from '../units/quantity';

/** A draw as people write it in one cell: "24 W", "2 A", "9.6 W/m x 1.6 m", each with "at 13.8 V" where that matters. */

export type ParsedDraw = { ok: true; draw: Draw } | NotRead;

export function formatDraw(draw: Draw, nominalV: number, units: UnitSystem): string {
  const at = draw.atV === nominalV ? '' : ` at ${trim(draw.atV)} V`;
  switch (draw.kind) {
    case 'watts':
      return `${trim(draw.watts)} W${at}`;
    case 'amps':
      return `${trim(draw.amps)} A${at}`;
    case 'strip': {
      const pieces = draw.pieces > 1 ? ` × ${draw.pieces}${draw.join === 'parallel' ? ' parallel' : ''}` : '';
      return `${trim(draw.wattsPerM)} W/m × ${formatLength(draw.lengthMm, units)}${pieces}${at}`;
    }
  }
}

/**
 * Reads what formatDraw writes and what people write instead: a bare number is watts; "x" or "×" between strip power and
 * length; a strip's length in the design's units unless it names one; "at" or "@" before a voltage.
 */
export function parseDraw(text: string, nominalV: number, units: UnitSystem): ParsedDraw {
  if (isTooLong(text)) return unread({ code: 'long', characters: text.length });
  const [body = '', voltage, ...rest] = text.split(/\s*(?:@|\bat\b)\s*/i);
  if (rest.length > 0) return unread({ code: 'twoVoltages' });
  let atV = nominalV;
  if (voltage !== undefined) {
    const volts = parseNumber(voltage, ['V']);
    if (!volts.ok) return unread({ code: 'within', part: 'voltage', why: volts.why });
    if (volts.value < 1 || volts.value > 60) return outside('volts', 1, 60, volts.value);
    atV = volts.value;
  }
  if (/w\s*\/\s*(m|ft)/i.test(body)) return parseStrip(body, atV, units);
  const amps = /\dm?\s*A\s*$/.test(body.trim()) || /a$/i.test(body.trim());
  const number = parseNumber(body, [amps ? 'A' : 'W']);
  if (!number.ok) return number.why.code === 'empty' ? unread({ code: 'noDraw' }) : number;
  const { value } = number;
  if (value < 0) return unread({ code: 'negativeDraw' });
  if (amps) return value > LIMITS.amps ? outside('amps', 0, LIMITS.amps) : { ok: true, draw: { kind: 'amps', amps: value, atV } };
  return value > LIMITS.watts ? outside('watts', 0, LIMITS.watts) : { ok: true, draw: { kind: 'watts', watts: value, atV } };
}

/** A load as it is typed in one line. */
export interface TypedLoad {
  name: string;
  /** Of one; null where none is said. */
  draw: Draw | null;
  quantity: number;
  /** How long it is on a day, and how much of that it draws; null where not said. */
  hours: number | null;
  sharePercent: number | null;
  /** A draw stands in the name where none is looked for: it is not known, and no usual one may be taken for it. */
  isUnread: boolean;
}

const NAME_AND_DRAW = /^(.*?\S)[\s,:]+(?:([1-9]\d?|1\d\d|200)\s*[x×]\s*)?([\d.,]+ ?(?:W|mA|A|kW|watts?|amps?)\b.*)$/i;
const A_DRAW = /\d ?(?:k?W|m?A|watts?|amps?)\b/i;
const HOURS =
  /^(.*?[^\s,;])[\s,;]+(24\/7|\d{1,2} ?h ?[0-5]?\d(?: ?min)?|[\d.,]+ ?(?:h|hrs?|hours?|min|minutes?))(?: ?(?:\/|a|per) ?d(?:ay)?)?$/i;
const SHARE = /^(.*?[^\s,;])[\s,;]+(?:at )?([\d.,]+) ?%$/i;

/**
 * A load's name with its draw behind it, how many there are and how long it is on, as people type all at once: "Reading light 3 W",
 * "Fridge, 4 A at 13 V", "Spots 3 x 2 W", "2 x USB socket", "Heater 200 W 30 % 12 h". A bare number belongs to the name ("Lamp 2"), and so
 * does one with no space behind its x ("4x4 light").
 */
export function splitNameAndDraw(text: string, nominalV: number, units: UnitSystem): TypedLoad {
  const whole = text.trim();
  const nothing = { hours: null, sharePercent: null, isUnread: false };
  if (isTooLong(text)) return { name: whole, draw: null, quantity: 1, ...nothing };
  const { rest: timeless, ...use } = withoutUse(whole);
  const match = NAME_AND_DRAW.exec(timeless);
  const said = match && parseDraw(match[3]!.replace(/watts?/i, 'W').replace(/amps?/i, 'A'), nominalV, units);
  const isSaid = match !== null && said?.ok === true;
  const named = isSaid ? match[1]!.replace(/[\s,:]+$/, '') : whole;
  const [, ahead, rest] = /^([1-9]\d?|1\d\d|200)\s*[x×]\s+(\S.*)$/i.exec(named) ?? [];
  const behind = isSaid ? match[2] : undefined;
  // Two numbers of pieces leave the first in the name.
  const isAhead = ahead !== undefined && behind === undefined;
  const name = isAhead ? rest! : named;
  const quantity = Number((isAhead ? ahead : behind) ?? 1);
  return isSaid
    ? { name, draw: said.draw, quantity, ...nothing, ...use }
    : { name, draw: null, quantity, ...nothing, isUnread: A_DRAW.test(name) };
}

/** A line without its hours a day and the share of them it draws, which stand at its end in either order. */
function withoutUse(line: string): Pick<TypedLoad, 'hours' | 'sharePercent'> & { rest: string } {
  const found = { rest: line, hours: null as number | null, sharePercent: null as number | null };
  // What is past a day, or past all of it, stays where it stands: nobody knows what was meant.
  const takes = (pattern: RegExp, read: (text: string) => Parsed, most: number): number | null => {
    const match = pattern.exec(found.rest);
    const parsed = match && read(match[2]!);
    if (!match || !parsed?.ok || parsed.value > most) return null;
    found.rest = match[1]!;
    return parsed.value;
  };
  const hours = () => (found.hours ??= takes(HOURS, (text) => parseHours(text === '24/7' ? '24' : text), 24));
  hours();
  found.sharePercent = takes(SHARE, parseNumber, 100);
  hours();
  // A share of hours nobody says is of nothing.
  return found.hours === null ? { rest: line, hours: null, sharePercent: null } : found;
}

function parseStrip(body: string, atV: number, units: UnitSystem): ParsedDraw {
  const match = /^\s*([\d.,]+)\s*W\s*\/\s*(m|ft)(?:\s*[x×*]\s*|\s+)(\S.*?)(?:\s*[x×*]\s*(\d+)\s*(parallel|p)?)?\s*$/i.exec(body);
  if (!match) return unread({ code: 'noStrip' });
  const power = parseNumber(match[1]!);
  const length = parseLength(match[3]!, units);
  if (!power.ok) return unread({ code: 'within', part: 'power', why: power.why });
  if (!length.ok) return unread({ code: 'within', part: 'length', why: length.why });
  const wattsPerM = match[2]!.toLowerCase() === 'ft' ? power.value / 0.3048 : power.value;
  if (wattsPerM > 100) return outside('wattsPerM', 0, 100);
  if (length.value < 1 || length.value > LIMITS.lengthMm) return outside('stripMm', 1, LIMITS.lengthMm);
  const pieces = Number(match[4] ?? 1);
  if (pieces < 1 || pieces > 100) return outside('pieces', 1, 100);
  return { ok: true, draw: { kind: 'strip', wattsPerM, lengthMm: length.value, pieces, join: match[5] ? 'parallel' : 'endToEnd', atV } };
}

function trim(value: number): string {
  return String(Number(value.toFixed(3)));
}

function outside(what: Ranged, least: number, most: number, said?: number): NotRead {
  return unread({ code: 'outside', what, least, most, ...(said !== undefined && { said }) });
}
