import { LIMITS } from '../../catalog/vocabulary';
import { cutText } from '../../units/text';
import { analyse } from '../../analysis/analyse';
import type { Analysis, CircuitAnalysis } from '../../analysis/types';
import type { ConductorSize } from '../../catalog/conductorSizes';
import { RATINGS_A } from '../../catalog/fuses';
import { applyUnchecked, updateRecords } from '../../design/change';
import { deviceOf, type Design } from '../../design/design';
import { Edit } from '../../design/edit';
import { newId } from '../../design/ids';
import { nameOf } from '../../design/names';
import type { FuseBlock, Protection, Wire } from '../../design/schema';
import { isReturnJunction } from '../../network/flow';
import { placeIdOf } from '../../rig/layout';
import { BOLTED } from '../../switching/fuseBerth';
import { firstFreeSlot } from '../../switching/usualScheme';
import { addWire } from '../../switching/wires';
import { leastFuseA } from '../../sizing/fuse';

/** Where a block nearer to the loads may stand. */
export interface SubBlockSite {
  placeId: string | null;
  zoneId: string | null;
  /** One way from the block its circuits sit in now, where no vehicle gives it. */
  trunkMm: number;
}

/** A design with such a block, its circuits moved to it, before anything is sized. */
export interface WithSubBlock {
  design: Design;
  block: FuseBlock;
  /** What its trunk is fused at. */
  ratingA: number;
  trunkIds: string[];
  movedIds: string[];
}

/** Own wires are never cut shorter than this, mm. */
const LEAST_WIRE_MM = 300;
/** From the stud of the block a feeder branches off to its own fuse, mm: within every school's limit. */
const FEEDER_LEAD_MM = 150;
/** Slots of a small block, and the steps larger ones come in. Common practice. */
const SLOT_STEPS = [4, 6, 8, 12, 24];
const SLOT_MAX_A = 30;
const BLOCK_MAX_A = 100;
/** As many sites as are worth trying. */
const MOST_SITES = 6;

/** Circuits that could move: fed from a slot, and with something on them. */
export function movable({ circuits }: Analysis, circuitIds: readonly string[]): CircuitAnalysis[] {
  return circuits.filter(({ id, fed, block, worstLoadId }) => fed && block !== null && worstLoadId !== null && circuitIds.includes(id));
}

/** Where a block could go: the places of the circuits' own devices; with no vehicle, somewhere short of the nearest one's first device. */
export function sitesFor(analysis: Analysis, circuits: readonly CircuitAnalysis[], trunkMm: number | null): SubBlockSite[] {
  const { devices } = analysis.index;
  const zoneId = circuits[0]?.zoneId ?? null;
  const home = circuits[0]?.block?.id;
  const from = home ? placeIdOf(devices, home) : null;
  if (from !== null) {
    const ids = new Set<string>();
    for (const { supplyRun, loadIds } of circuits) {
      for (const step of supplyRun) if (step.kind === 'device' && !step.shared) ids.add(step.deviceId);
      for (const id of loadIds) ids.add(id);
    }
    const places = new Set(Array.from(ids, (id) => placeIdOf(devices, id)));
    return Array.from(places)
      .filter((id): id is string => id !== null && id !== from)
      .slice(0, MOST_SITES)
      .map((placeId) => ({ placeId, zoneId: analysis.index.layout.places.get(placeId)?.zoneId ?? zoneId, trunkMm: 0 }));
  }
  const nearest = Math.min(...circuits.map((circuit) => firstWire(analysis, circuit)?.lengthMm ?? 0));
  const usual = nearest - LEAST_WIRE_MM;
  const asked = trunkMm ?? usual;
  return asked >= LEAST_WIRE_MM ? [{ placeId: null, zoneId, trunkMm: asked }] : [];
}

/** How far away a block could stand with no vehicle to measure in, mm; null where the vehicle says, or none would be nearer. */
export function usualTrunkMm(analysis: Analysis, circuitIds: readonly string[]): number | null {
  const [site] = sitesFor(analysis, movable(analysis, circuitIds), null);
  return site && site.placeId === null ? site.trunkMm : null;
}

