import { z } from 'zod';
import { batteryOhmRange, restV } from '../catalog/chemistries';
import { amps, deviceBase, milliohm, percent, stud, volts } from './fields';
import { CHEMISTRIES, LIMITS } from '../catalog/vocabulary';
import type { DeviceKind } from './kind';

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('battery'),
  chemistry: z.enum(CHEMISTRIES),
  capacityAh: z.number().min(1).max(LIMITS.capacityAh),
  rateH: z.number().min(1).max(100),
  count: z.number().int().min(1).max(20),
  usableDepthPercent: z.number().min(5).max(100).nullable(),
  peukertExponent: z.number().min(1).max(1.6).nullable(),
  /** Capacity still there of what is on the label, percent; absent: 100. */
  healthPercent: z.number().min(20).max(100).optional(),
  /** Maker's capacity of one battery by hours of discharge, in place of an exponent. */
  rates: z
    .array(z.strictObject({ hours: z.number().min(0.1).max(240), capacityAh: z.number().min(1).max(LIMITS.capacityAh) }))
    .min(2)
    .max(12)
    .optional(),
  /** Inside one battery. */
  internalMilliohm: milliohm.optional(),
  /** The most the whole bank may be charged with, A. */
  chargeLimitA: amps.optional(),
  absorptionV: volts.optional(),
  /** Volts at which a cut-out takes everything off, and brings it back. */
  cutOutV: volts.optional(),
  restartV: volts.optional(),
  /** Loss while nothing draws, percent a month. */
  selfDischargePercent: percent.optional(),
  /** Warmed so that it may be charged in frost. */
  heated: z.boolean().optional(),
  vented: z.boolean().optional(),
  heldDown: z.boolean().optional(),
  stud,
});

export type Battery = z.infer<typeof schema>;

/** Rest voltage by state of charge behind the resistance of its kind and size; a bank is its batteries side by side. */
export const battery: DeviceKind<Battery> & { schema: typeof schema } = {
  schema,
  label: 'battery',
  symbol: 'battery',
  lands: 'ring',
  holds: 'studs',
  isBolted: () => true,
  fitMinutes: 60,
  liveBy: 'ahead',
  endsAlike: true,
  traits: ({ capacityAh, chemistry }) => [capacityAh, chemistry],
  terminals: () => ['plus', 'minus'],
  paths: () => [],
  controls: () => ({ chargePercent: [100] }),
  stamp(device, net) {
    const { chemistry } = device;
    const inSeries = net.nominalV / 12;
    net.voltage('rest', '#rest', 'minus', ({ control }) => restV(chemistry, Number(control('chargePercent'))) * inSeries);
    net.resistor('inside', '#rest', 'plus', batteryOhmRange(device).usual * inSeries);
  },
};
