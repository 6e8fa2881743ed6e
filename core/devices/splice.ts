import { z } from 'zod';
import { JOINT_WAYS } from '../catalog/vocabulary';
import { deviceBase } from './fields';
import type { DeviceKind } from './kind';

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('splice'),
  /** How it is made; absent: crimped, with a glue sleeve over it. */
  made: z.enum(JOINT_WAYS).optional(),
});

/** A joint of wires: one terminal. */
export const splice: DeviceKind<z.infer<typeof schema>> & { schema: typeof schema } = {
  schema,
  label: 'splice',
  terminals: () => ['joint'],
  paths: () => [],
  stamp: () => undefined,
};
