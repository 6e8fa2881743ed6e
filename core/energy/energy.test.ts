import fc from 'fast-check';
import { defaultSettings } from '../design/defaultSettings';
import type { Battery, Draw, Duty, Load } from '../design/schema';
import { newLoad } from '../switching/newLoad';
import { bankFacts, peukertHours } from './battery';
import { dutyHours, scenarioBudget } from './budget';
import { loadLines } from './loadLines';
import { settingDay, settingOf } from './setting';
import { demandOf } from '../network/demand';
import { drawOf, loadDraw, stripFeedAmps } from '../devices/load';

const load = (rated: Draw, more: Partial<Load> = {}): Load => ({ ...newLoad('Lamp', null), rated, ...more });
const battery = (more: Partial<Battery> = {}): Battery => ({
  ...{ id: 'bat', type: 'device', kind: 'battery', name: 'Battery', zoneId: null, chemistry: 'agm', capacityAh: 100, rateH: 20, count: 1 },
  ...{ usableDepthPercent: null, peukertExponent: null, ...more },
});

const settings = defaultSettings({
  name: 'Day',
  vehicle: 'panelVan',
  units: 'metric',
  standard: 'iso-small-craft',
  defaultReturn: 'dedicated',
});
const scenario = { id: 's', type: 'scenario' as const, name: 'Day', order: 0 };

/** A day of one load used so many hours, on one battery. */
function day(one: Load, hoursPerDay: number, sharePercent = 100, more: Partial<Duty> = {}, bank = battery()) {
  const duty = { id: 'd', type: 'duty' as const, scenarioId: 's', loadId: one.id, hoursPerDay, sharePercent, ...more };
  const index = { duties: [duty], loads: [one], ownDraws: [], settings, zones: [] };
  return scenarioBudget(scenario, index, new Map([[one.id, loadDraw(one)]]), bank);
}

describe('energy of a day', () => {
  // Worked figures of the trade (common practice, recomputed): a rated load, the same measured, a bar left on.
  test.each([
    ['24 W for 16 h', 24, 16, 384, 32],
    ['17 W measured, 16 h', 17, 16, 272, 22.67],
    ['a 9 W bar left on all day', 9, 24, 216, 18],
  ])('%s: %d W, %d h → %d Wh, %d Ah', (_, watts, hours, wattHours, ampHours) => {
    const { dailyWh, dailyAh } = day(load({ kind: 'watts', watts, atV: 12 }), hours);
    expect(dailyWh).toBeCloseTo(wattHours, 9);
    expect(dailyAh).toBeCloseTo(ampHours, 2);
  });

  test('a relay coil of 0.16 A left on costs 3.8 Ah a day (common practice)', () => {
    expect(day(load({ kind: 'amps', amps: 0.16, atV: 12 }), 24).dailyAh).toBeCloseTo(3.84, 9);
  });

  test('a 50 W compressor fridge at 25 to 50 % uses 300 to 600 Wh a day (common practice)', () => {
    expect(day(load({ kind: 'watts', watts: 50, atV: 12 }), 24, 25).dailyWh).toBeCloseTo(300, 9);
    expect(day(load({ kind: 'watts', watts: 50, atV: 12 }), 24, 50).dailyWh).toBeCloseTo(600, 9);
    const duty = { id: 'd', type: 'duty' as const, scenarioId: 's', loadId: 'l', hoursPerDay: 24, sharePercent: 50 };
    const setting = settingOf({ id: 's', type: 'scenario', name: 'S', order: 0 });
    expect(dutyHours(load({ kind: 'watts', watts: 50, atV: 12 }), duty, 50, setting)).toBe(12);
  });
});

// The careful case, as the setting says of itself.
test('a scenario that says nothing is lived in from midnight to midnight, under open sky, with no driving and no hookup', () => {
  const setting = settingOf({ id: 's', type: 'scenario', name: 'S', order: 0 });
  expect(setting).toMatchObject({ occupied: [{ fromMin: 0, toMin: 1440 }], driving: [], shore: [] });
  expect(setting.openSky).toEqual(new Array(24).fill(1));
});

