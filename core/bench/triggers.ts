import { METER_STATES, type MeterState } from '../catalog/vocabulary';
import type { Trigger } from '../design/schema';
import { VEHICLE_SIGNALS, type VehicleSignal } from '../devices/signalSource';
import { PARKED, SIGNAL_LIVE, type VehicleSide } from './vehicleSide';

/** How the vehicle's controls stand in each state that is metered. Indicators, brake and reverse with the key on, as one meters them. */
export const STATE_SIDES: Record<MeterState, VehicleSide> = {
  off: PARKED,
  accessory: { ...PARKED, key: 'accessory' },
  on: { ...PARKED, key: 'on' },
  start: { ...PARKED, key: 'start' },
  side: { ...PARKED, lamps: 'side' },
  low: { ...PARKED, lamps: 'low' },
  high: { ...PARKED, lamps: 'high' },
  left: { ...PARKED, key: 'on', indicator: 'left' },
  right: { ...PARKED, key: 'on', indicator: 'right' },
  hazard: { ...PARKED, indicator: 'hazard' },
  brake: { ...PARKED, brake: 'pressed' },
  reverse: { ...PARKED, key: 'on', reverse: 'in' },
  door: { ...PARKED, door: 'open' },
  hood: { ...PARKED, hood: 'open' },
};

/**
 * Share of the nominal voltage from which a wire is live, and up to which it is dead. Common practice: between them is a lamp’s filament, a
 * pulse or a bad ground.
 */
const LIVE_SHARE = 0.8;
const DEAD_SHARE = 0.15;
/** What a wire may give where nobody says: one relay coil, as a rule. Common practice. */
const USUAL_MAY_DRAW_A = 0.2;
/** A usual 12 V relay’s coil, A. Common practice: 0.13 to 0.18. */
const COIL_A = 0.17;

/** Why a wire is no trigger. */
export type Refusal =
  /** Steady in one state and flashing in another: a marker that is an indicator too. */
  | 'steadyAndFlashing'
  /** Restless: pulses or data. */
  | 'pulses'
  /** Neither live nor dead. */
  | 'between'
  /** Nothing it does agrees with anything the vehicle's controls do. */
  | 'nothing';

/** What a metered wire is. */
export interface TriggerRead {
  /** What it may be, the narrower first; one alone is found once a state in which it is live and one in which it is not were metered. */
  signals: VehicleSignal[];
  polarity: 'live' | 'ground';
  isFound: boolean;
  refused: Refusal | null;
  flashes: boolean;
  /** While it is live, V; null where it was not met so. */
  liveV: number | null;
  /** Relay coils it may feed, and whether somebody said what it may give. */
  coils: number;
  isSaid: boolean;
  /** The state to meter next: the one that tells most of what is left apart; null where nothing is gained. */
  next: MeterState | null;
}

/** Makes out what a wire is from what a meter said of it. */
export function readTrigger({ readings, mayDrawA }: Pick<Trigger, 'readings' | 'mayDrawA'>, nominalV: number): TriggerRead {
  const live = ({ volts }: { volts: number }) => volts >= LIVE_SHARE * nominalV;
  const lit = readings.filter((reading) => reading.moves === 'flashes' || live(reading));
  const flashes = readings.some(({ moves }) => moves === 'flashes');
  const isActive = (reading: Trigger['readings'][number]) => reading.moves === 'flashes' || live(reading);
  const fits = (polarity: TriggerRead['polarity']) =>
    VEHICLE_SIGNALS.filter((signal) =>
      readings.every((reading) => SIGNAL_LIVE[signal](STATE_SIDES[reading.state]) === (isActive(reading) === (polarity === 'live'))),
    );
  const asLive = fits('live');
  const asGround = fits('ground');
  const polarity = asLive.length > 0 || asGround.length === 0 ? 'live' : 'ground';
  const signals = polarity === 'live' ? asLive : asGround;
  const refused = refusalOf(readings, signals, nominalV);
  const [signal] = signals;
  const isShown = (active: boolean) =>
    signal !== undefined && readings.some(({ state }) => SIGNAL_LIVE[signal](STATE_SIDES[state]) === active);
  const found = refused === null && signals.length === 1 && isShown(true) && (signal === 'constant' || isShown(false));
  const volts = lit.filter(({ moves }) => moves === 'steady').map((reading) => reading.volts);
  return {
    ...{ signals, polarity, isFound: found, refused, flashes, liveV: volts.length > 0 ? Math.min(...volts) : null },
    coils: refused === null ? Math.floor((mayDrawA ?? USUAL_MAY_DRAW_A) / COIL_A) : 0,
    isSaid: mayDrawA !== undefined,
    next: refused === null && !found ? nextState(readings, signals) : null,
  };
}

function refusalOf(readings: Trigger['readings'], signals: readonly VehicleSignal[], nominalV: number): Refusal | null {
  if (readings.some(({ moves }) => moves === 'pulses')) return 'pulses';
  const isLive = ({ volts }: { volts: number }) => volts >= LIVE_SHARE * nominalV;
  if (readings.some(({ moves }) => moves === 'flashes') && readings.some((one) => one.moves === 'steady' && isLive(one)))
    return 'steadyAndFlashing';
  const between = (volts: number) => volts > DEAD_SHARE * nominalV && volts < LIVE_SHARE * nominalV;
  if (readings.some(({ volts, moves }) => moves === 'steady' && between(volts))) return 'between';
  return signals.length === 0 ? 'nothing' : null;
}

/** The state not metered yet that splits what is left most evenly; one in which the only one left is live. */
function nextState(readings: Trigger['readings'], signals: readonly VehicleSignal[]): MeterState | null {
  const open = METER_STATES.filter((state) => !readings.some((reading) => reading.state === state));
  const told = (state: MeterState) => {
    const active = signals.filter((signal) => SIGNAL_LIVE[signal](STATE_SIDES[state])).length;
    return signals.length === 1 ? active : Math.min(active, signals.length - active);
  };
  const best = Math.max(0, ...open.map(told));
  return best === 0 ? (readings.length === 0 ? (open[0] ?? null) : null) : (open.find((state) => told(state) === best) ?? null);
}
