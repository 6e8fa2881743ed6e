import { analyse } from '../analyse';
import { heron } from '../../../demo/heron';
import { pip } from '../../../demo/pip';
import { rig } from '../../../testing/rig';
import { findInNetwork } from './networkRules';
import { figuresOf } from '../../../testing/figuresOf';
import { wordFinding } from '../../wording/wording';

type Build = ReturnType<typeof rig>;

/** Battery, bus bar and two fused circuits with a lamp each. */
function twoCircuits(alter: (build: Build) => void = () => undefined, indicators = false) {
  const build = rig();
  build.battery('agm', 100);
  build.add({ id: 'block', kind: 'fuseBlock', slots: 6, slotMaxA: 20, blockMaxA: 60, indicators });
  build.add({ id: 'bar', kind: 'busBar', ratingA: 100 });
  build.wire('battery.plus', 'block.in', 500, 'mm2:10');
  build.wire('bar.bar', 'battery.minus', 500, 'mm2:10', 'return');
  for (const [at, name] of ['one', 'two'].entries()) {
    build.add({ id: `fuse_${name}`, kind: 'protection', family: 'blade', ratingA: 5, mount: { blockId: 'block', slot: at + 1 } });
    build.add({ id: `sw_${name}`, kind: 'switch', ratingA: 10 });
    build.load(24, 'resistive', 0, { id: `lamp_${name}` });
    build.wire(`fuse_${name}.out`, `sw_${name}.in`);
    build.wire(`sw_${name}.out`, `lamp_${name}.plus`);
    build.wire(`lamp_${name}.minus`, 'bar.bar', 1000, 'mm2:2.5', 'return');
    build.circuit(name, at + 1, `fuse_${name}`);
  }
  alter(build);
  const analysis = analyse(build.design());
  const found = findInNetwork(analysis);
  return {
    found,
    rules: found.map(({ rule, subjects }) => `${rule} ${subjects.join(' ')}`),
    words: found.map((finding) => wordFinding(finding, analysis.design, 'metric').message),
  };
}

test('two honest circuits and both demos are clean', () => {
  expect(twoCircuits().rules).toEqual([]);
  expect(findInNetwork(analyse(heron()))).toEqual([]);
  expect(findInNetwork(analyse(pip()))).toEqual([]);
});

test('two circuits joined past their switches: each lives with its own fuse out and its own switch off, and the path says how', () => {
  const { rules, words } = twoCircuits((build) => build.wire('lamp_one.plus', 'lamp_two.plus'));
  expect(rules).toEqual(
    expect.arrayContaining([
      'network.besideFuse lamp_one fuse_one',
      'network.besideFuse lamp_two fuse_two',
      'network.besideSwitch lamp_one sw_one',
    ]),
  );
  const beside = words[rules.indexOf('network.besideFuse lamp_one fuse_one')]!;
  expect(beside).toMatch(/battery plus → block in → fuse_two out → sw_two in → sw_two out → lamp_two plus → lamp_one plus/);
});

test('two switches side by side behind one fuse are told of, and are no fault; a wire round one of them is a ring', () => {
  const beside = (isBridged: boolean) => {
    const build = rig();
    build.supply();
    build.slot('fuse', 1, 10);
    build.load(24, 'resistive', 0, { id: 'lamp' });
    for (const id of ['one', 'two']) {
      build.add({ id, kind: 'switch', ratingA: 10 });
      build.wire('fuse.out', `${id}.in`);
      build.wire(`${id}.out`, 'lamp.plus');
    }
    if (isBridged) build.wire('fuse.out', 'lamp.plus');
    build.wire('lamp.minus', 'bar.bar', 1000, 'mm2:2.5', 'return');
    build.circuit('fuse', 1, 'fuse');
    const analysis = analyse(build.design());
    const said = [...analysis.findings, ...findInNetwork(analysis)].filter(({ rule }) => /wiring|beside/.test(rule));
    return said.map(({ rule, severity, subjects }) => `${severity} ${rule} ${subjects.map((id) => id.replace(/^w\d+$/, 'wire')).join(' ')}`).sort(); // prettier-ignore
  };
  expect(beside(false)).toEqual([
    'note network.besideSwitch lamp one',
    'note network.besideSwitch lamp two',
    expect.stringMatching(/^note wiring\.sideBySide (one two|two one)$/),
  ]);
  expect(beside(true)).toContain('caution wiring.loop wire');
  expect(beside(true).filter((line) => line.startsWith('caution network.besideSwitch'))).toHaveLength(2);
});

