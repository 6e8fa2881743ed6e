import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { analyse } from '../analysis/analyse';
import { LABEL_SHEET_IDS, LABEL_SHEETS } from '../catalog/labelSheets';
import { recordsOf } from '../design/design';
import { labelPages, labelsOf, writeLabelsCsv } from './labels';
import { fitted, PAPERS } from './paper';

const analysis = analyse(pip());

test('every wire has a label at each end that says where the other end is', () => {
  const labels = labelsOf(analysis, 'wires');
  expect(labels).toHaveLength(2 * recordsOf(analysis.design, 'wire').length);
  expect(labels.filter(({ large }) => large === '06a')).toMatchObject([
    { large: '06a', small: 'to Water pump switch in' },
    { large: '06a', small: 'to Water pump fuse out' },
  ]);
});

test('every fuse has one with its rating and slot, every position of a panel its legend', () => {
  const fuses = labelsOf(analysis, 'fuses');
  expect(fuses).toHaveLength(7);
  expect(fuses[5]).toMatchObject({ large: '6 Water pump', small: '7.5 A, Fuse block, slot 6' });
  expect(fuses[6]).toMatchObject({ large: 'Main fuse', small: '50 A, in its own holder' });
  expect(labelsOf(analyse(heron()), 'switches')[0]).toMatchObject({ large: 'Galley lights', small: 'Galley panel, 1' });
  // A fuse's code opens its circuit; the main fuse is of none.
  const pump = analysis.circuits.find(({ name }) => name === 'Water pump')!;
  expect([fuses[5]!.opens, fuses[6]!.opens]).toEqual([`/circuits#${pump.id}`, undefined]);
});

// Margins as printed on the sheets' wrappers, mm: side and top. From memory.
test.each([
  ['a4x80', 11, 13.3],
  ['a4x48', 9.7, 21.3],
  ['a4x24', 7.2, 12.9],
  ['letter20', 0.156 * 25.4, 0.5 * 25.4],
] as const)('the grid of %s begins %s mm from the side and %s from the top', (id, side, top) => {
  const { paper, columns, rows, widthMm, heightMm, pitchMm } = LABEL_SHEETS[id];
  const [pageWidth, pageHeight] = PAPERS[paper];
  expect(Math.abs((pageWidth - pitchMm[0] * (columns - 1) - widthMm) / 2 - side)).toBeLessThan(0.2);
  expect(Math.abs((pageHeight - pitchMm[1] * (rows - 1) - heightMm) / 2 - top)).toBeLessThan(0.35);
});

test('labels stay within their edges on every sheet, long ones cut short, used ones skipped', () => {
  for (const id of LABEL_SHEET_IDS) {
    const sheet = LABEL_SHEETS[id];
    const labels = [...labelsOf(analyse(heron()), 'wires'), { large: 'X'.repeat(80), small: 'y'.repeat(200) }];
    const pages = labelPages(labels, id, 5);
    expect(pages).toHaveLength(Math.ceil((labels.length + 5) / (sheet.columns * sheet.rows)));
    // The printer's own sheet from its corner, or every label is off.
    const [widthMm, heightMm] = PAPERS[sheet.paper];
    for (const page of pages) expect(page).toMatchObject({ widthMm, heightMm, leftMm: 0, topMm: 0 });
    const texts = pages.flatMap(({ svg }) => [...svg.matchAll(/<text x="([\d.]+)" y="([\d.]+)" font-size="([\d.]+)"[^>]*>([^<]*)</g)]);
    expect(texts).toHaveLength(labels.length * 2);
    const [pageWidth, pageHeight] = PAPERS[sheet.paper];
    const left = (pageWidth - sheet.pitchMm[0] * (sheet.columns - 1) - sheet.widthMm) / 2;
    const top = (pageHeight - sheet.pitchMm[1] * (sheet.rows - 1) - sheet.heightMm) / 2;
    for (const [, x, y, size, words] of texts) {
      const width = words!.replaceAll('&amp;', '&').length * Number(size) * 0.56;
      const column = Math.round((Number(x) - left - sheet.widthMm / 2) / sheet.pitchMm[0]);
      const row = Math.floor((Number(y) - top) / sheet.pitchMm[1]);
      const [edgeX, edgeY] = [left + column * sheet.pitchMm[0], top + row * sheet.pitchMm[1]];
      expect([id, words, Number(x) - width / 2 >= edgeX + 1, Number(x) + width / 2 <= edgeX + sheet.widthMm - 1]).toEqual([
        id,
        words,
        true,
        true,
      ]);
      expect([id, words, Number(y) - Number(size) >= edgeY - 0.1, Number(y) <= edgeY + sheet.heightMm - 0.8]).toEqual([
        id,
        words,
        true,
        true,
      ]);
    }
  }
  expect(fitted('Bench', 20, 5)).toEqual({ text: 'Bench', size: 5 });
  expect(fitted('y'.repeat(200), 20, 5).text).toMatch(/^y+…$/);
});

test('for a label printer what begins like a formula is text', () => {
  expect(writeLabelsCsv([{ large: '=1+1', small: 'to "A", plus' }])).toBe('large,small\r\n\'=1+1,"to ""A"", plus"\r\n');
});
