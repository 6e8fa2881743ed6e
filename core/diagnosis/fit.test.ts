import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { seeded } from '../../testing/random';
import { analyse } from '../analysis/analyse';
import { applyChange } from '../design/change';
import { checkReferences } from '../design/references';
import type { ReadingRecord } from '../design/schema';
import { loadDraw } from '../devices/load';
import { drawVehicle, drawing, pointsOf, readAll } from './expect';
import { fitToReadings, takeFit } from './fit';
import { leastSquares } from './leastSquares';
import type { Moved } from './foresee';
import { normalFrom } from './normal';
import type { DesignIndex } from '../rig/designIndex';

const PIP = pip();
const { index, wiring } = analyse(PIP);
const on = (of: DesignIndex, name: string): Moved[] => [
  {
    mover: { kind: 'device', deviceId: [...of.devices.values()].find((device) => device.name === name)!.id, control: 'position' },
    position: 'on',
  },
];
const deviceIn = (of: DesignIndex, name: string) => [...of.devices.values()].find((device) => device.name === name)!;

/** What a meter reads in a vehicle at the points of some circuits: half a hundredth and a digit off, the battery's volts a hundredth. */
function readIn(
  vehicle: DesignIndex,
  of: DesignIndex,
  circuits: readonly [string, readonly Moved[]][],
  random: () => number,
): ReadingRecord[] {
  const normal = normalFrom(random);
  const { supply } = wiringOf(of);
  return circuits.flatMap(([name, moved], group) => {
    const circuit = of.circuits.find((one) => one.name === name)!;
    const inside = new Set(supply.nodes.filter(({ circuitId }) => circuitId === circuit.id).map(({ deviceId }) => deviceId));
    const wires = new Set(supply.nodes.flatMap(({ circuitId, wire }) => (circuitId === circuit.id && wire ? [wire.id] : [])));
    const points = pointsOf(of).filter((what) => (what.kind === 'amps' ? wires.has(what.wireId) : inside.has(what.at.deviceId)));
    const batteryV = 12.7;
    return readAll(vehicle, moved, batteryV, points).map((value, at): ReadingRecord => ({
      ...{
        id: `read_${group}_${at}`,
        type: 'reading',
        what: points[at]!,
        moved: [...moved],
        on: '2026-06-01',
        batteryV: batteryV + 0.005 * normal(),
      },
      value: value * (1 + 0.003 * normal()) + 0.004 * normal(),
    }));
  });
}
const wiringOf = (of: DesignIndex) => (of === index ? wiring : analyse(heron()).wiring);

// Weighted least squares, by hand: y = x / 5 through (1, 0.2) and (2, 0.4) with next to nothing known before.
test('least squares finds a line through points, and what is known beforehand where there are none', () => {
  expect(leastSquares([[1, 2]], [0.2, 0.4], [0], [1e6]).values[0]).toBeCloseTo(0.2, 6);
  expect(leastSquares([[1, 2]], [0.2, 0.4], [0], [1e6]).spreads[0]).toBeCloseTo(1 / Math.sqrt(5), 6);
  // Four spreads off it weighs half (Huber).
  expect(leastSquares([[1]], [4], [0], [1e6]).spreads[0]).toBeCloseTo(Math.sqrt(2), 6);
  // One reading as sure as what was known draws half way; none leaves it where it was.
  expect(leastSquares([[1]], [1], [0], [1])).toMatchObject({ values: [0.5], spreads: [Math.sqrt(0.5)] });
  expect(leastSquares([[0]], [3], [0], [0.2])).toMatchObject({ values: [0], spreads: [0.2] });
  // Where one stands already, nothing is left to do but the pull home.
  expect(leastSquares([[1]], [0], [2], [1]).values[0]).toBeCloseTo(1, 9);
});

test('a pump that draws a quarter more than its plate is found, and taken over everything follows', () => {
  const pump = deviceIn(index, 'Water pump');
  if (pump.kind !== 'load') throw new Error('no load');
  const devices = new Map(index.devices).set(pump.id, drawing(pump, 1.25));
  const vehicle = { ...index, devices, loads: index.loads.map((load) => (load.id === pump.id ? drawing(load, 1.25) : load)) };
  const readings = readIn(vehicle, index, [['Water pump', on(index, 'Water pump switch')]], seeded(3));
  const fitted = fitToReadings(index, wiring, readings);
  const [offer] = fitted.offers;
  expect(offer).toMatchObject({ quantity: { kind: 'draw', loadId: pump.id } });
  expect(offer!.factor).toBeCloseTo(1.25, 1);
  expect(fitted.strays).toEqual([]);
  expect(fitted.off[0]).toBeGreaterThan(5 * fitted.off[1]);
  expect(fitted.off[1]).toBeLessThan(1.5);
  const design = applyChange(PIP, takeFit(PIP, index, fitted.offers, '2026-06-01'));
  expect(checkReferences(design)).toEqual([]);
  const after = analyse(design);
  expect(after.loads.get(pump.id)!.draw).toMatchObject({ basis: 'measured', watts: expect.closeTo(loadDraw(pump).watts * 1.25, 0) });
  expect(after.loads.get(pump.id)!.dropV).toBeGreaterThan(analyse(PIP).loads.get(pump.id)!.dropV);
  // Fitted once, there is nothing more to fit.
  expect(fitToReadings(after.index, after.wiring, readings).offers.filter(({ factor }) => Math.abs(factor - 1) > 0.04)).toEqual([]);
});

