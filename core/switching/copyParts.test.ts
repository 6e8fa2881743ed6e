import { heron } from '../../demo/heron';
import { analyse } from '../analysis/analyse';
import { recordsOf } from '../design/design';
import { checkReferences } from '../design/references';
import { settingsOf } from '../design/design';
import { COPY_PARTS, copyParts, type CopyPart } from './copyParts';

const design = heron();
const count = (part: CopyPart) => {
  const copy = copyParts(design, part, 'Egret');
  expect(checkReferences(copy)).toEqual([]);
  expect(settingsOf(copy).name).toBe('Egret');
  const devices = recordsOf(copy, 'device');
  const loads = devices.filter(({ kind }) => kind === 'load').length;
  return {
    loads,
    circuits: recordsOf(copy, 'circuit').length,
    places: recordsOf(copy, 'place').length,
    blocks: devices.filter(({ kind }) => kind === 'fuseBlock').length,
  };
};

test('a copy has what was asked for of it, whole in itself', () => {
  const [all, system, supply, loads] = COPY_PARTS.map(count);
  expect(all).toEqual({ loads: 24, circuits: 20, places: expect.any(Number), blocks: 2 });
  expect(system).toEqual({ ...all, places: 0 });
  expect(supply).toEqual({ ...all, places: 0, loads: 0, circuits: 0 });
  expect(loads).toEqual({ ...all, places: 0, circuits: 0 });
});

test('without its vehicle every wire keeps its length, none of them measured', () => {
  const copy = analyse(copyParts(design, 'system', 'Egret'));
  const before = analyse(design);
  const lengths = new Map(before.index.wires.map(({ id, lengthMm }) => [id, Math.round(lengthMm)]));
  expect(before.index.wires.some(({ id, lengthMm }) => (design.records.get(id) as { lengthMm: number }).lengthMm !== lengthMm)).toBe(true);
  for (const { id, lengthMm, lengthMeasured } of copy.index.wires) expect([lengthMm, lengthMeasured]).toEqual([lengths.get(id), false]);
});
