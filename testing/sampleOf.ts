import * as z from 'zod/mini';

const WORDS = ['another', '2026-01-01', 'a', 'A1', '#334455'];

/** A value that a schema allows, of many; undefined where none was found. */
export function sampleOf(schema: z.ZodMiniType, random: () => number): unknown {
  for (let tries = 0; tries < 40; tries++) {
    const value = drawn(schema, random);
    if (schema.safeParse(value).success) return value;
  }
  return undefined;
}

function drawn(schema: z.ZodMiniType, random: () => number): unknown {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  if (schema instanceof z.ZodMiniOptional || schema instanceof z.ZodMiniNullable)
    return drawn(schema.def.innerType as z.ZodMiniType, random);
  if (schema instanceof z.ZodMiniLiteral) return schema.def.values[0];
  if (schema instanceof z.ZodMiniEnum) return pick(schema.options);
  if (schema instanceof z.ZodMiniBoolean) return random() < 0.5;
  if (schema instanceof z.ZodMiniNumber) {
    const { type, ...bounds } = z.toJSONSchema(schema);
    const least = Math.max(-1000, ...[bounds.minimum, bounds.exclusiveMinimum].filter((bound) => typeof bound === 'number'));
    const most = Math.min(10_000, bounds.maximum ?? 10_000);
    const value = pick([least, most, least + random() * (most - least), least + 1]);
    return type === 'integer' ? Math.round(value) : value;
  }
  if (schema instanceof z.ZodMiniString) return pick(WORDS);
  if (schema instanceof z.ZodMiniArray)
    return Array.from({ length: 1 + Math.floor(random() * 2) }, () => drawn(schema.def.element as z.ZodMiniType, random));
  if (schema instanceof z.ZodMiniTuple) return (schema.def.items as z.ZodMiniType[]).map((item) => drawn(item, random));
  if (schema instanceof z.ZodMiniUnion || schema instanceof z.ZodMiniDiscriminatedUnion)
    return drawn(pick(schema.def.options as z.ZodMiniType[]), random);
  if (schema instanceof z.ZodMiniObject) {
    const fields = Object.entries(schema.shape as Record<string, z.ZodMiniType>);
    return Object.fromEntries(
      fields.flatMap(([field, of]) => (of instanceof z.ZodMiniOptional && random() < 0.5 ? [] : [[field, drawn(of, random)]])),
    );
  }
  return undefined;
}
