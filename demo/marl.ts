import { newDesignRecords } from '../core/switching/newDesign';
import { makeDesign, type Design } from '../core/design/design';
import { Edit } from '../core/design/edit';
import type { FuseBlock, Place, Rig, Route, Switch } from '../core/design/schema';
import { addCircuit } from '../core/switching/schemes';
import { addWire } from '../core/switching/wires';
import { newLoad } from '../core/switching/newLoad';
import { LOAD_BEHAVIOURS } from '../core/devices/load';
import { USUAL_RIG } from '../core/rig/layout';
import { straightRoute } from '../core/rig/straightRoute';
import { watts } from './builder';

/** Marl: a generated design of any number of circuits, one to three loads each, for benchmarks only. The same every time. */
export function marl(circuitCount: number): Design {
  const zones = ['Front', 'Middle', 'Rear', 'Left', 'Right', 'Roof', 'Under', 'Cab', 'Locker', 'Annex'];
  const records = newDesignRecords({
    ...{
      name: `Marl ${circuitCount}`,
      vehicle: 'boxBody',
      zones,
      units: 'metric',
      standard: 'iso-small-craft',
      defaultReturn: 'dedicated',
    },
    battery: { chemistry: 'lithium', capacityAh: 300, count: 2 },
  });
  const design = makeDesign(records);
  const zoneIds = records.filter((record) => record.type === 'zone').map((zone) => zone.id);
  const scenario = records.find((record) => record.type === 'scenario')!;
  const device = (kind: string) => records.find((record) => record.type === 'device' && record.kind === kind)!;
  const bar = device('busBar');
  const first = device('fuseBlock') as FuseBlock;
  const random = generator(7);
  const edit = new Edit(design);
  for (const wire of records) if (wire.type === 'wire' && wire.to.deviceId === first.id) edit.remove(wire.id);
  edit.remove(first.id);
  edit.set(device('battery').id, { heldDown: true });
  const isolator = device('isolator');
  let block = first;
  for (let at = 0; at < circuitCount; at++) {
    const slot = (at % 24) + 1;
    if (slot === 1) {
      block = edit.add<FuseBlock>({ ...first, id: `block_${at / 24}`, name: `Block ${at / 24 + 1}`, slots: 24 });
      addWire(edit, 'supply', { deviceId: isolator.id, terminal: 'out' }, { deviceId: block.id, terminal: 'in' }, 1000, 'mm2:70');
    }
    const zoneId = zoneIds[Math.floor(random() * zoneIds.length)]!;
    const loads = Array.from({ length: 1 + Math.floor(random() * 3) }, (_, place) => {
      const rated = watts(2 + Math.round(random() * 10));
      const behaviour = LOAD_BEHAVIOURS[(at + place) % LOAD_BEHAVIOURS.length]!;
      const load = edit.add({ ...newLoad(`Load ${at + 1}.${place + 1}`, zoneId), rated, behaviour });
      edit.add({
        id: `duty_${at}_${place}`,
        type: 'duty',
        scenarioId: scenario.id,
        loadId: load.id,
        hoursPerDay: Math.round(random() * 8),
        sharePercent: 100,
      });
      return load.id;
    });
    hangInOrder(edit, at, zoneId, block.id, slot, bar.id, loads, 1000 + Math.round(random() * 5000));
  }
  return { records: edit.design.records };
}

/** Marl laid out: places in a square grid of so many a side, each joined to its neighbours, and everything strewn over them. */
export function laidMarl(circuitCount: number, side = 9): Design {
  const edit = new Edit(marl(circuitCount));
  edit.add<Rig>({ ...USUAL_RIG, lengthMm: 12_000, widthMm: 2500 });
  const id = (column: number, row: number) => `place_${column}_${row}`;
  for (let column = 0; column < side; column++) {
    for (let row = 0; row < side; row++) {
      const at = { xMm: Math.round((12_000 * (column + 0.5)) / side), yMm: Math.round((2500 * (row + 0.5)) / side), zMm: 400 + row * 100 };
      edit.add<Place>({
        id: id(column, row),
        type: 'place',
        name: `Place ${column}.${row}`,
        zoneId: null,
        ...at,
        depthMm: null,
        behind: '',
      });
      if (column > 0) edit.add<Route>({ ...straightRoute(id(column - 1, row), id(column, row)), id: `route_${column}_${row}_x` });
      if (row > 0) edit.add<Route>({ ...straightRoute(id(column, row - 1), id(column, row)), id: `route_${column}_${row}_y` });
    }
  }
  const random = generator(11);
  const anywhere = () => id(Math.floor(random() * side), Math.floor(random() * side));
  for (const record of edit.design.records.values()) {
    if (record.type === 'device' && !(record.kind === 'protection' && record.mount)) edit.set(record, { placeId: anywhere() });
  }
  return { records: edit.design.records };
}

/** As the ordinary scheme would, but without tracing the whole design again for every load. */
function hangInOrder(
  edit: Edit,
  at: number,
  zoneId: string,
  blockId: string,
  slot: number,
  barId: string,
  loads: string[],
  feedMm: number,
): void {
  const circuit = addCircuit(edit, {
    ...{ name: `Circuit ${at + 1}`, zoneId, dropClass: 'general', ratingA: 5, conductor: 'mm2:4', feedMm, panelSwitch: null },
    ...{ return: 'dedicated', mount: { blockId, slot }, loadIds: [] },
  });
  const fed = edit.add<Switch>({ id: `switch_${at}`, type: 'device', kind: 'switch', name: `Switch ${at + 1}`, zoneId, ratingA: 16 });
  addWire(edit, 'supply', { deviceId: circuit.protectionId, terminal: 'out' }, { deviceId: fed.id, terminal: 'in' }, feedMm / 2, 'mm2:4');
  let plus = { deviceId: fed.id, terminal: 'out' };
  let minus = { deviceId: barId, terminal: 'bar' };
  loads.forEach((deviceId, place) => {
    const lengthMm = place === 0 ? feedMm / 2 : 600;
    addWire(edit, 'supply', plus, { deviceId, terminal: 'plus' }, lengthMm, 'mm2:4');
    addWire(edit, 'return', { deviceId, terminal: 'minus' }, minus, lengthMm, 'mm2:4');
    plus = { deviceId, terminal: 'plus' };
    minus = { deviceId, terminal: 'minus' };
  });
}

/** A small fixed pseudo-random sequence in [0, 1). */
function generator(seed: number): () => number {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}
