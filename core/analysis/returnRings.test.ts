import { rig } from '../../testing/rig';
import { soundRemedies } from '../advice/soundRemedies';
import { applyUnchecked, updateRecords } from '../design/change';
import type { Design } from '../design/design';
import { NetworkError } from '../network/networkError';
import { stateFor } from '../network/namedStates';
import { LiveDesign } from '../network/settle';
import { indexDesign } from '../rig/designIndex';
import { wordFinding } from '../wording/wording';
import { analyse } from './analyse';
import { solveDesign } from './solved';
import type { Analysis } from './types';

function supplied() {
  const build = rig();
  build.supply();
  return build;
}

/** A supply whose bar goes home through a shunt. */
function shunted() {
  const build = rig();
  build.battery();
  build.add({ id: 'main', kind: 'protection', family: 'terminalMount', ratingA: 60, mount: null });
  build.add({ id: 'block', kind: 'fuseBlock', slots: 6, slotMaxA: 30, blockMaxA: 100 });
  build.add({ id: 'bar', kind: 'busBar', ratingA: 150 });
  build.add({ id: 'shunt', kind: 'shunt', ratingA: 300, milliohm: 0.1 });
  build.wire('battery.plus', 'main.in', 150, 'mm2:16');
  build.wire('main.out', 'block.in', 1000, 'mm2:16');
  build.wire('bar.bar', 'shunt.system', 300, 'mm2:16', 'return');
  build.wire('shunt.battery', 'battery.minus', 300, 'mm2:16', 'return');
  return build;
}

/** Lamps of 36 and 60 W, 3 and 5 A at 12 V, each home by a wire of its own, and a wire from the one's minus to the other's. */
function twoLamps({
  build = supplied(),
  conductor = 'mm2:2.5' as 'mm2:2.5' | 'mm2:1',
  fuses = [5, 7.5] as readonly [number, number],
} = {}) {
  build.slot('a', 1, fuses[0]);
  build.slot('b', 2, fuses[1]);
  for (const [id, number, watts] of [
    ['a', 1, 36],
    ['b', 2, 60],
  ] as const) {
    build.load(watts, 'resistive', 0, { id: `${id}_lamp` });
    build.wire(`${id}.out`, `${id}_lamp.plus`);
    build.circuit(id, number, id);
  }
  const homeA = build.wire('a_lamp.minus', 'bar.bar', 1000, 'mm2:2.5', 'return');
  const homeB = build.wire('b_lamp.minus', 'bar.bar', 1000, 'mm2:2.5', 'return');
  const between = build.wire('a_lamp.minus', 'b_lamp.minus', 500, conductor, 'return');
  return { build, wires: { homeA, homeB, between } };
}

/** What flows in a wire with everything on and another wire taken away. */
function amps(design: Design, wireId: string, withoutId: string): number {
  const wire = design.records.get(withoutId)!;
  const index = indexDesign(applyUnchecked(design, { added: [], updated: [], removed: [wire] }));
  const state = stateFor({ kind: 'allOn' }, index, () => null);
  const live = new LiveDesign(index, state);
  live.settle(state);
  return Math.abs(live.wireAmps(wireId));
}

test('each wire of a ring of returns is judged by all that comes round once another of it is open, and by the fuses of both', () => {
  const { build, wires } = twoLamps();
  const design = build.design();
  const analysis = analyse(design);
  const judged = (id: string) => analysis.wires.get(id)!;
  // By hand: 3 A and 5 A, of which either way home may carry both, and the wire between the larger.
  expect(judged(wires.homeA).amps).toBeCloseTo(8, 9);
  expect(judged(wires.homeB).amps).toBeCloseTo(8, 9);
  expect(judged(wires.between).amps).toBeCloseTo(5, 9);
  for (const id of Object.values(wires)) expect(judged(id).protectionA).toBe(12.5);
  // Kirchhoff: round the ring the volts sum to nothing.
  expect(judged(wires.between).dropV).toBeCloseTo(Math.abs(judged(wires.homeB).dropV - judged(wires.homeA).dropV), 12);
  expect(judged(wires.between).dropV).toBeGreaterThan(0.01);
  // The network with one of them away: at a battery's volts lamps of constant resistance draw a little more or less than at 12 V.
  for (const [id, without] of [
    [wires.homeA, wires.homeB],
    [wires.homeB, wires.homeA],
  ] as const) {
    const flows = amps(design, id, without);
    expect(flows).toBeGreaterThan(7.4);
    expect(flows).toBeLessThan(8.6);
  }
  const across = amps(design, wires.between, wires.homeB);
  expect(across).toBeGreaterThan(4.6);
  expect(across).toBeLessThan(5.4);
});

test('a wire between two grounds too thin for the fuses of both is a fault, though for either alone it is not', () => {
  // ISO 10133: 1 mm2 is guarded by 10 A and by 15 A, not by 25 A.
  const faults = (fuses: readonly [number, number]) => {
    const { build, wires } = twoLamps({ conductor: 'mm2:1', fuses });
    return analyse(build.design()).findings.some(({ rule, subjects }) => rule === 'return.sharedThin' && subjects[0] === wires.between);
  };
  expect([faults([5, 7.5]), faults([10, 15])]).toEqual([false, true]);
});

