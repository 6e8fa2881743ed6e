import { chargedAndCutOutV } from '../catalog/chemistries';
import type { Device, Load, TerminalRef, Wire } from '../design/schema';
import type { LaidWire } from '../rig/layout';
import { kindOf } from '../devices';
import type { ControlValue, Memory } from '../devices/kind';
import type { DesignIndex } from '../rig/designIndex';
import { tapOn } from '../rig/designIndex';
import { AT_REST, withControl, type ControlState } from './controlState';
import { pathTo } from './ways';
import { NetworkError } from './networkError';
import { plainChannels } from './plainChannels';
import { LiveDesign } from './settle';
import { landedTerminals, terminalKey, type Wiring } from './wiring';

/**
 * What the controls of a design can bring about for a few loads: their switches, relays, channels and signals alone are wired up, with the
 * way from the battery, and every setting of them is tried, each from where the one before left relays and channels, until the answer is
 * known.
 */

/** Settings tried for one question: nine controls of two positions, or five that remember. */
const MOST_TRIED = 600;
/** Settings tried for all that is asked of one design, so that no edit waits for seconds. */
const MOST_IN_ALL = 4000;
/** Share of the nominal voltage from which a load counts as lit. Common practice: half glowing lamps are a fault of their own. */
const LIT_SHARE = 0.5;

const NONE: ReadonlySet<string> = new Set();

/** What a test lamp takes, A. */
const PROBE_A = 0.05;

/** One control and what it can be set to. */
export interface Handle {
  deviceId: string;
  key: string;
  values: readonly ControlValue[];
}

/**
 * How a search ended: a state that does it, with the battery's volts where a rested one's do not do; none does, all tried; or not all were
 * tried.
 */
export type Reached =
  { kind: 'found'; state: ControlState; batteryV: number | null } | { kind: 'never' } | { kind: 'unsearched'; controls: number };

/** The part of a design that decides whether some loads are lit. */
export interface Influence {
  index: DesignIndex;
  handles: readonly Handle[];
}

/** One wired design to be asked. */
export class Reach {
  private readonly wiresAt = new Map<string, LaidWire[]>();
  private left = MOST_IN_ALL;
  private readonly plain = new Map<string, ReadonlySet<string>>();

  constructor(
    private readonly index: DesignIndex,
    private readonly wiring: Wiring,
  ) {
    for (const wire of index.wires)
      for (const { deviceId, terminal } of [wire.from, wire.to]) {
        const key = terminalKey(deviceId, terminal);
        const known = this.wiresAt.get(key);
        if (known) known.push(wire);
        else this.wiresAt.set(key, [wire]);
      }
  }

  /** Looks for a state in which all of some loads are lit together, the nearest first to the one begun from. */
  lit(loadIds: readonly string[], from: ControlState | null = null): Reached {
    return this.look(loadIds, from, (live) => loadIds.every((id) => this.isLit(live, id)));
  }

  /**
   * The same at whatever volts the battery has in use: a coil that a rested one does not pull in may be pulled in while it is charged, and
   * one that is to take a load off rests while it is low.
   */
  everLit(loadIds: readonly string[]): Reached {
    const isIt: Question = (live) => loadIds.every((id) => this.isLit(live, id));
    for (const batteryV of [null, ...this.otherVolts()]) {
      const reached = this.look(loadIds, null, isIt, batteryV);
      if (reached.kind !== 'never') return reached;
    }
    return { kind: 'never' };
  }

  /** Looks for a state in which a load is lit and one wire brings nothing. */
  litWithout(loadId: string, wireId: string, from: ControlState): Reached {
    return this.look([loadId], from, (live) => this.isLit(live, loadId) && Math.abs(live.wireAmps(wireId)) < PROBE_A / 100);
  }

  /** Volts of the house battery on charge and when low. */
  private otherVolts(): number[] {
    const { battery, settings } = this.index;
    return battery ? Object.values(chargedAndCutOutV(battery, settings.nominalV)) : [];
  }

  /** Looks for a state in which a contact stands as asked and any of some loads is lit; none: whatever is lit. */
  through(deviceId: string, stands: (state: ControlState) => boolean, loadIds: readonly string[], from: ControlState): Reached {
    return this.look(
      [deviceId, ...loadIds],
      from,
      (live, state) => stands(state) && (loadIds.length === 0 || loadIds.some((id) => this.isLit(live, id))),
    );
  }

  private isLit(live: LiveDesign, loadId: string): boolean {
    return isLit(live, loadId, this.index.settings.nominalV);
  }

  /** A bar behind a circuit's own fuse is a part of that circuit like any. */
  private isWithinCircuit(deviceId: string): boolean {
    const { at, nodes } = this.wiring.supply;
    return (nodes[at.get(terminalKey(deviceId, 'bar')) ?? -1]?.circuitId ?? null) !== null;
  }

