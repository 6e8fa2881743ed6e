import { analyse } from '../analysis/analyse';
import { solveDesign, type SolvedDesign } from '../analysis/solved';
import { solvedRun } from '../analysis/solvedRun';
import { makeDesign, type Design } from '../design/design';
import { indexDesign } from '../rig/designIndex';
import type { DesignRecord } from '../design/schema';
import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { spiceOfDesign } from '../formats/spiceOfDesign';
import { agreesWithNgspice } from '../../testing/agreesWithNgspice';
import { rig } from '../../testing/rig';
import { seeded } from '../../testing/random';
import { AT_REST, withControl, type ControlState } from './controlState';
import type { StateChoice } from './namedStates';
import { NetworkError } from './networkError';
import { LiveDesign } from './settle';

const demos = { heron: heron(), pip: pip() };

function solved(design: Design, choice: StateChoice): SolvedDesign {
  const answer = solveDesign(analyse(design), choice);
  if (answer instanceof NetworkError) throw answer;
  return answer;
}

const DEMO_STATES = Object.entries(demos).flatMap(([name, design]) => {
  const { scenarios, circuits } = indexDesign(design);
  const choices: StateChoice[] = [
    { kind: 'allOn' },
    { kind: 'allOff' },
    ...scenarios.map(({ id }) => ({ kind: 'scenario' as const, scenarioId: id })),
    ...circuits.map(({ id }) => ({ kind: 'onlyCircuit' as const, circuitId: id })),
  ];
  return choices.map((choice) => [`${name}, ${JSON.stringify(choice)}`, design, choice] as const);
});

test.each(DEMO_STATES)('ngspice finds the same in %s', (_name, design, choice) => {
  const { live, outcome } = solved(design, choice);
  expect(outcome.kind).toBe('settled');
  agreesWithNgspice(live);
});

test.each(Array.from({ length: 200 }, (_, at) => at + 1))('ngspice finds the same in random design %i', (seed) => {
  const { design, state } = randomRig(seed);
  const live = new LiveDesign(indexDesign(design), state);
  live.settle(state);
  agreesWithNgspice(live);
});

test('a longer wire never raises the voltage at any load', () => {
  const random = seeded(11);
  const acrossLoads = (design: Design) => {
    const { live } = solved(design, { kind: 'allOn' });
    const at = (deviceId: string, terminal: string) => live.voltage({ deviceId, terminal })!;
    return indexDesign(design).loads.map(({ id }) => at(id, 'plus') - at(id, 'minus'));
  };
  // With resistors only: a constant-power load elsewhere may rightly gain when another, starved, draws less.
  const resistive = makeDesign(
    Array.from(demos.heron.records.values(), (record) =>
      record.type === 'device' && record.kind === 'load' ? { ...record, behaviour: 'resistive' as const } : record,
    ),
  );
  const before = acrossLoads(resistive);
  const wires = indexDesign(resistive).wires;
  for (let round = 0; round < 12; round++) {
    const wire = wires[Math.floor(random() * wires.length)]!;
    const longer = makeDesign(
      Array.from(resistive.records.values(), (record) => (record.id === wire.id ? { ...wire, lengthMm: wire.lengthMm + 4000 } : record)),
    );
    const own = analyse(resistive);
    const circuitOf = own.wires.get(wire.id)?.circuitId ?? null;
    const after = acrossLoads(longer);
    indexDesign(resistive).loads.forEach(({ id }, at) => {
      // Others gain a little from the lower current; those behind the wire never do.
      if (circuitOf === null || own.loads.get(id)!.circuitId === circuitOf) expect(after[at]!).toBeLessThanOrEqual(before[at]! + 1e-3);
    });
  }
});

