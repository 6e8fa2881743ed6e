import type { RecordFields } from '../../design/change';
import { areaMm2, type ConductorSize } from '../../catalog/conductorSizes';
import { goesByGauge } from '../../catalog/vocabulary';
import { deviceOf, devicesOfKind, recordOf, recordsOf, settingsOf, type Design } from '../../design/design';
import type { Edit } from '../../design/edit';
import { newId } from '../../design/ids';
import { isSameTerminal } from '../../design/terminals';
import type { Circuit, Device, Load, TerminalRef, Wire } from '../../design/schema';
import { landingOf } from '../../devices/load';
import { PARTS } from '../../devices/parts';
import { heardBy } from '../../devices/ruleHub';
import type { VehicleSignal } from '../../devices/signalSource';
import { terminalKey } from '../../network/wiring';
import { ampacity } from '../../sizing/ampacity';
import { mechanicalMinimumMm2, sizesLike } from '../../sizing/conductorChoice';
import { trace } from '../partsByHand';
import { homeward } from '../returns';
import { addWire, wiresAt } from '../wires';
import { hasRule } from './spare';
import { namesOf } from './straighten';

/** A part in a run: what the current comes in by and goes out by. */
export type Through = readonly [device: string, comesIn: string, goesOut: string];

/** What is taken over from a switch that was there before; a name only where somebody gave it one. */
export type KeptSwitch = Pick<Device, 'zoneId' | 'placeId'> & { name: string | null };

/** Inside a panel, mm: from a switch to its own pilot lamp. Common practice. */
const LINK_MM = 50;
const NAME_LENGTH = 80;

/** Wires that a new one may come to lie with, where nobody knows yet. */
const LAID_WITH = 4;

/** The wire that parts are put into, from where to where. */
interface Run {
  name: string;
  source: TerminalRef;
  sink: TerminalRef;
  feed: Wire;
  home: Wire | null;
  fuseA: number | null;
}

/**
 * Wires a way to switch a load that hangs straight on its fuse. What carries the load is as thick as its run; what works a coil or feeds a
 * radio is as thin as the fuse that guards both allows, since a run is often thick for its drop alone.
 */
export class WayBuilder {
  /** Where the run to the load begins: its fuse, a joint, a load ahead of it. */
  readonly source: TerminalRef;
  /** What its parts are named after. */
  readonly name: string;
  private readonly sink: TerminalRef;
  private readonly feed: Wire;
  private readonly home: Wire | null;
  /** What the fuse allows for what carries next to nothing. */
  private readonly thin: ConductorSize;

  private constructor(
    readonly edit: Edit,
    private readonly load: Load,
    private readonly zoneId: string | null,
    run: Run,
    /** Name and place of a switch that was there before. */
    private kept: KeptSwitch | null,
  ) {
    this.source = run.source;
    this.feed = run.feed;
    this.home = run.home;
    this.sink = run.sink;
    this.name = run.name;
    this.thin = thinnestBehind(edit.design, run.feed, run.fuseA, [
      zoneId,
      recordOf(edit.design, run.source.deviceId, 'device')?.zoneId ?? null,
    ]);
  }

  /** Null for a load that no wire feeds. */
  static at(edit: Edit, load: Load, kept: KeptSwitch | null): WayBuilder | null {
    const { index, wiring } = trace(edit.design);
    const { deviceId, terminal } = landingOf(load, 'plus');
    const node = wiring.supply.nodes[wiring.supply.at.get(terminalKey(deviceId, terminal)) ?? -1];
    const before = node && wiring.supply.nodes[node.parent];
    const feed = node?.wire && (index.wires.find(({ id }) => id === node.wire!.id) ?? null);
    if (!before || !feed) return null;
    const minus = landingOf(load, 'minus');
    const homeNode = wiring.return.nodes[wiring.return.at.get(terminalKey(minus.deviceId, minus.terminal)) ?? -1];
    const source = { deviceId: before.deviceId, terminal: before.terminal };
    const zoneId = index.circuits.find(({ id }) => id === node.circuitId)?.zoneId ?? load.zoneId;
    const fuse = node.protectionId === null ? null : deviceOf(edit.design, node.protectionId, 'protection');
    const run = { name: load.name, source, feed, sink: { deviceId, terminal }, home: homeNode?.wire ?? null, fuseA: fuse?.ratingA ?? null };
    return new WayBuilder(edit, load, zoneId, run, kept);
  }

