import { CONDUCTOR_SIZES } from '@/core/catalog/conductorSizes';
import { WIRE_COLOURS, lookCode, lookWords, type WireLook } from '@/core/catalog/wireColours';
import { goesByGauge, WIRE_ENDS, type UnitSystem } from '@/core/catalog/vocabulary';
import type { Analysis } from '@/core/analysis/types';
import { nameOf } from '@/core/design/names';
import type { Design } from '@/core/design/design';
import type { DesignIndex } from '@/core/rig/designIndex';
import type { HarnessEnd, HarnessWire } from '@/core/harness/harnessWire';
import type { Harness } from '@/core/harness/schedule';
import { formatConductor, formatLength, formatLengthNumber, MISSING } from '@/core/units/quantity';
import { DUTY_WORDS, END_WORDS, endWords } from '@/core/wording/harnessWords';
import { terminalName } from '@/core/wording/terminalNames';
import type { GridColumn, GridGroup } from '@/ui/grid/types';

/** A line of the wire schedule with the words around it. */
export interface WireRow {
  id: string;
  line: HarnessWire;
  from: string;
  to: string;
  circuit: string;
  /** The name of the cable it is a core of; empty for a wire by itself. */
  cable: string;
}

export type WireGrouping = 'circuit' | 'look' | 'colour' | 'zone' | 'way' | 'day' | 'none';

/** The groupings as one chooses them. */
export const GROUPINGS: { value: WireGrouping; label: string }[] = [
  { value: 'circuit', label: 'by circuit' },
  { value: 'look', label: 'by reel' },
  { value: 'colour', label: 'by colour' },
  { value: 'zone', label: 'by zone' },
  { value: 'way', label: 'by way' },
  { value: 'day', label: 'by day' },
  { value: 'none', label: 'one list' },
];

/** The day each circuit's wires are made on, by its id. */
type MakingDays = ReadonlyMap<string | null, number> | null;

/** What an end is shown as where nobody chose it: the same as with an empty cell. */
export const USUAL_END = 'as usual';

/** Two halves where there is a stripe, as the wire shows it. */
export function swatchOf(look: WireLook): string {
  const base = WIRE_COLOURS[look.colour].tint;
  if (!look.stripe) return base;
  const stripe = WIRE_COLOURS[look.stripe].tint;
  return `linear-gradient(${base} 36%, ${stripe} 36% 64%, ${base} 64%)`;
}

/** Its colour in words, and the core of which cable it is; what is put over both its ends. */
function colourText({ line: { wire, look }, cable }: WireRow): string {
  const words = look ? lookWords(look) : MISSING;
  const sleeve = wire.sleeve ? `, ${WIRE_COLOURS[wire.sleeve].word} sleeve` : '';
  return wire.core ? `${cable} ${wire.core.at}: ${words}${sleeve}` : `${words}${sleeve}`;
}

/** The columns of the wire schedule. */
export function scheduleColumns(units: UnitSystem, settings: DesignIndex['settings']): GridColumn<WireRow>[] {
  const sizes = CONDUCTOR_SIZES.filter((size) => size.startsWith('awg') === goesByGauge(settings.conductorStandard));
  const ends = [
    { value: USUAL_END, label: USUAL_END },
    ...WIRE_ENDS.map((value) => ({ value: END_WORDS[value], label: END_WORDS[value] })),
  ];
  return [
    {
      ...{ key: 'number', title: 'No.', width: '4.4fr', edit: true, text: ({ line }) => line.number },
      tone: ({ line }) => (line.isNumbered ? undefined : 'soft'),
      hint: 'What is on its labels. Grey until it is fixed: an edit may still move it',
    },
    {
      ...{ key: 'colour', title: 'Colour', width: '13fr', edit: true, text: colourText },
      editText: ({ line }) => (line.look ? lookCode(line.look) : ''),
      swatch: ({ line }) => (line.look ? swatchOf(line.look) : null),
      hint: 'In words or letters: red with white, RDWH',
    },
    {
      ...{ key: 'conductor', title: 'Size', width: '6fr', edit: true, text: ({ line }) => formatConductor(line.wire.conductor) },
      options: () => sizes.map((size) => ({ value: formatConductor(size), label: formatConductor(size) })),
    },
    { key: 'from', title: 'From', width: '15fr', text: ({ from }) => from },
    {
      ...{
        key: 'fromEnd',
        title: 'Its end',
        width: '9.5fr',
        edit: true,
        text: ({ line }) => endWords(line.from.ending),
        options: () => ends,
      },
      tone: ({ line }) => (line.from.ending.isChosen ? 'measured' : undefined),
      hint: 'What is crimped on. A question mark: nobody has said which stud it is',
    },
    { key: 'to', title: 'To', width: '15fr', text: ({ to }) => to },
    {
      ...{ key: 'toEnd', title: 'Its end', width: '12.4fr', edit: true, text: ({ line }) => endWords(line.to.ending), options: () => ends },
      tone: ({ line }) => (line.to.ending.isChosen ? 'measured' : undefined),
    },
    {
      ...{ key: 'length', title: units === 'metric' ? 'Cut, m' : 'Cut, ft', width: '6fr', align: 'right', short: true, edit: true },
      text: ({ line }) => formatLengthNumber(line.lengthMm, units),
      tone: ({ line }) => (line.wire.lengthMeasured ? 'measured' : undefined),
      hint: 'Its slack at both ends in it. Measured: underlined. Empty it to go by the plan again',
    },
    { key: 'duty', title: 'Does', width: '6fr', text: ({ line }) => DUTY_WORDS[line.role.duty] },
  ];
}