test('a fuse taken out leaves its circuit dead and the others alive', () => {
  const design = demos.heron;
  const analysis = analyse(design);
  const state = solved(design, { kind: 'allOn' }).outcome.state;
  const live = new LiveDesign(analysis.index, state);
  live.settle(state);
  // A colour its changeover does not stand on is dark with every fuse in.
  const dark = analysis.index.loads.filter(({ id }) => live.partAmps(id, 'draw') < 1e-3).map(({ id }) => id);
  expect(dark).toHaveLength(3);
  for (const circuit of analysis.circuits) {
    const outcome = live.settle(withControl(state, circuit.protectionId, 'fitted', false));
    expect(outcome.kind).toBe('settled');
    for (const { id, circuitId } of analysis.loads.values()) {
      if (state.controls[id]?.on !== true || dark.includes(id)) continue;
      const amps = live.partAmps(id, 'draw');
      if (circuitId === circuit.id) expect(Math.abs(amps)).toBeLessThan(1e-6);
      else expect(amps).toBeGreaterThan(1e-3);
    }
  }
});

test('the solved run ends where the load is: what its supply and return lose is what the load does not get', () => {
  const analysis = analyse(demos.heron);
  const answer = solved(demos.heron, { kind: 'allOn' });
  for (const circuit of analysis.circuits) {
    const load = circuit.worstLoadId!;
    if (answer.outcome.state.controls[load]?.on !== true) continue;
    const run = solvedRun(circuit, answer);
    const lost = [...run.supplyRun, ...run.returnRun].reduce((sum, step) => sum + (step.kind === 'device' ? 0 : step.dropV), 0);
    const at = (terminal: string) => answer.live.voltage({ deviceId: load, terminal })!;
    expect(answer.batteryV - lost).toBeCloseTo(at('plus') - at('minus'), 9);
  }
});

test('the deck of a design says its name and state and keeps to R, V, B lines', () => {
  const { text } = spiceOfDesign(solved(demos.pip, { kind: 'allOn' }));
  expect(text.split('\n')[0]).toBe('* Pip, as wired');
  for (const line of text.split('\n').filter((row) => row && !row.startsWith('*'))) expect(line).toMatch(/^([rvb]\d+ |\.op|\.end)/);
});

test('the worked example of docs/architecture.md: 24 W whatever the voltage behind 59.6 milliohm', () => {
  const ohm = 0.004 + 0.0077 + 6 * 0.00798;
  // v = 12.8 - (24 / v) R, the upper root.
  const volts = (12.8 + Math.sqrt(12.8 ** 2 - 4 * 24 * ohm)) / 2;
  expect(volts).toBeCloseTo(12.687, 3);
  const build = rig();
  build.battery('agm', 100);
  build.add({ id: 'fuse', kind: 'protection', family: 'blade', ratingA: 10, mount: null });
  build.load(24, 'ledConstantPower', 0, { id: 'lamp' });
  build.wire('battery.plus', 'fuse.in', 0);
  build.wire('fuse.out', 'lamp.plus', 3000);
  build.wire('lamp.minus', 'battery.minus', 3000);
  const live = new LiveDesign(indexDesign(build.design()), AT_REST);
  const at = (terminal: string) => live.voltage({ deviceId: 'lamp', terminal })!;
  expect(at('plus') - at('minus')).toBeCloseTo(volts, 2);
});

