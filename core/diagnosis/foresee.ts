import { Bench, type Held } from '../bench/bench';
import type { Mover, TerminalRef } from '../design/schema';
import type { ControlValue } from '../devices/kind';
import { NetworkError } from '../network/networkError';
import type { DesignIndex } from '../rig/designIndex';
import { jointOhms, withFlaw, type Flaw, type Suspect } from './flaws';

/** What a hand did before something was seen or metered, in order. */
export interface Moved {
  mover: Mover;
  position: ControlValue;
}

/** What a load is seen to do. */
export interface Seen {
  loadId: string;
  does: 'on' | 'dim' | 'off';
}

/**
 * What one flaw makes of a state: what every load does, what a meter reads at every terminal over the battery's minus, and in every wire.
 */
export interface Foreseen {
  flaw: Flaw;
  prior: number;
  does: readonly number[];
  volts: Float64Array;
  /** 1 at a terminal that nothing joins to the battery's minus: whatever the meter's other lead is on, it reads nothing there. */
  floats: Uint8Array;
  amps: Float64Array;
}

/** Where things stand in a foreseen state. */
export interface Places {
  loads: ReadonlyMap<string, number>;
  points: ReadonlyMap<string, number>;
  wires: ReadonlyMap<string, number>;
}

export const pointKey = ({ deviceId, terminal }: TerminalRef) => `${deviceId}/${terminal}`;

/** Shares of full power from which a load is seen dim, and as it should be. Common practice: the eye takes four fifths for all. */
const DIM_FROM = 0.02;
const ON_FROM = 0.8;

export function doing(level: number): Seen['does'] {
  return level >= ON_FROM ? 'on' : level >= DIM_FROM ? 'dim' : 'off';
}

/** Moves what a hand moves, from rest; what something holds stays where it is held. */
export function broughtTo(bench: Bench, moved: readonly Moved[], held: Held): Bench {
  bench.hold(held);
  for (const { mover, position } of moved) {
    const isHeld = mover.kind === 'device' && held.get(mover.deviceId)?.[mover.control] !== undefined;
    if (!isHeld) bench.do({ kind: 'move', mover, position });
  }
  return bench;
}

/** Between two resistances that were tried, so many more are read off. */
const BETWEEN = 4;

/**
 * Brings a design into a state with each flaw in it, and reads everything. A resistance is put into the network as it stands; what changes
 * a part is wired up anew.
 */
export class Foresight {
  private readonly sound: Bench;

  constructor(
    private readonly index: DesignIndex,
    private readonly moved: readonly Moved[],
    private readonly points: readonly TerminalRef[],
    private readonly wireIds: readonly string[],
  ) {
    this.sound = Bench.longStanding(index);
  }

  get places(): Places {
    return {
      loads: new Map(this.index.loads.map(({ id }, at) => [id, at])),
      points: new Map(this.points.map((point, at) => [pointKey(point), at])),
      wires: new Map(this.wireIds.map((id, at) => [id, at])),
    };
  }

  /**
   * What suspects make of the state; a joint's for every resistance that it may have, its likelihood shared among them. What has no answer
   * is left out.
   */
  all(suspects: readonly Suspect[]): Foreseen[] {
    const sound = this.resisted(null, 0, { kind: 'none' }, 1);
    const drawn = Math.max(0.2, ...Array.from(sound?.amps ?? [], Math.abs));
    return suspects.flatMap(({ flaw, prior }): Foreseen[] => {
      if (flaw.kind === 'openWire') return this.kept(this.resisted(flaw.wireId, Infinity, flaw, prior));
      if (flaw.kind !== 'highJoint') return this.kept(this.changed(flaw, prior));
      const own = Math.abs(sound?.amps[this.wireIds.indexOf(flaw.wireId)] ?? 0);
      const amps = own > 0.02 ? own : drawn;
      const at = (ohm: number) => this.resisted(flaw.wireId, ohm, { ...flaw, ohm }, prior);
      const tried = jointOhms(this.index.settings.nominalV / amps).flatMap((ohm) => this.kept(at(ohm)));
      return filledIn(tried.flatMap((one, place) => (tried[place + 1] ? closer(one, tried[place + 1]!, at, MOST_HALVINGS) : [one])));
    });
  }

