import * as z from 'zod/mini';
import { numberIn } from '../units/schema';
import { amps, deviceBase } from './fields';
import { standbyLaw } from './laws';
import { NOTHING, type DeviceKind, type DeviceState } from './kind';
import { carries, oneOf, standby } from './settings';

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('dimmer'),
  /** Which side of the lamp it switches. */
  side: z.enum(['positive', 'return']),
  ratingA: numberIn(0.1, 100),
  standbyA: amps,
  /** Its level when its feed was away and is back; absent: nobody said, and it counts as keeping it. */
  keeps: z.optional(z.enum(['level', 'full', 'off'])),
});

export type Dimmer = z.infer<typeof schema>;

/** Volts below which it has no feed. Common practice: half the supply. */
const FED_V = 6;

/**
 * How far it is turned up, per cent: as it is set, until its feed was away and it has come back otherwise than it stood; then what it is
 * moved to.
 */
export function dimmerPercent({ keeps }: Dimmer, { control, memory }: DeviceState): number {
  const set = Number(control('levelPercent'));
  if (memory.wasOff !== true || memory.setTo !== set || keeps === undefined || keeps === 'level') return set;
  return keeps === 'full' ? 100 : 0;
}

/** Its switching transistor, ohm. Common practice. */
const CLOSED_OHM = 0.02;

/**
 * Pulse-width dimmer. On the positive side it stands between supply and lamp; on the return side the lamp's plus goes to
 * the supply and its minus to `dimmed`, so a ground on that lead gives full brightness.
 */
export const dimmer: DeviceKind<Dimmer> & { schema: typeof schema } = {
  schema,
  label: 'dimmer',
  symbol: 'dimmer',
  lands: 'ferrule',
  fitMinutes: 10,
  carriesA: ({ ratingA }) => ratingA,
  isElectronic: true,
  own: ({ standbyA, side }) => ({ ampsAt: () => standbyA, plus: side === 'positive' ? 'in' : 'plus', minus: 'minus', allDay: true }),
  hole: () => 'round16',
  turn: () => 'poled',
  positionWord: (position) => `${String(position)} %`,
  settings: () => [
    carries(0.1, 100),
    standby,
    oneOf('keeps', 'switched on again', [undefined, 'not known'], ['level', 'keeps its level'], ['full', 'is at full'], ['off', 'is off']),
  ],
  terminals: ({ side }) => (side === 'positive' ? ['in', 'out', 'minus'] : ['plus', 'dimmed', 'minus']),
  paths: ({ side }) => [side === 'positive' ? { from: 'in', to: 'out' } : { from: 'dimmed', to: 'minus' }],
  controls: () => ({ levelPercent: [100, 75, 50, 25, 10, 0] }),
  isStill: ({ keeps }) => keeps === undefined || keeps === 'level',
  stamp(device, net) {
    const { side, standbyA } = device;
    const [fed, lamp, common] = side === 'positive' ? (['in', 'out', 'minus'] as const) : (['minus', 'dimmed', 'plus'] as const);
    net.duty('switch', fed, lamp, common, (state) => dimmerPercent(device, state) / 100, CLOSED_OHM);
    net.law('standby', side === 'positive' ? 'in' : 'plus', 'minus', standbyLaw(standbyA));
  },
  step({ side }, { control, memory, across }) {
    const isFed = across(side === 'positive' ? 'in' : 'plus', 'minus') > FED_V;
    const setTo = control('levelPercent');
    if (!isFed) return memory.wasOff === true && memory.setTo === setTo ? memory : { wasOff: true, setTo };
    return memory.wasOff === true && memory.setTo !== setTo ? NOTHING : memory;
  },
};
