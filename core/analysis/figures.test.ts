import { pip } from '../../demo/pip';
import { recordsOf } from '../design/design';
import { wordFinding } from '../wording/wording';
import type { WordsOf } from '../wording/ruleWords';
import { finding, type Finding } from './finding';

/** Held by the compiler: each line marked as wrong must not compile, or `tsc` says that the mark is not needed. */
test('figures that a rule has not do not compile, in what is found, in its words and in its remedies', () => {
  const lead = finding('main.farFromBattery', 'fault', ['fuse'], { leadMm: 900, mostMm: 200 });
  const about = { severity: 'fault', subjects: ['fuse'], circuitId: null } as const;
  const planted = (found: Finding) => {
    // @ts-expect-error a rule that is none
    finding('main.farFromBatery', 'fault', ['fuse'], { leadMm: 900, mostMm: 200 });
    // @ts-expect-error a figure that is missing
    finding('main.farFromBattery', 'fault', ['fuse'], { leadMm: 900 });
    // @ts-expect-error one it has not
    finding('main.missing', 'fault', ['battery'], { ratingA: 60 });
    // @ts-expect-error a figure without its number
    finding('main.bare', 'fault', ['lamp'], { amps: '4' });
    const plain: Finding[] = [];
    // @ts-expect-error the figures of another rule, as data
    plain.push({ ...about, rule: 'main.bare', numbers: { leadMm: 900, mostMm: 200 } });
    // @ts-expect-error a figure asked for before it is known which rule it is
    void found.numbers.leadMm;
    if (found.rule === 'main.farFromBattery') void found.numbers.leadMm.toFixed();
    const words: WordsOf<'main.farFromBattery' | 'network.leak'> = {
      // @ts-expect-error words that ask for a figure the rule has not
      'main.farFromBattery': { title: '', message: (say) => say.amps('ratingA'), why: '' },
      // @ts-expect-error words that take a way for a number
      'network.leak': { title: '', message: (say) => say.amps('path'), why: '' },
    };
    return words;
  };
  expect(planted).toBeDefined();
  expect(lead).toEqual({ ...about, rule: 'main.farFromBattery', numbers: { leadMm: 900, mostMm: 200 } });
});

test('loads never meant together that are lit with nothing moved are told so, and not as too many controls to try', () => {
  const design = pip();
  const [one, other] = recordsOf(design, 'device').filter(({ kind }) => kind === 'load');
  const says = (positions: [] | null) =>
    wordFinding(
      finding('reach.together', 'caution', [one!.id, other!.id], { group: 'one of two', positions, batteryV: null }),
      design,
      'metric',
    ).message;
  expect(says([])).toContain('lights both with everything at rest');
  expect(says(null)).toContain('too many controls');
});
