import * as z from 'zod/mini';
import { JOINT_WAYS, type JointWay } from '../catalog/vocabulary';
import { deviceBase } from './fields';
import type { DeviceKind } from './kind';
import { oneOf } from './settings';

/** How a joint is made, as people say it. */
export const JOINT_WORDS: Record<JointWay, string> = {
  crimp: 'crimped',
  solder: 'soldered',
  lever: 'a lever connector',
  tap: 'a tap through the insulation',
  twist: 'twisted and taped',
};

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('splice'),
  /** How it is made; absent: crimped, with a glue sleeve over it. */
  made: z.optional(z.enum(JOINT_WAYS)),
});

/** A joint of wires: one terminal. */
export const splice: DeviceKind<z.infer<typeof schema>> & { schema: typeof schema } = {
  schema,
  label: 'splice',
  symbol: 'joint',
  lands: 'butt',
  fitMinutes: null,
  endsAlike: true,
  settings: () => [
    oneOf('made', 'it is', ...JOINT_WAYS.map((value) => [value === 'crimp' ? undefined : value, JOINT_WORDS[value]] as const)),
  ],
  terminals: () => ['joint'],
  paths: () => [],
  stamp: () => undefined,
};
