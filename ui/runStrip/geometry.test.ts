import { heron } from '../../demo/heron';
import { analyse } from '../../core/analysis/analyse';
import { conductorThickness, layOutStrip } from './geometry';

const analysis = analyse(heron());
const lay = (name: string, more: { countShared?: boolean; width?: number } = {}) => {
  const circuit = analysis.circuits.find((candidate) => candidate.name === name)!;
  const { quantity, spacingMm } = analysis.loads.get(circuit.worstLoadId!)!.load;
  const scale = { width: 1000, sourceV: 13.5, countShared: true, tickMm: 1000, ...more };
  return { circuit, geometry: layOutStrip(circuit, { ...scale, row: { quantity, spacingMm } }) };
};

test.each(analysis.circuits.map(({ name }) => name))('%s: the profile ends at the source less the drop, and falls all the way', (name) => {
  const { circuit, geometry } = lay(name);
  expect(geometry.across.at(-1)![1]).toBeCloseTo(13.5 - circuit.dropV, 6);
  for (const line of [geometry.supply, geometry.across]) {
    line.slice(1).forEach(([x, volts], at) => {
      expect(x).toBeGreaterThanOrEqual(line[at]![0]);
      expect(volts).toBeLessThanOrEqual(line[at]![1] + 1e-12);
    });
  }
  geometry.supply.forEach(([, volts], at) => expect(geometry.across[at]![1]).toBeLessThanOrEqual(volts + 1e-12));
});

test('lengths are to scale: pixels per metre are the same for every wire of a strip', () => {
  const { geometry } = lay('Scene lights, left');
  const scales = geometry.wires.filter(({ lengthMm }) => lengthMm > 0).map(({ x1, x2, lengthMm }) => (x2 - x1) / lengthMm);
  for (const scale of scales) expect(scale).toBeCloseTo(scales[0]!, 9);
});

test('a row of lamps is drawn lamp by lamp, and stays inside the strip however narrow', () => {
  const { geometry } = lay('Hide bench lights', { width: 420 });
  expect(geometry.glyphs.filter(({ kind }) => kind === 'load')).toHaveLength(8);
  expect(geometry.endX).toBeLessThanOrEqual(420);
  expect(geometry.ticks.map(({ mm }) => mm)).toEqual(geometry.ticks.map((_, at) => at * 1000));
});

test('counted from the fuse, nothing falls on the shared cable', () => {
  const { geometry } = lay('Fridge', { countShared: false });
  const sharedEnd = geometry.wires.filter(({ shared }) => shared).at(-1)!.x2;
  for (const [x, volts] of geometry.supply) if (x <= sharedEnd) expect(volts).toBe(13.5);
});

test('a thicker conductor is drawn thicker', () => {
  const sizes = ['mm2:1', 'mm2:2.5', 'mm2:6', 'mm2:16'] as const;
  const drawn = sizes.map(conductorThickness);
  expect(drawn).toEqual([...drawn].sort((a, b) => a - b));
  expect(new Set(drawn).size).toBe(sizes.length);
});
