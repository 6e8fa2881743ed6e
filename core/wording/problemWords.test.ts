import { placedProblemWords, problemWords } from './problemWords';

test('a refusal says why alone where it is seen, and where as well in a list or a file', () => {
  const problem = { code: 'sameSpot', id: 'pl_fridge', field: 'xMm', other: 'Fridge recess, left' } as const;
  expect(problemWords(problem)).toBe('“Fridge recess, left” is at that very spot; move one of them a little');
  expect(placedProblemWords(problem)).toBe(`record pl_fridge, xMm: ${problemWords(problem)}`);
  expect(placedProblemWords({ code: 'duplicateId', id: 'a' })).toMatch(/^record a: this id is used twice/);
});
