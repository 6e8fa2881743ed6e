import type { Load, TerminalRef } from '../design/schema';
import { dimmerPercent } from '../devices/dimmer';
import { landsOn } from '../design/terminals';
import { loadDraw } from '../devices/load';
import { blinkingOf, type Blinking } from '../devices/ruleHub';
import { stateOf } from '../network/compile';
import type { ControlValue, Memory } from '../devices/kind';
import { AT_REST, BEGUN, controlOf, withControl, type ControlState } from '../network/controlState';
import { LiveDesign, type Outcome } from '../network/settle';
import type { DesignIndex } from '../rig/designIndex';
import { driven, vehicleWires, type VehicleWire } from './handles';
import type { VehicleControl } from '../catalog/vocabulary';
import { LONGEST_WAIT_S } from '../catalog/vocabulary';
import type { BenchAct, Fault } from '../design/schema';
import { inputFor } from './inputs';
import { isSameFault, subjectOf, withFaults } from './faults';
import { moved, PARKED, type VehicleSide } from './vehicleSide';

/**
 * Share of its full power from which a load counts as on, and from which it glows. Common practice: a lamp fed back through a pilot lamp
 * glows at a hundredth.
 */
const ON_SHARE = 0.05;
const GLOW_SHARE = 0.005;
/** Steps time runs in, s: short enough for hold times, and never so many that a night takes a second. */
const STEP_S = 0.5;
const MOST_STEPS = 400;
/** What sags under load is raised so often. */
const MOST_TURNS = 12;

/** Controls that something holds, by device. */
export type Held = ReadonlyMap<string, Readonly<Record<string, ControlValue>>>;

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
  /** It blinks: with the hub's beat, or against it. Absent: it is steady, and all figures are those of while it is lit. */
  blinks?: Blinking;
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
 * A design on the bench: its switches, fobs, doors and the vehicle's controls are moved one after another, and what answers is read off the
 * network as wired. Loads are switched on at themselves, so that what feeds them decides.
 * @throws NetworkError where a design has no answer
 */
export class Bench {
  private live: LiveDesign;
  private readonly wires: readonly VehicleWire[];
  private state: ControlState;
  /** What has gone wrong. */
  faults: readonly Fault[] = [];
  side: VehicleSide = PARKED;
  private outcome!: Outcome;
  /** What answers at the moment, once somebody asks. */
  private known: Answer | null = null;

  /** @param earlier the bench of the same design before an edit: what still exists stands and remembers as it did there */
  constructor(
    private readonly index: DesignIndex,
    earlier: Bench | null = null,
    private readonly begun: ControlState = BEGUN,
  ) {
    this.state = begun;
    if (earlier) {
      const { controls, memory, timeS } = earlier.state;
      this.state = { ...begun, controls: ofDevices(index, controls), memory: ofDevices(index, memory), timeS };
      this.side = earlier.side;
      this.faults = earlier.faults.filter((fault) => hasSubject(index, fault));
    }
    this.wires = vehicleWires(index);
    this.live = this.wiredUp();
    this.come(driven(this.state, this.wires, this.side));
  }

  /** A design as somebody meters it, once it has stood for a while: what comes late has come. */
  static longStanding(index: DesignIndex): Bench {
    return new Bench(index, null, AT_REST);
  }

  /** What everything does since the last act. */
  get answer(): Answer {
    return (this.known ??= this.read());
  }

  /** Whether it has come to rest, or goes on buzzing. */
  get isAtRest(): boolean {
    return this.outcome.kind === 'settled';
  }

  /** Shares of full power of every load, 0 to 1, in the design's order. */
  levels(): number[] {
    return this.index.loads.map((load) => this.levelNow(load));
  }

  /** Everything that decides what it does at this moment. */
  get standing(): ControlState {
    return this.state;
  }

  /** A new one in place of a part: it remembers nothing. */
  renew(deviceId: string): this {
    const memory = Object.fromEntries(Object.entries(this.state.memory).filter(([id]) => id !== deviceId));
    return this.come({ ...this.state, memory });
  }

  /** How a control stands. */
  position(deviceId: string, control: string): ControlValue {
    const device = this.index.devices.get(deviceId);
    return device ? controlOf(this.state, device, control) : false;
  }

