import { WIRE_COLOURS } from '../catalog/wireColours';
import { HEAD, TYPE, type Drawing } from '../diagram/layout';
import { sheetShapes, sheetSize } from '../diagram/writeSvg';
import { DxfDrawing } from './dxf';
import { n, onPaper, roomOn, type Paper, type PaperPage } from './paper';

/**
 * Millimetres a unit of a drawing is on paper: as large as the page allows, never larger than reads well, never so small that a label
 * cannot be read.
 */
const LARGEST = 0.3;
const SMALLEST = 0.17;

/** Between two sheets on one page, and left free of it lest the last digit of a sum takes another page, mm. */
const GAP_MM = 8;
const HAIR_MM = 0.1;

/** A sheet at the scale it has on paper. */
interface Scaled {
  shapes: string;
  widthMm: number;
  heightMm: number;
}

/**
 * Sheets of the diagram on paper lying across, in their order: as many under one another as a page holds, one that is larger than a page in
 * tiles that lap over.
 */
export function diagramPages(drawings: readonly Drawing[], paper: Paper): PaperPage[] {
  const [roomW, roomH] = roomOn(paper, true);
  const stacks: Scaled[][] = [];
  let leftMm = 0;
  for (const drawing of drawings) {
    const one = scaled(drawing, roomW, roomH);
    const fits = one.heightMm + GAP_MM < leftMm - HAIR_MM;
    if (fits) stacks.at(-1)!.push(one);
    else stacks.push([one]);
    leftMm = (fits ? leftMm - GAP_MM : roomH) - one.heightMm;
  }
  return stacks.flatMap((stack) => pagesOf(stack, paper));
}

function scaled(drawing: Drawing, roomW: number, roomH: number): Scaled {
  const { width, height } = sheetSize(drawing);
  // Rounded down: what fits must not be a hair larger than its page.
  const fit = Math.floor(Math.min(roomW / width, roomH / height) * 1000) / 1000;
  const scale = Math.min(LARGEST, Math.max(SMALLEST, fit));
  return { shapes: `<g transform="scale(${scale})">${sheetShapes(drawing)}</g>`, widthMm: width * scale, heightMm: height * scale };
}

function pagesOf(stack: readonly Scaled[], paper: Paper): PaperPage[] {
  let topMm = 0;
  const groups = stack.map(({ shapes, heightMm }) => {
    const at = topMm;
    topMm += heightMm + GAP_MM;
    return `<g transform="translate(0 ${n(at)})">${shapes}</g>`;
  });
  const widthMm = Math.max(...stack.map((one) => one.widthMm));
  return onPaper(groups.join(''), widthMm, topMm - GAP_MM, paper, true).pages;
}

/** Between sheets of one DXF drawing, in the drawing's unit. */
const SHEET_GAP = 60;

/**
 * The sheets under one another as DXF: a line a wire on the layer WIRES with its label beside it, boxes and names on PARTS, terminals on
 * TERMINALS. A unit is a millimetre.
 */
export function writeDiagramDxf(drawings: readonly Drawing[]): string {
  const dxf = new DxfDrawing();
  let top = 0;
  for (const { title, width, height, parts, wires } of drawings) {
    const at = (x: number, y: number) => ({ xMm: n(x), yMm: n(top + y) });
    dxf.text('TITLES', title, at(14, -6), 15);
    for (const { points, label, labelAt, line } of wires) {
      const colour = line.look ? `WIRES_${WIRE_COLOURS[line.look.colour].word.toUpperCase()}` : 'WIRES';
      dxf.polyline(colour, points.map(({ x, y }) => at(x, y))); // prettier-ignore
      dxf.text('LABELS', label, at(labelAt.x - (label.length * TYPE.label) / 3.4, labelAt.y + TYPE.label * 0.35), TYPE.label * 0.75);
    }
    for (const { name, x, y, width: w, height: h, ports } of parts) {
      const corners = [at(x, y + HEAD), at(x + w, y + HEAD), at(x + w, y + h), at(x, y + h)];
      dxf.polyline('PARTS', corners, { closed: true });
      dxf.text('PARTS', name, at(x, y + HEAD - 5), TYPE.name * 0.75);
      for (const port of ports) {
        dxf.circle('TERMINALS', at(port.x, port.y), 1.8);
        dxf.text('TERMINALS', port.says, at(port.side === 'left' ? port.x + 5 : port.x - 5 - port.says.length * 5, port.y + 3), TYPE.terminal * 0.75); // prettier-ignore
      }
    }
    top += height + SHEET_GAP;
    dxf.polyline('TITLES', [at(0, -SHEET_GAP + 20), at(width, -SHEET_GAP + 20)]);
  }
  return dxf.end();
}