describe('what a day costs', () => {
  it('counts what is off: a radio that waits with 20 mA costs 5.8 Wh a day more (computed)', () => {
    const radio = load({ kind: 'watts', watts: 60, atV: 12 }, { standbyA: 0.02 });
    expect(day(radio, 0)).toMatchObject({ dailyWh: expect.closeTo(5.76, 6) as number, standbyWh: expect.closeTo(5.76, 6) as number });
    expect(day(radio, 12).standbyWh).toBeCloseTo(2.88, 6);
  });
  it('takes a lamp’s amber at its own draw and a dimmed one in proportion: one of two banks dimmed low, 9 W for 17 (common practice)', () => {
    const lamp = load({ kind: 'watts', watts: 17, atV: 12 }, { levels: [{ name: 'amber', watts: 5 }] });
    expect(day(lamp, 10, 100, { level: 'amber' }).dailyWh).toBeCloseTo(50, 9);
    expect(day(lamp, 10, 100, { levelPercent: (100 * 9) / 17 }).dailyWh).toBeCloseTo(90, 9);
  });
  it('shares a drive out over the days between drives', () => {
    const fan = load({ kind: 'watts', watts: 24, atV: 12 });
    const driven = { ...scenario, driving: [{ fromMin: 540, toMin: 660 }], drivingEveryDays: 4 };
    const duty = {
      id: 'd',
      type: 'duty' as const,
      scenarioId: 's',
      loadId: fan.id,
      hoursPerDay: 0,
      sharePercent: 100,
      use: { rule: 'driving' as const },
    };
    const index = { duties: [duty], loads: [fan], ownDraws: [], settings, zones: [] };
    expect(scenarioBudget(driven, index, new Map([[fan.id, loadDraw(fan)]]), null).dailyWh).toBeCloseTo(12, 6);
  });
  it('pulls a coil in as long as what it switches runs, and leaves out what never runs', () => {
    const lamp = load({ kind: 'watts', watts: 12, atV: 12 });
    const idle = { ...lamp, id: 'idle' };
    const coil = { ...load({ kind: 'watts', watts: 1.7, atV: 12 }), id: 'coil' };
    const duty = { id: 'd', type: 'duty' as const, scenarioId: 's', loadId: lamp.id, hoursPerDay: 4, sharePercent: 100 };
    const of = (loadIds: string[]) =>
      scenarioBudget(
        scenario,
        { duties: [duty], loads: [lamp, idle], ownDraws: [], settings, zones: [], coils: [{ part: coil, loadIds }] },
        new Map(),
        null,
      );
    // 4 h of 12 W and of 1.7 W, by hand.
    expect(of([idle.id, lamp.id]).dailyWh).toBeCloseTo(54.8, 9);
    expect(of([idle.id, lamp.id]).loads.get('coil')).toMatchObject({ hours: 4, wattHours: expect.closeTo(6.8, 9) as number });
    expect(Array.from(of([idle.id]).loads.keys())).toEqual([lamp.id]);
  });
  // By hand, 1.7 W for as long as the switch is on; a twentieth of an hour of three minutes.
  it.each<[string, Partial<Duty>, Partial<Load>, number]>([
    ['a lamp dimmed to a third for six hours', { hoursPerDay: 6, levelPercent: 33 }, {}, 6],
    ['a fridge that is on all day and runs a third of it', { hoursPerDay: 24, sharePercent: 33 }, {}, 24],
    ['a heater by its thermostat, left on', { hoursPerDay: 0, use: { rule: 'leftOn' } }, { thermostat: { mode: 'heats', setC: 20, sharePercent: 30, atC: 0, whPerOpening: 0 } }, 24], // prettier-ignore
    ['a lamp that shows itself to who passes, twenty times a minute long', { hoursPerDay: 0, use: { rule: 'motion', timesPerNight: 20, holdS: 60 } }, {}, 1 / 3], // prettier-ignore
    ['a lamp at two levels, four hours each', { hoursPerDay: 4 }, { levels: [{ name: 'low', watts: 3 }] }, 8],
  ])('a coil ahead of %s is pulled in while that is on, in a day as in the days lived through', (_, use, has, hours) => {
    const behind = load({ kind: 'watts', watts: 12, atV: 12 }, has);
    const coil = { ...load({ kind: 'watts', watts: 1.7, atV: 12 }), id: 'coil' };
    const duty = { id: 'd', type: 'duty' as const, scenarioId: 's', loadId: behind.id, hoursPerDay: 0, sharePercent: 100, ...use };
    const duties = has.levels ? [duty, { ...duty, id: 'e', level: 'low' }] : [duty];
    const index = { duties, loads: [behind], ownDraws: [], settings, zones: [], coils: [{ part: coil, loadIds: [behind.id] }] };
    expect(scenarioBudget(scenario, index, new Map(), null).loads.get('coil')).toMatchObject({
      ...{ hours: expect.closeTo(hours, 6) as number, wattHours: expect.closeTo(1.7 * hours, 5) as number },
    });
    const line = loadLines(index, 's', settingOf(scenario), 1, 96).find(({ load: { id } }) => id === 'coil')!;
    expect((line.shares.reduce((sum, share) => sum + share, 0) * 24) / 96).toBeCloseTo(hours, 4);
  });
  it('what waits with a current of its own waits while it does not run, however bright it was', () => {
    const lamp = load({ kind: 'watts', watts: 12, atV: 12 }, { standbyA: 0.01 });
    // 0.01 A x 12 V for the 14 hours it is off.
    expect(day(lamp, 10, 100, { levelPercent: 50 }).standbyWh).toBeCloseTo(1.68, 9);
  });
  it('lasts as long as the usable part does: 50 Ah of 100 at 4.2 A for 12 hours (computed), and less in frost', () => {
    const lamp = load({ kind: 'amps', amps: 4.2, atV: 12 }, { behaviour: 'ledConstantCurrent' });
    const fresh = battery({ chemistry: 'lithium', usableDepthPercent: 50 });
    // Outdoors at midwinter, a few degrees: lithium then gives 0.85 to 0.9 of its capacity (from memory).
    const { meanAirC } = settingDay(settingOf(scenario), 0);
    expect(meanAirC).toBeGreaterThan(0);
    expect(day(lamp, 24, 100, {}, fresh).runtimeH).toBeCloseTo(((0.85 + (0.15 * meanAirC) / 25) * 50) / 4.2, 1);
    expect(day(lamp, 24, 100, {}, battery({ usableDepthPercent: 50 })).runtimeH!).toBeLessThan(0.9 * (50 / 4.2));
  });
});

