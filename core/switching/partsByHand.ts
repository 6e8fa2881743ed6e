import { recordOf, settingsOf, type Design } from '../design/design';
import type { Change } from '../design/change';
import { Edit } from '../design/edit';
import { newId } from '../design/ids';
import type { Device, TerminalRef, Wire } from '../design/schema';
import { kindOf } from '../devices';
import { ownReturn, runPath, type Part, type RunSide } from '../devices/parts';
import { terminalKey, traceWiring, type WiringNode, type WiringTree } from '../network/wiring';
import { indexDesign, type DesignIndex } from '../rig/designIndex';
import { addWire, homeward, usualScheme } from './schemes';

/** Parts put into a run, moved along it and taken out, and wires drawn from terminal to terminal: every gesture leaves what stands elsewhere as it was. */

/** The link inside a panel from a switch to its own pilot lamp, mm. */
const PILOT_LINK_MM = 50;

/** What a part is worth to a run it could be put into. */
export interface Stretch {
  wire: Wire;
  side: RunSide;
  /** The end nearer the source, on the way there; nearer the load, on the way back. */
  first: TerminalRef;
  last: TerminalRef;
}

/** A wire as a stretch of a run, with the way its current goes; null for one that is on no way from the battery or back. */
export function stretchOf(design: Design, wireId: string): Stretch | null {
  const index = indexDesign(design);
  const wiring = traceWiring(index);
  const laid = index.wires.find(({ id }) => id === wireId);
  if (!laid) return null;
  for (const side of ['supply', 'return'] as const) {
    const tree = wiring[side];
    const node = tree.nodes.find(({ wire }) => wire?.id === wireId);
    if (!node) continue;
    const near = ref(tree.nodes[node.parent]!);
    const far = ref(node);
    return side === 'supply' ? { wire: laid, side, first: near, last: far } : { wire: laid, side, first: far, last: near };
  }
  return null;
}

/**
 * Puts a new part into a wire. What it needs beside the run is wired too: its own minus, its pilot lamp. A relay's coil is left to be wired, since only a person knows
 * what should work it.
 * @param atMm how far along the wire, from the end the current comes from
 * @returns null where the wire is on no run, or the part does not stand in a run of that side
 */
export function putIntoRun(design: Design, wireId: string, part: Part, atMm: number): { change: Change; deviceId: string } | null {
  const stretch = stretchOf(design, wireId);
  if (!stretch || !part.sides.includes(stretch.side)) return null;
  const { wire, side, first, last } = stretch;
  const edit = new Edit(design);
  const device = addPart(edit, part, zoneOf(design, wire, last));
  const path = runPath(device, side);
  if (!path) return null;
  const firstMm = Math.min(Math.max(0, atMm), wire.lengthMm);
  // The wire itself stays on the battery’s side, whichever way its current goes; the new one is beyond the part.
  const isOut = side === 'supply';
  const [stays, staysMm, far] = isOut ? [first, firstMm, last] : [last, wire.lengthMm - firstMm, first];
  const [near, beyond] = isOut ? [path.from, path.to] : [path.to, path.from];
  const moved = wire.from.deviceId === stays.deviceId && wire.from.terminal === stays.terminal ? 'to' : 'from';
  edit.set(wire.id, { [moved]: { deviceId: device.id, terminal: near }, lengthMm: staysMm, ...(wire.via && { via: null }) });
  const other = addWire(edit, wire.role, { deviceId: device.id, terminal: beyond }, far, wire.lengthMm - staysMm, wire.conductor);
  if (wire.lengthMeasured) edit.set(other.id, { lengthMeasured: true });
  wireOwnReturn(edit, device, wire, side === 'supply' ? path.to : null);
  return { change: edit.change, deviceId: device.id };
}

/** Adds a part that stands by itself, to be wired by hand. */
export function addLoosePart(
  design: Design,
  part: Part,
  zoneId: string | null,
  placeId: string | null = null,
): { change: Change; deviceId: string } {
  const edit = new Edit(design);
  const device = addPart(edit, part, zoneId);
  if (placeId !== null) edit.set(device.id, { placeId });
  return { change: edit.change, deviceId: device.id };
}

/**
 * Takes a part out and heals the run: what hung behind it hangs on what was before it, the lengths added. Wires that were only its own go with it: its minus, its coil,
 * its pilot lamp.
 * @returns null for what is no part put in by hand: loads, blocks and what holds other things, batteries, a circuit's own fuse
 */
export function removePart(design: Design, deviceId: string): Change | null {
  const device = recordOf(design, deviceId, 'device');
  if (!device || whyNotRemoved(design, device) !== null) return null;
  const edit = new Edit(design);
  const wiring = traceWiring(indexDesign(design));
  for (const tree of [wiring.supply, wiring.return]) heal(edit, device, tree);
  for (const wire of wiresOf(edit.design, deviceId)) edit.remove(wire.id);
  edit.remove(deviceId);
  return edit.change;
}

