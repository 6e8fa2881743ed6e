import { writePlanSvg } from '@/core/formats/planSvg';
import { readAnalysed, viewOf } from '@/server/analysed';
import { attachment } from '@/server/attachment';
import { route } from '@/server/http';

export const GET = route(async (request, id) => {
  const { analysis } = await readAnalysed(id, viewOf(request));
  return attachment(analysis.design, writePlanSvg(analysis), 'image/svg+xml; charset=utf-8', 'plan.svg');
});
