import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { analyse } from '../analysis/analyse';
import { dayStack } from './dayStack';

describe.each([
  ['Heron', heron],
  ['Pip', pip],
])('the day of %s', (_, demo) => {
  const { index, scenarios } = analyse(demo());
  let compared = 0;

  test.each(index.scenarios.map((scenario) => [scenario.name, scenario] as const))('%s', (__, scenario) => {
    const { uses, busiest } = dayStack(index, scenario, 0);
    // The largest six by themselves, the largest first, the rest last.
    const told = uses.slice(0, 6);
    expect(told.every(({ loadId }) => loadId !== null)).toBe(true);
    for (let at = 1; at < told.length; at++) expect(told[at]!.wattHours).toBeLessThanOrEqual(told[at - 1]!.wattHours);
    expect(uses.slice(6).every(({ loadId, name }) => loadId === null && / others$/.test(name))).toBe(true);
    // What is seen of a day is what its budget says it takes; what is driven every few days is shared over them there.
    const budget = scenarios.find(({ id }) => id === scenario.id)!;
    const driven = index.duties.some((duty) => duty.scenarioId === scenario.id && duty.use?.rule === 'driving');
    const drawn = uses.reduce((sum, { wattHours }) => sum + wattHours, 0);
    if (!driven) expect(drawn / budget.dailyWh).toBeCloseTo(1, 2);
    compared += driven ? 0 : 1;
    for (const { watts, wattHours } of uses) expect((watts.reduce((sum, one) => sum + one, 0) * 24) / 96).toBeCloseTo(wattHours, 6);
    const at = (busiest.atMin * 96) / 1440;
    expect(uses.reduce((sum, { watts }) => sum + watts[at]!, 0)).toBeCloseTo(busiest.watts, 6);
  });

  test('some of them were held against their budgets', () => expect(compared).toBeGreaterThan(0));
});
