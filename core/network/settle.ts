import type { Device, TerminalRef } from '../design/schema';
import { kindOf } from '../devices';
import { INSULATION_OHM, type DeviceKind, type Memory, type Sees } from '../devices/kind';
import { compile, terminalOfNode, valueOf, withValue, type CompiledDesign, type LivePart } from './compile';
import { controlOf, memoryOf, type ControlState } from './controlState';
import type { DesignIndex } from '../rig/designIndex';
import { islandsOf } from './islands';
import type { Netlist } from './netlist';
import { Network, type Solved } from './network';
import { terminalKey } from './wiring';

/** Where a state ended: at rest, or going round in a ring of states for ever, as a buzzing relay does. */
export type Outcome =
  | { kind: 'settled'; state: ControlState; steps: number }
  | { kind: 'oscillating'; state: ControlState; devices: string[]; cycle: Record<string, Memory>[] };

/** More steps than any sane chain of relays takes. */
const MOST_STEPS = 400;
/** Currents a path is not followed by, A: what insulation lets through. */
const LEAST_FOLLOWED_A = 1e-7;

/**
 * A design wired up and live: set a state, let its relays, timers and rules follow one another until nothing moves, and
 * read any terminal or wire. Deterministic: the same design and state give the same digits, whatever was asked before.
 */
export class LiveDesign {
  readonly compiled: CompiledDesign;
  private readonly network: Network;
  private readonly watched: Map<string, Watched>;
  /** Live parts that follow each device's state: its own, and for a dimmer those of the loads behind it. */
  private readonly parts: Map<string, LivePart[]>;
  private state: ControlState;
  /** Which nodes hang together in the present state, found when a meter is first put to it. */
  private islands: Int32Array | null = null;
  /** Places last asked for together, as nodes. */
  private asked: { points: readonly TerminalRef[]; nodes: Int32Array } | null = null;
  /** Elements at each node, made when a path is first asked for. */
  private touching: number[][] | null = null;
  /** The terminal at each node; null at those inside a device. */
  private places: (TerminalRef | null)[] | null = null;
  solved: Solved;

  /** Wires it up and solves the given state once, to start from. @throws NetworkError */
  constructor(index: DesignIndex, state: ControlState) {
    this.state = state;
    this.compiled = compile(index, state);
    this.network = new Network(this.compiled.netlist);
    const moving = Array.from(index.devices.values()).filter((device) => kindOf(device).step && !kindOf(device).isStill?.(device));
    this.watched = new Map(moving.map((device) => [device.id, this.watch(device)]));
    this.parts = partsByDevice(this.compiled);
    for (const part of this.compiled.live) this.set(part);
    this.solved = this.network.solve();
    this.network.keepAsStart();
  }

  /**
   * Lets the design come to rest in a state, time standing still. Devices all see the same moment and move together.
   * @throws NetworkError `noConvergence`.
   */
  settle(from: ControlState): Outcome {
    let state = from;
    // Every settling starts from the same solution, so that its digits do not depend on what was asked before.
    this.network.reset();
    const seen: Record<string, Memory>[] = [];
    for (let steps = 0; steps <= MOST_STEPS; steps++) {
      this.solve(state);
      const moved = this.nextMemories();
      if (!moved) return { kind: 'settled', state, steps };
      const memory = { ...state.memory, ...moved };
      const again = seen.findIndex((before) => sameMemories(before, memory));
      if (again >= 0) {
        const cycle = seen.slice(again);
        return { kind: 'oscillating', state, devices: changingIn(cycle), cycle };
      }
      seen.push(memory);
      state = { ...state, memory };
    }
    return { kind: 'oscillating', state, devices: changingIn(seen.slice(-2)), cycle: seen.slice(-2) };
  }

  /** Lets time pass in equal steps, settling after each. Stops early where the design does not settle. */
  advance(from: ControlState, seconds: number, stepS: number): Outcome {
    let outcome = this.settle(from);
    const end = from.timeS + seconds;
    while (outcome.kind === 'settled' && outcome.state.timeS < end - 1e-9) {
      const timeS = Math.min(end, outcome.state.timeS + stepS);
      outcome = this.settle({ ...outcome.state, timeS });
    }
    return outcome;
  }

  /** Puts so many ohms more into a wire's run; nought: as it was, infinite: it is broken. */
  resist(wireId: string, moreOhm: number): void {
    this.islands = null;
    const element = this.compiled.wireElement.get(wireId)!;
    const own = this.compiled.netlist.elements[element]!;
    if (own.kind === 'resistor') this.network.setOhm(element, Math.min(INSULATION_OHM, own.ohm + moreOhm));
  }

  /** Gives a source inside a part other volts than its state has. */
  hold(deviceId: string, part: string, volts: number): void {
    const element = this.compiled.partElement.get(`${deviceId}.${part}`);
    if (element !== undefined) this.network.setSource(element, volts);
  }

