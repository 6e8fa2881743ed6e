import type { Parsed } from '../units/parse';
import { isTooLong } from '../units/text';
import { unread } from '../units/unread';
import type { Battery } from '../design/schema';
import { LIMITS } from '../catalog/vocabulary';

type Rates = NonNullable<Battery['rates']>;

/** A battery's capacity by hours of discharge as people write it: `5 h 185, 20 h 225`. */
export function formatRates(rates: Rates | undefined): string {
  return (rates ?? []).map(({ hours, capacityAh }) => `${hours} h ${capacityAh}`).join(', ');
}

/** Reads capacities by hours; nothing written is none. At least two, of different hours. */
export function parseRates(text: string): Parsed<Rates | null> {
  if (isTooLong(text)) return unread({ code: 'long', characters: text.length });
  if (text.trim() === '') return { ok: true, value: null };
  const rates: Rates = [];
  for (const part of text.split(/[,;]/)) {
    const match = /^\s*(\d+(?:\.\d+)?)\s*h(?:ours?)?\s*:?\s*(\d+(?:\.\d+)?)\s*(?:ah)?\s*$/i.exec(part);
    if (!match) return unread({ code: 'noRate', said: part.trim() });
    const [hours, capacityAh] = [Number(match[1]), Number(match[2])];
    if (hours < 0.1 || hours > 240) return unread({ code: 'outside', what: 'rateHours', least: 0.1, most: 240 });
    if (capacityAh < 1 || capacityAh > LIMITS.capacityAh)
      return unread({ code: 'outside', what: 'rateAh', least: 1, most: LIMITS.capacityAh });
    if (rates.some((rate) => rate.hours === hours)) return unread({ code: 'rateTwice', hours });
    rates.push({ hours, capacityAh });
  }
  if (rates.length < 2) return unread({ code: 'oneRate' });
  if (rates.length > 12) return unread({ code: 'outside', what: 'rates', least: 2, most: 12 });
  return { ok: true, value: rates };
}
