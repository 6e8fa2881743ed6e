import { heron } from '../../demo/heron';
import { rig } from '../../testing/rig';
import { analyse } from '../analysis/analyse';
import { findInNetwork } from '../analysis/rules/networkRules';
import { solveDesign } from '../analysis/solved';
import { soundRemedies } from '../advice/soundRemedies';
import { applyChange, applyUnchecked, updateRecords } from '../design/change';
import type { Design } from '../design/design';
import { wordFinding } from '../wording/wording';
import { findExclusions } from './exclusion';
import { NetworkError } from './networkError';
import { Reach } from './reach';

type Build = ReturnType<typeof rig>;

const COIL = { coilOhm: 85, pullInV: 7.2, dropOutV: 1.2, suppression: 'resistor', contactMilliohm: 5, ratingA: 30 } as const;

/** A battery, a block of fuses and a lamp with two colours of 60 W, marked as never together, their feeds left to be wired. */
function colours(wire: (build: Build) => void, fuseA = 10, mark: string | null = 'one colour') {
  const build = rig();
  build.supply();
  build.slot('f', 1, fuseA);
  build.circuit('lamp', 1, 'f');
  for (const colour of ['white', 'amber']) {
    build.load(60, 'resistive', 0, { id: colour, exclusiveGroup: mark });
    build.wire(`${colour}.minus`, 'bar.bar', 1000, 'mm2:2.5', 'return');
  }
  wire(build);
  return build.design();
}

const asked = (design: Design) => {
  const { index, wiring } = analyse(design);
  return findExclusions(index, wiring);
};
const together = (design: Design) => analyse(design).findings.filter(({ rule }) => rule === 'reach.together');
const circuitOf = (design: Design) => analyse(design).circuits[0]!;
/** What its lamps ask for at once; coils and the radio itself add fractions of an ampere. */
const lampA = (design: Design) => Math.floor(circuitOf(design).peakA + 1e-9);
const relay = (build: Build, id: string, pins: 4 | 5 = 4) => {
  build.add({ id, kind: 'relay', pins, ...COIL });
  build.wire(`${id}.85`, 'bar.bar', 500, 'mm2:1', 'return');
};

/** Two switches side by side. */
const bySwitches = (build: Build) => {
  for (const [at, colour] of ['white', 'amber'].entries()) {
    build.add({ id: `sw${at}`, kind: 'switch', ratingA: 16 });
    build.wire('f.out', `sw${at}.in`);
    build.wire(`sw${at}.out`, `${colour}.plus`);
  }
};
const byChangeover = (build: Build) => {
  build.add({ id: 'choose', kind: 'switch', ratingA: 16, form: 'changeoverOff' });
  build.wire('f.out', 'choose.common');
  build.wire('choose.up', 'white.plus');
  build.wire('choose.down', 'amber.plus');
};
/** The changeover works the coils of two relays, each the feed of one colour. */
const byRelays = (build: Build) => {
  build.add({ id: 'choose', kind: 'switch', ratingA: 16, form: 'changeoverOff' });
  build.wire('f.out', 'choose.common');
  for (const [throwTo, colour] of [
    ['up', 'white'],
    ['down', 'amber'],
  ] as const) {
    relay(build, `r_${colour}`);
    build.wire(`choose.${throwTo}`, `r_${colour}.86`);
    build.wire('f.out', `r_${colour}.30`);
    build.wire(`r_${colour}.87`, `${colour}.plus`);
  }
};
const byRadio = (mode: 'latching' | 'momentary') => (build: Build) => {
  build.add({ id: 'radio', kind: 'receiver', channels: 4, mode, channelMaxA: 10, standbyA: 0.01 });
  build.wire('f.out', 'radio.plus');
  build.wire('radio.minus', 'bar.bar', 500, 'mm2:1', 'return');
  build.wire('radio.ch1', 'white.plus');
  build.wire('radio.ch2', 'amber.plus');
};

// Common practice: a changeover contact is never on both throws; two switches, or two buttons of a fob, can both be on.
test.each([
  ['two switches', bySwitches, 10],
  ['two channels of a latching radio', byRadio('latching'), 10],
  ['two channels of a momentary radio', byRadio('momentary'), 10],
  ['a changeover switch', byChangeover, 5],
  ['two relays worked by a changeover switch', byRelays, 5],
])('two colours by %s ask their fuse for what they can', (_, wire, amps) => {
  const design = colours(wire);
  expect(lampA(design)).toBe(amps);
  expect(Math.floor(circuitOf(design).connectedA)).toBe(10);
  expect(together(design)).toHaveLength(amps === 10 ? 1 : 0);
  // With nothing marked, what one contact keeps apart is apart all the same; what it takes a search to know is summed.
  expect(lampA(colours(wire, 10, null))).toBe(wire === byChangeover ? 5 : 10);
});

