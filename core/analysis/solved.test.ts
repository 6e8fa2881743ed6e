import { withSlowFindings } from './rules/slowFindings';
import { expectAsFresh } from '../../testing/sameSaid';
import type { Design } from '../design/design';
import { heron } from '../../demo/heron';
import { rig } from '../../testing/rig';
import { NetworkError } from '../network/networkError';
import type { StateChoice } from '../network/namedStates';
import { analyse } from './analyse';
import { applyChange, updateRecords } from '../design/change';
import { SETTINGS_ID } from '../catalog/vocabulary';
import { makeReport } from '../formats/report';
import { formatPercent } from '../units/quantity';
import { readingsOf } from './readings';
import { solveDesign, type SolvedDesign } from './solved';
import { worstDrop } from './wiredDrops';

const analysis = analyse(heron());

function solved(choice: StateChoice): SolvedDesign {
  const answer = solveDesign(analysis, choice);
  if (answer instanceof NetworkError) throw answer;
  return answer;
}

function running({ live, outcome }: SolvedDesign): string[] {
  return analysis.index.loads
    .filter(({ id }) => outcome.state.controls[id]?.on === true && live.partAmps(id, 'draw') > 0.01)
    .map(({ name }) => name);
}

test('with everything on every load runs but the smaller of those that exclude each other', () => {
  const names = running(solved({ kind: 'allOn' }));
  const idle = analysis.index.loads.filter(({ name }) => !names.includes(name));
  for (const load of idle) {
    const group = analysis.index.loads.filter(({ exclusiveGroup }) => exclusiveGroup === load.exclusiveGroup);
    expect(load.exclusiveGroup).not.toBeNull();
    expect(Math.max(...group.map(({ id }) => analysis.loads.get(id)!.draw.amps))).toBeGreaterThanOrEqual(
      analysis.loads.get(load.id)!.draw.amps,
    );
    expect(group.some(({ name }) => names.includes(name))).toBe(true);
  }
});

test('with everything off only standby flows, and the battery rests at its rested voltage', () => {
  const { live, batteryV } = solved({ kind: 'allOff' });
  const standby = [...analysis.index.loads, ...analysis.index.ownDraws].reduce((sum, { standbyA = 0 }) => sum + standbyA, 0);
  // The reversing lamps' switch is closed like all others, and holds its relay in: 85 ohm with the quenching resistor, from memory 680 ohm,
  // beside it.
  const coilA = batteryV / 85 + batteryV / 680;
  // The beam hub is fed with the driving lamps at high alone; they stand at low.
  const hubA = 0.01;
  // Both switches of the bench at one position leave it dark: its dimmer has none of its 5 mA.
  const dimmerA = 0.005;
  expect(-live.partAmps(analysis.index.battery!.id, 'rest')).toBeCloseTo(standby + coilA - hubA - dimmerA, 2);
  // A rested full lithium battery, from memory 13.5 V, less next to nothing.
  expect(batteryV).toBeCloseTo(13.5, 1);
});

test('one circuit alone runs its own loads and no other', () => {
  const circuit = analysis.circuits.find(({ name }) => name === 'Fridge')!;
  expect(running(solved({ kind: 'onlyCircuit', circuitId: circuit.id }))).toEqual(['Compressor fridge']);
});

test('a scenario runs what it uses', () => {
  const scenario = analysis.index.scenarios.find(({ name }) => name === 'Stored between trips')!;
  const used = analysis.index.duties.filter(({ scenarioId, hoursPerDay }) => scenarioId === scenario.id && hoursPerDay > 0);
  const names = running(solved({ kind: 'scenario', scenarioId: scenario.id }));
  expect(used.length).toBeGreaterThan(0);
  expect(names.length).toBeLessThanOrEqual(used.length);
  for (const name of names) expect(used.map(({ loadId }) => analysis.index.loads.find(({ id }) => id === loadId)!.name)).toContain(name);
});

test('a lower battery runs a constant-power fridge on more current and dims a resistor', () => {
  const build = rig();
  build.battery('agm', 100);
  build.load(60, 'converter', 0, { id: 'fridge' });
  build.load(60, 'resistive', 0, { id: 'heater' });
  for (const load of ['fridge', 'heater']) {
    build.wire('battery.plus', `${load}.plus`);
    build.wire(`${load}.minus`, 'battery.minus');
  }
  const answer = solveDesign(analyse(build.design()), { kind: 'allOn' }) as SolvedDesign;
  const amps = (chargePercent: number) => {
    answer.live.settle({ ...answer.outcome.state, controls: { battery: { chargePercent } } });
    return { fridge: answer.live.partAmps('fridge', 'draw'), heater: answer.live.partAmps('heater', 'draw') };
  };
  const [full, low] = [amps(100), amps(10)];
  expect(low.fridge).toBeGreaterThan(full.fridge);
  expect(low.heater).toBeLessThan(full.heater);
});

