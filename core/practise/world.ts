import { Bench, type Held } from '../bench/bench';
import type { Device, Load, TerminalRef } from '../design/schema';
import { asLaid, type LaidWire } from '../rig/layout';
import { isSameTerminal } from '../design/terminals';
import { INSULATION_OHM, type ControlValue } from '../devices/kind';
import type { Make } from '../devices/parts';
import { lampWire } from '../diagnosis/blows';
import { chafeId, withFlaw, type Flaw } from '../diagnosis/flaws';
import { broughtTo, doing, type Moved, type Seen } from '../diagnosis/foresee';
import { inletOf, type DesignIndex } from '../rig/designIndex';
import type { WireEnd } from './hunt';

/** Everything of a board that differs from its plan: what is wrong with it, and what was done to it since. */
export interface Tampered {
  flaws: readonly Flaw[];
  lifted: readonly WireEnd[];
  /** Ratings in holders that are not those planned, A. */
  fittedA: ReadonlyMap<string, number>;
  bridge: { from: TerminalRef; to: TerminalRef } | null;
  /** The fuse in whose place there is a lamp. */
  lampAt: string | null;
  isIsolated: boolean;
}

/** A board as it stands, and the controls that faults hold whatever a hand does. */
export interface Standing {
  index: DesignIndex;
  held: Held;
}

/** The fuse in the lead that terminals are bridged with. */
export const BRIDGE_FUSE = 'bridge-fuse';
const BRIDGE_A = 10;
const OWN_LEADS: readonly string[] = ['bridge-from', 'bridge-to'];

/** The terminal an end of a wire has become that was taken off: it can be metered like any other. */
export const looseEnd = ({ wireId, end }: WireEnd): TerminalRef => ({ deviceId: `loose-${wireId}-${end}`, terminal: 'joint' });

/** Puts together what a meter would find. */
export function standing(plan: DesignIndex, { flaws, lifted, fittedA, bridge, lampAt, isIsolated }: Tampered): Standing {
  let index = plan;
  const held = new Map<string, Readonly<Record<string, ControlValue>>>();
  for (const flaw of flaws) {
    const flawed = withFlaw(index, asFound(flaw));
    index = flawed.index;
    for (const [id, controls] of flawed.held) held.set(id, { ...held.get(id), ...controls });
  }
  const devices = new Map(index.devices);
  for (const [id, ratingA] of fittedA) {
    const fuse = devices.get(id);
    if (fuse?.kind === 'protection') devices.set(id, { ...fuse, ratingA });
  }
  let wires = index.wires;
  for (const end of lifted) {
    const loose = looseEnd(end);
    devices.set(loose.deviceId, part({ kind: 'splice' }, loose.deviceId));
    const worn = flaws.some((flaw) => flaw.kind === 'chafed' && flaw.wireId === end.wireId && flaw.end === end.end);
    wires = wires.map((wire) => {
      if (wire.id === end.wireId) return { ...wire, [end.end]: loose };
      // Where it is worn it goes on touching the body.
      return worn && wire.id === chafeId(end.wireId) ? { ...wire, from: loose } : wire;
    });
  }
  if (bridge) {
    devices.set(BRIDGE_FUSE, part({ kind: 'protection', family: 'blade', ratingA: BRIDGE_A, mount: null }, BRIDGE_FUSE));
    wires = [...wires, lead(OWN_LEADS[0]!, bridge.from, 'in'), lead(OWN_LEADS[1]!, bridge.to, 'out')];
  }
  const lamp = lampEnds(plan, lampAt);
  if (lamp) wires = [...wires, lampWire(plan.settings, lamp.from, lamp.to)];
  if (isIsolated) wires = wires.filter(({ from, to }) => ![from, to].some((end) => isBatteryMinus(devices, end)));
  return { index: { ...index, devices, wires, loads: index.loads.map(({ id }) => devices.get(id) as Load) }, held };
}

/** What a lamp in a fuse's place joins. */
export function lampEnds(plan: DesignIndex, lampAt: string | null): { from: TerminalRef; to: TerminalRef } | null {
  const fuse = lampAt === null ? undefined : plan.devices.get(lampAt);
  const from = fuse?.kind === 'protection' ? inletOf(plan, fuse) : null;
  return from && { from, to: { deviceId: fuse!.id, terminal: 'out' } };
}

/** A wire that is broken still lies where it lay, with both its ends: what it does not do is carry. */
const asFound = (flaw: Flaw): Flaw => (flaw.kind === 'openWire' ? { kind: 'highJoint', wireId: flaw.wireId, ohm: INSULATION_OHM } : flaw);

export const isBatteryMinus = (devices: ReadonlyMap<string, Device>, { deviceId, terminal }: TerminalRef) =>
  terminal === 'minus' && devices.get(deviceId)?.kind === 'battery';

/** Volts from which a point is live. */
const LIVE_V = 0.5;

/** Whether there is voltage between a terminal and anything that comes home to the battery's minus, its lead off or on. */
export function isLiveAt({ devices, wires }: DesignIndex, bench: Bench, at: TerminalRef): boolean {
  return wires.some(({ from, to }) => {
    const home = isBatteryMinus(devices, from) ? to : isBatteryMinus(devices, to) ? from : null;
    return home !== null && Math.abs(bench.volts(at, home) ?? 0) > LIVE_V;
  });
}

/** Whether the battery feeds anything while its minus lead is on: no isolator is off. */
export function isFed({ battery, devices }: DesignIndex, bench: Bench): boolean {
  const isOff = ({ kind, id }: Device) => kind === 'isolator' && bench.position(id, 'position') === 'off';
  return battery !== null && !Array.from(devices.values()).some(isOff);
}

/** A loose end is reached where its wire was. */
export function plannedTerminal({ wires }: DesignIndex, at: TerminalRef): TerminalRef {
  for (const wire of wires)
    for (const end of ['from', 'to'] as const) if (isSameTerminal(looseEnd({ wireId: wire.id, end }), at)) return wire[end];
  return at;
}

/** A part that is on the board and in no design. */
export function part(own: Make, id: string): Device {
  return { ...own, id, type: 'device', name: id, zoneId: null } as Device;
}

function lead(id: string, from: TerminalRef, terminal: 'in' | 'out'): LaidWire {
  return shortWire(id, from, { deviceId: BRIDGE_FUSE, terminal });
}

/** Whether a wire is half of the lead that somebody bridged terminals with. */
export const isOwnLead = (wireId: string) => OWN_LEADS.includes(wireId);

/** Half a metre of what test leads are made of. */
export function shortWire(id: string, from: TerminalRef, to: TerminalRef): LaidWire {
  return asLaid({ id, type: 'wire', role: 'supply', from, to, lengthMm: 500, lengthMeasured: true, conductor: 'mm2:2.5' });
}

/** What loads would be seen to do with other controls moved, from rest. */
export function seenAfter({ index, held }: Standing, moved: readonly Moved[], loadIds: readonly string[]): Seen[] {
  const levels = broughtTo(Bench.longStanding(index), moved, held).levels();
  return loadIds.map((loadId) => ({ loadId, does: doing(levels[index.loads.findIndex(({ id }) => id === loadId)] ?? 0) }));
}