  /** The same for all that hangs on a load's fuse, at that fuse. Null where no wire or several leave it. */
  static atCircuit(edit: Edit, load: Load, kept: KeptSwitch | null): WayBuilder | null {
    const circuit = circuitWith(edit.design, load)?.circuit;
    const fuse = circuit && deviceOf(edit.design, circuit.protectionId, 'protection');
    const leaving = fuse ? wiresAt(edit.design, fuse.id, 'out') : [];
    const [feed] = leaving;
    if (!circuit || !fuse || !feed || leaving.length > 1) return null;
    const source = end(fuse.id, 'out');
    const sink = feed.from.deviceId === fuse.id ? feed.to : feed.from;
    return new WayBuilder(
      edit,
      load,
      circuit.zoneId ?? load.zoneId,
      { name: circuit.name, source, feed, sink, home: null, fuseA: fuse.ratingA },
      kept,
    );
  }

  get design(): Design {
    return this.edit.design;
  }

  /** Adds a part named after what it is for; the first takes name and place of the switch that was there. */
  part(partId: string, name: string, more: RecordFields = {}): string {
    const taken = namesOf(this.design);
    const wanted = (this.kept?.name ?? name).slice(0, NAME_LENGTH - 4);
    const free = Array.from({ length: 99 }, (_, at) => (at === 0 ? wanted : `${wanted} ${at + 1}`)).find((one) => !taken.has(one));
    const base = { id: newId('part'), type: 'device' as const, name: free ?? wanted, zoneId: this.kept?.zoneId ?? this.zoneId };
    const place = this.kept?.placeId ? { placeId: this.kept.placeId } : {};
    this.kept = null;
    return this.edit.add({
      ...base,
      ...place,
      ...PARTS.find(({ id }) => id === partId)!.make(settingsOf(this.design).nominalV),
      ...more,
    } as Device).id;
  }

  /** Leads the run through parts, its length shared evenly. */
  through(...parts: readonly Through[]): void {
    this.lead(this.feed, this.sink, 'supply', this.source, parts);
  }

  /** Leads the way home through parts. False where the load has no way home of its own. */
  homeThrough(...parts: readonly Through[]): boolean {
    if (!this.home) return false;
    const minus = landingOf(this.load, 'minus');
    const away = isSameTerminal(this.home.from, minus) ? this.home.to : this.home.from;
    this.lead(this.home, away, 'return', minus, parts);
    return true;
  }

  private lead(run: Wire, far: TerminalRef, role: Wire['role'], near: TerminalRef, parts: readonly Through[]): void {
    const share = Math.round(run.lengthMm / (parts.length + 1));
    const [first, ...others] = parts;
    if (!first) return;
    this.edit.set(run, {
      [isSameTerminal(run.from, near) ? 'to' : 'from']: end(first[0], first[1]),
      lengthMm: share,
      via: run.via && null,
    });
    let from = end(first[0], first[2]);
    for (const [deviceId, comesIn, goesOut] of others) {
      this.like(run, role, from, end(deviceId, comesIn), share);
      from = end(deviceId, goesOut);
    }
    this.like(run, role, from, far, run.lengthMm - share * parts.length);
  }

  private like(run: Wire, role: Wire['role'], from: TerminalRef, to: TerminalRef, lengthMm: number): void {
    const wire = addWire(this.edit, role, from, to, lengthMm, run.conductor);
    if (run.lengthMeasured) this.edit.set(wire, { lengthMeasured: true });
  }

  /** A wire that carries the load. */
  wire(from: TerminalRef, to: TerminalRef, lengthMm = this.feed.lengthMm / 2): void {
    addWire(this.edit, 'supply', from, to, Math.round(lengthMm), this.feed.conductor);
  }

