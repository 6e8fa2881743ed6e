import fc from 'fast-check';
import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { removeLoads } from '../switching/loadWires';
import { removeCircuit } from '../switching/schemes';
import { applyChange, composeChanges, invertChange, isEmpty, sameRecord, touchedIds, updateRecords, type Change } from './change';
import { makeDesign, type Design } from './design';
import { Edit } from './edit';
import { MIGRATIONS, migrateRecords } from './migrations';
import { newDesignRecords } from '../switching/newDesign';
import { DesignError, type ProblemCode } from './problems';
import { checkReferences } from './references';
import { changeSchema, recordSchema, type DesignRecord } from './schema';
import { SCHEMA_VERSION } from '../catalog/vocabulary';
import { runs, seedOf } from '../../testing/runs';

const design = heron();
const some = <T extends DesignRecord['type']>(type: T) =>
  Array.from(design.records.values()).find((record) => record.type === type) as Extract<DesignRecord, { type: T }>;

function problemsOf(change: Change, from = design): ProblemCode[] {
  try {
    applyChange(from, change);
    return [];
  } catch (error) {
    return (error as DesignError).problems.map(({ code }) => code);
  }
}

const update = (record: DesignRecord, fields: object): Change => ({
  added: [],
  updated: [{ from: record, to: { ...record, ...fields } as DesignRecord }],
  removed: [],
});
const add = (...added: DesignRecord[]): Change => ({ added, updated: [], removed: [] });
const remove = (...removed: DesignRecord[]): Change => ({ added: [], updated: [], removed });

/** Edits of many kinds, each valid on the design it is made for. */
const edits: fc.Arbitrary<(from: Design) => Change> = fc.oneof(
  fc.tuple(fc.nat(), fc.integer({ min: 0, max: 9000 })).map(([pick, lengthMm]) => (from: Design) => {
    const wires = Array.from(from.records.values()).filter((record) => record.type === 'wire');
    return updateRecords(from, [{ id: wires[pick % wires.length]!.id, set: { lengthMm } }]);
  }),
  fc.nat().map((pick) => (from: Design) => {
    const loads = Array.from(from.records.values()).filter((record) => record.type === 'device' && record.kind === 'load');
    return loads.length > 0 ? removeLoads(from, [loads[pick % loads.length]!.id]) : add();
  }),
  fc.nat().map((pick) => (from: Design) => {
    const circuits = Array.from(from.records.values()).filter((record) => record.type === 'circuit');
    return circuits.length > 0 ? removeCircuit(from, circuits[pick % circuits.length]!.id) : add();
  }),
  fc
    .nat({ max: 1e6 })
    .map(
      (number) => () => add({ id: `zone_${number}`, type: 'zone', name: `Zone ${number}`, order: 99, ambientC: 30, engineSpace: false }),
    ),
);

describe('a change', () => {
  test('followed by its inverse is no change at all, and keeps the design whole', () => {
    fc.assert(
      fc.property(fc.array(edits, { minLength: 1, maxLength: 6 }), (list) => {
        let now: Design = pip();
        for (const make of list) {
          const before = now;
          const change = make(before);
          if (change.added.some(({ id }) => before.records.has(id))) continue;
          now = applyChange(before, change);
          expect(sameRecord(Object.fromEntries(applyChange(now, invertChange(change)).records), Object.fromEntries(before.records))).toBe(
            true,
          );
          expect(changeSchema.safeParse(change).success).toBe(true);
        }
        expect(checkReferences(now)).toEqual([]);
      }),
      { numRuns: 60, seed: 5 },
    );
  });

  test('and the next one together are one change with the effect of both', () => {
    fc.assert(
      fc.property(edits, edits, (makeFirst, makeSecond) => {
        const start: Design = pip();
        const first = makeFirst(start);
        const middle = applyChange(start, first);
        const second = makeSecond(middle);
        if (second.added.some(({ id }) => middle.records.has(id))) return;
        const end = applyChange(middle, second);
        const both = applyChange(start, composeChanges(first, second));
        expect(sameRecord(Object.fromEntries(both.records), Object.fromEntries(end.records))).toBe(true);
      }),
      { numRuns: 60, seed: 8 },
    );
  });

  test('undone right away composes to nothing', () => {
    const change = removeLoads(design, [some('duty').loadId]);
    expect(isEmpty(composeChanges(change, invertChange(change)))).toBe(true);
    expect(touchedIds(change).length).toBeGreaterThan(2);
  });

  test('never alters the design it is applied to', () => {
    const before = new Map(design.records);
    applyChange(design, update(some('zone'), { name: 'Elsewhere' }));
    expect(design.records).toEqual(before);
  });
});

