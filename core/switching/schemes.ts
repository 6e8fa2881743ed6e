import type { ConductorSize } from '../catalog/conductorSizes';
import { RATINGS_A } from '../catalog/fuses';
import type { Change } from '../design/change';
import { deviceOf, recordOf, recordsOf, slotKey, type Design } from '../design/design';
import { Edit } from '../design/edit';
import { newId } from '../design/ids';
import type { Circuit, FuseBlock, Protection, Switch, TerminalRef } from '../design/schema';
import { traceWiring } from '../network/traceWiring';
import { indexDesign } from '../rig/designIndex';
import type { FuseAtBar } from './fuseBerth';
import { attachLoad, cutLoose, mustBe } from './loadWires';
import type { CircuitScheme } from './usualScheme';
import { addWire, detachAll, wiresAt } from './wires';

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

/** Removes a circuit with its fuse, switches and wires. Its loads stay, without a circuit. */
export function removeCircuit(design: Design, circuitId: string): Change {
  const edit = new Edit(design);
  const circuit = mustBe(recordOf(design, circuitId, 'circuit'), circuitId);
  const { supply } = traceWiring(indexDesign(design));
  const inside = new Set(supply.nodes.filter((node) => node.circuitId === circuitId).map((node) => node.deviceId));
  cutLoose(
    edit,
    [...inside].flatMap((id) => deviceOf(design, id, 'load') ?? []),
  );
  for (const id of [...inside, circuit.protectionId]) {
    if (deviceOf(design, id, 'load') || (id !== circuit.protectionId && isNeededElsewhere(design, id, inside))) continue;
    detachAll(edit, id);
    edit.remove(id);
  }
  edit.remove(circuitId);
  return edit.change;
}

/**
 * What a circuit reaches, by a wire gone astray, and does not own: the battery, another circuit's fuse, a block that others' fuses sit in.
 */
function isNeededElsewhere(design: Design, id: string, inside: ReadonlySet<string>): boolean {
  const device = recordOf(design, id, 'device');
  if (device?.kind === 'battery') return true;
  if (device?.kind === 'protection') return recordsOf(design, 'circuit').some(({ protectionId }) => protectionId === id);
  const sits = ({ id: fuseId, mount }: Protection) => mount?.blockId === id && !inside.has(fuseId);
  return device?.kind === 'fuseBlock' && recordsOf(design, 'device').some((one) => one.kind === 'protection' && sits(one));
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
    if (there && there.id !== fuse.id) edit.set(there, { mount: fuse.mount });
    for (const wire of wiresAt(design, protectionId, 'in')) edit.remove(wire.id);
  }
  edit.set(protectionId, { mount, ...(mount && { zoneId: blockZone(design, mount) }) });
  return edit.change;
}

/** Cable from a bar to a fuse beside it, mm: within every school's limit for a lead ahead of its fuse. */
const LEAD_MM = 150;

/** The short lead that feeds a fuse from a bar; as long as it must be, whatever lies around. */
function addLead(edit: Edit, from: TerminalRef, fuseId: string, conductor: ConductorSize): void {
  const lead = addWire(edit, 'supply', from, { deviceId: fuseId, terminal: 'in' }, LEAD_MM, conductor);
  edit.set(lead, { lengthMeasured: true });
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

function blockZone(design: Design, mount: Protection['mount']): string | null {
  return mount ? ((deviceOf(design, mount.blockId, 'fuseBlock') as FuseBlock | null)?.zoneId ?? null) : null;
}
