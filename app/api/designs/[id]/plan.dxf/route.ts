import { writePlanDxf } from '@/core/formats/planDxf';
import { readAnalysed, viewOf } from '@/server/analysed';
import { attachment } from '@/server/attachment';
import { route } from '@/server/http';

export const GET = route(async (request, id) => {
  const { analysis } = await readAnalysed(id, viewOf(request));
  return attachment(analysis.design, writePlanDxf(analysis), 'image/vnd.dxf', 'plan.dxf');
});
