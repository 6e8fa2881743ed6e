import * as z from 'zod/mini';
import { listOf, numberIn, wholeIn } from '../units/schema';
import { batteryOhmRange, restV } from '../catalog/chemistries';
import { amps, deviceBase, milliohm, percent, stud, volts } from './fields';
import { CHEMISTRIES, LIMITS } from '../catalog/vocabulary';
import { LEAST_OHM, type DeviceKind } from './kind';

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('battery'),
  chemistry: z.enum(CHEMISTRIES),
  capacityAh: numberIn(1, LIMITS.capacityAh),
  rateH: numberIn(1, 100),
  count: wholeIn(1, 20),
  usableDepthPercent: z.nullable(numberIn(5, 100)),
  peukertExponent: z.nullable(numberIn(1, 1.6)),
  /** Capacity still there of what is on the label, percent; absent: 100. */
  healthPercent: z.optional(numberIn(20, 100)),
  /** Maker's capacity of one battery by hours of discharge, in place of an exponent. */
  rates: z.optional(listOf(z.strictObject({ hours: numberIn(0.1, 240), capacityAh: numberIn(1, LIMITS.capacityAh) }), 2, 12)),
  /** Inside one battery. */
  internalMilliohm: z.optional(milliohm),
  /** The most the whole bank may be charged with, A. */
  chargeLimitA: z.optional(amps),
  absorptionV: z.optional(volts),
  /** Volts at which a cut-out takes everything off, and brings it back. */
  cutOutV: z.optional(volts),
  restartV: z.optional(volts),
  /** Loss while nothing draws, percent a month. */
  selfDischargePercent: z.optional(percent),
  /** Warmed so that it may be charged in frost. */
  heated: z.optional(z.boolean()),
  vented: z.optional(z.boolean()),
  heldDown: z.optional(z.boolean()),
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
    net.resistor('inside', '#rest', 'plus', Math.max(LEAST_OHM, batteryOhmRange(device).usual * inSeries));
  },
};
