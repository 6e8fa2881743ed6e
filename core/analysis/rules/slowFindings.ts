import { judgeWishes, type Judged } from '../../bench/judge';
import { allWishes } from '../../bench/usualWishes';
import { recordsOf } from '../../design/design';
import type { Finding } from '../finding';
import type { Analysis } from '../types';
import { findReadings } from './readingRules';
import { findInDays } from './dayRules';
import { worstFirst } from './findAll';
import { findHarness } from './harnessRules';
import { findInNetwork } from './networkRules';
import { findWishes } from './wishRules';

/** The analysis with all that can be found among its findings, and what was made of every wish. */
export interface WholeAnalysis extends Analysis {
  judged: readonly Judged[];
}

/** With what takes too long for every key press: the solved network, the days lived through, and every way the wiring can stand. */
export function withSlowFindings(analysis: Analysis): WholeAnalysis {
  const { found, judged } = findSlowly(analysis);
  return { ...analysis, findings: worstFirst([...analysis.findings, ...found]), judged };
}

/** The same alone. */
export function findSlowly(analysis: Analysis): { found: Finding[]; judged: Judged[] } {
  const { index, wiring, design } = analysis;
  const judged = judgeWishes(index, wiring, allWishes(index, recordsOf(design, 'wish')));
  return { found: [...findInNetwork(analysis), ...findWishes(analysis, judged), ...findAside(analysis)], judged };
}

/** What of it needs no solved network: the days lived through, the harness, the readings. */
export function findAside(analysis: Analysis): Finding[] {
  return [...findInDays(analysis), ...findHarness(analysis), ...findReadings(analysis)];
}