  /** A wire fed by the load's own fuse that works a coil, or feeds a radio or a dimmer's own works. */
  control(from: TerminalRef, to: TerminalRef): void {
    addWire(this.edit, 'supply', from, to, Math.round(this.feed.lengthMm / 2), this.thin);
  }

  /** The same on the way home. */
  controlBack(from: TerminalRef, to: TerminalRef): void {
    addWire(this.edit, 'return', from, to, Math.round(this.feed.lengthMm / 2), this.thin);
  }

  /** Feeds another load from a terminal, in place of what feeds it if anything does; one without a way home gets one. */
  feedOther(otherId: string, from: TerminalRef): boolean {
    const { wiring } = trace(this.design);
    const other = deviceOf(this.design, otherId, 'load');
    const to = other && landingOf(other, 'plus');
    const node = to && wiring.supply.nodes[wiring.supply.at.get(terminalKey(to.deviceId, to.terminal)) ?? -1];
    if (!to) return false;
    if (!node?.wire) {
      this.wire(from, to);
      const minus = landingOf(other, 'minus');
      if (!wiring.return.at.has(terminalKey(minus.deviceId, minus.terminal)))
        this.toReturn(minus.deviceId, minus.terminal, this.feed.conductor);
      return true;
    }
    this.edit.set(node.wire.id, { [isSameTerminal(node.wire.to, to) ? 'from' : 'to']: from, conductor: this.feed.conductor });
    return true;
  }

  /**
   * Hangs the load on a terminal in place of its own fuse, by a wire as thick as any that leads to that part or from it and carries a load.
   */
  hangOn(at: TerminalRef): true {
    const there = recordsOf(this.design, 'wire').filter(
      ({ role, from, to }) => role === 'supply' && [from, to].some(({ deviceId }) => deviceId === at.deviceId),
    );
    const conductor = [this.feed, ...there]
      .map((wire) => wire.conductor)
      .reduce((most, one) => (areaMm2(one) > areaMm2(most) ? one : most));
    this.edit.set(this.feed, { [isSameTerminal(this.feed.from, this.source) ? 'from' : 'to']: at, conductor, via: this.feed.via && null });
    return true;
  }

  /**
   * Leads the way home to a terminal in place of the return it goes to, that part's own way home as thick as any that ends there. False
   * where the load has none of its own.
   */
  homeOn(at: TerminalRef): boolean {
    if (!this.home) return false;
    const minus = landingOf(this.load, 'minus');
    this.edit.set(this.home, { [isSameTerminal(this.home.from, minus) ? 'to' : 'from']: at, via: this.home.via && null });
    for (const wire of wiresAt(this.design, at.deviceId, 'minus'))
      if (areaMm2(wire.conductor) < areaMm2(this.home.conductor)) this.edit.set(wire, { conductor: this.home.conductor });
    return true;
  }

  /**
   * Has a hub put an output on with a signal of the vehicle: by an input that has it already, by what the hub hears on the vehicle's data
   * line if it listens there, else by a free input. An output that has rules keeps them. False where no input is left.
   */
  ruled({ deviceId, terminal }: TerminalRef, signal: VehicleSignal): boolean {
    const hub = deviceOf(this.design, deviceId, 'ruleHub');
    if (!hub) return false;
    if (hasRule(hub, terminal)) return true;
    const inputs = Array.from({ length: hub.inputs }, (_, at) => at + 1);
    const endsAt = (input: number) =>
      wiresAt(this.design, hub.id, `in${input}`).map(({ from, to }) => (from.deviceId === hub.id ? to : from));
    const hasIt = (far: TerminalRef) => far.terminal === signal && deviceOf(this.design, far.deviceId, 'signalSource') !== null;
    const hearing = inputs.find((input) => endsAt(input).some(hasIt));
    const hears = heardBy(hub).length > 0;
    const free = inputs.find((input) => endsAt(input).length === 0);
    if (hearing === undefined && !hears && free === undefined) return false;
    if (hearing === undefined && !hears) this.trigger(signal, end(hub.id, `in${free}`));
    const by = hearing ?? (hears ? null : free!);
    const when = by === null ? { all: [], heard: [signal] } : { all: [by] };
    this.edit.set(hub, { rules: [...hub.rules, { output: Number(terminal.slice(3)), none: [], block: false, ...when }] });
    return true;
  }

