import type { Held } from '../bench/bench';
import { cableOhmPerM } from '../catalog/cable';
import type { Device, TerminalRef, Wire } from '../design/schema';
import { asLaid, type LaidWire } from '../rig/layout';
import { landsOn } from '../design/terminals';
import type { ControlValue } from '../devices/kind';
import { kindOf } from '../devices';
import { CHASSIS } from '../devices/groundPoint';
import type { DesignIndex } from '../rig/designIndex';

/** One thing that may be wrong with what is built. */
export type Flaw =
  /** A wire broken, or off its terminal. */
  | { kind: 'openWire'; wireId: string }
  /** A joint, crimp or bolt of a wire that has become a resistance, ohm. */
  | { kind: 'highJoint'; wireId: string; ohm: number }
  | { kind: 'blownFuse'; fuseId: string }
  | { kind: 'deadLoad'; loadId: string }
  /** A contact that never makes, or never opens. */
  | { kind: 'openContact'; deviceId: string }
  | { kind: 'stuckContact'; deviceId: string }
  | { kind: 'openCoil'; deviceId: string }
  /** A dimmer that gives all or nothing. */
  | { kind: 'dudDimmer'; deviceId: string; gives: 'full' | 'none' }
  /** Two wires on each other's terminals. */
  | { kind: 'swapped'; wireIds: readonly [string, string] }
  /** One end of a wire on another terminal than the plan has it on. */
  | { kind: 'misplaced'; wireId: string; end: 'from' | 'to'; on: TerminalRef }
  /** Two terminals joined that the plan keeps apart: a wire too many, a bare place that touches, a strand across. */
  | { kind: 'bridged'; from: TerminalRef; to: TerminalRef }
  /** A wire worn through, its copper on the body, near one of its ends. */
  | { kind: 'chafed'; wireId: string; end: 'from' | 'to' }
  /** All as it should be. */
  | { kind: 'none' };

export type FlawKind = Flaw['kind'];

/**
 * How common each is, and the minutes a look at it takes. Shares: handbook's table of what is found wrong, from memory of the trade (ground
 * and return joints 20 %, joints on the plus side 18, fuses 12, devices 12, switches and relays 8, wires 6, miswired new work 2); replaced
 * by one's own log in time.
 */
const SHARES: Record<FlawKind, number> = {
  highJoint: 0.3,
  openWire: 0.14,
  blownFuse: 0.12,
  deadLoad: 0.12,
  openContact: 0.06,
  stuckContact: 0.02,
  openCoil: 0.02,
  dudDimmer: 0.04,
  swapped: 0.04,
  misplaced: 0.02,
  bridged: 0.02,
  chafed: 0.02,
  none: 0.02,
};

/**
 * A joint's resistance is not known beforehand: what is tried, as shares of the nominal voltage at the circuit's current; what lies between
 * is read off between them.
 */
const JOINT_SHARES = [0.01, 0.025, 0.05, 0.1, 0.17, 0.25, 0.35, 0.5, 0.7, 1, 1.6, 3, 8, 30];
/**
 * From the last of them on by so much at a time, up to what passes next to nothing in any circuit: on a main cable thirty times the voltage
 * at its current is but a few ohm.
 */
const JOINT_STEP = 2.5;
const MOST_JOINT_OHM = 150;

/** Resistances a joint may have that are tried, ohm. @param wholeOhm nominal voltage over the circuit's current */
export function jointOhms(wholeOhm: number): number[] {
  const tried = JOINT_SHARES.map((share) => share * wholeOhm);
  for (let ohm = tried.at(-1)! * JOINT_STEP; ohm < MOST_JOINT_OHM * JOINT_STEP; ohm *= JOINT_STEP) tried.push(ohm);
  return tried;
}

/** A flaw with how likely it is before anything is seen. */
export interface Suspect {
  flaw: Flaw;
  prior: number;
}

/**
 * Everything that may be wrong in a part of a design, one at a time; a joint of each wire once, its resistance not known.
 * @param also suspected beside what is suspected everywhere: work that is new may be wired other than planned
 */
