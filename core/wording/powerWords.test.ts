import { pip } from '../../demo/pip';
import { analyse } from '../analysis/analyse';
import { firstPower, type PowerStep } from '../plan/firstPower';
import { flowWords, stopWords, testFuseWords } from './powerWords';

const design = pip();
const [first] = firstPower(analyse(design))!.steps;
/** A circuit behind 10 A through which nothing flows, with what is said of it. */
const said = (step: Partial<PowerStep>) =>
  testFuseWords(design, {
    ...first!,
    ...{ fuse: { ...first!.fuse, family: 'blade', ratingA: 10 }, testA: 3, standingA: 0, unknownIds: [], start: null, short: null },
    ...step,
  });

describe('why a test fuse is as large as it is', () => {
  test('nothing flows by itself', () => expect(said({})).toBe('Nothing flows by itself, so 3 A will do.'));

  test('something flows: it holds that, and a start', () => {
    expect(said({ standingA: 1.5 })).toBe('3 A holds the 1.50 A that flows by itself, with a third over it.');
    const start = { loadId: first!.circuit.loadIds[0]!, amps: 4, seconds: 0.2 };
    expect(said({ standingA: 1.5, start })).toContain('and should stand 4.00 A for 200 ms as');
  });

  test('what is not known comes first', () => {
    expect(said({ unknownIds: [first!.circuit.loadIds[0]!] })).toMatch(/^Nobody has said what .* draws: .* is not known\./);
  });

  test('none smaller than its own is no test fuse', () => {
    expect(said({ testA: null, standingA: 8 })).toContain('no fuse smaller than its own 10 A would hold');
    expect(said({ testA: null, fuse: { ...first!.fuse, family: 'blade', ratingA: 1 } })).toContain(
      'There is no smaller fuse than its own 1 A',
    );
  });

  test.each([
    [{ amps: 300, testOpensS: 0.01, ownOpensS: 0.04 }, 'which opens either at once.'],
    [{ amps: 60, testOpensS: 0.01, ownOpensS: 0.2 }, 'it opens at once, its own 10 A within 200 ms.'],
    [{ amps: 12, testOpensS: 0.3, ownOpensS: 40 }, 'it opens within 300 ms, its own 10 A within 40 s.'],
    [{ amps: 9, testOpensS: 0.3, ownOpensS: Infinity }, 'it opens within 300 ms, its own 10 A not at all.'],
    [{ amps: 3, testOpensS: Infinity, ownOpensS: Infinity }, 'it is not sure to open, so feel for warmth.'],
  ])('a dead short: %j', (short, words) => expect(said({ short })).toContain(words));
});

test('a clamp reads nothing, amperes, or what nobody knows', () => {
  expect([flowWords(null), flowWords(0), flowWords(2)]).toEqual(['what is not known here', 'nothing', '2.00 A']);
});

test('one stops above what flows by itself, by half and a little', () => {
  expect(stopWords({ ...first!, standingA: 2 })).toContain('more than 3.10 A');
  expect(stopWords({ ...first!, standingA: 0 })).toContain('more than 0.10 A');
});
