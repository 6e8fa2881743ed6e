import { and, eq } from 'drizzle-orm';
import { solveDesign } from '@/core/analysis/solved';
import type { Analysis } from '@/core/analysis/types';
import { worstDrop } from '@/core/analysis/wiredDrops';
import { findAside, findSlowly } from '@/core/analysis/rules/slowFindings';
import type { Finding } from '@/core/analysis/finding';
import * as table from '@/db/schema';
import { analysed } from './analysed';
import type { Remembered } from './store';
import { oneWriterAtATime, store } from './store';
import { summaryOf } from './stored';

/** Designs with more circuits are not solved here: their network takes too long for a server that others wait for. */
const MOST_CIRCUITS = 100;

/** Whether all that is wrong with a design is in its counts: not before it was judged as it stands, and never for a large one. */
export function isWhollyJudged({
  judgedRevision,
  headRevision,
  circuits,
}: {
  judgedRevision: number;
  headRevision: number;
  circuits: number;
}) {
  return judgedRevision === headRevision && circuits <= MOST_CIRCUITS;
}

/**
 * Counts what takes too long for every edit, the same as the workspace finds a moment after it, and keeps it and the worst drop with the design's
 * summary, if it still stands at that revision.
 */
export async function judge(designId: string, { revision, design, analysis: known }: Remembered): Promise<Judged> {
  const analysis = known ?? analysed(design, 'planned');
  const found = isSmall(analysis) ? findSlowly(analysis).found : findAside(analysis);
  const count = (severity: Finding['severity']) => found.filter((finding) => finding.severity === severity).length;
  const counts = { judgedRevision: revision, slowFaults: count('fault'), slowCautions: count('caution') };
  const judged = { ...summaryOf(analysis), ...counts, worstDropPercent: worstDropOf(analysis) };
  const database = await store().database;
  await oneWriterAtATime(() =>
    database
      .update(table.design)
      .set(judged)
      .where(and(eq(table.design.id, designId), eq(table.design.headRevision, revision))),
  );
  return judged;
}

/** As wired with everything on, or of the cables alone where that is not solved. */
function worstDropOf(analysis: Analysis): number | null {
  const solved = isSmall(analysis) ? solveDesign(analysis, { kind: 'allOn' }) : null;
  return worstDrop(analysis, solved && 'live' in solved ? solved.drops : null)?.percent ?? null;
}

function isSmall({ circuits }: Analysis): boolean {
  return circuits.length <= MOST_CIRCUITS;
}

export type Judged = Pick<
  typeof table.design.$inferSelect,
  'judgedRevision' | 'faults' | 'cautions' | 'slowFaults' | 'slowCautions' | 'worstDropPercent'
>;
