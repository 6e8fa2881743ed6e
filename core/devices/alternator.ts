import { z } from 'zod';
import { amps, deviceBase, percent, volts } from '../design/fields';
import { leaky, limitedSourceLaw } from '../network/laws';
import { LEAK_OHM, type DeviceKind } from './kind';

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('alternator'),
  ratedA: z.number().min(5).max(600),
  outputV: volts,
  /** Share of the rated current at idle, and when hot at speed. */
  idlePercent: percent,
  hotPercent: percent,
  /** What the vehicle itself takes while it runs. */
  vehicleA: amps,
  /** Part of the driving time spent idling. */
  idlingPercent: percent.optional(),
});

export type Alternator = z.infer<typeof schema>;

/** The engine's generator, holding its voltage up to what it can give at its speed and heat. */
export const alternator: DeviceKind<Alternator> & { schema: typeof schema } = {
  schema,
  label: 'alternator',
  terminals: () => ['plus', 'minus'],
  paths: () => [],
  controls: () => ({ engine: ['off', 'idle', 'driving'] }),
  stamp({ ratedA, outputV, idlePercent, hotPercent }, net) {
    net.law('output', 'plus', 'minus', ({ control }) => {
      const engine = control('engine');
      const share = engine === 'off' ? 0 : engine === 'idle' ? idlePercent : hotPercent;
      return leaky(limitedSourceLaw(outputV, (ratedA * share) / 100), LEAK_OHM);
    });
  },
};
