import { analyse } from '@/core/analysis/analyse';
import { writePlanSvg } from '@/core/formats/planSvg';
import { attachment } from '@/server/attachment';
import { readDesign } from '@/server/stored';
import { route } from '@/server/http';

export const GET = route(async (_request, id) => {
  const { design } = await readDesign(id);
  return attachment(design, writePlanSvg(analyse(design)), 'image/svg+xml; charset=utf-8', 'plan.svg');
});