describe('draw', () => {
  test('watts become amperes at the stated voltage', () => {
    expect(drawOf({ kind: 'watts', watts: 60, atV: 12 }).amps).toBe(5);
    expect(drawOf({ kind: 'watts', watts: 60, atV: 13.8 }).amps).toBeCloseTo(4.348, 3);
    expect(drawOf({ kind: 'amps', amps: 2, atV: 12.5 }).watts).toBe(25);
  });

  test('strips joined end to end and side by side draw the same; the first strip carries all or its own share', () => {
    const strip = { kind: 'strip', wattsPerM: 9.6, lengthMm: 2000, pieces: 3, atV: 12 } as const;
    expect(drawOf({ ...strip, join: 'endToEnd' }).watts).toBeCloseTo(57.6, 9);
    expect(drawOf({ ...strip, join: 'parallel' }).amps).toBeCloseTo(4.8, 9);
    expect(stripFeedAmps({ ...strip, join: 'endToEnd' })).toBeCloseTo(4.8, 9);
    expect(stripFeedAmps({ ...strip, join: 'parallel' })).toBeCloseTo(1.6, 9);
  });

  test('eight 3 W lamps budgeted at 24 W that measured 17 W count as 17 W (a case from practice)', () => {
    const pucks = load(
      { kind: 'watts', watts: 3, atV: 12 },
      { quantity: 8, measured: { draw: { kind: 'watts', watts: 17, atV: 12 }, forSize: 8, on: null } },
    );
    expect(loadDraw(pucks)).toMatchObject({ watts: 17, ratedWatts: 24, basis: 'measured' });
    expect(loadDraw({ ...pucks, quantity: 16 }).watts).toBe(34);
  });
});

describe('currents at once', () => {
  test('of lamps that exclude each other only the larger counts', () => {
    const lamp = (amps: number, side: string | null, continuous = true) => ({
      ...{ amps, continuous },
      side: side === null ? null : { choice: 'colour', side },
    });
    expect(demandOf([lamp(4, 'white'), lamp(2, 'amber'), lamp(1, null), lamp(3, null, false)])).toEqual({
      connectedA: 10,
      peakA: 8,
      continuousA: 5,
    });
    // Two on one side of a changeover run together: 2 + 3 A against 4.
    expect(demandOf([lamp(4, 'white'), lamp(2, 'amber'), lamp(3, 'amber', false)])).toEqual({ connectedA: 9, peakA: 5, continuousA: 4 });
  });

  test('at once is never more than connected, nor for hours more than at once', () => {
    const lamps = fc.array(
      fc.record({
        amps: fc.double({ min: 0, max: 50, noNaN: true }),
        continuous: fc.boolean(),
        side: fc.constantFrom(null, { choice: 'a', side: '1' }, { choice: 'a', side: '2' }, { choice: 'b', side: '1' }),
      }),
    );
    fc.assert(
      fc.property(lamps, (list) => {
        const { connectedA, continuousA, peakA } = demandOf(list);
        expect(peakA).toBeLessThanOrEqual(connectedA + 1e-9);
        expect(continuousA).toBeLessThanOrEqual(peakA + 1e-9);
      }),
    );
  });
});

