import * as z from 'zod/mini';
import { numberIn } from '../units/schema';
import { amps, deviceBase, seconds } from './fields';
import { standbyLaw } from './laws';
import type { DeviceKind } from './kind';
import { carries, oneOf, quantity, standby } from './settings';

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('motionSwitch'),
  holdS: seconds,
  ratingA: numberIn(0.1, 100),
  standbyA: amps,
  /** Sees daylight, and is not set off by it; absent: works by day too. */
  darkOnly: z.optional(z.boolean()),
});

/**
 * On while something moves and for the hold time after; each motion starts the time again. Where it works in the dark only, a motion by day
 * starts nothing.
 */
export const motionSwitch: DeviceKind<z.infer<typeof schema>> & { schema: typeof schema } = {
  schema,
  label: 'motion switch',
  symbol: 'sensor',
  lands: 'butt',
  fitMinutes: 10,
  carriesA: ({ ratingA }) => ratingA,
  isElectronic: true,
  own: ({ standbyA }) => ({ ampsAt: () => standbyA, plus: 'in', minus: 'minus', allDay: true }),
  turn: () => 'poled',
  positionWord: (position) => (position === true ? 'moving' : 'still'),
  stateWord: ({ on }) => (on === true ? 'on' : 'off'),
  settings: () => [
    carries(0.1, 100),
    quantity('holdS', 'holds', 's', 0, 0, 100_000),
    standby,
    oneOf('darkOnly', 'works', [false, 'by day too'], [true, 'in the dark only']),
  ],
  isContact: true,
  terminals: () => ['in', 'out', 'minus'],
  paths: () => [{ from: 'in', to: 'out' }],
  controls: ({ darkOnly }) => ({ motion: [false, true], ...(darkOnly && { dark: [false, true] }) }),
  workedInUse: () => true,
  times: ({ holdS }) => [holdS],
  stamp({ standbyA }, net) {
    net.contact('contact', 'in', 'out', ({ memory }) => memory.on === true, 0.02);
    net.law('standby', 'in', 'minus', standbyLaw(standbyA));
  },
  step({ holdS, darkOnly }, { control, memory, timeS, across }) {
    const isFed = across('in', 'minus') > 6;
    if (!isFed) return memory.on === undefined ? memory : {};
    if (control('motion') === true && (!darkOnly || control('dark') === true))
      return memory.on === true && memory.untilS === timeS + holdS ? memory : { on: true, untilS: timeS + holdS };
    if (memory.on === true && timeS >= Number(memory.untilS)) return {};
    return memory;
  },
};