/** The wires as lines of the schedule, grouped. */
export function scheduleGroups(
  analysis: Analysis,
  { wires }: Harness,
  grouping: WireGrouping,
  find: string,
  days: MakingDays,
): GridGroup<WireRow>[] {
  const { design, index } = analysis;
  const { units } = index.settings;
  const rows = wires
    .map((line): WireRow => {
      const circuit = nameOf(design, line.role.circuitId ?? undefined);
      return {
        id: line.wire.id,
        line,
        from: endName(design, index, line.from),
        to: endName(design, index, line.to),
        circuit,
        cable: nameOf(design, line.wire.core?.cableId),
      };
    })
    .filter((row) => isFound(row, find));
  const groups = new Map<string, WireRow[]>();
  for (const row of rows) {
    const title = titleOf(design, index, row, grouping, days);
    groups.set(title, [...(groups.get(title) ?? []), row]);
  }
  const inOrder = grouping === 'day' ? [...groups].sort(([a], [b]) => a.localeCompare(b, 'en', { numeric: true })) : [...groups];
  return inOrder.map(([title, list]) => ({
    id: title || 'all',
    title: title && `${title} · ${list.length}`,
    ...(title && {
      sums: {
        length: formatLength(
          list.reduce((sum, { line }) => sum + line.lengthMm, 0),
          units,
        ),
      },
    }),
    rows: list,
  }));
}

function endName(design: Design, { devices }: DesignIndex, { deviceId, terminal }: HarnessEnd): string {
  const device = devices.get(deviceId);
  return `${nameOf(design, deviceId)}, ${device ? terminalName(device, terminal) : terminal}`;
}

function titleOf(design: Design, { devices }: DesignIndex, { line, circuit }: WireRow, grouping: WireGrouping, days: MakingDays): string {
  switch (grouping) {
    case 'circuit':
      return circuit || 'Shared by circuits';
    case 'look':
      return `${formatConductor(line.wire.conductor)}, ${line.look ? lookWords(line.look) : 'no colour yet'}`;
    case 'colour':
      return line.look ? lookWords(line.look) : 'no colour yet';
    case 'day': {
      const day = days?.get(line.role.circuitId);
      return day === undefined ? 'Made' : `Day ${day} of the work plan`;
    }
    case 'zone': {
      const zoneId = devices.get(line.to.deviceId)?.zoneId ?? devices.get(line.from.deviceId)?.zoneId;
      return zoneId ? nameOf(design, zoneId) : 'In no zone';
    }
    case 'way':
      return line.routeIds.length === 0 ? 'In no stretch' : line.routeIds.map((id) => nameOf(design, id)).join(', ');
    case 'none':
      return '';
  }
}

/** Whether a line has every word that is looked for. */
function isFound({ line, from, to, circuit, cable }: WireRow, find: string): boolean {
  if (find.trim() === '') return true;
  const text = [line.number, cable, line.look ? `${lookCode(line.look)} ${lookWords(line.look)}` : '', formatConductor(line.wire.conductor), from, to, circuit, endWords(line.from.ending), endWords(line.to.ending), DUTY_WORDS[line.role.duty]].join(' ').toLowerCase(); // prettier-ignore
  return find.toLowerCase().split(/\s+/).filter(Boolean).every((word) => text.includes(word)); // prettier-ignore
}
