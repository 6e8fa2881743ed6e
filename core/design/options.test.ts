import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { seeded } from '../../testing/random';
import { wayCalled } from '../switching/gallery/ways';
import { wayTo } from '../switching/gallery/wayTo';
import { removeLoads } from '../switching/loadWires';
import { NO_CHANGE, applyChange, invertChange, sameRecord, updateRecords, type Change } from './change';
import { makeDesign, recordsOf, type Design } from './design';
import { Edit } from './edit';
import { migrateRecords, MIGRATIONS } from './migrations';
import {
  addChoice,
  addOption,
  beginOption,
  choiceApart,
  designWith,
  doneApart,
  dropApart,
  keepApart,
  keepAsOption,
  optionsOf,
  removeOption,
  takeOption,
  workApart,
} from './options';
import { DesignError } from './problems';
import { checkReferences } from './references';
import { isPart } from './recordKinds';
import { changeSchema, recordSchema, type PartRecord } from './schema';

function edited(design: Design, make: (edit: Edit) => void): Design {
  const edit = new Edit(design);
  make(edit);
  return applyChange(design, edit.change);
}

/** What an option can hold of a design, for comparing. */
const partsOf = (design: Design) => Object.fromEntries(Array.from(design.records).filter(([, record]) => isPart(record)));
const withoutChoices = (design: Design) =>
  Object.fromEntries(Array.from(design.records).filter(([, { type }]) => type !== 'choice' && type !== 'option'));
const optionCalled = (design: Design, name: string) => recordsOf(design, 'option').find((option) => option.name === name)!;
const loadCalled = (design: Design, name: string) =>
  recordsOf(design, 'device').find((device) => device.kind === 'load' && device.name === name)!;
const setLength = (design: Design, id: string, lengthMm: number) => applyChange(design, updateRecords(design, [{ id, set: { lengthMm } }]));

/** Pip with a choice of which the second option has one load fewer and stands. */
function chosen() {
  const before = pip();
  const load = recordsOf(before, 'device').find(({ kind }) => kind === 'load')!;
  let design = edited(before, (edit) => beginOption(edit, addChoice(edit, 'How much light', 'All lamps').id, 'One fewer'));
  const choiceId = recordsOf(design, 'choice')[0]!.id;
  design = applyChange(design, removeLoads(design, [load.id]));
  design = edited(design, (edit) => keepApart(edit, choiceId));
  return { before, load, design, choiceId };
}

test('an option that was built stands, and the one before comes back as it was, and the other way round', () => {
  const { before, load, design } = chosen();
  expect(design.records.has(load.id)).toBe(false);
  const all = applyChange(design, takeOption(design, optionCalled(design, 'All lamps').id));
  expect(withoutChoices(all)).toEqual(withoutChoices(before));
  const again = applyChange(all, takeOption(all, optionCalled(all, 'One fewer').id));
  expect(withoutChoices(again)).toEqual(withoutChoices(design));
  expect(checkReferences(again)).toEqual([]);
});

test('taking one is one change, undone as one, and what is stored is valid', () => {
  const { design } = chosen();
  const change = takeOption(design, optionCalled(design, 'All lamps').id);
  expect(changeSchema.safeParse(change).error).toBeUndefined();
  const after = applyChange(design, change);
  for (const record of after.records.values()) expect(recordSchema.safeParse(record).success).toBe(true);
  expect(sameRecord(Object.fromEntries(applyChange(after, invertChange(change)).records), Object.fromEntries(design.records))).toBe(true);
});

test('what is edited while none is worked on alone is in all of them, but where an option has a value of its own', () => {
  const { design, choiceId } = chosen();
  const [mine, shared] = recordsOf(design, 'wire');
  let now = edited(design, (edit) => workApart(edit, choiceId));
  now = setLength(now, mine!.id, 1111);
  now = edited(now, (edit) => keepApart(edit, choiceId));
  now = setLength(setLength(now, shared!.id, 2222), mine!.id, 3333);
  const all = applyChange(now, takeOption(now, optionCalled(now, 'All lamps').id));
  const lengthOf = (of: Design, id: string) => recordsOf(of, 'wire').find((wire) => wire.id === id)!.lengthMm;
  expect(lengthOf(all, shared!.id)).toBe(2222);
  expect(lengthOf(all, mine!.id)).toBe(mine!.lengthMm);
  const back = applyChange(all, takeOption(all, optionCalled(all, 'One fewer').id));
  expect([lengthOf(back, shared!.id), lengthOf(back, mine!.id)]).toEqual([2222, 3333]);
});

