import type { ConductorSize } from '../catalog/conductorSizes';
import { RATINGS_A } from '../catalog/fuses';
import { deviceOf, devicesOfKind, recordOf, settingsOf, slotKey, type Design } from '../design/design';
import { indexDesign } from '../rig/designIndex';
import type { Change } from '../design/change';
import { Edit } from '../design/edit';
import { newId } from '../design/ids';
import { DesignError } from '../design/problems';
import type { BusBar, Circuit, FuseBlock, Protection, Switch, TerminalRef, Wire } from '../design/schema';
import { goesByGauge, type DropClass, type ReturnKind } from '../catalog/vocabulary';
import { isLamp } from '../devices/load';
import { terminalKey, traceWiring, type Wiring } from '../network/wiring';
import { nearestFirst, whereIs, type FuseAtBar, type Whereabouts } from './fuseBerth';

/** A way of wiring a new circuit: straight from its fuse, or through a switch of its own. */
export interface CircuitScheme {
  name: string;
  zoneId: string | null;
  dropClass: DropClass;
  ratingA: number;
  conductor: ConductorSize;
  /** Fuse to switch, or to the first load where there is none. */
  feedMm: number;
  /** A panel switch, and the length from it to the first load. */
  panelSwitch: { name: string; ratingA: number; onwardMm: number } | null;
  return: ReturnKind;
  /** Where the fuse sits; null leaves it to be placed later, or puts it at the bar. */
  mount: Protection['mount'];
  /** Its fuse beside a bar, by a short lead, where no slot takes it. */
  atBar?: FuseAtBar;
  loadIds: readonly string[];
}

const DEFAULT_FEED_MM = 3000;
const DEFAULT_HOP_MM = 1000;
/** A chassis joint as found on a clean, tight bolt, milliohm. Common practice. */
const CHASSIS_JOINT_MILLIOHM = 5;

/** A plain scheme for a circuit in this design: a small fuse in the first free slot, the smallest usual conductor. */
export function usualScheme(design: Design, name: string, zoneId: string | null): CircuitScheme {
  const settings = settingsOf(design);
  return {
    name,
    zoneId,
    dropClass: 'general',
    ratingA: 10,
    conductor: goesByGauge(settings.conductorStandard) ? 'awg:14' : 'mm2:2.5',
    feedMm: DEFAULT_FEED_MM,
    panelSwitch: null,
    return: settings.defaultReturn,
    mount: firstFreeSlot(design),
    loadIds: [],
  };
}

/** The first slot without a fuse, block by block. */
export function firstFreeSlot(design: Design): Protection['mount'] {
  const { mounted, taps } = indexDesign(design);
  for (const block of devicesOfKind(design, 'fuseBlock')) {
    const taken = new Set((mounted.get(block.id) ?? []).map((fuse) => fuse.mount!.slot));
    for (let slot = 1; slot <= block.slots; slot++) {
      const mount = { blockId: block.id, slot };
      if (!taken.has(slot) && !taps.has(slotKey(mount))) return mount;
    }
  }
  return null;
}

export function nextCircuitNumber(design: Design): number {
  let most = 0;
  for (const record of design.records.values()) if (record.type === 'circuit') most = Math.max(most, record.number);
  return most + 1;
}