/**
 * Puts a block with a return bar at a site, fed by a trunk out and back through a fuse of its own, in a slot that the circuits left where
 * that takes it, else beside their old block. Only circuits whose own cable gets shorter move. Null when none does, or no fuse fits.
 */
export function withSubBlock(analysis: Analysis, wanted: readonly CircuitAnalysis[], site: SubBlockSite): WithSubBlock | null {
  let moved = wanted.filter((circuit) => site.placeId !== null || (firstWire(analysis, circuit)?.lengthMm ?? 0) >= site.trunkMm);
  while (moved.length > 0) {
    const built = build(analysis, moved, site);
    if (!built) return null;
    const after = analyse(built.design, analysis);
    const longer = moved.filter(({ id }) => ownMm(after, id) >= ownMm(analysis, id));
    if (longer.length === 0) return fuseTrunk(built, after);
    moved = moved.filter((circuit) => !longer.includes(circuit));
  }
  return null;
}

/** The same with its trunk of a size. */
export function withTrunk({ design, trunkIds }: WithSubBlock, conductor: ConductorSize): Design {
  return applyUnchecked(design, updateRecords(design, trunkIds.map((id) => ({ id, set: { conductor } })))); // prettier-ignore
}

function ownMm({ circuits, wires }: Analysis, circuitId: string): number {
  const circuit = circuits.find(({ id }) => id === circuitId)!;
  return [...circuit.supplyWireIds, ...circuit.returnWireIds].reduce((sum, id) => sum + (wires.get(id)?.wire.lengthMm ?? 0), 0);
}

/** As `WithSubBlock`, its trunk's fuse not chosen yet. */
interface Built extends Omit<WithSubBlock, 'ratingA'> {
  feederId: string;
}

function build(analysis: Analysis, moved: readonly CircuitAnalysis[], site: SubBlockSite): Built | null {
  const { design, index } = analysis;
  const home = deviceOf(design, moved[0]!.block!.id, 'fuseBlock');
  const slots = SLOT_STEPS.find((count) => count >= moved.length + 1);
  if (!home || slots === undefined) return null;
  const edit = new Edit(design);
  const where = nameOf(design, site.placeId ?? site.zoneId ?? undefined);
  const at = { type: 'device' as const, zoneId: site.zoneId, ...(site.placeId ? { placeId: site.placeId } : {}) };
  const block = edit.add<FuseBlock>({
    ...{ ...at, id: newId('block'), kind: 'fuseBlock', name: cutText(`${where} fuse block`, LIMITS.nameLength), slots },
    ...{ slotMaxA: SLOT_MAX_A, blockMaxA: BLOCK_MAX_A, returnBar: true },
  });
  moved.forEach((circuit, place) => {
    edit.set(circuit.protectionId, { mount: { blockId: block.id, slot: place + 1 }, zoneId: site.zoneId });
    const first = firstWire(analysis, circuit);
    if (first) edit.set(first, shorter(first, site));
    for (const id of circuit.returnWireIds) {
      const wire = index.wires.find((one) => one.id === id)!;
      const end = homeEnd(index, wire);
      if (end) edit.set(id, { ...shorter(wire, site), [end]: { deviceId: block.id, terminal: 'return' } });
    }
  });
  const homeReturn = returnOf(analysis, moved);
  if (!homeReturn) return null;
  const feeder = edit.add<Protection>({
    ...{
      id: newId('fuse'),
      type: 'device',
      kind: 'protection',
      name: cutText(`${where} feed fuse`, LIMITS.nameLength),
      zoneId: home.zoneId,
    },
    ...{ family: 'blade', ratingA: SLOT_MAX_A, mount: firstFreeSlotOf(edit.design, home.id) },
  });
  const lengthMm = site.placeId === null ? site.trunkMm : 0;
  const trunk = moved[0]!.conductor!;
  const out = addWire(edit, 'supply', { deviceId: feeder.id, terminal: 'out' }, { deviceId: block.id, terminal: 'in' }, lengthMm, trunk);
  const back = addWire(edit, 'return', { deviceId: block.id, terminal: 'return' }, homeReturn, lengthMm, trunk);
  return {
    design: edit.design,
    block,
    feederId: feeder.id,
    trunkIds: [out.id, back.id],
    movedIds: moved.map(({ id }) => id),
  };
}