  private kept(one: Foreseen | null): Foreseen[] {
    return one ? [one] : [];
  }

  private resisted(wireId: string | null, ohm: number, flaw: Flaw, prior: number): Foreseen | null {
    if (wireId) this.sound.resist(wireId, ohm);
    const read = answered(() => this.read(this.sound, flaw, prior, new Map()));
    if (wireId) this.sound.resist(wireId, 0);
    return read;
  }

  private changed(flaw: Flaw, prior: number): Foreseen | null {
    const { index, held } = withFlaw(this.index, flaw);
    // A part that is the same, only held, needs no wiring up.
    return answered(() => this.read(index === this.index ? this.sound : Bench.longStanding(index), flaw, prior, held));
  }

  private read(bench: Bench, flaw: Flaw, prior: number, held: Held): Foreseen {
    broughtTo(bench.rest(), this.moved, held);
    const { battery } = this.index;
    const minus = battery && { deviceId: battery.id, terminal: 'minus' };
    const { volts, floats } = minus ? bench.everywhere(this.points, minus) : { volts: new Float64Array(this.points.length), floats: new Uint8Array(this.points.length) }; // prettier-ignore
    return { flaw, prior, does: bench.levels(), volts, floats, amps: bench.clamps(this.wireIds) };
  }
}

/** What is worked out; null where the network has no answer. */
function answered<T>(work: () => T): T | null {
  try {
    return work();
  } catch (error) {
    if (error instanceof NetworkError) return null;
    throw error;
  }
}

/**
 * Two neighbours further apart than this at any terminal, V, have something between them that does not move evenly: a load that cuts out, a
 * relay that lets go.
 */
const APART_V = 0.6;
const MOST_HALVINGS = 5;

const ohmOf = ({ flaw }: Foreseen) => (flaw.kind === 'highJoint' ? flaw.ohm : 0);
const apart = (one: Foreseen, other: Foreseen) =>
  one.volts.reduce((most, volts, at) => Math.max(most, Math.abs(volts - other.volts[at]!)), 0);

/** The first of two neighbours and what lies between them, halved until it moves evenly or is seen to jump. */
function closer(one: Foreseen, next: Foreseen, at: (ohm: number) => Foreseen | null, left: number): Foreseen[] {
  if (left === 0 || apart(one, next) < APART_V) return [one];
  const middle = at(Math.sqrt(ohmOf(one) * ohmOf(next)));
  return middle ? [...closer(one, middle, at, left - 1), ...closer(middle, next, at, left - 1)] : [one];
}

/**
 * A joint between the resistances that were tried: every volt and ampere moves evenly from one to the next, near enough. Each as likely as
 * any other.
 */
function filledIn(tried: readonly Foreseen[]): Foreseen[] {
  const all = tried.flatMap((one, at): Foreseen[] => {
    const next = tried[at + 1];
    // Over a jump nothing lies between.
    if (!next || one.flaw.kind !== 'highJoint' || next.flaw.kind !== 'highJoint' || apart(one, next) > 4 * APART_V) return [one];
    const [low, high] = [one.flaw, next.flaw];
    return Array.from({ length: BETWEEN }, (_, step) => {
      const share = step / BETWEEN;
      const mixed = (a: number, b: number) => a + (b - a) * share;
      return {
        flaw: { ...low, ohm: mixed(low.ohm, high.ohm) },
        prior: one.prior,
        does: one.does.map((level, load) => mixed(level, next.does[load]!)),
        floats: one.floats,
        volts: one.volts.map((volts, point) => mixed(volts, next.volts[point]!)),
        amps: one.amps.map((amps, wire) => mixed(amps, next.amps[wire]!)),
      };
    });
  });
  return all.map((one) => ({ ...one, prior: one.prior / all.length }));
}