test('a switch with a wire round it does not switch', () => {
  const { rules } = twoCircuits((build) => build.wire('fuse_one.out', 'lamp_one.plus'));
  expect(rules).toContain('network.besideSwitch lamp_one sw_one');
  expect(rules.some((rule) => rule.startsWith('network.besideFuse'))).toBe(false);
});

test('a pilot lamp across a switch lets through voltage but not its work', () => {
  const { rules } = twoCircuits((build) => {
    build.load(0.0012, 'resistive', 0, { id: 'led', rated: { kind: 'amps', amps: 0.012, atV: 12 } });
    build.wire('block.in', 'led.plus');
    build.wire('led.minus', 'lamp_one.plus');
  });
  expect(rules).toEqual([]);
});

test('blown-fuse lamps leave a voltage on a circuit whose fuse is out, and no use (common practice: about 11 V)', () => {
  const { rules, found } = twoCircuits((build) => {
    // A small electronic load that draws next to nothing leaves the voltage standing.
    build.load(0.05, 'ledConstantCurrent', 0, { id: 'sensor' });
    build.add({ id: 'fuse_three', kind: 'protection', family: 'blade', ratingA: 1, mount: { blockId: 'block', slot: 3 } });
    build.wire('fuse_three.out', 'sensor.plus');
    build.wire('sensor.minus', 'bar.bar', 1000, 'mm2:2.5', 'return');
    build.circuit('three', 3, 'fuse_three');
  }, true);
  const leak = found.find(({ subjects }) => subjects[0] === 'sensor');
  expect(rules.filter((rule) => rule.includes('lamp'))).toEqual([]);
  expect(figuresOf(leak, 'network.leak').volts).toBeGreaterThan(3);
});

test('two batteries side by side: the fuller one feeds the other', () => {
  const { rules, found } = twoCircuits((build) => {
    build.add({ id: 'vehicle', kind: 'signalSource', signals: ['constant'], maxA: 5 });
    build.wire('vehicle.constant', 'block.in');
    build.wire('vehicle.minus', 'bar.bar');
  });
  expect(rules).toContain('network.sourcesJoined vehicle');
  expect(found.find(({ rule }) => rule === 'network.signalOverdrawn')).toBeUndefined();
});

test('a lamp straight on a vehicle wire asks too much of it (common practice: triggers only)', () => {
  const { found } = twoCircuits((build) => {
    build.add({ id: 'vehicle', kind: 'signalSource', signals: ['constant'], maxA: 0.5 });
    build.load(36, 'resistive', 0, { id: 'big' });
    build.wire('vehicle.constant', 'big.plus');
    build.wire('big.minus', 'vehicle.minus');
    build.wire('vehicle.minus', 'bar.bar');
  });
  expect(found.find(({ rule }) => rule === 'network.signalOverdrawn')?.numbers).toMatchObject({ maxA: 0.5, terminal: 'constant' });
});

test('a lamp whose return is missing finds its way home through another', () => {
  const build = rig();
  build.battery('agm', 100);
  build.add({ id: 'fuse', kind: 'protection', family: 'blade', ratingA: 10, mount: null });
  build.wire('battery.plus', 'fuse.in');
  build.load(24, 'resistive', 0, { id: 'one' });
  build.load(24, 'resistive', 0, { id: 'two' });
  build.wire('fuse.out', 'one.plus');
  build.wire('one.minus', 'two.plus', 500, 'mm2:2.5', 'return');
  build.wire('two.minus', 'battery.minus', 1000, 'mm2:2.5', 'return');
  build.circuit('only', 1, 'fuse');
  const analysis = analyse(build.design());
  expect(analysis.loads.get('one')!.returned).toBe(false);
  expect(findInNetwork(analysis).map(({ rule, subjects }) => `${rule} ${subjects[0]}`)).toContain('network.otherReturn one');
});

test('a relay that buzzes is said so', () => {
  const { rules } = twoCircuits((build) => {
    build.add({
      ...{ id: 'buzzer', kind: 'relay', pins: 5, coilOhm: 90, pullInV: 7.5, dropOutV: 3 },
      ...{ suppression: 'none', contactMilliohm: 4, ratingA: 30 },
    });
    build.wire('fuse_one.out', 'buzzer.30');
    build.wire('buzzer.87a', 'buzzer.86');
    build.wire('buzzer.85', 'bar.bar', 1000, 'mm2:2.5', 'return');
  });
  expect(rules).toEqual(['network.oscillates buzzer']);
});