test('two colours that a radio can light together, on a fuse for one: the fuse is too small, and how is said', () => {
  const analysis = analyse(colours(byRadio('latching'), 7.5));
  expect(analysis.findings.find(({ rule }) => rule === 'fuse.belowLoad')).toMatchObject({ severity: 'fault' });
  const [said] = analysis.findings.filter(({ rule }) => rule === 'reach.together');
  expect(wordFinding(said!, analysis.design, 'metric').message).toContain('lights both with radio channel 1 on, radio channel 2 on');
  const [remedy] = soundRemedies(analysis, said!);
  const without = analyse(applyUnchecked(analysis.design, remedy!.change));
  expect(without.findings.some(({ rule }) => rule === 'reach.together')).toBe(false);
  expect(Math.floor(without.circuits[0]!.peakA)).toBe(10);
});

test('a colour that hangs on another lamp’s terminal is lit through it, and counts', () => {
  const chained = (build: Build) => {
    build.load(6, 'resistive', 0, { id: 'between' });
    build.wire('between.minus', 'bar.bar', 1000, 'mm2:2.5', 'return');
    for (const [at, far] of ['white', 'between'].entries()) {
      build.add({ id: `sw${at}`, kind: 'switch', ratingA: 16 });
      build.wire('f.out', `sw${at}.in`);
      build.wire(`sw${at}.out`, `${far}.plus`);
    }
    build.wire('between.plus', 'amber.plus');
  };
  expect(together(colours(chained))).toHaveLength(1);
  expect(asked(colours(chained)).proven.size).toBe(0);
});

test('an interlock counts: the second colour hangs on the break contact of the first one’s relay', () => {
  const interlocked = (build: Build) => {
    relay(build, 'r', 5);
    for (const at of [0, 1]) build.add({ id: `sw${at}`, kind: 'switch', ratingA: 16 });
    build.wire('f.out', 'sw0.in');
    build.wire('sw0.out', 'r.86');
    build.wire('f.out', 'r.30');
    build.wire('r.87', 'white.plus');
    build.wire('r.87a', 'sw1.in');
    build.wire('sw1.out', 'amber.plus');
  };
  expect(lampA(colours(interlocked))).toBe(5);
});

test('what holds itself is found by the order it takes: a relay that keeps itself on, and a switch beside it', () => {
  const sealed = (build: Build) => {
    relay(build, 'r');
    build.add({ id: 'start', kind: 'switch', ratingA: 16, form: 'changeover' });
    build.wire('f.out', 'start.common');
    // Held down it pulls the relay in, which then feeds its own coil; let up it feeds the other colour.
    build.wire('start.up', 'r.86');
    build.wire('start.down', 'amber.plus');
    build.wire('f.out', 'r.30');
    build.wire('r.87', 'white.plus');
    build.add({ id: 'hold', kind: 'diode', ratingA: 3 });
    build.wire('r.87', 'hold.anode');
    build.wire('hold.cathode', 'r.86');
  };
  const [found] = asked(colours(sealed)).unproven;
  expect(found).toMatchObject({ group: 'one colour' });
  expect(found!.state!.memory).toMatchObject({ r: { pulledIn: true } });
});

test('more controls than can be tried leave it open, and the sum is taken', () => {
  const many = (build: Build) => {
    byChangeover(build);
    // Eleven channels in a row before the relay that would light the other colour too.
    relay(build, 'r');
    let from = 'f.out';
    for (let at = 0; at < 11; at++) {
      build.add({ id: `gate${at}`, kind: 'switch', ratingA: 16 });
      build.wire(from, `gate${at}.in`, 200, 'mm2:1');
      from = `gate${at}.out`;
    }
    build.wire(from, 'r.86');
    build.wire('choose.up', 'r.30');
    build.wire('r.87', 'amber.plus');
  };
  const design = colours(many);
  const { unproven } = asked(design);
  expect(unproven).toEqual([expect.objectContaining({ state: null })]);
  expect(lampA(design)).toBe(10);
  expect(wordFinding(together(design)[0]!, design, 'metric').message).toContain('too many controls');
});

test('loads that are not wired yet are kept apart by nothing and are no finding', () => {
  const design = colours(() => undefined);
  expect(asked(design)).toMatchObject({ unproven: [] });
  expect(analyse(design).totals.connectedA).toBeCloseTo(10, 9);
  expect(together(design)).toEqual([]);
});

test('on Heron every lamp with two colours is proved, and an edit elsewhere asks nothing again', () => {
  const analysis = analyse(heron());
  expect([...analysis.exclusions.proven].sort()).toEqual(['driving', 'scene left', 'scene right']);
  expect(analysis.exclusions.unproven).toEqual([]);
  const reach = new Reach(analysis.index, analysis.wiring);
  const id = (name: string) => analysis.index.loads.find((load) => load.name === name)!.id;
  expect(reach.lit([id('Left scene lamp, white'), id('Left scene lamp, amber')]).kind).toBe('never');
  expect(reach.lit([id('Left scene lamp, white'), id('Right scene lamp, amber')]).kind).toBe('found');
});