describe('battery', () => {
  test('Peukert: 100 Ah at 20 h, exponent 1.2, 10 A lasts 8.706 h and gives 87.1 Ah (worked example, battery trade)', () => {
    const hours = peukertHours(100, 20, 1.2, 10);
    expect(hours).toBeCloseTo(8.706, 3);
    expect(hours * 10).toBeCloseTo(87.06, 2);
  });

  test('Peukert: 225 Ah at 20 h and 185 Ah at 5 h give exponent 1.164 (computed from a golf-cart battery’s usual pair)', () => {
    const exponent = 1.164;
    expect(peukertHours(225, 20, exponent, 37)).toBeCloseTo(5, 2);
  });

  test.each([
    // t = H (C / (I H))^n with C 100 Ah at 20 h: Peukert's law. At 42 A and n 1.2 that is 1.558 h; a quarter of an hour more would be one
    // nobody has.
    [42, 1.2],
    [10, 1.2],
    [63, 1.15],
  ])('%d A with exponent %d runs until empty to the minute, not to the next quarter of an hour', (amps, peukertExponent) => {
    const steady = load({ kind: 'amps', amps, atV: 12 }, { behaviour: 'ledConstantCurrent', cutOutV: 1, continuous: true });
    const bank = battery({ usableDepthPercent: 100, peukertExponent, cutOutV: 1, internalMilliohm: 0.001 });
    // Warm air, so that all of the capacity is there.
    const hot = { ...scenario, latitudeDeg: 25, climate: 'desert' as const, startDay: 200 };
    const duty = { id: 'd', type: 'duty' as const, scenarioId: 's', loadId: steady.id, hoursPerDay: 24, sharePercent: 100 };
    const index = { duties: [duty], loads: [steady], ownDraws: [], settings, zones: [] };
    const { runtimeH } = scenarioBudget(hot, index, new Map([[steady.id, loadDraw(steady)]]), bank);
    expect(runtimeH! / peukertHours(100, 20, peukertExponent, amps)).toBeCloseTo(1, 3);
  });

  test('at or under the rated current a battery gives its capacity and no more', () => {
    expect(peukertHours(100, 20, 1.3, 5)).toBe(20);
    expect(peukertHours(100, 20, 1.3, 1)).toBe(100);
    expect(peukertHours(100, 20, 1.3, 0)).toBe(Infinity);
  });

  test.each([
    ['flooded', 50],
    ['agm', 50],
    ['lithium', 80],
  ] as const)('%s is used to %d %% (battery trade tables)', (chemistry, percent) => {
    expect(bankFacts(battery({ chemistry })).usableAh).toBeCloseTo(percent, 9);
  });

  test('a bank in parallel adds up, and a design’s own depth and exponent replace the usual ones', () => {
    expect(bankFacts(battery({ count: 3, usableDepthPercent: 60, peukertExponent: 1.1 }))).toMatchObject({
      capacityAh: 300,
      usableAh: 180,
      peukertExponent: 1.1,
    });
  });

  test('more current never lasts longer', () => {
    const runtime = (watts: number) => day(load({ kind: 'watts', watts, atV: 12 }, { behaviour: 'converter' }), 24).runtimeH!;
    fc.assert(
      fc.property(fc.double({ min: 1, max: 400, noNaN: true }), fc.double({ min: 1, max: 2, noNaN: true }), (watts, factor) => {
        expect(runtime(watts * factor)).toBeLessThanOrEqual(runtime(watts) + 1e-9);
      }),
      { numRuns: 40 },
    );
    expect(day(load({ kind: 'watts', watts: 10, atV: 12 }), 0).runtimeH).toBeNull();
  });
});
