import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { analyse } from '../analysis/analyse';
import { applyChange, updateRecords } from '../design/change';
import { dayStack } from './dayStack';
import { answerDays, type DaysAnswer } from '../advice/questions';
import { giveUps } from './giveUps';
import { cheapest, drivingNeeded, tradeOff } from './tradeOff';

const question = { limit: 0.1, draws: 12, seed: 3, pricePer100Ah: 400, pricePer100W: 120 };
const winter = (design = heron()) => {
  const { index, scenario } = analyse(design);
  return { index, battery: index.battery!, scenario: index.scenarios.find(({ id }) => id === scenario!.id)! };
};

describe('battery against panel', () => {
  const { index, battery, scenario } = winter();
  const points = tradeOff(index, battery, scenario, question);

  it('never asks for more panel with a larger battery, and keeps every pair under the limit', () => {
    expect(points.map(({ capacityAh }) => capacityAh)).toEqual([100, 150, 200, 250, 300, 400, 600]);
    points.slice(1).forEach(({ panelW }, at) => expect(panelW ?? Infinity).toBeLessThanOrEqual(points[at]!.panelW ?? Infinity));
    for (const { panelW, chance } of points) if (panelW !== null) expect(chance).toBeLessThanOrEqual(0.1);
  });
  it('finds the cheapest of all pairs, and another when panels cost nothing or batteries do', () => {
    const costs = points.flatMap(({ cost }) => (cost === null ? [] : [cost]));
    expect(cheapest(points)!.cost).toBe(Math.min(...costs));
    const freePanels = cheapest(tradeOff(index, battery, scenario, { ...question, pricePer100W: 0 }))!;
    expect(freePanels.capacityAh).toBeLessThanOrEqual(cheapest(points)!.capacityAh);
    expect(cheapest([])).toBeNull();
  });
  it('costs what battery and panel cost by the hundred (worked by hand: 200 Ah at 400 and 300 W at 120 are 800 + 360)', () => {
    const priced = points.filter(({ cost }) => cost !== null);
    expect(priced.length).toBeGreaterThan(2);
    for (const { capacityAh, panelW, cost } of priced) expect(cost).toBeCloseTo(4 * capacityAh + 1.2 * panelW!, 9);
  });
  it('needs no more driving the larger the battery is', () => {
    const needed = (capacityAh: number) => drivingNeeded(index, { ...battery, capacityAh }, scenario, question);
    expect(needed(400)).toBe(0);
    expect(needed(100)!).toBeGreaterThanOrEqual(0.5);
  });
  it('works for a design without panels too', () => {
    const records = Array.from(heron().records.values()).filter(({ id }) => id !== 'sun_roof');
    const { index: bare, battery: own, scenario: same } = winter({ records: new Map(records.map((record) => [record.id, record])) });
    expect(tradeOff(bare, own, same, question).at(-1)!.panelW).not.toBeNull();
  });
});

describe('what to give up', () => {
  it('ranks by hours gained: a load that is a fifth of the day adds a quarter to the runtime (computed)', () => {
    const loads = new Map([
      ['fridge', { wattHours: 480, ampHours: 40 }],
      ['lamp', { wattHours: 240, ampHours: 20 }],
      ['radio', { wattHours: 480, ampHours: 40 }],
    ]);
    const list = giveUps(loads, 100, 20, (id) => id === 'fridge');
    expect(list.map(({ loadId }) => loadId)).toEqual(['radio', 'lamp']);
    expect(list[1]).toMatchObject({ gainedH: expect.closeTo(5, 9) as number, halfGainedH: expect.closeTo(20 / 9, 9) as number });
  });
});

describe('a day’s picture', () => {
  const design = heron();
  const { index, scenario } = winter(design);
  it('adds up to the budget on a day like every other, and is brightest around noon', () => {
    const still = { ...scenario, driving: [] };
    const { uses, sources } = dayStack(index, still, 0);
    const used = uses.reduce((sum, { wattHours }) => sum + wattHours, 0);
    const { dailyWh } = analyse(applyChange(design, updateRecords(design, [{ id: scenario.id, set: { driving: [] } }]))).scenario!;
    expect(Math.abs(used - dailyWh)).toBeLessThan(0.5);
    const { watts } = sources.find(({ name }) => name === 'Sun')!;
    expect(Math.abs(watts.indexOf(Math.max(...watts)) / 4 - 12)).toBeLessThan(1);
  });
  it('hides driving on days without it', () => {
    const second = { ...scenario, drivingEveryDays: 2 };
    expect(dayStack(index, second, 0).sources.some(({ name }) => name === 'Driving')).toBe(true);
    expect(dayStack(index, second, 1).sources.some(({ name }) => name === 'Driving')).toBe(false);
  });
});

describe('questions to the worker', () => {
  const ask = (more: object) => {
    const answers: DaysAnswer[] = [];
    const records = Array.from(pip().records.values());
    answerDays(
      { records, scenarioId: 'scn_camp', ask: 'forecast', year: false, draws: 30, seed: 2, startShare: 1, ...more } as never,
      (answer) => answers.push(answer),
    );
    return answers;
  };
  it('tells how far it is, then answers, the same for the same seed', () => {
    const answers = ask({});
    expect(answers.filter((answer) => 'done' in answer).map((answer) => (answer as { done: number }).done)).toEqual([1 / 3, 2 / 3, 1]);
    expect(answers.at(-1)).toEqual(ask({}).at(-1));
    expect(answers.at(-1)).toMatchObject({ forecast: { days: 2, draws: 30 } });
  });
  it('lives a year from the first of January, whatever the scenario’s own days', () => {
    expect(ask({ year: true, draws: 2 }).at(-1)).toMatchObject({ forecast: { days: 365, startDay: 1 } });
  });
  it('answers with nothing for a scenario that is gone', () => {
    expect(ask({ scenarioId: 'gone' })).toEqual([{ forecast: null }]);
  });
});
