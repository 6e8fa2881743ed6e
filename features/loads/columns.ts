import type { Load } from '@/core/design/schema';
import type { LoadDraw } from '@/core/devices/load';
import { formatDraw } from '@/core/formats/drawText';
import { formatLengthNumber, formatNumber, MISSING } from '@/core/units/quantity';
import type { UnitSystem } from '@/core/catalog/vocabulary';
import type { GridColumn } from '@/ui/grid/types';
import { NO, NO_CIRCUIT, OWN_CIRCUIT, YES } from './cells';

/** One line of the loads table: a load with the words around it. */
export interface LoadRow {
  id: string;
  load: Load;
  /** Of a lamp's further function, what tells it from the lamp it stands under; null for any other load. */
  word: string | null;
  draw: LoadDraw;
  dailyWh: number;
  zone: string;
  circuit: string;
  /** When it runs, in words; empty where only hours are known. */
  when: string;
  hours: number | null;
  share: number | null;
}

interface ColumnContext {
  units: UnitSystem;
  nominalV: number;
  zones: string[];
  circuits: string[];
  /** The column the rows are grouped by; its heading says it already. */
  grouping: string;
}

/** The columns of the loads table. Powers and currents are of the whole load; rated ones of one piece. */
export function loadColumns({ units, nominalV, zones, circuits, grouping }: ColumnContext): GridColumn<LoadRow>[] {
  const choices = (values: string[]) => () => values.map((value) => ({ value, label: value }));
  const columns: GridColumn<LoadRow>[] = [
    {
      key: 'name',
      title: 'Load',
      width: '15.4fr',
      edit: true,
      text: ({ load }) => load.name,
      shown: ({ word }) => (grouping === 'circuit' ? null : word),
      tone: ({ load }) => (load.partOf ? 'within' : undefined),
    },
    {
      key: 'zone',
      title: 'Zone',
      width: '8.5fr',
      edit: true,
      text: ({ zone }) => zone,
      options: choices([NO_CIRCUIT, ...zones]),
      term: 'Zone',
    },
    {
      ...{ key: 'circuit', title: 'Circuit', width: '15.6fr', edit: true, text: ({ circuit }) => circuit },
      options: choices([NO_CIRCUIT, OWN_CIRCUIT, ...circuits]),
      term: 'Circuit',
      tone: ({ circuit }) => (circuit === NO_CIRCUIT ? 'bad' : undefined),
    },
    {
      key: 'quantity',
      title: 'Pcs',
      width: '3.8fr',
      short: true,
      align: 'right',
      edit: true,
      text: ({ load }) => String(load.quantity),
      hint: 'How many pieces, all in a row',
    },
    {
      ...{ key: 'spacing', title: units === 'metric' ? 'Apart, m' : 'Apart, ft', width: '5.7fr', align: 'right', edit: true, short: true },
      text: ({ load }) => (load.quantity > 1 ? formatLengthNumber(load.spacingMm, units) : MISSING),
      editText: ({ load }) => formatLengthNumber(load.spacingMm, units),
      hint: 'Cable between one piece and the next',
    },
    {
      ...{
        key: 'rated',
        title: 'Rated, each',
        width: '14.8fr',
        align: 'right',
        edit: true,
        hint: 'As 24 W, 2 A, or 9.6 W/m x 1.6 m; “at 13.8 V” where it is not the nominal voltage',
      },
      text: ({ load }) => formatDraw(load.rated, nominalV, units),
      tone: ({ load }) => (load.measured ? 'soft' : undefined),
    },
    {
      ...{
        key: 'measured',
        title: 'Measured, all',
        width: '13.9fr',
        align: 'right',
        edit: true,
        hint: 'What the meter said of the whole load; it replaces the rated value',
      },
      text: ({ load }) => (load.measured ? formatDraw(load.measured.draw, nominalV, units) : MISSING),
      editText: ({ load }) => (load.measured ? formatDraw(load.measured.draw, nominalV, units) : ''),
      tone: ({ load }) => (load.measured ? 'measured' : undefined),
    },
    {
      key: 'amps',
      title: 'Draw, A',
      width: '5.8fr',
      short: true,
      align: 'right',
      text: ({ draw }) => formatNumber(draw.amps, 2),
      tone: ({ draw }) => (draw.basis === 'measured' ? 'measured' : undefined),
    },
    {
      ...{ key: 'lasting', title: 'Lasting', width: '5.4fr', edit: true, short: true, options: choices([YES, NO]) },
      text: ({ load }) => (load.continuous ? YES : NO),
      hint: 'A load that runs for hours counts 125 % towards its fuse',
      term: 'Continuous load',
    },
    {
      ...{
        key: 'group',
        title: 'Never with',
        width: '7fr',
        edit: true,
        hint: 'Loads of one group are never on together: white or amber, low or high',
      },
      text: ({ load }) => load.exclusiveGroup ?? MISSING,
      editText: ({ load }) => load.exclusiveGroup ?? '',
    },
    {
      ...{
        key: 'when',
        title: 'When',
        width: '13.2fr',
        edit: true,
        hint: 'Hours such as 7–8:30, 17–21; or dusk–22:30, dark, driving, occupied, 20 x 60 s a night, 6 x 30 s a day for a door, left on',
      },
      text: ({ when }) => when || MISSING,
      editText: ({ when }) => when,
    },
    {
      key: 'hours',
      title: 'h a day',
      width: '5.2fr',
      short: true,
      align: 'right',
      edit: true,
      text: ({ hours }) => (hours === null ? MISSING : trim(hours)),
      editText: ({ hours }) => (hours === null ? '' : trim(hours)),
    },
    {
      ...{
        key: 'share',
        title: 'Duty, %',
        width: '4.8fr',
        short: true,
        align: 'right',
        edit: true,
        hint: 'Duty: the share of those hours it really draws current',
        term: 'Duty',
      },
      text: ({ share }) => (share === null ? MISSING : trim(share)),
      editText: ({ share }) => (share === null ? '' : trim(share)),
    },
    {
      key: 'wh',
      title: 'Wh a day',
      width: '6.2fr',
      short: true,
      align: 'right',
      text: ({ dailyWh }) => formatNumber(dailyWh, dailyWh < 9.95 ? 1 : 0),
    },
  ];
  return columns.filter(({ key }) => key !== grouping);
}

function trim(value: number): string {
  return String(Number(value.toFixed(2)));
}