export function suspectsIn(index: DesignIndex, also: readonly Flaw[] = []): Suspect[] {
  const flaws: Flaw[] = [{ kind: 'none' }, ...also];
  for (const wire of index.wires) {
    flaws.push({ kind: 'openWire', wireId: wire.id });
    flaws.push({ kind: 'highJoint', wireId: wire.id, ohm: 0 });
  }
  for (const device of index.devices.values()) flaws.push(...flawsOf(device, index));
  const counts = new Map<FlawKind, number>();
  for (const { kind } of flaws) counts.set(kind, (counts.get(kind) ?? 0) + 1);
  const whole = Array.from(counts.keys()).reduce((sum, kind) => sum + SHARES[kind], 0);
  return flaws.map((flaw) => ({ flaw, prior: SHARES[flaw.kind] / counts.get(flaw.kind)! / whole }));
}

function flawsOf(device: Device, index: DesignIndex): Flaw[] {
  const deviceId = device.id;
  switch (device.kind) {
    case 'protection':
      return [{ kind: 'blownFuse', fuseId: deviceId }];
    case 'load':
      return [{ kind: 'deadLoad', loadId: deviceId }];
    case 'relay':
      return [{ kind: 'openContact', deviceId }, { kind: 'stuckContact', deviceId }, { kind: 'openCoil', deviceId }]; // prettier-ignore
    case 'dimmer':
      return [{ kind: 'dudDimmer', deviceId, gives: 'full' }, { kind: 'dudDimmer', deviceId, gives: 'none' }]; // prettier-ignore
    case 'isolator':
    case 'doorSwitch':
      return [{ kind: 'openContact', deviceId }, { kind: 'stuckContact', deviceId }]; // prettier-ignore
    case 'switch': {
      const swapped = swappable(device, index.wires);
      const contact: Flaw[] = held(device, 'open') ? [{ kind: 'openContact', deviceId }] : [];
      return [...contact, ...(held(device, 'made') ? [{ kind: 'stuckContact' as const, deviceId }] : []), ...swapped];
    }
    case 'microSwitch':
      return swappable(device, index.wires);
    default:
      return [];
  }
}

/** Wires that land on two throws of one contact, where each could be on the other's. */
function swappable(device: Device, wires: readonly Wire[]): Flaw[] {
  const throws = device.kind === 'microSwitch' ? ['normallyOpen', 'normallyClosed'] : ['up', 'down'];
  const [one, other] = throws.map((terminal) =>
    wires.find(({ from, to }) => [from, to].some((end) => end.deviceId === device.id && end.terminal === terminal)),
  );
  return one && other ? [{ kind: 'swapped', wireIds: [one.id, other.id] }] : [];
}

/** A device as it is held by a flaw, and what its controls are held at; null where it cannot be held so. */
function held(device: Device, how: 'open' | 'made'): { device: Device; controls: Record<string, ControlValue> } | null {
  switch (device.kind) {
    case 'isolator':
      return { device, controls: { position: how === 'open' ? 'off' : 'on' } };
    case 'doorSwitch':
      return { device, controls: { door: how === 'open' ? 'shut' : 'open' } };
    case 'switch': {
      const { form = 'single' } = device;
      if (form === 'single' || form === 'doublePole') return { device, controls: { position: how === 'open' ? 'off' : 'on' } };
      // A changeover that makes neither is one with a middle, held there; which of its throws sticks is not asked.
      if (how === 'open' && (form === 'changeover' || form === 'changeoverOff'))
        return { device: { ...device, form: 'changeoverOff' }, controls: { position: 'off' } };
      return null;
    }
    default:
      return null;
  }
}

/** A design with a flaw in it, and the controls that are held by it whatever a hand does. */
export interface Flawed {
  index: DesignIndex;
  held: Held;
}

export const NOTHING_HELD: Held = new Map();
/** Volts no coil ever has. */
const NEVER_V = 1e9;
const ALWAYS_V = -1;
/** What an open contact of a relay insulates with, milliohm. */
const OPEN_MILLIOHM = 1e13;