const networkFaults = (design: Design) => findInNetwork(analyse(design)).map(({ rule, subjects }) => `${rule} ${subjects[0]}`);

test('each colour counts where it is lit: the drop of the one the changeover leaves dark is found as well', () => {
  const design = colours((build) => {
    byChangeover(build);
    // The amber lead is eight metres longer.
    build.add({ id: 'far', kind: 'splice' });
    build.load(60, 'resistive', 0, { id: 'distant' });
    build.wire('choose.down', 'far.joint', 9000, 'mm2:2.5');
    build.wire('far.joint', 'distant.plus');
    build.wire('distant.minus', 'bar.bar', 9000, 'mm2:2.5', 'return');
  });
  const solved = solveDesign(analyse(design), { kind: 'allOn' });
  if (solved instanceof NetworkError) throw solved;
  expect(solved.drops.get('circuit_lamp')!.loadId).toBe('distant');
  // The state shown is the one in which most flows.
  expect(solved.live.partAmps('distant', 'draw')).toBeGreaterThan(3);
});

test('a lamp fed by one of the vehicle’s own wires asks a trigger for a lamp’s current, whatever else must rest for it', () => {
  const overdrawn = colours((build) => {
    build.add({ id: 'vehicle', kind: 'signalSource', signals: ['highBeam', 'ignition'], maxA: 0.5 });
    build.wire('vehicle.minus', 'bar.bar', 500, 'mm2:1', 'return');
    // Only while the ignition's relay rests does the high beam's wire reach the lamp.
    relay(build, 'r', 5);
    build.wire('vehicle.ignition', 'r.86');
    build.wire('vehicle.highBeam', 'r.30');
    build.wire('r.87a', 'white.plus');
    build.add({ id: 'sw', kind: 'switch', ratingA: 16 });
    build.wire('f.out', 'sw.in');
    build.wire('sw.out', 'amber.plus');
  });
  expect(networkFaults(overdrawn)).toContain('network.signalOverdrawn vehicle');
});

test('what was typed is asked anew when a shorter wire or a better battery lets a relay pull in', () => {
  const wireIds: string[] = [];
  // A coil of 2.5 Ω that wants 12 V of a full battery's 12.8 V, or of 14.5 V on charge, has none over for 20 m of 0.5 mm², some 0.7 Ω.
  const weak = colours((build) => {
    for (const [at, colour] of ['white', 'amber'].entries()) {
      build.add({ id: `sw${at}`, kind: 'switch', ratingA: 16 });
      build.add({ id: `r${at}`, kind: 'relay', pins: 4, ...COIL, coilOhm: 2.5, pullInV: 12 });
      build.wire(`r${at}.85`, 'bar.bar', 500, 'mm2:2.5', 'return');
      build.wire('f.out', `sw${at}.in`);
      wireIds.push(build.wire(`sw${at}.out`, `r${at}.86`, 20_000, 'mm2:0.5'));
      build.wire('f.out', `r${at}.30`);
      build.wire(`r${at}.87`, `${colour}.plus`);
    }
  });
  const set = (design: Design, ids: readonly string[], fields: object) =>
    applyChange(design, updateRecords(design, ids.map((id) => ({ id, set: fields })))); // prettier-ignore
  const strong = set(weak, wireIds, { lengthMm: 1000 });
  const before = analyse(weak);
  expect(before.exclusions.proven.size).toBe(1);
  const after = analyse(strong, before);
  expect(after.exclusions.proven.size).toBe(0);
  // The other colour's 60 W at 12 V are on the fuse as well.
  expect(after.circuits[0]!.peakA - before.circuits[0]!.peakA).toBeCloseTo(5, 6);
  // Ten ohms inside the battery leave a coil less than 12 V too.
  const flat = set(strong, ['battery'], { internalMilliohm: 10_000 });
  expect(analyse(flat).exclusions.proven.size).toBe(1);
  expect(analyse(set(flat, ['battery'], { internalMilliohm: 10 }), analyse(flat)).exclusions.proven.size).toBe(0);
});