/** Adds a circuit with its fuse, wires and switch, and hangs the given loads on it in order. */
export function addCircuit(edit: Edit, scheme: CircuitScheme): Circuit {
  const { name, zoneId, conductor } = scheme;
  const { atBar } = scheme;
  const fuse = edit.add<Protection>({
    id: newId('fuse'),
    type: 'device',
    kind: 'protection',
    name: `${name} fuse`,
    zoneId: atBar ? atBar.zoneId : blockZone(edit.design, scheme.mount),
    ...(atBar?.placeId ? { placeId: atBar.placeId } : {}),
    family: atBar?.family ?? 'blade',
    ratingA: scheme.ratingA,
    mount: scheme.mount,
  });
  if (atBar) addLead(edit, atBar.feedFrom, fuse.id, conductor);
  const circuit = edit.add<Circuit>({
    ...{ id: newId('cir'), type: 'circuit', number: nextCircuitNumber(edit.design), name, zoneId, protectionId: fuse.id },
    ...{ dropClass: scheme.dropClass, targetPercent: null, note: '' },
  });
  if (scheme.panelSwitch) {
    const panelSwitch = edit.add<Switch>({
      ...{ id: newId('sw'), type: 'device', kind: 'switch', name: scheme.panelSwitch.name, zoneId },
      ratingA: scheme.panelSwitch.ratingA,
    });
    addWire(edit, 'supply', { deviceId: fuse.id, terminal: 'out' }, { deviceId: panelSwitch.id, terminal: 'in' }, scheme.feedMm, conductor);
  }
  const feed = { lengthMm: scheme.panelSwitch?.onwardMm ?? scheme.feedMm, conductor, return: scheme.return };
  for (const loadId of scheme.loadIds) attachLoad(edit, loadId, circuit.id, feed);
  return circuit;
}

interface FirstFeed {
  lengthMm: number;
  conductor: ConductorSize;
  return: ReturnKind;
}

/**
 * Hangs a load on a circuit: on its last load by a short hop, or, as its first, on its switch or fuse.
 * @throws DesignError when the load or the circuit is not in the design.
 */
export function attachLoad(edit: Edit, loadId: string, circuitId: string, first?: FirstFeed, hopMm = DEFAULT_HOP_MM): void {
  const { design } = edit;
  const load = mustBe(deviceOf(design, loadId, 'load'), loadId);
  const circuit = mustBe(recordOf(design, circuitId, 'circuit'), circuitId);
  const wiring = traceWiring(indexDesign(design));
  const nodes = wiring.supply.nodes.filter((node) => node.circuitId === circuitId);
  const lastLoad = nodes.findLast((node) => node.terminal === 'plus');
  if (lastLoad) {
    const minus = wiring.return.nodes[wiring.return.at.get(terminalKey(lastLoad.deviceId, 'minus')) ?? -1];
    const conductor = lastLoad.wire?.conductor ?? usualScheme(design, '', null).conductor;
    addWire(edit, 'supply', { deviceId: lastLoad.deviceId, terminal: 'plus' }, { deviceId: loadId, terminal: 'plus' }, hopMm, conductor);
    const back = minus?.wire?.conductor ?? conductor;
    addWire(edit, 'return', { deviceId: loadId, terminal: 'minus' }, { deviceId: lastLoad.deviceId, terminal: 'minus' }, hopMm, back);
    return;
  }
  // The first lamp makes it a lighting circuit, unless somebody has said how it is judged, as a scheme does.
  if (!first && circuit.dropClass === 'general' && circuit.targetPercent === null && isLamp(load))
    edit.set(circuit.id, { dropClass: 'critical' });
  const start = mustBe(nodes.at(-1) ?? null, circuitId);
  const usual = usualScheme(design, '', null);
  const feed = first ?? { lengthMm: DEFAULT_FEED_MM, conductor: start.wire?.conductor ?? usual.conductor, return: usual.return };
  addWire(
    edit,
    'supply',
    { deviceId: start.deviceId, terminal: start.terminal },
    { deviceId: loadId, terminal: 'plus' },
    feed.lengthMm,
    feed.conductor,
  );
  const wayIn = lengthFromFuse(wiring, start) + feed.lengthMm;
  const lengthMm = feed.return === 'chassis' ? 500 : wayIn;
  addWire(edit, 'return', { deviceId: loadId, terminal: 'minus' }, returnTarget(edit, feed.return, loadId), lengthMm, feed.conductor);
}

