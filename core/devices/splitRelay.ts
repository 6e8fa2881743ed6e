import * as z from 'zod/mini';
import { numberIn } from '../units/schema';
import { feedCable } from './feedCable';
import { deviceBase } from './fields';
import type { DeviceKind } from './kind';

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('splitRelay'),
  ratingA: numberIn(10, 500),
  /** From the starter battery through the relay to the house battery; absent: not described. */
  cable: z.optional(feedCable),
});

export type SplitRelay = z.infer<typeof schema>;

/** Contact drop of a new relay of this size, ohm. Common practice: a few milliohm. */
const CONTACT_OHM = 0.001;

/** Ties the starter battery to the house battery while the engine runs. */
export const splitRelay: DeviceKind<SplitRelay> & { schema: typeof schema } = {
  schema,
  label: 'split-charge relay',
  symbol: 'relay',
  lands: 'ring',
  holds: 'studs',
  fitMinutes: 10,
  liveBy: 'vehicle',
  terminals: () => ['starter', 'house'],
  paths: () => [],
  controls: () => ({ closed: [false, true] }),
  stamp(_, net) {
    net.contact('contact', 'starter', 'house', ({ control }) => control('closed') === true, CONTACT_OHM);
  },
};