test('readings: what flows into a load’s plus flows out of its minus, the battery’s minus is nought, the return side has no short', () => {
  const readings = readingsOf(solved({ kind: 'allOn' }));
  const at = (deviceId: string, terminal: string) =>
    readings.find((reading) => reading.deviceId === deviceId && reading.terminal === terminal)!;
  expect(at(analysis.index.battery!.id, 'minus').volts).toBe(0);
  for (const load of analysis.index.loads) {
    const { id } = load;
    const [plus, minus] = [at(id, 'plus'), at(load.partOf?.loadId ?? id, 'minus')];
    if (analysis.loads.get(id)!.circuitId === null || plus.adrift) continue;
    expect(minus.short).toBeNull();
    expect(plus.short!.greatestA).toBeLessThan(at(analysis.index.battery!.id, 'plus').short!.greatestA);
    // What a lamp's functions have in common carries all of them home.
    const lampId = load.partOf?.loadId ?? id;
    const fns = analysis.index.loads.filter((one) => one.id === lampId || one.partOf?.loadId === lampId);
    const out = fns.reduce((sum, one) => sum + at(one.id, 'plus').amps!, 0);
    expect(out + at(lampId, 'minus').amps!).toBeCloseTo(0, 6);
  }
});

test('a design without a battery has an answer: nothing', () => {
  const build = rig();
  build.load(10, 'resistive', 0, { id: 'lamp' });
  const answer = solveDesign(analyse(build.design()), { kind: 'allOn' }) as SolvedDesign;
  expect(answer.batteryV).toBe(0);
  expect(answer.live.voltage({ deviceId: 'lamp', terminal: 'plus' })).toBeCloseTo(0, 9);
});

test('the report names the worst drop of the screens: as wired, and of the cables alone', () => {
  const { drops } = solved({ kind: 'allOn' });
  const worst = worstDrop(analysis, drops)!;
  expect(worst.percent).toBe(worst.wiredPercent);
  expect(worst.wiredPercent!).toBeGreaterThan(worst.cablePercent);
  const fact = makeReport(withSlowFindings(analysis)).facts.find(({ name }) => name === 'Worst drop')!;
  expect(fact.value).toBe(`${formatPercent(worst.wiredPercent)}, cables ${formatPercent(worst.cablePercent)}`);
});

test('counted from the fuse, a drop as wired leaves out what the shared cables lose', () => {
  const fromFuse = analyse(
    applyChange(analysis.design, updateRecords(analysis.design, [{ id: SETTINGS_ID, set: { dropFrom: 'fuseBlock' } }])),
  );
  const answer = solveDesign(fromFuse, { kind: 'allOn' });
  if (answer instanceof NetworkError) throw answer;
  for (const { id, dropPercent } of fromFuse.circuits) {
    const wired = answer.drops.get(id)!.dropPercent;
    expect(wired).toBeLessThan(solved({ kind: 'allOn' }).drops.get(id)!.dropPercent);
    // Less than the formula's only since above the nominal voltage the same power draws less, and pieces along a wire draw from where they
    // are.
    expect(wired).toBeGreaterThan(dropPercent * 0.75);
  }
});

// By hand: a lamp's own cable out and its own cable home, as long and as thick, lose the same (Ohm's law).
test('counted from the fuse, a cable home that no other shares counts to its end', () => {
  const build = rig();
  build.supply();
  build.slot('fuse', 1, 5);
  build.load(24, 'resistive', 0, { id: 'lamp' });
  build.wire('fuse.out', 'lamp.plus', 5000);
  build.wire('lamp.minus', 'battery.minus', 5000, 'mm2:2.5', 'return');
  build.circuit('lamp', 1, 'fuse');
  const design = build.design();
  const one = analyse(applyChange(design, updateRecords(design, [{ id: SETTINGS_ID, set: { dropFrom: 'fuseBlock', endMilliohm: 0 } }])));
  const answer = solveDesign(one, { kind: 'allOn' }) as SolvedDesign;
  const volts = (deviceId: string, terminal: string) => answer.live.voltage({ deviceId, terminal })!;
  const out = volts('fuse', 'out') - volts('lamp', 'plus');
  expect(out).toBeGreaterThan(0.05);
  expect(answer.drops.get('circuit_lamp')!.dropV).toBeCloseTo(2 * out, 6);
});

