import { agreesWithNgspice } from '../../testing/agreesWithNgspice';
import { randomDesign, type Feature } from '../../testing/randomDesign';
import { rig } from '../../testing/rig';
import { soundRemedies } from '../advice/soundRemedies';
import { analyse } from '../analysis/analyse';
import type { Analysis } from '../analysis/types';
import { findInNetwork } from '../analysis/rules/networkRules';
import { solveDesign } from '../analysis/solved';
import { applyUnchecked, updateRecords } from '../design/change';
import type { Design } from '../design/design';
import { NetworkError } from './networkError';
import type { LiveDesign } from './settle';

const rulesOf = (design: Design) => analyse(design).findings.map(({ rule, subjects }) => `${rule} ${subjects.join(' ')}`);
const solvedRules = (design: Design) => findInNetwork(analyse(design)).map(({ rule, subjects }) => `${rule} ${subjects.join(' ')}`);
const passesA = (design: Design, wireId: string) => analyse(design).wires.get(wireId)?.protectionA;

/**
 * A reversing lamp lit from the panel through one fuse, and through another while the vehicle reverses:
 * battery, fuse a, switch, joint; battery, fuse b, relay contact, joint; joint, lamp, bar.
 */
function reversing({ a = 10, b = 10, meant = false } = {}) {
  const build = rig();
  build.supply();
  build.slot('a', 1, a);
  build.slot('b', 2, b);
  build.add({ id: 'sw', kind: 'switch', ratingA: 16 });
  build.add({ id: 'joint', kind: 'splice' });
  build.load(60, 'resistive', 0, { id: 'lamp', ...(meant && { fedTwice: true }) });
  build.add({
    id: 'r',
    kind: 'relay',
    pins: 4,
    coilOhm: 85,
    pullInV: 7.2,
    dropOutV: 1.2,
    suppression: 'resistor',
    contactMilliohm: 5,
    ratingA: 30,
  });
  build.add({ id: 'vehicle', kind: 'signalSource', signals: ['reverse'], maxA: 0.5 });
  const wires = {
    outA: build.wire('a.out', 'sw.in', 1000, 'mm2:2.5'),
    toA: build.wire('sw.out', 'joint.joint', 3000, 'mm2:2.5'),
    outB: build.wire('b.out', 'r.30', 1000, 'mm2:2.5'),
    toB: build.wire('r.87', 'joint.joint', 3000, 'mm2:2.5'),
    lead: build.wire('joint.joint', 'lamp.plus', 1000, 'mm2:2.5'),
    home: build.wire('lamp.minus', 'bar.bar', 4000, 'mm2:2.5', 'return'),
  };
  build.wire('vehicle.reverse', 'r.86', 1000, 'mm2:1');
  build.wire('r.85', 'bar.bar', 1000, 'mm2:1', 'return');
  build.wire('vehicle.minus', 'bar.bar', 1000, 'mm2:1', 'return');
  build.circuit('panel', 1, 'a');
  build.circuit('reverse', 2, 'b');
  return { design: build.design(), wires };
}

test('two ways that nobody has said are meant are a fault, and saying so makes a note of it', () => {
  const { design } = reversing();
  expect(rulesOf(design)).toContain('reach.unmeantFeed lamp a b');
  expect(rulesOf(design).some((rule) => rule.startsWith('wiring.loop'))).toBe(false);
  expect(solvedRules(design)).toEqual(expect.arrayContaining(['network.besideFuse lamp a', 'network.besideSwitch lamp sw']));
  const analysis = analyse(design);
  const [remedy] = soundRemedies(
    analysis,
    analysis.findings.find(({ rule }) => rule === 'reach.unmeantFeed')!,
  );
  const meant = applyUnchecked(design, remedy!.change);
  expect(rulesOf(meant)).toContain('reach.twoFeeds lamp a b');
  // The second fuse is there for the lamp too, and asked for all of it.
  expect(rulesOf(meant).filter((rule) => rule.startsWith('circuit.empty'))).toEqual([]);
  expect(analyse(meant).circuits.map(({ peakA }) => peakA)).toEqual([5, 5]);
  expect(rulesOf(meant).filter((rule) => rule.startsWith('reach.unmeant'))).toEqual([]);
  expect(solvedRules(meant).filter((rule) => rule.includes('beside'))).toEqual([]);
});

