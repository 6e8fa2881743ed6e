import { z } from 'zod';
import { fuseOhm } from '../catalog/fuses';
import { openingTimeS } from '../catalog/fuseTimes';
import { deviceBase, id } from '../design/fields';
import { LIMITS, PROTECTION_FAMILIES } from '../design/vocabulary';
import { NOTHING, type DeviceKind } from './kind';

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('protection'),
  family: z.enum(PROTECTION_FAMILIES),
  ratingA: z.number().min(0.5).max(1000),
  mount: z.strictObject({ blockId: id, slot: z.number().int().min(1).max(LIMITS.slots) }).nullable(),
});

export type Protection = z.infer<typeof schema>;

/**
 * A fuse or breaker: closed until it is taken out or has been heated through. In a block's slot it is fed by the block, so
 * only its outlet is free. Heat adds up as the share of the opening time spent at each current.
 */
export const protection: DeviceKind<Protection> & { schema: typeof schema } = {
  schema,
  label: 'fuse or breaker',
  terminals: ({ mount }) => (mount ? ['out'] : ['in', 'out']),
  paths: ({ mount }) => (mount ? [] : [{ from: 'in', to: 'out' }]),
  controls: () => ({ fitted: [true, false] }),
  stamp({ mount, family, ratingA }, net) {
    const from = mount ? net.outside(mount.blockId, 'in') : 'in';
    net.contact('link', from, 'out', ({ control, memory }) => control('fitted') === true && memory.open !== true, fuseOhm(family, ratingA));
  },
  step({ family, ratingA }, { amps, memory, timeS }) {
    if (memory.open === true) return memory;
    const lastS = Number(memory.lastS ?? timeS);
    const opensInS = openingTimeS(family, Math.abs(amps('link')) / ratingA);
    const heat = Number(memory.heat ?? 0) + (Number.isFinite(opensInS) ? (timeS - lastS) / opensInS : 0);
    if (heat >= 1) return { open: true };
    if (opensInS === Infinity) return memory.heat === undefined ? memory : NOTHING;
    return heat === memory.heat && timeS === lastS ? memory : { heat, lastS: timeS };
  },
};
