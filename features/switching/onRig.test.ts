import { heron } from '@/demo/heron';
import { analyse } from '@/core/analysis/analyse';
import { Bench } from '@/core/bench/bench';

import { ampsByStretch, stretchesOf, whereLoad } from './onRig';

const analysis = analyse(heron());
const { index } = analysis;

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
