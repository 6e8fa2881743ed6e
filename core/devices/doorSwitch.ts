import * as z from 'zod/mini';
import { numberIn } from '../units/schema';
import { deviceBase } from './fields';
import type { DeviceKind } from './kind';
import { carries } from './settings';

const schema = z.strictObject({ ...deviceBase, kind: z.literal('doorSwitch'), ratingA: numberIn(0.1, 50) });

/** A door pillar's switch on the return side: joins its lead to the body while the door is open. */
export const doorSwitch: DeviceKind<z.infer<typeof schema>> & { schema: typeof schema } = {
  schema,
  label: 'door switch',
  symbol: 'make',
  lands: 'receptacle',
  holds: 'blades',
  fitMinutes: 10,
  carriesA: ({ ratingA }) => ratingA,
  settings: () => [carries(0.1, 50)],
  isContact: true,
  terminals: () => ['lead', 'body'],
  paths: () => [{ from: 'lead', to: 'body' }],
  controls: () => ({ door: ['shut', 'open'] }),
  workedInUse: () => true,
  stamp: (_device, net) => net.contact('contact', 'lead', 'body', ({ control }) => control('door') === 'open', 0.05),
};
