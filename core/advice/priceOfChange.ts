import type { Analysis } from '../analysis/types';
import { recordsOf } from '../design/design';
import { boughtIn, partKey, partsList } from '../harness/partsList';
import { cutLots, harnessOf } from '../harness/schedule';

/** What a change costs in parts, by the prices that were given in the parts list. */
export interface PriceOfChange {
  /** More than now, less where more goes than comes; in the design's currency. */
  cost: number;
  /** Lines of which more is needed and nobody gave a price. */
  open: number;
}

/**
 * What the parts list of one design comes to more than that of another: wire by the length that is needed, not by the reel, and nothing to
 * spare.
 */
export function priceOfChange(before: Analysis, after: Analysis): PriceOfChange {
  const prices = new Map(recordsOf(before.design, 'stock').flatMap(({ part, price }) => (price === undefined ? [] : [[part, price]])));
  const counts = neededOf(after);
  for (const [key, count] of neededOf(before)) counts.set(key, (counts.get(key) ?? 0) - count);
  let cost = 0;
  let open = 0;
  for (const [key, count] of counts) {
    const price = prices.get(key) ?? (key.startsWith('wire ') ? anyLook(prices, key) : undefined);
    if (price !== undefined) cost += price * count;
    else if (count > 0) open += 1;
  }
  return { cost, open };
}

/** A wire not coloured yet costs what one of its size in any colour does. */
function anyLook(prices: ReadonlyMap<string, number>, key: string): number | undefined {
  const size = key.slice(0, key.lastIndexOf(' ') + 1);
  return Array.from(prices).find(([part]) => part.startsWith(size))?.[1];
}

/** How much of each line is needed: pieces, or metres where it is sold by length. */
function neededOf({ design, index, wiring }: Analysis): Map<string, number> {
  const harness = harnessOf(index, wiring);
  const lines = partsList(index, harness, cutLots(harness, recordsOf(design, 'reel')), boughtIn(design));
  const counts = new Map<string, number>();
  for (const line of lines) counts.set(partKey(line), (counts.get(partKey(line)) ?? 0) + line.count / (line.group === 'wire' ? 1000 : 1));
  return counts;
}
