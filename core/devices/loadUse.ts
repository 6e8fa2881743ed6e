import { z } from 'zod';
import { percent, watts } from './fields';

/** What a load's record says of how it is used. */

/** A lamp with a white and an amber side, a low and a high beam: each its own draw of one piece. */
export const loadFunctions = z.array(z.strictObject({ name: z.string().min(1).max(40), watts })).max(8);

/** A load that a thermostat switches: how its running share follows the air around it. */
export const thermostat = z.strictObject({
  /** Whether it cools or heats what it holds. */
  mode: z.enum(['cools', 'heats']),
  setC: z.number().min(-40).max(80),
  /** Share of the time it runs in air of the stated temperature, door shut. */
  sharePercent: percent,
  atC: z.number().min(-40).max(80),
  whPerOpening: z.number().min(0).max(100),
});

export type Thermostat = z.infer<typeof thermostat>;
