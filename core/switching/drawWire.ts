import { isSameTerminal } from '../design/terminals';
import type { ConductorSize } from '../catalog/conductorSizes';
import type { Change } from '../design/change';
import { recordOf, recordsOf, type Design } from '../design/design';
import { Edit } from '../design/edit';
import type { Device, TerminalRef } from '../design/schema';
import { kindOf } from '../devices';
import { findFeeders, type Feeders } from '../network/feeders';
import { traceWiring } from '../network/traceWiring';
import { landedTerminals, terminalKey, type Wiring } from '../network/wiring';
import { Joined } from '../rig/joined';
import { indexDesign, type DesignIndex } from '../rig/designIndex';
import { addWire } from './wires';

/** Wires drawn by hand from terminal to terminal, with only sensible ends to choose from. */

export interface WireEnd extends TerminalRef {
  device: Device;
  /** What already lands on it: nothing, or the battery's plus or minus by some way. */
  side: 'supply' | 'return' | null;
}

/** Every terminal of a design, device by device. */
export function allEnds(design: Design): WireEnd[] {
  return new Ends(design).all;
}

/**
 * Where a wire from a terminal can sensibly go: never from the battery's plus to its minus, never beside a wire that is there already, and
 * never so that two ways lead from the battery to the same point, but where a changeover keeps them apart, or what they lead to is said to
 * be fed by two fuses. What nothing lands on yet comes first, then what is nearest in the vehicle.
 */
export function sensibleEnds(design: Design, from: TerminalRef): WireEnd[] {
  const ends = new Ends(design);
  const start = ends.at(from);
  if (!start) return [];
  return ends.all
    .filter((end) => ends.mayBeDrawn(start, end))
    .sort((a, b) => Number(a.side !== null) - Number(b.side !== null) || nearness(start, a) - nearness(start, b));
}

/**
 * Draws a wire. Its part is read from what its ends are on: coming home, or going out.
 * @returns null where the two ends do not go together
 */
export function drawWire(design: Design, from: TerminalRef, to: TerminalRef, lengthMm: number, conductor: ConductorSize): Change | null {
  const ends = new Ends(design);
  const [start, end] = [ends.at(from), ends.at(to)];
  if (!start || !end || !ends.mayBeDrawn(start, end)) return null;
  const edit = new Edit(design);
  const role = start.side === 'return' || end.side === 'return' ? 'return' : 'supply';
  // Drawn as its current goes: out from the battery, and home to it.
  const forward = role === 'supply' ? end.side !== 'supply' : start.side !== 'return';
  const [first, last] = forward ? [from, to] : [to, from];
  addWire(edit, role, ref(first), ref(last), lengthMm, conductor);
  return edit.change;
}

/** Takes a wire out; what hung on it hangs loose, and is said to. */
export function removeWire(design: Design, wireId: string): Change | null {
  const wire = recordOf(design, wireId, 'wire');
  return wire && { added: [], updated: [], removed: [wire] };
}

/** The terminals of a design, and which of them a wire may join. */
class Ends {
  readonly all: WireEnd[];
  private readonly index: DesignIndex;
  private readonly wiring: Wiring;
  private readonly landed: ReadonlySet<string>;
  /** Terminals that hang together, through no fuse, with a load that is said to be fed by two. */
  private readonly meantTwice: ReadonlySet<string>;
  /** Terminals that hang together, through no fuse, with a wire of the vehicle. */
  private readonly vehicleFed: ReadonlySet<string>;
  private feeders: Feeders | null = null;

  constructor(private readonly design: Design) {
    this.index = indexDesign(design);
    this.wiring = traceWiring(this.index);
    this.landed = landedTerminals(this.index.wires);
    const twice = this.index.loads.flatMap(({ id, fedTwice }) => (fedTwice ? [terminalKey(id, 'plus')] : []));
    const throughNoFuse = new Joined(this.index.devices, this.index.wires, ({ kind }) => kind !== 'protection');
    this.meantTwice = throughNoFuse.hangingOn(twice);
    this.all = recordsOf(design, 'device').flatMap((device) =>
      kindOf(device)
        .terminals(device)
        .map((terminal) => ({ deviceId: device.id, terminal, device, side: sideOf(this.wiring, device, terminal) })),
    );
    const ofVehicle = this.all.filter(
      ({ device: { kind }, terminal }) => (kind === 'signalSource' || kind === 'vehicleFeed') && terminal !== 'minus',
    );
    this.vehicleFed = throughNoFuse.hangingOn(ofVehicle.map(({ deviceId, terminal }) => terminalKey(deviceId, terminal)));
  }

  at(ref: TerminalRef): WireEnd | undefined {
    return this.all.find((end) => isSameTerminal(end, ref));
  }

  mayBeDrawn(start: WireEnd, end: WireEnd): boolean {
    if (isSameTerminal(start, end) || this.isJoined(start, end)) return false;
    return fits(start, end) || (this.mayMeet(start, end) && this.isSecondWay(start, end));
  }

