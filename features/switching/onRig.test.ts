import fc from 'fast-check';
import { heron } from '@/demo/heron';
import { analyse } from '@/core/analysis/analyse';
import { Bench } from '@/core/bench/bench';

import { runs, seedOf } from '@/testing/runs';
import { ampsByStretch, apart, stretchesOf, whereLoad } from './onRig';

const analysis = analyse(heron());
const { index } = analysis;
const room = { left: 13, right: 427, top: 20, bottom: 180 };

test('marks stay inside the drawing and on none another, each as near to where it belongs as there is room', () => {
  let moved = 0;
  const mark = fc.record({ x: fc.integer({ min: 0, max: 440 }), y: fc.integer({ min: 0, max: 200 }) });
  fc.assert(
    fc.property(fc.array(mark, { maxLength: 25 }), (marks) => {
      const laid = apart(marks, 15, room);
      for (const [at, { x, y }] of laid.entries()) {
        expect(x >= room.left && x <= room.right && y >= room.top && y <= room.bottom).toBe(true);
        const others = laid.filter((_, other) => other !== at);
        for (const other of others) expect(Math.hypot(other.x - x, other.y - y)).toBeGreaterThan(14);
        if (x !== marks[at]!.x || y !== marks[at]!.y) moved += 1;
      }
    }),
    { numRuns: runs(200), seed: seedOf(11) },
  );
  expect(moved).toBeGreaterThan(100);
  const free = [
    { x: 100, y: 100 },
    { x: 130, y: 100 },
  ];
  expect(apart(free, 15, room)).toEqual(free);
});

test('what lies on one spot goes to its right, its left and then over and under it', () => {
  const one = { x: 100, y: 100 };
  expect(apart([one, one, one, one, one], 15, room)).toEqual([
    one,
    { x: 115, y: 100 },
    { x: 85, y: 100 },
    { x: 100, y: 85 },
    { x: 100, y: 115 },
  ]);
  // At an edge there is no left, nor anything over it.
  const corner = { x: 13, y: 20 };
  expect(apart([corner, corner, corner], 15, room).slice(1)).toEqual([
    { x: 28, y: 20 },
    { x: 13, y: 35 },
  ]);
});

test('a load is at its place, one that is part of a lamp at the lamp’s, one without in the middle of its zone', () => {
  const fridge = index.loads.find(({ name }) => name === 'Compressor fridge')!;
  const place = index.layout.places.get(fridge.placeId!)!;
  expect(whereLoad(index, fridge.id)).toBe(place);
  const amber = index.loads.find(({ partOf }) => partOf)!;
  expect(whereLoad(index, amber.id)).toEqual(whereLoad(index, amber.partOf!.loadId));
  const zone = index.zones.find(({ id }) => id === fridge.zoneId)!;
  const without = { ...index, devices: new Map(index.devices).set(fridge.id, { ...fridge, placeId: null }) };
  const { xMm, yMm, lengthMm, widthMm } = zone.plan!;
  expect(whereLoad(without, fridge.id)).toMatchObject({ xMm: xMm + lengthMm / 2, yMm: yMm + widthMm / 2 });
  expect(whereLoad({ ...without, zones: [{ ...zone, plan: null }] }, fridge.id)).toBeNull();
});

test('every stretch a lit load’s run lies in carries at least its amperes, and none does once the battery is off', () => {
  const bench = new Bench(index);
  const lit = bench.answer.loads.filter(({ state }) => state === 'on');
  const carries = ampsByStretch(analysis, bench);
  let reached = 0;
  for (const { id, amps } of lit) {
    const stretches = stretchesOf(index, bench.run(id));
    for (const one of stretches) expect(carries.get(one)).toBeGreaterThanOrEqual(amps * 0.999);
    reached += stretches.size;
  }
  expect(reached).toBeGreaterThan(8);
  bench.set(Array.from(index.devices.values()).find(({ name }) => name === 'Battery isolator')!.id, 'position', 'off');
  expect(ampsByStretch(analysis, bench).size).toBe(0);
});