test('of two ways that a contact chooses between each wire is counted with all that goes that way by turns', () => {
  const named = (name: string) => Array.from(analysis.index.devices.values()).find((device) => device.name === name)!.id;
  const between = (from: string, to: string) =>
    analysis.index.wires
      .filter((wire) => wire.from.deviceId === named(from) && wire.to.deviceId === named(to))
      .map(({ id }) => analysis.wires.get(id)!.amps);
  // Travellers of a lamp switched from two places: eight pucks were measured at 17 W, 12.6 V; at constant current the dimmer's own 5 mA
  // come on top. Textbook.
  for (const amps of between('Hide bench lights switch', 'Bench switch by the door')) expect(amps).toBeCloseTo(17 / 12.6 + 0.005, 3);
  expect(between('Hide bench lights switch', 'Bench switch by the door')).toHaveLength(2);
  // Two channels bring two relays’ coils what the panel brings else, 85 ohm with 680 beside each at 12 V; the receiver’s own 6 mA.
  const [fed] = between('Scene lights, left fuse', 'Left scene radio');
  expect(fed).toBeCloseTo(2 * (12 / 85 + 12 / 680) + 0.006, 6);
});

/** A lamp of 60 W behind a fuse, its return wired and its feed left to be. */
function lampUnfed() {
  const build = rig();
  build.supply();
  build.slot('f', 1, 10);
  build.circuit('lamp', 1, 'f');
  build.load(60, 'resistive', 0, { id: 'lamp' });
  build.wire('lamp.minus', 'bar.bar', 1000, 'mm2:2.5', 'return');
  return build;
}

test('a lamp lit by either of two contacts side by side: each is judged by all that the lamp draws, whichever was wired first', () => {
  const lit = (first: string, second: string) => {
    const build = lampUnfed();
    for (const id of [first, second]) {
      build.add({ id, kind: 'switch', ratingA: id === 'weak' ? 2 : 16 });
      build.wire('f.out', `${id}.in`);
      build.wire(`${id}.out`, 'lamp.plus');
    }
    const { findings, wires } = analyse(build.design());
    for (const { wire, amps } of wires.values())
      if (wire.from.deviceId === 'f' || wire.to.deviceId === 'lamp') expect([wire.id, amps]).toEqual([wire.id, 5]);
    return findings.flatMap(({ rule, subjects: [id] }) => (rule === 'switch.overRating' ? [id] : []));
  };
  expect(lit('weak', 'strong')).toEqual(['weak']);
  expect(lit('strong', 'weak')).toEqual(['weak']);
});

test.each(['near', 'far'])(
  'of two contacts side by side the drop is the longer way’s, %s wired first, and goes on so when the lengths change',
  (first) => {
    const second = first === 'near' ? 'far' : 'near';
    const wireIds: Record<string, string> = {};
    const build = lampUnfed();
    for (const id of [first, second]) {
      build.add({ id, kind: 'switch', ratingA: 16 });
      wireIds[id] = build.wire('f.out', `${id}.in`, id === 'far' ? 12_000 : 1000, 'mm2:2.5');
      build.wire(`${id}.out`, 'lamp.plus', 1000, 'mm2:2.5');
    }
    const design = build.design();
    const sized = analyse(design);
    // ISO 10133's formula on what is this lamp's, and on 2.15 m of 16 mm² of the main leads: 0.0164 × A × m / mm².
    const formulaV = (metres: number) => 0.0164 * 5 * (metres / 2.5 + 2.15 / 16);
    expect(sized.circuits[0]!.formulaDropV).toBeCloseTo(formulaV(14), 6);
    expect(sized.circuits[0]!.supplyRun.some((step) => step.kind === 'device' && step.deviceId === 'far')).toBe(true);
    // As wired it is found with the near one open too: cables as given there, and what fuse, contacts and ends lose beside.
    const wired = solveDesign(sized, { kind: 'allOn' });
    if (wired instanceof NetworkError) throw wired;
    expect(wired.drops.get('circuit_lamp')!.dropV).toBeGreaterThan(sized.circuits[0]!.cableDropV);
    expect(wired.drops.get('circuit_lamp')!.dropV).toBeLessThan(1.5 * sized.circuits[0]!.cableDropV);
    const set = (of: Design, id: string, lengthMm: number) => applyChange(of, updateRecords(of, [{ id: wireIds[id]!, set: { lengthMm } }]));
    const longerNear = set(design, 'near', 20_000);
    const alike = set(longerNear, 'far', 20_000);
    const shorterNear = set(alike, 'near', 500);
    let carried = sized;
    for (const [now, metres] of [
      [longerNear, 22],
      [alike, 22],
      [shorterNear, 22],
      [set(shorterNear, 'far', 300), 2.5],
    ] as const) {
      carried = analyse(now, carried);
      expectAsFresh(carried);
      expect(carried.circuits[0]!.formulaDropV).toBeCloseTo(formulaV(metres), 6);
    }
  },
);
