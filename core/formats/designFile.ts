import { z } from 'zod';
import { makeDesign, type Design } from '../design/design';
import { migrateRecords } from '../design/migrations';
import { placedProblemWords } from '../wording/problemWords';
import { checkReferences } from '../design/references';
import { recordSchema, type DesignRecord } from '../design/schema';
import { LIMITS, SCHEMA_VERSION } from '../catalog/vocabulary';
import { BadText, plainValue } from './plainValue';

/** A design as a file: JSON with a mark, a schema version and the records. Described in docs/formats.md. */
export const DESIGN_FORMAT = 'vine-knot-design';

/** Several designs in one file, each with its records: `{ format, schemaVersion, designs: [{ records }] }`. */
export const DESIGNS_FORMAT = 'vine-knot-designs';

/** The designs of a file of several, each as a file of its own; null for any other file. */
export function splitDesignsFile(text: string): string[] | null {
  let file: unknown;
  try {
    file = JSON.parse(text);
  } catch {
    return null;
  }
  const several = z
    .object({ format: z.literal(DESIGNS_FORMAT), schemaVersion: z.number(), designs: z.array(z.object({ records: z.array(z.unknown()) })) })
    .safeParse(file);
  if (!several.success) return null;
  const { schemaVersion, designs } = several.data;
  return designs.map(({ records }) => JSON.stringify({ format: DESIGN_FORMAT, schemaVersion, records }));
}

export const designFileSchema = z.strictObject({
  format: z.literal(DESIGN_FORMAT),
  schemaVersion: z.number().int().min(1),
  records: z.array(recordSchema).max(LIMITS.recordsPerDesign),
});

export type DesignFile = z.infer<typeof designFileSchema>;

/** A file that cannot be taken, with every reason in words, the first ones first. */
export class DesignFileError extends Error {
  constructor(readonly reasons: readonly string[]) {
    super(reasons.join('\n'));
    this.name = 'DesignFileError';
  }
}

/** Reasons shown before the rest are only counted. */
const MOST_REASONS = 40;

export function writeDesignFile(design: Design): string {
  const file: DesignFile = { format: DESIGN_FORMAT, schemaVersion: SCHEMA_VERSION, records: Array.from(design.records.values()) };
  return `${JSON.stringify(file, null, 1)}\n`;
}

/**
 * Reads a design file, migrating an older version.
 * @throws DesignFileError when it is too large, not JSON, of another or a newer format, or has broken records or references.
 */
export function readDesignFile(text: string): Design {
  if (text.length > LIMITS.importBytes) fail([`the file is larger than ${LIMITS.importBytes / 1_000_000} MB`]);
  const frame = z
    .object({ format: z.literal(DESIGN_FORMAT), schemaVersion: z.number().int().min(1), records: z.array(z.unknown()) })
    .safeParse(parseJson(text));
  if (!frame.success) {
    return fail([
      'this is not a Vine Knot design: "format", "schemaVersion" and "records" are expected at the top',
      ...reasonsOf(frame.error, []),
    ]);
  }
  const { schemaVersion, records } = frame.data;
  if (records.length > LIMITS.recordsPerDesign) fail([`the file holds ${records.length} records; ${LIMITS.recordsPerDesign} are allowed`]);
  const current = migrated(records, schemaVersion);
  const parsed = designFileSchema.safeParse({ format: DESIGN_FORMAT, schemaVersion: SCHEMA_VERSION, records: current });
  if (!parsed.success) return fail(reasonsOf(parsed.error, current));
  return checked(parsed.data.records);
}

/** The published JSON Schema of a design file, exported from the same definitions. */
export function designFileJsonSchema(): object {
  const schema = z.toJSONSchema(designFileSchema, { target: 'draft-7' });
  return {
    ...schema,
    title: 'Vine Knot design',
    description: 'A 12-volt house system: its settings, zones, devices, wires, circuits and use.',
  };
}

function checked(records: DesignRecord[]): Design {
  const seen = new Set<string>();
  const repeated = records.filter(({ id }) => seen.size === seen.add(id).size);
  const problems = [...repeated.map(({ id }) => ({ code: 'duplicateId' as const, id })), ...checkReferences(makeDesign(records))];
  if (problems.length > 0) fail(problems.map(placedProblemWords));
  return makeDesign(records);
}

function parseJson(text: string): unknown {
  try {
    return JSON.parse(text.replace(/^\ufeff/, ''), plainValue);
  } catch (error) {
    const why = (error as Error).message.slice(0, 200);
    return fail([error instanceof BadText ? why : `the file is not readable JSON: ${why}`]);
  }
}

function migrated(records: unknown[], version: number): unknown[] {
  try {
    return migrateRecords(records, version);
  } catch (error) {
    return fail([(error as Error).message]);
  }
}

function reasonsOf(error: z.ZodError, records: readonly unknown[]): string[] {
  return error.issues.map(({ path, message }) => {
    const [list, at, ...field] = path;
    if (list !== 'records' || typeof at !== 'number') return `${path.join('.') || 'the file'}: ${message}`;
    const record = records[at] as { id?: unknown } | null | undefined;
    const id = typeof record?.id === 'string' ? ` (${record.id.slice(0, 40)})` : '';
    return `record ${at + 1}${id}${field.length > 0 ? `, ${field.join('.')}` : ''}: ${message}`;
  });
}

function fail(reasons: string[]): never {
  const shown = reasons.slice(0, MOST_REASONS);
  if (reasons.length > shown.length) shown.push(`and ${reasons.length - shown.length} more`);
  throw new DesignFileError(shown);
}
