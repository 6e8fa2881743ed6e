import { z } from 'zod';
import { LABEL_SHEET_IDS, LABEL_SHEETS } from '@/core/catalog/labelSheets';
import { LABEL_KINDS, labelPages, labelsOf, writeLabelsCsv } from '@/core/formats/labels';
import { readAnalysed, viewOf } from './analysed';
import { attachment } from './attachment';
import { BadRequest } from './errors';
import { drawingsPdf, inTurn } from './pdf';

const asked = z.object({
  what: z.enum(LABEL_KINDS).default('wires'),
  sheet: z.enum(LABEL_SHEET_IDS).default('a4x80'),
  skip: z.coerce.number().int().min(0).max(500).default(0),
});

async function labelsAsked(request: Request, designId: string) {
  const read = asked.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!read.success) throw new BadRequest('what, sheet or skip is none there is');
  const { analysis } = await readAnalysed(designId, viewOf(request));
  return { ...read.data, analysis, labels: labelsOf(analysis, read.data.what) };
}

/** Labels on sheets, at full size. @throws BadRequest */
export async function labelsPdf(request: Request, designId: string): Promise<Response> {
  const { what, sheet, skip, analysis, labels } = await labelsAsked(request, designId);
  if (labels.length === 0) throw new BadRequest('there is nothing to label', [], 404);
  const drawings = { title: `Labels: ${what}`, paper: LABEL_SHEETS[sheet].paper, across: false, pages: labelPages(labels, sheet, skip) };
  const pdf = await inTurn(request.signal, () => drawingsPdf(drawings, request.signal));
  return attachment(analysis.design, pdf, 'application/pdf', `${what}-labels.pdf`);
}

/** The same for a label printer. @throws BadRequest */
export async function labelsCsv(request: Request, designId: string): Promise<Response> {
  const { what, analysis, labels } = await labelsAsked(request, designId);
  return attachment(analysis.design, writeLabelsCsv(labels), 'text/csv; charset=utf-8', `${what}-labels.csv`);
}
