import * as z from 'zod/mini';
import { numberIn } from '../units/schema';
import { feedCable } from './feedCable';
import { CONDUCTOR_SIZES } from '../catalog/conductorSizes';
import { deviceBase, lengthMm, volts } from './fields';
import { leaky, limitedSourceLaw } from './laws';
import { LEAK_OHM, type DeviceKind } from './kind';

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('dcDcCharger'),
  outputV: volts,
  maxA: numberIn(1, 300),
  efficiencyPercent: numberIn(50, 100),
  /** The cable from the starter battery, one way. */
  inputConductor: z.nullable(z.enum(CONDUCTOR_SIZES)),
  inputLengthMm: lengthMm,
  inputFuseA: z.nullable(numberIn(1, 500)),
  /** To the house battery; absent: not described. */
  cable: z.optional(feedCable),
});

export type DcDcCharger = z.infer<typeof schema>;

/** Takes what the alternator's side gives and charges the house battery as it needs. */
export const dcDcCharger: DeviceKind<DcDcCharger> & { schema: typeof schema } = {
  schema,
  label: 'DC-DC charger',
  symbol: 'converter',
  lands: 'ring',
  fitMinutes: 40,
  liveBy: 'vehicle',
  terminals: () => ['in', 'plus', 'minus'],
  paths: () => [],
  controls: () => ({ running: [false, true] }),
  stamp({ outputV, maxA }, net) {
    net.law('output', 'plus', 'minus', ({ control }) => leaky(limitedSourceLaw(outputV, control('running') === true ? maxA : 0), LEAK_OHM));
  },
};
