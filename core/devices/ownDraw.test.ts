import { pip } from '../../demo/pip';
import { analyse } from '../analysis/analyse';
import { budgetRows } from '../advice/budgetTable';
import { trialsOf } from '../advice/whatIf';
import { applyChange, updateRecords } from '../design/change';
import { recordsOf, type Design } from '../design/design';
import { dayStack } from '../energy/dayStack';
import { allEnds, drawWire } from '../switching/drawWire';
import { putIntoRun, stretchOf, trace } from '../switching/partsByHand';
import { rig } from '../../testing/rig';
import { PARTS } from './parts';

const design = pip();
const run = recordsOf(design, 'wire').find(({ id }) => {
  const stretch = stretchOf(trace(design), id);
  return stretch?.side === 'supply' && recordsOf(design, 'circuit').some(({ protectionId }) => protectionId === stretch.first.deviceId);
})!;
const put = (id: string) => {
  const { change, deviceId } = putIntoRun(
    design,
    run.id,
    PARTS.find((part) => part.id === id)!,
    300,
  )!;
  return { now: applyChange(design, change), deviceId };
};
const dayOf = (of: Design) => analyse(of).scenario!;

// A lamp of 12 mA that is always lit takes 0.012 A x 24 h = 0.29 Ah a day. Common practice.
test('a pilot lamp lit from its own outlet costs nothing by itself; one that is always lit 0.29 Ah a day', () => {
  const { now, deviceId } = put('pilotSwitch');
  expect(dayOf(now).dailyAh).toBeCloseTo(dayOf(design).dailyAh, 9);
  const link = recordsOf(now, 'wire').find(({ from, to }) => from.deviceId === deviceId && to.deviceId === deviceId)!;
  const loose = applyChange(now, { added: [], updated: [], removed: [link] });
  const feed = allEnds(loose).find(({ device, side }) => side === 'supply' && device.kind === 'fuseBlock')!;
  const lit = applyChange(loose, drawWire(loose, { deviceId, terminal: 'lampPlus' }, feed, 500, run.conductor)!);
  expect(dayOf(lit).dailyAh - dayOf(design).dailyAh).toBeCloseTo(0.288, 9);
  expect(dayOf(lit).loads.get(deviceId)).toMatchObject({ hours: 0, ampHours: expect.closeTo(0.288, 9) as number });
});

test.each([
  ['receiver', 0.006],
  ['motion', 0.001],
  ['hub', 0.01],
  ['dimmer', 0.005],
])('a %s draws what it stands by with, all day, in the budget, the runtime and the day’s picture', (id, standbyA) => {
  const { now, deviceId } = put(id);
  const [before, after] = [dayOf(design), dayOf(now)];
  expect(after.dailyAh - before.dailyAh).toBeCloseTo(standbyA * 24, 9);
  expect(after.standbyWh - before.standbyWh).toBeCloseTo(standbyA * 24 * 12, 6);
  expect(after.runtimeH!).toBeLessThan(before.runtimeH!);
  const { index } = analyse(now);
  const scenario = index.scenarios.find((one) => one.id === after.id)!;
  const drawn = (of: Design) => dayStack(analyse(of).index, scenario, 0).uses.reduce((sum, { wattHours }) => sum + wattHours, 0);
  expect(drawn(now) - drawn(design)).toBeCloseTo(standbyA * 24 * 12, 3);
  // By load under its own name, by circuit under the one that feeds it.
  const analysis = analyse(now);
  expect(budgetRows(analysis, after, 'load').find((row) => row.id === deviceId)).toMatchObject({
    standbyWh: expect.closeTo(standbyA * 288, 6) as number,
  });
  expect(budgetRows(analysis, after, 'circuit').every((row) => row.id !== null)).toBe(true);
});

test('one whose minus is not wired draws nothing', () => {
  const { now, deviceId } = put('receiver');
  const minus = recordsOf(now, 'wire').find(({ from, to }) =>
    [from, to].some((end) => end.deviceId === deviceId && end.terminal === 'minus'),
  )!;
  expect(dayOf(applyChange(now, { added: [], updated: [], removed: [minus] })).dailyAh).toBeCloseTo(dayOf(design).dailyAh, 9);
});

test('its draw changed, going on from the analysis before gives what a fresh one does', () => {
  const { now, deviceId } = put('receiver');
  const more = applyChange(now, updateRecords(now, [{ id: deviceId, set: { standbyA: 0.5 } }]));
  expect(analyse(more, analyse(now)).scenario!.dailyAh).toBeCloseTo(dayOf(more).dailyAh, 9);
  expect(dayOf(more).dailyAh - dayOf(now).dailyAh).toBeCloseTo((0.5 - 0.006) * 24, 9);
});

test('the zones of the report add up to the day', () => {
  const { now } = put('receiver');
  const { zones, scenario, loads } = analyse(now);
  const elsewhere = [...loads.values()].reduce((sum, { load, dailyWh }) => (load.zoneId === null ? sum + dailyWh : sum), 0);
  expect(zones.reduce((sum, { dailyWh }) => sum + dailyWh, elsewhere)).toBeCloseTo(scenario!.dailyWh, 6);
});

