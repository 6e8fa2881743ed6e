import * as z from 'zod/mini';
import { numberIn } from '../units/schema';
import { feedCable } from './feedCable';
import { deviceBase, volts } from './fields';
import { leaky, limitedSourceLaw } from './laws';
import { LEAK_OHM, type DeviceKind } from './kind';

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('charger'),
  outputV: volts,
  maxA: numberIn(0.1, 500),
  efficiencyPercent: z.optional(numberIn(50, 100)),
  /** To the house battery; absent: not described. */
  cable: z.optional(feedCable),
});

/** A source that holds its voltage up to its largest current and takes none back. */
export const charger: DeviceKind<z.infer<typeof schema>> & { schema: typeof schema } = {
  schema,
  label: 'charger',
  symbol: 'converter',
  lands: 'ferrule',
  fitMinutes: 40,
  liveBy: 'hookup',
  terminals: () => ['plus', 'minus'],
  paths: () => [],
  controls: () => ({ running: [false, true] }),
  stamp({ outputV, maxA }, net) {
    net.law('output', 'plus', 'minus', ({ control }) => leaky(limitedSourceLaw(outputV, control('running') === true ? maxA : 0), LEAK_OHM));
  },
};
