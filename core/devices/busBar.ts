import * as z from 'zod/mini';
import { numberIn } from '../units/schema';
import { deviceBase, stud } from './fields';
import type { DeviceKind } from './kind';
import { carries } from './settings';

const schema = z.strictObject({ ...deviceBase, kind: z.literal('busBar'), ratingA: numberIn(1, 1000), stud });

export type BusBar = z.infer<typeof schema>;

/** One piece of copper: everything on it is one terminal. */
export const busBar: DeviceKind<BusBar> & { schema: typeof schema } = {
  schema,
  label: 'bus bar',
  symbol: 'bar',
  lands: 'ring',
  holds: 'studs',
  isBolted: () => true,
  fitMinutes: 15,
  carriesA: ({ ratingA }) => ratingA,
  endsAlike: true,
  settings: () => [carries(1, 1000)],
  terminals: () => ['bar'],
  paths: () => [],
  stamp: () => undefined,
};
