import path from 'node:path';
import { fileURLToPath } from 'node:url';
import pdfmake from 'pdfmake';

/** Sets reports and drawings as PDF. Plain JavaScript, since a thread runs a file as it is. */

const packages = path.join(path.dirname(fileURLToPath(import.meta.url)), '..', 'node_modules');
const barlow = (weight, style = 'normal') => path.join(packages, '@fontsource', 'barlow', 'files', `barlow-latin-${weight}-${style}.woff`);
const roboto = (face) => path.join(packages, 'pdfmake', 'fonts', 'Roboto', `Roboto-${face}.ttf`);

pdfmake.setFonts({
  Barlow: { normal: barlow(400), bold: barlow(600), italics: barlow(400, 'italic'), bolditalics: barlow(600, 'italic') },
  Roboto: { normal: roboto('Regular'), bold: roboto('Medium'), italics: roboto('Italic'), bolditalics: roboto('MediumItalic') },
});
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((file) => file.startsWith(packages));

/** Characters the packaged Latin cut of Barlow has; a design that uses others is set in a face that covers more. */
const IN_BARLOW = /^[\u0020-\u007e\u00a0-\u00ff\u2013\u2014\u2018-\u201e\u2022\u2026\u2212\n]*$/;

const LINE = '#9c9277';
const STEM = '#3f6b33';
const SOFT = '#4c5743';

/** The report as a PDF, A4 across. */
export function reportPdf(report, date) {
  return set(report, date, '', () => []);
}

/** The book of a vehicle: its report, then drawings that fit a page each, then photos three in a row. */
export function bookPdf({ report, date, pages, photos }) {
  return set(report, date, pages.join(''), (font) => [...pages.map((svg) => drawnPage(svg, font)), ...photoPages(photos)]);
}

function set(report, date, beside, more) {
  const font = IN_BARLOW.test(JSON.stringify(report) + beside) ? 'Barlow' : 'Roboto';
  const pdf = pdfmake.createPdf({
    pageSize: 'A4',
    pageOrientation: 'landscape',
    pageMargins: [36, 36, 36, 40],
    info: { title: report.title, creator: 'Vine Knot' },
    defaultStyle: { font, fontSize: 9, lineHeight: 1.15 },
    footer: (page, count) => ({
      columns: [
        { text: `${report.title}, ${date}. Local codes and a licensed person come first.`, color: SOFT },
        { text: `${page} of ${count}`, alignment: 'right', color: SOFT },
      ],
      margin: [36, 12, 36, 0],
      fontSize: 8,
    }),
    content: [
      { text: report.title, fontSize: 22, bold: true },
      { text: `${report.subject}, as designed on ${date}`, color: SOFT, margin: [0, 0, 0, 6] },
      factTable(report),
      cautionBox(report),
      ...report.sections.flatMap(section),
      heading('Sources'),
      { ul: report.sources, fontSize: 8 },
      ...more(font),
    ],
  });
  return pdf.getBuffer();
}

function factTable({ facts }) {
  return {
    layout: 'noBorders',
    margin: [0, 0, 0, 8],
    table: {
      widths: facts.map(() => '*'),
      body: [
        facts.map(({ name }) => ({ text: name, color: SOFT, fontSize: 8 })),
        facts.map(({ value }) => ({ text: value, bold: true, fontSize: 11 })),
      ],
    },
  };
}

function cautionBox({ cautions }) {
  return {
    layout: { hLineColor: () => '#8a5a00', vLineColor: () => '#8a5a00', hLineWidth: () => 1.5, vLineWidth: () => 1.5 },
    table: {
      widths: ['*'],
      body: [[{ stack: [{ text: 'Before you start', bold: true, fontSize: 11 }, { ul: [...cautions] }], margin: [4, 3, 4, 3] }]],
    },
  };
}

function section({ title, text, columns, rows, ownPage }) {
  const head = columns.map((column) => ({ text: column.title, color: SOFT, fontSize: 8, alignment: column.align }));
  const body = rows.map((row) => row.map((cell, at) => ({ text: cell, alignment: columns[at].align })));
  const longest = columns.map((_, at) => Math.max(...rows.map((row) => row[at].length)));
  const most = Math.max(...longest);
  return [
    heading(title, ownPage),
    ...(text ? [{ text, color: SOFT, margin: [0, 0, 0, 3] }] : []),
    {
      layout: {
        hLineWidth: (at, node) => (at === 0 || at === node.table.body.length ? 0 : at === 1 ? 0.8 : 0.3),
        vLineWidth: () => 0,
        hLineColor: () => LINE,
        paddingLeft: (at) => (at === 0 ? 0 : 4),
      },
      table: {
        headerRows: 1,
        dontBreakRows: true,
        widths: longest.map((length) => (length > 34 || length === most ? '*' : 'auto')),
        body: [head, ...body],
      },
    },
  ];
}

function heading(text, ownPage = false) {
  return { ...(ownPage && { pageBreak: 'before' }), text, fontSize: 13, bold: true, color: STEM, margin: [0, 12, 0, 3], headlineLevel: 1 };
}

/** What a page of the report has between its margins, points. */
const ROOM = [769, 500];

function drawnPage(svg, font) {
  return { pageBreak: 'before', svg: svg.replaceAll('font-family="sans-serif"', `font-family="${font}"`), fit: ROOM };
}

function photoPages(photos) {
  if (photos.length === 0) return [];
  const cell = ({ words, picture }) => ({ stack: [{ image: picture, fit: [248, 210] }, { text: words, fontSize: 8, margin: [0, 3, 0, 10] }], unbreakable: true }); // prettier-ignore
  const rows = Array.from({ length: Math.ceil(photos.length / 3) }, (_, row) => ({ columns: photos.slice(row * 3, row * 3 + 3).map(cell), columnGap: 12, unbreakable: true })); // prettier-ignore
  return [heading('Photos', true), ...rows];
}

/** Points in a millimetre. */
const PT = 72 / 25.4;

/** Drawings at full size, a page each: a millimetre of theirs is one on paper. */
export function drawingsPdf({ title, paper, across, pages }) {
  const font = pages.every(({ svg }) => IN_BARLOW.test(svg)) ? 'Barlow' : 'Roboto';
  const pdf = pdfmake.createPdf({
    pageSize: paper,
    pageOrientation: across ? 'landscape' : 'portrait',
    pageMargins: [0, 0, 0, 0],
    info: { title, creator: 'Vine Knot' },
    defaultStyle: { font },
    content: pages.map(({ svg, widthMm, heightMm, leftMm, topMm }, at) => ({
      svg: svg.replaceAll('font-family="sans-serif"', `font-family="${font}"`),
      width: widthMm * PT,
      height: heightMm * PT,
      margin: [leftMm * PT, topMm * PT, 0, 0],
      ...(at > 0 && { pageBreak: 'before' }),
    })),
  });
  return pdf.getBuffer();
}
