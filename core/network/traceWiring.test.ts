import fc from 'fast-check';
import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { applyChange, updateRecords } from '../design/change';
import { makeDesign, recordOf, type Design } from '../design/design';
import { kindOf } from '../devices';
import { indexDesign } from '../rig/designIndex';
import { Joined } from '../rig/joined';
import { Carried } from '../units/carried';
import { Edit } from '../design/edit';
import { newDesignRecords } from '../switching/newDesign';
import type { TerminalRef, Wire } from '../design/schema';
import { addWire } from '../switching/wires';
import { newLoad } from '../switching/newLoad';
import { rowAmpereMetres, treeDemand, treeFlow } from './flow';
import { pathTo } from './ways';
import { retraceWiring, traceWiring } from './traceWiring';
import { terminalKey } from './wiring';
import { randomDesign } from '../../testing/randomDesign';
import { seeded } from '../../testing/random';
import { IS_WHOLE_RUN, runs, seedOf } from '../../testing/runs';

const OHM_PER_M = 0.01;

/** A design whose return bar feeds nothing yet, and a random tree of wires from its fuse block's one fuse to loads. */
function randomTree(parents: number[], lengthsMm: number[], amps: number[]): { design: Design; loadIds: string[] } {
  const design = makeDesign(
    newDesignRecords({
      ...{ name: 'Tree', vehicle: 'trailer', zones: ['Cabin'], units: 'metric', standard: 'iso-small-craft', defaultReturn: 'dedicated' },
      battery: { chemistry: 'agm', capacityAh: 100, count: 1 },
    }),
  );
  const edit = new Edit(design);
  const fuse = Array.from(design.records.values()).find((record) => record.type === 'device' && record.kind === 'protection')!;
  const loadIds = parents.map((parent, at) => {
    const load = edit.add({ ...newLoad(`Load ${at}`, null), rated: { kind: 'amps', amps: amps[at]!, atV: 12 } });
    return load.id;
  });
  parents.forEach((parent, at) => {
    const from = parent < 0 ? { deviceId: fuse.id, terminal: 'out' } : { deviceId: loadIds[parent]!, terminal: 'plus' };
    addWire(edit, 'supply', from, { deviceId: loadIds[at]!, terminal: 'plus' }, lengthsMm[at]!, 'mm2:2.5');
  });
  return { design: applyChange(design, edit.change), loadIds };
}

/**
 * The drops solved independently: Kirchhoff's current law at every load's terminal as a full linear system, by Gaussian
 * elimination. The fuse's outlet is the reference.
 */
function solveByKirchhoff(parents: number[], lengthsMm: number[], amps: number[]): number[] {
  const count = parents.length;
  const rows = parents.map(() => new Array<number>(count + 1).fill(0));
  parents.forEach((parent, at) => {
    const conductance = 1 / (OHM_PER_M * (lengthsMm[at]! / 1000));
    rows[at]![at]! += conductance;
    if (parent >= 0) {
      rows[parent]![parent]! += conductance;
      rows[at]![parent]! -= conductance;
      rows[parent]![at]! -= conductance;
    }
  });
  amps.forEach((current, at) => (rows[at]![count] = current));
  for (let pivot = 0; pivot < count; pivot++) {
    const best = rows
      .slice(pivot)
      .reduce((most, row, at) => (Math.abs(row[pivot]!) > Math.abs(rows[most]![pivot]!) ? pivot + at : most), pivot);
    [rows[pivot], rows[best]] = [rows[best]!, rows[pivot]!];
    for (let row = 0; row < count; row++) {
      if (row === pivot) continue;
      const factor = rows[row]![pivot]! / rows[pivot]![pivot]!;
      for (let column = pivot; column <= count; column++) rows[row]![column]! -= factor * rows[pivot]![column]!;
    }
  }
  return rows.map((row, at) => row[count]! / row[at]!);
}

