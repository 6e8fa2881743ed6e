import { RULE_WORDS } from '../wording/wording';
import { GLOSSARY, markTerms, termId } from './glossary';
import { HANDBOOK } from './pages';

test('terms stand in order, each once, each with a page there is', () => {
  const terms = GLOSSARY.map(({ term }) => term);
  expect(terms).toEqual([...terms].sort((a, b) => a.localeCompare(b, 'en')));
  expect(new Set(terms.map(termId)).size).toBe(terms.length);
  const pages = HANDBOOK.map(({ id }) => id);
  for (const { page } of GLOSSARY) if (page) expect(pages).toContain(page);
});

test('a text in pieces is the text again, each term once, the longest word for it', () => {
  const text =
    'The prospective short-circuit current of a dead short; a short-circuit current again, and selectivity. Unselective is no term.';
  const pieces = markTerms(text);
  expect(pieces.map(({ text: part }) => part).join('')).toBe(text);
  expect(pieces.flatMap(({ text: part, term }) => (term ? [[part, term.term]] : []))).toEqual([
    ['prospective short-circuit current', 'Prospective short-circuit current'],
    ['selectivity', 'Selective'],
  ]);
});

test('findings and handbook speak of the standards’ terms, not of words that need their author', () => {
  const said = [
    ...Object.values(RULE_WORDS).flatMap(({ title, why }) => [title, why]),
    ...HANDBOOK.flatMap(({ paragraphs }) => paragraphs),
  ];
  for (const text of said) expect(text).not.toMatch(/surely first|wants \d|is spoilt|best volts/i);
});
