import { isSameTerminal } from '../design/terminals';
import type { ConductorSize } from '../catalog/conductorSizes';
import type { Change } from '../design/change';
import { recordOf, recordsOf, type Design } from '../design/design';
import { Edit } from '../design/edit';
import type { Device, TerminalRef } from '../design/schema';
import { kindOf } from '../devices';
import { findFeeders } from '../network/feeders';
import { landedTerminals, terminalKey, traceWiring, type Wiring } from '../network/wiring';
import { indexDesign } from '../rig/designIndex';
import { addWire } from './wires';

/** Wires drawn by hand from terminal to terminal, with only sensible ends to choose from. */

export interface WireEnd extends TerminalRef {
  device: Device;
  /** What already lands on it: nothing, or the battery's plus or minus by some way. */
  side: 'supply' | 'return' | null;
}

/** Every terminal of a design, device by device. */
export function allEnds(design: Design): WireEnd[] {
  const wiring = traceWiring(indexDesign(design));
  return recordsOf(design, 'device').flatMap((device) =>
    kindOf(device)
      .terminals(device)
      .map((terminal) => ({ deviceId: device.id, terminal, device, side: sideOf(wiring, device, terminal) })),
  );
}

/**
 * Where a wire from a terminal can sensibly go: never from the battery's plus to its minus, never beside a wire that is there already, and
 * never so that two ways lead from the battery to the same point, but where a changeover keeps them apart, or what they lead to is said to
 * be fed by two fuses. What nothing lands on yet comes first, then what is nearest in the vehicle.
 */
export function sensibleEnds(design: Design, from: TerminalRef): WireEnd[] {
  const ends = allEnds(design);
  const start = ends.find((end) => isSameTerminal(end, from));
  if (!start) return [];
  const wires = recordsOf(design, 'wire');
  const joined = (end: TerminalRef) =>
    wires.some(
      (wire) =>
        (isSameTerminal(wire.from, from) && isSameTerminal(wire.to, end)) ||
        (isSameTerminal(wire.to, from) && isSameTerminal(wire.from, end)),
    );
  const meant = recordsOf(design, 'device').some((device) => device.kind === 'load' && device.fedTwice);
  const landed = landedTerminals(wires);
  const isFreeThrow = (end: WireEnd) =>
    !landed.has(terminalKey(end.deviceId, end.terminal)) &&
    (kindOf(end.device).eitherOr?.(end.device) ?? []).some(({ throws }) => throws.some(({ terminal }) => terminal === end.terminal));
  const mayJoin = (end: WireEnd) =>
    start.side === 'supply' &&
    end.side === 'supply' &&
    end.deviceId !== start.deviceId &&
    (meant || (isFreeThrow(start) && isFreeThrow(end)));
  return ends
    .filter((end) => !isSameTerminal(end, from) && !joined(end) && (fits(start, end) || (mayJoin(end) && isSecondWay(design, start, end))))
    .sort((a, b) => Number(a.side !== null) - Number(b.side !== null) || nearness(start, a) - nearness(start, b));
}

/**
 * Draws a wire. Its part is read from what its ends are on: coming home, or going out.
 * @returns null where the two ends do not go together
 */
export function drawWire(design: Design, from: TerminalRef, to: TerminalRef, lengthMm: number, conductor: ConductorSize): Change | null {
  const end = sensibleEnds(design, from).find((one) => isSameTerminal(one, to));
  const start = allEnds(design).find((one) => isSameTerminal(one, from));
  if (!end || !start) return null;
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

/**
 * Whether two points of the supply may be joined: one changeover is never on both ways, or two fuses then feed only what is said to be fed
 * by two.
 */
function isSecondWay(design: Design, start: WireEnd, end: WireEnd): boolean {
  const before = indexDesign(design);
  const edit = new Edit(design);
  addWire(edit, 'supply', ref(start), ref(end), 1000, 'mm2:2.5');
  const index = indexDesign(edit.design);
  const wiring = traceWiring(index);
  if (wiring.faults.length > traceWiring(before).faults.length) return false;
  const closing = wiring.rings.filter(({ side, neverClosed }) => side === 'supply' && !neverClosed);
  if (closing.length === 0) return true;
  const known = findFeeders(before, traceWiring(before)).loads;
  const fed = [...findFeeders(index, wiring).loads].filter(([id, fuses]) => (known.get(id)?.length ?? 0) < fuses.length);
  return fed.length > 0 && fed.every(([id]) => index.loads.find((load) => load.id === id)?.fedTwice);
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
