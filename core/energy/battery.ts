import { CHEMISTRY_FACTS, restV } from '../catalog/chemistries';
import type { Battery } from '../design/schema';

/** A battery bank's figures with the design's own values in place of the chemistry's where it gives any. */
export interface BankFacts {
  capacityAh: number;
  usableDepth: number;
  usableAh: number;
  peukertExponent: number;
  rateH: number;
}

/** Capacity and usable ampere hours of the whole bank. Source of the defaults: catalog/chemistries. */
export function bankFacts(battery: Battery): BankFacts {
  const facts = CHEMISTRY_FACTS[battery.chemistry];
  const measured = battery.rates && byHours(battery.rates);
  const health = (battery.healthPercent ?? 100) / 100;
  const capacityAh = (measured?.at(-1)!.capacityAh ?? battery.capacityAh) * battery.count * health;
  const usableDepth = (battery.usableDepthPercent ?? facts.usableDepthPercent) / 100;
  return {
    capacityAh,
    usableDepth,
    usableAh: capacityAh * usableDepth,
    peukertExponent: measured ? exponentOf(measured[0]!, measured.at(-1)!) : (battery.peukertExponent ?? facts.peukertExponent),
    rateH: measured?.at(-1)!.hours ?? battery.rateH,
  };
}

/** Volts of a bank at rest once it is down to its usable depth; systems of more than 12 V stand so many times as high. */
export function lowRestV(battery: Battery, nominalV: number): number {
  return restV(battery.chemistry, 100 * (1 - bankFacts(battery).usableDepth)) * (nominalV / 12);
}

type Rate = NonNullable<Battery['rates']>[number];

function byHours(rates: readonly Rate[]): Rate[] {
  return [...rates].sort((a, b) => a.hours - b.hours);
}

/**
 * The exponent that two capacities at two rates come to: n = ln(t2 / t1) / ln(I1 / I2), and never below 1.
 * Source: Peukert's law solved for its exponent.
 */
export function exponentOf(fast: Rate, slow: Rate): number {
  const currents = Math.log(fast.capacityAh / fast.hours / (slow.capacityAh / slow.hours));
  return currents <= 0 ? 1 : Math.max(1, Math.log(slow.hours / fast.hours) / currents);
}

/**
 * Hours to empty a battery of capacity C, rated over H hours, at a steady current I: t = H (C / (I H))^n. At or below the
 * rated current C / H the plain C / I holds, so a slow discharge is never credited with more than the rated capacity.
 * Infinite at no current. Source: Peukert's law, common form with the hour rate.
 */
export function peukertHours(capacityAh: number, rateH: number, exponent: number, currentA: number): number {
  if (currentA <= 0) return Infinity;
  if (currentA * rateH <= capacityAh) return capacityAh / currentA;
  return rateH * (capacityAh / (currentA * rateH)) ** exponent;
}