// A 12 V coil of 85 ohm with its 680 ohm resistor takes 12/85 + 12/680 = 0.159 A. Ohm's law.
test('a coil counts in the sum of the fuse that works it, whichever way round it is wired', () => {
  for (const [fed, home] of [
    ['86', '85'],
    ['85', '86'],
  ] as const) {
    const build = rig();
    build.supply();
    build.slot('trigger', 1, 1);
    build.circuit('trigger', 1, 'trigger');
    build.add({ id: 'r', kind: 'relay', pins: 4, coilOhm: 85, pullInV: 7.2, dropOutV: 1.2, suppression: 'resistor', contactMilliohm: 5, ratingA: 30 }); // prettier-ignore
    const out = build.wire('trigger.out', `r.${fed}`, 1000, 'mm2:1');
    const back = build.wire(`r.${home}`, 'bar.bar', 1000, 'mm2:1', 'return');
    const { circuits, wires, findings } = analyse(build.design());
    const coilA = 12 / 85 + 12 / 680;
    expect(circuits[0]).toMatchObject({ peakA: expect.closeTo(coilA, 9) as number, partIds: ['r'], loadIds: [] });
    expect([out, back].map((id) => wires.get(id)!.amps)).toEqual([expect.closeTo(coilA, 9), expect.closeTo(coilA, 9)]);
    expect(findings.some(({ rule }) => rule === 'circuit.empty')).toBe(false);
  }
});

/** A lamp of 60 W used five hours a day behind a relay whose coil a switch feeds from the same fuse, or the vehicle's high beam. */
function relayed(contact: '87' | '87a', coilFrom: 'house' | 'vehicle') {
  const build = rig();
  build.supply();
  build.slot('f', 1, 10);
  build.circuit('lamp', 1, 'f');
  build.add({ id: 'r', kind: 'relay', pins: 5, coilOhm: 85, pullInV: 7.2, dropOutV: 1.2, suppression: 'none', contactMilliohm: 5, ratingA: 30 }); // prettier-ignore
  build.load(60, 'resistive', 0, { id: 'lamp' });
  build.wire('f.out', 'r.30');
  build.wire(`r.${contact}`, 'lamp.plus');
  build.wire('lamp.minus', 'bar.bar', 1000, 'mm2:2.5', 'return');
  build.add({ id: 'sw', kind: 'switch', ratingA: 10 });
  build.add({ id: 'vehicle', kind: 'signalSource', signals: ['highBeam'], maxA: 0.5 });
  if (coilFrom === 'house') build.wire('f.out', 'sw.in');
  build.wire(coilFrom === 'house' ? 'sw.out' : 'vehicle.highBeam', 'r.86');
  build.wire('r.85', 'bar.bar', 500, 'mm2:1', 'return');
  const added = [
    { id: 'day', type: 'scenario' as const, name: 'A day', order: 0 },
    { ...{ id: 'd', type: 'duty' as const, scenarioId: 'day', loadId: 'lamp', hoursPerDay: 5, sharePercent: 100 } },
  ];
  return applyChange(build.design(), { added, updated: [], removed: [] });
}

// 12 V over 85 ohm for five hours: 0.141 A, 8.47 Wh a day beside the lamp's 300. Ohm's law.
test('a coil takes its current for as long as what it switches runs; one the vehicle feeds, or a resting contact, costs nothing', () => {
  const coilWh = (12 * 12 * 5) / 85;
  const pulled = dayOf(relayed('87', 'house'));
  expect(pulled.dailyWh).toBeCloseTo(300 + coilWh, 6);
  expect(pulled.loads.get('r')).toMatchObject({ hours: 5, wattHours: expect.closeTo(coilWh, 6) as number });
  expect(dayOf(relayed('87', 'vehicle')).dailyWh).toBeCloseTo(300, 6);
  expect(dayOf(relayed('87a', 'house')).dailyWh).toBeCloseTo(300, 6);
  const { index, scenario } = analyse(relayed('87', 'house'));
  const lived = dayStack(
    index,
    index.scenarios.find(({ id }) => id === scenario!.id)!,
    0,
  ).uses.reduce((sum, { wattHours }) => sum + wattHours, 0);
  expect(lived).toBeCloseTo(300 + coilWh, 0);
  expect(trialsOf(analyse(relayed('87', 'house')), 5).map(({ loadId }) => loadId)).toEqual(['lamp']);
});

test('a part that takes nothing by itself is none that draws all day', () => {
  for (const [standbyA, count] of [
    [0, 0],
    [0.02, 1],
  ] as const) {
    const build = rig();
    build.supply();
    build.slot('fuse', 1, 5);
    build.add({ id: 'dimmer', kind: 'dimmer', side: 'positive', ratingA: 5, standbyA });
    build.load(10, 'ledConstantPower', 0, { id: 'lamp' });
    build.wire('fuse.out', 'dimmer.in');
    build.wire('dimmer.out', 'lamp.plus');
    for (const part of ['dimmer', 'lamp']) build.wire(`${part}.minus`, 'bar.bar', 1000, 'mm2:2.5', 'return');
    expect(analyse(build.design()).index.ownDraws).toHaveLength(count);
  }
});