  /** Solves a state as it stands, nothing moving. @throws NetworkError */
  solve(state: ControlState): Solved {
    const changed = new Set([...changedKeys(this.state.controls, state.controls), ...changedKeys(this.state.memory, state.memory)]);
    this.state = state;
    this.islands = null;
    for (const id of changed) {
      for (const part of this.parts.get(id) ?? []) this.set(part);
      const watched = this.watched.get(id);
      if (watched) watched.memory = memoryOf(state, id);
    }
    this.solved = this.network.solve();
    return this.solved;
  }

  /** Volts of a terminal over the battery's minus; null for a terminal the design does not have. */
  voltage({ deviceId, terminal }: TerminalRef): number | null {
    const node = this.compiled.nodeOf.get(terminalKey(deviceId, terminal));
    return node === undefined ? null : this.network.voltage(node);
  }

  /**
   * What a meter reads with its red lead on one terminal and its black one on another, V: nothing where what one of them touches floats.
   * Null for a terminal the design does not have.
   */
  metered(red: TerminalRef, black: TerminalRef): number | null {
    const [above, below] = [this.voltage(red), this.voltage(black)];
    if (above === null || below === null) return null;
    return this.floats(red, black) ? 0 : above - below;
  }

  /**
   * What a meter reads at many terminals with its black lead on one, V, and 1 where one floats. Asked for the same list again it is quick.
   */
  everywhere(points: readonly TerminalRef[], over: TerminalRef): { volts: Float64Array; floats: Uint8Array } {
    const nodeOf = ({ deviceId, terminal }: TerminalRef) => this.compiled.nodeOf.get(terminalKey(deviceId, terminal)) ?? -1;
    if (this.asked?.points !== points) this.asked = { points, nodes: Int32Array.from(points, nodeOf) };
    const { nodes } = this.asked;
    const islands = this.islandsNow();
    const home = nodeOf(over);
    const floats = Uint8Array.from(nodes, (node) => (node >= 0 && islands[node] !== islands[home] ? 1 : 0));
    const homeV = home < 0 ? 0 : this.network.voltage(home);
    return {
      volts: Float64Array.from(nodes, (node, at) => (node < 0 || floats[at] === 1 ? 0 : this.network.voltage(node) - homeV)),
      floats,
    };
  }

  /** Whether nothing but insulation joins a terminal to another one. */
  floats(at: TerminalRef, from: TerminalRef): boolean {
    return this.islandOf(at) !== this.islandOf(from);
  }

  private islandOf({ deviceId, terminal }: TerminalRef): number | undefined {
    return this.islandsNow()[this.compiled.nodeOf.get(terminalKey(deviceId, terminal)) ?? -1];
  }

  private islandsNow(): Int32Array {
    return (this.islands ??= islandsOf(this.compiled.netlist, (element) => this.network.ohmOf(element)));
  }

  /** Volts of one terminal of a device over another. */
  across(deviceId: string, plus = 'plus', minus = 'minus'): number {
    return (this.voltage({ deviceId, terminal: plus }) ?? 0) - (this.voltage({ deviceId, terminal: minus }) ?? 0);
  }

  /** Ohms the whole network shows between two terminals around the present state; infinite where nothing joins them. */
  resistanceBetween(one: TerminalRef, other: TerminalRef): number {
    const node = ({ deviceId, terminal }: TerminalRef) => this.compiled.nodeOf.get(terminalKey(deviceId, terminal));
    const [into, out] = [node(one), node(other)];
    if (into === undefined || out === undefined || this.floats(one, other)) return Infinity;
    return this.network.resistanceBetween(into, out);
  }

  hasWire(wireId: string): boolean {
    return this.compiled.wireElement.has(wireId);
  }

  /** Amperes in a wire from its first end to its second. */
  wireAmps(wireId: string): number {
    return this.network.current(this.compiled.wireElement.get(wireId)!);
  }

  /** Amperes through a part of a device, from its first terminal to its second. */
  partAmps(deviceId: string, part: string): number {
    const element = this.compiled.partElement.get(`${deviceId}.${part}`);
    return element === undefined ? 0 : this.network.current(element);
  }

  /**
   * Terminals the current into a terminal comes by, source first: from each the largest inflow is followed, up to the battery or vehicle
   * that gives it. Nodes inside a device are left out.
   */
  upstream(terminal: TerminalRef): TerminalRef[] {
    return this.upstreamOfEach([terminal])[0]!;
  }

  /** The same of many terminals; what their ways have in common is followed once. */
  upstreamOfEach(terminals: readonly TerminalRef[]): TerminalRef[][] {
    const { nodeOf, netlist } = this.compiled;
    this.touching ??= elementsAt(netlist);
    this.places ??= netlist.nodes.map(terminalOfNode);
    const [places, known] = [this.places, new Map<number, number | undefined>()];
    return terminals.map(({ deviceId, terminal }) => {
      const path: TerminalRef[] = [];
      const seen = new Set<number>();
      for (let node = nodeOf.get(terminalKey(deviceId, terminal)); node !== undefined && !seen.has(node);) {
        seen.add(node);
        const place = places[node];
        if (place) path.push(place);
        const next: number | undefined = known.has(node) ? known.get(node) : this.before(node);
        known.set(node, next);
        node = next;
      }
      return path.reverse();
    });
  }

