import * as z from 'zod/mini';
import { numberIn } from '../units/schema';
import { amps, deviceBase, percent, volts } from './fields';
import { leaky, limitedSourceLaw } from './laws';
import { LEAK_OHM, type DeviceKind } from './kind';

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('alternator'),
  ratedA: numberIn(5, 600),
  outputV: volts,
  /** Share of the rated current at idle, and when hot at speed. */
  idlePercent: percent,
  hotPercent: percent,
  /** What the vehicle itself takes while it runs. */
  vehicleA: amps,
  /** Part of the driving time spent idling. */
  idlingPercent: z.optional(percent),
  /** Charges the house battery itself, the only one the vehicle has, with no relay or charger between. */
  direct: z.optional(z.boolean()),
});

export type Alternator = z.infer<typeof schema>;

/** A van's alternator as one finds it, on a 12 or 24 V system. Common practice: 100 A, hot three quarters of it, at idle not quite half. */
export function usualAlternator(
  nominalV: number,
): Pick<Alternator, 'kind' | 'ratedA' | 'outputV' | 'idlePercent' | 'hotPercent' | 'vehicleA'> {
  return { kind: 'alternator', ratedA: 100, outputV: 14.2 * (nominalV / 12), idlePercent: 45, hotPercent: 75, vehicleA: 30 };
}

/** The engine's generator, holding its voltage up to what it can give at its speed and heat. */
export const alternator: DeviceKind<Alternator> & { schema: typeof schema } = {
  schema,
  label: 'alternator',
  symbol: 'source',
  lands: 'ring',
  holds: 'studs',
  fitMinutes: null,
  liveBy: 'engine',
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
