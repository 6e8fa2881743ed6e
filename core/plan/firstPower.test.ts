import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { randomDesign } from '../../testing/randomDesign';
import { analyse } from '../analysis/analyse';
import { RATINGS_A } from '../catalog/fuses';
import { openingTimeS } from '../catalog/fuseTimes';
import { Edit } from '../design/edit';
import { recordsOf, type Design } from '../design/design';
import { nameOf } from '../design/names';
import { testFuseWords } from '../wording/powerWords';
import { firstPower, holderHolds, tryCircuit, type PowerStep } from './firstPower';

const of = (design: Design) => firstPower(analyse(design))!;
const stepOf = (design: Design, name: RegExp) => of(design).steps.find(({ circuit }) => name.test(nameOf(design, circuit.id)))!;
const tried = (design: Design, name: RegExp) => {
  const analysis = analyse(design);
  return tryCircuit(analysis.index, analysis.wiring, firstPower(analysis)!, stepOf(design, name));
};

test('a test fuse holds what flows by itself with a third over it, the next smaller blade would not, and it is never the circuit’s own', () => {
  let [tried, none] = [0, 0];
  for (const design of [pip(), heron(), ...Array.from({ length: 40 }, (_, at) => randomDesign(at + 1).design)]) {
    for (const { testA, standingA, start, fuse } of firstPower(analyse(design))?.steps ?? []) {
      const smaller = RATINGS_A.blade.filter((ratingA) => ratingA < (testA ?? fuse.ratingA));
      const opens = (ratingA: number) => start !== null && openingTimeS('blade', start.amps / ratingA) < start.seconds;
      expect(smaller.every((ratingA) => ratingA < standingA * 1.33 || opens(ratingA))).toBe(true);
      if (testA === null) none++;
      else {
        tried++;
        expect([testA >= standingA * 1.33, testA < fuse.ratingA]).toEqual([true, true]);
      }
    }
  }
  expect([tried > 100, none > 5]).toEqual([true, true]);
});

// Motors take 4 to 8 times their current for 50 to 300 ms as they start (trade ranges, from memory): 3 A would hold Pip's fan as it runs
// and open as it starts.
test('what starts by itself is stood, so that no good circuit is taken for a bad one', () => {
  const fan = stepOf(pip(), /Roof fan/);
  expect(fan.start!.amps / fan.standingA).toBeCloseTo(6, 1);
  expect(3).toBeGreaterThan(fan.standingA * 1.33);
  expect(openingTimeS('blade', fan.start!.amps / 3)).toBeLessThan(fan.start!.seconds);
  expect(fan.testA === null || openingTimeS('blade', fan.start!.amps / fan.testA) >= fan.start!.seconds).toBe(true);
  expect(fan.testA).not.toBe(3);
  // What is off starts nothing.
  expect(stepOf(pip(), /Water pump/).start).toBeNull();
});

// ISO 8820-3, from memory: a blade fuse opens within 0.1 s at six times its rating.
test('a short at the far end opens the test fuse at once, and sooner than the circuit’s own', () => {
  const shorts = of(heron()).steps.flatMap(({ testA, short }) => (testA && short && short.amps >= 6 * testA ? [short] : []));
  expect(shorts.length).toBeGreaterThan(15);
  for (const { testOpensS, ownOpensS } of shorts) {
    expect(testOpensS).toBeLessThan(0.1);
    expect(testOpensS).toBeLessThanOrEqual(ownOpensS);
  }
});

test('before the first fuse nothing flows; what runs by itself comes on as its own goes in, and nothing else', () => {
  const design = heron();
  expect(of(design).bareA).toBeLessThan(0.001);
  expect(of(design).leftOut).toEqual([]);
  const fridge = tried(design, /Fridge/);
  expect(fridge.wakes.map(({ id, to }) => [nameOf(design, id), to.state])).toEqual([['Compressor fridge', 'on']]);
  expect(fridge.wakes[0]!.to.amps).toBeCloseTo(stepOf(design, /Fridge/).standingA, 3);
  expect(tried(design, /Water pump/).wakes).toEqual([]);
});

