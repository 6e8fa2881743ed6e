import { analyse } from '@/core/analysis/analyse';
import { writePlanDxf } from '@/core/formats/planDxf';
import { attachment } from '@/server/attachment';
import { readDesign } from '@/server/stored';
import { route } from '@/server/http';

export const GET = route(async (_request, id) => {
  const { design } = await readDesign(id);
  return attachment(design, writePlanDxf(analyse(design)), 'image/vnd.dxf', 'plan.dxf');
});
