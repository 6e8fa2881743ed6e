import type { Analysis } from '@/core/analysis/types';
import { recordOf, recordsOf } from '@/core/design/design';
import { panelDocument, paperOf } from '@/core/formats/documents';
import { cutPanel, type PanelCut } from '@/core/harness/panelFace';
import { readAnalysed, viewOf } from './analysed';
import { attachment } from './attachment';
import { BadRequest } from './errors';
import { drawingsPdf, inTurn } from './pdf';

/** The panel a request names, or the first there is. @throws NotFound, BadRequest where the design has no such panel */
export async function panelAsked(request: Request, designId: string): Promise<{ cut: PanelCut; analysis: Analysis }> {
  const { analysis } = await readAnalysed(designId, viewOf(request));
  const wanted = new URL(request.url).searchParams.get('panel');
  const panel = wanted === null ? recordsOf(analysis.design, 'panel')[0] : recordOf(analysis.design, wanted, 'panel');
  if (!panel) throw new BadRequest('the design has no such panel', [], 404);
  return { cut: cutPanel(analysis.design, panel), analysis };
}

/** Its template at full size, on A4 or Letter as the design's units go. */
export async function panelPdf(request: Request, designId: string): Promise<Response> {
  const { cut, analysis } = await panelAsked(request, designId);
  const pdf = await inTurn(request.signal, () => drawingsPdf(panelDocument(cut, paperOf(analysis)), request.signal));
  return attachment(analysis.design, pdf, 'application/pdf', 'panel.pdf');
}