/** Takes a load off its circuit and closes the gap: what hung on it now hangs where it hung, the lengths added. */
export function detachLoad(edit: Edit, loadId: string): void {
  const wiring = traceWiring(indexDesign(edit.design));
  for (const terminal of ['plus', 'minus'] as const) {
    const tree = terminal === 'plus' ? wiring.supply : wiring.return;
    const node = tree.nodes[tree.at.get(terminalKey(loadId, terminal)) ?? -1];
    const upstream = node?.wire ?? null;
    const parent = node && upstream ? tree.nodes[node.parent]! : null;
    for (const wire of wiresAt(edit.design, loadId, terminal)) {
      if (wire.id === upstream?.id || !parent || !upstream) edit.remove(wire.id);
      else {
        const end = { deviceId: parent.deviceId, terminal: parent.terminal };
        const moved = wire.from.deviceId === loadId ? { from: end } : { to: end };
        edit.set(wire.id, { ...moved, lengthMm: wire.lengthMm + upstream.lengthMm });
      }
    }
  }
}

/** Moves a load to another circuit, or off every circuit. */
export function moveLoad(design: Design, loadId: string, circuitId: string | null): Change {
  const edit = new Edit(design);
  detachLoad(edit, loadId);
  if (circuitId !== null) attachLoad(edit, loadId, circuitId);
  return edit.change;
}

/** Removes loads with their wires and duties, closing the gaps they leave. */
export function removeLoads(design: Design, loadIds: readonly string[]): Change {
  const edit = new Edit(design);
  for (const loadId of loadIds) {
    detachLoad(edit, loadId);
    for (const record of design.records.values()) if (record.type === 'duty' && record.loadId === loadId) edit.remove(record.id);
    edit.remove(loadId);
  }
  return edit.change;
}

/** Removes a circuit with its fuse, switches and wires. Its loads stay, without a circuit. */
export function removeCircuit(design: Design, circuitId: string): Change {
  const edit = new Edit(design);
  const circuit = mustBe(recordOf(design, circuitId, 'circuit'), circuitId);
  const { supply } = traceWiring(indexDesign(design));
  const inside = new Set(supply.nodes.filter((node) => node.circuitId === circuitId).map((node) => node.deviceId));
  for (const id of inside) {
    if (deviceOf(design, id, 'load')) detachAll(edit, id);
  }
  for (const id of [...inside, circuit.protectionId]) {
    if (deviceOf(design, id, 'load')) continue;
    detachAll(edit, id);
    edit.remove(id);
  }
  edit.remove(circuitId);
  return edit.change;
}

/**
 * Puts a fuse into a slot or a tap on one, or takes it out. A fuse already there changes places with it. A fuse in a slot is fed by the
 * block, so wires on its inlet go.
 */
export function mountFuse(design: Design, protectionId: string, mount: Protection['mount']): Change {
  const edit = new Edit(design);
  const fuse = mustBe(deviceOf(design, protectionId, 'protection'), protectionId);
  if (mount) {
    const { mounted, taps } = indexDesign(design);
    const there = mount.tap ? taps.get(slotKey(mount)) : mounted.get(mount.blockId)?.find((other) => other.mount!.slot === mount.slot);
    if (there && there.id !== fuse.id) edit.set(there.id, { mount: fuse.mount });
    for (const wire of wiresAt(design, protectionId, 'in')) edit.remove(wire.id);
  }
  edit.set(protectionId, { mount, ...(mount && { zoneId: blockZone(design, mount) }) });
  return edit.change;
}