  private look(wantedIds: readonly string[], from: ControlState | null, isIt: Question, batteryV: number | null = null): Reached {
    const { index, handles } = this.influenceOn(wantedIds);
    try {
      const counted = { left: Math.min(MOST_TRIED, this.left) };
      const most = counted.left;
      const reached = search(index, handles, from, new Set(wantedIds), isIt, counted, batteryV);
      this.left -= most - counted.left;
      return reached;
    } catch (error) {
      if (error instanceof NetworkError) return { kind: 'unsearched', controls: handles.length };
      throw error;
    }
  }

  /**
   * The loads as test lamps with everything that leads to them, other loads' terminals too, and works what leads to them; and the controls
   * among it.
   */
  influenceOn(loadIds: readonly string[]): Influence {
    const { index, wiring } = this;
    const devices = new Set<string>();
    const wires = new Set<LaidWire>();
    const queued = new Set<string>();
    const queue: TerminalRef[] = [];
    /** A device, reached by one of its terminals; by none: the whole of it. */
    const take = (deviceId: string, by: string | null = null) => {
      devices.add(deviceId);
      const device = index.devices.get(deviceId);
      if (!device) return;
      const kind = kindOf(device);
      const terminals = (by !== null && kind.deciding?.(device, by)) || kind.terminals(device);
      const plain = by !== null && device.kind === 'receiver' ? this.plainOf(device) : NONE;
      for (const terminal of terminals) {
        if (terminal !== by && plain.has(terminal)) continue;
        const key = terminalKey(deviceId, terminal);
        if (queued.has(key)) continue;
        queued.add(key);
        queue.push({ deviceId, terminal });
      }
    };
    loadIds.forEach((id) => take(id));
    for (const { deviceId, terminal } of queue) {
      const device = index.devices.get(deviceId)!;
      if (device.kind === 'load' && device.partOf) take(device.partOf.loadId);
      if (device.kind === 'protection' && device.mount) {
        take(device.mount.blockId);
        const beside = tapOn(index, device);
        if (beside) take(beside.id);
      }
      if (MEETING.has(device.kind) && !this.isWithinCircuit(deviceId)) {
        homeFrom(wiring, { deviceId, terminal }, take, wires);
        continue;
      }
      for (const wire of this.wiresAt.get(terminalKey(deviceId, terminal)) ?? []) {
        const far = isAt(wire.from, deviceId, terminal) ? wire.to : wire.from;
        wires.add(wire);
        take(far.deviceId, far.terminal);
      }
    }
    return { index: partOf(index, devices, wires), handles: handlesOf(index, devices, wires) };
  }

  /** The same with devices that are named beside them: one that has no part in it is looked at whole. */
  influenceNaming(ids: readonly string[], named: readonly string[]): Influence {
    const near = this.influenceOn(ids);
    const apart = named.filter((id) => !near.index.devices.has(id));
    return apart.length === 0 ? near : this.influenceOn([...ids, ...apart]);
  }

  private plainOf(receiver: Extract<Device, { kind: 'receiver' }>): ReadonlySet<string> {
    let plain = this.plain.get(receiver.id);
    if (!plain) this.plain.set(receiver.id, (plain = plainChannels(this.index, this.wiring, this.wiresAt, receiver)));
    return plain;
  }
}

const isAt = (end: TerminalRef, deviceId: string, terminal: string) => end.deviceId === deviceId && end.terminal === terminal;

/** Whether a load is lit, at the voltage it has. */
export function isLit(live: LiveDesign, loadId: string, nominalV: number): boolean {
  return Math.abs(live.across(loadId)) >= LIT_SHARE * nominalV;
}

/** Tries setting after setting, one control moved at a time from every state met. */
function search(
  index: DesignIndex,
  handles: readonly Handle[],
  from: ControlState | null,
  wanted: ReadonlySet<string>,
  isIt: Question,
  counted: { left: number },
  batteryV: number | null,
): Reached {
  const loads = Object.fromEntries(index.loads.map(({ id }) => [id, { on: wanted.has(id) }]));
  const set = from ? asIn(from, handles) : {};
  const start: ControlState = {
    ...AT_REST,
    controls: { ...loads, ...merged(atRest(index, handles), set) },
    memory: from ? heldIn(from, index) : {},
  };
  const live = new LiveDesign(index, start);
  if (batteryV !== null) for (const { id, kind } of index.devices.values()) if (kind === 'battery') live.hold(id, 'rest', batteryV);
  const queue: ControlState[] = [];
  const seen = new Set<string>();
  const visit = (asked: ControlState): Reached | null => {
    counted.left -= 1;
    const outcome = live.settle(asked);
    // What never comes to rest lights whatever it lights by turns.
    if (isIt(live, outcome.state)) return { kind: 'found', state: outcome.state, batteryV };
    if (outcome.kind === 'oscillating') return { kind: 'unsearched', controls: handles.length };
    const key = stateKey(outcome.state, handles);
    if (!seen.has(key)) {
      seen.add(key);
      queue.push(outcome.state);
    }
    return null;
  };
  const first = visit(start);
  if (first) return first;
  for (const state of queue) {
    for (const { deviceId, key, values } of handles) {
      const device = index.devices.get(deviceId);
      const isPress = device?.kind === 'receiver' && device.mode === 'latching';
      for (const value of values) {
        if (state.controls[deviceId]?.[key] === value) continue;
        if (counted.left <= 0) return { kind: 'unsearched', controls: handles.length };
        // A button that a channel remembers says no more while it is held than once it is let go.
        const pressed = isPress ? live.settle(withControl(state, deviceId, key, value)).state : state;
        const done = visit(withControl(pressed, deviceId, key, isPress ? false : value));
        if (done) return done;
      }
    }
  }
  return { kind: 'never' };
}

