import { writePanelSvg } from '@/core/formats/panelTemplate';
import { attachment } from '@/server/attachment';
import { route } from '@/server/http';
import { panelAsked } from '@/server/panels';

export const GET = route(async (request, id) => {
  const { cut, analysis } = await panelAsked(request, id);
  return attachment(analysis.design, writePanelSvg(cut), 'image/svg+xml; charset=utf-8', 'panel.svg');
});
