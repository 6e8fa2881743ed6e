import { newDesignRecords } from '../../core/switching/newDesign';
import { analyse } from '../../core/analysis/analyse';
import { applyChange, updateRecords } from '../../core/design/change';
import { makeDesign, type Design } from '../../core/design/design';
import { checkReferences } from '../../core/design/references';
import { recordSchema } from '../../core/design/schema';
import { addSource, SOURCE_KINDS } from './sources';
import { addSupply } from './edits';

const bare = (nominalV: 12 | 24): Design => {
  const records = newDesignRecords({
    ...{ name: 'Bench', vehicle: 'trailer', zones: ['Cabin'], units: 'metric', standard: 'iso-small-craft', defaultReturn: 'dedicated' },
    battery: { chemistry: 'lithium', capacityAh: 100, count: 1 },
  });
  const design = makeDesign(records);
  return applyChange(design, updateRecords(design, [{ id: 'settings', set: { nominalV } }]));
};

describe.each([12, 24] as const)('on a %d V system', (nominalV) => {
  test.each(SOURCE_KINDS)('a usual $label is whole, has lawful figures and brings no fault of its own', ({ key }) => {
    const before = bare(nominalV);
    const change = addSource(before, key);
    const after = applyChange(before, change);
    expect(checkReferences(after)).toEqual([]);
    for (const record of change.added) expect(recordSchema.safeParse(record).error).toBeUndefined();
    const ids = new Set(change.added.map(({ id }) => id));
    const own = analyse(after).findings.filter(({ severity, subjects }) => severity === 'fault' && subjects.some((id) => ids.has(id)));
    expect(own).toEqual([]);
  });

  test('what charges does so above the battery’s full voltage, common practice 14.2 to 14.6 V on 12 V', () => {
    for (const { key } of SOURCE_KINDS) {
      for (const record of addSource(bare(nominalV), key).added) {
        if (!('outputV' in record)) continue;
        const on12 = record.outputV / (nominalV / 12);
        expect(on12).toBeGreaterThanOrEqual(14.1);
        expect(on12).toBeLessThanOrEqual(14.6);
      }
    }
  });
});

test('a second roof panel goes through the controller that is there', () => {
  const one = applyChange(bare(12), addSource(bare(12), 'solarPanel'));
  const controllers = (design: Design) =>
    Array.from(design.records.values()).filter((record) => record.type === 'device' && record.kind === 'solarController');
  expect(controllers(one)).toHaveLength(1);
  const two = applyChange(one, addSource(one, 'solarPanel'));
  expect(controllers(two)).toHaveLength(1);
  const panels = Array.from(two.records.values()).filter((record) => record.type === 'device' && record.kind === 'solarPanel');
  expect(new Set(panels.map((panel) => (panel as { controllerId: string }).controllerId)).size).toBe(1);
});

test('the usual supply is fused at the battery, fed, returned, and has nothing wrong with it', () => {
  const empty = bare(12);
  const stripped = makeDesign(Array.from(empty.records.values()).filter(({ type }) => type !== 'device' && type !== 'wire'));
  const after = applyChange(stripped, addSupply(stripped));
  const { main, blocks, findings, protections } = analyse(after);
  expect(main).not.toBeNull();
  expect(blocks.length).toBeGreaterThan(0);
  expect(blocks.every(({ fed }) => fed)).toBe(true);
  expect(findings.filter(({ severity }) => severity !== 'note').map(({ rule }) => rule)).toEqual(['battery.holdUnknown']);
  // ABYC E-11, from memory: within 7 in (178 mm) of the battery, bare.
  expect(protections.get(main!.protectionId)!.leadMm).toBeLessThanOrEqual(178);
});