test('two ways home that carry everything are a note', () => {
  const { build, wires } = twoLamps();
  const rings = analyse(build.design()).findings.filter(({ rule }) => rule.startsWith('wiring.'));
  expect(rings).toMatchObject([{ rule: 'wiring.twoWaysHome', severity: 'note', subjects: [wires.between] }]);
});

test('a wire beside a way home carries all that joins above it too', () => {
  const build = rig();
  build.supply();
  build.slot('a', 1, 10);
  build.add({ id: 'joint', kind: 'splice' });
  for (const id of ['near', 'far']) build.load(36, 'resistive', 0, { id });
  build.wire('a.out', 'near.plus');
  build.wire('near.plus', 'far.plus');
  // The far lamp goes home through the joint, where the near one joins; a second wire goes from the far lamp straight to the bar.
  const first = build.wire('far.minus', 'joint.joint', 1000, 'mm2:2.5', 'return');
  const near = build.wire('near.minus', 'joint.joint', 1000, 'mm2:2.5', 'return');
  const home = build.wire('joint.joint', 'bar.bar', 500, 'mm2:2.5', 'return');
  const straight = build.wire('far.minus', 'bar.bar', 4000, 'mm2:2.5', 'return');
  build.circuit('a', 1, 'a');
  const { wires } = analyse(build.design());
  const most = Object.fromEntries(
    Object.entries({ first, near, home, straight }).map(([name, id]) => [name, Math.round(wires.get(id)!.amps * 1000) / 1000]),
  );
  // With the joint's way home open, both come by the straight wire, the near lamp's through the first one backwards.
  expect(most).toEqual({ first: 3, near: 3, home: 6, straight: 6 });
});

test('with the way home of a near lamp open, its current goes out along the far one’s wire and home by the second way', () => {
  const build = rig();
  build.supply();
  build.slot('a', 1, 10);
  for (const id of ['one', 'two']) build.add({ id, kind: 'splice' });
  build.load(60, 'resistive', 0, { id: 'near' });
  build.load(12, 'resistive', 0, { id: 'far' });
  build.wire('a.out', 'near.plus');
  build.wire('near.plus', 'far.plus');
  build.wire('near.minus', 'one.joint', 500, 'mm2:2.5', 'return');
  build.wire('far.minus', 'two.joint', 500, 'mm2:2.5', 'return');
  const home = build.wire('one.joint', 'bar.bar', 500, 'mm2:2.5', 'return');
  const along = build.wire('two.joint', 'one.joint', 500, 'mm2:2.5', 'return');
  build.add({ id: 'three', kind: 'splice' });
  const [out, back] = [build.wire('two.joint', 'three.joint', 500, 'mm2:2.5', 'return'), build.wire('three.joint', 'bar.bar', 500, 'mm2:2.5', 'return')]; // prettier-ignore
  build.circuit('a', 1, 'a');
  const { wires } = analyse(build.design());
  // 5 A of the near lamp and 1 A of the far one.
  for (const [id, amps] of [[home, 6], [along, 5], [out, 6], [back, 6]] as const) expect(wires.get(id)!.amps).toBeCloseTo(amps, 9); // prettier-ignore
});

test.each([
  ['a load’s second return', 'a_lamp.minus'],
  ['a second lead from the bar', 'bar.bar'],
])('%s round the shunt is not counted by it, and is said', (_, from) => {
  const build = shunted();
  build.slot('a', 1, 10);
  build.lampBehind('a', 1, 36);
  const past = build.wire(from, 'battery.minus', 1500, 'mm2:16', 'return');
  const design = build.design();
  const found = analyse(design).findings.filter(({ rule }) => rule.startsWith('wiring.'));
  expect(found).toMatchObject([{ rule: 'wiring.goesPast', severity: 'caution', subjects: [past, 'shunt'] }]);
  expect(wordFinding(found[0]!, design, 'metric').message).toMatch(/current goes home past shunt/);
  // Its remedy leaves a second way home that the shunt counts.
  const [remedy] = soundRemedies(analyse(design), found[0]!);
  const mended = analyse(applyUnchecked(design, remedy!.change));
  expect(mended.findings.filter(({ rule }) => rule.startsWith('wiring.'))).toMatchObject([{ rule: 'wiring.twoWaysHome' }]);
  expect(mended.index.wires.find(({ id }) => id === past)).toMatchObject({ from: { deviceId: from.split('.')[0] }, to: { deviceId: 'shunt', terminal: 'system' } }); // prettier-ignore
});

/** A lamp at the end of a thick lead home, and a second one, short and thin or not, straight to the battery. */
function twoLeads(second: 'mm2:0.5' | 'mm2:35') {
  const build = supplied();
  build.slot('a', 1, 15);
  build.load(120, 'resistive', 0, { id: 'lamp' });
  build.wire('a.out', 'lamp.plus', 1000, 'mm2:6');
  build.wire('lamp.minus', 'bar.bar', 1000, 'mm2:6', 'return');
  const straight = build.wire('lamp.minus', 'battery.minus', 2000, second, 'return');
  build.circuit('a', 1, 'a');
  return { design: build.design(), straight };
}

