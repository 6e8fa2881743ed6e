import * as z from 'zod/mini';
import { heronAtWork } from '../../demo/heronAtWork';
import { pipInUse } from '../../demo/pipInUse';
import { fieldOf, kindNameOf, KINDS_OF_RECORD } from '../../testing/kindsOfRecord';
import { seeded } from '../../testing/random';
import { randomDesign } from '../../testing/randomDesign';
import { seedOf } from '../../testing/runs';
import { sampleOf } from '../../testing/sampleOf';
import { expectAsFresh } from '../../testing/sameSaid';
import { applyChange, sameRecord, updateRecords } from '../design/change';
import { recordsOf, type Design } from '../design/design';
import { Edit } from '../design/edit';
import type { DesignRecord } from '../design/schema';
import { kindOf } from '../devices';
import { analyse } from './analyse';

/** Fields of which the check of the whole design refuses every other value here: what hangs on them would hang on nothing. */
const MAY_HAVE_NO_OTHER: readonly string[] = [
  ...['device.dimmer.side', 'device.signalSource.signals', 'wire.core', 'circuit.protectionId', 'rig.outline', 'drawn.circuitId'],
  ...['choice.standingId', 'option.choiceId', 'log.name', 'log.fromDay', 'log.stepMin', 'log.volts', 'log.amps'],
];

describe('whichever field of whichever record is edited, an analysis carried on says what a fresh one says', () => {
  const random = seeded(seedOf(9));
  const shuffled = <T>(list: readonly T[]) =>
    list
      .map((one) => ({ one, at: random() }))
      .sort((a, b) => a.at - b.at)
      .map(({ one }) => one);

  /** A design with one of each kind it has none of: parts with two ends or more stand in a wire that was there. */
  function withAll(start: Design): Design {
    let design = start;
    for (const { name, schema } of KINDS_OF_RECORD) {
      if (Array.from(design.records.values()).some((record) => kindNameOf(record) === name)) continue;
      for (let tries = 0; tries < 200; tries++) {
        const given = sampleOf(schema, random) as DesignRecord | undefined;
        if (!given) continue;
        const ids = Array.from(design.records.keys());
        const needed = KINDS_OF_RECORD.find((kind) => kind.name === name)!.fields.flatMap(([field, of]) => {
          if (of instanceof z.ZodMiniOptional) return [];
          if (of instanceof z.ZodMiniNullable) return [[field, null]];
          const isReference = /Id$/.test(field) && typeof fieldOf(given, field) === 'string';
          return [[field, isReference ? shuffled(ids)[0] : fieldOf(given, field)]];
        });
        const told = name.split('.');
        const record = {
          id: `one_${told.at(-1)}`,
          type: told[0],
          ...(told[1] && { kind: told[1] }),
          ...Object.fromEntries(needed),
        } as DesignRecord;
        try {
          const edit = new Edit(design);
          edit.add(record);
          if (record.type === 'device') {
            const [into, out] = kindOf(record).terminals(record);
            const wire = shuffled(recordsOf(design, 'wire').filter(({ role, core }) => role === 'supply' && !core))[0]!;
            if (into !== undefined && out !== undefined) {
              edit.add({ ...wire, id: `${record.id}_wire`, number: undefined, from: { deviceId: record.id, terminal: out } });
              edit.set(wire, { to: { deviceId: record.id, terminal: into } });
            }
          }
          design = applyChange(design, edit.change);
          break;
        } catch {
          continue;
        }
      }
    }
    return design;
  }

  const designs = [withAll(heronAtWork()), pipInUse(), ...[3, 11, 29].map((seed) => randomDesign(seed).design)];
  const befores = designs.map((design) => analyse(design));
  const records = designs.flatMap((design, at) => Array.from(design.records.values(), (record) => ({ record, at })));

  /** A record of the kind with another value in the field, and the design with it. */
  function edited(kind: string, field: string, schema: z.ZodMiniType): { at: number; after: Design } | null {
    const having = shuffled(records.filter((one) => kindNameOf(one.record) === kind));
    // In the largest only what the others have not.
    for (const { record, at } of [...having.filter((one) => one.at > 0), ...having.filter((one) => one.at === 0)]) {
      const design = designs[at]!;
      const elsewhere = Array.from(design.records.values(), (other) => fieldOf(other, field)).filter((value) => value !== undefined);
      const own = fieldOf(record, field);
      const values = [...shuffled(elsewhere).slice(0, 12), ...Array.from({ length: 16 }, () => sampleOf(schema, random)), undefined, null];
      for (const value of shuffled(values)) {
        if (sameRecord(own, value) || !schema.safeParse(value).success) continue;
        try {
          return { at, after: applyChange(design, updateRecords(design, [{ id: record.id, set: { [field]: value } as object }])) };
        } catch {
          continue;
        }
      }
    }
    return null;
  }

  const met = new Set<string>();

  test.each(KINDS_OF_RECORD)('$name', ({ name, fields }) => {
    for (const [field, schema] of fields) {
      const edit = edited(name, field, schema);
      if (!edit) continue;
      met.add(`${name}.${field}`);
      try {
        expectAsFresh(analyse(edit.after, befores[edit.at]!));
      } catch (error) {
        throw new Error(`${name}.${field}: ${String(error).slice(0, 1500)}`, { cause: error });
      }
    }
  });

  test('the battery’s own zone, when it becomes one that is lived in, and when it is that no more', () => {
    let differ = 0;
    for (const [at, design] of designs.entries()) {
      const { zoneId } = befores[at]!.index.battery!;
      if (zoneId === null) continue;
      for (const traits of [['living' as const], []]) {
        const after = applyChange(design, updateRecords(design, [{ id: zoneId, set: { traits } }]));
        const carried = analyse(after, befores[at]!);
        expectAsFresh(carried);
        if (!sameRecord(carried.scenarios.map(({ runtimeH }) => runtimeH), befores[at]!.scenarios.map(({ runtimeH }) => runtimeH))) differ += 1; // prettier-ignore
      }
    }
    expect(differ).toBeGreaterThan(0);
  });

  test('of all there are every field was edited', () => {
    const all = KINDS_OF_RECORD.flatMap(({ name, fields }) => fields.map(([field]) => `${name}.${field}`));
    expect(all.filter((field) => !met.has(field) && !MAY_HAVE_NO_OTHER.includes(field))).toEqual([]);
    expect(all.length).toBeGreaterThan(500);
  });
});
