import type { Analysis } from '../analysis/types';
import { areaMm2 } from '../catalog/conductorSizes';
import type { Settings } from '../design/schema';

/** What cable, blocks and fuses cost, in one currency. */
export type Prices = Required<NonNullable<Settings['prices']>>;

/** Currencies offered by their ISO 4217 letters. */
export const CURRENCIES = ['EUR', 'USD', 'GBP', 'CHF', 'CAD', 'AUD', 'NZD', 'SEK', 'NOK', 'DKK', 'PLN', 'CZK', 'ZAR', 'JPY'] as const;

/** Round figures to begin with; a person's own are right. */
export const USUAL_PRICES: Prices = { perM: 0.4, perMm2M: 0.3, perBlock: 28, perFuse: 2.5, currency: 'EUR' };

/** A design's own prices, usual ones where it has none. */
export function pricesOf({ prices }: Pick<Settings, 'prices'>): Prices {
  return { ...USUAL_PRICES, ...prices } as Prices;
}

/** Copper, kg per metre and mm². Source: 8.96 g/cm³, physical tables. */
export const COPPER_KG = 8.96e-3;

/** What some wires cost and the copper in them. */
export function cableOf({ wires }: Analysis, wireIds: Iterable<string>, { perM, perMm2M }: Prices): { cost: number; weightKg: number } {
  const sum = { cost: 0, weightKg: 0 };
  for (const id of wireIds) {
    const wire = wires.get(id)?.wire;
    if (!wire) continue;
    const metres = wire.lengthMm / 1000;
    sum.cost += metres * (perM + perMm2M * areaMm2(wire.conductor));
    sum.weightKg += metres * areaMm2(wire.conductor) * COPPER_KG;
  }
  return sum;
}