test('the drop follows the way home of less resistance, not the one of fewer wires, and goes on so after an edit', () => {
  const { design, straight } = twoLeads('mm2:0.5');
  const analysis = analyse(design);
  const dropOf = (of: Analysis) => of.circuits[0]!.dropV;
  const solved = solveDesign(analysis, { kind: 'allOn' });
  if (solved instanceof NetworkError) throw solved;
  // IEC 60228, class 5: 10 A by 1 m of 6 mm² (3.3 mohm) and 1 m of 16 mm² (1.21 mohm) is 45 mV home; by 2 m of 0.5 mm² (39 mohm) it would
  // be 0.78 V.
  expect(dropOf(analysis)).toBeLessThan(0.2);
  // As wired fuse and contacts lose theirs too.
  expect(solved.drops.get('circuit_a')!.dropV - dropOf(analysis)).toBeLessThan(0.1);
  expect(dropOf(analysis)).toBeGreaterThan(0.05);
  const thick = applyUnchecked(design, updateRecords(design, [{ id: straight, set: { conductor: 'mm2:35' } }]));
  const went = analyse(thick, analysis);
  expect(went.wiring).toEqual(analyse(thick).wiring);
  expect(dropOf(went)).toBeCloseTo(dropOf(analyse(thick)), 12);
  expect(dropOf(went)).toBeLessThan(dropOf(analysis));
});

test('a ring on the loads’ side of the shunt is counted whole', () => {
  const { build } = twoLamps({ build: shunted() });
  const rules = analyse(build.design()).findings.flatMap(({ rule }) => (rule.startsWith('wiring.') ? [rule] : []));
  expect(rules).toEqual(['wiring.twoWaysHome']);
});

test('a load grounded to the body and to the bar has all that the body takes home come by its thin wires, should the body’s own lead open', () => {
  const build = supplied();
  for (const id of ['bond', 'near', 'other']) build.add({ id, kind: 'groundPoint', jointMilliohm: 1 });
  build.slot('a', 1, 5);
  build.slot('b', 2, 25);
  build.load(36, 'resistive', 0, { id: 'small' });
  build.load(240, 'resistive', 0, { id: 'large' });
  build.wire('a.out', 'small.plus');
  build.wire('b.out', 'large.plus', 1000, 'mm2:6');
  build.circuit('a', 1, 'a');
  build.circuit('b', 2, 'b');
  build.wire('bond.stud', 'battery.minus', 500, 'mm2:16', 'return');
  build.wire('large.minus', 'other.stud', 500, 'mm2:6', 'return');
  const toBody = build.wire('small.minus', 'near.stud', 500, 'mm2:1', 'return');
  const toBar = build.wire('small.minus', 'bar.bar', 500, 'mm2:1', 'return');
  const { wires, findings, circuits } = analyse(build.design());
  // 3 A of its own and the 20 A of the other; guarded by 5 and 25 A.
  expect(Math.max(wires.get(toBody)!.amps, wires.get(toBar)!.amps)).toBeCloseTo(23, 9);
  for (const id of [toBody, toBar]) expect(wires.get(id)!.amps).toBeGreaterThanOrEqual(20 - 1e-9);
  for (const id of [toBody, toBar]) expect(wires.get(id)!.protectionA).toBe(30);
  const thin = findings.filter(({ rule }) => rule === 'return.sharedThin').flatMap(({ subjects }) => subjects);
  expect(thin).toEqual(expect.arrayContaining([toBody, toBar]));
  // The circuit whose own return it is does not pass for sound.
  expect(circuits.find(({ name }) => name === 'a')!.verdict).toBe('fault');
  expect(findings.filter(({ rule }) => rule.startsWith('wiring.'))).toMatchObject([{ rule: 'wiring.twoWaysHome', severity: 'note' }]);
});

// Common practice: a courtesy lamp with a switch in each door pillar, on the return side.
test('two door switches on one lamp’s return are two contacts side by side', () => {
  const build = supplied();
  build.slot('a', 1, 5);
  build.load(6, 'resistive', 0, { id: 'lamp' });
  build.wire('a.out', 'lamp.plus');
  build.circuit('a', 1, 'a');
  for (const id of ['left', 'right']) {
    build.add({ id, kind: 'doorSwitch', ratingA: 3 });
    build.wire('lamp.minus', `${id}.lead`, 1000, 'mm2:1', 'return');
    build.wire(`${id}.body`, 'bar.bar', 200, 'mm2:1', 'return');
  }
  const { findings, wires } = analyse(build.design());
  const said = findings.filter(({ rule }) => rule.startsWith('wiring.'));
  expect(said).toMatchObject([{ rule: 'wiring.sideBySide', severity: 'note' }]);
  expect([...said[0]!.subjects].sort()).toEqual(['left', 'right']);
  for (const { amps, side } of wires.values()) if (side === 'return') expect(amps).toBeCloseTo(0.5, 9);
});
