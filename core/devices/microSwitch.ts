import * as z from 'zod/mini';
import { numberIn } from '../units/schema';
import { deviceBase } from './fields';
import type { DeviceKind } from './kind';
import { carries } from './settings';

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('microSwitch'),
  actuator: z.enum(['push', 'roller']),
  ratingA: numberIn(0.1, 50),
});

/** New small contact, ohm. Common practice. */
const CONTACT_OHM = 0.02;

/** A small changeover switch worked by a door or a lever: its normally closed contact opens while it is pressed. */
export const microSwitch: DeviceKind<z.infer<typeof schema>> & { schema: typeof schema } = {
  schema,
  label: 'micro-switch',
  symbol: 'roller',
  lands: 'receptacle',
  holds: 'blades',
  fitMinutes: 10,
  carriesA: ({ ratingA }) => ratingA,
  positionWord: (position) => (position === true ? 'pressed' : 'free'),
  settings: () => [carries(0.1, 50)],
  isContact: true,
  terminals: () => ['common', 'normallyOpen', 'normallyClosed'],
  // What it is put into a run for is lit while a lid or door does not press it, as a rule.
  paths: () => [
    { from: 'common', to: 'normallyClosed' },
    { from: 'common', to: 'normallyOpen' },
  ],
  // Left as it is, what presses it is shut.
  controls: () => ({ pressed: [true, false] }),
  workedInUse: () => true,
  eitherOr: () => [
    {
      common: 'common',
      throws: [
        { terminal: 'normallyOpen', by: { control: 'pressed', value: true } },
        { terminal: 'normallyClosed', by: { control: 'pressed', value: false } },
      ],
    },
  ],
  stamp(_device, net) {
    net.contact('open', 'common', 'normallyOpen', ({ control }) => control('pressed') === true, CONTACT_OHM);
    net.contact('closed', 'common', 'normallyClosed', ({ control }) => control('pressed') !== true, CONTACT_OHM);
  },
};
