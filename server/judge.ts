import { and, eq } from 'drizzle-orm';
import { analyse } from '@/core/analysis/analyse';
import { findInDays } from '@/core/findings/dayRules';
import { findInNetwork } from '@/core/findings/networkRules';
import type { Finding } from '@/core/findings/types';
import * as table from '@/db/schema';
import type { Remembered } from './store';
import { oneWriterAtATime, store } from './store';

/** Designs with more circuits are not solved here: their network takes too long for a server that others wait for. */
const MOST_CIRCUITS = 100;

/**
 * Counts what takes too long for every edit, the solved network and the days lived through, and keeps the count beside the design's summary, if
 * it still stands at that revision.
 */
export async function judge(designId: string, { revision, design, analysis: known }: Remembered): Promise<Judged> {
  const analysis = known ?? analyse(design);
  const found: Finding[] = [...findInDays(analysis), ...(analysis.circuits.length <= MOST_CIRCUITS ? findInNetwork(analysis) : [])];
  const count = (severity: Finding['severity']) => found.filter((finding) => finding.severity === severity).length;
  const judged = { judgedRevision: revision, slowFaults: count('fault'), slowCautions: count('caution') };
  const database = await store().database;
  await oneWriterAtATime(() =>
    database
      .update(table.design)
      .set(judged)
      .where(and(eq(table.design.id, designId), eq(table.design.headRevision, revision))),
  );
  return judged;
}

export type Judged = Pick<typeof table.design.$inferSelect, 'judgedRevision' | 'slowFaults' | 'slowCautions'>;
