import { heron } from '../../demo/heron';
import { sameRecord } from '../design/change';
import { cutText } from '../units/text';
import { readDesignFile, writeDesignFile } from './designFile';
import { plainValue } from './plainValue';
import { plainCell, safeCell } from './safeCell';

const read = (json: string) => JSON.parse(json, plainValue) as unknown;

test('half a character and noncharacters are refused, whole ones outside the basic plane are not', () => {
  expect(read('"\\ud83d\\ude8c, 𝔄 and ½"')).toBe('\ud83d\ude8c, 𝔄 and ½');
  for (const bad of ['"\\ud83d"', '"a\\ude8c"', '"\\ufffe"', '"\\uffff"', '{"name":"\\ud83d x"}'])
    expect(() => read(bad)).toThrow(/half a character/);
  const file = writeDesignFile(heron()).replace('"Compressor fridge"', '"Fridge \\ud83d"');
  expect(() => readDesignFile(file)).toThrow(expect.objectContaining({ faults: [{ code: 'brokenText', field: 'name' }] }));
});

test('nought with a sign is nought: a record that had one can be edited', () => {
  expect(Object.is(read('-0'), 0)).toBe(true);
  expect(sameRecord({ x: -0 }, { x: 0 })).toBe(true);
});

test('a name is cut between what a person sees as characters', () => {
  expect(cutText('Van', 10)).toBe('Van');
  expect(cutText('ab\ud83d\ude8ccd', 3)).toBe('ab');
  // A flag of two signs, and a letter with its accent written after it.
  expect(cutText('a\ud83c\uddf8\ud83c\uddea', 4)).toBe('a');
  expect(cutText('Cafe\u0301', 4)).toBe('Caf');
});

test.each(['=1+1', '+1', '-1', '@x', '＝1+1', '＋1', '\t=1', '\r=1'])(
  '%j is written as text for a spreadsheet and read back as it was',
  (text) => {
    expect(safeCell(text)).toBe(`'${text}`);
    expect(plainCell(safeCell(text))).toBe(text);
  },
);
