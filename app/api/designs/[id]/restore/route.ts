import { restoreDesign } from '@/server/designs';
import { route } from '@/server/http';

export const POST = route(async (_request, id) => {
  await restoreDesign(id);
  return Response.json({});
});
