import { deviceOf, recordOf, settingsOf, type Design } from '@/core/design/design';
import { dutyOf, setDuty } from '@/core/design/duties';
import type { Edit } from '@/core/design/edit';
import type { Duty, Load } from '@/core/design/schema';
import { LIMITS } from '@/core/catalog/vocabulary';
import { dutyHours } from '@/core/energy/budget';
import { loadDraw, loadSize } from '@/core/devices/load';
import { settingOf } from '@/core/energy/setting';
import { nameOf } from '@/core/design/names';
import { formatDraw, parseDraw } from '@/core/formats/drawText';
import { parseUse } from '@/core/formats/useText';
import { ownCircuit } from '@/core/switching/ownCircuit';
import { attachLoad, detachLoad } from '@/core/switching/loadWires';
import { addCircuit } from '@/core/switching/schemes';
import { usualScheme } from '@/core/switching/usualScheme';
import { parseHours, parseLength, parseNumber, type Parsed } from '@/core/units/parse';
import { formatLength, MISSING } from '@/core/units/quantity';
import { outOfRange, unreadWords } from '@/core/wording/unreadWords';

/** The columns of the loads table that a person sets. */
export type LoadField =
  'name' | 'zone' | 'circuit' | 'quantity' | 'spacing' | 'rated' | 'measured' | 'lasting' | 'group' | 'when' | 'hours' | 'share';

export const NO_CIRCUIT = MISSING;
export const OWN_CIRCUIT = '+ a circuit of its own';
export const YES = 'yes';
export const NO = 'no';

/** Takes the text of one cell into the design. Returns why it cannot be read, leaving the design alone, or null. */
export function setCell(edit: Edit, loadId: string, field: LoadField, text: string, today: string): string | null {
  const load = deviceOf(edit.design, loadId, 'load');
  if (!load) return 'this load is gone';
  // What a copied cell shows where there is nothing is nothing when it is pasted.
  const typed = text.trim() === MISSING ? '' : text.trim();
  return SETTERS[field](edit, load, typed, today);
}

type Setter = (edit: Edit, load: Load, text: string, today: string) => string | null;

