import { z } from 'zod';
import { amps, deviceBase } from './fields';
import { standbyLaw } from './laws';
import type { DeviceKind } from './kind';

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('dimmer'),
  /** Which side of the lamp it switches. */
  side: z.enum(['positive', 'return']),
  ratingA: z.number().min(0.1).max(100),
  standbyA: amps,
});

export type Dimmer = z.infer<typeof schema>;

/** Its switching transistor, ohm. Common practice. */
const CLOSED_OHM = 0.02;

/**
 * Pulse-width dimmer. On the positive side it stands between supply and lamp; on the return side the lamp's plus goes to
 * the supply and its minus to `dimmed`, so a ground on that lead gives full brightness.
 */
export const dimmer: DeviceKind<Dimmer> & { schema: typeof schema } = {
  schema,
  label: 'dimmer',
  terminals: ({ side }) => (side === 'positive' ? ['in', 'out', 'minus'] : ['plus', 'dimmed', 'minus']),
  paths: ({ side }) => [side === 'positive' ? { from: 'in', to: 'out' } : { from: 'dimmed', to: 'minus' }],
  controls: () => ({ levelPercent: [100, 75, 50, 25, 10, 0] }),
  stamp({ side, standbyA }, net) {
    const [fed, lamp, common] = side === 'positive' ? (['in', 'out', 'minus'] as const) : (['minus', 'dimmed', 'plus'] as const);
    net.duty('switch', fed, lamp, common, ({ control }) => Number(control('levelPercent')) / 100, CLOSED_OHM);
    net.law('standby', side === 'positive' ? 'in' : 'plus', 'minus', standbyLaw(standbyA));
  },
};
