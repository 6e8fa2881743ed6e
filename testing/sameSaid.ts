import { isDeepStrictEqual } from 'node:util';
import { analyse } from '@/core/analysis/analyse';
import type { Analysis } from '@/core/analysis/types';

/**
 * Expects two large things to say the same. Strictly equal ones are told a good deal sooner than by the matcher, which then says where they
 * differ.
 */
export function expectSame(said: unknown, wanted: unknown): void {
  if (!isDeepStrictEqual(said, wanted)) expect(said).toEqual(wanted);
}

/** Expects an analysis that went on from an earlier one to say what a fresh one of its design says. */
export function expectAsFresh(analysis: Analysis): void {
  const said = ({ carried: _carried, design: _design, ...rest }: Analysis) => rest;
  expectSame(said(analysis), said(analyse(analysis.design)));
}
