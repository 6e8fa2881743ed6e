import { and, asc, desc, eq, gt, lte } from 'drizzle-orm';
import { applyChange, invertChange, sameRecord, touchedIds, type Change } from '@/core/design/change';
import { DesignError } from '@/core/design/problems';
import type { Design } from '@/core/design/design';
import type { Database } from '@/db/database';
import * as table from '@/db/schema';
import { analysed } from './analysed';
import { loadDesign, summaryOf } from './stored';
import { BadRequest, Behind, Busy, Conflict, NothingToDo } from './errors';
import { follow, MOST_STEPS, nextSteps, trailOf, type History, type Trail } from './history';
import { oneWriterAtATime, remember, store } from './store';

export interface ProposedChange {
  /** Chosen by the client; the same one sent twice is taken once. */
  changeId: string;
  /** The revision the client had seen. */
  baseRevision: number;
  label: string;
  change: Change;
}

export interface LoggedChange {
  revision: number;
  changeId: string;
  label: string;
  kind: 'edit' | 'undo' | 'redo' | 'upgrade';
  change: Change;
}

export interface Committed {
  revision: number;
  /** What others changed since the base revision, for the client to apply before its own. */
  missed: LoggedChange[];
  /** The change as taken: for undo and redo, what was undone or redone. */
  change: Change;
  history: History;
}

type Writer = Parameters<Parameters<Database['transaction']>[0]>[0];

/**
 * Takes one change in one transaction: the head is read, the change is applied to the records as they stand, records, log
 * and summary are written together. Edits to different records merge whatever the base revision was.
 * @throws Conflict when a record it touches has changed since; DesignError when it would break the design; NotFound.
 */
export function commit(designId: string, proposed: ProposedChange): Promise<Committed> {
  const isSame = ({ kind, change }: Pick<LoggedChange, 'kind' | 'change'>) => kind === 'edit' && sameRecord(change, proposed.change);
  return transact(designId, proposed.changeId, proposed.baseRevision, isSame, async () => ({
    kind: 'edit' as const,
    target: null,
    label: proposed.label,
    change: proposed.change,
  }));
}

/** Takes back the last change that stands, whoever made it. @throws NothingToDo */
export function undo(designId: string, changeId: string, baseRevision: number): Promise<Committed> {
  return transact(
    designId,
    changeId,
    baseRevision,
    ({ kind }) => kind === 'undo',
    (writer, trail) => step(writer, designId, 'undo', trail),
  );
}

/** Brings again what was undone last. @throws NothingToDo */
export function redo(designId: string, changeId: string, baseRevision: number): Promise<Committed> {
  return transact(
    designId,
    changeId,
    baseRevision,
    ({ kind }) => kind === 'redo',
    (writer, trail) => step(writer, designId, 'redo', trail),
  );
}

/** Changes read from the log at once: what is further behind is read part by part, or by opening the design afresh. */
export const MOST_CHANGES = 500;

/** The changes after a revision, oldest first, so many at most. */
export async function changesSince(
  designId: string,
  revision: number,
  reader?: Pick<Database, 'select'>,
  most = MOST_CHANGES,
): Promise<LoggedChange[]> {
  const source = reader ?? (await store().database);
  const rows = await source
    .select()
    .from(table.change)
    .where(and(eq(table.change.designId, designId), gt(table.change.revision, revision)))
    .orderBy(asc(table.change.revision))
    .limit(most);
  return rows.map(({ revision: at, changeId, label, kind, diff }) => ({ revision: at, changeId, label, kind, change: diff }));
}

/** What undo and redo would do at a revision of a design, its head. */
export async function historyAt(designId: string, revision: number): Promise<History> {
  return nextSteps(await trailAt(designId, revision, await store().database));
}

/** The trail at the head, from memory when that is still the head. */
async function trailAt(designId: string, head: number, reader: Pick<Database, 'select'>): Promise<Trail> {
  const cached = store().cache.get(designId);
  if (cached?.revision === head && cached.trail) return cached.trail;
  const { revision, kind, label } = table.change;
  const log = reader
    .select({ revision, kind, label })
    .from(table.change)
    .where(and(eq(table.change.designId, designId), lte(revision, head)));
  return trailOf((await log.orderBy(desc(revision)).limit(MOST_STEPS)).reverse());
}

interface Step {
  kind: 'edit' | 'undo' | 'redo';
  target: number | null;
  label: string;
  change: Change;
}

