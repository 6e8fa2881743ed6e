import { z } from 'zod';
import { feedCable } from './feedCable';
import { CONDUCTOR_SIZES } from '../catalog/conductorSizes';
import { deviceBase, lengthMm, volts } from './fields';
import { leaky, limitedSourceLaw } from './laws';
import { LEAK_OHM, type DeviceKind } from './kind';

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('dcDcCharger'),
  outputV: volts,
  maxA: z.number().min(1).max(300),
  efficiencyPercent: z.number().min(50).max(100),
  /** The cable from the starter battery, one way. */
  inputConductor: z.enum(CONDUCTOR_SIZES).nullable(),
  inputLengthMm: lengthMm,
  inputFuseA: z.number().min(1).max(500).nullable(),
  /** To the house battery; absent: not described. */
  cable: feedCable.optional(),
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