/** What is asked of a settled state. */
type Question = (live: LiveDesign, state: ControlState) => boolean;

type Settings = Record<string, Record<string, ControlValue>>;

function asIn({ controls }: ControlState, handles: readonly Handle[]): Settings {
  const set: Settings = {};
  for (const { deviceId, key } of handles) {
    const value = controls[deviceId]?.[key];
    if (value !== undefined) (set[deviceId] ??= {})[key] = value;
  }
  return set;
}

const merged = (a: Settings, b: Settings): Settings =>
  Object.fromEntries([...new Set([...Object.keys(a), ...Object.keys(b)])].map((id) => [id, { ...a[id], ...b[id] }]));

const heldIn = ({ memory }: ControlState, { devices }: DesignIndex) =>
  Object.fromEntries(Object.entries(memory).filter(([id]) => devices.has(id)));

function atRest(index: DesignIndex, handles: readonly Handle[]): Settings {
  const controls: Settings = {};
  for (const { deviceId, key, values } of handles) (controls[deviceId] ??= {})[key] = values[0]!;
  // A wire of the vehicle that is always live is so in every state.
  for (const device of index.devices.values())
    if (device.kind === 'signalSource') controls[device.id] = { ...controls[device.id], constant: true };
  return controls;
}

function stateKey({ controls, memory }: ControlState, handles: readonly Handle[]): string {
  const set = handles.map(({ deviceId, key }) => String(controls[deviceId]?.[key]));
  const kept = Object.entries(memory).flatMap(([id, held]) => (heldKey(held) === '' ? [] : [`${id}:${heldKey(held)}`]));
  return `${set.join()}|${kept.sort().join(';')}`;
}

/** What a device remembers, but for times, which stand still here. */
const heldKey = (held: Memory) =>
  Object.entries(held)
    .filter(([, value]) => value === true)
    .map(([key]) => key)
    .sort()
    .join();

/** Where many circuits meet: followed towards the battery alone. */
const MEETING: ReadonlySet<Device['kind']> = new Set(['battery', 'fuseBlock', 'busBar', 'groundPoint']);

/** The way from a meeting point to the battery. */
function homeFrom(wiring: Wiring, { deviceId, terminal }: TerminalRef, take: (id: string) => void, wires: Set<LaidWire>): void {
  for (const tree of [wiring.supply, wiring.return]) {
    const at = tree.at.get(terminalKey(deviceId, terminal));
    if (at === undefined) continue;
    for (const step of pathTo(tree, at)) {
      const node = tree.nodes[step]!;
      take(node.deviceId);
      if (node.wire) wires.add(node.wire);
    }
  }
}

/** A load as a test lamp: whether current reaches it is asked, not what it does to the wiring; so the answer hangs on no draw. */
function probe({ cutOutV: _cutOutV, restartV: _restartV, standbyA: _standbyA, ...load }: Load, atV: number): Load {
  return { ...load, quantity: 1, rated: { kind: 'amps', amps: PROBE_A, atV }, measured: null, behaviour: 'resistive' };
}

function partOf(index: DesignIndex, ids: ReadonlySet<string>, wires: ReadonlySet<LaidWire>): DesignIndex {
  const probed = (device: Device) => (device.kind === 'load' ? probe(device, index.settings.nominalV) : device);
  const devices = new Map([...index.devices].flatMap(([id, device]) => (ids.has(id) ? [[id, probed(device)] as const] : [])));
  const isHere = ({ id }: { id: string }) => ids.has(id);
  return {
    ...index,
    devices,
    loads: index.loads.filter(isHere).map((load) => probe(load, index.settings.nominalV)),
    wires: [...wires],
    mounted: new Map([...index.mounted].map(([blockId, fuses]) => [blockId, fuses.filter(isHere)])),
    taps: new Map([...index.taps].filter(([, tap]) => isHere(tap))),
  };
}

/** The controls that are moved in use and change anything: those whose terminal has a wire. */
function handlesOf(index: DesignIndex, ids: ReadonlySet<string>, wires: ReadonlySet<Wire>): Handle[] {
  const landed = landedTerminals(wires);
  return [...ids].flatMap((deviceId) => {
    const device = index.devices.get(deviceId);
    const kind = device && kindOf(device);
    if (!device || !kind?.workedInUse) return [];
    return Object.entries(kind.controls!(device))
      .filter(
        ([key, values]) => values.length > 1 && kind.workedInUse!(device, key, (terminal) => landed.has(terminalKey(deviceId, terminal))),
      )
      .map(([key, values]) => ({ deviceId, key, values }));
  });
}