// Kirchhoff's current law: beyond the point where the two ways meet a fault draws on both fuses, before it on one alone, from whichever
// side.
test('outlets joined of two fuses, one in a block behind the other’s, feed each other’s lamps, and the wire between is judged by the larger', () => {
  const build = rig();
  build.supply();
  build.slot('near', 1, 10);
  build.slot('feed', 2, 30);
  build.add({ id: 'far block', kind: 'fuseBlock', slots: 6, slotMaxA: 30, blockMaxA: 100 });
  build.add({ id: 'far', kind: 'protection', family: 'blade', ratingA: 15, mount: { blockId: 'far block', slot: 1 } });
  build.wire('feed.out', 'far block.in', 1000, 'mm2:6');
  build.lampBehind('near', 1, 24);
  build.lampBehind('far', 2, 24);
  const between = build.wire('near.out', 'far.out', 300, 'mm2:2.5');
  const design = build.design();
  expect(rulesOf(design)).toEqual(expect.arrayContaining(['reach.unmeantFeed near_lamp near far', 'reach.unmeantFeed far_lamp near far']));
  // A fault at one end draws through it what the fuse at the other lets through, 10 A or 15 A.
  expect(passesA(design, between)).toBe(15);
});

test('every wire is judged by the fuses that reach it: what both feed by their sum, what joins them by the larger', () => {
  const { design, wires } = reversing({ a: 10, b: 15, meant: true });
  expect(passesA(design, wires.lead)).toBe(25);
  for (const one of [wires.outA, wires.toA, wires.outB, wires.toB]) expect([one, passesA(design, one)]).toEqual([one, 15]);
  const thin = reversing({ a: 20, b: 20, meant: true });
  expect(rulesOf(thin.design).filter((rule) => rule.startsWith('reach.fusesTogether'))).toEqual([
    `reach.fusesTogether ${thin.wires.lead} a b`,
  ]);
  const together = analyse(thin.design).findings.find(({ rule }) => rule === 'reach.fusesTogether')!;
  const [thicker] = soundRemedies(analyse(thin.design), together);
  expect(rulesOf(applyUnchecked(thin.design, thicker!.change)).filter((rule) => rule.startsWith('reach.fuses'))).toEqual([]);
  // A large second fuse behind thin wires of the first: its current goes backwards into them.
  const backwards = reversing({ a: 10, b: 30, meant: true });
  const thinner = updateRecords(backwards.design, [backwards.wires.outA, backwards.wires.toA].map((id) => ({ id, set: { conductor: 'mm2:1.5' } }))); // prettier-ignore
  expect(rulesOf(applyUnchecked(backwards.design, thinner))).toEqual(
    expect.arrayContaining([`reach.fusesTogether ${backwards.wires.toA} a b`, `reach.fusesTogether ${backwards.wires.outA} a b`]),
  );
});

test('through a changeover the two ways are never joined: the larger fuse alone, and no ring', () => {
  const build = rig();
  build.supply();
  build.slot('a', 1, 10);
  build.slot('b', 2, 15);
  build.add({ id: 'choose', kind: 'switch', ratingA: 16, form: 'changeoverOff' });
  build.load(60, 'resistive', 0, { id: 'lamp', fedTwice: true });
  build.wire('a.out', 'choose.up');
  build.wire('b.out', 'choose.down');
  const lead = build.wire('choose.common', 'lamp.plus');
  build.wire('lamp.minus', 'bar.bar', 1000, 'mm2:2.5', 'return');
  build.circuit('one', 1, 'a');
  build.circuit('two', 2, 'b');
  const design = build.design();
  expect(passesA(design, lead)).toBe(15);
  expect(rulesOf(design).filter((rule) => rule.startsWith('wiring.loop'))).toEqual([]);
  expect(rulesOf(design)).toContain('reach.twoFeeds lamp a b');
});

test('a second way that a small fuse cannot feed alone is found with the other fuse out, and its drop is judged by itself', () => {
  const { design } = reversing({ a: 10, b: 3, meant: true });
  expect(solvedRules(design)).toContain('reach.fuseOverdrawn b');
  const long = reversing({ meant: true });
  const far = applyUnchecked(long.design, updateRecords(long.design, [{ id: long.wires.outB, set: { lengthMm: 12_000 } }]));
  const drop = (of: Design) => {
    const solved = solveDesign(analyse(of), { kind: 'allOn' });
    if (solved instanceof NetworkError) throw solved;
    agreesWithNgspice(solved.live);
    return solved.drops.get('circuit_panel')!.dropV;
  };
  // 11 m more of 2.5 mm² at 7.98 mohm a metre (IEC 60228, class 5) and 5 A: 0.44 V, all of it in the way by the relay.
  expect(drop(far) - drop(long.design)).toBeGreaterThan(0.38);
});

