import { randomDesign, type Feature } from '../../testing/randomDesign';
import { rig } from '../../testing/rig';
import { IS_WHOLE_RUN, runs, seedOf } from '../../testing/runs';
import { analyse } from '../analysis/analyse';
import type { Analysis } from '../analysis/types';
import { applyChange, applyUnchecked } from '../design/change';
import type { Finding } from '../analysis/finding';
import { soundRemedies } from './soundRemedies';
import { propose } from './propose';
import { MEASURES } from './proposal';
import { USUAL_PRICES } from './prices';

const keyOf = ({ rule, circuitId, subjects }: Finding) => `${rule} ${circuitId ?? subjects[0]}`;
const faults = ({ findings }: Analysis) => findings.filter(({ severity }) => severity === 'fault').map(keyOf);

/** Designs looked at in a run. */
const DESIGNS = runs(28);

// What a person may rely on: "take it all" brings no fault, and leaves none that asking again would mend. Over designs made at random.
test(`over ${DESIGNS} random designs a proposal taken whole brings no fault and leaves none another would mend`, () => {
  const met = new Map<Feature | 'faulty' | 'leftAlone' | 'atBar', number>();
  const count = (what: Feature | 'faulty' | 'leftAlone' | 'atBar') => met.set(what, (met.get(what) ?? 0) + 1);
  for (let at = 1; at <= DESIGNS; at++) {
    const seed = seedOf(at);
    const { design, features } = randomDesign(seed);
    features.forEach(count);
    const before = analyse(design);
    const known = new Set(faults(before));
    if (known.size > 0) count('faulty');
    const question = { circuitIds: null, measure: MEASURES[seed % MEASURES.length]!, prices: USUAL_PRICES };
    const first = propose(before, question)!;
    if (first.first.some(({ did }) => did.startsWith('left'))) count('leftAlone');
    if (first.first.some(({ did }) => did.includes('beside'))) count('atBar');
    const taken = analyse(applyChange(design, first.change));
    expect([seed, faults(taken).filter((key) => !known.has(key))]).toEqual([seed, []]);
    // Nothing runs on a fuse smaller than its load but what did before.
    for (const { id, fed, peakA, ratingA } of taken.circuits)
      if (fed && !known.has(`fuse.belowLoad ${id}`)) expect([seed, peakA <= ratingA]).toEqual([seed, true]);
    // Asking again costs as much once more, so every third design is asked.
    if (seed % 3 !== 0) continue;
    const again = analyse(applyUnchecked(taken.design, propose(taken, question)!.change));
    expect([seed, faults(again).length]).toEqual([seed, faults(taken).length]);
  }
  const wanted: (Feature | 'faulty' | 'leftAlone' | 'atBar')[] = [
    ...[
      'laidOut',
      'secondBlock',
      'huge',
      'loose',
      'unfed',
      'exclusive',
      'chassis',
      'thin',
      'overfused',
      'sheathed',
      '24V',
      'parts',
      'functions',
      'tap',
      'secondFeed',
      'twoWaysHome',
    ],
    ...['faulty', 'leftAlone', 'atBar'],
  ] as Feature[];
  if (IS_WHOLE_RUN) for (const what of wanted) expect([what, (met.get(what) ?? 0) >= 3]).toEqual([what, true]);
});

test('a remedy offered for any fault of a random design mends it and brings none', () => {
  let offered = 0;
  for (let at = 1; at <= runs(28); at++) {
    const seed = seedOf(1000 + at);
    const analysis = analyse(randomDesign(seed).design);
    const known = new Set(faults(analysis));
    for (const finding of analysis.findings.filter(({ severity }) => severity === 'fault')) {
      for (const { change } of soundRemedies(analysis, finding)) {
        offered += 1;
        const after = analyse(applyUnchecked(analysis.design, change));
        expect([seed, finding.rule, faults(after).filter((key) => !known.has(key))]).toEqual([seed, finding.rule, []]);
        // Of several that are fed twice each is said to be meant by itself.
        const isSame = ({ rule, severity, subjects }: Finding) => severity === 'fault' && rule === finding.rule && subjects[0] === finding.subjects[0]; // prettier-ignore
        expect([seed, finding.rule, after.findings.some(isSame)]).toEqual([seed, finding.rule, false]);
      }
    }
  }
  if (IS_WHOLE_RUN) expect(offered).toBeGreaterThan(50);
});

test('a lamp’s own return that other circuits can go home by is sized for what they bring, not for the lamp', () => {
  const build = rig();
  build.supply();
  build.slot('big', 1, 30);
  build.slot('small', 2, 3);
  build.add({ id: 'rear', kind: 'busBar', ratingA: 150 });
  for (const [fuse, watts] of [
    ['big', 300],
    ['small', 3],
  ] as const) {
    build.load(watts, 'resistive', 0, { id: `${fuse} lamp` });
    build.wire(`${fuse}.out`, `${fuse} lamp.plus`, 1000, fuse === 'big' ? 'mm2:6' : 'mm2:1');
    build.circuit(fuse, fuse === 'big' ? 1 : 2, fuse);
  }
  build.wire('big lamp.minus', 'rear.bar', 500, 'mm2:6', 'return');
  build.wire('rear.bar', 'bar.bar', 2000, 'mm2:6', 'return');
  const thin = [
    build.wire('small lamp.minus', 'rear.bar', 500, 'mm2:1', 'return'),
    build.wire('small lamp.minus', 'bar.bar', 500, 'mm2:1', 'return'),
  ];
  let analysis = analyse(build.design());
  const overloaded = () => analysis.findings.filter(({ rule, subjects }) => rule === 'wire.overloaded' && thin.includes(subjects[0]!));
  expect(overloaded().length).toBeGreaterThan(0);
  for (let round = 0; round < 3 && overloaded().length > 0; round++) {
    const [remedy] = soundRemedies(analysis, overloaded()[0]!);
    const before = overloaded().length;
    analysis = analyse(applyUnchecked(analysis.design, remedy!.change));
    expect(overloaded().length).toBeLessThan(before);
  }
  // 25 A and a quarter.
  for (const id of thin) expect(analysis.wires.get(id)!.ampacity!.amps).toBeGreaterThan(25);
});