test('in vehicles as they come draws are found as well as a meter can tell them, and what is not read is left alone', () => {
  let told = 0;
  for (let seed = 1; seed <= 12; seed++) {
    const random = seeded(seed);
    const vehicle = drawVehicle(index, random);
    const readings = readIn(vehicle, index, [['Water pump', on(index, 'Water pump switch')], ['Galley light', on(index, 'Galley light switch')]], random); // prettier-ignore
    const { offers, off } = fitToReadings(index, wiring, readings);
    expect(off[1]).toBeLessThan(2);
    for (const { quantity, factor } of offers) {
      if (quantity.kind !== 'draw') continue;
      expect(['Water pump', 'Galley strip']).toContain(index.devices.get(quantity.loadId)!.name);
      const [was, is] = [index, vehicle].map((of) => loadDraw(of.loads.find(({ id }) => id === quantity.loadId)!).watts) as [
        number,
        number,
      ];
      expect(Math.abs(factor / (is / was) - 1)).toBeLessThan(0.03);
      told += 1;
    }
  }
  expect(told).toBeGreaterThan(8);
});

test('a long run that is a tenth longer than planned is found longer, not shorter', () => {
  const circuit = index.circuits.find(({ name }) => name === 'Water pump')!;
  const own = new Set(wiring.supply.nodes.flatMap(({ circuitId, wire }) => (circuitId === circuit.id && wire ? [wire.id] : [])));
  const runTimes = (times: number): DesignIndex => ({
    ...index,
    wires: index.wires.map((wire) => (own.has(wire.id) ? { ...wire, lengthMm: wire.lengthMm * times, lengthMeasured: false } : wire)),
  });
  const readings = readIn(runTimes(27.5), index, [['Water pump', on(index, 'Water pump switch')]], seeded(11));
  const { offers } = fitToReadings(runTimes(25), wiring, readings);
  const found = offers.find(({ quantity }) => quantity.kind === 'run');
  expect(found).toMatchObject({ quantity: { circuitId: circuit.id }, factor: expect.closeTo(1.1, 1) });
  expect(found!.factor).toBeGreaterThan(1.05);
});

// Common practice: of ten readings that agree and one that does not, it is the one that is read again.
test('a reading that fits with none of the others is pointed out, and does not draw the rest along', () => {
  const readings = readIn(index, index, [['Water pump', on(index, 'Water pump switch')]], seeded(5));
  const wrong = readings.findIndex(({ what }) => what.kind === 'volts' && what.to !== null);
  const bad = readings.map((reading, at) => (at === wrong ? { ...reading, value: reading.value - 1.5 } : reading));
  const { strays, offers } = fitToReadings(index, wiring, bad);
  expect(strays.map(({ readingId }) => readingId)).toEqual([readings[wrong]!.id]);
  expect(strays[0]!.expected).toBeCloseTo(readings[wrong]!.value, 0);
  expect(offers.filter(({ factor }) => Math.abs(factor - 1) > 0.05)).toEqual([]);
  expect(fitToReadings(index, wiring, []).offers).toEqual([]);
});

// Common practice: a bad joint loses ten times what the wire does. No length is to be blamed for it.
test('a joint of a tenth of an ohm is no longer wire: nothing is offered for it, and what it upsets is pointed out', () => {
  const pump = deviceIn(index, 'Water pump');
  const home = index.wires.find(({ from }) => from.deviceId === pump.id && from.terminal === 'minus')!;
  // 0.1 ohm is some 20 m of its wire.
  const vehicle = {
    ...index,
    wires: index.wires.map((wire) => (wire.id === home.id ? { ...wire, lengthMm: wire.lengthMm + 20_000 } : wire)),
  };
  const { offers, strays } = fitToReadings(
    index,
    wiring,
    readIn(vehicle, index, [['Water pump', on(index, 'Water pump switch')]], seeded(8)),
  );
  expect(offers.filter(({ quantity }) => quantity.kind !== 'draw')).toEqual([]);
  expect(strays.length).toBeGreaterThan(0);
});
