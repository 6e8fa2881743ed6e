import type { Load, TerminalRef } from '../design/schema';
import { loadDraw } from '../devices/load';
import type { ControlValue, Memory } from '../devices/kind';
import { AT_REST, controlOf, withControl, type ControlState } from '../network/controlState';
import { LiveDesign } from '../network/settle';
import type { DesignIndex } from '../rig/designIndex';
import { driven, vehicleWires, type VehicleWire } from './handles';
import type { VehicleControl } from '../catalog/vocabulary';
import type { Act } from './explore';
import { moved, PARKED, type VehicleSide } from './vehicleSide';

/** Share of its full power from which a load counts as on, and from which it glows. Common practice: a lamp fed back through a pilot lamp glows at a hundredth. */
const ON_SHARE = 0.05;
const GLOW_SHARE = 0.005;
/** Steps time runs in, s: short enough for hold times, and never so many that a night takes a second. */
const STEP_S = 0.5;
const MOST_STEPS = 400;

/** What a load does at the moment. */
export interface LoadAnswer {
  id: string;
  state: 'on' | 'glows' | 'off';
  /** Its share of full power, 0 to 1. */
  level: number;
  /** Over its own terminals, as a meter reads it: the mean behind a dimmer. */
  volts: number;
  amps: number;
  /** Devices its current comes by, from the source. */
  by: string[];
}

/** Everything at one moment. */
export interface Answer {
  /** Relays that go on buzzing have no state; what they last were is shown. */
  outcome: 'settled' | 'oscillating';
  oscillating: string[];
  loads: LoadAnswer[];
  memory: Readonly<Record<string, Memory>>;
  /** Out of the house battery. */
  batteryA: number;
  timeS: number;
}

/**
 * A design on the bench: its switches, fobs, doors and the vehicle's controls are moved one after another, and what answers is read off the network as wired. Loads are
 * switched on at themselves, so that what feeds them decides.
 * @throws NetworkError where a design has no answer
 */
export class Bench {
  private readonly live: LiveDesign;
  private readonly wires: readonly VehicleWire[];
  private state: ControlState = AT_REST;
  side: VehicleSide = PARKED;
  answer: Answer;

  /** @param earlier the bench of the same design before an edit: what still exists stands and remembers as it did there */
  constructor(
    private readonly index: DesignIndex,
    earlier: Bench | null = null,
  ) {
    if (earlier) {
      const { controls, memory, timeS } = earlier.state;
      this.state = { controls: ofDevices(index, controls), memory: ofDevices(index, memory), timeS };
      this.side = earlier.side;
    }
    this.wires = vehicleWires(index);
    this.live = new LiveDesign(index, this.state);
    this.answer = this.come(driven(this.state, this.wires, this.side));
  }

  /** How a control stands. */
  position(deviceId: string, control: string): ControlValue {
    const device = this.index.devices.get(deviceId);
    return device ? controlOf(this.state, device, control) : false;
  }

  /** Moves one control of a device. */
  set(deviceId: string, control: string, position: ControlValue): Answer {
    return (this.answer = this.come(withControl(this.state, deviceId, control, position)));
  }

  /** Moves one of the vehicle's own controls, and with it all wires that follow it. */
  drive(control: VehicleControl, position: ControlValue): Answer {
    this.side = moved(this.side, control, position);
    return (this.answer = this.come(driven(this.state, this.wires, this.side)));
  }

  /** Does one act. */
  do(act: Act): Answer {
    if (act.kind === 'wait') return this.wait(act.seconds);
    const { mover, position } = act;
    return mover.kind === 'device' ? this.set(mover.deviceId, mover.control, position) : this.drive(mover.control, position);
  }

  /** Volts a meter reads with its red lead on one terminal and its black one on another; null where either is not there. */
  volts(red: TerminalRef, black: TerminalRef): number | null {
    const [above, below] = [this.live.voltage(red), this.live.voltage(black)];
    return above === null || below === null ? null : above - below;
  }

  /** Amperes a clamp reads round a wire, from its first end to its second; null where it is not there. */
  clamp(wireId: string): number | null {
    return this.index.wires.some(({ id }) => id === wireId) ? this.live.wireAmps(wireId) : null;
  }

  /** Lets time run, s. */
  wait(seconds: number): Answer {
    const stepS = Math.max(STEP_S, seconds / MOST_STEPS);
    const outcome = this.live.advance(this.state, seconds, stepS);
    return (this.answer = this.read(outcome));
  }

  /** Everything back as it is left, the time at nought. */
  rest(): Answer {
    this.side = PARKED;
    return (this.answer = this.come(driven(AT_REST, this.wires, this.side)));
  }

  private come(state: ControlState): Answer {
    return this.read(this.live.settle(state));
  }

  private read(outcome: ReturnType<LiveDesign['settle']>): Answer {
    this.state = outcome.state;
    return {
      outcome: outcome.kind,
      oscillating: outcome.kind === 'oscillating' ? outcome.devices : [],
      loads: this.index.loads.map((load) => this.loadNow(load)),
      memory: outcome.state.memory,
      batteryA: this.index.battery ? this.live.partAmps(this.index.battery.id, 'inside') : 0,
      timeS: outcome.state.timeS,
    };
  }

  private loadNow(load: Load): LoadAnswer {
    const { id } = load;
    const volts = this.live.across(id);
    const amps = this.live.partAmps(id, 'draw');
    const full = loadDraw(load).watts;
    // Behind a pulsing dimmer a meter reads means of both: it is lit as by what there is while it is on, for that share of the time.
    const pulsed = dimmedTo(this.live, id, this.state);
    const whileOn = full > 0 && pulsed > 0 ? (volts * amps) / pulsed ** 2 / full : 0;
    const share = pulsed * Math.min(1, Math.max(0, whileOn));
    const state = share >= ON_SHARE ? 'on' : share >= GLOW_SHARE ? 'glows' : 'off';
    const path = state === 'off' ? [] : this.live.upstream({ deviceId: id, terminal: 'plus' }).map(({ deviceId }) => deviceId);
    const by = path.filter((deviceId, at) => deviceId !== id && path.indexOf(deviceId) === at);
    return { id, state, level: share, volts, amps, by };
  }
}

/** The share of the time a load is on behind its dimmer, 0 to 1; 1 where it has none. */
export function dimmedTo({ compiled }: LiveDesign, loadId: string, state: ControlState): number {
  const dimmer = compiled.dimmerOf.get(loadId);
  return dimmer ? Number(controlOf(state, dimmer, 'levelPercent')) / 100 : 1;
}

/** What is kept of devices that are still there. */
function ofDevices<T>({ devices }: DesignIndex, kept: Readonly<Record<string, T>>): Record<string, T> {
  return Object.fromEntries(Object.entries(kept).filter(([id]) => devices.has(id)));
}
