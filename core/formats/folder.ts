import { recordsOf, settingsOf, type Design } from '../design/design';
import type { DesignView } from '../design/asBuilt';
import type { Analysis } from '../analysis/types';
import type { Drawing } from '../diagram/layout';
import { writeDiagramSvg } from '../diagram/writeSvg';
import { cutPanel } from '../harness/panelFace';
import { howToIsolate, logbook } from './book';
import { writeBudgetCsv } from './budgetCsv';
import { CAUTIONS } from './cautions';
import { writeDesignFile } from './designFile';
import { writeDiagramDxf } from './diagramPages';
import { fuseMap } from './fuseMap';
import { LABEL_KINDS, labelsOf, writeLabelsCsv } from './labels';
import { writeLoadsCsv } from './loadsCsv';
import { writePanelDxf, writePanelSvg } from './panelTemplate';
import { writePlanSvg } from './planSvg';
import { readingsTaken } from './reportReadings';
import type { ReportSection } from './reportSection';
import { writePlacesCsv, writeRoutesCsv } from './rigCsv';
import { writeRows } from './safeCell';
import { plainName } from '../units/text';
import { writePartsCsv, writeWiresCsv } from './wiresCsv';

/** A file of the folder, and what it is for. */
export interface FolderFile {
  path: string;
  about: string;
  content: string | Uint8Array;
}

/**
 * The vehicle's papers as open files, for whoever owns it next and whatever they have to read them with: text, tables, drawings. What is
 * empty is left out.
 * @param whole the design with all that is marked in it, as it is stored
 * @param more documents and pictures that come beside them
 */
export function folderFiles(
  analysis: Analysis,
  view: DesignView,
  whole: Design,
  drawings: readonly Drawing[],
  more: readonly FolderFile[],
): FolderFile[] {
  const { units } = analysis.index.settings;
  const labels = LABEL_KINDS.flatMap((kind) => labelsOf(analysis, kind));
  const files: FolderFile[] = [
    ...more,
    { path: 'fuse-map.csv', about: 'every fuse, its slot or place, and what goes dark without it', content: fuseMapCsv(analysis) },
    ...(drawings.length > 0
      ? [
          { path: 'diagram.svg', about: 'the wiring diagram, all sheets', content: writeDiagramSvg(drawings) },
          { path: 'diagram.dxf', about: 'the same for drawing programs', content: writeDiagramDxf(drawings) },
        ]
      : []),
    { path: 'wires.csv', about: 'every wire: number, colour, size, ends, length', content: writeWiresCsv(analysis) },
    ...(labels.length > 0 ? [{ path: 'labels.csv', about: 'what stands on every label', content: writeLabelsCsv(labels) }] : []),
    { path: 'parts.csv', about: 'every part and how many', content: writePartsCsv(analysis) },
    { path: 'loads.csv', about: 'every load and what it draws', content: writeLoadsCsv(analysis) },
    { path: 'budget.csv', about: 'what each load uses a day', content: writeBudgetCsv(analysis) },
    ...(analysis.index.places.length > 0
      ? [
          { path: 'plan.svg', about: 'the vehicle from above with its places and stretches', content: writePlanSvg(analysis) },
          {
            path: 'places.csv',
            about: 'where everything is, from the front, the middle and the floor',
            content: writePlacesCsv(analysis.design),
          },
          { path: 'routes.csv', about: 'the stretches cable takes', content: writeRoutesCsv(analysis.design) },
        ]
      : []),
    ...panelFiles(analysis.design),
    ...sectionFile('readings.csv', 'what a meter read, the last first', readingsTaken(analysis)),
    ...sectionFile('logbook.csv', 'what was done, when and by whom', logbook(whole, units)),
    {
      path: 'design.vine-knot.json',
      about: 'all of it, to be opened and changed again',
      content: writeDesignFile(whole),
    },
  ];
  return [{ path: 'README.txt', about: 'this page', content: readMe(analysis, view, files) }, ...files];
}

function fuseMapCsv(analysis: Analysis): string {
  return writeRows([
    ['Where', 'Slot or holder', 'Rating', 'Colour', 'Circuit', 'Feeds'],
    ...fuseMap(analysis).flatMap(({ title, lines }) =>
      lines.map(({ slot, rating, colour, circuit, feeds }) => [title, slot, rating, colour, circuit, feeds]),
    ),
  ]);
}

/** Templates of panels that are cut. */
function panelFiles(design: Design): FolderFile[] {
  const cut = recordsOf(design, 'panel').filter(({ use }) => use === 'panel' || use === 'dash');
  return cut.flatMap((panel, at) => {
    const template = cutPanel(design, panel);
    if (template.holes.length === 0) return [];
    const path = `panels/${at + 1}-${plainName(panel.name)}`;
    return [
      { path: `${path}.svg`, about: `${panel.name}: template at full size`, content: writePanelSvg(template) },
      { path: `${path}.dxf`, about: `${panel.name}: its holes for a machine`, content: writePanelDxf(template) },
    ];
  });
}

function sectionFile(path: string, about: string, { columns, rows }: ReportSection): FolderFile[] {
  return rows.length === 0 ? [] : [{ path, about, content: writeRows([columns.map(({ title }) => title), ...rows]) }]; // prettier-ignore
}

/** What one reads first, without any program: how to isolate, what to mind, what is in the folder. */
function readMe(analysis: Analysis, view: DesignView, files: readonly FolderFile[]): string {
  const { name } = settingsOf(analysis.design);
  const isolating = howToIsolate(analysis);
  const widest = Math.max(...files.map(({ path }) => path.length));
  return [
    `${name}: the house electrics, ${view === 'now' ? 'as they are built' : 'as planned; nothing is marked as fitted yet'}`,
    '',
    'HOW TO ISOLATE',
    isolating.text ?? '',
    ...isolating.rows.map(([what, where, why]) => `- ${what}${where ? ` (${where})` : ''}: ${why}`),
    '',
    'MIND',
    ...CAUTIONS.map((caution) => `- ${caution}`),
    '',
    'IN THIS FOLDER',
    ...files.map(({ path, about }) => `${path.padEnd(widest)}  ${about}`),
    '',
  ].join('\r\n');
}
