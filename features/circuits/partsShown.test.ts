import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { analyse } from '../../core/analysis/analyse';
import { allParts, partsOfCircuit } from './partsShown';

const analysis = analyse(heron());
const parts = allParts(analysis);

test('every part is listed once, and none that has a screen of its own', () => {
  expect(parts.length).toBeGreaterThan(10);
  expect(new Set(parts.map(({ device }) => device.id)).size).toBe(parts.length);
  for (const { device } of parts) expect(['load', 'battery', 'fuseBlock', 'solarPanel', 'charger']).not.toContain(device.kind);
});

test('whatever is no load, supply or block is listed, a fuse in a block and a circuit’s own fuse apart', () => {
  const guards = new Set(analysis.circuits.map(({ protectionId }) => protectionId));
  const elsewhere = ['load', 'battery', 'fuseBlock', 'charger', 'solarPanel', 'solarController', 'alternator', 'dcDcCharger', 'splitRelay'];
  const left = [...analysis.index.devices.values()].filter(
    (device) => !elsewhere.includes(device.kind) && !guards.has(device.id) && !(device.kind === 'protection' && device.mount),
  );
  expect(parts.map(({ device }) => device.id).sort()).toEqual(left.map(({ id }) => id).sort());
});

test('those of no circuit come first; a part within a circuit is behind its fuse, and a shared ground is none of it', () => {
  const first = parts.findIndex(({ circuitId }) => circuitId !== null);
  expect(first).toBeGreaterThan(0);
  expect(parts.slice(first).every(({ circuitId }) => circuitId !== null)).toBe(true);
  for (const one of [analysis, analyse(pip())])
    for (const circuit of one.circuits) {
      const within = partsOfCircuit(one, circuit);
      expect(within.map(({ id }) => id)).not.toContain(circuit.protectionId);
      expect(within.map(({ kind }) => kind)).not.toContain('groundPoint');
    }
  const switched = analysis.circuits.filter((circuit) => partsOfCircuit(analysis, circuit).some(({ kind }) => kind === 'switch'));
  expect(switched.length).toBeGreaterThan(0);
});
