import { z } from 'zod';
import { COPY_PARTS } from '@/core/switching/copyParts';
import { changeSchema } from '@/core/design/schema';
import { CHEMISTRIES, CONDUCTOR_STANDARDS, LIMITS, RETURN_KINDS, UNIT_SYSTEMS, VEHICLES } from '@/core/catalog/vocabulary';

/** Examples a design can begin from. */
export const EXAMPLES = ['pip', 'heron'] as const;

/** The bodies of the requests the server takes. */

const name = z
  .string()
  .max(LIMITS.nameLength)
  .regex(/^(?=.*\S)[^\u0000-\u001f\u007f]*$/, 'give it a name');
const changeId = z.string().regex(/^[A-Za-z0-9_-]{8,40}$/);
const baseRevision = z.number().int().min(0);

export const proposedChangeSchema = z.strictObject({ changeId, baseRevision, label: z.string().min(1).max(200), change: changeSchema });

export const stepSchema = z.strictObject({ changeId, baseRevision });

export const renameSchema = z.strictObject({ name });

export const newDesignSchema = z.strictObject({
  name,
  vehicle: z.enum(VEHICLES),
  zones: z.array(name).min(1).max(40),
  battery: z.strictObject({
    chemistry: z.enum(CHEMISTRIES),
    capacityAh: z.number().min(1).max(LIMITS.capacityAh),
    count: z.number().int().min(1).max(20),
  }),
  units: z.enum(UNIT_SYSTEMS),
  standard: z.enum(CONDUCTOR_STANDARDS),
  defaultReturn: z.enum(RETURN_KINDS),
});

/** The query of the list of designs. */
export const listSchema = z.strictObject({
  find: z.string().max(LIMITS.nameLength).optional(),
  after: z.string().max(60).optional(),
  most: z.coerce.number().int().min(1).max(LIMITS.designsListed).optional(),
});

export const createSchema = z.union([
  z.strictObject({ answers: newDesignSchema }),
  z.strictObject({ file: z.string().max(LIMITS.importBytes) }),
  z.strictObject({ copyOf: z.string().regex(/^[A-Za-z0-9_-]{1,40}$/), part: z.enum(COPY_PARTS), name }),
  z.strictObject({ example: z.enum(EXAMPLES), name }),
]);
