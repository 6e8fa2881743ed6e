import ELK from 'elkjs/lib/elk.bundled.js';
import { parseArgs } from 'node:util';
import { analyse } from '../core/analysis/analyse';
import { solveDesign } from '../core/analysis/solved';
import type { Analysis } from '../core/analysis/types';
import { sheetsOf } from '../core/diagram/drawing';
import { drawSheets } from '../core/diagram/drawSheets';
import type { Drawing } from '../core/diagram/layout';
import { writeDiagramSvg } from '../core/diagram/writeSvg';
import { writeDiagramDxf } from '../core/formats/diagramPages';
import { diagramDocument, fuseMapDocument, labelsDocument, loomDocument, panelDocument, paperOf } from '../core/formats/documents';
import { writeLoomSvg } from '../core/formats/loomDrawing';
import { bookView } from '../core/formats/book';
import { folderFiles } from '../core/formats/folder';
import { packed } from '../core/formats/packed';
import type { PaperDrawings } from '../core/formats/paper';
import { loomBoards, type LoomBoard } from '../core/harness/loomBoard';
import { seenAs } from '../core/design/asBuilt';
import { recordsOf } from '../core/design/design';
import { LABEL_KINDS, labelsOf, writeLabelsCsv } from '../core/formats/labels';
import { writePanelDxf, writePanelSvg } from '../core/formats/panelTemplate';
import { cutPanel, type PanelCut } from '../core/harness/panelFace';
import { spiceOfDesign } from '../core/formats/spiceOfDesign';
import { writePartsCsv, writeWiresCsv } from '../core/formats/wiresCsv';
import { harnessOf } from '../core/harness/schedule';
import { NetworkError } from '../core/network/networkError';
import type { StateChoice } from '../core/network/namedStates';
import { loadDesign } from './designFile';
import { BadInput } from './input';

const TEXTS = [
  'spice',
  'wires.csv',
  'parts.csv',
  'labels.csv',
  'diagram.svg',
  'diagram.dxf',
  'panel.svg',
  'panel.dxf',
  'loom.svg',
] as const;
const PAPERS = ['diagram.pdf', 'labels.pdf', 'panel.pdf', 'loom.pdf', 'fuse-map.pdf'] as const;
const FORMATS = [...TEXTS, ...PAPERS, 'folder.zip'] as const;
type TextFormat = (typeof TEXTS)[number];
type PaperFormat = (typeof PAPERS)[number];
const isPaper = (format: (typeof FORMATS)[number]): format is PaperFormat => PAPERS.some((one) => one === format);

/** `vine-knot export`: a design file in another format on standard output. Status 1 when its network has no answer. */
export async function exportDesign(argv: string[]): Promise<number> {
  const { values, positionals } = parseArgs({
    args: argv,
    options: { format: { type: 'string' }, state: { type: 'string' }, circuit: { type: 'string' }, panel: { type: 'string' } },
    allowPositionals: true,
  });
  const [file, ...more] = positionals;
  if (!file || more.length > 0) throw new BadInput('export takes one file');
  const format = FORMATS.find((one) => one === values.format);
  if (!format) throw new BadInput(`--format: one of ${FORMATS.join(', ')}`);
  if (values.state !== undefined && format !== 'spice') throw new BadInput('--state: only a SPICE deck is of a state');
  if (values.circuit !== undefined && !format.startsWith('diagram')) throw new BadInput('--circuit: only a diagram is of one circuit');
  if (values.panel !== undefined && !format.startsWith('panel')) throw new BadInput('--panel: only a template is of one panel');
  const whole = loadDesign(file);
  const analysis = analyse(whole);
  if (format === 'folder.zip') {
    const view = bookView(whole);
    const seen = view === 'now' ? analyse(seenAs(whole, view)) : analysis;
    const drawings = sheetsOf(seen.index, harnessOf(seen.index, seen.wiring)).length > 0 ? await drawn(seen, undefined) : [];
    process.stdout.write(packed(folderFiles(seen, view, whole, drawings, [])));
    return 0;
  }
  if (isPaper(format)) {
    const document = await paged(analysis, format, values.circuit, values.panel);
    const { drawingsPdf } = await import('../workers/setPdf.mjs');
    process.stdout.write(await drawingsPdf(document));
    return 0;
  }
  const text = await written(analysis, format, values);
  if (text instanceof NetworkError) {
    process.stderr.write(`${text.message}\n`);
    return 1;
  }
  process.stdout.write(text);
  return 0;
}