async function step(writer: Writer, designId: string, kind: 'undo' | 'redo', trail: Trail): Promise<Step> {
  const entry = nextSteps(trail)[kind];
  if (!entry) throw new NothingToDo(`there is nothing to ${kind}`);
  const [row] = await writer
    .select({ diff: table.change.diff })
    .from(table.change)
    .where(and(eq(table.change.designId, designId), eq(table.change.revision, entry.revision)));
  const change = kind === 'undo' ? invertChange(row!.diff) : row!.diff;
  return { kind, target: entry.revision, label: entry.label, change };
}

async function changeById(
  writer: Writer,
  designId: string,
  changeId: string,
): Promise<Pick<LoggedChange, 'revision' | 'change' | 'kind'> | undefined> {
  const [row] = await writer
    .select({ revision: table.change.revision, kind: table.change.kind, change: table.change.diff })
    .from(table.change)
    .where(and(eq(table.change.designId, designId), eq(table.change.changeId, changeId)));
  return row;
}

async function transact(
  designId: string,
  changeId: string,
  baseRevision: number,
  isSame: (taken: Pick<LoggedChange, 'kind' | 'change'>) => boolean,
  decide: (writer: Writer, trail: Trail) => Promise<Step>,
): Promise<Committed> {
  const database = await store().database;
  const done = await oneWriterAtATime(() =>
    database.transaction(
      async (writer) => {
        const { revision: head, design, analysis: earlier, aside } = await loadDesign(writer, designId);
        if (baseRevision > head) throw new Behind(`revision ${baseRevision} is not known here; reload the page`);
        if (head - baseRevision > MOST_CHANGES)
          throw new Busy(`${head - baseRevision} changes were made since revision ${baseRevision}; take those in first`);
        const missed = baseRevision < head ? await changesSince(designId, baseRevision, writer) : [];
        const before = await trailAt(designId, head, writer);
        const taken = await changeById(writer, designId, changeId);
        if (taken && !isSame(taken)) throw new BadRequest('this change id stands for another change already', [], 409);
        if (taken) {
          return {
            revision: taken.revision,
            change: taken.change,
            missed: missed.filter((logged) => logged.revision < taken.revision),
            trail: before,
            design,
            analysis: null,
            aside,
          };
        }
        const { kind, target, label, change } = await decide(writer, before);
        const changed = applyOrExplain(design, change, missed, head);
        const analysis = analysed(changed, 'planned', earlier);
        const revision = head + 1;
        const now = Date.now();
        await writeRecords(writer, designId, change);
        await writer.insert(table.change).values({ designId, revision, changeId, kind, target, label, diff: change, at: now });
        await writer
          .update(table.design)
          .set({ headRevision: revision, updatedAt: now, ...summaryOf(analysis) })
          .where(eq(table.design.id, designId));
        return { revision, missed, change, design: changed, analysis, aside, trail: follow(before, { revision, kind, label }) };
      },
      { behavior: 'immediate' },
    ),
  );
  const { design, analysis, trail, aside, ...committed } = done;
  if (analysis) {
    remember(designId, { revision: committed.revision, design, analysis, trail, ...(aside && { aside }) });
    store().committed.emit(designId);
  }
  return { ...committed, history: nextSteps(trail) };
}

const MOVED_ON = new Set(['staleRecord', 'missingRecord', 'duplicateId']);

function applyOrExplain(design: Design, change: Change, missed: LoggedChange[], head: number): Design {
  try {
    return applyChange(design, change);
  } catch (error) {
    if (!(error instanceof DesignError)) throw error;
    const movedOn = error.problems.some(({ code }) => MOVED_ON.has(code)) || missed.length > 0;
    if (!movedOn) throw error;
    const current = touchedIds(change).map((id) => design.records.get(id) ?? null);
    throw new Conflict(error.problems, current, missed, head);
  }
}

async function writeRecords(writer: Writer, designId: string, change: Change): Promise<void> {
  const { record } = table;
  const at = (id: string) => and(eq(record.designId, designId), eq(record.id, id));
  for (const { id } of change.removed) await writer.delete(record).where(at(id));
  for (const { to } of change.updated) await writer.update(record).set({ json: to }).where(at(to.id));
  for (const json of change.added) await writer.insert(record).values({ designId, id: json.id, type: json.type, json });
}
