import * as z from 'zod/mini';
import { numberIn } from '../units/schema';
import { deviceBase } from './fields';
import { diodeLaw } from './laws';
import type { DeviceKind } from './kind';
import { carries } from './settings';

const schema = z.strictObject({ ...deviceBase, kind: z.literal('diode'), ratingA: numberIn(0.1, 500) });

/** Emission coefficient of a silicon rectifier. From memory. */
const EMISSION = 1.75;
/** Volts a rectifier drops at its rated current. From memory: 0.9 to 1.1. */
const RATED_DROP_V = 1;

/** A rectifier: lets current through from anode to cathode, about a volt lower. */
export const diode: DeviceKind<z.infer<typeof schema>> & { schema: typeof schema } = {
  schema,
  label: 'diode',
  symbol: 'diode',
  lands: 'butt',
  fitMinutes: 10,
  turn: () => 'poled',
  settings: () => [carries(0.1, 500)],
  terminals: () => ['anode', 'cathode'],
  paths: () => [{ from: 'anode', to: 'cathode' }],
  stamp({ ratingA }, net) {
    const saturationA = ratingA / Math.exp(RATED_DROP_V / (EMISSION * 0.025865));
    net.law('junction', 'anode', 'cathode', diodeLaw(saturationA, EMISSION));
  },
};
