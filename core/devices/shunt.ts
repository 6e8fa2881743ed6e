import { z } from 'zod';
import { deviceBase } from './fields';
import type { DeviceKind } from './kind';

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('shunt'),
  milliohm: z.number().min(0.001).max(100),
  ratingA: z.number().min(1).max(2000),
});

/** A known small resistance the meter measures current by. */
export const shunt: DeviceKind<z.infer<typeof schema>> & { schema: typeof schema } = {
  schema,
  label: 'shunt',
  terminals: () => ['battery', 'system'],
  paths: () => [{ from: 'battery', to: 'system' }],
  closedOhm: ({ milliohm }) => milliohm / 1000,
  stamp: ({ milliohm }, net) => net.resistor('bar', 'battery', 'system', milliohm / 1000),
};
