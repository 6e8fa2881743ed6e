import { hostOf, type DesignIndex } from '../rig/designIndex';
import type { Device, TerminalRef, Wire } from '../design/schema';
import { dimmerPercent, type Dimmer } from '../devices/dimmer';
import { kindOf } from '../devices';
import { CHASSIS } from '../devices/groundPoint';
import { INSULATION_OHM, LEAK_OHM, LEAST_OHM, type DeviceState, type Stamper } from '../devices/kind';
import { cableOhmPerM, endsOhmOf } from '../catalog/cable';
import { controlOf, memoryOf, type ControlState } from './controlState';
import { leaky, pulsed, standbyLaw, type Law } from '../devices/laws';
import { NetlistBuilder, type NetElement, type Netlist } from './netlist';
import { terminalKey } from './wiring';

/** A part of a device whose value follows the state. */
export interface LivePart {
  device: Device;
  element: number;
  value: (state: DeviceState) => LiveValue;
}

/** What a live element is set to. */
export type LiveValue = { ohm: number } | { volts: number } | { law: Law } | { duty: number };

/** A design as a netlist: which element each wire and each device's part became, and what follows the state. */
export interface CompiledDesign {
  index: DesignIndex;
  netlist: Netlist;
  /** Node by `deviceId/terminal`. */
  nodeOf: Map<string, number>;
  wires: Map<string, Wire>;
  wireElement: Map<string, number>;
  /** Element by `deviceId.part`. */
  partElement: Map<string, number>;
  live: LivePart[];
  /** Terminals that nothing joins to the battery: they are held at nothing through insulation so that the rest has an answer. */
  adrift: TerminalRef[];
  /** Dimmer that feeds each load, where one does. */
  dimmerOf: Map<string, Dimmer>;
  /** Dimmers whose two sides wires join: they dim nothing. */
  bridged: Set<string>;
}

/**
 * Turns a design into a netlist. Wires have the resistance of their real cable at the settings' temperature, contacts and
 * joints theirs; open contacts insulate. Values that follow the state are set by `applyState`.
 */
export function compile(index: DesignIndex, state: ControlState): CompiledDesign {
  const net = new NetlistBuilder();
  const reference = referenceNode(index);
  const compiled: CompiledDesign = {
    ...{
      index,
      netlist: net.netlist(reference),
      nodeOf: new Map(),
      wires: new Map(index.wires.map((wire) => [wire.id, wire])),
      wireElement: new Map(),
      partElement: new Map(),
    },
    ...{ live: [], adrift: [], dimmerOf: new Map(), bridged: new Set() },
  };
  for (const device of index.devices.values()) {
    for (const terminal of kindOf(device).terminals(device)) net.node(terminalKey(device.id, terminal));
  }
  for (const device of index.devices.values()) kindOf(device).stamp(device, new DeviceStamper(device, net, compiled, state));
  const endsOhm = endsOhmOf(index.settings);
  for (const wire of index.wires) {
    const { conductorStandard, conductorTemperatureC } = index.settings;
    const cableOhm = (cableOhmPerM(wire.conductor, conductorStandard, conductorTemperatureC) * wire.lengthMm) / 1000;
    const ohm = Math.max(LEAST_OHM, cableOhm + (wire.lengthMm > 0 ? endsOhm : 0));
    compiled.wireElement.set(wire.id, net.resistor(wire.id, key(wire.from), key(wire.to), ohm));
  }
  const { nodes, elements } = compiled.netlist;
  dimLoads(compiled, elements);
  nodes.forEach((name, at) => compiled.nodeOf.set(name, at));
  for (const { id, partOf } of index.loads)
    if (partOf) compiled.nodeOf.set(terminalKey(id, partOf.shares), compiled.nodeOf.get(terminalKey(partOf.loadId, partOf.shares))!);
  holdAdrift(compiled, net);
  return compiled;
}

/** Where voltages are measured from: the battery's minus, else the chassis, else the first terminal there is. */
function referenceNode(index: DesignIndex): string {
  if (index.battery) return terminalKey(index.battery.id, 'minus');
  return terminalKey(CHASSIS.deviceId, CHASSIS.terminal);
}