/** Puts a flaw into a design. */
export function withFlaw(index: DesignIndex, flaw: Flaw): Flawed {
  switch (flaw.kind) {
    case 'none':
      return { index, held: NOTHING_HELD };
    case 'openWire':
      return { index: { ...index, wires: index.wires.filter(({ id }) => id !== flaw.wireId) }, held: NOTHING_HELD };
    case 'highJoint': {
      const { conductorStandard, conductorTemperatureC } = index.settings;
      const longer = (wire: LaidWire): LaidWire => {
        // A resistance in its run is so much more of the same cable.
        const moreMm = (flaw.ohm / cableOhmPerM(wire.conductor, conductorStandard, conductorTemperatureC)) * 1000;
        return { ...wire, lengthMm: wire.lengthMm + moreMm };
      };
      return { index: { ...index, wires: index.wires.map((wire) => (wire.id === flaw.wireId ? longer(wire) : wire)) }, held: NOTHING_HELD };
    }
    case 'blownFuse':
      return { index, held: new Map([[flaw.fuseId, { fitted: false }]]) };
    case 'deadLoad':
      return replaced(index, flaw.loadId, (device) =>
        device.kind === 'load'
          ? { ...device, rated: { kind: 'amps', amps: 0, atV: device.rated.atV }, measured: null, standbyA: 0 }
          : device,
      );
    case 'openCoil':
      return replaced(index, flaw.deviceId, (device) => (device.kind === 'relay' ? { ...device, coilOhm: 1e9, pullInV: NEVER_V } : device));
    case 'dudDimmer':
      return { index, held: new Map([[flaw.deviceId, { levelPercent: flaw.gives === 'full' ? 100 : 0 }]]) };
    case 'openContact':
    case 'stuckContact': {
      const device = index.devices.get(flaw.deviceId);
      if (device?.kind === 'relay')
        return replaced(index, device.id, () =>
          flaw.kind === 'openContact'
            ? { ...device, contactMilliohm: OPEN_MILLIOHM }
            : { ...device, latching: false, pullInV: ALWAYS_V, dropOutV: ALWAYS_V },
        );
      const how = device && held(device, flaw.kind === 'openContact' ? 'open' : 'made');
      return how ? { index: replaced(index, how.device.id, () => how.device).index, held: new Map([[how.device.id, how.controls]]) } : { index, held: NOTHING_HELD }; // prettier-ignore
    }
    case 'swapped': {
      const [one, other] = flaw.wireIds.map((id) => index.wires.find((wire) => wire.id === id)!);
      return { index: { ...index, wires: exchanged(index.wires, one!, other!) }, held: NOTHING_HELD };
    }
    case 'misplaced': {
      const wires = index.wires.map((wire) => (wire.id === flaw.wireId ? { ...wire, [flaw.end]: flaw.on } : wire));
      return { index: { ...index, wires }, held: NOTHING_HELD };
    }
    case 'bridged':
      return { index: { ...index, wires: [...index.wires, bridging(flaw)] }, held: NOTHING_HELD };
    case 'chafed': {
      const wire = index.wires.find(({ id }) => id === flaw.wireId);
      const body = bodyOf(index);
      if (!wire || !body) return { index, held: NOTHING_HELD };
      const touching = { ...bridging({ kind: 'bridged', from: wire[flaw.end], to: body }), id: chafeId(flaw.wireId) };
      return { index: { ...index, wires: [...index.wires, touching] }, held: NOTHING_HELD };
    }
  }
}

/** Puts several flaws into a design, one after the other. */
export function withFlaws(index: DesignIndex, flaws: readonly Flaw[]): Flawed {
  const held = new Map<string, Record<string, ControlValue>>();
  const flawed = flaws.reduce((now, flaw) => {
    const next = withFlaw(now, flaw);
    for (const [id, controls] of next.held) held.set(id, { ...held.get(id), ...controls });
    return next.index;
  }, index);
  return { index: flawed, held };
}

/** What a worn wire touches the body by, as a wire of its own. */
export const chafeId = (wireId: string) => `${wireId} worn`;

