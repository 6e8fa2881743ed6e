import type { Duty, Load } from '../design/schema';
import { newLoad } from '../switching/newLoad';
import { settingDay, settingOf, spanHours } from './setting';
import { fillShares, thermostatShare } from './use';

const STEPS = 288;

/** Hours of a day a load runs under a duty, in a setting at 50° N. */
function hoursOf(duty: Partial<Duty>, more: { load?: Partial<Load>; scenario?: object; watts?: number; day?: number } = {}): number {
  const scenario = { id: 's', type: 'scenario' as const, name: 'S', order: 0, latitudeDeg: 50, longitudeDeg: 0, ...more.scenario };
  const setting = settingOf(scenario);
  const out = new Float32Array(STEPS);
  const whole = { id: 'd', type: 'duty' as const, scenarioId: 's', loadId: 'l', hoursPerDay: 0, sharePercent: 100, ...duty };
  const load = { ...newLoad('Load', null), ...more.load };
  fillShares(out, 0, STEPS, { load, duty: whole, watts: more.watts ?? 50 }, setting, settingDay(setting, more.day ?? 0));
  return (out.reduce((sum, share) => sum + share, 0) * 24) / STEPS;
}

const at = (hour: number) => Math.round(hour * 60);

describe('when a load runs', () => {
  it('spreads hours without a time over the day', () => {
    expect(hoursOf({ hoursPerDay: 6 })).toBeCloseTo(6, 4);
    expect(hoursOf({ hoursPerDay: 6, sharePercent: 50 })).toBeCloseTo(3, 4);
  });
  it('takes the hours painted, over midnight too, and never more than one of them at a time', () => {
    expect(hoursOf({ use: { rule: 'hours', spans: [{ fromMin: at(22), toMin: at(1.5) }] } })).toBeCloseTo(3.5, 4);
    const overlapping = [
      { fromMin: at(18), toMin: at(20) },
      { fromMin: at(19), toMin: at(21) },
    ];
    expect(hoursOf({ use: { rule: 'hours', spans: overlapping } })).toBeCloseTo(3, 4);
    expect(spanHours([...overlapping, { fromMin: at(23), toMin: at(1) }])).toBeCloseTo(5, 9);
    expect(hoursOf({ use: { rule: 'hours', spans: [{ fromMin: 601, toMin: 603 }] } })).toBeCloseTo(2 / 60, 5);
  });
  it.each([
    // Night lengths at 50° N by the almanac, from memory; it counts the sun's upper edge and refraction, a quarter of an hour.
    ['midwinter', 355, 15.9, 0.35],
    ['the equinox', 81, 11.9, 0.2],
    ['midsummer', 172, 7.6, 0.35],
  ])('is lit from dusk to dawn at %s', (_, startDay, hours, within) => {
    expect(Math.abs(hoursOf({ use: { rule: 'dark', untilMin: null } }, { scenario: { startDay } }) - hours)).toBeLessThan(within);
  });
  it('is lit from dusk until bedtime, and not at all where bedtime comes before dusk', () => {
    const winter = hoursOf({ use: { rule: 'dark', untilMin: at(23) } }, { scenario: { startDay: 355 } });
    expect(winter).toBeGreaterThan(6.5);
    expect(winter).toBeLessThan(7.5);
    expect(hoursOf({ use: { rule: 'dark', untilMin: at(17) } }, { scenario: { startDay: 172 } })).toBe(0);
  });
  it('runs while driving on driving days only, and while somebody is in', () => {
    const scenario = { driving: [{ fromMin: at(9), toMin: at(11) }], drivingEveryDays: 3, occupied: [{ fromMin: at(17), toMin: at(9) }] };
    expect(hoursOf({ use: { rule: 'driving' } }, { scenario })).toBeCloseTo(2, 4);
    expect(hoursOf({ use: { rule: 'driving' } }, { scenario, day: 1 })).toBe(0);
    expect(hoursOf({ use: { rule: 'occupied' } }, { scenario })).toBeCloseTo(16, 4);
  });
  it('lights on motion so often a night for so long, and all day when left on', () => {
    expect(hoursOf({ use: { rule: 'motion', timesPerNight: 12, holdS: 60 } })).toBeCloseTo(0.2, 3);
    // A door opened twelve times for a minute lights its lamp for 12 minutes, whenever that is.
    for (const over of ['daylight', 'always'] as const)
      expect(hoursOf({ use: { rule: 'motion', timesPerNight: 12, holdS: 60, over } })).toBeCloseTo(0.2, 3);
    expect(hoursOf({ use: { rule: 'leftOn' } })).toBeCloseTo(24, 4);
  });
});

describe('a thermostat', () => {
  const fridge = { mode: 'cools', setC: 4, sharePercent: 30, atC: 25, whPerOpening: 2 } as const;
  it('runs in proportion to the difference it holds, off when there is none and never more than all the time', () => {
    expect(thermostatShare(fridge, 25)).toBeCloseTo(0.3, 9);
    expect(thermostatShare(fridge, 14.5)).toBeCloseTo(0.15, 9);
    expect(thermostatShare(fridge, 2)).toBe(0);
    expect(thermostatShare(fridge, 120)).toBe(1);
    const heater = { mode: 'heats', setC: 20, sharePercent: 40, atC: 0, whPerOpening: 0 } as const;
    expect(thermostatShare(heater, -10)).toBeCloseTo(0.6, 9);
    expect(thermostatShare(heater, 21)).toBe(0);
  });
  it('puts a fridge of 40 to 65 W in summer in the trade’s 300 to 600 Wh a day, with its door opened 20 times (common practice)', () => {
    const scenario = { startDay: 200, climate: 'mediterranean' };
    const hours = hoursOf({ hoursPerDay: 24, openingsPerDay: 20 }, { load: { thermostat: fridge }, watts: 50, scenario });
    expect(hours * 50).toBeGreaterThan(300);
    expect(hours * 50).toBeLessThan(600);
    const shut = hoursOf({ hoursPerDay: 24 }, { load: { thermostat: fridge }, watts: 50, scenario });
    expect((hours - shut) * 50).toBeCloseTo(40, 0);
  });
});

describe('what is counted by person', () => {
  it('runs the hours, the nightly times and the door openings of one for each, and never more than all day', () => {
    const scenario = { people: 4 };
    expect(hoursOf({ hoursPerDay: 1.5, perPerson: true }, { scenario })).toBeCloseTo(6, 4);
    expect(hoursOf({ hoursPerDay: 1.5 }, { scenario })).toBeCloseTo(1.5, 4);
    expect(hoursOf({ hoursPerDay: 8, perPerson: true }, { scenario })).toBeCloseTo(24, 4);
    expect(hoursOf({ perPerson: true, use: { rule: 'motion', timesPerNight: 3, holdS: 60 } }, { scenario })).toBeCloseTo(0.2, 3);
    const fridge = { thermostat: { mode: 'cools', setC: 4, sharePercent: 30, atC: 25, whPerOpening: 2 } } as const;
    const opened = (perPerson: boolean) =>
      hoursOf({ hoursPerDay: 24, openingsPerDay: 5, perPerson }, { load: fridge, scenario, watts: 50 });
    expect((opened(true) - opened(false)) * 50).toBeCloseTo(15 * 2, 0);
  });
});
