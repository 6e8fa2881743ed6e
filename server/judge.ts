import { performance } from 'node:perf_hooks';
import { setTimeout } from 'node:timers/promises';
import { and, eq } from 'drizzle-orm';
import { solveDesign } from '@/core/analysis/solved';
import type { Analysis } from '@/core/analysis/types';
import { worstDrop } from '@/core/analysis/wiredDrops';
import { findAside, findSlowly } from '@/core/analysis/rules/slowFindings';
import type { Finding } from '@/core/analysis/finding';
import * as table from '@/db/schema';
import { analysed } from './analysed';
import { NotFound } from './errors';
import type { Remembered } from './store';
import { oneWriterAtATime, store } from './store';
import { readDesign, summaryOf } from './stored';

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

/** How long designs go on being judged after the list was last asked for, ms: the server is others' as well. */
const JUDGING_MS = 3_000;

/**
 * Before each the server has had so long, ms, and no more than this share of it was needed: else a request that takes several turns would
 * wait for a design at every one.
 */
const REST_MS = 40;
const BUSY_SHARE = 0.3;

type Row = Pick<typeof table.design.$inferSelect, 'id' | 'headRevision' | 'judgedRevision'>;

/**
 * Judges designs that stand otherwise than they were judged, one after another beside other work, in the order given. The list last asked
 * for is what counts.
 * @returns their ids
 */
export function judgeAside(rows: readonly Row[]): ReadonlySet<string> {
  const { judging } = store();
  judging.waiting = rows.filter(
    ({ id, headRevision, judgedRevision }) => judgedRevision !== headRevision && judging.unreadable.get(id) !== headRevision,
  );
  judging.until = Date.now() + JUDGING_MS;
  if (judging.waiting.length > 0) judging.done ??= judgeWaiting().finally(() => (judging.done = null));
  return new Set(judging.waiting.map(({ id }) => id));
}

async function judgeWaiting(): Promise<void> {
  const { judging } = store();
  while (Date.now() < judging.until) {
    if (await isOthersTurn()) continue;
    const row = judging.waiting.shift();
    if (!row) return;
    try {
      await judge(row.id, await readDesign(row.id));
    } catch (error) {
      // One just deleted is none of the list’s; one that is broken must not cost the others, nor be tried again and again.
      if (error instanceof NotFound) continue;
      console.error(`design ${row.id} could not be judged`, error);
      judging.unreadable.set(row.id, row.headRevision);
    }
  }
}

/** Whether somebody else is being answered. What others ask goes first. */
async function isOthersTurn(): Promise<boolean> {
  const mark = performance.eventLoopUtilization();
  await setTimeout(REST_MS);
  return performance.eventLoopUtilization(mark).utilization > BUSY_SHARE;
}

/**
 * Counts what takes too long for every edit, the same as the workspace finds a moment after it, and keeps it and the worst drop with the
 * design's summary, if it still stands at that revision.
 */
async function judge(designId: string, { revision, design, analysis: known }: Remembered): Promise<void> {
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
}

/** As wired with everything on, or of the cables alone where that is not solved. */
function worstDropOf(analysis: Analysis): number | null {
  const solved = isSmall(analysis) ? solveDesign(analysis, { kind: 'allOn' }) : null;
  return worstDrop(analysis, solved && 'live' in solved ? solved.drops : null)?.percent ?? null;
}

function isSmall({ circuits }: Analysis): boolean {
  return circuits.length <= MOST_CIRCUITS;
}
