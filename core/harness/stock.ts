import { LIMITS, type UnitSystem } from '../catalog/vocabulary';
import type { Edit } from '../design/edit';
import { newId } from '../design/ids';
import { recordsOf } from '../design/design';
import type { Stock } from '../design/schema';
import { parseLength, parseNumber } from '../units/parse';
import { partKey, type PartLine } from './partsList';

/** A line of the parts list with what is at hand of it, and what is still to be got. */
export interface PartNeed {
  id: string;
  line: PartLine;
  stock: Stock | null;
  /** Whether it is counted by length: mm then, pieces else. */
  byLength: boolean;
  /** Still to get, whole packs. */
  getCount: number;
  /** What that costs; null where nobody has said a price and something is to be got. */
  cost: number | null;
}

/**
 * What is still to be got of every line: what is needed and to spare, less what is at hand and on its way, in whole packs. Wire by the reel
 * goes by the reels at hand.
 */
export function partNeeds(lines: readonly PartLine[], stocks: readonly Stock[]): PartNeed[] {
  const byPart = new Map(stocks.map((stock) => [stock.part, stock]));
  return lines.map((line): PartNeed => {
    const id = partKey(line);
    const stock = byPart.get(id) ?? null;
    const byLength = line.group === 'wire';
    const openCount = Math.max(0, wantedOf(line) - (stock?.have ?? 0) - (stock?.ordered ?? 0));
    const pack = byLength ? 1 : (stock?.pack ?? 1);
    const getCount = Math.ceil(openCount / pack) * pack;
    const price = stock?.price;
    const cost = getCount === 0 ? 0 : price === undefined ? null : (price * getCount) / (byLength ? 1000 : 1);
    return { id, line, stock, byLength, getCount, cost };
  });
}

function wantedOf(line: PartLine): number {
  if (line.group === 'wire') return line.what === 'wire' ? line.buyMm : line.count + line.spareMm;
  return line.count + ('spare' in line ? line.spare : 0);
}

/** What all that is still to be got costs, and of how many lines nobody knows. */
export function totalOf(needs: readonly PartNeed[]): { cost: number; open: number } {
  return {
    cost: needs.reduce((sum, { cost }) => sum + (cost ?? 0), 0),
    open: needs.filter(({ cost }) => cost === null).length,
  };
}

/** What is set of a line. */
export const STOCK_FIELDS = ['have', 'ordered', 'price', 'pack', 'supplier'] as const;
export type StockField = (typeof STOCK_FIELDS)[number];

/** Why a text cannot be taken, as plain facts; `core/wording` says it. */
export type StockRefusal = { why: 'number' } | { why: 'large' } | { why: 'whole' } | { why: 'byReel' } | { why: 'long' };

/** Takes the text of one cell into the design. Nothing where it cannot be read: why. An empty one takes away what was set. */
export function setStockField(edit: Edit, line: PartLine, field: StockField, text: string, units: UnitSystem): StockRefusal | null {
  const value = read(line, field, text.trim(), units);
  if (typeof value === 'object') return value;
  const part = partKey(line);
  const known = recordsOf(edit.design, 'stock').find((stock) => stock.part === part);
  if (!known && value === undefined) return null;
  const { id } = known ?? edit.add({ id: newId('stock'), type: 'stock', part });
  edit.set(id, { [field]: value });
  const now = edit.design.records.get(id);
  if (now?.type === 'stock' && STOCK_FIELDS.every((one) => now[one] === undefined) && now.note === undefined) edit.remove(id);
  return null;
}

function read(line: PartLine, field: StockField, text: string, units: UnitSystem): number | string | undefined | StockRefusal {
  if (text === '') return undefined;
  if (field === 'supplier') return text.length > LIMITS.nameLength ? { why: 'long' } : text;
  const byLength = line.group === 'wire';
  if (field === 'have' && line.group === 'wire' && line.what === 'wire') return { why: 'byReel' };
  if (field === 'pack' && byLength) return { why: 'byReel' };
  if (byLength && field !== 'price') {
    const length = parseLength(text, units);
    if (!length.ok || length.value < 0) return { why: 'number' };
    return length.value > MOST[field] ? { why: 'large' } : Math.round(length.value);
  }
  // A price may have its currency behind it, which is the design's whatever is written.
  const number = parseNumber(field === 'price' ? text.replace(/\s*(?:[A-Z]{3}|[€$£])$/, '') : text);
  if (!number.ok || number.value < 0) return { why: 'number' };
  if (number.value > MOST[field]) return { why: 'large' };
  if (field === 'price') return byLength ? number.value / perLength(units) : number.value;
  return Number.isInteger(number.value) && (field !== 'pack' || number.value >= 1) ? number.value : { why: 'whole' };
}

/** Metres in what a price by length is for: a metre, or a foot. */
export function perLength(units: UnitSystem): number {
  return units === 'metric' ? 1 : 0.3048;
}
const MOST: Record<'have' | 'ordered' | 'price' | 'pack', number> = { have: 1_000_000, ordered: 1_000_000, price: 100_000, pack: 10_000 };
