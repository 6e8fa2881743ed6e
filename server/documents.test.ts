import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { heron } from '../demo/heron';
import { analyse } from '../core/analysis/analyse';
import { recordsOf } from '../core/design/design';
import { labelsOf } from '../core/formats/labels';
import { newDesignRecords } from '../core/switching/newDesign';
import { createDesign } from './designs';
import { diagramDxf, loomSvg } from './drawings';
import { BadRequest, NotFound } from './errors';
import { fuseMapPdf, labelsCsv, labelsPdf } from './labels';
import { panelAsked } from './panels';
import { reportPage } from './reports';

process.env.DATABASE_URL = path.join(mkdtempSync(path.join(tmpdir(), 'vine-knot-documents-')), 'designs.db');

const design = heron();
const analysis = analyse(design);
const asks = (query: string) => new Request(`http://van.local/x${query}`);
const refusal = (work: Promise<unknown>) => work.then(() => null, (why: unknown) => (why instanceof BadRequest ? why.status : why)); // prettier-ignore
let id: string;
let bare: string;

beforeAll(async () => {
  id = await createDesign(Array.from(design.records.values()));
  bare = await createDesign(
    newDesignRecords({
      ...{ name: 'Bare', vehicle: 'panelVan', zones: ['Cab'], units: 'metric', standard: 'iso-small-craft' },
      ...{ battery: { chemistry: 'lithium', capacityAh: 100, count: 1 }, defaultReturn: 'dedicated' },
    }),
  );
});

test('labels for a label printer: a line for each label, under the design’s name', async () => {
  for (const what of ['wires', 'fuses', 'switches'] as const) {
    const response = await labelsCsv(asks(`?what=${what}`), id);
    expect(response.headers.get('content-disposition')).toContain(`Heron.${what}-labels.csv`);
    expect(response.headers.get('cache-control')).toBe('no-store');
    // A heading, then RFC 4180 lines.
    expect((await response.text()).trimEnd().split('\r\n')).toHaveLength(labelsOf(analysis, what).length + 1);
  }
  expect(await (await labelsCsv(asks(''), id)).text()).toBe(await (await labelsCsv(asks('?what=wires'), id)).text());
});

test('what is asked wrongly is refused before anything is drawn, and what is not there is not found', async () => {
  const refused: [number, () => Promise<unknown>][] = [
    [400, () => labelsCsv(asks('?what=doors'), id)],
    [400, () => labelsPdf(asks('?sheet=none'), id)],
    [400, () => labelsPdf(asks('?skip=501'), id)],
    [400, () => labelsPdf(asks('?skip=1.5'), id)],
    [400, () => labelsPdf(asks('?address=javascript:alert(1)'), id)],
    [400, () => fuseMapPdf(asks('?address=file:///etc/passwd'), id)],
    [400, () => loomSvg(asks('?scale=3'), id)],
    [404, () => labelsPdf(asks('?what=switches'), bare)],
    [404, () => loomSvg(asks(''), bare)],
    [404, () => panelAsked(asks(''), bare)],
    [404, () => panelAsked(asks('?panel=none'), id)],
    [404, () => diagramDxf(asks('?sheet=none'), id)],
  ];
  for (const [status, work] of refused) expect(await refusal(work())).toBe(status);
  expect(await refusal(labelsCsv(asks(''), 'none'))).toBeInstanceOf(NotFound);
});

test('the panel asked for, or the first', async () => {
  const panels = recordsOf(design, 'panel');
  expect(panels.length).toBeGreaterThan(1);
  const name = async (query: string) => (await panelAsked(asks(query), id)).cut.panel.id;
  expect(await name('')).toBe(panels[0]!.id);
  expect(await name(`?panel=${panels[1]!.id}`)).toBe(panels[1]!.id);
});

test('a loom at a scale, and a diagram of one circuit’s sheet, for other programs', async () => {
  const svg = await (await loomSvg(asks('?scale=20'), id)).text();
  expect(svg).toMatch(/^<\?xml/);
  expect(svg).not.toBe(await (await loomSvg(asks(''), id)).text());
  const circuitId = analysis.circuits[0]!.id;
  const one = await (await diagramDxf(asks(`?sheet=${circuitId}`), id)).text();
  const all = await (await diagramDxf(asks(''), id)).text();
  // DXF reference: groups of code and value, the file ended by EOF.
  for (const dxf of [one, all]) expect(dxf).toMatch(/^0\r\nSECTION[^]*0\r\nEOF\r\n$/);
  expect(all.length).toBeGreaterThan(one.length * 3);
}, 60_000);

test('the report as a page: each scenario’s first day, and the slow findings with the quick', async () => {
  const { report, days, date } = await reportPage(id);
  expect(days.map(({ name }) => name)).toEqual(analysis.index.scenarios.map(({ name }) => name));
  expect(date).toMatch(/^\d{4}-\d\d-\d\d$/);
  expect(JSON.stringify(report)).toContain('fault');
});