describe('a change is refused, naming the record, when', () => {
  const zone = some('zone');
  const wire = some('wire');
  const circuit = some('circuit');
  const duty = some('duty');
  const fuse = design.records.get(circuit.protectionId) as Extract<DesignRecord, { kind: 'protection' }>;
  const battery = design.records.get('bat_house')!;

  test.each<[string, Change, ProblemCode]>([
    ['it updates a record that has changed since', update({ ...zone, name: 'Another name' }, { order: 4 }), 'staleRecord'],
    ['it updates a record that is gone', update({ ...zone, id: 'zone_gone' }, { order: 4 }), 'missingRecord'],
    ['it adds an id that is there', add(zone), 'duplicateId'],
    ['it leaves a wire on a device that is gone', remove(battery), 'danglingReference'],
    ['it removes a zone that things stand in', remove(zone), 'danglingReference'],
    ['it wires a terminal the device does not have', update(wire, { from: { ...wire.from, terminal: '87' } }), 'unknownTerminal'],
    ['it wires the fed side of a fuse in a block', update(wire, { to: { deviceId: fuse.id, terminal: 'in' } }), 'unknownTerminal'],
    ['it joins a terminal to itself', update(wire, { to: wire.from }), 'wireToItself'],
    ['it puts two fuses in one slot', update(fuse, { mount: { ...fuse.mount!, slot: fuse.mount!.slot + 1 } }), 'slotTaken'],
    ['it uses a slot the block does not have', update(fuse, { mount: { ...fuse.mount!, slot: 24 } }), 'noSuchSlot'],
    ['it gives two circuits one fuse', add({ ...circuit, id: 'cir_more', number: 99 }), 'protectionShared'],
    ['it gives a load two duties in one scenario', add({ ...duty, id: 'duty_more' }), 'dutyRepeated'],
    ['it adds a second house battery', add({ ...battery, id: 'bat_more' } as DesignRecord), 'secondBattery'],
    ['it removes the settings', remove(some('settings')), 'settingsMissing'],
    ['it turns a record into another kind', update(fuse, { kind: 'switch' }), 'typeChanged'],
  ])('%s', (_, change, code) => {
    expect(problemsOf(change)).toContain(code);
  });

  test('a design would hold too many records', () => {
    const many = Array.from({ length: 8000 }, (_, at) => ({ ...zone, id: `z${at}` }));
    expect(problemsOf(add(...many))).toContain('tooManyRecords');
  });
});

test('an edit of several steps is one change, and steps that cancel out leave nothing', () => {
  const edit = new Edit(design);
  const zone = some('zone');
  edit.set(zone.id, { name: 'For a moment' });
  edit.set(zone.id, { name: zone.name });
  expect(isEmpty(edit.change)).toBe(true);
  expect(() => edit.add(zone)).toThrow(DesignError);
  expect(() => edit.set('nobody', {})).toThrow(DesignError);
});

