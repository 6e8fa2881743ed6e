import * as z from 'zod/mini';
import { deviceBase, milliohm, stud } from './fields';
import { LEAST_OHM, type DeviceKind } from './kind';
import { quantity } from './settings';

const schema = z.strictObject({ ...deviceBase, kind: z.literal('groundPoint'), jointMilliohm: milliohm, stud });

/** The chassis, which every ground point is bolted to. */
export const CHASSIS = { deviceId: '@chassis', terminal: 'body' } as const;

/** A bolt to the vehicle's body, through the resistance of its joint. */
export const groundPoint: DeviceKind<z.infer<typeof schema>> & { schema: typeof schema } = {
  schema,
  label: 'ground point',
  symbol: 'ground',
  lands: 'ring',
  holds: 'studs',
  isBolted: () => true,
  fitMinutes: null,
  endsAlike: true,
  settings: () => [quantity('jointMilliohm', 'joint', 'mΩ', 1, 0, 10_000)],
  terminals: () => ['stud'],
  paths: () => [],
  stamp({ jointMilliohm }, net) {
    net.resistor('joint', 'stud', net.outside(CHASSIS.deviceId, CHASSIS.terminal), Math.max(LEAST_OHM, jointMilliohm / 1000));
  },
};