function key({ deviceId, terminal }: TerminalRef): string {
  return terminalKey(deviceId, terminal);
}

/** Adds one device's elements under the device's own names. */
class DeviceStamper implements Stamper {
  readonly mounted: readonly { id: string }[];
  readonly host: { id: string } | null;
  readonly nominalV: number;

  constructor(
    private readonly device: Device,
    private readonly net: NetlistBuilder,
    private readonly compiled: CompiledDesign,
    private readonly state: ControlState,
  ) {
    this.mounted = compiled.index.mounted.get(device.id) ?? [];
    this.host = device.kind === 'protection' ? hostOf(compiled.index, device) : null;
    this.nominalV = compiled.index.settings.nominalV;
  }

  resistor(part: string, a: string, b: string, ohm: number): void {
    this.keep(part, { kind: 'resistor', ...this.ends(part, a, b), ohm });
  }

  contact(part: string, a: string, b: string, closed: boolean | ((state: DeviceState) => boolean), closedOhm: number): void {
    this.keep(part, { kind: 'resistor', ...this.ends(part, a, b), ohm: closedOhm }, (state) => ({
      ohm: (typeof closed === 'function' ? closed(state) : closed) ? closedOhm : INSULATION_OHM,
    }));
  }

  voltage(part: string, a: string, b: string, volts: number | ((state: DeviceState) => number)): void {
    const now = (state: DeviceState) => (typeof volts === 'function' ? volts(state) : volts);
    this.keep(part, { kind: 'voltage', ...this.ends(part, a, b), volts: 0 }, (state) => ({ volts: now(state) }));
  }

  law(part: string, a: string, b: string, law: Law | ((state: DeviceState) => Law)): void {
    const now = (state: DeviceState) => (typeof law === 'function' ? law(state) : law);
    this.keep(part, { kind: 'law', ...this.ends(part, a, b), law: standbyLaw(0) }, (state) => ({ law: now(state) }));
  }

  duty(part: string, a: string, b: string, common: string, share: number | ((state: DeviceState) => number), ohm: number): void {
    const now = (state: DeviceState) => (typeof share === 'function' ? share(state) : share);
    this.keep(part, { kind: 'duty', ...this.ends(part, a, b), common: this.net.node(this.name(common)), duty: 1, ohm }, (state) => ({
      duty: now(state),
    }));
  }

  outside(deviceId: string, terminal: string): string {
    return `@${terminalKey(deviceId, terminal)}`;
  }

  private ends(part: string, a: string, b: string): { name: string; a: number; b: number } {
    return { name: `${this.device.id}.${part}`, a: this.net.node(this.name(a)), b: this.net.node(this.name(b)) };
  }

  private name(terminal: string): string {
    if (terminal.startsWith('@')) return terminal.slice(1);
    const { device } = this;
    // What a function shares with its lamp is one terminal.
    if (device.kind === 'load' && device.partOf?.shares === terminal) return terminalKey(device.partOf.loadId, terminal);
    return terminalKey(device.id, terminal);
  }

  private keep(part: string, element: NetElement, value?: (state: DeviceState) => LiveValue): void {
    const { device, compiled, state } = this;
    const at = this.net.add(value ? withValue(element, value(stateOf(state, device))) : element);
    compiled.partElement.set(`${device.id}.${part}`, at);
    if (value) compiled.live.push({ device, element: at, value });
  }
}

/** The state as one device sees it. */
export function stateOf(state: ControlState, device: Device): DeviceState {
  return {
    control: (name) => controlOf(state, device, name),
    memory: memoryOf(state, device.id),
    timeS: state.timeS,
    timeRuns: state.timeRuns === true,
  };
}

/** An element set to a value. */
export function withValue(element: NetElement, value: LiveValue): NetElement {
  return { ...element, ...value } as NetElement;
}

/** A coil, a heater's sense wire: what current is not led on through, ohm. No wire or contact has so much. */
const NOT_LED_ON_OHM = 4.5;

/**
 * Loads behind a dimmer see its full voltage for a share of the time: their laws are pulsed with it. They are found by following everything
 * that conducts on from the dimmer's lamp side, up to the next dimmer, source or load. Where wires alone lead from there to its other side
 * it is bridged, and dims nothing.
 */