/** Why a device cannot be taken out as a part; null when it can. */
export function whyNotRemoved(design: Design, device: Device): string | null {
  if (device.kind === 'load') return 'It is a load: take it off in Loads.';
  if (device.kind === 'battery') return 'It is the battery.';
  if (device.kind === 'fuseBlock') {
    const holds = [...design.records.values()].some(
      (record) => record.type === 'device' && record.kind === 'protection' && record.mount?.blockId === device.id,
    );
    return holds ? 'Fuses sit in it: move or remove those first.' : null;
  }
  if (isMain(design, device)) return 'It is the main protection: everything is fed through it. Change it in Supply.';
  const guarded = [...design.records.values()].some((record) => record.type === 'circuit' && record.protectionId === device.id);
  return guarded ? 'It is the fuse of a circuit: remove the circuit, or change the fuse.' : null;
}

/** Whether a fuse is the one that guards everything: the first behind the battery, with no other that all the circuits are behind too. */
function isMain(design: Design, device: Device): boolean {
  if (device.kind !== 'protection') return false;
  const { nodes } = traceWiring(indexDesign(design)).supply;
  const first = nodes.find(({ protectionId }) => protectionId !== null)?.protectionId;
  if (first !== device.id) return false;
  const guards = nodes.flatMap(({ circuitId, parent }) => {
    const before = nodes[parent];
    return circuitId !== null && before?.circuitId === null ? [guardsOf(nodes, parent)] : [];
  });
  const common = guards.reduce((all, own) => new Set([...all].filter((id) => own.has(id))), guards[0] ?? new Set<string>());
  common.delete(device.id);
  return common.size === 0;
}

/** The fuses between the battery and a node. */
function guardsOf(nodes: readonly WiringNode[], at: number): Set<string> {
  const found = new Set<string>();
  for (let step = at; step >= 0; step = nodes[step]!.parent) {
    const { protectionId } = nodes[step]!;
    if (protectionId !== null) found.add(protectionId);
  }
  return found;
}

/** A part between its two wires. */
export interface PlaceInRun {
  beforeMm: number;
  wholeMm: number;
  /** The device it is measured from: where the current comes from. */
  fromId: string;
  before: Wire;
  after: Wire;
}

/** Where a part stands between its two wires, mm from the end the current comes from; null where it has not exactly one wire either way. */
export function placeInRun(design: Design, deviceId: string): PlaceInRun | null {
  const device = recordOf(design, deviceId, 'device');
  if (!device) return null;
  const index = indexDesign(design);
  for (const side of ['supply', 'return'] as const) {
    const path = runPath(device, side);
    const tree = traceWiring(index)[side];
    if (!path || !tree.at.has(terminalKey(deviceId, path.from))) continue;
    const [before, after] = beforeAndAfter(index, deviceId, side, tree);
    if (!before || !after) continue;
    const fromId = before.from.deviceId === deviceId ? before.to.deviceId : before.from.deviceId;
    return { beforeMm: before.lengthMm, wholeMm: before.lengthMm + after.lengthMm, fromId, before, after };
  }
  return null;
}

/** Moves a part along its run: the two wires at it share their length anew. @param beforeMm from the end the current comes from */
export function moveAlongRun(design: Design, deviceId: string, beforeMm: number): Change | null {
  const now = placeInRun(design, deviceId);
  if (!now || beforeMm < 0 || beforeMm > now.wholeMm) return null;
  const edit = new Edit(design);
  edit.set(now.before.id, { lengthMm: beforeMm });
  edit.set(now.after.id, { lengthMm: now.wholeMm - beforeMm });
  return edit.change;
}

/** Wires a terminal of a part to the nearest return bar, in the conductor its run is in: the same fuse guards it. Null for what is not there. */
export function wireHome(design: Design, deviceId: string, terminal: string): Change | null {
  if (!recordOf(design, deviceId, 'device')) return null;
  const edit = new Edit(design);
  const own = wiresOf(design, deviceId);
  const conductor = own.find(({ role }) => role === 'supply')?.conductor ?? usualScheme(design, '', null).conductor;
  addWire(
    edit,
    'return',
    { deviceId, terminal },
    homeward(edit, deviceId),
    Math.max(500, ...own.map(({ lengthMm }) => lengthMm)),
    conductor,
  );
  return edit.change;
}

/** Terminals of a part that no wire lands on. */
export function freeTerminals(design: Design, device: Device): string[] {
  const taken = new Set(
    wiresOf(design, device.id).flatMap(({ from, to }) => [from, to].filter((end) => end.deviceId === device.id).map((end) => end.terminal)),
  );
  return kindOf(device)
    .terminals(device)
    .filter((terminal) => !taken.has(terminal));
}

