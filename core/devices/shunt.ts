import * as z from 'zod/mini';
import { numberIn } from '../units/schema';
import { deviceBase } from './fields';
import type { DeviceKind } from './kind';
import { carries, quantity } from './settings';

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('shunt'),
  milliohm: numberIn(0.001, 100),
  ratingA: numberIn(1, 2000),
});

/** A known small resistance the meter measures current by. */
export const shunt: DeviceKind<z.infer<typeof schema>> & { schema: typeof schema } = {
  schema,
  label: 'shunt',
  symbol: 'shunt',
  lands: 'ring',
  holds: 'studs',
  fitMinutes: 15,
  carriesA: ({ ratingA }) => ratingA,
  endsAlike: true,
  settings: () => [carries(1, 2000), quantity('milliohm', 'has', 'mΩ', 3, 0.001, 100)],
  terminals: () => ['battery', 'system'],
  paths: () => [{ from: 'battery', to: 'system' }],
  closedOhm: ({ milliohm }) => milliohm / 1000,
  stamp: ({ milliohm }, net) => net.resistor('bar', 'battery', 'system', milliohm / 1000),
};
