import * as z from 'zod/mini';
import { numberIn, wholeIn } from '../units/schema';
import { amps, deviceBase, id, volts } from './fields';
import { leaky, limitedSourceLaw } from './laws';
import { feedCable } from './feedCable';
import { LEAK_OHM, type DeviceKind } from './kind';

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('solarPanel'),
  /** Of one panel under the standard sun of 1000 W/m² at 25 °C; volts and amperes at its best point and at the ends. */
  watts: numberIn(1, 2000),
  bestV: volts,
  openV: numberIn(1, 200),
  shortA: amps,
  count: wholeIn(1, 20),
  wired: z.enum(['parallel', 'series']),
  /** Change of power and of open-circuit voltage with cell temperature, percent a kelvin; absent: usual silicon. */
  powerPercentPerK: z.optional(numberIn(-1, 0)),
  openVPercentPerK: z.optional(numberIn(-1, 0)),
  tiltDeg: numberIn(0, 90),
  /** Where it faces, clockwise from the vehicle's front: 180 is over the tail. Nothing to a flat one. */
  facesDeg: numberIn(0, 360),
  /** Lifted off the roof so that air passes beneath. */
  aired: z.optional(z.boolean()),
  /** Turned to the sun by hand through the day, as a folding panel is. */
  turned: z.optional(z.boolean()),
  /** A panel with a controller of its own, which may go straight to the fused battery side. */
  regulated: z.boolean(),
  controllerId: z.nullable(id),
  /** From one with a controller of its own to the house battery; absent: not described. */
  cable: z.optional(feedCable),
});

export type SolarPanel = z.infer<typeof schema>;

/** A panel; in the network a source that gives its short-circuit current up to its open-circuit voltage while the sun shines. */
export const solarPanel: DeviceKind<SolarPanel> & { schema: typeof schema } = {
  schema,
  label: 'solar panel',
  symbol: 'source',
  lands: 'pin',
  fitMinutes: 90,
  liveBy: 'sun',
  terminals: () => ['plus', 'minus'],
  paths: () => [],
  controls: () => ({ sunPercent: [0, 100] }),
  stamp({ openV, shortA, count, wired }, net) {
    const [inSeries, inParallel] = wired === 'series' ? [count, 1] : [1, count];
    net.law('panel', 'plus', 'minus', ({ control }) =>
      leaky(limitedSourceLaw(openV * inSeries, (shortA * inParallel * Number(control('sunPercent'))) / 100), LEAK_OHM),
    );
  },
};