test('drops along any tree of wires are what Kirchhoff’s laws give, solved independently as one linear system', () => {
  const trees = fc
    .integer({ min: 1, max: 14 })
    .chain((count) =>
      fc.tuple(
        fc.tuple(...Array.from({ length: count }, (_, at) => fc.integer({ min: -1, max: at - 1 }))),
        fc.array(fc.integer({ min: 50, max: 9000 }), { minLength: count, maxLength: count }),
        fc.array(fc.double({ min: 0, max: 12, noNaN: true }), { minLength: count, maxLength: count }),
      ),
    );
  fc.assert(
    fc.property(trees, ([parents, lengthsMm, amps]) => {
      const { design, loadIds } = randomTree(parents, lengthsMm, amps);
      const index = indexDesign(design);
      const { supply } = traceWiring(index);
      const current = new Map(loadIds.map((id, at) => [id, amps[at]!]));
      const loadAt = (deviceId: string, terminal: string) =>
        terminal === 'plus' && current.has(deviceId) ? { amps: current.get(deviceId)!, continuous: true, side: null } : null;
      const demand = treeDemand(supply, loadAt);
      const flow = treeFlow(
        supply,
        demand,
        () => OHM_PER_M,
        () => false,
      );
      const fuseAt = supply.nodes.findIndex(({ terminal, protectionId }) => terminal === 'out' && protectionId !== null);
      const expected = solveByKirchhoff(parents, lengthsMm, amps);
      loadIds.forEach((id, at) => {
        const dropV = flow.dropV[supply.at.get(terminalKey(id, 'plus'))!]! - flow.dropV[fuseAt]!;
        expect(Math.abs(dropV - expected[at]!)).toBeLessThan(1e-9 * Math.max(1, expected[at]!));
      });
    }),
    { numRuns: runs(120), seed: seedOf(31) },
  );
});

test('a row of n like lamps loses spacing times one lamp’s current times n (n − 1) / 2, summed hop by hop', () => {
  for (const quantity of [1, 2, 5, 12]) {
    const each = 0.25;
    let hopByHop = 0;
    for (let beyond = quantity - 1; beyond > 0; beyond--) hopByHop += beyond * each * 0.4;
    expect(rowAmpereMetres(quantity * each, quantity, 400)).toBeCloseTo(hopByHop, 12);
  }
});

describe('tracing', () => {
  test('every load of the demos is reached from plus and comes home to minus, each under its own circuit', () => {
    for (const design of [heron(), pip()]) {
      const index = indexDesign(design);
      const { supply, return: returns, faults } = traceWiring(index);
      expect(faults).toEqual([]);
      for (const { id } of index.loads) {
        expect(supply.nodes[supply.at.get(terminalKey(id, 'plus'))!]!.circuitId).not.toBeNull();
        expect(returns.at.has(terminalKey(id, 'minus'))).toBe(true);
      }
    }
  });

  test('parents come before their children, and every path starts at the battery', () => {
    const index = indexDesign(heron());
    const { supply } = traceWiring(index);
    supply.nodes.forEach(({ parent }, at) => expect(parent).toBeLessThan(at));
    expect(supply.nodes[pathTo(supply, supply.nodes.length - 1)[0]!]!.deviceId).toBe(index.battery!.id);
  });

  test('a length or gauge changed keeps the trees; a wire moved, added or taken away is traced afresh', () => {
    const design = heron();
    const first = new Carried();
    const index = indexDesign(design, first);
    const before = traceWiring(index);
    const retrace = (to: Design) => {
      const now = indexDesign(to, new Carried(first));
      return retraceWiring(before, { ...design, wires: index.wires }, { ...to, wires: now.wires }, now);
    };
    const wires = Array.from(design.records.values()).filter((record): record is Wire => record.type === 'wire');
    for (const wire of wires.slice(0, 12)) {
      const longer = applyChange(
        design,
        updateRecords(design, [{ id: wire.id, set: { lengthMm: wire.lengthMm + 10, conductor: 'mm2:16' } }]),
      );
      expect(retrace(longer)).toEqual(traceWiring(indexDesign(longer)));
      const without = new Map(design.records);
      without.delete(wire.id);
      expect(retrace({ records: without })).toBeNull();
    }
    const moved = updateRecords(design, [{ id: 'wire_front', set: { from: { deviceId: 'fuse_main', terminal: 'out' } } }]);
    expect(retrace(applyChange(design, moved))).toBeNull();
    expect(retrace(design)).toBe(before);
  });
});

