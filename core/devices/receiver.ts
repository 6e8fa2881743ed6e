import * as z from 'zod/mini';
import { numberIn, wholeIn } from '../units/schema';
import { amps, deviceBase } from './fields';
import { standbyLaw } from './laws';
import type { DeviceKind, Memory, Sees } from './kind';
import { oneOf, quantity, standby } from './settings';

const MOST_CHANNELS = 16;

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('receiver'),
  channels: wholeIn(1, MOST_CHANNELS),
  mode: z.enum(['latching', 'momentary']),
  channelMaxA: numberIn(0.1, 50),
  standbyA: amps,
  /**
   * It remembers its mode: how it comes from its maker, and the channel whose button turns the mode over when it is held while power goes
   * away. Absent: it has but one.
   */
  remembers: z.optional(z.strictObject({ comesAs: z.enum(['latching', 'momentary']), holds: wholeIn(1, MOST_CHANNELS) })),
});

export type Receiver = z.infer<typeof schema>;

/** Names of its channels, and its buttons as controls, by how many there are: asked for at every step of every network. */
const CHANNELS = Array.from({ length: MOST_CHANNELS + 1 }, (_, count) => Array.from({ length: count }, (__, at) => `ch${at + 1}`));
const BUTTONS = CHANNELS.map((channels) => Object.fromEntries(channels.map((channel) => [channel, [false, true]])));

const channelsOf = ({ channels }: { channels: number }) => CHANNELS[channels]!;

/** A radio receiver: each button works one channel, which joins its output to the supply; latching ones change at each press. */
export const receiver: DeviceKind<Receiver> & { schema: typeof schema } = {
  schema,
  label: 'radio receiver',
  symbol: 'radio',
  lands: 'ferrule',
  fitMinutes: 12,
  carriesA: ({ channelMaxA }, terminal) => (terminal.startsWith('ch') ? channelMaxA : null),
  isElectronic: true,
  own: ({ standbyA }) => ({ ampsAt: () => standbyA, plus: 'plus', minus: 'minus', allDay: true }),
  turn: () => 'poled',
  traits: ({ channels, mode }) => [channels, mode],
  terminalWord: (terminal) => (/^ch\d+$/.test(terminal) ? `channel ${terminal.slice(2)}` : undefined),
  positionWord: (position) => (position === true ? 'press' : 'let go'),
  stateWord: (memory) => {
    const on = Object.entries(memory).flatMap(([key, value]) => (value === true && /^ch\d+$/.test(key) ? [key.slice(2)] : []));
    return `${on.length === 0 ? 'all off' : `on: ${on.join(', ')}`}${memory.turned === true ? ', in its other mode' : ''}`;
  },
  settings: () => [
    quantity('channels', 'channels', '', 0, 1, 16),
    quantity('channelMaxA', 'a channel carries', 'A', 1, 0.1, 50),
    oneOf('mode', 'a press', ['latching', 'turns on and off'], ['momentary', 'is on while held']),
    standby,
  ],
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
    if (device.remembers) Object.assign(next, turnedOver(device.remembers.holds, isFed, control, memory));
    const isMomentary = (device.mode === 'momentary') !== (next.turned === true);
    for (const channel of channelsOf(device)) {
      const pressed = control(channel) === true;
      const wasPressed = memory[`${channel} pressed`] === true;
      const wasOn = memory[channel] === true;
      next[`${channel} pressed`] = pressed;
      next[channel] = isFed && (isMomentary ? pressed : pressed && !wasPressed ? !wasOn : wasOn);
    }
    return sameMemory(memory, next) ? memory : next;
  },
};

/** Whether it works in its other mode: held while power goes, that button turns it over, and it stays so without power. */
function turnedOver(holds: number, fed: boolean, control: Sees['control'], memory: Memory): { fed: boolean; turned: boolean } {
  const isTurning = memory.fed === true && !fed && control(`ch${holds}`) === true;
  return { fed, turned: (memory.turned === true) !== isTurning };
}

function sameMemory(a: Memory, b: Memory): boolean {
  return Object.entries(b).every(([key, value]) => (a[key] ?? false) === value);
}
