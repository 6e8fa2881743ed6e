import { CONDUCTOR_SIZES, type ConductorSize } from '../catalog/conductorSizes';
import { lookCode, readLook, type WireLook } from '../catalog/wireColours';
import { LIMITS, WIRE_ENDS, type UnitSystem } from '../catalog/vocabulary';
import { setting, updateRecords, withFields, type Change } from '../design/change';
import { recordsOf, settingsOf, type Design } from '../design/design';
import type { Edit } from '../design/edit';
import type { DesignRecord, Wire } from '../design/schema';
import { parseLength } from '../units/parse';
import type { Unread } from '../units/unread';
import { formatConductor } from '../units/quantity';
import { lookOf } from './cables';
import { colourWires } from './colourWires';
import { harnessOfDesign } from './schedule';
import { indexDesign } from '../rig/designIndex';

/** What of a wire is set in the schedule. */
export const WIRE_FIELDS = ['number', 'colour', 'conductor', 'length', 'fromEnd', 'toEnd'] as const;
export type WireField = (typeof WIRE_FIELDS)[number];

/** Why a text cannot be taken, as plain facts; `core/wording` says it. */
export type WireRefusal =
  | { why: 'gone' }
  | { why: 'numberTaken' }
  | { why: 'numberShape' }
  | { why: 'colour' }
  | { why: 'core' }
  | { why: 'conductor' }
  | { why: 'length'; unread: Unread }
  | { why: 'negative' }
  | { why: 'tooLong' }
  | { why: 'end' };

/** Takes the text of one cell into the design. Nothing where it cannot be read: why. An empty one takes away what was set. */
export function setWireField(edit: Edit, wireId: string, field: WireField, text: string, units: UnitSystem): WireRefusal | null {
  const wire = edit.design.records.get(wireId);
  if (wire?.type !== 'wire') return { why: 'gone' };
  const fields = read(edit.design, wire, field, text.trim(), units);
  if ('why' in fields) return fields;
  edit.set(wireId, fields);
  return null;
}

type WireFields = Partial<{ [K in keyof Wire]: Wire[K] | undefined }>;

function read(design: Design, wire: Wire, field: WireField, text: string, units: UnitSystem): WireFields | WireRefusal {
  switch (field) {
    case 'number': {
      if (text === '') return { number: undefined };
      if (!/^\S{1,12}$/.test(text)) return { why: 'numberShape' };
      const isTaken = recordsOf(design, 'wire').some((other) => other.id !== wire.id && other.number === text);
      return isTaken ? { why: 'numberTaken' } : { number: text };
    }
    case 'colour': {
      // What only repeats its core's colour changes nothing.
      if (wire.core) return sameLook(lookOf(wire, cablesIn(design)), readLook(text)) ? {} : { why: 'core' };
      if (text === '') return { colour: undefined, stripe: undefined };
      const look = readLook(text);
      return look ? { colour: look.colour, stripe: look.stripe } : { why: 'colour' };
    }
    case 'conductor': {
      const conductor = readConductor(text);
      return conductor ? { conductor } : { why: 'conductor' };
    }
    case 'length': {
      if (text === '') return { lengthMeasured: false };
      const length = parseLength(text, units);
      if (!length.ok) return { why: 'length', unread: length.why };
      if (length.value < 0) return { why: 'negative' };
      return length.value > LIMITS.lengthMm ? { why: 'tooLong' } : { lengthMm: Math.round(length.value), lengthMeasured: true };
    }
    case 'fromEnd':
    case 'toEnd': {
      const end = text === '' ? undefined : WIRE_ENDS.find((one) => one === text);
      return text !== '' && !end ? { why: 'end' } : field === 'fromEnd' ? { fromEnd: end } : { toEnd: end };
    }
  }
}

const cablesIn = (design: Design) => new Map(recordsOf(design, 'cable').map((cable) => [cable.id, cable]));
const sameLook = (one: WireLook | null, other: WireLook | null) => one !== null && other !== null && lookCode(one) === lookCode(other);

/** A size as it is shown or written: "2.5 mm²", "2.5", "14 AWG", "AWG 14", "mm2:2.5". */
function readConductor(text: string): ConductorSize | null {
  const bare = (value: string) => value.toLowerCase().replace(/mm²|mm2:?|awg:?|\s/g, '');
  const isGauge = /awg|\/0/i.test(text);
  return (
    CONDUCTOR_SIZES.find((size) => size === text || formatConductor(size) === text) ??
    CONDUCTOR_SIZES.find((size) => size.startsWith(isGauge ? 'awg' : 'mm2') && bare(size) === bare(text)) ??
    null
  );
}

/**
 * Gives every wire without one the number it is shown with, so that no later edit moves it.
 * @param shown what is seen of the design: what is there for now or taken out may be out of sight, and keeps what it has
 */
export function fixNumbers(design: Design, shown: Design = design): Change {
  const taken = new Set(recordsOf(design, 'wire').map(({ number }) => number));
  const open = harnessOfDesign(shown).wires.filter(
    ({ wire, number, isNumbered }) => !isNumbered && !taken.has(number) && design.records.has(wire.id),
  );
  return updateRecords(
    design,
    open.map(({ wire, number }) => setting(wire, { number })),
  );
}

/** Colours every wire that is seen and has no colour, or all of them anew, by the design's school and the reels at hand. */
export function colourAll(design: Design, anew: boolean, shown: Design = design): Change {
  const bare = anew ? withoutColours(shown) : shown;
  const index = indexDesign(bare);
  const { roles } = harnessOfDesign(bare);
  const looks = colourWires(index, roles, settingsOf(design).colourSchool ?? 'pole', recordsOf(design, 'reel'));
  return updateRecords(
    design,
    Array.from(looks, ([id, { colour, stripe }]) => ({ id, set: { colour, stripe } })).filter(({ id }) => design.records.has(id)),
  );
}

/** A wire with no colour chosen. */
export function bareWire(wire: Wire): DesignRecord {
  return withFields(wire, { colour: undefined, stripe: undefined });
}

function withoutColours(design: Design): Design {
  const records = new Map(design.records);
  for (const wire of recordsOf(design, 'wire')) {
    records.set(wire.id, bareWire(wire));
  }
  return { records };
}