test('what was done in the vehicle is no option’s: ticks, states and the logbook stay as they are', () => {
  const { design } = chosen();
  const [wire] = recordsOf(design, 'wire');
  let now = applyChange(design, updateRecords(design, [{ id: wire!.id, set: { made: ['cut'], work: { state: 'fitted' } } }]));
  now = edited(now, (edit) => edit.add({ id: 'event_x', type: 'event', on: '2026-01-02', kind: 'note', text: 'seen' } as never));
  const all = applyChange(now, takeOption(now, optionCalled(now, 'All lamps').id));
  expect(all.records.get(wire!.id)).toMatchObject({ made: ['cut'], work: { state: 'fitted' } });
  expect(all.records.has('event_x')).toBe(true);
});

test('readings at what an option has not go with it, and nothing is left without its end', () => {
  const { before, load } = chosen();
  const at = { deviceId: load.id, terminal: 'plus' };
  const reading = { id: 'reading_x', type: 'reading', takenAt: '2026-01-02T10:00:00Z', what: { kind: 'volts', at, to: null }, value: 12.1, batteryV: 12.6, moved: [] } as never; // prettier-ignore
  let now = edited(before, (edit) => {
    beginOption(edit, addChoice(edit, 'How much light', 'All lamps').id, 'One fewer');
  });
  const choiceId = recordsOf(now, 'choice')[0]!.id;
  now = applyChange(now, removeLoads(now, [load.id]));
  now = edited(now, (edit) => keepApart(edit, choiceId));
  now = applyChange(now, takeOption(now, optionCalled(now, 'All lamps').id));
  now = edited(now, (edit) => edit.add(reading));
  const fewer = applyChange(now, takeOption(now, optionCalled(now, 'One fewer').id));
  expect(fewer.records.has('reading_x')).toBe(false);
  expect(checkReferences(fewer)).toEqual([]);
});

test('an option begun and put back leaves nothing', () => {
  const { before, design, choiceId } = chosen();
  let now = edited(design, (edit) => beginOption(edit, choiceId, 'Two fewer'));
  expect(choiceApart(now)?.id).toBe(choiceId);
  const other = recordsOf(now, 'device').find(({ kind }) => kind === 'load')!;
  now = applyChange(now, removeLoads(now, [other.id]));
  expect(doneApart(now, choiceApart(now)!).removed.map(({ id }) => id)).toContain(other.id);
  const back = applyChange(now, dropApart(now, choiceId));
  expect(Object.fromEntries(back.records)).toEqual(Object.fromEntries(design.records));
  expect(before.records.size).toBeGreaterThan(back.records.size - 3);
});

test('what was read at a part that is new is in no one’s way: the others are still worked out, and it goes as all is put back', () => {
  const { design, choiceId } = chosen();
  let now = edited(design, (edit) => workApart(edit, choiceId));
  const bar = recordsOf(now, 'device').find(({ kind }) => kind === 'busBar')!;
  const at = { deviceId: 'bar_new', terminal: 'bar' };
  now = edited(now, (edit) => {
    edit.add({ ...bar, id: 'bar_new' });
    edit.add({ id: 'reading_y', type: 'reading', on: '2026-01-02', what: { kind: 'volts', at, to: null }, value: 12.1, batteryV: 12.6, moved: [] } as never); // prettier-ignore
    edit.add({ id: 'drawn_y', type: 'drawn', circuitId: null, deviceId: 'bar_new', x: 40, y: 40 });
  });
  expect(designWith(now, optionCalled(now, 'All lamps')).records.has('bar_new')).toBe(false);
  const back = applyChange(now, dropApart(now, choiceId));
  expect(Object.fromEntries(back.records)).toEqual(Object.fromEntries(design.records));
  expect(checkReferences(back)).toEqual([]);
});

