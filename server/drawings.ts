import * as z from 'zod/mini';
import type { Analysis } from '@/core/analysis/types';
import { sheetsOf } from '@/core/diagram/drawing';
import { drawSheets } from '@/core/diagram/drawSheets';
import type { Drawing } from '@/core/diagram/layout';
import { writeDiagramDxf } from '@/core/formats/diagramPages';
import { diagramDocument, loomDocument, paperOf } from '@/core/formats/documents';
import { LOOM_SCALES, writeLoomSvg, type LoomScale } from '@/core/formats/loomDrawing';
import { loomBoards, type LoomBoard } from '@/core/harness/loomBoard';
import { harnessOf } from '@/core/harness/schedule';
import { readAnalysed, viewOf } from './analysed';
import { attachment } from './attachment';
import { BadRequest } from './errors';
import { withLayouter } from './layouter';
import { drawingsPdf, inTurn } from './pdf';

/** The sheets a request names: all, or one circuit's. @throws BadRequest where there is no such sheet */
async function drawn(request: Request, designId: string): Promise<{ analysis: Analysis; drawings: Drawing[] }> {
  const { analysis } = await readAnalysed(designId, viewOf(request));
  const { design, index, wiring } = analysis;
  const harness = harnessOf(index, wiring);
  const wanted = new URL(request.url).searchParams.get('sheet');
  const sheets = sheetsOf(index, harness).filter((sheet) => wanted === null || wanted === (sheet === 'shared' ? sheet : sheet.circuitId));
  if (sheets.length === 0) throw new BadRequest('there is no such sheet', [], 404);
  const drawings = await withLayouter(request.signal, (layouter) => drawSheets({ design, index, wiring, harness }, sheets, layouter));
  return { analysis, drawings };
}

/** The diagram on paper. */
export async function diagramPdf(request: Request, designId: string): Promise<Response> {
  const pdf = await inTurn(request.signal, async () => {
    const { analysis, drawings } = await drawn(request, designId);
    return { analysis, bytes: await drawingsPdf(diagramDocument(analysis, drawings, paperOf(analysis)), request.signal) };
  });
  return attachment(pdf.analysis.design, pdf.bytes, 'application/pdf', 'diagram.pdf');
}

/** The diagram for another program. */
export async function diagramDxf(request: Request, designId: string): Promise<Response> {
  const { analysis, drawings } = await inTurn(request.signal, () => drawn(request, designId));
  return attachment(analysis.design, writeDiagramDxf(drawings), 'image/vnd.dxf', 'diagram.dxf');
}

const loomAsked = z.object({
  scale: z._default(z.pipe(z.coerce.number(), z.literal(LOOM_SCALES)), 10),
});

async function loomsOf(request: Request, designId: string): Promise<{ analysis: Analysis; boards: LoomBoard[]; scale: LoomScale }> {
  const read = loomAsked.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!read.success) throw new BadRequest(`scale is one of ${LOOM_SCALES.join(', ')}`);
  const { analysis } = await readAnalysed(designId, viewOf(request));
  const boards = loomBoards(analysis.index, harnessOf(analysis.index, analysis.wiring));
  if (boards.length === 0) throw new BadRequest('no wire takes a stretch of the vehicle yet', [], 404);
  return { analysis, boards, scale: read.data.scale };
}

/** Loom boards at a scale, in tiles. */
export async function loomPdf(request: Request, designId: string): Promise<Response> {
  const { analysis, boards, scale } = await loomsOf(request, designId);
  const document = loomDocument(analysis, boards, scale, paperOf(analysis));
  const pdf = await inTurn(request.signal, () => drawingsPdf(document, request.signal));
  return attachment(analysis.design, pdf, 'application/pdf', 'loom.pdf');
}

/** The longest loom board as one drawing. */
export async function loomSvg(request: Request, designId: string): Promise<Response> {
  const { analysis, boards, scale } = await loomsOf(request, designId);
  const svg = writeLoomSvg(boards[0]!, analysis.design, analysis.index.settings.units, scale);
  return attachment(analysis.design, svg, 'image/svg+xml; charset=utf-8', 'loom.svg');
}
