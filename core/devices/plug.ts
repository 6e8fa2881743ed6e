import * as z from 'zod/mini';
import { numberIn, wholeIn } from '../units/schema';
import { deviceBase, milliohm } from './fields';
import { LEAST_OHM, type DeviceKind } from './kind';
import { carries, quantity } from './settings';

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('plug'),
  pins: wholeIn(1, 24),
  contactMilliohm: milliohm,
  ratingA: numberIn(0.1, 500),
});

const pinsOf = ({ pins }: { pins: number }) => Array.from({ length: pins }, (_, at) => ({ from: `a${at + 1}`, to: `b${at + 1}` }));

/** A plug and its socket, pin for pin. */
export const plug: DeviceKind<z.infer<typeof schema>> & { schema: typeof schema } = {
  schema,
  label: 'plug and socket',
  symbol: 'plug',
  lands: 'pin',
  fitMinutes: 10,
  carriesA: ({ ratingA }) => ratingA,
  terminalWord: (terminal) => {
    const [, half, number] = /^([ab])(\d+)$/.exec(terminal) ?? [];
    return half && `pin ${number}, ${half === 'a' ? 'plug' : 'socket'}`;
  },
  positionWord: (position) => (position === true ? 'together' : 'apart'),
  settings: () => [carries(0.1, 500), quantity('pins', 'pins', '', 0, 1, 24), quantity('contactMilliohm', 'each', 'mΩ', 1, 0, 10_000)],
  terminals: (device) => pinsOf(device).flatMap(({ from, to }) => [from, to]),
  paths: pinsOf,
  controls: () => ({ mated: [true, false] }),
  stamp(device, net) {
    const ohm = Math.max(LEAST_OHM, device.contactMilliohm / 1000);
    for (const { from, to } of pinsOf(device)) net.contact(`${from}-${to}`, from, to, ({ control }) => control('mated') === true, ohm);
  },
};