/** The one wire towards where the current comes from, and the one onward; of several none. */
function beforeAndAfter(index: DesignIndex, deviceId: string, side: RunSide, tree: WiringTree): [Wire | null, Wire | null] {
  const own = index.wires.filter(({ from, to }) => from.deviceId === deviceId || to.deviceId === deviceId);
  const upstream = own.filter(({ id }) => tree.nodes.some((node) => node.deviceId === deviceId && node.wire?.id === id));
  const downstream = own.filter(({ id }) =>
    tree.nodes.some((node) => node.wire?.id === id && tree.nodes[node.parent]?.deviceId === deviceId),
  );
  const [source, load] = side === 'supply' ? [upstream, downstream] : [downstream, upstream];
  return [source.length === 1 ? source[0]! : null, load.length === 1 ? load[0]! : null];
}

/** Hangs what is behind a part, in one of the trees, on what is before it. */
function heal(edit: Edit, device: Device, tree: WiringTree): void {
  const laid = new Map(indexDesign(edit.design).wires.map((wire) => [wire.id, wire]));
  for (const inlet of tree.nodes) {
    const before = tree.nodes[inlet.parent];
    if (inlet.deviceId !== device.id || !inlet.wire || !before || before.deviceId === device.id) continue;
    // Only what the current goes through the part for: a minus or a coil of its own ends with it.
    const reached = throughTerminals(device, inlet.terminal);
    const behind = tree.nodes.filter((node) => {
      const at = tree.nodes[node.parent];
      return node.wire !== null && at?.deviceId === device.id && reached.has(at.terminal) && node.deviceId !== device.id;
    });
    const inletMm = laid.get(inlet.wire.id)!.lengthMm;
    const [only] = behind;
    if (only && behind.length === 1) {
      const side = inlet.wire.from.deviceId === device.id ? 'from' : 'to';
      edit.set(inlet.wire.id, { [side]: ref(only), lengthMm: inletMm + laid.get(only.wire!.id)!.lengthMm });
      edit.remove(only.wire!.id);
      continue;
    }
    for (const { wire } of behind) {
      const side = wire!.from.deviceId === device.id ? 'from' : 'to';
      edit.set(wire!.id, { [side]: ref(before), lengthMm: laid.get(wire!.id)!.lengthMm + inletMm, ...(wire!.via && { via: null }) });
    }
  }
}

/** Terminals of a device that current reaches from one of them through it. */
function throughTerminals(device: Device, from: string): Set<string> {
  const reached = new Set([from]);
  const paths = kindOf(device).paths(device);
  for (let grown = true; grown;) {
    grown = false;
    for (const path of paths) {
      if (reached.has(path.from) !== reached.has(path.to)) {
        reached.add(path.from).add(path.to);
        grown = true;
      }
    }
  }
  return reached;
}

function addPart(edit: Edit, part: Part, zoneId: string | null): Device {
  const { nominalV } = settingsOf(edit.design);
  const base = { id: newId('part'), type: 'device' as const, name: freeName(edit.design, part.label), zoneId };
  return edit.add({ ...base, ...part.make(nominalV) } as Device);
}

/** The part's label, with a number where something has that name already. */
function freeName(design: Design, label: string): string {
  const taken = new Set([...design.records.values()].flatMap((record) => (record.type === 'device' ? [record.name] : [])));
  for (let number = 1; ; number++) {
    const name = number === 1 ? label : `${label} ${number}`;
    if (!taken.has(name)) return name;
  }
}

function wireOwnReturn(edit: Edit, device: Device, run: Wire, lit: string | null): void {
  const minus = ownReturn(device);
  if (minus === null) return;
  // As thick as the run it hangs on: the same fuse guards it.
  const home = homeward(edit, device.id);
  addWire(edit, 'return', { deviceId: device.id, terminal: minus }, home, Math.max(run.lengthMm, 500), run.conductor);
  if (device.kind !== 'switch' || lit === null) return;
  const link = addWire(
    edit,
    'supply',
    { deviceId: device.id, terminal: lit },
    { deviceId: device.id, terminal: 'lampPlus' },
    PILOT_LINK_MM,
    run.conductor,
  );
  edit.set(link.id, { lengthMeasured: true });
}

function zoneOf(design: Design, wire: Wire, last: TerminalRef): string | null {
  const circuit = traceWiring(indexDesign(design)).supply.nodes.find((node) => node.wire?.id === wire.id)?.circuitId ?? null;
  return recordOf(design, circuit, 'circuit')?.zoneId ?? recordOf(design, last.deviceId, 'device')?.zoneId ?? null;
}

function wiresOf(design: Design, deviceId: string): Wire[] {
  return [...design.records.values()].filter(
    (record): record is Wire => record.type === 'wire' && (record.from.deviceId === deviceId || record.to.deviceId === deviceId),
  );
}

const ref = ({ deviceId, terminal }: TerminalRef): TerminalRef => ({ deviceId, terminal });
