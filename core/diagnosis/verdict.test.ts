import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { Edit } from '../design/edit';
import { applyChange } from '../design/change';
import { recordsOf } from '../design/design';
import { checkReferences } from '../design/references';
import { readDesignFile, writeDesignFile } from '../formats/designFile';
import { analyse } from '../analysis/analyse';
import { readingsTaken } from '../formats/reportReadings';
import { indexDesign } from '../rig/designIndex';
import { traceWiring } from '../network/traceWiring';
import { movesFor } from './moves';
import { atBattery, lastReadings, momentsOf, readingOf } from './readings';
import { verdictOf } from './verdict';

test('within is right, a little out is doubtful, plainly out is wrong', () => {
  const between = { low: 12.2, high: 12.6 };
  expect([12.2, 12.4, 12.6].map((value) => verdictOf(value, between))).toEqual(['pass', 'pass', 'pass']);
  expect([12.1, 12.9, 13].map((value) => verdictOf(value, between))).toEqual(['doubtful', 'doubtful', 'doubtful']);
  expect([11.7, 13.1, 0].map((value) => verdictOf(value, between))).toEqual(['fail', 'fail', 'fail']);
});

test('a reading of yesterday is judged at the voltage it was read at', () => {
  const kept = {
    id: 'r',
    type: 'reading',
    what: { kind: 'amps', wireId: 'w' },
    value: 2,
    batteryV: 12,
    moved: [],
    on: '2026-05-02',
  } as const;
  expect(atBattery({ ...kept, moved: [] }, 14.4)).toBeCloseTo(2.4, 9);
  expect(atBattery({ ...kept, moved: [], batteryV: null }, 14.4)).toBe(2);
  expect(atBattery({ ...kept, moved: [] }, null)).toBe(2);
  // A clamp the other way round reads less than nothing.
  expect(atBattery({ ...kept, moved: [], value: -2 }, 12)).toBe(2);
});

test('what has to be moved for a load is found: nothing for what is always on, a switch and a sensor where both stand before it', () => {
  const index = indexDesign(heron());
  const wiring = traceWiring(index);
  const named = (name: string) => index.loads.find((load) => load.name === name)!.id;
  expect(movesFor(index, wiring, [named('Compressor fridge')])).toEqual([]);
  const pump = movesFor(index, wiring, [named('Water pump')])!;
  expect(pump.map(({ position }) => position)).toEqual(['on']);
  const step = movesFor(index, wiring, [named('Step light')])!;
  expect(step.map(({ position }) => position)).toContain(true);
});

test('a reading is kept with its state, the last of a point counts, and it goes with what it was read at', () => {
  const design = pip();
  const wire = recordsOf(design, 'wire')[0]!;
  const edit = new Edit(design);
  const what = { kind: 'amps' as const, wireId: wire.id };
  const moved = [{ mover: { kind: 'vehicle' as const, control: 'key' as const }, position: 'on' }];
  for (const [id, value] of [
    ['r1', 1],
    ['r2', 2],
  ] as const)
    // prettier-ignore
    edit.add({ id, type: 'reading', what, value, batteryV: 12.6, moved, on: '2026-05-02' });
  const read = applyChange(design, edit.change);
  expect(checkReferences(read)).toEqual([]);
  expect(readDesignFile(writeDesignFile(read)).records).toEqual(read.records);
  expect(readingOf(read, what, moved)?.value).toBe(2);
  expect(readingOf(read, what, [])).toBeNull();
  expect(readingsTaken(analyse(read)).rows.map((row) => row.slice(2))).toEqual([['Key: on', '12.60 V', '2.00 A'], ['Key: on', '12.60 V', '1.00 A']]); // prettier-ignore
  // One written down late is of the day it was read on.
  const late = applyChange(read, {
    added: [{ id: 'r0', type: 'reading', what, value: 9, batteryV: 12.4, moved, on: '2026-01-02' }],
    updated: [],
    removed: [],
  });
  expect(readingOf(late, what, moved)?.value).toBe(2);
  expect(lastReadings(late).map(({ id }) => id)).toEqual(['r2']);
  expect(momentsOf(recordsOf(late, 'reading')).map(({ batteryV, readings }) => [batteryV, readings.map(({ id }) => id)])).toEqual([[12.6, ['r1', 'r2']], [12.4, ['r0']]]); // prettier-ignore
  const without = new Edit(read);
  without.remove(wire.id);
  expect(recordsOf(without.design, 'reading')).toEqual([]);
});
