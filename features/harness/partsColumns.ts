import type { UnitSystem } from '@/core/catalog/vocabulary';
import { perLength, type PartNeed, type StockField } from '@/core/harness/stock';
import { formatLength, formatNumber, MISSING } from '@/core/units/quantity';
import { partWords } from '@/core/wording/harnessWords';
import type { GridColumn } from '@/ui/grid/types';
import { swatchOf } from './scheduleColumns';

/** Cells of the parts list that are typed in. */
export const STOCK_CELLS: ReadonlySet<string> = new Set<StockField>(['have', 'ordered', 'price', 'pack', 'supplier']);

/** The columns of the parts list. */
export function partsColumns(units: UnitSystem, currency: string): GridColumn<PartNeed>[] {
  const amount = ({ byLength }: PartNeed, count: number | undefined) => {
    if (count === undefined || count === 0) return '';
    return byLength ? formatLength(count, units) : formatNumber(count, 0);
  };
  const price = ({ stock, byLength }: PartNeed) =>
    stock?.price === undefined ? '' : formatNumber(stock.price * (byLength ? perLength(units) : 1), 2);
  return [
    {
      ...{ key: 'what', title: 'What', width: '26fr', text: ({ line }) => partWords(line, units).what },
      swatch: ({ line }) => (line.group === 'wire' && line.what === 'wire' && line.look ? swatchOf(line.look) : null),
    },
    { key: 'count', title: 'Needed', width: '7fr', align: 'right', short: true, text: ({ line }) => partWords(line, units).count },
    {
      ...{ key: 'spare', title: 'Spare', width: '7fr', align: 'right', short: true, text: ({ line }) => partWords(line, units).spare },
      hint: 'To have beyond what is needed: crimps are spoilt, fuses blow. Of wire: what stays on the reels',
    },
    {
      ...{ key: 'have', title: 'At hand', width: '7fr', align: 'right', edit: true, text: (need) => amount(need, need.stock?.have) },
      hint: 'What is in the drawer already. Wire goes by the reels of the cut list',
    },
    { key: 'ordered', title: 'Ordered', width: '7fr', align: 'right', edit: true, text: (need) => amount(need, need.stock?.ordered) },
    {
      ...{ key: 'get', title: 'To get', width: '7fr', align: 'right', short: true, text: (need) => amount(need, need.getCount) || MISSING },
      hint: 'Needed and spare, less what is at hand and on its way, in whole packs',
    },
    {
      ...{ key: 'pack', title: 'Pack of', width: '6fr', align: 'right', edit: true },
      text: ({ stock }) => (stock?.pack === undefined ? '' : String(stock.pack)),
    },
    {
      ...{ key: 'price', title: `Price, ${currency}`, width: '8fr', align: 'right', edit: true, text: price },
      hint: units === 'metric' ? 'Of one, or of a metre' : 'Of one, or of a foot',
    },
    {
      ...{ key: 'cost', title: `Cost, ${currency}`, width: '8fr', align: 'right', short: true },
      text: ({ cost }) => (cost === null ? '?' : cost === 0 ? MISSING : formatNumber(cost, 2)),
      hint: 'Of what is still to be got. A question mark: nobody has said a price',
    },
    { key: 'supplier', title: 'From', width: '9fr', edit: true, text: ({ stock }) => stock?.supplier ?? '' },
    { key: 'for', title: 'For', width: '14fr', text: ({ line }) => ('names' in line ? line.names.join(', ') : '') },
  ];
}
