import * as z from 'zod/mini';
import { recordSchema, type DesignRecord } from '@/core/design/schema';

/** A record type, or a kind of device, and its fields by schema. */
export interface KindOfRecord {
  name: string;
  schema: z.ZodMiniObject;
  fields: [field: string, schema: z.ZodMiniType][];
}

function kindsOf(schema: z.ZodMiniType): KindOfRecord[] {
  if (schema instanceof z.ZodMiniDiscriminatedUnion) return schema.def.options.flatMap((option) => kindsOf(option as z.ZodMiniType));
  if (!(schema instanceof z.ZodMiniObject)) throw new Error('a record that is no object');
  const shape = schema.shape as Record<string, z.ZodMiniType>;
  const told = ['type', 'kind'].filter((field) => shape[field] instanceof z.ZodMiniLiteral);
  const name = told.map((field) => (shape[field] as z.ZodMiniLiteral<string>).def.values[0]).join('.');
  return [{ name, schema, fields: Object.entries(shape).filter(([field]) => field !== 'id' && !told.includes(field)) }];
}

/** Every record type and kind of device there is, taken from the schema. */
export const KINDS_OF_RECORD = kindsOf(recordSchema);

/** What a record's kind is called among them. */
export const kindNameOf = (record: DesignRecord) => (record.type === 'device' ? `device.${record.kind}` : record.type);

export const fieldOf = (record: DesignRecord, field: string) => (record as unknown as Record<string, unknown>)[field];