  /** Moves one control of a device. */
  set(deviceId: string, control: string, position: ControlValue): this {
    return this.come(withControl(this.state, deviceId, control, position));
  }

  /** Puts controls where something holds them, whatever a hand does. */
  hold(held: Held): this {
    for (const [id, controls] of held) for (const [control, position] of Object.entries(controls)) this.set(id, control, position);
    return this;
  }

  /** Moves one of the vehicle's own controls, and with it all wires that follow it. */
  drive(control: VehicleControl, position: ControlValue): this {
    this.side = moved(this.side, control, position);
    return this.come(driven(this.state, this.wires, this.side));
  }

  /** Does one act. One that is about something that is not there changes nothing. */
  do(act: BenchAct): this {
    switch (act.kind) {
      case 'wait':
        return this.wait(Math.min(act.seconds, LONGEST_WAIT_S));
      case 'rest':
        return this.rest();
      case 'break':
        return this.breaks(act.fault);
      case 'mend':
        return this.breakOnly(this.faults.filter((fault) => !isSameFault(fault, act.fault)));
      case 'move': {
        const { mover, position } = act;
        if (!inputFor(this.index, mover)?.positions.includes(position)) return this;
        return mover.kind === 'device' ? this.set(mover.deviceId, mover.control, position) : this.drive(mover.control, position);
      }
    }
  }

  private breaks(fault: Fault): this {
    if (!hasSubject(this.index, fault) || this.faults.some((one) => isSameFault(one, fault))) return this;
    return this.breakOnly([...this.faults, fault]);
  }

  /** These and no other things are wrong from now on. */
  private breakOnly(faults: readonly Fault[]): this {
    this.faults = faults;
    this.live = this.wiredUp();
    return this.come(this.state);
  }

  private wiredUp(): LiveDesign {
    return new LiveDesign(withFaults(this.index, this.faults), this.state);
  }

  /** Volts a meter reads with its red lead on one terminal and its black one on another; null where either is not there. */
  volts(red: TerminalRef, black: TerminalRef): number | null {
    return this.live.metered(red, black);
  }

  /** Volts at many places over one, and whether each floats. */
  everywhere(points: readonly TerminalRef[], over: TerminalRef): { volts: Float64Array; floats: Uint8Array } {
    return this.live.everywhere(points, over);
  }

  /** Amperes a clamp reads round a wire, from its first end to its second; null where it is not there. */
  clamp(wireId: string): number | null {
    if (this.live.hasWire(wireId)) return this.live.wireAmps(wireId);
    // One that is off its terminal carries nothing.
    return this.faults.some((fault) => fault.kind === 'wireOff' && fault.wireId === wireId) ? 0 : null;
  }

  /** What a clamp reads round each of many wires, A; nought where one is not there. */
  clamps(wireIds: readonly string[]): Float64Array {
    return Float64Array.from(wireIds, (id) => (this.live.hasWire(id) ? this.live.wireAmps(id) : 0));
  }

  /**
   * The run a load's current comes by, its source first: each part, the wire that leads on from it and the amperes in it. Empty while none
   * flows.
   */
  run(loadId: string): { deviceId: string; wireId: string; amps: number }[] {
    const way = this.live.upstream({ deviceId: loadId, terminal: 'plus' });
    return way.flatMap((at, step) => {
      const next = way[step + 1];
      const wire = next && this.index.wires.find((one) => landsOn(one, at) && landsOn(one, next));
      return wire ? [{ deviceId: at.deviceId, wireId: wire.id, amps: Math.abs(this.clamp(wire.id) ?? 0) }] : [];
    });
  }

  /** Amperes through a part inside a device. */
  through(deviceId: string, part: string): number {
    return this.live.partAmps(deviceId, part);
  }

  /** Puts so many ohms more into a wire's run; nought: as it was, infinite: it is broken. What answers is read at the next act. */
  resist(wireId: string, moreOhm: number): void {
    this.live.resist(wireId, moreOhm);
  }

