import { asc, count, desc, eq } from 'drizzle-orm';
import { nanoid } from 'nanoid';
import type { Result } from '@/core/practise/record';
import * as table from '@/db/schema';
import { oneWriterAtATime, store } from './store';

/** What learners did, by the name they go by. There are no accounts: whoever gives a name reads and goes on with what stands under it. */

/** The newest of a learner's results that are read. */
const MOST_READ = 5000;
/** Learners that are listed. */
const MOST_LEARNERS = 200;

export async function learners(): Promise<{ learner: string; results: number }[]> {
  const database = await store().database;
  const { practice } = table;
  return database.select({ learner: practice.learner, results: count() }).from(practice).groupBy(practice.learner).orderBy(asc(practice.learner)).limit(MOST_LEARNERS); // prettier-ignore
}

/** A learner's results, the oldest first. */
export async function resultsOf(learner: string): Promise<Result[]> {
  const database = await store().database;
  const { practice } = table;
  const { kind, subject, seed, points, at } = practice;
  const rows = await database.select({ kind, subject, seed, points, at }).from(practice).where(eq(practice.learner, learner)).orderBy(desc(at)).limit(MOST_READ); // prettier-ignore
  return rows.reverse();
}

export async function keepResult(learner: string, result: Omit<Result, 'at'>): Promise<Result> {
  const database = await store().database;
  const at = Date.now();
  await oneWriterAtATime(() => database.insert(table.practice).values({ ...result, id: nanoid(), learner, at }));
  return { ...result, at };
}

/** Forgets everything of a learner. */
export async function forgetLearner(learner: string): Promise<void> {
  const database = await store().database;
  await oneWriterAtATime(() => database.delete(table.practice).where(eq(table.practice.learner, learner)));
}
