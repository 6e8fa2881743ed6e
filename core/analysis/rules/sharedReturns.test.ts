import { analyse } from '../analyse';
import { applyUnchecked } from '../../design/change';
import type { ConductorSize } from '../../catalog/conductorSizes';
import { rig } from '../../../testing/rig';
import { propose } from '../../advice/propose';
import { pricesOf } from '../../advice/prices';
import { soundRemedies } from '../../advice/soundRemedies';

const RULE = 'return.sharedThin';
type Build = ReturnType<typeof rig>;

/** A block behind a 60 A main fuse, circuits of a lamp each behind fuses of so many amperes, and whatever is done to it. */
function block(
  ratings: readonly number[],
  more: (build: Build) => void = () => {},
  { mainA = 60, minus = 'mm2:16' as ConductorSize, lead = 'mm2:25' as ConductorSize } = {},
) {
  const build = rig();
  build.battery('agm', 100);
  build.add({ id: 'main', kind: 'protection', family: 'terminalMount', ratingA: mainA, mount: null });
  build.add({ id: 'block', kind: 'fuseBlock', slots: 6, slotMaxA: 30, blockMaxA: 100 });
  build.add({ id: 'bar', kind: 'busBar', ratingA: 150 });
  build.wire('battery.plus', 'main.in', 150, lead);
  build.wire('main.out', 'block.in', 1000, 'mm2:25');
  build.wire('bar.bar', 'battery.minus', 1000, minus, 'return');
  ratings.forEach((ratingA, at) => {
    build.slot(`f${at}`, at + 1, ratingA);
    build.load(12, 'resistive', 0, { id: `lamp${at}` });
    build.wire(`f${at}.out`, `lamp${at}.plus`, 1000, 'mm2:4');
    build.circuit(`f${at}`, at + 1, `f${at}`);
  });
  more(build);
  return analyse(build.design());
}
const homeBy = (terminal: string, conductor: ConductorSize) => (build: Build) => {
  for (let at = 0; at < 3; at++) build.wire(`lamp${at}.minus`, terminal, 1000, conductor, 'return');
};
const found = (analysis: ReturnType<typeof block>, wanted = RULE) => analysis.findings.filter(({ rule }) => rule === wanted);

// ISO 10133 at 30 °C and 105 °C insulation, from memory: 1.5 mm² 25 A, 2.5 mm² 35, 16 mm² 130. What fuses pass together: Kirchhoff.
test('a main minus of 2.5 mm² behind 60 A of fuses is a fault, of 16 mm² none', () => {
  const thin = block([30, 30, 30], homeBy('bar.bar', 'mm2:4'), { minus: 'mm2:2.5' });
  expect(found(thin)).toMatchObject([{ severity: 'fault', subjects: [expect.any(String), 'main'], numbers: { passesA: 60, loads: 3 } }]);
  expect(found(block([30, 30, 30], homeBy('bar.bar', 'mm2:4')))).toEqual([]);
});

test('three 20 A fuses into one return of 1.5 mm² are a fault, wherever they meet', () => {
  const into = (end: 'bar.bar' | 'battery.minus' | 'chassis') => (build: Build) => {
    build.add({ id: 'joint', kind: 'splice' });
    homeBy('joint.joint', 'mm2:4')(build);
    if (end !== 'chassis') build.wire('joint.joint', end, 1000, 'mm2:1.5', 'return');
    else {
      build.add({ id: 'rear', kind: 'groundPoint', jointMilliohm: 1 });
      build.add({ id: 'front', kind: 'groundPoint', jointMilliohm: 1 });
      build.wire('joint.joint', 'rear.stud', 1000, 'mm2:16', 'return');
      build.wire('front.stud', 'bar.bar', 1000, 'mm2:1.5', 'return');
    }
  };
  for (const end of ['bar.bar', 'battery.minus', 'chassis'] as const) {
    const [finding] = found(block([20, 20, 20], into(end), { mainA: 100 }));
    expect(finding).toMatchObject({ severity: 'fault', numbers: { passesA: 60, ampacityA: 25 } });
  }
});

test('where only one of them can run, the largest alone counts; marked so by hand, only where the wiring makes it so', () => {
  const one = (group: string | null, chosen: boolean) =>
    block(
      [20, 20],
      (build) => {
        build.add({ id: 'joint', kind: 'splice' });
        // Two poles of one changeover: the one lamp on the upper throw of its pole, the other on the lower one of the other pole.
        if (chosen) build.add({ id: 'choose', kind: 'switch', ratingA: 30, form: 'doublePoleChangeover' });
        for (let at = 0; at < 2; at++) {
          build.load(12, 'resistive', 0, { id: `side${at}`, exclusiveGroup: group });
          if (chosen) build.wire(`f${at}.out`, `choose.common${at + 1}`, 1000, 'mm2:4');
          build.wire(chosen ? `choose.${['up1', 'down2'][at]}` : `f${at}.out`, `side${at}.plus`, 1000, 'mm2:4');
          build.wire(`side${at}.minus`, 'joint.joint', 1000, 'mm2:4', 'return');
          build.wire(`lamp${at}.minus`, 'bar.bar', 1000, 'mm2:4', 'return');
        }
        build.wire('joint.joint', 'bar.bar', 1000, 'mm2:1.5', 'return');
      },
      { mainA: 100 },
    );
  expect(found(one(null, true))).toHaveLength(1);
  expect(found(one('beam', false))).toHaveLength(1);
  expect(found(one('beam', true))).toEqual([]);
});

test('its remedy and the proposal for a whole design both mend it', () => {
  const thin = block([30, 30, 30], homeBy('bar.bar', 'mm2:4'), { minus: 'mm2:2.5' });
  const [remedy] = soundRemedies(thin, found(thin)[0]!);
  expect(found(analyse(applyUnchecked(thin.design, remedy!.change)))).toEqual([]);
  const proposal = propose(thin, { circuitIds: null, measure: 'cost', prices: pricesOf(thin.index.settings) })!;
  expect(found(analyse(applyUnchecked(thin.design, proposal.change)))).toEqual([]);
});

describe('the lead from the battery to its fuse', () => {
  const led = (ratings: number[], lead: ConductorSize, mainA = 60) => block(ratings, homeBy('bar.bar', 'mm2:4'), { lead, mainA });
  const thin = (analysis: ReturnType<typeof block>) => found(analysis, 'lead.belowFuses');

  test('carries what the fuse at its end passes: 2.5 mm² before 60 A is a fault, mended by its remedy and by the proposal', () => {
    const before = led([30, 30, 30], 'mm2:2.5');
    expect(thin(before)).toMatchObject([
      { severity: 'fault', subjects: [expect.any(String), 'main'], numbers: { passesA: 60, ampacityA: 35 } },
    ]);
    const [remedy] = soundRemedies(before, thin(before)[0]!);
    expect(thin(analyse(applyUnchecked(before.design, remedy!.change)))).toEqual([]);
    const proposal = propose(before, { circuitIds: null, measure: 'cost', prices: pricesOf(before.index.settings) })!;
    expect(thin(analyse(applyUnchecked(before.design, proposal.change)))).toEqual([]);
  });

  test('need carry no more than the fuses behind the main one pass together', () => {
    expect(thin(led([10, 10, 10], 'mm2:2.5', 100))).toEqual([]);
    expect(thin(led([10, 10, 20], 'mm2:2.5', 100))).toMatchObject([{ numbers: { passesA: 40 } }]);
  });
});
