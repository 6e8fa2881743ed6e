import { recordOf, settingsOf, type Design } from '../design/design';
import type { Change } from '../design/change';
import { Edit } from '../design/edit';
import { newId } from '../design/ids';
import type { Device, TerminalRef, Wire } from '../design/schema';
import { kindOf } from '../devices';
import { ownTerminals } from '../devices/ownDraw';
import { runPath, type Part, type RunSide } from '../devices/parts';
import { traceWiring } from '../network/traceWiring';
import { terminalKey, type Wiring, type WiringNode, type WiringTree } from '../network/wiring';
import { indexDesign, type DesignIndex } from '../rig/designIndex';
import { isRouted } from '../rig/layout';
import { homeward } from './returns';
import { usualScheme } from './usualScheme';
import { addWire } from './wires';

/**
 * Parts put into a run, moved along it and taken out, and wires drawn from terminal to terminal: every gesture leaves what stands elsewhere
 * as it was.
 */

/** The link inside a panel from a switch to its own pilot lamp, mm. */
const PILOT_LINK_MM = 50;

/** A design sorted and traced, as an analysis has it at hand. */
export interface Traced {
  index: DesignIndex;
  wiring: Wiring;
}

export function trace(design: Design): Traced {
  const index = indexDesign(design);
  return { index, wiring: traceWiring(index) };
}

/** A wire as a stretch of a run. */
export interface Stretch {
  wire: Wire;
  side: RunSide;
  /** The end nearer the source, on the way there; nearer the load, on the way back. */
  first: TerminalRef;
  last: TerminalRef;
}

