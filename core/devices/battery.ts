import { z } from 'zod';
import { batteryOhm, restV } from '../catalog/chemistries';
import { deviceBase } from '../design/fields';
import { CHEMISTRIES, LIMITS } from '../design/vocabulary';
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
});

export type Battery = z.infer<typeof schema>;

/** Rest voltage by state of charge behind the resistance of its kind and size; a bank is its batteries side by side. */
export const battery: DeviceKind<Battery> & { schema: typeof schema } = {
  schema,
  label: 'battery',
  terminals: () => ['plus', 'minus'],
  paths: () => [],
  controls: () => ({ chargePercent: [100] }),
  stamp({ chemistry, capacityAh, count }, net) {
    const inSeries = net.nominalV / 12;
    net.voltage('rest', '#rest', 'minus', ({ control }) => restV(chemistry, Number(control('chargePercent'))) * inSeries);
    net.resistor('inside', '#rest', 'plus', batteryOhm(chemistry, capacityAh * count) * inSeries);
  },
};