  /** Brings the house battery's posts to these volts, whatever its charge, everything else standing as it does. */
  atBattery(postsV: number): this {
    const { battery } = this.index;
    if (!battery) return this;
    const posts = { red: { deviceId: battery.id, terminal: 'plus' }, black: { deviceId: battery.id, terminal: 'minus' } };
    let restV = postsV;
    for (let turn = 0; turn < MOST_TURNS; turn++) {
      this.live.hold(battery.id, 'rest', restV);
      this.come(this.state);
      const off = postsV - (this.volts(posts.red, posts.black) ?? postsV);
      if (Math.abs(off) < 1e-4) break;
      restV += off;
    }
    return this;
  }

  /** Lets time run, s. */
  wait(seconds: number): this {
    const stepS = Math.max(STEP_S, seconds / MOST_STEPS);
    return this.comeTo(this.live.advance(this.state, seconds, stepS));
  }

  /** Everything back as it is left and mended, the time at nought. */
  rest(): this {
    this.side = PARKED;
    if (this.faults.length > 0) {
      this.faults = [];
      this.live = this.wiredUp();
    }
    return this.come(driven(this.begun, this.wires, this.side));
  }

  private come(state: ControlState): this {
    return this.comeTo(this.live.settle(state));
  }

  private comeTo(outcome: Outcome): this {
    this.outcome = outcome;
    this.state = outcome.state;
    this.known = null;
    return this;
  }

  private read(): Answer {
    const { outcome } = this;
    return {
      outcome: outcome.kind,
      oscillating: outcome.kind === 'oscillating' ? outcome.devices : [],
      loads: this.loadsNow(),
      memory: outcome.state.memory,
      batteryA: this.index.battery ? this.live.partAmps(this.index.battery.id, 'inside') : 0,
      timeS: outcome.state.timeS,
    };
  }

  /** Behind a pulsing dimmer a meter reads means of both: it is lit as by what there is while it is on, for that share of the time. */
  private levelNow(load: Load): number {
    const full = loadDraw(load).watts;
    const pulsed = dimmedTo(this.live, load.id, this.state);
    const watts = this.live.across(load.id) * this.live.partAmps(load.id, 'draw');
    const whileOn = full > 0 && pulsed > 0 ? watts / pulsed ** 2 / full : 0;
    return pulsed * Math.min(1, Math.max(0, whileOn));
  }

  private loadsNow(): LoadAnswer[] {
    const { loads } = this.index;
    const shares = this.levels();
    const lit = loads.filter((_, at) => shares[at]! >= GLOW_SHARE);
    const ways = this.live.upstreamOfEach(lit.map(({ id }) => ({ deviceId: id, terminal: 'plus' })));
    const wayOf = new Map(lit.map(({ id }, at) => [id, ways[at]!]));
    return loads.map((load, at) => this.loadNow(load, shares[at]!, wayOf.get(load.id) ?? []));
  }

  private loadNow({ id }: Load, level: number, way: readonly TerminalRef[]): LoadAnswer {
    const by = new Set(way.map(({ deviceId }) => deviceId));
    by.delete(id);
    const blinks = way.map(({ deviceId, terminal }) => blinkingOf(this.state.memory[deviceId], terminal)).find((one) => one !== null);
    const state = level >= ON_SHARE ? 'on' : level >= GLOW_SHARE ? 'glows' : 'off';
    const figures = { level, volts: this.live.across(id), amps: this.live.partAmps(id, 'draw') };
    return { id, state, ...figures, by: [...by], ...(blinks && { blinks }) };
  }
}

/** The share of the time a load is on behind its dimmer, 0 to 1; 1 where it has none. */
export function dimmedTo({ compiled }: LiveDesign, loadId: string, state: ControlState): number {
  const dimmer = compiled.dimmerOf.get(loadId);
  return dimmer ? dimmerPercent(dimmer, stateOf(state, dimmer)) / 100 : 1;
}

/** Whether what a fault is about is there. */
function hasSubject({ devices, wires }: DesignIndex, fault: Fault): boolean {
  const id = subjectOf(fault);
  return fault.kind === 'wireOff' ? wires.some((wire) => wire.id === id) : devices.has(id);
}

/** What is kept of devices that are still there. */
function ofDevices<T>({ devices }: DesignIndex, kept: Readonly<Record<string, T>>): Record<string, T> {
  return Object.fromEntries(Object.entries(kept).filter(([id]) => devices.has(id)));
}