  /** A short link within a panel, to a pilot lamp or between controls. */
  link(from: TerminalRef, to: TerminalRef, conductor = this.thin): void {
    const link = addWire(this.edit, 'supply', from, to, LINK_MM, conductor);
    this.edit.set(link, { lengthMeasured: true });
  }

  /** A short link that carries the load. */
  loadLink(from: TerminalRef, to: TerminalRef): void {
    this.link(from, to, this.feed.conductor);
  }

  /** A terminal to the nearest return bar. */
  toReturn(deviceId: string, terminal: string, conductor = this.thin): void {
    const back = homeward(this.edit, deviceId);
    addWire(this.edit, 'return', end(deviceId, terminal), back, Math.max(500, Math.round(this.feed.lengthMm / 2)), conductor);
  }

  /**
   * A wire of the vehicle that is live with a signal, led to a terminal: from what the design has of the vehicle's signals already, else
   * from a new set of them.
   */
  trigger(signal: VehicleSignal, to: TerminalRef): void {
    const sources = devicesOfKind(this.design, 'signalSource');
    const fitting = sources.find(({ signals }) => signals.includes(signal)) ?? sources[0];
    const source = fitting?.id ?? this.signalSource(signal);
    // Nothing comes back to the vehicle where its ground is not joined to ours.
    if (wiresAt(this.design, source, 'minus').length === 0) this.toReturn(source, 'minus');
    if (fitting && !fitting.signals.includes(signal)) this.edit.set(fitting, { signals: [...fitting.signals, signal] });
    const thin = goesByGauge(settingsOf(this.design).conductorStandard) ? 'awg:16' : 'mm2:1';
    addWire(this.edit, 'supply', end(source, signal), to, Math.max(1000, Math.round(this.feed.lengthMm)), thin);
  }

  private signalSource(signal: VehicleSignal): string {
    const kept = this.kept;
    this.kept = null;
    const id = this.part('signals', 'Vehicle signals', { signals: [signal], zoneId: null });
    this.kept = kept;
    return id;
  }
}

/** The circuit a load hangs on, and all loads on it. */
export function circuitWith(design: Design, load: Load): { circuit: Circuit; loads: Load[] } | null {
  const { index, wiring } = trace(design);
  const circuitIdOf = (one: Load) => {
    const { deviceId, terminal } = landingOf(one, 'plus');
    return wiring.supply.nodes[wiring.supply.at.get(terminalKey(deviceId, terminal)) ?? -1]?.circuitId ?? null;
  };
  const circuit = index.circuits.find(({ id }) => id === circuitIdOf(load));
  return circuit ? { circuit, loads: index.loads.filter((one) => circuitIdOf(one) === circuit.id) } : null;
}

export const end = (deviceId: string, terminal: string): TerminalRef => ({ deviceId, terminal });

/**
 * The thinnest wire that a fuse guards, in the warmest air it meets and beside some others, and never thicker than the run; the run's own
 * where nothing guards it.
 */
function thinnestBehind(design: Design, { conductor }: Wire, fuseA: number | null, zoneIds: readonly (string | null)[]): ConductorSize {
  const { conductorStandard, insulationC, cableForm } = settingsOf(design);
  const zones = zoneIds.flatMap((id) => (id === null ? [] : [recordOf(design, id, 'zone')])).filter((zone) => zone !== null);
  const conditions = {
    standard: conductorStandard,
    insulationC,
    ambientC: Math.max(30, ...zones.map(({ ambientC }) => ambientC)),
    engineSpace: zones.some(({ engineSpace }) => engineSpace),
    loaded: LAID_WITH,
  };
  const leastMm2 = mechanicalMinimumMm2(conductorStandard, cableForm);
  const fits = (size: ConductorSize) => areaMm2(size) >= leastMm2 && ampacity(size, conditions).amps >= fuseA!;
  const thinner = sizesLike(conductorStandard, conductor).filter((size) => areaMm2(size) < areaMm2(conductor));
  return (fuseA === null ? undefined : thinner.find(fits)) ?? conductor;
}
