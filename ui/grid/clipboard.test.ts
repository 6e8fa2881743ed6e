import fc from 'fast-check';
import { blockText, parseBlock } from './clipboard';

test('what is copied is what is pasted, whatever the cells hold', () => {
  const cell = fc.oneof(
    fc.string({ maxLength: 12 }),
    fc.constantFrom('', '24 W', 'a\tb', 'two\nlines', 'say "on"', '"', "'", '=1+1', '-5', "'=x", 'Käfer', '½ × 2'),
  );
  // A cell's outer spaces are not kept: spreadsheets pad. An apostrophe before a sign is how a sign is written as text.
  const kept = (text: string) => text.trim() === text && !/^'[=+\-@]/.test(text) && !text.includes('\r');
  const blocks = fc
    .integer({ min: 2, max: 5 })
    .chain((width) => fc.array(fc.array(cell.filter(kept), { minLength: width, maxLength: width }), { minLength: 1, maxLength: 5 }));
  fc.assert(
    fc.property(blocks, (block) => {
      expect(parseBlock(blockText(block))).toEqual(block);
    }),
    { numRuns: 400, seed: 3 },
  );
});

// As the spreadsheets of our day put it on the clipboard; from memory.
test.each([
  ['lines that end as on Windows', 'Lamp\t24 W\r\nFan\t30 W\r\n', [['Lamp', '24 W'], ['Fan', '30 W']]], // prettier-ignore
  ['a cell with a line break, quoted', '"Lamp\nleft"\t24 W\n', [['Lamp\nleft', '24 W']]],
  ['quotes doubled inside quotes', '"5"" pipe"\t1', [['5" pipe', '1']]],
  ['empty cells at the end', 'Lamp\t\t\n', [['Lamp', '', '']]],
  ['one column', '24 W\n30 W\n', [['24 W'], ['30 W']]],
  ['one cell', '24 W', [['24 W']]],
  ['nothing', '', []],
])('%s', (_, text, cells) => {
  expect(parseBlock(text)).toEqual(cells);
});

// A formula in a shared design must not run in the spreadsheet it is copied into: OWASP, CSV injection.
test.each(['=HYPERLINK("http://elsewhere.example")', '+1', '-1+2', '@SUM(A1)'])('%s is copied as text', (formula) => {
  expect(blockText([[formula, 'x']]).replace(/^"/, '')[0]).toBe("'");
  expect(parseBlock(blockText([[formula, 'x']]))).toEqual([[formula, 'x']]);
});