  private isJoined(one: WireEnd, other: WireEnd): boolean {
    return this.index.wires.some(
      ({ from, to }) =>
        (isSameTerminal(from, one) && isSameTerminal(to, other)) || (isSameTerminal(to, one) && isSameTerminal(from, other)),
    );
  }

  /** Two points of the supply for which it is worth looking whether two ways may lead to them. */
  private mayMeet(start: WireEnd, end: WireEnd): boolean {
    if (start.side !== 'supply' || end.side !== 'supply' || end.deviceId === start.deviceId) return false;
    const [one, other] = [terminalKey(start.deviceId, start.terminal), terminalKey(end.deviceId, end.terminal)];
    // The house and the vehicle are never one supply.
    if (this.vehicleFed.has(one) !== this.vehicleFed.has(other)) return false;
    return this.meantTwice.has(one) || this.meantTwice.has(other) || (this.isFreeThrow(start) && this.isFreeThrow(end));
  }

  private isFreeThrow({ deviceId, device, terminal }: WireEnd): boolean {
    const contacts = kindOf(device).eitherOr?.(device) ?? [];
    return (
      !this.landed.has(terminalKey(deviceId, terminal)) && contacts.some(({ throws }) => throws.some((one) => one.terminal === terminal))
    );
  }

  /**
   * Whether two points of the supply may be joined: one changeover is never on both ways, or two fuses then feed only what is said to be
   * fed by two, and neither is made for more than that, as a main fuse is.
   */
  private isSecondWay(start: WireEnd, end: WireEnd): boolean {
    const edit = new Edit(this.design);
    addWire(edit, 'supply', ref(start), ref(end), 1000, 'mm2:2.5');
    const index = indexDesign(edit.design);
    const wiring = traceWiring(index);
    if (wiring.faults.length > this.wiring.faults.length) return false;
    if (closedRings(wiring) <= closedRings(this.wiring)) return true;
    this.feeders ??= findFeeders(this.index, this.wiring);
    const known = this.feeders.loads;
    const fed = [...findFeeders(index, wiring).loads].filter(([id, fuses]) => (known.get(id)?.length ?? 0) < fuses.length);
    const others = fusesAhead(index, wiring);
    const isMeant = ([id, fuses]: readonly [string, readonly string[]]) =>
      index.loads.some((load) => load.id === id && load.fedTwice) && !fuses.some((fuseId) => others.has(fuseId));
    return fed.length > 0 && fed.every(isMeant);
  }
}

function closedRings({ rings }: Wiring): number {
  return rings.filter(({ side, neverClosed }) => side === 'supply' && !neverClosed).length;
}

/** Fuses that have others behind them. */
function fusesAhead({ devices }: DesignIndex, { supply: { nodes } }: Wiring): Set<string | null> {
  const outlets = nodes.filter(({ deviceId, terminal }) => terminal === 'out' && devices.get(deviceId)?.kind === 'protection');
  return new Set(outlets.map(({ parent }) => nodes[parent]?.protectionId ?? null));
}

function fits(start: WireEnd, end: WireEnd): boolean {
  if (start.side !== null && end.side !== null) return false;
  // By name alone a plus never goes home and a minus never to the supply.
  const wrong = (a: WireEnd, b: WireEnd) =>
    (a.side === 'supply' && (isMinus(b) || b.device.kind === 'groundPoint')) ||
    (a.side === 'return' && isPlus(b)) ||
    (isMinus(a) && isPlus(b));
  if (wrong(start, end) || wrong(end, start)) return false;
  // A part may be bridged within itself only to its own pilot lamp.
  return start.deviceId !== end.deviceId || [start, end].some(({ terminal }) => terminal.startsWith('lamp'));
}

const isMinus = ({ terminal }: WireEnd) => terminal === 'minus' || terminal === 'lampMinus';
const isPlus = ({ device, terminal }: WireEnd) =>
  terminal === 'plus' || terminal === 'lampPlus' || (device.kind === 'fuseBlock' && terminal === 'in');

function sideOf(wiring: Wiring, device: Device, terminal: string): WireEnd['side'] {
  const key = terminalKey(device.id, terminal);
  // Fuses that nothing feeds are roots of the supply too: nothing of the battery reaches them.
  const at = wiring.supply.at.get(key);
  if (at !== undefined && at < wiring.fedCount) return 'supply';
  return wiring.return.at.has(key) ? 'return' : null;
}

function nearness(start: WireEnd, end: WireEnd): number {
  if (start.device.placeId && start.device.placeId === end.device.placeId) return 0;
  return start.device.zoneId !== null && start.device.zoneId === end.device.zoneId ? 1 : 2;
}

const ref = ({ deviceId, terminal }: TerminalRef): TerminalRef => ({ deviceId, terminal });
