import { z } from 'zod';
import { deviceBase } from './fields';
import type { DeviceKind } from './kind';

const schema = z.strictObject({ ...deviceBase, kind: z.literal('splice') });

/** A joint of wires: one terminal. */
export const splice: DeviceKind<z.infer<typeof schema>> & { schema: typeof schema } = {
  schema,
  label: 'splice',
  terminals: () => ['joint'],
  paths: () => [],
  stamp: () => undefined,
};