/** What stands for the body: the chassis where something is bolted to it, else the far end of the battery's minus lead. */
export function bodyOf(index: DesignIndex): TerminalRef | null {
  return Array.from(index.devices.values()).some(({ kind }) => kind === 'groundPoint') ? CHASSIS : homeBar(index);
}

/** The far end of the battery's minus lead; null where it has none. */
export function homeBar({ battery, wires }: DesignIndex): TerminalRef | null {
  const home = battery && wires.find((wire) => landsOn(wire, { deviceId: battery.id, terminal: 'minus' }));
  return home ? (home.from.deviceId === battery.id ? home.to : home.from) : null;
}

/** The wire that two terminals are joined by: short, and thick enough to count as none. */
function bridging({ from, to }: Extract<Flaw, { kind: 'bridged' }>): LaidWire {
  const id = `${from.deviceId}.${from.terminal} ${to.deviceId}.${to.terminal}`;
  return asLaid({ id, type: 'wire', role: 'supply', from, to, lengthMm: 100, lengthMeasured: true, conductor: 'mm2:2.5' });
}

function replaced(index: DesignIndex, id: string, by: (device: Device) => Device): Flawed {
  const device = index.devices.get(id);
  if (!device) return { index, held: NOTHING_HELD };
  const now = by(device);
  const devices = new Map(index.devices).set(id, now);
  const loads = now.kind === 'load' ? index.loads.map((load) => (load.id === id ? now : load)) : index.loads;
  return { index: { ...index, devices, loads }, held: NOTHING_HELD };
}

/** Two wires with their ends on one device exchanged. */
function exchanged(wires: readonly LaidWire[], one: LaidWire, other: LaidWire): LaidWire[] {
  const shared = [one.from, one.to].map(({ deviceId }) => deviceId).find((id) => [other.from.deviceId, other.to.deviceId].includes(id));
  const endOf = (wire: Wire): 'from' | 'to' => (wire.from.deviceId === shared ? 'from' : 'to');
  const [mine, its] = [endOf(one), endOf(other)];
  return wires.map((wire) => {
    if (wire === one) return { ...one, [mine]: other[its] };
    return wire === other ? { ...other, [its]: one[mine] } : wire;
  });
}

/** What a flaw is about. */
export function subjectsOf(flaw: Flaw): readonly string[] {
  switch (flaw.kind) {
    case 'none':
      return [];
    case 'openWire':
    case 'highJoint':
    case 'misplaced':
    case 'chafed':
      return [flaw.wireId];
    case 'bridged':
      return [flaw.from.deviceId, flaw.to.deviceId];
    case 'blownFuse':
      return [flaw.fuseId];
    case 'deadLoad':
      return [flaw.loadId];
    case 'swapped':
      return flaw.wireIds;
    default:
      return [flaw.deviceId];
  }
}

/** Flaws that are one to whoever repairs it: a wire and its joints are looked at together, however bad they are. */
export function sameRepair(flaw: Flaw): string {
  if (flaw.kind === 'openWire' || flaw.kind === 'highJoint') return `wire ${flaw.wireId}`;
  if (flaw.kind === 'misplaced') return `${flaw.kind} ${flaw.wireId} ${flaw.end} ${flaw.on.deviceId} ${flaw.on.terminal}`;
  if (flaw.kind === 'bridged') return `${flaw.kind} ${bridging(flaw).id}`;
  if (flaw.kind === 'dudDimmer') return `${flaw.kind} ${flaw.deviceId}`;
  return `${flaw.kind} ${subjectsOf(flaw).join(' ')}`;
}

/** Terminals a lead of a meter reaches in a part of a design. */
export function probePoints({ devices, wires }: DesignIndex): { deviceId: string; terminal: string }[] {
  const landed = new Set(wires.flatMap(({ from, to }) => [`${from.deviceId}/${from.terminal}`, `${to.deviceId}/${to.terminal}`]));
  return Array.from(devices.values()).flatMap((device) =>
    kindOf(device)
      .terminals(device)
      .filter((terminal) => landed.has(`${device.id}/${terminal}`) || device.kind === 'protection' || device.kind === 'fuseBlock')
      .map((terminal) => ({ deviceId: device.id, terminal })),
  );
}
