import { METER_STATES, type MeterState } from '../catalog/vocabulary';
import type { Trigger } from '../design/schema';
import { VEHICLE_SIGNALS } from '../devices/signalSource';
import { readTrigger, STATE_SIDES } from './triggers';
import { SIGNAL_LIVE } from './vehicleSide';

type Reading = Trigger['readings'][number];
const reads = (state: MeterState, volts: number, moves: Reading['moves'] = 'steady'): Reading => ({ state, volts, moves });
const read = (...readings: Reading[]) => readTrigger({ readings }, 12);

// Common practice: what a meter shows on wires of a road vehicle as its controls are moved. By hand.
test('a wire that is live with the key at accessory and on is found after three readings, good for one coil as a rule', () => {
  expect(read()).toMatchObject({ isFound: false, refused: null });
  expect(read(reads('off', 0.02))).toMatchObject({ isFound: false, next: expect.any(String) as string });
  const found = read(reads('off', 0.02), reads('accessory', 12.3), reads('on', 12.4));
  expect(found).toMatchObject({
    signals: ['accessory'],
    polarity: 'live',
    isFound: true,
    refused: null,
    liveV: 12.3,
    coils: 1,
    isSaid: false,
  });
  // What it may give is known only where somebody says: then it is coils of some 0.17 A.
  const said = readTrigger({ readings: [reads('off', 0), reads('accessory', 12.3), reads('on', 12.4)], mayDrawA: 0.5 }, 12);
  expect([said.coils, said.isSaid]).toEqual([2, true]);
  expect(readTrigger({ readings: [reads('off', 0), reads('on', 12.4), reads('accessory', 0)], mayDrawA: 0.1 }, 12).coils).toBe(0);
});

test('the low beam’s wire goes dead with the high beam, the side lamps’ does not', () => {
  const low = read(reads('off', 0), reads('low', 12.5), reads('high', 0.1), reads('side', 0));
  expect([low.signals, low.isFound]).toEqual([['lowBeam'], true]);
  const side = read(reads('off', 0), reads('low', 12.5), reads('high', 12.5));
  expect([side.signals, side.isFound]).toEqual([['running'], true]);
});

test('a wire that is pulled to ground while the door is open', () => {
  const door = read(reads('off', 12.4), reads('on', 12.4), reads('door', 0.05), reads('brake', 12.4), reads('low', 12.4), reads('left', 12.4), reads('right', 12.4), reads('reverse', 12.4), reads('accessory', 12.4), reads('high', 12.4), reads('side', 12.4)); // prettier-ignore
  expect([door.signals, door.polarity, door.isFound]).toEqual([['door'], 'ground', true]);
});

test.each<[string, Reading[]]>([
  ['steadyAndFlashing', [reads('side', 12.4), reads('left', 6, 'flashes')]],
  ['pulses', [reads('on', 2.5, 'pulses')]],
  ['between', [reads('off', 0), reads('on', 7.2)]],
  ['nothing', [reads('off', 12.4), reads('on', 0.1), reads('accessory', 12.4), reads('low', 12.4), reads('side', 0)]],
])('%s is no trigger', (why, readings) => {
  expect(read(...readings)).toMatchObject({ refused: why, coils: 0, isFound: false, next: null });
});

test('an indicator’s wire is found, and flashes', () => {
  const left = read(reads('off', 0), reads('left', 6, 'flashes'), reads('right', 0));
  expect([left.signals, left.isFound, left.flashes, left.liveV]).toEqual([['left'], true, true, null]);
});

test('metering what is told next finds every signal there is, in nine readings at most', () => {
  let most = 0;
  for (const signal of VEHICLE_SIGNALS) {
    const readings: Reading[] = [];
    for (let step = 0; step < METER_STATES.length; step++) {
      const { next, isFound } = read(...readings);
      if (isFound || next === null) break;
      const isLive = SIGNAL_LIVE[signal](STATE_SIDES[next]);
      const moves = isLive && (signal === 'left' || signal === 'right') ? 'flashes' : 'steady';
      readings.push(reads(next, isLive ? 12.4 : 0, moves));
    }
    const { signals, isFound, refused } = read(...readings);
    expect([signal, signals, isFound, refused]).toEqual([signal, [signal], true, null]);
    most = Math.max(most, readings.length);
  }
  expect(most).toBeLessThanOrEqual(9);
});
