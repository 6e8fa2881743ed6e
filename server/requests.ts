import * as z from 'zod/mini';
import { listOf, numberIn, textOf, textUpTo, wholeIn } from '@/core/units/schema';
import { COPY_PARTS } from '@/core/switching/copyParts';
import { changeSchema } from '@/core/design/schema';
import { CHEMISTRIES, CONDUCTOR_STANDARDS, LIMITS, RETURN_KINDS, UNIT_SYSTEMS, VEHICLES } from '@/core/catalog/vocabulary';

/** Examples a design can begin from. */
export const EXAMPLES = ['pip', 'heron'] as const;

/** The bodies of the requests the server takes. */

const name = z.string().check(z.maxLength(LIMITS.nameLength), z.regex(/^(?=.*\S)[^\u0000-\u001f\u007f]*$/, 'give it a name'));
const changeId = z.string().check(z.regex(/^[A-Za-z0-9_-]{8,40}$/));
const baseRevision = z.int().check(z.minimum(0));

export const proposedChangeSchema = z.strictObject({ changeId, baseRevision, label: textOf(1, 200), change: changeSchema });

export const stepSchema = z.strictObject({ changeId, baseRevision });

export const renameSchema = z.strictObject({ name });

export const newDesignSchema = z.strictObject({
  name,
  vehicle: z.enum(VEHICLES),
  zones: listOf(name, 1, 40),
  battery: z.strictObject({
    chemistry: z.enum(CHEMISTRIES),
    capacityAh: numberIn(1, LIMITS.capacityAh),
    count: wholeIn(1, 20),
  }),
  units: z.enum(UNIT_SYSTEMS),
  standard: z.enum(CONDUCTOR_STANDARDS),
  defaultReturn: z.enum(RETURN_KINDS),
});

/** The query of the list of designs. */
export const listSchema = z.strictObject({
  find: z.optional(textUpTo(LIMITS.nameLength)),
  after: z.optional(textUpTo(60)),
  most: z.optional(z.pipe(z.coerce.number(), wholeIn(1, LIMITS.designsListed))),
});

export const createSchema = z.union([
  z.strictObject({ answers: newDesignSchema }),
  z.strictObject({ file: textUpTo(LIMITS.importBytes) }),
  z.strictObject({ copyOf: z.string().check(z.regex(/^[A-Za-z0-9_-]{1,40}$/)), part: z.enum(COPY_PARTS), name }),
  z.strictObject({ example: z.enum(EXAMPLES), name }),
]);