test('the schemas take every record of the demos and of a new design as it stands, and no unknown field', () => {
  const fresh = newDesignRecords({
    ...{
      name: 'New',
      vehicle: 'panelVan',
      zones: ['Cab', 'Engine bay'],
      units: 'us',
      standard: 'us-small-craft',
      defaultReturn: 'chassis',
    },
    battery: { chemistry: 'flooded', capacityAh: 110, count: 2 },
  });
  for (const record of [...design.records.values(), ...pip().records.values(), ...fresh]) {
    expect(recordSchema.parse(record)).toEqual(record);
    expect(recordSchema.safeParse({ ...record, more: 1 }).success).toBe(false);
  }
  expect(checkReferences(makeDesign(fresh))).toEqual([]);
});

describe('migrations', () => {
  const rename = (records: unknown[]) => records.map((record) => ({ ...(record as object), renamed: true }));
  const count = (records: unknown[]) => [...records, { count: records.length }];

  test('run in order from the file’s version to the present one', () => {
    expect(migrateRecords([{}], 1, [rename, count], 3)).toEqual([{ renamed: true }, { count: 1 }]);
    expect(migrateRecords([{}], 2, [rename, count], 3)).toEqual([{}, { count: 1 }]);
    expect(migrateRecords([{}], 3, [rename, count], 3)).toEqual([{}]);
  });

  test('take whatever stands in a file, of every version: what is wrong with it is found afterwards', () => {
    const kinds = fc.constantFrom('duty', 'route', 'option', 'choice', 'device', 'x');
    const record = fc.oneof(
      fc.jsonValue(),
      fc.record({ type: kinds, kind: fc.constantFrom('load', 1), function: fc.jsonValue(), functions: fc.jsonValue(), measuredMm: fc.jsonValue(), way: fc.jsonValue(), apart: fc.jsonValue() }, { requiredKeys: ['type'] }), // prettier-ignore
      fc.record({ type: kinds, way: fc.record({ added: fc.array(fc.jsonValue()), updated: fc.array(fc.jsonValue()), removed: fc.jsonValue() }), apart: fc.record({ parts: fc.jsonValue() }) }), // prettier-ignore
    );
    fc.assert(
      fc.property(fc.array(record, { maxLength: 4 }), fc.integer({ min: 1, max: SCHEMA_VERSION }), (records, version) =>
        expect(migrateRecords(records, version)).toHaveLength(records.length),
      ),
      { numRuns: runs(300), seed: seedOf(71) },
    );
  });

  test('a newer or impossible version is refused', () => {
    expect(() => migrateRecords([], SCHEMA_VERSION + 1)).toThrow(/newer/);
    expect(() => migrateRecords([], 0)).toThrow(RangeError);
    expect(MIGRATIONS.length).toBe(SCHEMA_VERSION - 1);
  });
});

test('a change is checked as closely as the whole design would be', () => {
  const spoil = fc.oneof(
    fc.constantFrom(...design.records.values()).map((record) => remove(record)),
    fc
      .constantFrom(...design.records.values())
      .map((record) => update(record, record.type === 'device' && record.kind === 'fuseBlock' ? { slots: 3 } : {})),
    fc
      .tuple(fc.constantFrom(...design.records.values()), fc.integer({ min: 1, max: 13 }))
      .map(([record, slot]) =>
        update(
          record,
          record.type === 'device' && record.kind === 'protection' && record.mount ? { mount: { ...record.mount, slot } } : {},
        ),
      ),
    fc
      .constantFrom(...design.records.values())
      .map((record) => update(record, record.type === 'device' && record.kind === 'protection' ? { mount: null } : {})),
  );
  fc.assert(
    fc.property(spoil, (change) => {
      const records = new Map(design.records);
      for (const { id } of change.removed) records.delete(id);
      for (const { to } of change.updated) records.set(to.id, to);
      const whole = checkReferences({ records }).map(({ code, id }) => `${code} ${id}`);
      const close = problemsOfWithIds(change);
      expect(new Set(close)).toEqual(new Set(whole));
    }),
    { numRuns: runs(400), seed: seedOf(2) },
  );
});

function problemsOfWithIds(change: Change): string[] {
  try {
    applyChange(design, change);
    return [];
  } catch (error) {
    return (error as DesignError).problems.map(({ code, id }) => `${code} ${id}`);
  }
}