/** The trunk's fuse: the smallest blade that suits what flows and fits the slot, else a bolted one beside the block. */
function fuseTrunk({ feederId, ...built }: Built, analysis: Analysis): WithSubBlock | null {
  const edit = new Edit(built.design);
  const { mount } = deviceOf(built.design, feederId, 'protection')!;
  if (!mount) return null;
  const { peakA, continuousA } = analysis.blocks.find(({ id }) => id === built.block.id)!;
  const leastA = leastFuseA(continuousA, peakA);
  const largestBehind = Math.max(...analysis.circuits.filter(({ id }) => built.movedIds.includes(id)).map(({ ratingA }) => ratingA));
  const inSlot = RATINGS_A.blade.find((rating) => rating >= Math.max(leastA, 2 * largestBehind) && rating <= SLOT_MAX_A);
  if (inSlot !== undefined) {
    edit.set(feederId, { ratingA: inSlot });
    return { ...built, design: edit.design, ratingA: inSlot };
  }
  const family = BOLTED.find((one) => RATINGS_A[one].some((rating) => rating >= leastA));
  if (!family) return null;
  const ratingA = RATINGS_A[family].find((rating) => rating >= leastA)!;
  const home = deviceOf(built.design, mount.blockId, 'fuseBlock')!;
  edit.set(feederId, { family, ratingA, mount: null, placeId: home.placeId });
  const { conductor } = analysis.wires.get(built.trunkIds[0]!)!.wire;
  const lead = addWire(
    edit,
    'supply',
    { deviceId: home.id, terminal: 'in' },
    { deviceId: feederId, terminal: 'in' },
    FEEDER_LEAD_MM,
    conductor,
  );
  edit.set(lead, { lengthMeasured: true });
  return { ...built, design: edit.design, ratingA, trunkIds: [...built.trunkIds, lead.id] };
}

function firstFreeSlotOf(design: Design, blockId: string): Protection['mount'] {
  const others = Array.from(design.records.values()).filter(
    (record) => record.type !== 'device' || record.kind !== 'fuseBlock' || record.id === blockId,
  );
  return firstFreeSlot({ records: new Map(others.map((record) => [record.id, record])) });
}

/** The wire that leaves a circuit's fuse; where several do, the longest. */
function firstWire({ index }: Analysis, { protectionId }: CircuitAnalysis): Wire | null {
  const leaving = index.wires.filter(({ from, to }) => [from, to].some((end) => end.deviceId === protectionId && end.terminal === 'out'));
  return leaving.sort((a, b) => b.lengthMm - a.lengthMm)[0] ?? null;
}

function shorter(wire: Wire, { placeId, trunkMm }: SubBlockSite): Partial<Wire> {
  // In a vehicle the places give the length; a way chosen by hand led elsewhere.
  if (placeId !== null) return { lengthMeasured: false, ...(wire.via ? { via: null } : {}) };
  return { lengthMm: Math.max(LEAST_WIRE_MM, wire.lengthMm - trunkMm), lengthMeasured: false };
}

/** Which end of a return wire is where circuits come together; null for one between loads, or to a ground point. */
function homeEnd({ devices }: Analysis['index'], { from, to }: Wire): 'from' | 'to' | null {
  const isHome = (id: string) => {
    const kind = devices.get(id)?.kind;
    return kind === 'battery' || isReturnJunction(id, kind);
  };
  return isHome(to.deviceId) ? 'to' : isHome(from.deviceId) ? 'from' : null;
}

/** Where the circuits' returns come home now. */
function returnOf({ index }: Analysis, circuits: readonly CircuitAnalysis[]): Wire['to'] | null {
  for (const { returnWireIds } of circuits) {
    for (const id of returnWireIds) {
      const wire = index.wires.find((one) => one.id === id)!;
      const end = homeEnd(index, wire);
      if (end) return wire[end];
    }
  }
  return null;
}
