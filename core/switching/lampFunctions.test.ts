import { agreesWithNgspice } from '../../testing/agreesWithNgspice';
import { heron } from '../../demo/heron';
import { CLASS5_MILLIOHM_PER_M } from '../catalog/resistance';
import { analyse } from '../analysis/analyse';
import { solveDesign } from '../analysis/solved';
import { applyChange, updateRecords, type Change } from '../design/change';
import { deviceOf, recordsOf, type Design } from '../design/design';
import { Edit } from '../design/edit';
import { migrateRecords } from '../design/migrations';
import { checkReferences } from '../design/references';
import type { Load } from '../design/schema';
import { NetworkError } from '../network/networkError';
import { isFixedByItself, placeIdOf } from '../rig/layout';
import { acrossLamps, addFunction, functionWord, joinLamps, levelToFunction, partFromLamp, whyNotOne } from './lampFunctions';
import { attachLoad, moveLoad, removeLoads } from './loadWires';
import { newLoad } from './newLoad';
import { addCircuit, removeCircuit } from './schemes';
import { usualScheme } from './usualScheme';
import { addWire } from './wires';

const AMBER_W = 12;
const load = (design: Design, id: string) => deviceOf(design, id, 'load')!;
const wiresAtTerminal = (design: Design, id: string, terminal: string) =>
  recordsOf(design, 'wire').filter(({ from, to }) => [from, to].some((end) => end.deviceId === id && end.terminal === terminal));
const faultsOf = (design: Design) =>
  analyse(design)
    .findings.filter(({ severity }) => severity === 'fault')
    .map(({ rule }) => rule);
const take = (design: Design, change: Change | null) => applyChange(design, change!);
/** Every wire 2 m of 2.5 mm², but those of the main feed. */
const evenWires = (design: Design, ids: readonly string[]) =>
  applyChange(design, updateRecords(design, ids.map((id) => ({ id, set: { lengthMm: 2000, lengthMeasured: true, conductor: 'mm2:2.5' } })))); // prettier-ignore

/** A lamp of 24 W white on one fuse and 12 W amber on another, in a row of so many, over one return. */
function twoColours(quantity = 1) {
  const edit = new Edit(heron());
  const white = edit.add<Load>({ ...newLoad('Left scene light, white', null), quantity, rated: { kind: 'watts', watts: 24, atV: 12 } });
  const first = addCircuit(edit, { ...usualScheme(edit.design, 'White', null), loadIds: [white.id] });
  const added = addFunction(edit.design, white.id)!;
  const withIt = new Edit(take(edit.design, added.change));
  withIt.set(added.loadId, { rated: { kind: 'watts', watts: AMBER_W, atV: 12 } });
  const second = addCircuit(withIt, { ...usualScheme(withIt.design, 'Amber', null), loadIds: [added.loadId] });
  const lampWires = [
    ...wiresAtTerminal(withIt.design, white.id, 'plus'),
    ...wiresAtTerminal(withIt.design, white.id, 'minus'),
    ...wiresAtTerminal(withIt.design, added.loadId, 'plus'),
  ].map(({ id }) => id);
  return { design: evenWires(withIt.design, lampWires), white: white.id, amber: added.loadId, circuits: [first.id, second.id] as const };
}