test('one option is worked on at a time, and none is taken meanwhile', () => {
  const { design, choiceId } = chosen();
  const now = edited(design, (edit) => workApart(edit, choiceId));
  const codeOf = (work: () => unknown) => {
    try {
      work();
      return null;
    } catch (error) {
      return (error as DesignError).problems[0]!.code;
    }
  };
  expect(codeOf(() => workApart(new Edit(now), choiceId))).toBe('otherApart');
  expect(codeOf(() => takeOption(now, optionCalled(now, 'All lamps').id))).toBe('otherApart');
  expect(codeOf(() => takeOption(now, 'nobody'))).toBe('missingRecord');
  expect(codeOf(() => addOption(new Edit(design), 'nobody', 'x', NO_CHANGE))).toBe('missingRecord');
});

test('an option that no longer fits says so and is not taken', () => {
  const { design, load } = chosen();
  const all = optionCalled(design, 'All lamps');
  const wire = all.way!.added.find((record) => record.type === 'wire')!;
  const far = wire.type === 'wire' ? [wire.from, wire.to].find(({ deviceId }) => design.records.has(deviceId))!.deviceId : '';
  // What its lamp’s wire comes from goes, and all that hangs on it.
  const hanging = recordsOf(design, 'wire').filter(({ from, to }) => from.deviceId === far || to.deviceId === far);
  const now = makeDesign(Array.from(design.records.values()).filter((record) => record.id !== far && !hanging.includes(record as never)));
  expect(() => designWith(design, all)).not.toThrow();
  const problems = () => {
    try {
      return designWith(now, all);
    } catch (error) {
      return (error as DesignError).problems;
    }
  };
  expect(problems()).toContainEqual(expect.objectContaining({ code: 'danglingReference', id: wire.id, other: far }));
  expect(() => takeOption(now, all.id)).toThrow(DesignError);
  expect(load.id).not.toBe(far);
});

test('the standing option is not taken away; with the choice all go, and the design stays', () => {
  const { design, choiceId } = chosen();
  const gone = edited(design, (edit) => optionsOf(design, choiceId).forEach(({ id }) => removeOption(edit, id)));
  expect(optionsOf(gone, choiceId).map(({ name }) => name)).toEqual(['One fewer']);
  const ended = edited(design, (edit) => edit.remove(choiceId));
  expect(recordsOf(ended, 'option')).toEqual([]);
  expect(partsOf(ended)).toEqual(partsOf(design));
});

test('ways to switch a lamp kept as options of one choice: each stands as it was tried', () => {
  const whole = heron();
  const design = edited(whole, (edit) => recordsOf(whole, 'choice').forEach(({ id }) => edit.remove(id)));
  const { id: loadId } = loadCalled(design, 'Roof fan');
  const signal = { signal: 'ignition', otherId: null } as const;
  const ways = (['relay', 'button'] as const).map((id) => wayTo(design, loadId, wayCalled(id), signal)!.change);
  let now = design;
  ways.forEach((change, at) => (now = applyChange(now, keepAsOption(now, 'How should it come on?', `Way ${at}`, change))));
  now = applyChange(now, keepAsOption(now, 'How should it come on?', 'Way 1', ways[1]!));
  expect(recordsOf(now, 'choice')).toHaveLength(1);
  expect(recordsOf(now, 'option').map(({ name }) => name)).toEqual(['As it is now', 'Way 0', 'Way 1']);
  expect(withoutChoices(now)).toEqual(withoutChoices(design));
  for (const at of [1, 0, 1]) {
    now = applyChange(now, takeOption(now, optionCalled(now, `Way ${at}`).id));
    expect(partsOf(now)).toEqual(partsOf(applyChange(design, ways[at]!)));
  }
  now = applyChange(now, takeOption(now, optionCalled(now, 'As it is now').id));
  expect(partsOf(now)).toEqual(partsOf(design));
});

test('records that options hold are brought up with the rest', () => {
  const old = { id: 'r', type: 'route', measuredMm: 0.2, measuredOn: '2020-01-01' };
  const way = { added: [old], updated: [{ from: old, to: { ...old, measuredMm: 900 } }], removed: [old] };
  const brokenWays = [{ added: 'x' }, { updated: 'x' }, { removed: 'x' }, { updated: [1] }].map((part, at) => ({
    ...{ id: `w${at}`, type: 'option' },
    way: { added: [], updated: [], removed: [], ...part },
  }));
  const records = [
    { id: 'o', type: 'option', way },
    { id: 'c', type: 'choice', apart: { parts: [old], before: null } },
    { id: 'p', type: 'option' },
    { id: 'q', type: 'option', way: 'broken' },
    ...brokenWays,
  ];
  const brought = { id: 'r', type: 'route', measuredMm: null, measuredOn: null };
  expect(migrateRecords(records, 5, MIGRATIONS)).toEqual([
    {
      id: 'o',
      type: 'option',
      way: { added: [brought], updated: [{ from: brought, to: { ...old, measuredMm: 900 } }], removed: [brought] },
    },
    { id: 'c', type: 'choice', apart: { parts: [brought], before: null } },
    { id: 'p', type: 'option' },
    { id: 'q', type: 'option', way: 'broken' },
    ...brokenWays,
  ]);
});

