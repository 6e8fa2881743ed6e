import { blob, index, integer, primaryKey, real, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';
import type { Change } from '../core/design/change';
import type { DesignRecord } from '../core/design/schema';

/** A design's head and what the list of designs shows of it. `deletedAt` marks one that can still be brought back. */
export const design = sqliteTable('design', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  vehicle: text('vehicle').notNull(),
  headRevision: integer('head_revision').notNull(),
  schemaVersion: integer('schema_version').notNull(),
  createdAt: integer('created_at').notNull(),
  updatedAt: integer('updated_at').notNull(),
  deletedAt: integer('deleted_at'),
  circuits: integer('circuits').notNull(),
  worstDropPercent: real('worst_drop_percent'),
  dailyWh: real('daily_wh').notNull(),
  runtimeH: real('runtime_h'),
  /** Loads nobody has said any hours of: with some, a day and a runtime are bounds. */
  withoutHours: integer('without_hours').notNull().default(0),
  faults: integer('faults').notNull(),
  cautions: integer('cautions').notNull(),
  /** What takes too long at each edit, found later: at which revision, and how many. */
  judgedRevision: integer('judged_revision').notNull().default(0),
  slowFaults: integer('slow_faults').notNull().default(0),
  slowCautions: integer('slow_cautions').notNull().default(0),
});

/** The records of each design as they stand at its head. */
export const record = sqliteTable(
  'record',
  {
    designId: text('design_id')
      .notNull()
      .references(() => design.id, { onDelete: 'cascade' }),
    id: text('id').notNull(),
    type: text('type').notNull(),
    json: text('json', { mode: 'json' }).$type<DesignRecord>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.designId, table.id] })],
);

/**
 * The append-only log: one row per change. A change carries old and new values, so its inverse is in it. `target` is the
 * revision an undo takes back or a redo brings again.
 */
export const change = sqliteTable(
  'change',
  {
    designId: text('design_id')
      .notNull()
      .references(() => design.id, { onDelete: 'cascade' }),
    revision: integer('revision').notNull(),
    changeId: text('change_id').notNull(),
    kind: text('kind', { enum: ['edit', 'undo', 'redo', 'upgrade'] }).notNull(),
    target: integer('target'),
    label: text('label').notNull(),
    diff: text('diff', { mode: 'json' }).$type<Change>().notNull(),
    at: integer('at').notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.designId, table.revision] }),
    uniqueIndex('change_by_change_id').on(table.designId, table.changeId),
  ],
);

/** Read-only links handed out: at most one a design. */
export const link = sqliteTable('link', {
  key: text('key').primaryKey(),
  designId: text('design_id')
    .notNull()
    .unique()
    .references(() => design.id, { onDelete: 'cascade' }),
  at: integer('at').notNull(),
});

/** Photos of the logbooks, by the ids of their records. One whose record was taken out stays for undo. */
export const photo = sqliteTable(
  'photo',
  {
    designId: text('design_id')
      .notNull()
      .references(() => design.id, { onDelete: 'cascade' }),
    id: text('id').notNull(),
    jpeg: blob('jpeg', { mode: 'buffer' }).notNull(),
    at: integer('at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.designId, table.id] })],
);

/** What learners did, one row a question answered or a hunt ended. Nothing of it is about a design. */
export const practice = sqliteTable(
  'practice',
  {
    id: text('id').primaryKey(),
    learner: text('learner').notNull(),
    kind: text('kind', { enum: ['hunt', 'drill', 'build'] }).notNull(),
    /** A board, a topic, a box of parts. */
    subject: text('subject').notNull(),
    /** Which question of a topic. */
    seed: integer('seed'),
    /** Of 100. */
    points: integer('points').notNull(),
    at: integer('at').notNull(),
  },
  (table) => [index('practice_by_learner').on(table.learner, table.at)],
);