test('each position by itself lights what is wired to it, with the load’s current and its relay’s coil through the fuse', () => {
  const design = heron();
  const { moves } = tried(design, /Scene lights, left/);
  expect(moves.map(({ act, changes }) => [act.position, changes.map(({ id }) => nameOf(design, id))])).toEqual([
    ['up', ['Left scene lamp, white']],
    ['down', ['Left scene lamp, amber']],
  ]);
  const relay = recordsOf(design, 'device').find(({ name }) => name === 'Left white relay')!;
  const coilOhm = relay.kind === 'relay' ? relay.coilOhm : NaN;
  const [up] = moves;
  const lampA = up!.changes[0]!.to.amps;
  // Beside the lamp: the coil by Ohm's law at some 13 V, and the receiver that listens all the time.
  expect(up!.amps - lampA - 13.2 / coilOhm).toBeGreaterThan(0);
  expect(up!.amps - lampA - 13.2 / coilOhm).toBeLessThan(0.03);
});

test('two switches that each light one lamp of a circuit light both together, and then both currents flow', () => {
  const { moves, together } = tried(heron(), /Rear door and step/);
  expect(moves).toHaveLength(2);
  expect(together!.moved).toHaveLength(2);
  expect(together!.amps).toBeCloseTo(moves[0]!.amps + moves[1]!.amps, 2);
});

describe('a holder', () => {
  const put = (design: Design, holds: 'out' | 'test' | 'own') => {
    const edit = new Edit(design);
    holderHolds(edit, stepOf(design, /Water pump/), holds, '2026-11-29');
    return edit.design;
  };
  const seen = (design: Design): [PowerStep['holds'], boolean, boolean] => {
    const { holds, isPowered } = stepOf(design, /Water pump/);
    return [holds, isPowered, analyse(design).findings.some(({ rule }) => rule === 'work.otherFuse')];
  };

  test('passes three states; power is done on its own fuse alone, and a test fuse left in is told', () => {
    const out = pip();
    expect(seen(out)).toEqual(['out', false, false]);
    const trying = put(out, 'test');
    expect(seen(trying)).toEqual(['test', false, true]);
    const own = put(trying, 'own');
    expect(seen(own)).toEqual(['own', true, false]);
    // Back to the small one: it is tried again.
    expect(seen(put(own, 'test'))).toEqual(['test', false, true]);
    expect(seen(put(put(own, 'test'), 'out'))).toEqual(['out', false, false]);
  });

  test('with a fuse nobody planned is neither tried nor done', () => {
    const design = pip();
    const edit = new Edit(design);
    edit.set(stepOf(design, /Water pump/).fuse, { fittedA: 20 });
    expect(seen(edit.design)).toEqual(['other', false, true]);
  });
});

test('a circuit whose fuse nothing feeds is named, not counted as done', () => {
  const edit = new Edit(pip());
  const { circuit, fuse } = stepOf(edit.design, /Water pump/);
  edit.set(fuse, { mount: null });
  expect(of(edit.design).leftOut).toEqual([circuit.id]);
  expect(of(edit.design).steps.map((step) => step.circuit.id)).not.toContain(circuit.id);
});

describe('what is not known', () => {
  const says = (change: (edit: Edit, step: PowerStep) => void) => {
    const edit = new Edit(pip());
    change(edit, stepOf(edit.design, /Water pump/));
    return testFuseWords(edit.design, stepOf(edit.design, /Water pump/));
  };

  test('is not taken as nothing: a load nobody said the draw of is named', () => {
    const unsaid = says((edit, { circuit }) => edit.set(circuit.loadIds[0]!, { rated: { kind: 'watts', watts: 0, atV: 12 } }));
    expect(unsaid).toMatch(/^Nobody has said what Water pump draws: what flows here, and whether a test fuse holds it, is not known\./);
    expect(says(() => undefined)).toMatch(/^Nothing flows by itself, so 1 A will do\./);
  });

  test('a circuit on the smallest fuse there is is tried with that, and never told to take one as large', () => {
    expect(says((edit, { fuse }) => edit.set(fuse, { ratingA: 1 }))).toBe(
      'There is no smaller fuse than its own 1 A: it is tried with that.',
    );
  });
});
