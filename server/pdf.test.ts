import { withSlowFindings } from '../core/analysis/rules/slowFindings';
import { inflateSync } from 'node:zlib';
import { heron } from '../demo/heron';
import { pip } from '../demo/pip';
import { analyse } from '../core/analysis/analyse';
import { applyChange, updateRecords } from '../core/design/change';
import { recordsOf, type Design } from '../core/design/design';
import { panelShapes, templateSize } from '../core/formats/panelTemplate';
import { onPaper, PAPERS } from '../core/formats/paper';
import { cutPanel } from '../core/harness/panelFace';
import { makeReport } from '../core/formats/report';
import { Busy } from './errors';
import { drawingsPdf, inTurn, reportPdf } from './pdf';

const named = (design: Design, name: string) => applyChange(design, updateRecords(design, [{ id: 'settings', set: { name } }]));
const print = async (design: Design) => {
  const report = makeReport(withSlowFindings(analyse(design)));
  return { report, pdf: Buffer.from(await reportPdf(report, '2026-05-01')).toString('latin1') };
};

/** A worker starts and sets some thirty pages: slow beside other work. */
jest.setTimeout(40_000);

// ISO 32000-1, 7.5: header, cross-reference, trailer and end of file; A4 across is 841.89 by 595.28 points (ISO 216).
test.each<[string, () => Design]>([
  ['Heron', heron],
  ['Pip', pip],
  ['a name with letters Latin has not', () => named(pip(), 'Чайка 海鸥')],
  ['a name that looks like markup', () => named(pip(), '<b>Pip</b> (50 %) \\ {{x}}')],
])('%s is printed as a whole PDF of A4 pages, its faces with it', async (_, design) => {
  const { report, pdf } = await print(design());
  expect(pdf).toMatch(/^%PDF-1\.\d/);
  expect(pdf.trimEnd()).toMatch(/startxref\s+\d+\s+%%EOF$/);
  const at = Number(/startxref\s+(\d+)\s+%%EOF\s*$/.exec(pdf)![1]);
  expect(pdf.slice(at, at + 4)).toBe('xref');
  const pages = pdf.match(/\/Type \/Page\b(?!s)/g)!.length;
  expect(Number(/\/Count (\d+)/.exec(pdf)![1])).toBe(pages);
  expect(pages).toBeGreaterThan(report.sections.filter(({ ownPage }) => ownPage).length);
  for (const [, width, height] of pdf.matchAll(/\/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/g)) {
    expect(Number(width)).toBeCloseTo(841.89, 1);
    expect(Number(height)).toBeCloseTo(595.28, 1);
  }
  expect(pdf).toMatch(/\/FontFile[23]? /);
});

test('what Barlow cannot set is set in a face that can, and nothing else is', async () => {
  const face = async (design: Design) => Array.from(new Set((await print(design)).pdf.match(/Barlow|Roboto/g)));
  expect(await face(named(pip(), 'Möwe – ½'))).toEqual(['Barlow']);
  expect(await face(named(pip(), 'Чайка'))).toEqual(['Roboto']);
});

test('documents are made one after another, too many are asked to come again, and one whose reader left is not begun', async () => {
  const here = new AbortController().signal;
  const left = new AbortController();
  const begun: number[] = [];
  const slow = (number: number, signal = here) =>
    inTurn(signal, async () => {
      begun.push(number);
      await new Promise((resolve) => setTimeout(resolve, 10));
      return number;
    });
  const all = [slow(0), slow(1), slow(2, left.signal), ...[3, 4, 5, 6, 7].map((number) => slow(number))];
  await expect(slow(8)).rejects.toThrow(Busy);
  left.abort();
  const done = await Promise.allSettled(all);
  expect(done.map(({ status }) => status)).toEqual(['fulfilled', 'fulfilled', 'rejected', ...Array(5).fill('fulfilled')]);
  expect(begun).toEqual([0, 1, 3, 4, 5, 6, 7]);
  expect(await slow(9)).toBe(9);
});

test('a reader who leaves while it is being made stops it, and the next one gets theirs', async () => {
  const report = makeReport(withSlowFindings(analyse(heron())));
  const reader = new AbortController();
  const making = reportPdf(report, '2026-05-01', reader.signal);
  reader.abort();
  await expect(making).rejects.toThrow('has left');
  expect((await reportPdf(report, '2026-05-01')).byteLength).toBeGreaterThan(10_000);
});

// ISO 32000-1, 8.3: a point is 1/72 inch; the page's own lines are read back from its content stream.
test('a panel’s template is at full size: 100 mm on it are 100 mm on paper', async () => {
  const design = heron();
  const cut = cutPanel(design, recordsOf(design, 'panel')[1]!);
  const { widthMm, heightMm } = templateSize(cut);
  for (const paper of ['A4', 'LETTER'] as const) {
    const pdf = Buffer.from(await drawingsPdf({ title: 'Panel', paper, ...onPaper(panelShapes(cut), widthMm, heightMm, paper) }));
    const [page] = contentStreams(pdf);
    // The bar, its ends 100 apart in the drawing's unit, under a scale of points to a millimetre.
    const bar = /\n([\d.]+) ([\d.]+) m\n([\d.]+) \2 l\n\1 /.exec(page!)!;
    const scale = Number(/\n([\d.]+) 0 0 \1 0 0 cm/.exec(page!)![1]);
    expect(((Number(bar[3]) - Number(bar[1])) * scale * 25.4) / 72).toBeCloseTo(100, 2);
    const [, width] = /\/MediaBox \[0 0 ([\d.]+) /.exec(pdf.toString('latin1'))!;
    expect((Number(width) * 25.4) / 72).toBeCloseTo(PAPERS[paper][0], 1);
  }
});

/** The pages' drawing operators. */
function contentStreams(pdf: Buffer): string[] {
  const text = pdf.toString('latin1');
  return [...text.matchAll(/stream\r?\n/g)].flatMap(({ index, 0: head }) => {
    const from = index + head.length;
    try {
      const stream = inflateSync(pdf.subarray(from, text.indexOf('endstream', from))).toString('latin1');
      return stream.includes(' cm') ? [stream] : [];
    } catch {
      return [];
    }
  });
}
