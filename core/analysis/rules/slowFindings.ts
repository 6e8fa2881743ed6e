import type { Analysis } from '../types';
import { findInDays } from './dayRules';
import { worstFirst } from './findAll';
import { findInNetwork } from './networkRules';
import type { Finding } from '../finding';
import { findReadings } from './buildRules';
import { findHarness } from './harnessRules';
import { findWishes } from './wishRules';

/** What takes too long for every key press: the solved network, the days lived through, and every way the wiring can stand. */
export function findSlowly(analysis: Analysis): Finding[] {
  return [
    ...findInNetwork(analysis),
    ...findInDays(analysis),
    ...findWishes(analysis),
    ...findHarness(analysis),
    ...findReadings(analysis),
  ];
}

/** The analysis with all of that among its findings. */
export function withSlowFindings(analysis: Analysis): Analysis {
  return { ...analysis, findings: worstFirst([...analysis.findings, ...findSlowly(analysis)]) };
}