/** A wire as a stretch of a run, with the way its current goes; null for one that is on no way from the battery or back. */
export function stretchOf({ index, wiring }: Traced, wireId: string): Stretch | null {
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
 * Puts a new part into a wire. What it needs beside the run is wired too: its own minus, its pilot lamp. A relay's coil is left to be
 * wired, since only a person knows what should work it.
 * @param atMm how far along the wire, from the end the current comes from
 * @returns null where the wire is on no run, or the part does not stand in a run of that side
 */
export function putIntoRun(design: Design, wireId: string, part: Part, atMm: number): { change: Change; deviceId: string } | null {
  const traced = trace(design);
  const stretch = stretchOf(traced, wireId);
  if (!stretch || !part.sides.includes(stretch.side)) return null;
  const { wire, side, first, last } = stretch;
  const edit = new Edit(design);
  const device = addPart(edit, part, zoneOf(traced, wire, last));
  const path = runPath(device, side);
  if (!path) return null;
  const firstMm = Math.min(Math.max(0, atMm), wire.lengthMm);
  // The wire itself stays on the battery’s side, whichever way its current goes; the new one is beyond the part.
  const isOut = side === 'supply';
  const [stays, staysMm, far] = isOut ? [first, firstMm, last] : [last, wire.lengthMm - firstMm, first];
  const [near, beyond] = isOut ? [path.from, path.to] : [path.to, path.from];
  const moved = wire.from.deviceId === stays.deviceId && wire.from.terminal === stays.terminal ? 'to' : 'from';
  edit.set(wire, { [moved]: { deviceId: device.id, terminal: near }, lengthMm: staysMm, ...(wire.via && { via: null }) });
  const other = addWire(edit, wire.role, { deviceId: device.id, terminal: beyond }, far, wire.lengthMm - staysMm, wire.conductor);
  if (wire.lengthMeasured) edit.set(other, { lengthMeasured: true });
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
  if (placeId !== null) edit.set(device, { placeId });
  return { change: edit.change, deviceId: device.id };
}

/**
 * Takes a part out and heals the run: what hung behind it hangs on what was before it, the lengths added. Wires that were only its own go
 * with it: its minus, its coil, its pilot lamp.
 * @returns null for what is no part put in by hand: loads, blocks and what holds other things, batteries, a circuit's own fuse
 */
export function removePart(design: Design, deviceId: string): Change | null {
  const device = recordOf(design, deviceId, 'device');
  const traced = trace(design);
  if (!device || whyNotRemoved(traced, device) !== null) return null;
  const edit = new Edit(design);
  for (const tree of [traced.wiring.supply, traced.wiring.return]) heal(edit, device, tree);
  for (const wire of wiresOf(edit.design, deviceId)) edit.remove(wire.id);
  edit.remove(deviceId);
  return edit.change;
}

/** Why a device cannot be taken out as a part; null when it can. */
export function whyNotRemoved(traced: Traced, device: Device): string | null {
  const { index } = traced;
  if (device.kind === 'load') return 'It is a load: take it off in Loads.';
  if (device.kind === 'battery') return 'It is the battery.';
  if (device.kind === 'fuseBlock') {
    const holds = index.mounted.has(device.id) || [...index.taps.values()].some(({ mount }) => mount!.blockId === device.id);
    return holds ? 'Fuses sit in it: move or remove those first.' : null;
  }
  if (isMain(traced, device)) return 'It is the main protection: everything is fed through it. Change it in Supply.';
  const guards = index.circuits.some(({ protectionId }) => protectionId === device.id);
  return guards ? 'It is the fuse of a circuit: remove the circuit, or change the fuse.' : null;
}

/** Whether a fuse is the one that guards everything: the first behind the battery, with no other that all the circuits are behind too. */
function isMain({ wiring: { supply } }: Traced, device: Device): boolean {
  const { nodes } = supply;
  if (nodes.find(({ protectionId }) => protectionId !== null)?.protectionId !== device.id) return false;
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
export function placeInRun({ index, wiring }: Traced, deviceId: string): PlaceInRun | null {
  const device = index.devices.get(deviceId);
  if (!device) return null;
  for (const side of ['supply', 'return'] as const) {
    const path = runPath(device, side);
    const tree = wiring[side];
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
  const traced = trace(design);
  const now = placeInRun(traced, deviceId);
  if (!now || beforeMm < 0 || beforeMm > now.wholeMm) return null;
  const edit = new Edit(design);
  for (const [{ id }, lengthMm] of [
    [now.before, beforeMm],
    [now.after, now.wholeMm - beforeMm],
  ] as const)
    // What is said by hand of a wire that lies in the vehicle stands against the plan, as a length typed does.
    edit.set(id, { lengthMm, ...(isRouted(traced.index, id) && { lengthMeasured: true }) });
  return edit.change;
}

/**
 * Turns a part round in its run: what landed on the one terminal lands on the other. Of two changeovers between which a lamp is switched
 * from two places the second stands the other way round; a diode lets current through one way alone.
 * @returns null for what has not exactly one wire either way, and for a part that is the same from both ends
 */
export function turnRound(design: Design, deviceId: string): Change | null {
  const device = recordOf(design, deviceId, 'device');
  const traced = trace(design);
  const now = device && hasTwoEnds(device) ? placeInRun(traced, deviceId) : null;
  const path = device && now && (['supply', 'return'] as const).map((side) => runPath(device, side)).find((one) => one !== null);
  if (!now || !path) return null;
  const edit = new Edit(design);
  for (const { id, from, to } of [now.before, now.after]) {
    const end = from.deviceId === deviceId ? 'from' : 'to';
    const { terminal } = end === 'from' ? from : to;
    edit.set(id, { [end]: { deviceId, terminal: terminal === path.from ? path.to : path.from } });
  }
  return edit.change;
}

/** Whether it matters which way round a part stands in a run. */
export function hasTwoEnds(device: Device): boolean {
  return device.kind === 'diode' || device.kind === 'relay' || (kindOf(device).eitherOr?.(device) ?? []).length > 0;
}

/**
 * Wires a terminal of a part to the nearest return bar, in the conductor its run is in: the same fuse guards it. Null for what is not
 * there.
 */
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
    const [only] =
      behind.length > 0 ? behind.map(({ wire, ...node }) => ({ wire: wire!, far: ref(node) })) : closing(edit, device, inlet.wire, reached);
    if (only && behind.length <= 1) {
      const side = inlet.wire.from.deviceId === device.id ? 'from' : 'to';
      edit.set(inlet.wire.id, { [side]: only.far, lengthMm: inletMm + laid.get(only.wire.id)!.lengthMm });
      edit.remove(only.wire.id);
      continue;
    }
    for (const { wire } of behind) {
      const side = wire!.from.deviceId === device.id ? 'from' : 'to';
      edit.set(wire!, { [side]: ref(before), lengthMm: laid.get(wire!.id)!.lengthMm + inletMm, ...(wire!.via && { via: null }) });
    }
  }
}

/** The one wire that leads on from a part to where another way leads already: of two ways it closes the second. */
function closing(edit: Edit, device: Device, inlet: Wire, reached: ReadonlySet<string>): { wire: Wire; far: TerminalRef }[] {
  const onward = wiresOf(edit.design, device.id).flatMap((wire) => {
    const [own, far] = wire.from.deviceId === device.id ? [wire.from, wire.to] : [wire.to, wire.from];
    return wire.id !== inlet.id && reached.has(own.terminal) && far.deviceId !== device.id ? [{ wire, far }] : [];
  });
  return onward.length === 1 ? onward : [];
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

/** Wires what a part draws by itself: its way home, and the feed of a pilot lamp. Not a coil. */
function wireOwnReturn(edit: Edit, device: Device, run: Wire, lit: string | null): void {
  const own = device.kind === 'relay' ? null : ownTerminals(device);
  const isWired = wiresOf(edit.design, device.id).some(({ from, to }) =>
    [from, to].some((end) => end.deviceId === device.id && end.terminal === own?.minus),
  );
  if (!own || isWired) return;
  // As thick as the run it hangs on: the same fuse guards it.
  const home = homeward(edit, device.id);
  addWire(edit, 'return', { deviceId: device.id, terminal: own.minus }, home, Math.max(run.lengthMm, 500), run.conductor);
  if (device.kind !== 'switch' || lit === null) return;
  const [from, to] = [lit, own.plus].map((terminal) => ({ deviceId: device.id, terminal }));
  const link = addWire(edit, 'supply', from!, to!, PILOT_LINK_MM, run.conductor);
  edit.set(link, { lengthMeasured: true });
}

function zoneOf({ index, wiring }: Traced, wire: Wire, last: TerminalRef): string | null {
  const circuitId = wiring.supply.nodes.find((node) => node.wire?.id === wire.id)?.circuitId;
  return index.circuits.find(({ id }) => id === circuitId)?.zoneId ?? index.devices.get(last.deviceId)?.zoneId ?? null;
}

function wiresOf(design: Design, deviceId: string): Wire[] {
  return [...design.records.values()].filter(
    (record): record is Wire => record.type === 'wire' && (record.from.deviceId === deviceId || record.to.deviceId === deviceId),
  );
}

const ref = ({ deviceId, terminal }: TerminalRef): TerminalRef => ({ deviceId, terminal });
