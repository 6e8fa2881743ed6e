import { z } from 'zod';
import { amps, deviceBase } from './fields';
import { standbyLaw } from './laws';
import type { DeviceKind, Memory } from './kind';

const MOST_CHANNELS = 16;

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('receiver'),
  channels: z.number().int().min(1).max(MOST_CHANNELS),
  mode: z.enum(['latching', 'momentary']),
  channelMaxA: z.number().min(0.1).max(50),
  standbyA: amps,
});

/** Names of its channels, and its buttons as controls, by how many there are: asked for at every step of every network. */
const CHANNELS = Array.from({ length: MOST_CHANNELS + 1 }, (_, count) => Array.from({ length: count }, (__, at) => `ch${at + 1}`));
const BUTTONS = CHANNELS.map((channels) => Object.fromEntries(channels.map((channel) => [channel, [false, true]])));

const channelsOf = ({ channels }: { channels: number }) => CHANNELS[channels]!;

/** A radio receiver: each button works one channel, which joins its output to the supply; latching ones change at each press. */
export const receiver: DeviceKind<z.infer<typeof schema>> & { schema: typeof schema } = {
  schema,
  label: 'radio receiver',
  isContact: true,
  terminals: (device) => ['plus', 'minus', ...channelsOf(device)],
  paths: (device) => channelsOf(device).map((to) => ({ from: 'plus', to })),
  controls: ({ channels }) => BUTTONS[channels]!,
  workedInUse: (_device, channel, isLanded) => isLanded(channel),
  stamp(device, net) {
    for (const channel of channelsOf(device)) net.contact(channel, 'plus', channel, ({ memory }) => memory[channel] === true, 0.03);
    net.law('standby', 'plus', 'minus', standbyLaw(device.standbyA));
  },
  step(device, { control, memory, across }) {
    const isFed = across('plus', 'minus') > 6;
    const next: Record<string, boolean> = {};
    for (const channel of channelsOf(device)) {
      const pressed = control(channel) === true;
      const wasPressed = memory[`${channel} pressed`] === true;
      const wasOn = memory[channel] === true;
      next[`${channel} pressed`] = pressed;
      next[channel] = isFed && (device.mode === 'momentary' ? pressed : pressed && !wasPressed ? !wasOn : wasOn);
    }
    return sameMemory(memory, next) ? memory : next;
  },
};

function sameMemory(a: Memory, b: Memory): boolean {
  return Object.entries(b).every(([key, value]) => (a[key] ?? false) === value);
}