  /**
   * The node the largest current into one comes from; undefined where next to none does, or a source gives it: behind that lies only the
   * other pole.
   */
  private before(node: number): number | undefined {
    const { elements } = this.compiled.netlist;
    let next: number | undefined;
    let most = LEAST_FOLLOWED_A;
    for (const at of this.touching![node]!) {
      const { kind, a, b } = elements[at]!;
      const inflow = a === node ? -this.network.current(at) : this.network.current(at);
      if (inflow <= most) continue;
      most = inflow;
      next = kind === 'voltage' || kind === 'current' ? undefined : a === node ? b : a;
    }
    return next;
  }

  /** The netlist with every value as it is in the present state. */
  netlistNow(): Netlist {
    const { netlist, live } = this.compiled;
    const elements = netlist.elements.slice();
    for (const part of live) elements[part.element] = withValue(elements[part.element]!, valueOf(this.compiled, part, this.state));
    return { ...netlist, elements };
  }

  private set(part: LivePart): void {
    const value = valueOf(this.compiled, part, this.state);
    if ('ohm' in value) this.network.setOhm(part.element, value.ohm);
    else if ('volts' in value) this.network.setSource(part.element, value.volts);
    else if ('law' in value) this.network.setLaw(part.element, value.law);
    else this.network.setDuty(part.element, value.duty);
  }

  private nextMemories(): Record<string, Memory> | null {
    let moved: Record<string, Memory> | null = null;
    for (const { device, step, sees, memory } of this.watched.values()) {
      const next = step!(device, sees);
      if (next !== memory) (moved ??= {})[device.id] = next;
    }
    return moved;
  }

  /** What a device sees, made once: it reads the state and the network as they are when asked. */
  private watch(device: Device): Watched {
    const { compiled, network } = this;
    const current = () => this.state;
    const node = (terminal: string) => compiled.nodeOf.get(terminalKey(device.id, terminal))!;
    const elements = new Map<string, number>();
    const element = (part: string) => {
      let at = elements.get(part);
      if (at === undefined) elements.set(part, (at = compiled.partElement.get(`${device.id}.${part}`)!));
      return at;
    };
    const nodes = new Map<string, number>();
    const volts = (terminal: string) => {
      let at = nodes.get(terminal);
      if (at === undefined) nodes.set(terminal, (at = node(terminal)));
      return network.voltage(at);
    };
    const sees: Sees = {
      control: (name) => controlOf(current(), device, name),
      get memory() {
        return watched.memory;
      },
      get timeS() {
        return current().timeS;
      },
      get timeRuns() {
        return current().timeRuns === true;
      },
      across: (plus, minus) => volts(plus) - volts(minus),
      amps: (part) => network.current(element(part)),
    };
    const watched: Watched = { device, step: kindOf(device).step, sees, memory: memoryOf(this.state, device.id) };
    return watched;
  }
}

function elementsAt({ nodes, elements }: Netlist): number[][] {
  const at: number[][] = nodes.map(() => []);
  elements.forEach(({ a, b }, index) => {
    at[a]!.push(index);
    at[b]!.push(index);
  });
  return at;
}

interface Watched {
  device: Device;
  step: DeviceKind<Device>['step'];
  sees: Sees;
  /** What it remembers in the present state, kept here because every step asks for it. */
  memory: Memory;
}

function partsByDevice({ live, dimmerOf }: CompiledDesign): Map<string, LivePart[]> {
  const parts = new Map<string, LivePart[]>();
  const follow = (id: string, part: LivePart) => {
    const mine = parts.get(id);
    if (mine) mine.push(part);
    else parts.set(id, [part]);
  };
  for (const part of live) {
    follow(part.device.id, part);
    const dimmer = dimmerOf.get(part.device.id);
    if (dimmer) follow(dimmer.id, part);
  }
  return parts;
}

function changedKeys<T>(from: Readonly<Record<string, T>>, to: Readonly<Record<string, T>>): string[] {
  if (from === to) return [];
  return [...Object.keys(to).filter((id) => from[id] !== to[id]), ...Object.keys(from).filter((id) => !(id in to))];
}

function sameMemories(a: Readonly<Record<string, Memory>>, b: Readonly<Record<string, Memory>>): boolean {
  return Object.keys({ ...a, ...b }).every((id) => sameMemory(a[id], b[id]));
}

function sameMemory(a: Memory = {}, b: Memory = {}): boolean {
  return Object.keys({ ...a, ...b }).every((key) => a[key] === b[key]);
}

function changingIn(cycle: readonly Record<string, Memory>[]): string[] {
  const ids = new Set(cycle.flatMap((memories) => Object.keys(memories)));
  return [...ids].filter((id) => cycle.some((memories) => !sameMemory(memories[id], cycle[0]![id])));
}