/** A battery, a fuse block and branches of every kind of load, switch, relay, diode and dimmer, at random. */
function randomRig(seed: number): { design: Design; state: ControlState } {
  const random = seeded(seed);
  const build = rig();
  const controls: Record<string, Record<string, string | number | boolean>> = {};
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  build.battery(pick(['flooded', 'agm', 'lithium'] as const), 60 + Math.floor(random() * 300));
  const main = build.add({ kind: 'protection', family: 'mega', ratingA: 150, mount: null });
  build.wire('battery.plus', `${main}.in`, 300, 'mm2:35');
  const bar = build.add({ kind: 'busBar', ratingA: 200 });
  build.wire(`${bar}.bar`, 'battery.minus', 500, 'mm2:35');
  controls.battery = { chargePercent: 20 + Math.floor(random() * 80) };
  const branches = 2 + Math.floor(random() * 14);
  const length = () => 300 + Math.floor(random() * 6000);
  for (let branch = 0; branch < branches; branch++) {
    const fuse = build.add({ kind: 'protection', family: 'blade', ratingA: pick([3, 5, 10, 15]), mount: null });
    build.wire(`${main}.out`, `${fuse}.in`, length() / 4, 'mm2:6');
    let feed = `${fuse}.out`;
    let back = `${bar}.bar`;
    const on = (id: string, key: string, value: string | number | boolean) => (controls[id] = { ...controls[id], [key]: value });
    const through = pick(['nothing', 'switch', 'diode', 'relay', 'dimmer', 'return dimmer', 'plug', 'shunt'] as const);
    if (through === 'switch') {
      const device = build.add({ kind: 'switch', ratingA: 16 });
      build.wire(feed, `${device}.in`, length(), 'mm2:2.5');
      on(device, 'position', random() < 0.7 ? 'on' : 'off');
      feed = `${device}.out`;
    } else if (through === 'diode') {
      const device = build.add({ kind: 'diode', ratingA: 10 });
      build.wire(feed, `${device}.${random() < 0.8 ? 'anode' : 'cathode'}`, length(), 'mm2:2.5');
      feed = `${device}.${build.isWired(`${device}.anode`) ? 'cathode' : 'anode'}`;
    } else if (through === 'relay') {
      const device = build.add({ ...RELAY, suppression: pick(['none', 'resistor', 'diode'] as const) });
      build.wire(feed, `${device}.30`, length(), 'mm2:2.5');
      build.wire(`${main}.out`, `${device}.86`, length(), 'mm2:1');
      build.wire(`${device}.85`, back, length(), 'mm2:1');
      feed = `${device}.${pick(['87', '87a'])}`;
    } else if (through === 'dimmer') {
      const device = build.add({ kind: 'dimmer', side: 'positive', ratingA: 8, standbyA: 0.005 });
      build.wire(feed, `${device}.in`, length(), 'mm2:2.5');
      build.wire(`${device}.minus`, back, length(), 'mm2:1');
      on(device, 'levelPercent', pick([0, 10, 35, 60, 100]));
      feed = `${device}.out`;
    } else if (through === 'return dimmer') {
      const device = build.add({ kind: 'dimmer', side: 'return', ratingA: 8, standbyA: 0.005 });
      build.wire(feed, `${device}.plus`, length(), 'mm2:2.5');
      build.wire(`${device}.minus`, back, length(), 'mm2:2.5');
      on(device, 'levelPercent', pick([10, 50, 100]));
      back = `${device}.dimmed`;
    } else if (through === 'plug') {
      const device = build.add({ kind: 'plug', pins: 1, contactMilliohm: Math.floor(random() * 50), ratingA: 15 });
      build.wire(feed, `${device}.a1`, length(), 'mm2:2.5');
      on(device, 'mated', random() < 0.8);
      feed = `${device}.b1`;
    } else if (through === 'shunt') {
      const device = build.add({ kind: 'shunt', milliohm: 0.75, ratingA: 100 });
      build.wire(feed, `${device}.battery`, length(), 'mm2:2.5');
      feed = `${device}.system`;
    }
    for (let place = 0; place < 1 + Math.floor(random() * 3); place++) {
      const behaviour = pick([
        'resistive',
        'filament',
        'ledConstantCurrent',
        'ledConstantPower',
        'ledStrip',
        'converter',
        'motor',
      ] as const);
      const load = build.load(1 + Math.floor(random() * 40), behaviour, random() < 0.3 ? 0.02 : 0);
      build.wire(feed, `${load}.plus`, length(), pick(['mm2:1.5', 'mm2:2.5'] as const));
      build.wire(`${load}.minus`, back, length(), 'mm2:2.5');
      on(load, 'on', random() < 0.85);
    }
  }
  return { design: build.design(), state: { ...AT_REST, controls } };
}

const RELAY = {
  kind: 'relay',
  pins: 5,
  coilOhm: 90,
  pullInV: 7.5,
  dropOutV: 3,
  contactMilliohm: 4,
  ratingA: 30,
} as const satisfies Partial<DesignRecord>;
