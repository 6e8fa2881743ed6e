import { z } from 'zod';
import { amps, deviceBase, seconds } from './fields';
import { standbyLaw } from './laws';
import type { DeviceKind } from './kind';

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('motionSwitch'),
  holdS: seconds,
  ratingA: z.number().min(0.1).max(100),
  standbyA: amps,
  /** Sees daylight, and is not set off by it; absent: works by day too. */
  darkOnly: z.boolean().optional(),
});

/** On while something moves and for the hold time after; each motion starts the time again. Where it works in the dark only, a motion by day starts nothing. */
export const motionSwitch: DeviceKind<z.infer<typeof schema>> & { schema: typeof schema } = {
  schema,
  label: 'motion switch',
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
