import * as z from 'zod/mini';
import { listUpTo } from '../units/schema';
import { makeDesign, type Design } from '../design/design';
import { migrateRecords } from '../design/migrations';
import type { Problem } from '../design/problems';
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
  schemaVersion: z.int().check(z.minimum(1)),
  records: listUpTo(recordSchema, LIMITS.recordsPerDesign),
});

export type DesignFile = z.infer<typeof designFileSchema>;

/** What is wrong with a design file; `designFileWords.ts` says it. */
export type DesignFileFault =
  | { code: 'bytes'; most: number }
  | { code: 'noJson'; message: string }
  | { code: 'brokenText'; field: string }
  | { code: 'noDesign' }
  | { code: 'records'; has: number; most: number }
  | { code: 'newer'; version: number; newest: number }
  /** A field of the file or of a record is not what it may be. `at` counts records from nought; absent: the file’s own. */
  | { code: 'field'; at?: number; id?: string; field: string; message: string }
  | { code: 'record'; problem: Problem }
  /** Faults beyond those told. */
  | { code: 'more'; count: number };

/** A file that cannot be taken, with every fault, the first ones first. */
export class DesignFileError extends Error {
  constructor(readonly faults: readonly DesignFileFault[]) {
    super(`a design file with ${faults.length} faults: ${faults.map(({ code }) => code).join(', ')}`);
    this.name = 'DesignFileError';
  }
}

/** Faults told before the rest are only counted. */
const MOST_TOLD = 40;

export function writeDesignFile(design: Design): string {
  const file: DesignFile = { format: DESIGN_FORMAT, schemaVersion: SCHEMA_VERSION, records: Array.from(design.records.values()) };
  return `${JSON.stringify(file, null, 1)}\n`;
}

/**
 * Reads a design file, migrating an older version.
 * @throws DesignFileError when it is too large, not JSON, of another or a newer format, or has broken records or references.
 */
export function readDesignFile(text: string): Design {
  if (text.length > LIMITS.importBytes) fail([{ code: 'bytes', most: LIMITS.importBytes }]);
  const frame = z
    .object({ format: z.literal(DESIGN_FORMAT), schemaVersion: z.int().check(z.minimum(1)), records: z.array(z.unknown()) })
    .safeParse(parseJson(text));
  if (!frame.success) return fail([{ code: 'noDesign' }, ...faultsOf(frame.error, [])]);
  const { schemaVersion, records } = frame.data;
  if (records.length > LIMITS.recordsPerDesign) fail([{ code: 'records', has: records.length, most: LIMITS.recordsPerDesign }]);
  if (schemaVersion > SCHEMA_VERSION) fail([{ code: 'newer', version: schemaVersion, newest: SCHEMA_VERSION }]);
  const current = migrateRecords(records, schemaVersion);
  const parsed = designFileSchema.safeParse({ format: DESIGN_FORMAT, schemaVersion: SCHEMA_VERSION, records: current });
  if (!parsed.success) return fail(faultsOf(parsed.error, current));
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
  if (problems.length > 0) fail(problems.map((problem) => ({ code: 'record', problem })));
  return makeDesign(records);
}

function parseJson(text: string): unknown {
  try {
    return JSON.parse(text.replace(/^\ufeff/, ''), plainValue);
  } catch (error) {
    if (error instanceof BadText) return fail([{ code: 'brokenText', field: error.field }]);
    return fail([{ code: 'noJson', message: (error as Error).message.slice(0, 200) }]);
  }
}

function faultsOf(error: z.core.$ZodError, records: readonly unknown[]): DesignFileFault[] {
  return error.issues.map(({ path, message }) => {
    const [list, at, ...field] = path;
    if (list !== 'records' || typeof at !== 'number') return { code: 'field', field: path.join('.'), message };
    const record = records[at] as { id?: unknown } | null | undefined;
    const id = typeof record?.id === 'string' ? { id: record.id.slice(0, 40) } : {};
    return { code: 'field', at, ...id, field: field.join('.'), message };
  });
}

function fail(faults: readonly DesignFileFault[]): never {
  const told = faults.slice(0, MOST_TOLD);
  throw new DesignFileError(faults.length > told.length ? [...told, { code: 'more', count: faults.length - told.length }] : told);
}
