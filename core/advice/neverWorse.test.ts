import { randomDesign, type Feature } from '../../testing/randomDesign';
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
        const after = faults(analyse(applyUnchecked(analysis.design, change)));
        expect([seed, finding.rule, after.filter((key) => !known.has(key))]).toEqual([seed, finding.rule, []]);
        expect([seed, finding.rule, after.includes(keyOf(finding))]).toEqual([seed, finding.rule, false]);
      }
    }
  }
  if (IS_WHOLE_RUN) expect(offered).toBeGreaterThan(50);
});
