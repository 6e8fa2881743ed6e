import * as z from 'zod/mini';
import { numberIn, wholeIn } from '../units/schema';
import { fuseOhm, FAMILY_NAMES, RATINGS_A } from '../catalog/fuses';
import { openingTimeS } from '../catalog/fuseTimes';
import { deviceBase, id, stud } from './fields';
import { LIMITS, PROTECTION_FAMILIES, TAP_LEGS } from '../catalog/vocabulary';
import { NOTHING, type DeviceKind, type Stamper } from './kind';
import { oneOf } from './settings';

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('protection'),
  family: z.enum(PROTECTION_FAMILIES),
  ratingA: numberIn(0.5, 1000),
  /** The rating in the holder now, where it is not the one planned: a small one to test with, or whatever was at hand. */
  fittedA: z.optional(numberIn(0.5, 1000)),
  mount: z.nullable(
    z.strictObject({
      blockId: id,
      slot: wholeIn(1, LIMITS.slots),
      /** It sits in a fuse tap in the slot of another fuse, with the tap's common leg in the live clip or, turned round, in the load's. */
      tap: z.optional(z.enum(TAP_LEGS)),
      /** The slot's live clip was found with a meter. */
      metered: z.optional(z.boolean()),
    }),
  ),
  stud,
});

export type Protection = z.infer<typeof schema>;

/**
 * A fuse or breaker: closed until it is taken out or has been heated through. In a block's slot it is fed by the block, so only its outlet
 * is free. In a fuse tap it is fed by the same clip, or by the fuse it taps when the tap is turned round. Heat adds up as the share of the
 * opening time spent at each current.
 */
export const protection: DeviceKind<Protection> & { schema: typeof schema } = {
  schema,
  label: 'fuse or breaker',
  symbol: ({ family }) => (family === 'breaker' ? 'breaker' : 'fuse'),
  lands: ({ mount, family }) => (mount || !hasLeads(family) ? 'ring' : 'butt'),
  holds: 'fuse',
  isBolted: ({ mount, family }) => mount === null && !hasLeads(family),
  fitMinutes: null,
  hole: () => 'round16',
  turn: ({ family }) => (family === 'breaker' ? null : 'fuseFree'),
  positionWord: (position) => (position === true ? 'in' : 'out'),
  stateWord: ({ open }) => (open === true ? 'open' : null),
  settings: ({ family, mount }) => [
    oneOf('ratingA', 'rated', ...RATINGS_A[family].map((value) => [value, `${value} A`] as const)),
    ...(mount ? [] : [oneOf('family', 'kind', ...PROTECTION_FAMILIES.map((value) => [value, FAMILY_NAMES[value]] as const))]),
  ],
  terminals: ({ mount }) => (mount ? ['out'] : ['in', 'out']),
  paths: ({ mount }) => (mount ? [] : [{ from: 'in', to: 'out' }]),
  controls: () => ({ fitted: [true, false] }),
  stamp({ mount, family, ratingA }, net) {
    const from = feedOf(mount, net);
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

/** Blades and glass sit in holders that come with leads or spades; all others are bolted to. */
const hasLeads = (family: Protection['family']) => family === 'blade' || family === 'glass';

/** What feeds a fuse: its own inlet, its block, or the fuse ahead in a tap turned round; nothing where there is none. */
function feedOf(mount: Protection['mount'], net: Stamper): string {
  if (!mount) return 'in';
  if (mount.tap !== 'load') return net.outside(mount.blockId, 'in');
  return net.host ? net.outside(net.host.id, 'out') : '#nothing';
}