const SETTERS: Record<LoadField, Setter> = {
  name(edit, load, text) {
    if (text === '') return 'a load needs a name';
    if (text.length > LIMITS.nameLength) return `at most ${LIMITS.nameLength} characters`;
    edit.set(load, { name: text });
    return null;
  },
  zone(edit, load, text) {
    const zone = text === '' ? null : named(edit.design, 'zone', text);
    if (zone === undefined) return `there is no zone called “${text}”`;
    edit.set(load, { zoneId: zone });
    return null;
  },
  circuit(edit, load, text) {
    if (text === OWN_CIRCUIT) {
      detachLoad(edit, load.id);
      // With nothing that could feed it the circuit waits for a slot, which its finding then says.
      const unfed = { ...usualScheme(edit.design, load.name, load.zoneId), mount: null, loadIds: [load.id] };
      addCircuit(edit, ownCircuit(edit.design, load) ?? unfed);
      return null;
    }
    const circuit = text === '' ? null : named(edit.design, 'circuit', text);
    if (circuit === undefined) return `there is no circuit “${text}”`;
    detachLoad(edit, load.id);
    if (circuit) attachLoad(edit, load.id, circuit);
    return null;
  },
  quantity(edit, load, text) {
    return number(parseNumber(text || '1'), 1, LIMITS.quantity, (quantity) => {
      if (!Number.isInteger(quantity)) return 'a whole number';
      edit.set(load, { quantity });
      return null;
    });
  },
  spacing(edit, load, text) {
    const parsed = parseLength(text || '0', settingsOf(edit.design).units);
    if (!parsed.ok) return unreadWords(parsed.why);
    if (parsed.value < 0 || parsed.value > LIMITS.lengthMm)
      return outOfRange(0, LIMITS.lengthMm, (mm) => formatLength(mm, settingsOf(edit.design).units));
    edit.set(load, { spacingMm: parsed.value });
    return null;
  },
  rated(edit, load, text) {
    const { nominalV, units } = settingsOf(edit.design);
    const parsed = parseDraw(text, nominalV, units);
    if (!parsed.ok) return unreadWords(parsed.why);
    const same = formatDraw(load.rated, nominalV, units) === formatDraw(parsed.draw, nominalV, units);
    if (!same) edit.set(load, { rated: parsed.draw });
    return null;
  },
  measured(edit, load, text, today) {
    if (text === '') {
      edit.set(load, { measured: null });
      return null;
    }
    const { nominalV, units } = settingsOf(edit.design);
    const parsed = parseDraw(text, nominalV, units);
    if (!parsed.ok) return unreadWords(parsed.why);
    if (parsed.draw.kind === 'strip') return 'a measurement is watts or amperes of the whole load';
    if (load.measured && formatDraw(load.measured.draw, nominalV, units) === formatDraw(parsed.draw, nominalV, units)) return null;
    edit.set(load, { measured: { draw: parsed.draw, forSize: loadSize(load), on: today } });
    return null;
  },
  lasting(edit, load, text) {
    const yes = ['', YES, 'y', 'true', '1', 'for hours'].includes(text.toLowerCase());
    const no = [NO, 'n', 'false', '0', 'briefly'].includes(text.toLowerCase());
    if (!yes && !no) return 'write yes or no: does it run for hours?';
    edit.set(load, { continuous: yes });
    return null;
  },
  group(edit, load, text) {
    if (text.length > 40) return 'at most 40 characters';
    edit.set(load, { exclusiveGroup: text === '' ? null : text });
    return null;
  },
  when(edit, load, text) {
    if (leavesUnused(edit, load, text)) return null;
    const read = parseUse(text);
    return read.ok ? used(edit, load.id, { use: read.value }) : unreadWords(read.why);
  },
  hours: (edit, load, text) =>
    number(parseHours(text || '0'), 0, 24, (hoursPerDay) => {
      if (leavesUnused(edit, load, text)) return null;
      // The hours its times come to are no hours of their own: pasting a line as it stands keeps its times.
      if (Math.abs(hoursPerDay - (hoursByTimes(edit.design, load) ?? Infinity)) < 0.006) return null;
      return used(edit, load.id, { hoursPerDay, use: null });
    }),
  share: (edit, load, text) =>
    number(parseNumber(text || '100', ['%']), 0, 100, (sharePercent) =>
      leavesUnused(edit, load, text) ? null : used(edit, load.id, { sharePercent }),
    ),
};

/** Nothing written for a load that nobody uses yet: it stays so, which is not the same as used for no hours. */
function leavesUnused({ design }: Edit, load: Load, text: string): boolean {
  return text === '' && dutyOf(design, load.id) === null;
}

/** Hours a day that a load's times come to; null when it has none. */
function hoursByTimes(design: Design, load: Load): number | null {
  const duty = dutyOf(design, load.id);
  const scenario = recordOf(design, duty?.scenarioId ?? null, 'scenario');
  if (!duty?.use || !scenario) return null;
  return dutyHours(load, { ...duty, sharePercent: 100 }, loadDraw(load).watts, settingOf(scenario));
}

function used(edit: Edit, loadId: string, fields: Partial<Duty>): string | null {
  return setDuty(edit, loadId, fields) ? null : 'add a scenario first';
}

function number(parsed: Parsed, least: number, most: number, take: (value: number) => string | null): string | null {
  if (!parsed.ok) return unreadWords(parsed.why);
  if (parsed.value < least || parsed.value > most) return `between ${least} and ${most}`;
  return take(parsed.value);
}

/** A record by its name, a circuit by its number too. Undefined when there is none. */
function named(design: Design, type: 'zone' | 'circuit', text: string): string | undefined {
  const wanted = text.toLowerCase();
  for (const record of design.records.values()) {
    if (record.type !== type) continue;
    const byName = record.name.toLowerCase() === wanted || nameOf(design, record.id).toLowerCase() === wanted;
    if (record.id === text || byName || (record.type === 'circuit' && String(record.number) === text.replace(/^0+/, ''))) return record.id;
  }
  return undefined;
}
