import * as z from 'zod/mini';
import { numberIn } from '../units/schema';
import { feedCable } from './feedCable';
import { deviceBase, volts } from './fields';
import { leaky, limitedSourceLaw } from './laws';
import { LEAK_OHM, type DeviceKind } from './kind';

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('solarController'),
  /** A simple one ties the panel to the battery's voltage; a tracking one finds the panel's best point. */
  method: z.enum(['simple', 'tracking']),
  maxA: numberIn(1, 500),
  maxPanelV: numberIn(1, 500),
  outputV: volts,
  /** To the house battery; absent: not described. */
  cable: z.optional(feedCable),
});

export type SolarController = z.infer<typeof schema>;

/** Between panels and battery: on the battery's side a source that holds its voltage up to its largest current. */
export const solarController: DeviceKind<SolarController> & { schema: typeof schema } = {
  schema,
  label: 'solar controller',
  symbol: 'converter',
  lands: 'ferrule',
  fitMinutes: 30,
  liveBy: 'sun',
  terminals: () => ['panelPlus', 'panelMinus', 'plus', 'minus'],
  paths: () => [],
  controls: () => ({ running: [false, true] }),
  stamp({ outputV, maxA }, net) {
    net.law('output', 'plus', 'minus', ({ control }) => leaky(limitedSourceLaw(outputV, control('running') === true ? maxA : 0), LEAK_OHM));
    net.resistor('common', 'panelMinus', 'minus', 0.001);
  },
};
