import * as z from 'zod/mini';
import { wholeIn } from '@/core/units/schema';
import { LABEL_SHEET_IDS } from '@/core/catalog/labelSheets';
import { fuseMapDocument, labelsDocument, paperOf } from '@/core/formats/documents';
import { LABEL_KINDS, labelsOf, writeLabelsCsv } from '@/core/formats/labels';
import { readAnalysed, viewOf } from './analysed';
import { attachment } from './attachment';
import { BadRequest } from './errors';
import { drawingsPdf, inTurn } from './pdf';

/** Where a phone finds the design: what square codes say. */
const address = z.optional(z.url({ protocol: /^https?$/ }).check(z.maxLength(120)));

const asked = z.object({
  what: z._default(z.enum(LABEL_KINDS), 'wires'),
  sheet: z._default(z.enum(LABEL_SHEET_IDS), 'a4x80'),
  skip: z._default(z.pipe(z.coerce.number(), wholeIn(0, 500)), 0),
  address,
});

async function labelsAsked(request: Request, designId: string) {
  const read = asked.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!read.success) throw new BadRequest('what, sheet, skip or address is none there is');
  const { analysis } = await readAnalysed(designId, viewOf(request));
  return { ...read.data, analysis, labels: labelsOf(analysis, read.data.what) };
}

/** Labels on sheets, at full size. @throws BadRequest */
export async function labelsPdf(request: Request, designId: string): Promise<Response> {
  const { what, sheet, skip, address: at, analysis, labels } = await labelsAsked(request, designId);
  if (labels.length === 0) throw new BadRequest('there is nothing to label', [], 404);
  const pdf = await inTurn(request.signal, () => drawingsPdf(labelsDocument(labels, sheet, skip, at), request.signal));
  return attachment(analysis.design, pdf, 'application/pdf', `${what}-labels.pdf`);
}

/** The same for a label printer. @throws BadRequest */
export async function labelsCsv(request: Request, designId: string): Promise<Response> {
  const { what, analysis, labels } = await labelsAsked(request, designId);
  return attachment(analysis.design, writeLabelsCsv(labels), 'text/csv; charset=utf-8', `${what}-labels.csv`);
}

/** The fuse map for inside the lid. @throws BadRequest */
export async function fuseMapPdf(request: Request, designId: string): Promise<Response> {
  const read = z.object({ address }).safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!read.success) throw new BadRequest('address is none there is');
  const { analysis } = await readAnalysed(designId, viewOf(request));
  const document = fuseMapDocument(analysis, paperOf(analysis), read.data.address);
  const pdf = await inTurn(request.signal, () => drawingsPdf(document, request.signal));
  return attachment(analysis.design, pdf, 'application/pdf', 'fuse-map.pdf');
}
