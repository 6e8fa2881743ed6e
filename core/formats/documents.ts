import type { Analysis } from '../analysis/types';
import { LABEL_SHEETS, type LabelSheetId } from '../catalog/labelSheets';
import type { Drawing } from '../diagram/layout';
import type { LoomBoard } from '../harness/loomBoard';
import type { PanelCut } from '../harness/panelFace';
import { nameOf } from '../design/names';
import { diagramPages } from './diagramPages';
import { fuseMap, fuseMapPages } from './fuseMap';
import { labelPages, type Label } from './labels';
import { loomShapes, loomSize, type LoomScale } from './loomDrawing';
import { panelShapes, templateSize } from './panelTemplate';
import { onPaper, type Paper, type PaperDrawings } from './paper';

/** Everything that is printed at a size of its own, as pages; each on the paper the design's units go with. */

/** A4, or Letter where lengths are in feet. */
export function paperOf({ index }: Pick<Analysis, 'index'>): Paper {
  return index.settings.units === 'us' ? 'LETTER' : 'A4';
}

/** Labels on a sheet of labels; with square codes where the design's address is given. */
export function labelsDocument(labels: readonly Label[], sheet: LabelSheetId, skip = 0, address?: string): PaperDrawings {
  return { title: 'Labels', paper: LABEL_SHEETS[sheet].paper, across: false, pages: labelPages(labels, sheet, skip, address) };
}

/** A panel's template at full size. */
export function panelDocument(cut: PanelCut, paper: Paper): PaperDrawings {
  const { widthMm, heightMm } = templateSize(cut);
  return { title: cut.panel.name, paper, ...onPaper(panelShapes(cut), widthMm, heightMm, paper) };
}

/** The diagram, small sheets under one another on a page. */
export function diagramDocument({ design }: Analysis, drawings: readonly Drawing[], paper: Paper): PaperDrawings {
  return { title: `${nameOf(design, 'settings')}: diagram`, paper, across: true, pages: diagramPages(drawings, paper) };
}

/** Loom boards at a scale, in tiles where they do not fit; all of them upright or all across. */
export function loomDocument({ design, index }: Analysis, boards: readonly LoomBoard[], scale: LoomScale, paper: Paper): PaperDrawings {
  const pages = boards.flatMap((board) => {
    const { widthMm, heightMm } = loomSize(board, scale);
    return onPaper(loomShapes(board, design, index.settings.units, scale), widthMm, heightMm, paper, true).pages;
  });
  return { title: `${nameOf(design, 'settings')}: loom board 1:${scale}`, paper, across: true, pages };
}

/** The fuse map for inside the lid; with a square code where the design's address is given. */
export function fuseMapDocument(analysis: Analysis, paper: Paper, address?: string): PaperDrawings {
  const name = nameOf(analysis.design, 'settings');
  return { title: `${name}: fuses`, paper, across: false, pages: fuseMapPages(fuseMap(analysis), name, paper, address) };
}