/** Brings a circuit's return home by cable to the bus bar, or to a chassis ground point near its loads. */
export function setReturn(design: Design, circuitId: string, kind: ReturnKind, returnWireIds: readonly string[]): Change {
  const edit = new Edit(design);
  for (const id of returnWireIds) {
    const wire = recordOf(design, id, 'wire');
    if (!wire) continue;
    for (const side of ['from', 'to'] as const) {
      const device = recordOf(design, wire[side].deviceId, 'device');
      const near = recordOf(design, wire[side === 'from' ? 'to' : 'from'].deviceId, 'device');
      const isEnd = device?.kind === 'busBar' || device?.kind === 'groundPoint' || device?.kind === 'battery';
      if (isEnd && (kind === 'chassis') !== (device.kind === 'groundPoint')) {
        const target = returnTarget(edit, kind, near?.id ?? null);
        const lengthMm = kind === 'chassis' ? Math.min(wire.lengthMm, 500) : supplyLength(design, circuitId);
        edit.set(id, { [side]: target, lengthMm });
      }
    }
  }
  return edit.change;
}

/** Cable from a bar to a fuse beside it, mm: within every school's limit for a lead ahead of its fuse. */
const LEAD_MM = 150;

/** The short lead that feeds a fuse from a bar; as long as it must be, whatever lies around. */
function addLead(edit: Edit, from: TerminalRef, fuseId: string, conductor: ConductorSize): void {
  const lead = addWire(edit, 'supply', from, { deviceId: fuseId, terminal: 'in' }, LEAD_MM, conductor);
  edit.set(lead.id, { lengthMeasured: true });
}

/** Takes a circuit's fuse out of its slot and puts one of a rating beside a bar. */
export function moveFuseToBar(edit: Edit, protectionId: string, atBar: FuseAtBar, ratingA: number, conductor: ConductorSize): void {
  for (const wire of wiresAt(edit.design, protectionId, 'in')) edit.remove(wire.id);
  const { family, zoneId, placeId } = atBar;
  edit.set(protectionId, { mount: null, family, ratingA, zoneId, placeId });
  addLead(edit, atBar.feedFrom, protectionId, conductor);
}

/** The circuit's wires and fuse set to one conductor and rating. */
export function resizeCircuit(
  design: Design,
  wireIds: readonly string[],
  conductor: ConductorSize,
  protectionId: string,
  ratingA: number,
): Change {
  const edit = new Edit(design);
  for (const id of wireIds) edit.set(id, { conductor });
  edit.set(protectionId, { ratingA });
  return edit.change;
}

/** The next rating up or down in a fuse's family; the same one at the end of the range. */
export function stepRating(fuse: Protection, by: 1 | -1): number {
  const ratings = RATINGS_A[fuse.family];
  if (by > 0) return ratings.find((rating) => rating > fuse.ratingA) ?? fuse.ratingA;
  return ratings.findLast((rating) => rating < fuse.ratingA) ?? fuse.ratingA;
}

function supplyLength(design: Design, circuitId: string): number {
  const { supply } = traceWiring(indexDesign(design));
  const wires = supply.nodes.filter((node) => node.circuitId === circuitId && node.wire);
  return Math.min(
    100_000,
    wires.reduce((sum, { wire }) => sum + wire!.lengthMm, 0),
  );
}

function lengthFromFuse(wiring: Wiring, node: { wire: Wire | null; parent: number; circuitId: string | null }): number {
  let sum = 0;
  for (let step = node; step.circuitId !== null && step.parent >= 0; step = wiring.supply.nodes[step.parent]!)
    sum += step.wire?.lengthMm ?? 0;
  return sum;
}

function returnTarget(edit: Edit, kind: ReturnKind, fromId: string | null): TerminalRef {
  const { design } = edit;
  const near = fromId === null ? { placeId: null, zoneId: null } : whereIs(indexDesign(design), fromId);
  const { zoneId } = near;
  const bar = returnBar(design, near);
  const battery = devicesOfKind(design, 'battery')[0];
  if (kind === 'chassis') return { deviceId: groundPoint(edit, zoneId, bar?.id ?? battery?.id ?? null), terminal: 'stud' };
  if (bar) return { deviceId: bar.id, terminal: 'bar' };
  if (battery) return { deviceId: battery.id, terminal: 'minus' };
  return { deviceId: addBar(edit), terminal: 'bar' };
}