test.each([12, 24] as const)('two coils in a row that a rested battery of %d V leaves at rest pull in while it is charged', (nominalV) => {
  // Each has half of the volts: 6.4 V of 12.8 V rested, 7.2 V and more on charge. Twice that at 24 V.
  const half = { ...COIL, pullInV: (7.1 * nominalV) / 12, dropOutV: nominalV / 10 };
  const design = colours((build) => {
    build.add({ id: 'sw', kind: 'switch', ratingA: 16 });
    for (const id of ['r', 'second']) build.add({ id, kind: 'relay', pins: 5, ...half });
    build.wire('f.out', 'sw.in');
    build.wire('sw.out', 'r.86');
    build.wire('r.85', 'second.86');
    build.wire('second.85', 'bar.bar', 500, 'mm2:1', 'return');
    build.wire('f.out', 'r.30');
    build.wire('r.87', 'white.plus');
    build.wire('f.out', 'second.30');
    build.wire('second.87', 'amber.plus');
  });
  const at = applyChange(design, updateRecords(design, [{ id: 'settings', set: { nominalV } }]));
  const [found] = asked(at).unproven;
  expect(found).toMatchObject({ group: 'one colour', batteryV: 14.5 * (nominalV / 12) });
  expect(lampA(at)).toBeCloseTo(10, 6);
  expect(wordFinding(together(at)[0]!, at, 'metric').message).toContain(
    `while the battery is at ${nominalV === 12 ? '14.50' : '29.00'} V. Their sum is taken`,
  );
});

test('a colour that a live wire of the vehicle lights as well is not apart from the one on the other throw', () => {
  const byVehicle = (isFed: boolean) =>
    colours((build) => {
      byChangeover(build);
      build.add({ id: 'vehicle', kind: 'vehicleFeed', signal: 'highBeam', polarity: 'live', from: 'wire', serves: '' });
      build.wire('vehicle.minus', 'bar.bar', 500, 'mm2:1', 'return');
      if (isFed) build.wire('vehicle.out', 'amber.plus');
    });
  expect(asked(byVehicle(false)).proven.size).toBe(1);
  expect(asked(byVehicle(true)).unproven).toHaveLength(1);
});

test('a relay that takes one colour off lets go of it while the battery is low', () => {
  const design = (pullInV: number) =>
    colours((build) => {
      build.add({ id: 'sw', kind: 'switch', ratingA: 16 });
      build.add({ id: 'r', kind: 'relay', pins: 5, ...COIL, pullInV });
      build.wire('f.out', 'sw.in');
      build.wire('sw.out', 'white.plus');
      build.wire('sw.out', 'r.86');
      build.wire('r.85', 'bar.bar', 500, 'mm2:1', 'return');
      build.wire('f.out', 'r.30');
      build.wire('r.87a', 'amber.plus');
    });
  expect(asked(design(7.2)).unproven).toEqual([]);
  expect(asked(design(11.5)).unproven).toEqual([expect.objectContaining({ batteryV: 10.8 })]);
});

test('a battery said to have no resistance at all leaves the network an answer', () => {
  const design = colours(bySwitches);
  const ideal = applyChange(design, updateRecords(design, [{ id: 'battery', set: { internalMilliohm: 0 } }]));
  expect(asked(ideal).unproven[0]!.state).not.toBeNull();
  expect(solveDesign(analyse(ideal), { kind: 'allOn' })).not.toBeInstanceOf(NetworkError);
});

test('a fuse of one ampere that a resting relay joins to five is found by what flows through it', () => {
  const build = rig();
  build.supply();
  build.slot('small', 1, 1);
  build.slot('large', 2, 10);
  build.lampBehind('small', 1, 3);
  build.lampBehind('large', 2, 60);
  relay(build, 'r', 5);
  build.add({ id: 'sw', kind: 'switch', ratingA: 16 });
  build.wire('large.out', 'sw.in');
  build.wire('sw.out', 'r.86');
  build.wire('small_lamp.plus', 'r.30');
  build.wire('r.87a', 'large_lamp.plus');
  const found = networkFaults(build.design());
  expect(found).toContain('reach.fuseOverdrawn small');
  // Both lamps are fed by two fuses, and live with their own out.
  expect(analyse(build.design()).findings.map(({ rule }) => rule)).toContain('reach.unmeantFeed');
  expect(found).toEqual(expect.arrayContaining(['network.besideFuse small_lamp', 'network.besideFuse large_lamp']));
});

test('a load that no position lights is a fault: its relay waits for itself', () => {
  const waits = (startedBy: string | null) =>
    colours((build) => {
      relay(build, 'r');
      build.wire('f.out', 'r.30');
      build.wire('r.87', 'white.plus');
      build.wire('r.87', 'r.86');
      bySwitches2(build, startedBy);
    });
  const bySwitches2 = (build: Build, startedBy: string | null) => {
    build.add({ id: 'sw', kind: 'switch', ratingA: 16 });
    build.wire('f.out', 'sw.in');
    build.wire('sw.out', 'amber.plus');
    if (startedBy) build.wire('sw.out', startedBy);
  };
  expect(networkFaults(waits(null))).toContain('reach.neverLit white');
  expect(networkFaults(waits('r.86'))).not.toContain('reach.neverLit white');
});
