import { tooLong } from '../units/text';
import type { Battery } from '../design/schema';
import { LIMITS } from '../catalog/vocabulary';

type Rates = NonNullable<Battery['rates']>;

/** A battery's capacity by hours of discharge as people write it: `5 h 185, 20 h 225`. */
export function formatRates(rates: Rates | undefined): string {
  return (rates ?? []).map(({ hours, capacityAh }) => `${hours} h ${capacityAh}`).join(', ');
}

/** Reads capacities by hours; nothing written is none. At least two, of different hours. */
export function parseRates(text: string): { ok: true; value: Rates | null } | { ok: false; why: string } {
  const long = tooLong(text);
  if (long) return { ok: false, why: long };
  if (text.trim() === '') return { ok: true, value: null };
  const rates: Rates = [];
  for (const part of text.split(/[,;]/)) {
    const match = /^\s*(\d+(?:\.\d+)?)\s*h(?:ours?)?\s*:?\s*(\d+(?:\.\d+)?)\s*(?:ah)?\s*$/i.exec(part);
    if (!match) return { ok: false, why: `“${part.trim()}” is no capacity; write hours and ampere hours such as 5 h 185, 20 h 225` };
    const [hours, capacityAh] = [Number(match[1]), Number(match[2])];
    if (hours < 0.1 || hours > 240) return { ok: false, why: 'from 0.1 to 240 hours' };
    if (capacityAh < 1 || capacityAh > LIMITS.capacityAh) return { ok: false, why: `from 1 to ${LIMITS.capacityAh} Ah` };
    if (rates.some((rate) => rate.hours === hours)) return { ok: false, why: `${hours} h stands there twice` };
    rates.push({ hours, capacityAh });
  }
  if (rates.length < 2) return { ok: false, why: 'two capacities are needed, such as 5 h 185, 20 h 225' };
  if (rates.length > 12) return { ok: false, why: 'at most 12' };
  return { ok: true, value: rates };
}
