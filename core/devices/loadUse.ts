import * as z from 'zod/mini';
import { listUpTo, numberIn, textOf } from '../units/schema';
import { id, percent, watts } from './fields';

/** What a load's record says of how it is used. */

/** What it draws in each of its settings on the same two wires, dimmed or low and full: each the draw of one piece. */
export const loadLevels = listUpTo(z.strictObject({ name: textOf(1, 40), watts }), 8);

/** A function with one terminal of its own: white and amber over a shared return, or a shared plus with each switched on its way home. */
export const partOf = z.strictObject({ loadId: id, shares: z.enum(['minus', 'plus']) });

/** A load that a thermostat switches: how its running share follows the air around it. */
export const thermostat = z.strictObject({
  /** Whether it cools or heats what it holds. */
  mode: z.enum(['cools', 'heats']),
  setC: numberIn(-40, 80),
  /** Share of the time it runs in air of the stated temperature, door shut. */
  sharePercent: percent,
  atC: numberIn(-40, 80),
  whPerOpening: numberIn(0, 100),
});

export type Thermostat = z.infer<typeof thermostat>;
