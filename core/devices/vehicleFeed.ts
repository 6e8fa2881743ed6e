import * as z from 'zod/mini';
import { numberIn, textUpTo } from '../units/schema';
import { TAP_LEGS } from '../catalog/vocabulary';
import { amps, deviceBase } from './fields';
import type { DeviceKind } from './kind';
import { VEHICLE_SIGNALS, SIGNAL_WORDS } from './signalSource';
import { amperes, oneOf } from './settings';

const schema = z.strictObject({
  ...deviceBase,
  kind: z.literal('vehicleFeed'),
  /** When it is live, or pulled to ground. */
  signal: z.enum(VEHICLE_SIGNALS),
  polarity: z.enum(['live', 'ground']),
  /** A slot of the vehicle's fuse box, or one of its wires behind its own fuse. */
  from: z.enum(['slot', 'wire']),
  /**
   * In a slot: the clip the tap's common leg is in, as a meter found it. In the live clip it is beside the vehicle's fuse, in the other
   * behind it; absent: not known.
   */
  leg: z.optional(z.enum(TAP_LEGS)),
  /** The vehicle's own fuse there; absent: not known. */
  ownFuseA: z.optional(numberIn(0.5, 200)),
  /** What the vehicle draws there itself, at most; absent: not known. */
  drawnA: z.optional(amps),
  /** What may be drawn beside that, where its maker says so. */
  mayDrawA: z.optional(numberIn(0.01, 200)),
  /** What of the vehicle hangs on that fuse. */
  serves: textUpTo(120),
});

export type VehicleFeed = z.infer<typeof schema>;

/**
 * The vehicle's own battery and wiring up to there, ohm. Common practice: some metres of thin wire and a fuse; and the least it may be,
 * right beside its battery.
 */
export const WAY_OHM = 0.05;
export const LEAST_WAY_OHM = 0.02;
/** A vehicle's battery at rest, per 12 V of the system. Common practice. */
const RESTED_V = 12.6;

/** A feed taken from the vehicle's own fuse box or wiring, fed by the vehicle's battery while its signal is so. */
export const vehicleFeed: DeviceKind<VehicleFeed> & { schema: typeof schema } = {
  schema,
  label: 'vehicle feed',
  symbol: 'vehicle',
  lands: ({ from }, terminal) => (terminal === 'minus' ? 'ring' : from === 'slot' ? 'tap' : 'butt'),
  holds: 'fuse',
  fitMinutes: null,
  liveBy: 'vehicle',
  positionWord: (position) => (typeof position === 'boolean' ? (position ? 'live' : 'dead') : String(position)),
  settings: ({ from }) => [
    oneOf('signal', 'live with', ...VEHICLE_SIGNALS.map((value) => [value, SIGNAL_WORDS[value]] as const)),
    oneOf('polarity', 'then it is', ['live', 'live'], ['ground', 'pulled to ground']),
    oneOf('from', 'taken from', ['slot', 'a slot of its fuse box'], ['wire', 'one of its wires']),
    ...(from === 'slot'
      ? [oneOf('leg', 'common leg in', [undefined, 'not metered yet'], ['supply', 'the live clip'], ['load', 'the other clip'])]
      : []),
    amperes('ownFuseA', 'its own fuse', 0.5, 200),
    amperes('drawnA', 'it draws there', 0, 200),
    amperes('mayDrawA', 'may give', 0.01, 200),
    { kind: 'words', field: 'serves', label: 'also feeds', most: 120 },
  ],
  terminals: () => ['out', 'minus'],
  paths: () => [],
  controls: ({ signal }) => ({ live: signal === 'constant' ? [true, false] : [false, true] }),
  workedInUse: ({ signal }) => signal !== 'constant',
  stamp({ polarity }, net) {
    if (polarity === 'ground') {
      net.contact('pull', 'out', 'minus', ({ control }) => control('live') === true, WAY_OHM);
      return;
    }
    net.voltage('vehicle', '#vehicle', 'minus', (RESTED_V * net.nominalV) / 12);
    net.contact('way', '#vehicle', 'out', ({ control }) => control('live') === true, WAY_OHM);
  },
};

/**
 * Whether what hangs on it passes the vehicle's own fuse there. Beside that fuse, in the slot's live clip, it does not; where nobody knows,
 * that is not relied on.
 */
export function isBehindOwnFuse({ from, leg }: VehicleFeed): boolean {
  return from === 'wire' || leg === 'load';
}
