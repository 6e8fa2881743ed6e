import type { Analysis } from '../types';
import { findInDays } from './dayRules';
import { worstFirst } from './findAll';
import { findInNetwork } from './networkRules';
import type { Finding } from '../finding';

/** What takes too long for every key press: the solved network, and the days lived through. */
export function findSlowly(analysis: Analysis): Finding[] {
  return [...findInNetwork(analysis), ...findInDays(analysis)];
}

/** The analysis with all of that among its findings. */
export function withSlowFindings(analysis: Analysis): Analysis {
  return { ...analysis, findings: worstFirst([...analysis.findings, ...findSlowly(analysis)]) };
}