test('a second colour has a terminal, a wire and a fuse of its own, and the return in common carries both', () => {
  const { design, white, amber, circuits } = twoColours();
  expect(checkReferences(design)).toEqual([]);
  expect(load(design, amber).name).toBe('Left scene light, amber');
  expect(functionWord('Left scene light, amber', 'Left scene light, white')).toBe('amber');
  expect(functionWord('Side marker', 'Left scene light, white')).toBe('Side marker');
  const analysis = analyse(design);
  const [home] = wiresAtTerminal(design, white, 'minus');
  const [out] = wiresAtTerminal(design, amber, 'plus');
  expect(wiresAtTerminal(design, amber, 'minus')).toEqual([]);
  expect(analysis.wires.get(home!.id)!.amps).toBeCloseTo(3, 9);
  expect(analysis.wires.get(out!.id)!.amps).toBeCloseTo(1, 9);
  expect([white, amber].map((id) => analysis.loads.get(id)!.circuitId)).toEqual(circuits);
  // Ohm's law over its own 2 m and the 2 m in common, class 5 cable (IEC 60228), beyond the bar all share.
  const perM = CLASS5_MILLIOHM_PER_M['2.5']! / 1000;
  const own = analysis.circuits.find(({ id }) => id === circuits[1])!;
  const beyond = [...own.supplyRun, ...own.returnRun].reduce(
    (sum, step) => sum + (step.kind === 'wire' && !step.shared ? step.dropV : 0),
    0,
  );
  const ends = (2 * (analysis.index.settings.endMilliohm ?? 0)) / 1000;
  expect(beyond).toBeCloseTo(1 * (2 * perM + ends) + 3 * (2 * perM + ends), 6);
  // Both fuses together may send their current home by it.
  const thin = analyse(evenWires(design, [home!.id]));
  expect(thin.wires.get(home!.id)!.sharedBy).toBeTruthy();
  expect(thin.wires.get(home!.id)!.protectionA).toBe(20);
});

test('never lit together, as the wiring has it, they ask the return for the larger alone; only said to be, for both', () => {
  const { design, white, amber } = twoColours();
  const marked = applyChange(design, updateRecords(design, [white, amber].map((id) => ({ id, set: { exclusiveGroup: 'one colour' } })))); // prettier-ignore
  const [home] = wiresAtTerminal(design, white, 'minus');
  expect(analyse(marked).wires.get(home!.id)!.amps).toBeCloseTo(3, 9);
  // Two poles of one changeover, each fuse through one: up lights the white, down the amber.
  const edit = new Edit(marked);
  edit.add({ ...{ id: 'choose', type: 'device', kind: 'switch', name: 'Colour', zoneId: null }, ...{ ratingA: 16, form: 'doublePoleChangeover' } }); // prettier-ignore
  for (const [lamp, pole, to] of [
    [white, 'common1', 'up1'],
    [amber, 'common2', 'down2'],
  ] as const) {
    const [feed] = wiresAtTerminal(design, lamp, 'plus');
    edit.set(feed!.id, { to: { deviceId: 'choose', terminal: pole } });
    addWire(edit, 'supply', { deviceId: 'choose', terminal: to }, { deviceId: lamp, terminal: 'plus' }, 2000, 'mm2:2.5');
  }
  expect(analyse(edit.design).wires.get(home!.id)!.amps).toBeCloseTo(2, 9);
});

test('a row of them loses along what they have in common by the sum, along what is their own by each', () => {
  const { design, amber } = twoColours(4);
  const dropAt = (spacingMm: number) =>
    analyse(applyChange(design, updateRecords(design, [{ id: amber, set: { spacingMm } }]))).loads.get(amber)!.dropV;
  // A row of n like lamps loses a hop times n (n - 1) / 2 of one lamp's share: (n - 1) / 2 of its whole current, 4 A own, 12 A in common.
  const metre = CLASS5_MILLIOHM_PER_M['2.5']! / 1000;
  expect(dropAt(2000) - dropAt(1000)).toBeCloseTo(1.5 * 4 * metre + 1.5 * 12 * metre, 6);
});

/** The same lamp with its plus in common, white and amber each coming home by a wire of its own. */
function commonPlus() {
  const { design, white, circuits } = twoColours();
  const plain = take(design, removeLoads(design, [recordsOf(design, 'device').find(({ name }) => name.endsWith(', amber'))!.id]));
  const added = addFunction(plain, white, 'plus')!;
  const edit = new Edit(take(plain, added.change));
  edit.set(added.loadId, { rated: { kind: 'watts', watts: AMBER_W, atV: 12 } });
  attachLoad(edit, added.loadId, circuits[0]);
  return { design: edit.design, white, amber: added.loadId };
}

