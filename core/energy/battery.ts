import { CHEMISTRY_FACTS } from '../catalog/chemistries';
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
  const capacityAh = battery.capacityAh * battery.count;
  const usableDepth = (battery.usableDepthPercent ?? facts.usableDepthPercent) / 100;
  return {
    capacityAh,
    usableDepth,
    usableAh: capacityAh * usableDepth,
    peukertExponent: battery.peukertExponent ?? facts.peukertExponent,
    rateH: battery.rateH,
  };
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

/** Hours a bank carries a mean current down to its usable depth; null at no current. */
export function runtimeHours(bank: BankFacts, meanA: number): number | null {
  if (meanA <= 0) return null;
  return peukertHours(bank.capacityAh, bank.rateH, bank.peukertExponent, meanA) * bank.usableDepth;
}
