import * as z from 'zod/mini';
import { numberIn, wholeIn } from '../units/schema';
import { deviceBase, stud } from './fields';
import { LIMITS } from '../catalog/vocabulary';
import { indicatorLaw } from './laws';
import type { DeviceKind } from './kind';

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('fuseBlock'),
  slots: wholeIn(1, LIMITS.slots),
  slotMaxA: numberIn(1, 100),
  blockMaxA: numberIn(1, 500),
  /** A bar for the returns in the same housing. */
  returnBar: z.optional(z.boolean()),
  /** A lamp across each slot that glows when its fuse is open. */
  indicators: z.optional(z.boolean()),
  /** Its inlet's. */
  stud,
});

export type FuseBlock = z.infer<typeof schema>;

/** The bus its fuses are fed from. The fuses themselves are devices of their own. */
export const fuseBlock: DeviceKind<FuseBlock> & { schema: typeof schema } = {
  schema,
  label: 'fuse block',
  symbol: 'bar',
  lands: 'ring',
  holds: 'fuse',
  isBolted: () => true,
  fitMinutes: 30,
  endsAlike: true,
  traits: ({ slots }) => [slots],
  terminals: ({ returnBar }) => (returnBar ? ['in', 'return'] : ['in']),
  paths: () => [],
  stamp({ indicators }, net) {
    if (!indicators) return;
    for (const { id } of net.mounted) net.law(`indicator of ${id}`, 'in', net.outside(id, 'out'), indicatorLaw());
  },
};
