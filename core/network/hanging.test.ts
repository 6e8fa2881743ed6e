import { heron } from '../../demo/heron';
import { marl } from '../../demo/marl';
import { pip } from '../../demo/pip';
import { applyChange, updateRecords } from '../design/change';
import { recordsOf, type Design } from '../design/design';
import { indexDesign } from '../rig/designIndex';
import { findHanging } from './hanging';
import { retraceWiring, traceWiring } from './traceWiring';

const hung = (design: Design) => {
  const index = indexDesign(design);
  const wiring = traceWiring(index);
  return { index, wiring, hanging: findHanging(wiring, index) };
};

describe.each([
  ['Heron', heron()],
  ['Pip', pip()],
  ['Marl of 30', marl(30)],
])('%s', (_, design) => {
  const { index, wiring, hanging } = hung(design);

  test('every load hangs on one circuit, and on the terminals its wires say', () => {
    const byCircuit = Array.from(hanging.circuits.values(), ({ loadIds }) => loadIds).flat();
    expect([...byCircuit].sort()).toEqual(index.loads.map(({ id }) => id).sort());
    for (const { id } of index.loads) {
      const { plus, minus } = hanging.loads.get(id)!;
      expect(wiring.supply.nodes[plus!]).toMatchObject({ deviceId: id, terminal: 'plus' });
      expect(wiring.return.nodes[minus!]).toMatchObject({ deviceId: id, terminal: 'minus' });
    }
  });

  test('no supply wire is two circuits’ own, and a circuit’s own lie between its fuse and its loads', () => {
    const seen = new Map<number, string>();
    for (const [circuitId, { supply }] of hanging.circuits) {
      for (const at of supply) {
        expect(seen.get(at)).toBeUndefined();
        seen.set(at, circuitId);
      }
      const { protectionId } = index.circuits.find(({ id }) => id === circuitId)!;
      // Walking up from any of them one comes to the fuse before one comes to the battery.
      for (const at of supply) {
        let step = at;
        while (wiring.supply.nodes[step]!.deviceId !== protectionId) step = wiring.supply.nodes[step]!.parent;
        expect(step).toBeGreaterThanOrEqual(0);
      }
    }
  });

  test('a circuit’s own return ends at the first point it shares with others', () => {
    for (const { loadIds, return: own } of hanging.circuits.values()) {
      for (const at of own) {
        const kind = index.devices.get(wiring.return.nodes[at]!.deviceId)?.kind;
        expect(['busBar', 'fuseBlock', 'groundPoint', 'battery']).not.toContain(kind);
      }
      if (loadIds.length > 0) expect(own.length).toBeGreaterThan(0);
    }
  });

  test('the first blocks have the battery and no block ahead of them, by a way that begins at the battery', () => {
    expect(hanging.firstBlocks.length).toBeGreaterThan(0);
    for (const { at, path } of hanging.firstBlocks) {
      expect(path.at(-1)).toBe(at);
      expect(wiring.supply.nodes[path[0]!]!.deviceId).toBe(index.battery!.id);
      const kinds = path.slice(0, -1).map((step) => index.devices.get(wiring.supply.nodes[step]!.deviceId)?.kind);
      expect(kinds).not.toContain('fuseBlock');
    }
  });
});

test('it is the same wherever nothing is joined or parted', () => {
  const design = heron();
  const { index, wiring, hanging } = hung(design);
  const [wire] = recordsOf(design, 'wire');
  const longer = applyChange(design, updateRecords(design, [{ id: wire!.id, set: { conductor: 'mm2:50' } }]));
  const after = indexDesign(longer);
  const traced = ({ records }: Design, { wires }: typeof index) => ({ records, wires });
  const retraced = retraceWiring(wiring, traced(design, index), traced(longer, after), after)!;
  expect([retraced.supply.at, retraced.return.at]).toEqual([wiring.supply.at, wiring.return.at]);
  expect(retraced.supply.at).toBe(wiring.supply.at);
  expect(findHanging(retraced, after)).toEqual(hanging);
});
