import type { Device, TerminalRef } from '../design/schema';
import { kindOf } from '../devices';
import type { Memory, Sees } from '../devices/kind';
import { compile, stateOf, valueOf, type CompiledDesign } from './compile';
import { memoryOf, type ControlState } from './controlState';
import type { DesignIndex } from '../design/design';
import { Network, type Solved } from './network';
import { terminalKey } from './wiring';

/** Where a state ended: at rest, or going round in a ring of states for ever, as a buzzing relay does. */
export type Outcome =
  | { kind: 'settled'; state: ControlState; steps: number }
  | { kind: 'oscillating'; state: ControlState; devices: string[]; cycle: Record<string, Memory>[] };

/** More steps than any sane chain of relays takes. */
const MOST_STEPS = 400;

/**
 * A design wired up and live: set a state, let its relays, timers and rules follow one another until nothing moves, and
 * read any terminal or wire. Deterministic: the same design and state give the same digits, whatever was asked before.
 */
export class LiveDesign {
  readonly compiled: CompiledDesign;
  private readonly network: Network;
  private readonly stepping: Device[];
  solved: Solved = { iterations: 0, residualA: 0, largestA: 0 };

  /** @throws NetworkError when the network has no answer whatever the state. */
  constructor(index: DesignIndex, state: ControlState) {
    this.compiled = compile(index, state);
    this.network = new Network(this.compiled.netlist);
    this.stepping = Array.from(index.devices.values()).filter((device) => kindOf(device).step !== undefined);
  }

  /**
   * Lets the design come to rest in a state, time standing still. Devices all see the same moment and move together.
   * @throws NetworkError `noConvergence`.
   */
  settle(from: ControlState): Outcome {
    let state = from;
    // Every settling starts from nothing, so that its digits do not depend on what was asked before.
    this.network.reset();
    const seen: Record<string, Memory>[] = [];
    for (let steps = 0; steps <= MOST_STEPS; steps++) {
      this.solve(state);
      const moved = this.nextMemories(state);
      if (Object.keys(moved).length === 0) return { kind: 'settled', state, steps };
      const memory = { ...state.memory, ...moved };
      const again = seen.findIndex((before) => sameMemories(before, memory));
      if (again >= 0) {
        const cycle = seen.slice(again);
        return { kind: 'oscillating', state, devices: changingIn(cycle), cycle };
      }
      seen.push(memory);
      state = { ...state, memory };
    }
    return { kind: 'oscillating', state, devices: Object.keys(this.nextMemories(state)), cycle: seen.slice(-2) };
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

  /** Solves a state as it stands, nothing moving. @throws NetworkError */
  solve(state: ControlState): Solved {
    for (const part of this.compiled.live) {
      const value = valueOf(this.compiled, part, state);
      if ('ohm' in value) this.network.setOhm(part.element, value.ohm);
      else if ('volts' in value) this.network.setSource(part.element, value.volts);
      else if ('law' in value) this.network.setLaw(part.element, value.law);
      else this.network.setDuty(part.element, value.duty);
    }
    this.solved = this.network.solve();
    return this.solved;
  }

  /** Volts of a terminal over the battery's minus; null for a terminal the design does not have. */
  voltage({ deviceId, terminal }: TerminalRef): number | null {
    const node = this.compiled.nodeOf.get(terminalKey(deviceId, terminal));
    return node === undefined ? null : this.network.voltage(node);
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

  private nextMemories(state: ControlState): Record<string, Memory> {
    const moved: Record<string, Memory> = {};
    for (const device of this.stepping) {
      const memory = memoryOf(state, device.id);
      const next = kindOf(device).step!(device, this.seenBy(device, state));
      if (next !== memory) moved[device.id] = next;
    }
    return moved;
  }

  private seenBy(device: Device, state: ControlState): Sees {
    const volts = (terminal: string) => this.voltage({ deviceId: device.id, terminal }) ?? 0;
    return {
      ...stateOf(state, device),
      across: (plus, minus) => volts(plus) - volts(minus),
      amps: (part) => this.partAmps(device.id, part),
    };
  }
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
