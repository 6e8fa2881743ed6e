import Papa from 'papaparse';
import { heron } from '../../demo/heron';
import { analyse } from '../analysis/analyse';
import { applyUnchecked } from '../design/change';
import { formatRates, parseRates } from '../formats/ratesText';
import { writeBudgetCsv } from '../formats/budgetCsv';
import { BUDGET_BY, budgetRows, loadSavings } from './budgetTable';
import { setTo, trialChange, trialsOf } from './whatIf';
import { thermostatShare } from '../energy/use';

const analysis = analyse(heron());
const scenario = analysis.scenario!;
const idOf = (name: string) => analysis.index.loads.find((load) => load.name === name)!.id;

describe('a budget', () => {
  it.each(BUDGET_BY)('by %s adds up to the day, the largest first', (by) => {
    const rows = budgetRows(analysis, scenario, by);
    const sum = (of: 'wattHours' | 'ampHours' | 'standbyWh' | 'sharePercent') => rows.reduce((total, row) => total + row[of], 0);
    expect(sum('wattHours')).toBeCloseTo(scenario.dailyWh, 6);
    expect(sum('ampHours')).toBeCloseTo(scenario.dailyAh, 6);
    expect(sum('standbyWh')).toBeCloseTo(scenario.standbyWh, 6);
    expect(sum('sharePercent')).toBeCloseTo(100, 6);
    expect(rows.map(({ wattHours }) => wattHours)).toEqual(rows.map(({ wattHours }) => wattHours).sort((a, b) => b - a));
  });
  it('says what measuring is worth: eight 3 W pucks budgeted at 24 W that measured 17 W (common practice)', () => {
    const { measuredWh } = loadSavings(analysis, scenario, idOf('Bench puck'));
    const hours = scenario.loads.get(idOf('Bench puck'))!.hours;
    expect(measuredWh).toBeCloseTo((24 - 17) * hours, 6);
  });
  it('says what a lamp left on by mistake costs: all day less what it runs anyway', () => {
    const { draw } = analysis.loads.get(idOf('Galley light strip'))!;
    const used = scenario.loads.get(idOf('Galley light strip'))!.wattHours;
    expect(loadSavings(analysis, scenario, idOf('Galley light strip')).leftOnWh).toBeCloseTo(draw.watts * 24 - used, 6);
    expect(loadSavings(analysis, scenario, idOf('Compressor fridge')).leftOnWh).toBeNull();
    // A part that draws by itself, a sensor say, has a line of its own and nothing to turn down.
    const parts = [...scenario.loads.keys()].filter((id) => !analysis.loads.has(id));
    expect(parts.length).toBeGreaterThan(0);
    for (const id of parts) expect(loadSavings(analysis, scenario, id)).toEqual({ measuredWh: null, dimmedWh: 0, leftOnWh: null });
  });
  it('says what dimming saves: at 40 % the other 60 %', () => {
    const used = scenario.loads.get(idOf('Awning strip'))!.wattHours;
    expect(loadSavings(analysis, scenario, idOf('Awning strip')).dimmedWh).toBeCloseTo((used / 0.4) * 0.6, 6);
  });
  it('is written as CSV, every scenario by load, zone and circuit', () => {
    const { data } = Papa.parse<Record<string, string>>(writeBudgetCsv(analysis).trim(), { header: true });
    const day = data.filter((row) => row.scenario === scenario.name && row.by === 'zone').reduce((sum, row) => sum + Number(row['Wh a day']), 0); // prettier-ignore
    expect(day).toBeCloseTo(scenario.dailyWh, 0);
    expect(new Set(data.map((row) => row.scenario)).size).toBe(3);
  });
});

describe('turning things down to try', () => {
  const trials = trialsOf(analysis, 8);
  it('offers a lamp its level, a fridge its setting and the rest their hours', () => {
    expect(trials.find(({ name }) => name === 'Driving lamp, low')?.kind).toBe('level');
    expect(trials.find(({ name }) => name === 'Compressor fridge')).toMatchObject({ kind: 'setC', value: 4, least: 4, most: 12 });
    expect(trials.find(({ name }) => name === 'USB pair')?.kind).toBe('share');
  });
  it('changes nothing while nothing is moved', () => {
    const change = trialChange(analysis.design, scenario.id, trials, new Map(trials.map(({ loadId, value }) => [loadId, value])));
    const after = analyse(applyUnchecked(analysis.design, change)).scenario!;
    expect(after.dailyWh).toBeCloseTo(scenario.dailyWh, 1);
  });
  it('halves what runs half of its hours', () => {
    const usb = trials.find(({ name }) => name === 'USB pair')!;
    const change = trialChange(analysis.design, scenario.id, [usb], new Map([[usb.loadId, usb.value / 2]]));
    const after = analyse(applyUnchecked(analysis.design, change)).scenario!.loads.get(usb.loadId)!;
    const before = scenario.loads.get(usb.loadId)!;
    expect(after.wattHours - after.standbyWh).toBeCloseTo((before.wattHours - before.standbyWh) / 2, 4);
  });
  it('lets a warmer fridge run less in the same air: at 8 °C instead of 4 in 25 °C, 17/21 of it (heat flow follows the difference)', () => {
    const fridge = { mode: 'cools', setC: 4, sharePercent: 42, atC: 25, whPerOpening: 1 } as const;
    const warmer = setTo(fridge, 8);
    expect(thermostatShare(warmer, 25)).toBeCloseTo((0.42 * 17) / 21, 4);
    expect(thermostatShare(warmer, 14.5)).toBeCloseTo((0.42 * 6.5) / 21, 3);
    const heater = { mode: 'heats', setC: 20, sharePercent: 40, atC: 0, whPerOpening: 0 } as const;
    expect(thermostatShare(setTo(heater, 15), 0)).toBeCloseTo(0.3, 4);
  });
});

describe('capacities by hours of discharge', () => {
  it('are read as written and written back', () => {
    expect(parseRates('20 h 225, 5h 185 Ah')).toEqual({
      ok: true,
      value: [
        { hours: 20, capacityAh: 225 },
        { hours: 5, capacityAh: 185 },
      ],
    });
    expect(formatRates([{ hours: 5, capacityAh: 185 }])).toBe('5 h 185');
    expect(parseRates(' ')).toEqual({ ok: true, value: null });
  });
  it.each(['225', '20 h 225', '20 h 225, 20 h 200', '20 h 0, 5 h 1', '400 h 9, 5 h 1', 'lots'])('refuses “%s” with a reason', (text) => {
    expect(parseRates(text)).toMatchObject({ ok: false });
  });
});
