import * as z from 'zod/mini';
import { numberIn } from '../units/schema';
import { deviceBase, stud, volts } from './fields';
import type { DeviceKind } from './kind';
import { carries, quantity } from './settings';

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('cutOut'),
  ratingA: numberIn(5, 1000),
  /** It lets go under the one and comes back from the other, V. */
  offV: volts,
  onV: volts,
  stud,
});

export type CutOut = z.infer<typeof schema>;

/** A closed cut-out, contactor or transistors, ohm. Common practice: about a milliohm. */
const CLOSED_OHM = 0.001;

/** A low-voltage cut-off: spares the battery by letting go of what is behind it. Its minus is a sense wire. */
export const cutOut: DeviceKind<CutOut> & { schema: typeof schema } = {
  schema,
  label: 'low-voltage cut-off',
  symbol: 'relay',
  lands: 'receptacle',
  holds: 'blades',
  fitMinutes: 10,
  carriesA: ({ ratingA }, terminal) => (terminal === 'minus' ? null : ratingA),
  own: () => ({ ampsAt: () => 0, plus: 'in', minus: 'minus', allDay: false }),
  stateWord: ({ open }) => (open === true ? 'let go' : null),
  settings: () => [carries(5, 1000), quantity('offV', 'off under', 'V', 1, 1, 60), quantity('onV', 'on again from', 'V', 1, 1, 60)],
  terminals: () => ['in', 'out', 'minus'],
  paths: () => [{ from: 'in', to: 'out' }],
  closedOhm: () => CLOSED_OHM,
  stamp(_, net) {
    net.contact('contact', 'in', 'out', ({ memory }) => memory.open !== true, CLOSED_OHM);
  },
  step({ offV, onV }, { across, memory }) {
    const open = memory.open === true;
    const seen = across('in', 'minus');
    if (open ? seen < Math.max(onV, offV) : seen >= offV) return memory;
    return { open: !open };
  },
};
