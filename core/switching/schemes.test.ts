import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { analyse } from '../analysis/analyse';
import { applyChange } from '../design/change';
import { deviceOf, makeDesign, recordOf, type Design } from '../design/design';
import { Edit } from '../design/edit';
import type { DesignRecord } from '../design/schema';
import { PARTS } from '../devices/parts';
import { attachLoad, moveLoad, removeLoads } from './loadWires';
import { putIntoRun } from './partsByHand';
import { setReturn } from './returns';
import { addCircuit, mountFuse, removeCircuit, stepRating } from './schemes';
import { firstFreeSlot, usualScheme } from './usualScheme';
import { newLoad } from './newLoad';
import { giveLoadItsCircuit } from './ownCircuit';

const design = heron();
const named = (name: string, from: Design = design) =>
  Array.from(from.records.values()).find((record) => 'name' in record && record.name === name)! as DesignRecord & { id: string };
const circuitNamed = (name: string, from: Design = design) => analyse(from).circuits.find((circuit) => circuit.name === name)!;
const faults = (from: Design) => analyse(from).findings.filter(({ rule }) => rule.startsWith('wiring.') || rule === 'load.noCircuit');

test('a load moved to another circuit hangs on its end and comes back by its return', () => {
  const strip = named('Galley light strip');
  const target = circuitNamed('Fridge');
  const moved = applyChange(design, moveLoad(design, strip.id, target.id));
  expect(circuitNamed('Fridge', moved).loadIds).toContain(strip.id);
  expect(circuitNamed('Galley lights', moved).loadIds).toEqual([]);
  expect(analyse(moved).loads.get(strip.id)!.returned).toBe(true);
  expect(faults(moved)).toEqual([]);
});

test('a lamp taken out of the middle of a chain leaves no gap, and the run keeps its length', () => {
  // With lengths as they were typed: places would give the joined wire the length of its own way.
  const loose = makeDesign(
    Array.from(design.records.values(), (record) => (record.type === 'device' ? { ...record, placeId: null } : record)),
  );
  const edit = new Edit(loose);
  const second = edit.add(newLoad('Night light', 'zone_bunk'));
  attachLoad(edit, second.id, circuitNamed('Bunk reading lights', loose).id);
  const chain = edit.design;
  const first = named('Reading light', chain);
  const before = circuitNamed('Bunk reading lights', chain);
  const without = applyChange(chain, removeLoads(chain, [first.id]));
  const after = circuitNamed('Bunk reading lights', without);
  const length = (wireIds: string[], from: Design) => wireIds.reduce((sum, id) => sum + recordOf(from, id, 'wire')!.lengthMm, 0);
  expect(after.loadIds).toEqual(before.loadIds.filter((id) => id !== first.id));
  expect(length(after.supplyWireIds, without)).toBe(length(before.supplyWireIds, chain));
  expect(length(after.returnWireIds, without)).toBe(length(before.returnWireIds, chain));
  expect(faults(without)).toEqual([]);
});

test('a circuit taken out leaves its loads without one, and nothing of its own behind', () => {
  const circuit = circuitNamed('Scene lights, left');
  const without = applyChange(design, removeCircuit(design, circuit.id));
  expect(faults(without).map(({ rule }) => rule)).toEqual(['load.noCircuit', 'load.noCircuit']);
  for (const id of [...circuit.supplyWireIds, ...circuit.returnWireIds, circuit.protectionId]) expect(without.records.has(id)).toBe(false);
});

test('a load gets a circuit of its own in the first free slot', () => {
  const load = newLoad('Extra fan', 'zone_roof');
  const added = applyChange(design, { added: [load], updated: [], removed: [] });
  const free = firstFreeSlot(added);
  const wired = applyChange(added, giveLoadItsCircuit(added, load.id)!);
  expect(circuitNamed('Extra fan', wired)).toMatchObject({
    ratingA: 5,
    fed: true,
    block: { id: free!.blockId, slot: free!.slot },
    number: 22,
  });
  expect(faults(wired)).toEqual([]);
});

test('a fuse put into a taken slot changes places with the one there', () => {
  const [a, b] = [circuitNamed('Galley lights'), circuitNamed('Fridge')];
  const swapped = applyChange(design, mountFuse(design, a.protectionId, { blockId: b.block!.id, slot: b.block!.slot }));
  expect(circuitNamed('Galley lights', swapped).block).toEqual(b.block);
  expect(circuitNamed('Fridge', swapped).block).toEqual(a.block);
});

test('a fuse taken out of its slot feeds nothing until it is put back', () => {
  const { protectionId } = circuitNamed('Fridge');
  const out = applyChange(design, mountFuse(design, protectionId, null));
  expect(circuitNamed('Fridge', out).fed).toBe(false);
  expect(analyse(out).findings.some(({ rule, subjects }) => rule === 'fuse.notFed' && subjects[0] === protectionId)).toBe(true);
});

test('a return moved to the chassis and back still comes home', () => {
  const circuit = circuitNamed('Cab radio');
  const chassis = applyChange(design, setReturn(design, circuit.id, 'chassis', circuit.returnWireIds));
  const onChassis = circuitNamed('Cab radio', chassis);
  expect(onChassis.returnRun.some(({ kind }) => kind === 'joint')).toBe(true);
  expect(faults(chassis)).toEqual([]);
  const back = applyChange(chassis, setReturn(chassis, circuit.id, 'dedicated', onChassis.returnWireIds));
  expect(circuitNamed('Cab radio', back).dropV).toBeCloseTo(circuit.dropV, 9);
});

test('the first chassis return also ties the battery to the chassis', () => {
  const plain = pip();
  const edit = new Edit(plain);
  const load = edit.add(newLoad('Nose light', 'zone_nose'));
  addCircuit(edit, { ...usualScheme(plain, 'Nose light', 'zone_nose'), return: 'chassis', loadIds: [load.id] });
  const wired = applyChange(plain, edit.change);
  expect(analyse(wired).loads.get(load.id)!.returned).toBe(true);
  expect(Array.from(wired.records.values()).filter((record) => record.type === 'device' && record.kind === 'groundPoint')).toHaveLength(2);
});

test('a fuse steps through the ratings of its family and stops at the ends', () => {
  const fuse = deviceOf(design, circuitNamed('Fridge').protectionId, 'protection')!;
  expect(stepRating(fuse, 1)).toBe(15);
  expect(stepRating(fuse, -1)).toBe(7.5);
  expect(stepRating({ ...fuse, ratingA: 1 }, -1)).toBe(1);
  expect(stepRating({ ...fuse, ratingA: 40 }, 1)).toBe(40);
});

test('a load hung on a circuit with a radio in it hangs on its last load, not on the radio', () => {
  const { loadIds, supplyWireIds, id } = circuitNamed('Fridge');
  const radio = PARTS.find((part) => part.id === 'receiver')!;
  const put = putIntoRun(design, supplyWireIds[0]!, radio, 300)!;
  const edit = new Edit(applyChange(design, put.change));
  const added = edit.add(newLoad('Beside the fridge', null));
  attachLoad(edit, added.id, id);
  const feed = Array.from(edit.design.records.values()).find((record) => record.type === 'wire' && record.to.deviceId === added.id)!;
  expect(feed).toMatchObject({ from: { deviceId: loadIds[0], terminal: 'plus' } });
});
