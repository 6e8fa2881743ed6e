import { SwitchingSeen } from './switchingSeen';

const PUMP = { loadId: 'pump', ampsAt: () => 5 };
const FRIDGE = { loadId: 'fridge', ampsAt: () => 4 };
const LAMP = { loadId: 'lamp', ampsAt: () => 1 };
const OTHER_LAMP = { loadId: 'otherLamp', ampsAt: () => 1 };

const seen = (loads: (typeof PUMP)[], steps: readonly (readonly [atMin: number, amps: number])[]) => {
  const follows = new SwitchingSeen(loads);
  for (const [atMin, amps] of steps) follows.step(atMin, amps, 12.6);
  return { totals: Object.fromEntries(follows.totals), unknown: follows.unknownSteps };
};

test('a load on, and off again as it came, is counted by its minutes and its times', () => {
  const { totals, unknown } = seen(
    [PUMP, FRIDGE],
    [
      [0, 5],
      [3, -5],
      [10, 4.1],
      [25, -4.05],
      [30, 5],
      [31, -5],
    ],
  );
  expect(totals).toEqual({ pump: { min: 4, doubtfulMin: 0, times: 2 }, fridge: { min: 15, doubtfulMin: 0, times: 1 } });
  expect(unknown).toBe(0);
});

test('what is off already goes off no second time: that step is nobody’s', () => {
  const { totals, unknown } = seen(
    [PUMP],
    [
      [0, 5],
      [3, -5],
      [9, -5],
    ],
  );
  expect(totals).toEqual({ pump: { min: 3, doubtfulMin: 0, times: 1 } });
  expect(unknown).toBe(1);
});

test('of two alike neither is named, and noise is no step', () => {
  expect(seen([LAMP, OTHER_LAMP], [[0, 1], [5, -1], [6, 0.1]])).toEqual({ totals: {}, unknown: 2 }); // prettier-ignore
});

test('with two of a size one of which is on, the other has come on; which of them then goes off is not guessed', () => {
  const { totals, unknown } = seen(
    [LAMP, { loadId: 'strip', ampsAt: () => 1.2 }],
    [
      [0, 1.0],
      [5, 1.19],
      [9, -1.19],
      [12, -1.0],
    ],
  );
  expect(Object.keys(totals)).toEqual(expect.arrayContaining(['strip', 'lamp']));
  expect(unknown).toBe(0);
});

test('a step down that fits none leaves those doubtful that may have gone off in it', () => {
  const { totals, unknown } = seen(
    [PUMP, LAMP],
    [
      [0, 1],
      [2, 5],
      [6, -9],
      [8, -1],
    ],
  );
  expect(unknown).toBe(1);
  expect(totals).toEqual({ lamp: { min: 8, doubtfulMin: 8, times: 1 } });
});

test('after a gap nothing is on', () => {
  const follows = new SwitchingSeen([PUMP]);
  follows.step(0, 5, 12.6);
  follows.forget();
  follows.step(50, -5, 12.6);
  expect(follows.totals.size).toBe(0);
  expect(follows.unknownSteps).toBe(1);
});
