import { lookCode } from '../catalog/wireColours';
import type { Design } from '../design/design';
import { nameOf } from '../design/names';
import type { Device, TerminalRef } from '../design/schema';
import { signalEnd } from '../harness/wireRoles';
import type { HarnessWire } from '../harness/harnessWire';
import type { Harness } from '../harness/schedule';
import { terminalKey, type Wiring } from '../network/wiring';
import type { DesignIndex } from '../rig/designIndex';
import { formatConductor } from '../units/quantity';
import { terminalName } from '../wording/terminalNames';
import { HOME, putByHand, type PutByHand } from './movedByHand';
import type { SymbolId } from '../devices/kind';
import { symbolOf } from './symbols';

/** What is drawn on one sheet, before it is laid out. */
export interface Sketch {
  /** The circuit's, or `shared`. */
  id: string;
  title: string;
  parts: SketchPart[];
  wires: SketchWire[];
  /** From a battery's plus to its minus it is a long way: it goes on in a next row, as a page's text does. */
  wraps: boolean;
  /** Where a hand put parts of it. */
  put: PutByHand;
}

/** A device with the terminals that something on the sheet lands on. */
export interface SketchPart {
  /** Of this sheet: a battery stands on it twice, where current comes from and where it comes home. */
  id: string;
  deviceId: string;
  name: string;
  symbol: SymbolId;
  ports: SketchPort[];
}

/** A terminal on one side of its device: current comes in on the left and goes out on the right. */
export interface SketchPort {
  id: string;
  terminal: string;
  says: string;
  side: 'left' | 'right';
}

export interface SketchWire {
  wireId: string;
  from: string;
  to: string;
  label: string;
  line: HarnessWire;
}

/** What a sheet shows: one circuit, what circuits share, or everything of a small design. */
export type SheetOf = { circuitId: string } | 'shared' | 'whole';

/** The sheets a design is drawn on: what circuits share, then each circuit. */
export function sheetsOf({ circuits }: DesignIndex, { wires }: Harness): Exclude<SheetOf, 'whole'>[] {
  const drawn = new Set(wires.map(({ role }) => role.circuitId));
  const own = [...circuits].sort((a, b) => a.number - b.number).filter(({ id }) => drawn.has(id));
  return [...(drawn.has(null) ? (['shared'] as const) : []), ...own.map(({ id }) => ({ circuitId: id }))];
}

/**
 * A sheet with its devices and wires. Every wire of the design is on one sheet and only one; bars, blocks and batteries stand on each that
 * leads to them.
 */
export function sketch(design: Design, index: DesignIndex, wiring: Wiring, harness: Harness, sheet: SheetOf): Sketch {
  const circuitId = typeof sheet === 'string' ? null : sheet.circuitId;
  const lines = sheet === 'whole' ? harness.wires : harness.wires.filter(({ role }) => role.circuitId === circuitId);
  const depth = depths(wiring);
  const parts = new Map<string, SketchPart>();
  const port = ({ deviceId, terminal }: TerminalRef, side: SketchPort['side']): string => {
    const device = index.devices.get(deviceId);
    const at = device?.kind === 'battery' && side === 'left' ? `${deviceId}${HOME}` : deviceId;
    const part = parts.get(at) ?? {
      ...{ id: at, deviceId, name: nameWithSlot(design, device, deviceId) },
      ...{ symbol: device ? symbolOf(device) : 'consumer', ports: [] },
    };
    parts.set(at, part);
    const id = `${deviceId}/${terminal}/${side}`;
    if (!part.ports.some((one) => one.id === id))
      part.ports.push({ id, terminal, says: device ? terminalName(device, terminal) : terminal, side });
    return id;
  };
  const wires = lines.map((line): SketchWire => {
    const [near, far] = flows(index, line, depth) ? [line.from, line.to] : [line.to, line.from];
    const label = [line.number, line.look ? lookCode(line.look) : null, formatConductor(line.wire.conductor)].filter(Boolean).join(' ');
    return { wireId: line.wire.id, from: port(near, 'right'), to: port(far, 'left'), label, line };
  });
  const shared = sheet === 'whole' ? nameOf(design, 'settings') : `${nameOf(design, 'settings')}: what circuits share`;
  const title = circuitId === null ? shared : nameOf(design, circuitId);
  return {
    id: typeof sheet === 'string' ? sheet : sheet.circuitId,
    title,
    parts: Array.from(parts.values(), inOrder(index)),
    wires,
    wraps: sheet === 'whole',
    put: sheet === 'whole' ? new Map() : putByHand(design, circuitId),
  };
}

/** Its name, and for a fuse in a block the slot it is in. */
function nameWithSlot(design: Design, device: Device | undefined, id: string): string {
  if (device?.kind !== 'protection' || !device.mount) return nameOf(design, id);
  return `${nameOf(design, device.mount.blockId)}, slot ${device.mount.slot}, ${device.ratingA} A`;
}

/** Terminals in the order their kind names them, those on each side under one another. */
function inOrder({ devices }: DesignIndex) {
  return (part: SketchPart): SketchPart => {
    const device = devices.get(part.deviceId);
    const order = (terminal: string) => ORDER.indexOf(terminal);
    return device
      ? { ...part, ports: [...part.ports].sort((a, b) => order(a.terminal) - order(b.terminal) || (a.id < b.id ? -1 : 1)) }
      : part;
  };
}

/** Coils above contacts, plus above minus. */
const ORDER = ['plus', 'in', '86', '85', '30', '87', '87a', 'common', 'up', 'down', 'out', 'lampPlus', 'lampMinus', 'minus'];

/** How far each terminal is from the battery's plus, and, past all of those, how near to its minus: current goes from less to more. */
function depths({ supply, return: returns }: Wiring): Map<string, number> {
  const at = new Map<string, number>();
  const count = supply.nodes.length + returns.nodes.length;
  returns.nodes.forEach(({ deviceId, terminal }, place) => at.set(terminalKey(deviceId, terminal), 2 * count - place));
  supply.nodes.forEach(({ deviceId, terminal }, place) => at.set(terminalKey(deviceId, terminal), place));
  return at;
}

/** Whether a wire is drawn from its first end to its second. */
function flows(index: DesignIndex, { from, to }: HarnessWire, depth: ReadonlyMap<string, number>): boolean {
  const signal = signalEnd(index, { from, to });
  if (signal) return signal === 'from';
  const far = (end: TerminalRef) => depth.get(terminalKey(end.deviceId, end.terminal));
  const [a, b] = [far(from), far(to)];
  return a === undefined || b === undefined ? true : a <= b;
}