test('with the plus in common each comes home by a wire of its own, and one fuse carries both', () => {
  const { design, white, amber } = commonPlus();
  expect(wiresAtTerminal(design, amber, 'plus')).toEqual([]);
  const [own] = wiresAtTerminal(design, amber, 'minus');
  const [out] = wiresAtTerminal(design, white, 'plus');
  const { wires, loads } = analyse(design);
  expect([own, out].map((wire) => wires.get(wire!.id)!.amps)).toEqual([expect.closeTo(1, 9), expect.closeTo(3, 9)]);
  expect(loads.get(amber)!.circuitId).toBe(loads.get(white)!.circuitId);
});

test.each([
  ['a return in common', twoColours],
  ['a plus in common', commonPlus],
] as const)('with %s the network finds what ngspice finds', (_, make) => {
  const { design, white, amber } = make();
  const answer = solveDesign(analyse(design), { kind: 'allOn' });
  if (answer instanceof NetworkError) throw answer;
  expect(answer.live.partAmps(amber, 'draw')).toBeGreaterThan(0.8);
  expect(answer.live.partAmps(white, 'draw')).toBeGreaterThan(1.6);
  agreesWithNgspice(answer.live);
});

test('a colour taken off its circuit leaves the common return to the other, and the last takes it along', () => {
  const { design, white, amber } = twoColours();
  const [home] = wiresAtTerminal(design, white, 'minus');
  const whiteOff = take(design, moveLoad(design, white, null));
  expect(wiresAtTerminal(whiteOff, white, 'plus')).toEqual([]);
  expect(wiresAtTerminal(whiteOff, white, 'minus')).toEqual([home]);
  expect(faultsOf(whiteOff).filter((rule) => !faultsOf(design).includes(rule) && rule !== 'load.noCircuit')).toEqual([]);
  const bothOff = take(whiteOff, moveLoad(whiteOff, amber, null));
  expect(wiresAtTerminal(bothOff, white, 'minus')).toEqual([]);
  const again = analyse(take(bothOff, moveLoad(bothOff, amber, analyse(design).loads.get(amber)!.circuitId)));
  expect(again.loads.get(amber)!.returned).toBe(true);
});

test('a circuit removed leaves the other colour wired; a lamp removed takes its functions along', () => {
  const { design, white, amber, circuits } = twoColours();
  const left = analyse(take(design, removeCircuit(design, circuits[0])));
  expect(left.loads.get(amber)).toMatchObject({ circuitId: circuits[1], returned: true });
  expect(left.loads.get(white)!.circuitId).toBeNull();
  const gone = take(design, removeLoads(design, [white]));
  expect(checkReferences(gone)).toEqual([]);
  expect([white, amber].filter((id) => gone.records.has(id))).toEqual([]);
});

test('two loads become one lamp by a click and two again, their currents, drops and circuits as they were', () => {
  const design = heron();
  const apart = new Edit(design);
  const [white, amber] = ['white', 'amber'].map((name, at) => {
    const one = apart.add<Load>({ ...newLoad(`Step lamp ${name}`, null), rated: { kind: 'watts', watts: [24, 12][at]!, atV: 12 } });
    addCircuit(apart, { ...usualScheme(apart.design, name, null), loadIds: [one.id] });
    return one.id;
  }) as [string, string];
  const two = apart.design;
  const one = take(two, joinLamps(two, white, amber, 'minus'));
  expect(checkReferences(one)).toEqual([]);
  expect(recordsOf(one, 'wire').length).toBe(recordsOf(two, 'wire').length - 1);
  expect(faultsOf(one)).toEqual(faultsOf(two));
  const again = take(one, partFromLamp(one, amber));
  expect(recordsOf(again, 'wire').length).toBe(recordsOf(two, 'wire').length);
  for (const at of [one, again]) {
    const { loads } = analyse(at);
    expect([white, amber].map((id) => [loads.get(id)!.draw.amps, loads.get(id)!.returned])).toEqual([
      [2, true],
      [1, true],
    ]);
    expect(loads.get(amber)!.circuitId).toBe(analyse(two).loads.get(amber)!.circuitId);
  }
  // What hung on the second's way home hangs on.
  const chained = new Edit(two);
  const third = chained.add<Load>({ ...newLoad('Beyond', null), rated: { kind: 'watts', watts: 6, atV: 12 } });
  attachLoad(chained, third.id, analyse(two).loads.get(amber)!.circuitId!);
  const joined = take(chained.design, joinLamps(chained.design, white, amber, 'minus'));
  expect(analyse(joined).loads.get(third.id)!.returned).toBe(true);
  expect(faultsOf(joined)).toEqual(faultsOf(two));
});

