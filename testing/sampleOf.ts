import { z } from 'zod';

const WORDS = ['another', '2026-01-01', 'a', 'A1', '#334455'];

/** A value that a schema allows, of many; undefined where none was found. */
export function sampleOf(schema: z.ZodType, random: () => number): unknown {
  for (let tries = 0; tries < 40; tries++) {
    const value = drawn(schema, random);
    if (schema.safeParse(value).success) return value;
  }
  return undefined;
}

function drawn(schema: z.ZodType, random: () => number): unknown {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  if (schema instanceof z.ZodOptional || schema instanceof z.ZodNullable) return drawn(schema.unwrap() as z.ZodType, random);
  if (schema instanceof z.ZodLiteral) return schema.value;
  if (schema instanceof z.ZodEnum) return pick(schema.options);
  if (schema instanceof z.ZodBoolean) return random() < 0.5;
  if (schema instanceof z.ZodNumber) {
    const least = Math.max(schema.minValue ?? 0, -1000);
    const most = Math.min(schema.maxValue ?? 1000, 10_000);
    const value = pick([least, most, least + random() * (most - least), least + 1]);
    return schema.isInt ? Math.round(value) : value;
  }
  if (schema instanceof z.ZodString) return pick(WORDS);
  if (schema instanceof z.ZodArray)
    return Array.from({ length: 1 + Math.floor(random() * 2) }, () => drawn(schema.element as z.ZodType, random));
  if (schema instanceof z.ZodTuple) return (schema.def.items as z.ZodType[]).map((item) => drawn(item, random));
  if (schema instanceof z.ZodUnion) return drawn(pick(schema.options as z.ZodType[]), random);
  if (schema instanceof z.ZodObject) {
    const fields = Object.entries(schema.shape as Record<string, z.ZodType>);
    return Object.fromEntries(
      fields.flatMap(([field, of]) => (of instanceof z.ZodOptional && random() < 0.5 ? [] : [[field, drawn(of, random)]])),
    );
  }
  return undefined;
}
