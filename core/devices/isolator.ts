import * as z from 'zod/mini';
import { numberIn } from '../units/schema';
import { deviceBase, stud } from './fields';
import type { DeviceKind } from './kind';
import { carries } from './settings';

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('isolator'),
  ratingA: numberIn(10, 2000),
  stud,
});

export type Isolator = z.infer<typeof schema>;

/** A closed battery switch, ohm. Common practice: 0.1 to 0.3 milliohm. */
const CLOSED_OHM = 0.0002;

/** The switch by which everything is taken off the battery for work. */
export const isolator: DeviceKind<Isolator> & { schema: typeof schema } = {
  schema,
  label: 'battery isolator',
  symbol: 'isolator',
  lands: 'ring',
  holds: 'studs',
  fitMinutes: 15,
  carriesA: ({ ratingA }) => ratingA,
  endsAlike: true,
  hole: () => 'gauge52',
  settings: () => [carries(10, 2000)],
  terminals: () => ['in', 'out'],
  paths: () => [{ from: 'in', to: 'out' }],
  closedOhm: () => CLOSED_OHM,
  controls: () => ({ position: ['on', 'off'] }),
  stamp(_, net) {
    net.contact('contact', 'in', 'out', ({ control }) => control('position') === 'on', CLOSED_OHM);
  },
};