async function written(
  analysis: Analysis,
  format: TextFormat,
  { state, circuit, panel }: { state?: string; circuit?: string; panel?: string },
): Promise<string | NetworkError> {
  switch (format) {
    case 'wires.csv':
      return writeWiresCsv(analysis);
    case 'parts.csv':
      return writePartsCsv(analysis);
    case 'labels.csv':
      return writeLabelsCsv(LABEL_KINDS.flatMap((kind) => labelsOf(analysis, kind)));
    case 'panel.svg':
      return writePanelSvg(panelOf(analysis, panel));
    case 'panel.dxf':
      return writePanelDxf(panelOf(analysis, panel));
    case 'diagram.svg':
      return writeDiagramSvg(await drawn(analysis, circuit));
    case 'diagram.dxf':
      return writeDiagramDxf(await drawn(analysis, circuit));
    case 'loom.svg':
      return writeLoomSvg(loomsOf(analysis)[0]!, analysis.design, analysis.index.settings.units, LOOM_SCALE);
    case 'spice': {
      const solved = solveDesign(analysis, stateOption(state ?? 'all-on', analysis.index.scenarios));
      return solved instanceof NetworkError ? solved : spiceOfDesign(solved).text;
    }
  }
}

/** What a loom board is drawn at where nobody says. */
const LOOM_SCALE = 10;

/** What is printed at a size of its own, as pages. */
async function paged(analysis: Analysis, format: PaperFormat, circuit?: string, panel?: string): Promise<PaperDrawings> {
  const paper = paperOf(analysis);
  switch (format) {
    case 'diagram.pdf':
      return diagramDocument(analysis, await drawn(analysis, circuit), paper);
    case 'labels.pdf':
      return labelsDocument(LABEL_KINDS.flatMap((kind) => labelsOf(analysis, kind)), paper === 'A4' ? 'a4x80' : 'letter80'); // prettier-ignore
    case 'panel.pdf':
      return panelDocument(panelOf(analysis, panel), paper);
    case 'loom.pdf':
      return loomDocument(analysis, loomsOf(analysis), LOOM_SCALE, paper);
    case 'fuse-map.pdf':
      return fuseMapDocument(analysis, paper);
  }
}

function loomsOf({ index, wiring }: Analysis): LoomBoard[] {
  const boards = loomBoards(index, harnessOf(index, wiring));
  if (boards.length === 0) throw new BadInput('no wire takes a stretch of the vehicle, so there is no loom');
  return boards;
}

/** The panel of a name, or the first. */
function panelOf({ design }: Analysis, wanted: string | undefined): PanelCut {
  const panels = recordsOf(design, 'panel');
  const panel = wanted === undefined ? panels[0] : panels.find(({ name }) => name === wanted);
  if (!panel) throw new BadInput(`--panel: one of ${panels.map(({ name }) => `"${name}"`).join(', ') || 'none there is'}`);
  return cutPanel(design, panel);
}

/** The sheets of a design, or the one of a circuit by its number. */
async function drawn({ design, index, wiring, circuits }: Analysis, wanted: string | undefined): Promise<Drawing[]> {
  const circuit = wanted === undefined ? null : circuits.find(({ number }) => number === Number(wanted));
  if (circuit === undefined) throw new BadInput(`--circuit: there is no circuit ${wanted}`);
  const harness = harnessOf(index, wiring);
  const sheets = circuit === null ? sheetsOf(index, harness) : [{ circuitId: circuit.id }];
  return drawSheets({ design, index, wiring, harness }, sheets, new ELK());
}

function stateOption(text: string, scenarios: readonly { id: string; name: string }[]): StateChoice {
  if (text === 'all-on') return { kind: 'allOn' };
  if (text === 'all-off') return { kind: 'allOff' };
  const scenario = scenarios.find(({ id, name }) => id === text || name === text);
  if (scenario) return { kind: 'scenario', scenarioId: scenario.id };
  throw new BadInput(`--state: "${text}" is not all-on, all-off or one of ${scenarios.map(({ name }) => `"${name}"`).join(', ')}`);
}