// A tree and one edge more has one ring more, whatever it joins: the graph's first Betti number, edges less nodes and one.
test('a wire between any two points that are reached closes one ring, through the fuses of two blocks too', () => {
  const random = seeded(seedOf(3));
  const any = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)]!;
  const designs = [heron(), pip(), ...Array.from({ length: runs(20) }, (_, at) => randomDesign(seedOf(60 + at)).design)];
  const met = { outlets: 0, depths: 0, supply: 0, return: 0 };
  for (let run = 0; run < runs(400); run++) {
    const design = designs[run % designs.length]!;
    const before = traceWiring(indexDesign(design));
    const role = run % 4 === 3 ? 'return' : 'supply';
    const tree = before[role];
    const reached = tree.nodes.filter((node, at) => node.feedId === null && hasScrew(design, node) && (role === 'return' || at < before.fedCount)); // prettier-ignore
    const outlets = reached.filter(({ deviceId, protectionId }) => deviceId === protectionId);
    const among = run % 3 === 0 && outlets.length > 1 ? outlets : reached;
    if (among.length === 0) continue;
    const [one, other] = [any(among), any(among)];
    if (one === other) continue;
    met[role] += 1;
    if (among === outlets) met.outlets += 1;
    const depth = (node: typeof one) => pathTo(tree, tree.nodes.indexOf(node)).length;
    if (depth(one) !== depth(other)) met.depths += 1;
    const edit = new Edit(design);
    addWire(edit, role, end(one), end(other), 300, 'mm2:2.5');
    const now = traceWiring(indexDesign(edit.design));
    expect([run, end(one), end(other), now.rings.length]).toEqual([run, end(one), end(other), before.rings.length + 1]);
  }
  if (IS_WHOLE_RUN) for (const [what, count] of Object.entries(met)) expect([what, count > 50]).toEqual([what, true]);
});

// What reaches a load is asked of the graph of joined terminals, where no way needs one changeover on two throws.
test('a load that one fuse alone can feed hangs on that one in the tree, whatever second way is wired to others', () => {
  const random = seeded(seedOf(5));
  const any = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)]!;
  const designs = [heron(), heron(), pip(), randomDesign(seedOf(60)).design];
  const met = { alone: 0, several: 0, pastThrows: 0 };
  for (let run = 0; run < runs(160); run++) {
    const design = designs[run % designs.length]!;
    const { supply, fedCount } = traceWiring(indexDesign(design));
    const reached = supply.nodes.filter((node, at) => at < fedCount && node.feedId === null && hasScrew(design, node));
    const contacts = reached.filter(({ deviceId }) => ['switch', 'relay'].includes(recordOf(design, deviceId, 'device')!.kind));
    const [one, other] = [any(reached), any(contacts.length > 0 ? contacts : reached)];
    const edit = new Edit(design);
    if (one !== other) addWire(edit, 'supply', end(one), end(other), 300, 'mm2:2.5');
    const index = indexDesign(edit.design);
    const now = traceWiring(index);
    const joined = new Joined(index.devices, index.wires, ({ kind }) => kind !== 'protection');
    const fuses = [...index.devices.values()].filter(({ kind }) => kind === 'protection');
    const behind = fuses.map(({ id }) => ({ id, reached: joined.reachedFrom([terminalKey(id, 'out')]) }));
    for (const { id } of index.loads) {
      const at = now.supply.at.get(terminalKey(id, 'plus')) ?? Infinity;
      const node = now.supply.nodes[at];
      // One that hangs on the battery, or on the vehicle, has a way past every fuse.
      if (at >= now.fedCount || !node || node.feedId !== null || node.protectionId === null) continue;
      const feeding = behind.filter((fuse) => fuse.reached.has(terminalKey(id, 'plus')));
      met[feeding.length === 1 ? 'alone' : 'several'] += 1;
      if (feeding.length !== 1) continue;
      if (feeding[0]!.reached.get(terminalKey(id, 'plus'))!.every(({ size }) => size > 0)) met.pastThrows += 1;
      expect([run, id, end(one), end(other), node.protectionId]).toEqual([run, id, end(one), end(other), feeding[0]!.id]);
    }
  }
  if (IS_WHOLE_RUN) for (const [what, count] of Object.entries(met)) expect([what, count > 50]).toEqual([what, true]);
});

/** Whether a wire can land there: not on the body as such, nor where a lamp's functions meet within it. */
function hasScrew(design: Design, { deviceId, terminal }: TerminalRef): boolean {
  const device = recordOf(design, deviceId, 'device');
  return device !== null && kindOf(device).terminals(device).includes(terminal);
}

const end = ({ deviceId, terminal }: TerminalRef): TerminalRef => ({ deviceId, terminal });
