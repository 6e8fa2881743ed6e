import type { Device, Mover } from '../design/schema';
import { kindOf } from '../devices';
import type { ControlValue } from '../devices/kind';
import { BEGUN, controlOf, type ControlState } from '../network/controlState';
import { isLit } from '../network/reach';
import { LiveDesign } from '../network/settle';
import type { DesignIndex } from '../rig/designIndex';
import type { BenchAct } from '../design/schema';
import type { Dimmer } from '../devices/dimmer';
import { driven, springsBack, vehicleWires, type VehicleWire } from './handles';
import { withMoved, type Input, type Standing } from './inputs';
import { PARKED } from './vehicleSide';

/** What leads from one way of standing to another. */
export type Act = Extract<BenchAct, { kind: 'move' | 'wait' }>;

/** A way everything can stand, met by acts from rest. */
export interface Spot extends Standing {
  /** Loads that are lit; meaningless where it never comes to rest. */
  lit: ReadonlySet<string>;
  /** Relays that never come to rest here; nothing is tried from here on. */
  isRestless: boolean;
  /** The spot it was first met from, and by what; null for rest. */
  from: { spot: number; act: Act } | null;
}

/** Ways of standing kept apart, and answers of the network asked for. */
const MOST_SPOTS = 5000;
const MOST_ANSWERS = 12_000;

/** Answers of the network that may still be asked for by all that share it. */
export interface AnswersLeft {
  left: number;
}
const DARK: ReadonlySet<string> = new Set();
/** Beyond the end of what runs, s. */
const PAST_S = 1;

/**
 * Every way a part of a design can stand, found by moving one thing at a time from rest and by letting what runs run out, the nearest
 * first: so the acts that lead to one are the fewest there are.
 * @throws NetworkError where the wiring has no answer
 */
export class Explored {
  readonly spots: Spot[] = [];
  /** Whether nothing was left untried. */
  readonly isWhole: boolean;
  /** The longest time that was let run, s. */
  readonly longestS: number;
  private readonly live: LiveDesign;
  private readonly wires: readonly VehicleWire[];
  private readonly holds: readonly number[];
  private readonly timed: ReadonlySet<string>;
  /** Spots by how they stand, and what each act from each spot led to. */
  private readonly known = new Map<string, number>();
  private readonly asked = new Map<string, number>();
  private answers = 0;

  constructor(
    readonly part: DesignIndex,
    readonly inputs: readonly Input[],
    private readonly budget: AnswersLeft,
    start: ControlState = BEGUN,
  ) {
    this.wires = vehicleWires(part);
    const timed = Array.from(part.devices.values()).map((device) => ({ id: device.id, times: kindOf(device).times?.(device) ?? [] }));
    this.timed = new Set(timed.flatMap(({ id, times }) => (times.length > 0 ? [id] : [])));
    this.holds = [...new Set(timed.flatMap(({ times }) => times))];
    this.longestS = Math.max(0, ...this.holds.map((holdS) => holdS + PAST_S));
    const rest = driven(start, this.wires, PARKED);
    this.live = new LiveDesign(part, rest);
    this.meet({ state: rest, side: PARKED }, null);
    this.isWhole = this.spread();
  }

  /** The spot an act leads to from another; null where it is none that was met. */
  after(spot: number, act: Act): number | null {
    const at = this.spots[spot]!;
    return this.asked.get(this.askedKey(this.moved(at, act))) ?? null;
  }

  /** The fewest acts from rest to a spot. */
  path(spot: number): Act[] {
    const { from } = this.spots[spot]!;
    return from ? [...this.path(from.spot), from.act] : [];
  }

  /** How something stands in a spot: a channel that latches by what it has latched. */
  standsAt({ state, side }: Standing, mover: Mover): ControlValue | null {
    if (mover.kind === 'vehicle') return side[mover.control];
    const device = this.part.devices.get(mover.deviceId);
    if (!device) return null;
    return isLatched(device) ? state.memory[device.id]?.[mover.control] === true : controlOf(state, device, mover.control);
  }

  /** The dimmer a load is behind; null where there is none. */
  dimmerOf(loadId: string): Dimmer | null {
    return this.live.compiled.dimmerOf.get(loadId) ?? null;
  }