/**
 * Random work on three options against the plainest thing that can be right: a whole copy of the design for each, into which every edit
 * that is common goes, and every edit that is one option’s own goes into its own alone.
 */
describe.each([3, 5, 8, 13, 21, 34])('options after much work, seed %i', (seed) => {
  it('are what copies of the whole would be', () => {
    const random = seeded(seed);
    const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
    const met = { common: 0, own: 0, removed: 0, added: 0, taken: 0, kept: 0, dropped: 0 };
    let design = edited(pip(), (edit) => addChoice(edit, 'Which', 'A'));
    const choiceId = recordsOf(design, 'choice')[0]!.id;
    const standing = () => optionsOf(design, choiceId).find(({ way }) => way === undefined)!.name;
    let copies = new Map<string, Record<string, PartRecord>>([['A', partsOf(design) as Record<string, PartRecord>]]);
    let before: typeof copies | null = null;
    let next = 1000;
    const take = (change: Change, isOwn: boolean) => {
      const was = partsOf(design);
      design = applyChange(design, change);
      const now = partsOf(design);
      for (const [name, copy] of copies) {
        if (name === standing()) copies.set(name, now as never);
        else if (!isOwn)
          for (const { from, to } of change.updated)
            if (from.type === 'wire' && to.type === 'wire' && copy[from.id] && sameRecord((was[from.id] as typeof from).lengthMm, (copy[from.id] as typeof from).lengthMm)) copy[from.id] = { ...copy[from.id], lengthMm: to.lengthMm } as PartRecord; // prettier-ignore
      }
    };
    for (let step = 0; step < 120; step++) {
      const isApart = choiceApart(design) !== null;
      const what = random();
      if (what < 0.4) {
        const wires = recordsOf(design, 'wire');
        take(updateRecords(design, [{ id: pick(wires).id, set: { lengthMm: next++ } }]), isApart);
        met[isApart ? 'own' : 'common'] += 1;
      } else if (what < 0.6 && isApart) {
        const loads = recordsOf(design, 'device').filter(({ kind }) => kind === 'load');
        if (random() < 0.5 && loads.length > 2) {
          take(removeLoads(design, [pick(loads).id]), true);
          met.removed += 1;
        } else {
          const zone = { id: `zone_${next++}`, type: 'zone' as const, name: 'New', order: 9, ambientC: 30, engineSpace: false };
          take({ added: [zone], updated: [], removed: [] }, true);
          met.added += 1;
        }
      } else if (what < 0.75 && isApart) {
        if (random() < 0.7) {
          design = edited(design, (edit) => keepApart(edit, choiceId));
          met.kept += 1;
        } else {
          design = applyChange(design, dropApart(design, choiceId));
          copies = before!;
          met.dropped += 1;
        }
      } else if (what < 0.6 && !isApart) {
        const names = Array.from(copies.keys());
        before = new Map(Array.from(copies, ([name, copy]) => [name, { ...copy }]));
        if (names.length < 3) {
          const name = `O${next++}`;
          copies.set(name, { ...copies.get(standing())! });
          design = edited(design, (edit) => beginOption(edit, choiceId, name));
        } else design = edited(design, (edit) => workApart(edit, choiceId));
      } else if (!isApart) {
        const other = pick(optionsOf(design, choiceId));
        design = applyChange(design, takeOption(design, other.id));
        met.taken += 1;
      }
      expect(checkReferences(design)).toEqual([]);
      for (const option of optionsOf(design, choiceId)) expect(partsOf(designWith(design, option))).toEqual(copies.get(option.name));
    }
    for (const [branch, count] of Object.entries(met)) if (branch !== 'dropped') expect([branch, count > 0]).toEqual([branch, true]);
  });
});
