import type { Battery } from '../design/schema';
import { bankOf, hoursAt } from './bank';
import { Store } from './store';

const AGM: Battery = {
  ...{
    id: 'battery',
    type: 'device',
    kind: 'battery',
    name: 'House',
    zoneId: null,
    chemistry: 'agm',
    capacityAh: 100,
    rateH: 20,
    count: 1,
  },
  ...{ usableDepthPercent: 50, peukertExponent: 1.2, heldDown: true },
};

// By hand: 100 Ah at the 20-hour rate is 5 A; half of it is usable. Peukert's law as handbooks of batteries give it.
test.each([
  [5, 10],
  [2.5, 20],
  [20, 50 / (20 * 4 ** 0.2)],
])('%s A are given for %s h', (amps, hours) => {
  expect(hoursAt(bankOf(AGM), amps)).toBeCloseTo(hours, 9);
});

test('nothing drawn lasts for no time that can be told', () => {
  expect(hoursAt(bankOf(AGM), 0)).toBeNull();
});

test('it is how long the simulated bank gives that current', () => {
  const bank = bankOf(AGM);
  for (const amps of [3, 12, 40]) {
    const store = new Store(bank, 1);
    const hours = hoursAt(bank, amps)!;
    for (let step = 0; step < 100; step++) store.step(-amps, hours / 100);
    expect(store.chargeAh / bank.capacityAh).toBeCloseTo(0.5, 6);
  }
});
