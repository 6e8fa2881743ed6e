import { heron } from '../../demo/heron';
import { analyse } from '../analysis/analyse';
import { countProgress } from '../design/asBuilt';
import { applyChange, updateRecords } from '../design/change';
import { recordsOf, settingsOf } from '../design/design';
import { Edit } from '../design/edit';
import { checkReferences } from '../design/references';
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
  expect(all).toEqual({ loads: 29, circuits: 21, places: expect.any(Number), blocks: 2 });
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

test.each(COPY_PARTS)(
  'nothing of a copy (%s) is fitted: it is for another vehicle, and what was there for now or taken out stays behind',
  (part) => {
    const design = heron();
    const [first, second, third] = recordsOf(design, 'device').filter(({ kind }) => kind === 'load');
    const fuse = recordsOf(design, 'device').find(({ kind }) => kind === 'protection')!;
    const marked = applyChange(
      design,
      updateRecords(design, [
        { id: first!.id, set: { work: { state: 'fitted' } } },
        { id: second!.id, set: { work: { state: 'temporary' } } },
        { id: third!.id, set: { work: { state: 'removed' } } },
        { id: fuse.id, set: { fittedA: 1 } },
      ]),
    );
    const copy = copyParts(marked, part, 'Another');
    expect(countProgress(copy)).toMatchObject({ fitted: 0, temporary: 0, removed: 0 });
    expect(recordsOf(copy, 'device').some((device) => device.kind === 'protection' && device.fittedA !== undefined)).toBe(false);
    expect([second, third].some((gone) => copy.records.has(gone!.id))).toBe(false);
    if (part !== 'supply') expect(copy.records.has(first!.id)).toBe(true);
  },
);

test('a copy is for another vehicle: nothing of it is made, read, ticked or at hand, and what was metered is only said', () => {
  const edit = new Edit(design);
  const [wire] = recordsOf(design, 'wire');
  edit.set(wire!.id, { made: ['cut', 'crimped'] });
  edit.add({ id: 'r1', type: 'reading', what: { kind: 'amps', wireId: wire!.id }, value: 2, batteryV: 12.6, moved: [], on: '2026-05-02' });
  edit.add({ id: 't1', type: 'doneTask', task: 'isolate', on: '2026-05-02' });
  edit.add({ id: 's1', type: 'stock', part: 'clip', have: 40, price: 0.1 });
  const used = applyChange(design, edit.change);
  const lead = recordsOf(used, 'lead').find(({ proved, says }) => proved && says.length > 0)!;
  const other = applyChange(used, updateRecords(used, [{ id: lead.id, set: { proved: null } }]));
  const copy = copyParts(other, 'all', 'Egret');
  expect([recordsOf(copy, 'reading'), recordsOf(copy, 'doneTask'), recordsOf(copy, 'wire').some(({ made }) => made)]).toEqual([
    [],
    [],
    false,
  ]);
  expect(recordsOf(copy, 'stock')).toEqual([{ id: 's1', type: 'stock', part: 'clip', price: 0.1 }]);
  expect(recordsOf(copy, 'lead').some(({ proved }) => proved !== undefined)).toBe(false);
  const said = recordsOf(copy, 'lead').find(({ id }) => id === lead.id)!;
  expect(said.says).toEqual([...lead.says, { by: 'metered before', terminal: null }]);
  for (const part of COPY_PARTS) expect(checkReferences(copyParts(other, part, 'Egret'))).toEqual([]);
});
