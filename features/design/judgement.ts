import type { Analysis, CircuitAnalysis } from '@/core/analysis/types';
import { analyse } from '@/core/analysis/analyse';
import type { Finding } from '@/core/analysis/finding';
import { worstFirst } from '@/core/analysis/rules/findAll';
import { seenAs } from '@/core/design/asBuilt';
import type { Design } from '@/core/design/design';

/** What is known to be wrong, and how far it is known. */
export interface Judgement {
  /** What every rule found, those that need the solved network a moment later than the rest. */
  findings: readonly Finding[];
  /** Whether those that come later have come once in this view: until then nothing is known to be in order. */
  isWhollyJudged: boolean;
  /** The circuits as they were when those came last; one that has changed since has yet to be judged. */
  judgedCircuits: ReadonlySet<CircuitAnalysis>;
}

/** Nothing of what comes later has come. */
export const UNJUDGED: Omit<Judgement, 'findings'> = { isWhollyJudged: false, judgedCircuits: new Set() };

/** A design as planned when it is opened. */
export function firstJudgement(whole: Design): Judgement & { design: Design; analysis: Analysis } {
  const design = seenAs(whole, 'planned');
  const analysis = analyse(design);
  return { design, analysis, findings: analysis.findings, ...UNJUDGED };
}

/** Findings of the analysis and of the network, the worst first; those about records that are gone are left out. */
export function together({ findings, design }: Analysis, network: readonly Finding[]): readonly Finding[] {
  const standing = network.filter(({ subjects }) => subjects.every((id) => design.records.has(id)));
  return standing.length === 0 ? findings : worstFirst([...findings, ...standing]);
}