/** A lamp switched from two places: common, two travellers, common. */
function twoPlaces(travellerB: 'mm2:2.5' | 'mm2:0.75' = 'mm2:2.5') {
  const build = rig();
  build.supply();
  build.slot('f', 1, 20);
  for (const id of ['door', 'bed']) build.add({ id, kind: 'switch', ratingA: 16, form: 'changeover' });
  build.load(36, 'resistive', 0, { id: 'lamp' });
  build.wire('f.out', 'door.common');
  const travellers = [build.wire('door.up', 'bed.up', 5000), build.wire('door.down', 'bed.down', 5000, travellerB)];
  build.wire('bed.common', 'lamp.plus');
  build.wire('lamp.minus', 'bar.bar', 2000, 'mm2:2.5', 'return');
  build.circuit('light', 1, 'f');
  return { design: build.design(), travellers };
}

test('a lamp switched from two places is no ring; each traveller is judged by the fuse, and every position is tried', () => {
  const { design, travellers } = twoPlaces();
  const analysis = analyse(design);
  expect(rulesOf(design).filter((rule) => rule.startsWith('wiring.') || rule.startsWith('reach.'))).toEqual([]);
  expect(travellers.map((id) => analysis.wires.get(id)!.protectionA)).toEqual([20, 20]);
  expect(solvedRules(design)).toEqual([]);
  const thin = twoPlaces('mm2:0.75');
  expect(rulesOf(thin.design)).toContain(`fuse.aboveConductor ${thin.travellers[1]!} f`);
  // The thin traveller carries the lamp in half of the positions: 5 m of 26.0 in place of 7.98 mohm a metre (IEC 60228), 3 A: 0.27 V.
  const solved = solveDesign(analyse(thin.design), { kind: 'allOn' });
  if (solved instanceof NetworkError) throw solved;
  const even = solveDesign(analysis, { kind: 'allOn' });
  if (even instanceof NetworkError) throw even;
  expect(solved.drops.get('circuit_light')!.dropV - even.drops.get('circuit_light')!.dropV).toBeCloseTo(0.27, 2);
});

test('two feeds of one circuit behind one fuse stay a ring, and the wire that closes it is judged as the others are', () => {
  const build = rig();
  build.supply();
  build.slot('f', 1, 15);
  build.lampBehind('f', 1, 36);
  build.add({ id: 'joint', kind: 'splice' });
  build.wire('f.out', 'joint.joint', 1000, 'mm2:2.5');
  const closing = build.wire('joint.joint', 'f_lamp.plus', 1000, 'mm2:1');
  const design = build.design();
  expect(rulesOf(design)).toContain(`wiring.loop ${closing}`);
  expect(passesA(design, closing)).toBe(15);
});

/**
 * The first random designs that have something, whose wiring has an answer with everything on. The vehicle’s battery joined to the house’s
 * is a fault by itself.
 */
function randomWith(feature: Feature, wanted: number) {
  const found: { seed: number; analysis: Analysis; live: LiveDesign }[] = [];
  for (let seed = 1; found.length < wanted && seed < 400; seed++) {
    const { design, features } = randomDesign(seed);
    // What the random loads say they draw is at 12 V.
    if (!features.has(feature) || features.has('24V')) continue;
    const analysis = analyse(design);
    const solved = solveDesign(analysis, { kind: 'allOn' });
    if (solved instanceof NetworkError || analysis.findings.some(({ rule }) => rule === 'vehicle.joined')) continue;
    found.push({ seed, analysis, live: solved.live });
  }
  return found;
}

// A constant power draws more as its voltage falls, and a full battery stands above the nominal volts at which sums are made: a fifth
// either way.
test.each<Feature>(['secondFeed', 'twoWaysHome'])(
  'random designs with %s: ngspice finds the same, and no wire carries more than it was judged by',
  (feature) => {
    const found = randomWith(feature, 8);
    expect(found).toHaveLength(8);
    for (const { seed, analysis, live } of found) {
      agreesWithNgspice(live);
      for (const { wire, amps, protectionA } of analysis.wires.values()) {
        if (!live.compiled.wireElement.has(wire.id)) continue;
        const most = Math.max(1.2 * amps, protectionA ?? 0);
        expect([seed, wire.id, Math.abs(live.wireAmps(wire.id)) <= most + 0.05]).toEqual([seed, wire.id, true]);
      }
    }
  },
  60_000,
);
