import * as z from 'zod/mini';
import { listOf, numberIn } from '../units/schema';
import { deviceBase } from './fields';
import type { DeviceKind } from './kind';
import { quantity } from './settings';

export const VEHICLE_SIGNALS = [
  'constant',
  'ignition',
  'accessory',
  'starting',
  'running',
  'lowBeam',
  'highBeam',
  'reverse',
  'left',
  'right',
  'brake',
  'door',
  'hood',
] as const;
export type VehicleSignal = (typeof VEHICLE_SIGNALS)[number];

/** A vehicle’s signals by what people call them. */
export const SIGNAL_WORDS: Record<VehicleSignal, string> = {
  constant: 'always live',
  ignition: 'ignition',
  accessory: 'accessory',
  starting: 'the starter turning',
  running: 'running lamps',
  lowBeam: 'low beam',
  highBeam: 'high beam',
  reverse: 'reverse',
  left: 'left indicator',
  right: 'right indicator',
  brake: 'brake',
  door: 'door',
  hood: 'hood',
};

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('signalSource'),
  signals: listOf(z.enum(VEHICLE_SIGNALS), 1, VEHICLE_SIGNALS.length),
  /** The most that may be drawn from one of its wires, A: they are triggers. */
  maxA: numberIn(0.01, 50),
});

/** Wires of the vehicle itself, each live in its own states of the vehicle, fed by the vehicle's battery. */
export const signalSource: DeviceKind<z.infer<typeof schema>> & { schema: typeof schema } = {
  schema,
  label: 'vehicle signals',
  symbol: 'vehicle',
  lands: 'butt',
  fitMinutes: null,
  liveBy: 'vehicle',
  terminalWord: (terminal) => SIGNAL_WORDS[terminal as VehicleSignal],
  positionWord: (position) => (typeof position === 'boolean' ? (position ? 'live' : 'dead') : String(position)),
  settings: () => [
    {
      ...{ kind: 'several', field: 'signals', label: 'wires' },
      options: VEHICLE_SIGNALS.map((value) => ({ value, label: SIGNAL_WORDS[value] })),
    },
    quantity('maxA', 'each may give', 'A', 2, 0.01, 50),
  ],
  terminals: ({ signals }) => [...new Set(signals), 'minus'],
  paths: () => [],
  controls: ({ signals }) => ({
    ...Object.fromEntries(signals.map((signal) => [signal, signal === 'constant' ? [true, false] : [false, true]])),
    vehicleV: [12.6],
  }),
  workedInUse: (_device, signal, isLanded) => signal !== 'constant' && isLanded(signal),
  // Each is held by the vehicle's own battery or hangs loose, whatever the others do.
  deciding: (_device, terminal) => [terminal, 'minus'],
  stamp({ signals }, net) {
    net.voltage('vehicle', '#vehicle', 'minus', ({ control }) => Number(control('vehicleV')));
    for (const signal of new Set(signals)) net.contact(signal, '#vehicle', signal, ({ control }) => control(signal) === true, 0.05);
  },
};