function dimLoads(compiled: CompiledDesign, elements: readonly NetElement[]): void {
  const { index, live, dimmerOf, bridged } = compiled;
  const dimmers = Array.from(index.devices.values()).filter((device) => device.kind === 'dimmer');
  if (dimmers.length === 0) return;
  const moving = new Set(live.map(({ element }) => element));
  const near = new Map<number, { to: number; isFixed: boolean }[]>();
  const join = (a: number, b: number, isFixed: boolean) => near.set(a, [...(near.get(a) ?? []), { to: b, isFixed }]);
  elements.forEach((element, at) => {
    if (element.kind !== 'resistor' || (!moving.has(at) && element.ohm > NOT_LED_ON_OHM)) return;
    join(element.a, element.b, !moving.has(at));
    join(element.b, element.a, !moving.has(at));
  });
  const drawsAt = new Map<number, LivePart[]>();
  for (const part of live) {
    const { kind, a, b } = elements[part.element]!;
    if (kind !== 'law' || part.device.kind !== 'load') continue;
    for (const end of [a, b]) drawsAt.set(end, [...(drawsAt.get(end) ?? []), part]);
  }
  for (const dimmer of dimmers) {
    const element = elements[compiled.partElement.get(`${dimmer.id}.switch`)!]!;
    const others = new Set([element.a, element.kind === 'duty' ? element.common : -1]);
    const reachedFrom = (through: (isFixed: boolean) => boolean) => {
      const reached = new Set([element.b]);
      for (const node of reached)
        for (const { to, isFixed } of (!others.has(node) && near.get(node)) || []) if (through(isFixed)) reached.add(to);
      return reached;
    };
    if ([...reachedFrom((isFixed) => isFixed)].some((node) => others.has(node))) {
      bridged.add(dimmer.id);
      continue;
    }
    for (const node of reachedFrom(() => true)) for (const part of drawsAt.get(node) ?? []) dimmerOf.set(part.device.id, dimmer);
  }
}

/** What a load behind a dimmer at nothing draws. */
const IDLE = leaky(standbyLaw(0), LEAK_OHM);

/** The value of a live part in a state, dimming counted in. */
export function valueOf({ dimmerOf, bridged }: CompiledDesign, { device, value }: LivePart, state: ControlState): LiveValue {
  const plain = value(stateOf(state, device));
  if ('duty' in plain && bridged.has(device.id)) return { ...plain, duty: 1 };
  const dimmer = 'law' in plain ? dimmerOf.get(device.id) : undefined;
  if (!dimmer || !('law' in plain)) return plain;
  const share = dimmerPercent(dimmer, stateOf(state, dimmer)) / 100;
  return { law: share >= 1 ? plain.law : share < 0.005 ? IDLE : pulsed(plain.law, share) };
}

/** Ties every part of the net that nothing joins to the reference to it through insulation, and notes its terminals. */
function holdAdrift(compiled: CompiledDesign, net: NetlistBuilder): void {
  const { netlist } = compiled;
  const near: number[][] = netlist.nodes.map(() => []);
  for (const { a, b } of netlist.elements) {
    near[a]!.push(b);
    near[b]!.push(a);
  }
  const seen = new Uint8Array(netlist.nodes.length);
  const grow = (first: number) => {
    const island = [first];
    seen[first] = 1;
    for (const node of island) {
      for (const next of near[node]!) {
        if (seen[next]) continue;
        seen[next] = 1;
        island.push(next);
      }
    }
    return island;
  };
  grow(netlist.reference);
  for (let node = 0; node < netlist.nodes.length; node++) {
    if (seen[node]) continue;
    const island = grow(node);
    net.add({ kind: 'resistor', name: `insulation of ${netlist.nodes[node]!}`, a: node, b: netlist.reference, ohm: INSULATION_OHM });
    for (const at of island) {
      const place = terminalOfNode(netlist.nodes[at]!);
      if (place) compiled.adrift.push(place);
    }
  }
}

/** The terminal a node is at; null inside a device. */
export function terminalOfNode(name: string): TerminalRef | null {
  const [deviceId, terminal] = name.split('/') as [string, string];
  return terminal.startsWith('#') ? null : { deviceId, terminal };
}
