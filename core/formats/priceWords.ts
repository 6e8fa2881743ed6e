import type { PriceOfChange } from '../advice/priceOfChange';
import { formatNumber } from '../units/quantity';

/** What the parts come to, as far as prices were given. */
export function priceWords({ cost, open }: PriceOfChange, currency: string): string {
  const lines = open === 1 ? 'one line of the parts list has no price' : `${open} lines of the parts list have no price`;
  if (open > 0 && cost === 0) return lines;
  return `${formatNumber(cost, 2)} ${currency}${open > 0 ? `; ${lines}` : ''}`;
}