  /** What something is set to in a spot, a button whether it is pressed. */
  setAt({ state, side }: Standing, mover: Mover): ControlValue {
    return mover.kind === 'vehicle' ? side[mover.control] : this.controlAt(state, mover);
  }

  /** Whether a hand is on something that springs back. */
  isHeld({ state }: Standing): boolean {
    return this.inputs.some((input) => {
      if (input.kind === 'vehicle') return false;
      const device = this.part.devices.get(input.deviceId)!;
      return springsBack(device, input.positions) && this.controlAt(state, input) !== input.positions[0];
    });
  }

  /** What acts beyond those tried lead to, and which loads are lit then; null where it never comes to rest. */
  play(from: Standing, acts: readonly Act[]): { standing: Standing; lit: ReadonlySet<string> } | null {
    let standing = from;
    for (const act of acts) {
      const settled = this.settle(this.moved(standing, act));
      if (!settled) return null;
      standing = settled;
    }
    return { standing, lit: this.litNow() };
  }

  private spread(): boolean {
    for (let spot = 0; spot < this.spots.length; spot++) {
      if (this.spots[spot]!.isRestless) continue;
      for (const act of this.actsAt(this.spots[spot]!)) {
        if (this.spots.length >= MOST_SPOTS || this.answers >= MOST_ANSWERS || this.budget.left <= 0) return false;
        this.meet(this.moved(this.spots[spot]!, act), { spot, act });
      }
    }
    return true;
  }

  private actsAt(spot: Spot): Act[] {
    const moves = this.inputs.flatMap(({ positions, ...mover }) => {
      const now = this.setAt(spot, mover);
      return positions.filter((position) => position !== now).map((position): Act => ({ kind: 'move', mover, position }));
    });
    if (!Object.values(spot.state.memory).some((memory) => Object.keys(memory).some(isEnd))) return moves;
    return [...moves, ...this.holds.map((holdS): Act => ({ kind: 'wait', seconds: holdS + PAST_S }))];
  }

  private controlAt(state: ControlState, { deviceId, control }: Extract<Mover, { kind: 'device' }>): ControlValue {
    return controlOf(state, this.part.devices.get(deviceId)!, control);
  }

  private moved(from: Standing, act: Act): Standing {
    if (act.kind === 'move') return withMoved(from, act.mover, act.position, this.wires);
    return { ...from, state: { ...from.state, timeS: from.state.timeS + act.seconds } };
  }

  /** Lets a standing come to rest and keeps what it is, if it was not met before. */
  private meet(asked: Standing, from: Spot['from']): void {
    const askedKey = this.askedKey(asked);
    if (this.asked.has(askedKey)) return;
    const settled = this.settle(asked);
    const key = settled ? this.askedKey(settled) : `${askedKey} restless`;
    let spot = this.known.get(key);
    if (spot === undefined) {
      spot = this.spots.length;
      this.known.set(key, spot);
      this.spots.push({ ...(settled ?? asked), lit: settled ? this.litNow() : DARK, isRestless: settled === null, from });
    }
    this.asked.set(askedKey, spot);
  }

  private settle({ state, side }: Standing): Standing | null {
    this.answers += 1;
    this.budget.left -= 1;
    const outcome = this.live.settle(state);
    return outcome.kind === 'settled' ? { state: outcome.state, side } : null;
  }

  private litNow(): ReadonlySet<string> {
    const { loads, settings } = this.part;
    return new Set(loads.filter(({ id }) => isLit(this.live, id, settings.nominalV)).map(({ id }) => id));
  }

  /** How things stand, as far as it can make a difference: times by what is left of them. */
  private askedKey({ state, side }: Standing): string {
    const set = this.inputs.map((input) => (input.kind === 'vehicle' ? side[input.control] : String(this.controlAt(state, input))));
    const held = Object.entries(state.memory).flatMap(([id, memory]) => {
      const kept = Object.entries(memory).flatMap(([name, value]) => {
        if (value === true) return [name];
        return isEnd(name) && this.timed.has(id) ? [`${name} ${Math.max(0, Number(value) - state.timeS)} s`] : [];
      });
      return kept.length > 0 ? [`${id}:${kept.sort().join()}`] : [];
    });
    return `${set.join()}|${held.sort().join(';')}`;
  }
}

/** Whether a memory is when something that runs ends. */
const isEnd = (name: string) => name.endsWith('untilS');
const isLatched = (device: Device) => device.kind === 'receiver';