/** Where a cable of its own brings a device’s current home: the nearest return bar, else the battery’s minus. */
export function homeward(edit: Edit, deviceId: string): TerminalRef {
  return returnTarget(edit, 'dedicated', deviceId);
}

/** The nearest bus bar already tied to the battery's negative, else one that is on no positive. */
function returnBar(design: Design, near: Whereabouts): BusBar | null {
  const index = indexDesign(design);
  const wiring = traceWiring(index);
  const bars = nearestFirst(index, devicesOfKind(design, 'busBar'), near);
  const onReturn = bars.find(({ id }) => wiring.return.at.has(terminalKey(id, 'bar')));
  return onReturn ?? bars.find(({ id }) => !wiring.supply.at.has(terminalKey(id, 'bar'))) ?? null;
}

/** A ground point in the zone, and one that ties the chassis to the battery's negative if there is none yet. */
function groundPoint(edit: Edit, zoneId: string | null, negativeId: string | null): string {
  const points = devicesOfKind(edit.design, 'groundPoint');
  if (points.length === 0 && negativeId !== null) {
    const strap = addGroundPoint(edit, 'Battery to chassis', deviceZone(edit.design, negativeId));
    const terminal = deviceOf(edit.design, negativeId, 'busBar') ? 'bar' : 'minus';
    const thick = Array.from(edit.design.records.values()).find((record) => record.type === 'wire' && record.from.deviceId === negativeId);
    const conductor = thick?.type === 'wire' ? thick.conductor : 'mm2:25';
    addWire(edit, 'return', { deviceId: strap, terminal: 'stud' }, { deviceId: negativeId, terminal }, 500, conductor);
    if (deviceZone(edit.design, strap) === zoneId) return strap;
  }
  const here = points.find((point) => point.zoneId === zoneId);
  if (here) return here.id;
  const zone = recordOf(edit.design, zoneId, 'zone');
  return addGroundPoint(edit, zone ? `${zone.name} ground point` : 'Ground point', zoneId);
}

function addGroundPoint(edit: Edit, name: string, zoneId: string | null): string {
  const jointMilliohm = CHASSIS_JOINT_MILLIOHM;
  return edit.add({ id: newId('gnd'), type: 'device', kind: 'groundPoint', name, zoneId, jointMilliohm }).id;
}

function addBar(edit: Edit): string {
  return edit.add({ id: newId('bar'), type: 'device', kind: 'busBar', name: 'Return bus bar', zoneId: null, ratingA: 150 }).id;
}

/** Adds a wire between two terminals. */
export function addWire(
  edit: Edit,
  role: Wire['role'],
  from: TerminalRef,
  to: TerminalRef,
  lengthMm: number,
  conductor: ConductorSize,
): Wire {
  return edit.add<Wire>({ id: newId('wire'), type: 'wire', role, from, to, lengthMm, lengthMeasured: false, conductor });
}

function detachAll(edit: Edit, deviceId: string): void {
  for (const record of edit.design.records.values()) {
    if (record.type === 'wire' && (record.from.deviceId === deviceId || record.to.deviceId === deviceId)) edit.remove(record.id);
  }
}

function wiresAt(design: Design, deviceId: string, terminal: string): Wire[] {
  const found: Wire[] = [];
  for (const record of design.records.values()) {
    if (record.type !== 'wire') continue;
    const ends = [record.from, record.to];
    if (ends.some((end) => end.deviceId === deviceId && end.terminal === terminal)) found.push(record);
  }
  return found;
}

function blockZone(design: Design, mount: Protection['mount']): string | null {
  return mount ? ((deviceOf(design, mount.blockId, 'fuseBlock') as FuseBlock | null)?.zoneId ?? null) : null;
}

function deviceZone(design: Design, id: string): string | null {
  return recordOf(design, id, 'device')?.zoneId ?? null;
}

function mustBe<T>(found: T | null, id: string): T {
  if (found === null) throw new DesignError([{ code: 'missingRecord', id }]);
  return found;
}