test('what cannot be one lamp is refused with why', () => {
  const { design, white, amber } = twoColours();
  const edit = new Edit(design);
  const other = edit.add<Load>({ ...newLoad('Other', null), quantity: 2 });
  const why = (a: string, b: string) => whyNotOne(edit.design, load(edit.design, a), load(edit.design, b));
  expect(why(white, white)).toContain('same');
  expect(why(white, amber)).toContain('already');
  expect(why(other.id, white)).toContain('functions of its own');
  expect(why(white, other.id)).toContain('1 of the one and 2 of the other');
  expect(joinLamps(edit.design, white, other.id, 'minus')).toBeNull();
  const nested = updateRecords(design, [{ id: white, set: { partOf: { loadId: amber, shares: 'minus' } } }]);
  expect(() => applyChange(design, nested)).toThrow('functionOfFunction');
});

test('where it is and how many there are go for the whole lamp, from whichever function it is said', () => {
  const { design, white, amber } = twoColours();
  const zone = recordsOf(design, 'zone')[0]!.id;
  for (const [said, other] of [
    [white, amber],
    [amber, white],
  ] as const) {
    const change = acrossLamps(design, updateRecords(design, [{ id: said, set: { quantity: 3, zoneId: zone } }]));
    expect(load(applyChange(design, change), other)).toMatchObject({ quantity: 3, zoneId: zone });
  }
  // Put where the lamp is put, and nowhere by itself.
  const place = recordsOf(design, 'place')[0]!.id;
  const { devices } = analyse(applyChange(design, updateRecords(design, [{ id: white, set: { placeId: place } }]))).index;
  expect(placeIdOf(devices, amber)).toBe(place);
  expect([white, amber].map((id) => isFixedByItself(devices.get(id)!))).toEqual([true, false]);
  const name = updateRecords(design, [{ id: white, set: { name: 'Another name' } }]);
  expect(acrossLamps(design, name)).toEqual(name);
});

test('a draw said on the same two wires becomes a function with a wire of its own, its hours with it', () => {
  const start = heron();
  const lamp = recordsOf(start, 'device').find((device): device is Load => device.kind === 'load')!;
  const scenario = recordsOf(start, 'scenario')[0]!.id;
  const edit = new Edit(start);
  edit.set(lamp.id, { levels: [{ name: 'amber', watts: 5 }] });
  edit.add({ ...{ id: 'd1', type: 'duty', scenarioId: scenario, loadId: lamp.id, hoursPerDay: 3 }, ...{ sharePercent: 100, level: 'amber' } }); // prettier-ignore
  const made = take(edit.design, levelToFunction(edit.design, lamp.id, 'amber'));
  const fn = recordsOf(made, 'device').find((device): device is Load => device.kind === 'load' && device.partOf?.loadId === lamp.id)!;
  expect(fn).toMatchObject({ rated: { kind: 'watts', watts: 5 }, partOf: { shares: 'minus' } });
  expect(load(made, lamp.id).levels).toBeUndefined();
  expect(made.records.get('d1')).toMatchObject({ loadId: fn.id, hoursPerDay: 3 });
  expect(made.records.get('d1')).not.toHaveProperty('level');
  expect(
    analyse(made)
      .scenarios.find(({ id }) => id === scenario)!
      .loads.get(fn.id)!.wattHours,
  ).toBeCloseTo(15, 9);
});

test('what older designs called functions are levels on the same wires', () => {
  const old = [
    { id: 'l', type: 'device', kind: 'load', functions: [{ name: 'amber', watts: 5 }] },
    { id: 'd', type: 'duty', loadId: 'l', function: 'amber' },
  ];
  expect(migrateRecords(old, 6)).toEqual([
    { id: 'l', type: 'device', kind: 'load', levels: [{ name: 'amber', watts: 5 }] },
    { id: 'd', type: 'duty', loadId: 'l', level: 'amber' },
  ]);
});
